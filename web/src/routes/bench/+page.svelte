<script lang="ts">
  import Bench from "$lib/features/packing/Bench.svelte";
</script>

<Bench />
