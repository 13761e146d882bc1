<!-- The meshes and foods that trays on this page are filled in with; pieces shrink as they dry. -->
<script lang="ts">
  import FoodPattern from "./FoodPattern.svelte";

  let { foods }: { foods: { id: string; form: string; colour: string; dry?: number }[] } = $props();
</script>

<svg width="0" height="0" class="absolute" aria-hidden="true">
  <defs>
    <pattern id="mesh" width="7" height="7" patternUnits="userSpaceOnUse">
      <path d="M0 3.500H7M3.500 0V7" stroke="var(--line)" stroke-width="1" />
    </pattern>
    {#each foods as food (food.id)}<FoodPattern id={food.id} food={food.form} colour={food.colour} scale={1.5 - 0.5 * (food.dry ?? 0)} />{/each}
  </defs>
</svg>
