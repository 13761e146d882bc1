<script lang="ts">
  import Diary from "$lib/features/planning/diary/Diary.svelte";
</script>

<Diary />
