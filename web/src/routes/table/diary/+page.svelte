<script lang="ts">
  import { api, ask, type Schemas } from "$lib/api/client";
  import Patterns from "$lib/draw/Patterns.svelte";
  import { larder } from "$lib/larder.svelte";
  import Evening from "./Evening.svelte";
  import Month from "./Month.svelte";
  import Totals from "./Totals.svelte";

  const now = new Date();
  let at = $state({ year: now.getFullYear(), month: now.getMonth() + 1 });
  let view = $state<Schemas["MonthView"]>();
  let chosen = $state<string>();

  const day = $derived(view?.days.find((each) => each.day === chosen) ?? view?.days.find((each) => each.day === view?.today) ?? view?.days.at(-1));

  $effect(() => {
    if (larder.version >= 0) void load(at.year, at.month);
  });

  async function load(year: number, month: number) {
    const { data } = await ask(api.GET("/api/table/diary/{year}/{number}", { params: { path: { year, number: month } } }));
    // A day picked while the other month was still on show is no day of this one.
    if (data && view && data.name !== view.name) chosen = undefined;
    view = data ?? view;
  }

  function turn(by: number) {
    const next = new Date(at.year, at.month - 1 + by, 1);
    at = { year: next.getFullYear(), month: next.getMonth() + 1 };
  }
</script>

<svelte:head><title>Diary · Yellow Larder</title></svelte:head>

{#if view && day}
  <Patterns foods={view.totals} scale={0.42} />
  <div class="grid min-h-0 flex-1 grid-cols-1 content-start md:grid-cols-[18rem_1fr] lg:grid-cols-[20rem_1fr_20rem]">
    <section aria-label="The evening's line" class="border-line px-4 pt-2.5 pb-4 md:border-r md:pb-6 sm:px-6 lg:overflow-y-auto">
      {#key day.day}<Evening {day} today={view.today} meals={view.to_pick} />{/key}
    </section>
    <section aria-label="The month" class="min-w-0 px-2 pt-2.5 pb-6 sm:px-6 lg:overflow-y-auto">
      <Month {view} chosen={day.day} onpick={(picked) => (chosen = picked)} onturn={turn} />
    </section>
    <!-- Nothing in it takes the focus, yet keys must be able to scroll it. -->
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <aside tabindex="0" aria-label="What the month adds up to" class="border-line px-4 pt-2.5 pb-6 sm:px-6 md:col-start-2 lg:col-start-auto lg:overflow-y-auto lg:border-l">
      <Totals {view} />
    </aside>
  </div>
{/if}
