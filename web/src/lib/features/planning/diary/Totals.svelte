<!-- What the month adds up to: each food, a day's average, and how many days that rests on. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { patternOf } from "$lib/draw/pieces";
  import { counted } from "$lib/format/words";

  let { view }: { view: Schemas["MonthView"] } = $props();

  const most = $derived(Math.max(1, ...view.totals.map((food) => food.mass_g)));
</script>

<h2 class="text-2xl">{counted(view.kept, "day")} kept</h2>
{#if view.incomplete}
  <p class="caption font-semibold text-rust">
    {counted(view.incomplete, "day is", "days are")} not complete: a line there is not read yet.
  </p>
{/if}
{#if view.totals.length}
  <p class="caption">
    {view.kcal_a_day_text} kcal a day from the larder, {Math.round(view.share_of_need * 100)} % of what you all need. Averages are over the days {view.incomplete
      ? "that are complete"
      : "kept"}.
  </p>
  <ul class="mt-2 border-t-2 border-ink">
    {#each view.totals as food (food.food)}
      <li class="border-b border-line py-1.5">
        <div class="flex items-baseline justify-between gap-3 leading-tight">
          <span class="font-semibold">{food.name}</span><b class="whitespace-nowrap">{food.mass}</b>
        </div>
        <svg width="100%" height="11" class="mt-1 block" aria-hidden="true">
          <rect
            x=".7"
            y=".7"
            width="{Math.max(1.5, (food.mass_g / most) * 99)}%"
            height="9.600"
            rx="2"
            fill="url(#{patternOf(food)})"
            stroke="var(--ink)"
            stroke-width="1.2"
          />
        </svg>
        <p class="mt-0.5 flex justify-between text-sm text-soft"><span>{food.average}</span><span>on {counted(food.days, "day")}</span></p>
      </li>
    {/each}
  </ul>
{:else}
  <p class="caption mt-1">A month of it is the average of what you eat. Begin with this evening.</p>
{/if}
