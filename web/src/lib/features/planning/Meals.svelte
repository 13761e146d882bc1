<!-- How often each meal is wanted, and how often it can be cooked whole: bowls, full as far as they are covered. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { patternOf } from "$lib/draw/pieces";

  let { meals, lists }: { meals: Schemas["MealCover"][]; lists: Schemas["MealView"][] } = $props();

  const KINDS = ["breakfast", "lunch", "supper", "other"] as const;
  const groups = $derived(KINDS.map((kind) => ({ kind, meals: meals.filter((meal) => meal.kind === kind) })).filter((group) => group.meals.length));

  /** What most of a meal's energy comes from paints its bowl. */
  function paint(number: number): string {
    const lines = lists.find((each) => each.number === number)?.read.lines.filter((line) => line.form) ?? [];
    const main = lines.toSorted((a, b) => b.kcal - a.kcal)[0];
    return main ? `url(#${patternOf(main)})` : "var(--yolk-pale)";
  }
  const INSIDE = "M3 4H41C40 17 33 25 22 25C11 25 4 17 3 4Z";
</script>

<h2 class="text-2xl">Meals</h2>
<p class="caption">Whole ones from what is here, of those wanted</p>
{#each groups as group (group.kind)}
  <h3 class="head mt-4 font-sans first-letter:uppercase">{group.kind}</h3>
  <ul>
    {#each group.meals as meal (meal.number)}
      {@const share = meal.wanted ? meal.cooked / meal.wanted : 1}
      <li class="border-b border-line">
        <a href="/table/meals?n={meal.number}" class="grid min-h-12 grid-cols-[44px_1fr_auto] items-center gap-3 py-1">
          <svg width="44" height="32" viewBox="0 0 44 32" aria-hidden="true">
            <clipPath id="bowl-{meal.number}"><path d={INSIDE} /></clipPath>
            <path d={INSIDE} fill="var(--air)" />
            <g clip-path="url(#bowl-{meal.number})">
              <rect width="44" height="30" fill="url(#air)" />
              <rect y={25 - 20 * share} width="44" height="30" fill={paint(meal.number)} stroke="var(--ink)" stroke-width=".7" />
            </g>
            <path d={INSIDE} fill="none" stroke="var(--ink)" stroke-width="1.6" />
            <path d="M1 4H43" stroke="var(--ink)" stroke-width="2.6" stroke-linecap="round" />
            <path d="M14 29.500H30" stroke="var(--ink)" stroke-width="2" stroke-linecap="round" />
          </svg>
          <span class="leading-tight font-semibold">{meal.name}</span>
          <span class="whitespace-nowrap"><b class={share >= 1 ? "text-leaf" : meal.cooked ? "" : "text-rust"}>{meal.cooked}</b> of {meal.wanted}</span>
        </a>
      </li>
    {/each}
  </ul>
{/each}
