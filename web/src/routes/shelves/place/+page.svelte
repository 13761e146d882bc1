<script lang="ts">
  import PlacePage from "$lib/features/places/PlacePage.svelte";
</script>

<PlacePage />
