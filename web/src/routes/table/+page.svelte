<script lang="ts">
  import MasterList from "$lib/features/planning/MasterList.svelte";
</script>

<MasterList />
