<script lang="ts">
  import Eaters from "$lib/features/planning/eaters/Eaters.svelte";
</script>

<Eaters />
