<script lang="ts">
  import Jars from "$lib/features/drying/jars/Jars.svelte";
</script>

<Jars />
