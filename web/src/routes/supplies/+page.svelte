<script lang="ts">
  import Supplies from "$lib/features/supplies/Supplies.svelte";
</script>

<Supplies />
