<script lang="ts">
  import Shelves from "$lib/features/shelves/Shelves.svelte";
</script>

<Shelves />
