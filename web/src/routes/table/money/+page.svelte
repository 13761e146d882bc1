<script lang="ts">
  import Week from "$lib/features/planning/money/Week.svelte";
</script>

<Week />
