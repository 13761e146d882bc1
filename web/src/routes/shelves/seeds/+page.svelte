<script lang="ts">
  import Seeds from "$lib/features/seeds/Seeds.svelte";
</script>

<Seeds />
