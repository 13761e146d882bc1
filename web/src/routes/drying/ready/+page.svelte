<script lang="ts">
  import Ready from "$lib/features/drying/Ready.svelte";
</script>

<Ready />
