<script lang="ts">
  import ComingIn from "$lib/features/coming_in/ComingIn.svelte";
</script>

<ComingIn />
