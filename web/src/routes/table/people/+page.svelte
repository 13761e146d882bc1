<script lang="ts">
  import People from "$lib/features/planning/people/People.svelte";
</script>

<People />
