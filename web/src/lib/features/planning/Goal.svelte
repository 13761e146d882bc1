<!-- What the household wants to be ready for: how long, which meals, and what the list rests on. -->
<script lang="ts">
  import Choice from "$lib/ui/Choice.svelte";
  import type { Schemas, Wrong } from "$lib/api/client";
  import { counted } from "$lib/format/words";
  import Refusal from "$lib/ui/Refusal.svelte";
  import Tick from "$lib/ui/Tick.svelte";

  type Goal = Schemas["Goal"];
  let {
    goal,
    meals,
    wrong,
    diary,
    onset,
  }: {
    goal: Goal;
    meals: Schemas["MealView"][];
    wrong: Wrong;
    diary: number;
    /** What is set, by the goal as it is when its turn comes. */
    onset: (what: unknown, change: (goal: Goal) => Partial<Goal>) => void;
  } = $props();

  const set = (part: Partial<Goal>) => onset(part, () => part);

  const LENGTHS = ["1 month", "3 months", "6 months", "1 year"];
  const YEARS = [1, 3, 10, 25];
  const BASES: [Schemas["Basis"], string][] = [
    ["planned", "the meals"],
    ["diary", "the diary"],
    ["both", "both"],
  ];

  const be = (length: string) => set({ length });

  const some = $derived(goal.meals ?? []);
  const counts = (number: number, among = some) => !among.length || among.includes(number);

  function count(number: number, wanted: boolean) {
    onset([number, wanted], ({ meals: among }) => {
      const next = meals.map((each) => each.number).filter((each) => (each === number ? wanted : counts(each, among)));
      // None at all would mean all of them.
      if (!next.length) return {};
      return { meals: next.length === meals.length ? [] : next };
    });
  }
</script>

<div class="max-md:order-1 max-md:px-4 max-md:pt-3">
  <label for="length" class="head block">Be ready for</label>
  <input
    id="length"
    data-find
    value={goal.length}
    onchange={(event) => be(event.currentTarget.value)}
    autocomplete="off"
    aria-invalid={wrong.length ? "true" : undefined}
    aria-describedby={wrong.length ? "wrong-length" : undefined}
    class="w-full border-b-[3px] bg-transparent pb-1.5 font-name text-3xl font-extrabold outline-none {wrong.length
      ? 'border-rust'
      : 'border-yolk focus:border-ink'}"
  />
  <Refusal {wrong} of="length" id="wrong-length" class="mt-1" />
  <Choice
    label="How long"
    options={LENGTHS}
    value={goal.length}
    onset={be}
    row="mt-2.5 grid grid-cols-4 gap-1.5 md:grid-cols-2 md:gap-2"
    chip="max-md:!px-1 max-md:text-sm"
  />
</div>

<div class="max-md:order-4 max-md:px-4 max-md:pb-6">
  <fieldset class="mt-5">
    <legend class="head">Based on</legend>
    <Choice label="Based on" options={BASES} value={goal.basis} onset={(basis) => set({ basis })} row="mt-1.5 grid grid-cols-3 gap-1.5" chip="!px-1 text-sm" />
    <p class="caption mt-1.5">
      {#if goal.basis === "planned"}How often you mean to cook each meal.
      {:else if goal.basis === "diary"}{diary ? `What was eaten on ${counted(diary, "day")} of the diary.` : "The diary has no day yet."}
      {:else}Of plan and diary the larger, for every meal and food.{/if}
    </p>
  </fieldset>

  <fieldset class="mt-5">
    <legend class="head">Shelf life wanted, years</legend>
    <Choice
      label="Shelf life wanted, years"
      options={YEARS}
      value={goal.keep_years}
      onset={(keep_years) => set({ keep_years })}
      row="mt-1.5 grid grid-cols-4 gap-1.5"
      chip="!px-1"
    />
  </fieldset>

  <label class="mt-4 flex min-h-12 items-center justify-between gap-3 border-y border-line py-1">
    Count seasonings too
    <Tick class="size-6 accent-[var(--leaf)]" on={goal.seasonings ?? false} onset={(seasonings) => set({ seasonings })} />
  </label>

  {#if meals.length > 1}
    <details class="mt-1" open={some.length > 0}>
      <summary class="flex min-h-12 items-center justify-between font-semibold">
        <span>{some.length ? `${some.length} of ${counted(meals.length, "meal")} count` : `All ${counted(meals.length, "meal")} count`}</span>
        <span class="text-soft" aria-hidden="true">change</span>
      </summary>
      <ul class="pb-2">
        {#each meals as each (each.number)}
          <li>
            <label class="flex min-h-11 items-center gap-3">
              <Tick
                class="size-6 shrink-0 accent-[var(--leaf)]"
                on={counts(each.number)}
                disabled={counts(each.number) && some.length === 1}
                onset={(on) => count(each.number, on)}
              />
              <span class="leading-tight">{each.meal.name}</span>
            </label>
          </li>
        {/each}
      </ul>
    </details>
  {/if}
</div>
