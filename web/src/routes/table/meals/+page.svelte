<script lang="ts">
  import MealBook from "$lib/features/planning/meals/MealBook.svelte";
</script>

<MealBook />
