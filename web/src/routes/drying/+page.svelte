<script lang="ts">
  import Trays from "$lib/features/drying/Trays.svelte";
</script>

<Trays />
