<script lang="ts">
  import Guide from "$lib/features/guide/Guide.svelte";
</script>

<Guide />
