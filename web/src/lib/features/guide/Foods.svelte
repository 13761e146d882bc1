<!-- The foods of the table with their figures: as many rows as somebody has come to, for all of them at once hold up a slow machine. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import FoodPattern from "$lib/draw/FoodPattern.svelte";
  import { ownOf } from "$lib/features/catalog/own";
  import { reached } from "$lib/ui/reached";
  import { flushSync } from "svelte";

  let {
    foods,
    wanted,
    onadd,
    onchange,
  }: {
    foods: Schemas["FoodRow"][];
    /** What is looked for: of something else one has come to the first rows only. */
    wanted: string;
    onadd: () => void;
    onchange: (own: NonNullable<ReturnType<typeof ownOf>>) => void;
  } = $props();

  const FIGURES = ["kcal", "protein_g", "fat_g", "carbohydrate_g", "fibre_g", "water_g"] as const;
  const STEP = 60;

  let most = $derived.by(() => (void wanted, STEP));
  let open = $state<string>();
  const shown = $derived(foods.slice(0, most));
</script>

<!-- On paper there is nothing to come to. -->
<svelte:window onbeforeprint={() => flushSync(() => (most = foods.length))} />

<div class="mb-2 flex flex-wrap items-center justify-between gap-3">
  <p class="caption">
    Per 100 g as it is packed. Carbohydrate counts fibre. A tap on a row shows its sources. * of your own foods: calculated as of what it is like.
  </p>
  <button class="chip" onclick={onadd}>Add a food of your own</button>
</div>
<div class="max-lg:overflow-x-auto">
  <table aria-rowcount={foods.length + 1} class="w-full min-w-[56rem] text-md">
    <thead class="text-left shadow-[0_2px_0_var(--ink)] lg:sticky lg:-top-5 lg:z-10 lg:bg-paper">
      <tr>
        <th class="py-2 pr-2" colspan="2">Food</th>
        {#each ["kcal", "protein", "fat", "carb.", "fibre", "water"] as head (head)}<th class="px-2 text-right">{head}</th>{/each}
        <th class="px-2 text-right">a litre, g</th><th class="px-2 text-right">solid, g/mL</th><th class="pl-3">the rules know it as</th>
      </tr>
    </thead>
    <tbody>
      {#each shown as food (food.key)}
        <tr class="border-b border-line hover:bg-cream">
          <td class="w-12 py-1">
            <svg viewBox="0 0 40 40" class="size-10 rounded-md" aria-hidden="true">
              <defs><FoodPattern id="g-{food.key}" food={food.form} colour={food.colour} scale={0.8} upTo={50} /></defs>
              <rect width="40" height="40" rx="5" fill="url(#g-{food.key})" />
            </svg>
          </td>
          <td class="pr-2">
            <button
              class="min-h-11 w-full text-left font-semibold"
              aria-expanded={open === food.key}
              onclick={() => (open = open === food.key ? undefined : food.key)}>{food.name}<span class="caption block font-normal">{food.group}</span></button
            >
          </td>
          {#each FIGURES as figure (figure)}<td class="px-2 text-right {food.taken.includes(figure) ? 'text-soft italic' : ''}"
              >{food[figure]}{food.taken.includes(figure) ? "*" : ""}</td
            >{/each}
          <td class="px-2 text-right whitespace-nowrap {food.taken.includes('loose_g_ml') ? 'text-soft italic' : ''}"
            >{Math.round(food.loose_g_ml * 1000)}–{Math.round(food.settled_g_ml * 1000)}</td
          >
          <td class="px-2 text-right">{food.particle_g_ml.toFixed(2)}</td>
          <td class="pl-3 text-sm">{food.traits.join(", ")}</td>
        </tr>
        {#if open === food.key}
          {@const own = ownOf(food.key)}
          <tr class="border-b border-line bg-cream">
            <td></td>
            <td colspan="10" class="py-2.5 text-md">
              {#if food.aliases.length}<p>Also called {food.aliases.join(", ")}.</p>{/if}
              <p>Keeps as <b>{food.life}</b>. Composition: {food.source}. Densities: {food.density_source}.</p>
              {#if own}<button class="chip mt-2" onclick={() => onchange(own)}>Put it right …</button>{/if}
            </td>
          </tr>
        {/if}
      {/each}
    </tbody>
  </table>
</div>
{#if !foods.length}<p class="py-6 text-center">
    No food of that name. <button class="min-h-11 font-bold underline" onclick={onadd}>Add it as your own</button>
  </p>{/if}
{#if shown.length < foods.length}
  <p class="py-4 text-center" use:reached={{ after: shown.length, call: () => (most += STEP) }}>
    <button class="chip" onclick={() => (most = foods.length)}>Show all {foods.length}</button>
  </p>
{/if}
