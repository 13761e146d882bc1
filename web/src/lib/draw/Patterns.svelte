<!-- The patterns of some foods, to be filled in from any picture on the page by `patternOf`. -->
<script lang="ts">
  import FoodPattern from "./FoodPattern.svelte";
  import Hands from "./Hands.svelte";
  import { patternOf, type Painted } from "./pieces";

  let { foods, scale = 0.55 }: { foods: Painted[]; scale?: number } = $props();

  const each = $derived(Object.entries(Object.fromEntries(foods.filter((food) => food.form).map((food) => [patternOf(food), food]))));
</script>

<svg width="0" height="0" class="absolute" aria-hidden="true">
  <defs>
    <Hands />
    {#each each as [id, food] (id)}<FoodPattern {id} food={food.form} colour={food.colour} {scale} />{/each}
  </defs>
</svg>
