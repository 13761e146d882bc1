<script lang="ts">
  import Rounds from "$lib/features/rounds/Rounds.svelte";
</script>

<Rounds />
