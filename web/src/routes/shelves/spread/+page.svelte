<script lang="ts">
  import SpreadPage from "$lib/features/shelves/SpreadPage.svelte";
</script>

<SpreadPage />
