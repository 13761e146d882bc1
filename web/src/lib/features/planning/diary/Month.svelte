<!-- The month as plates on a cloth: what lay on each, and which were never set. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import Plate from "$lib/draw/Plate.svelte";
  import { bring } from "$lib/ui/bring";
  import ChevronLeft from "@lucide/svelte/icons/chevron-left";
  import ChevronRight from "@lucide/svelte/icons/chevron-right";

  let { view, chosen, onpick, onturn }: { view: Schemas["MonthView"]; chosen: string; onpick: (day: string) => void; onturn: (by: number) => void } = $props();

  const WEEK = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];
  const foods = $derived(Object.fromEntries(view.totals.map((food) => [food.food, food])));
  const before = $derived(view.days[0]?.weekday ?? 0);

  function onkeydown(event: KeyboardEvent, n: number) {
    const by = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 7, ArrowUp: -7 }[event.key];
    const next = by === undefined ? undefined : view.days[n + by];
    if (!next) return;
    event.preventDefault();
    onpick(next.day);
    document.getElementById(`day-${next.day}`)?.focus();
  }
</script>

<div class="flex items-center justify-between gap-2">
  <button class="grid size-11 place-items-center rounded-lg hover:bg-cream" aria-label="The month before" onclick={() => onturn(-1)}
    ><ChevronLeft aria-hidden="true" /></button
  >
  <h2 class="text-2xl" aria-live="polite">{view.name}</h2>
  <button class="grid size-11 place-items-center rounded-lg hover:bg-cream" aria-label="The month after" onclick={() => onturn(1)}
    ><ChevronRight aria-hidden="true" /></button
  >
</div>
<div class="mt-1 grid grid-cols-7 gap-x-1 text-center" role="group" aria-label={view.name}>
  {#each WEEK as name (name)}<span class="head pb-1" aria-hidden="true">{name}</span>{/each}
  {#each Array.from({ length: before }, (_, n) => n) as n (n)}<span></span>{/each}
  {#each view.days as day, n (day.day)}
    {@const ahead = day.day > view.today}
    <button
      id="day-{day.day}"
      class="rounded-xl py-1 {day.day === chosen ? 'bg-yolk-pale outline-2 outline-ink' : 'hover:bg-cream'}"
      tabindex={day.day === chosen ? 0 : -1}
      aria-pressed={day.day === chosen}
      aria-label="{n + 1}{day.day === view.today ? ' today' : ''}: {day.kept ? day.says : ahead ? 'ahead' : 'not written'}"
      onclick={() => (onpick(day.day), void bring("evening"))}
      onkeydown={(event) => onkeydown(event, n)}
    >
      <svg viewBox="-30 -30 60 60" class="mx-auto w-full max-w-[4.6rem]" aria-hidden="true">
        {#if !ahead}<Plate radius={26} set={day.kept} foods={day.foods.map((key) => foods[key]).filter((food) => food !== undefined)} />{/if}
        {#if !day.kept}<text y="5.500" text-anchor="middle" font-size="16" fill="var(--soft)">{n + 1}</text>{/if}
        {#if day.waiting}<g transform="translate(20 -20)"
            ><circle r="8.500" fill="var(--paper)" stroke="var(--rust)" stroke-width="1.8" /><text
              y="4.500"
              text-anchor="middle"
              font-size="13"
              font-weight="800"
              fill="var(--rust)">?</text
            ></g
          >{/if}
      </svg>
      <span class="block text-xs leading-tight {day.day === view.today ? 'font-bold' : 'text-soft'}">
        {#if day.kept}{n + 1}{:else if day.day === view.today}today{:else}<span aria-hidden="true">&nbsp;</span>{/if}
      </span>
    </button>
  {/each}
</div>
