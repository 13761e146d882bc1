<script lang="ts">
  import Run from "$lib/features/run/Run.svelte";
</script>

<Run />
