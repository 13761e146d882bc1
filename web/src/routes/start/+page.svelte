<script lang="ts">
  import Start from "$lib/features/household/Start.svelte";
</script>

<Start />
