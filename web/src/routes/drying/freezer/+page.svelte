<script lang="ts">
  import Freezer from "$lib/features/freezer/Freezer.svelte";
</script>

<Freezer />
