<script lang="ts">
  import Inspections from "$lib/features/shelves/inspection/Inspections.svelte";
</script>

<Inspections />
