<!-- Packages of one food to be looked over: each with a tap, or all at once. -->
<script lang="ts">
  import Choice from "$lib/ui/Choice.svelte";
  import type { Schemas } from "$lib/api/client";
  import { patternOf } from "$lib/draw/pieces";
  import { day } from "$lib/format/when";
  import Hand from "./Hand.svelte";

  type Feel = Schemas["Feel"];
  type Indicator = Schemas["Indicator"];
  let {
    packages,
    felt,
    onfeel,
  }: {
    packages: Schemas["ToLook"][];
    felt: Record<number, { feel?: Feel; indicator: Indicator }>;
    onfeel: (numbers: number[], what: { feel?: Feel; indicator?: Indicator }) => void;
  } = $props();

  const FEELS: Feel[] = ["firm", "loose", "puffed", "leaks"];
  const first = $derived(packages[0]);
  const numbers = $derived(packages.map((each) => each.number));
</script>

{#if first}
  <section aria-label="{first.food}, {first.container}, {packages.length === 1 ? '' : 'from '}no. {first.number}" class="border-b-2 border-ink py-4 first:pt-2">
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
      <svg viewBox="0 0 44 44" class="w-11" aria-hidden="true"
        ><circle cx="22" cy="22" r="20" fill="url(#{patternOf(first)})" stroke="var(--ink)" stroke-width="1.8" /></svg
      >
      <div class="min-w-0 flex-1">
        <h2 class="text-2xl">{first.food}</h2>
        <p class="caption">
          {packages.length} × {first.container}, {first.mass}, closed {first.closed_on} with {first.closing === "vacuum" ? "vacuum" : "absorbers"} ·
          <b>{first.expected}</b>
          · {day(first.due)}
        </p>
      </div>
      {#if packages.length > 1}<button class="chip on" onclick={() => onfeel(numbers, { feel: "firm" })}>All {packages.length} firm</button>{/if}
    </div>
    <ul class="mt-2">
      {#each packages as each (each.number)}
        {@const mine = felt[each.number]}
        <li class="grid grid-cols-[3.2rem_1fr] items-center gap-x-3 gap-y-1.5 border-t border-line py-2 lg:grid-cols-[3.2rem_auto_1fr]">
          <span class="font-name text-2xl font-extrabold">{each.number}</span>
          <Choice
            label="How number {each.number} feels"
            options={FEELS}
            value={mine?.feel}
            onset={(feel) => onfeel([each.number], { feel })}
            row="flex flex-wrap gap-1.5"
            chip="!gap-1 !py-0.5 !pr-3 !pl-1.5"
          >
            {#snippet content(feel)}<Hand {feel} jar={each.is_jar} />{feel}{/snippet}
          </Choice>
          {#if each.closing === "absorber"}
            <div class="flex flex-wrap items-center gap-1.5 max-lg:col-start-2 lg:justify-end" role="group" aria-label="The indicator of number {each.number}">
              <span class="caption">indicator</span>
              {#each [["pink", "var(--indicator-pink)"], ["grey or blue", "var(--indicator-blue)"]] as [shows, paint] (shows)}
                <button
                  class="chip !text-sm"
                  aria-pressed={mine?.indicator === shows}
                  onclick={() => onfeel([each.number], { indicator: mine?.indicator === shows ? "not seen" : (shows as Indicator) })}
                  ><span class="size-3.5 rounded-full border border-label-ink" style="background:{paint}"></span>{shows}</button
                >
              {/each}
            </div>
          {/if}
        </li>
      {/each}
    </ul>
  </section>
{/if}
