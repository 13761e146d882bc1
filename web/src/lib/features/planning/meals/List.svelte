<!-- The household's meals, by when they are eaten, with what a helping gives. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { counted } from "$lib/format/words";

  let { meals, chosen, onopen, onnew }: { meals: Schemas["MealView"][]; chosen: number | undefined; onopen: (number: number) => void; onnew: () => void } =
    $props();

  const KINDS = ["breakfast", "lunch", "supper", "other"] as const;
  const groups = $derived(KINDS.map((kind) => ({ kind, meals: meals.filter((each) => each.meal.kind === kind) })).filter((group) => group.meals.length));
</script>

<div class="flex items-center justify-between gap-3">
  <h2 class="text-2xl">Our meals</h2>
  <button class="chip" onclick={onnew}>New meal</button>
</div>
{#each groups as group (group.kind)}
  <h3 class="head mt-4 font-sans first-letter:uppercase">{group.kind}</h3>
  <ul>
    {#each group.meals as each (each.number)}
      {@const waits = each.read.asks + each.read.unread}
      <li class="border-b border-line">
        <button
          class="flex min-h-12 w-full items-center justify-between gap-3 rounded-lg px-2 py-1 text-left -mx-2 {each.number === chosen
            ? 'bg-yolk-pale'
            : 'hover:bg-cream'}"
          style="width:calc(100% + 1rem)"
          aria-current={each.number === chosen ? "true" : undefined}
          onclick={() => onopen(each.number)}
        >
          <span class="leading-tight">
            <span class="font-semibold">{each.meal.name}</span>
            {#if waits}<span class="block text-xs font-semibold {each.number === chosen ? '' : 'text-rust'}">{counted(waits, "line")} to look at</span>{/if}
          </span>
          <span class="text-right text-sm leading-tight whitespace-nowrap text-soft"
            >{each.read.kcal_per_person_text} kcal<br />{each.meal.per_month} × a month</span
          >
        </button>
      </li>
    {/each}
  </ul>
{:else}
  <p class="caption mt-2">None yet. Begin with one breakfast, one lunch and one supper.</p>
{/each}
