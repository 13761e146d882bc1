<script lang="ts">
  import Stocktake from "$lib/features/using/Stocktake.svelte";
</script>

<Stocktake />
