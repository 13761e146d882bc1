<script lang="ts">
  import FreezeDryer from "$lib/features/freeze_drying/FreezeDryer.svelte";
</script>

<FreezeDryer />
