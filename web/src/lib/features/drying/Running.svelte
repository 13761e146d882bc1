<!-- A load in the dryer: the one thing to do next, its trays, and a curve for each food. -->
<script lang="ts">
  import Choice from "$lib/ui/Choice.svelte";
  import { api, ask, type Schemas } from "$lib/api/client";
  import TrayFoods from "$lib/draw/TrayFoods.svelte";
  import TrayTop from "$lib/draw/TrayTop.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import { left, moment, when } from "$lib/format/when";
  import { capital } from "$lib/format/words";
  import { onMount } from "svelte";
  import More from "./More.svelte";
  import Test from "./Test.svelte";
  import Weigh from "./Weigh.svelte";
  import WeightCurve from "./WeightCurve.svelte";

  let { load, us, sent }: { load: Schemas["Load"]; us: boolean; sent?: number | undefined } = $props();

  let food = $state(0);
  let weighing = $state(false);
  let tray = $state(1);
  let testing = $state(false);
  let more = $state(false);

  const drying = $derived(load.items.find((item) => item.item === food) ?? load.items[0]);
  const inside = $derived(load.trays.filter((each) => !each.out));
  const next = $derived(load.next);
  const due = $derived(moment(next.due) <= new Date());
  const then = $derived(load.then.map((step) => ` · then: ${step.title}, ${when(step.due)}`).join(""));
  const DO: Record<Schemas["Step"], string> = { weigh: "Weigh it", loosen: "Done: loosened", test: "Is it dry?", wait: "" };

  async function doIt(step: Schemas["ToDo"]) {
    food = step.item;
    if (step.step === "weigh") weigh(step.tray ?? inside[0]?.number ?? 1);
    else if (step.step === "test") testing = true;
    else {
      await larder.tell(ask(api.POST("/api/drying/loads/{number}/loosen", { params: { path: { number: load.number } }, body: { item: step.item } })));
    }
  }

  onMount(() => {
    const step = [load.next, ...load.then].find((each) => each.item === sent);
    // Loosening is done at the trays, and told by a tap of its own.
    if (step && step.step !== "loosen") void doIt(step);
  });

  function weigh(number: number) {
    tray = number;
    food = load.trays.find((each) => each.number === number)?.item ?? food;
    weighing = true;
  }
</script>

<TrayFoods
  foods={load.items.map((item) => ({
    id: `in-${load.number}-${item.item}`,
    form: item.form,
    colour: item.colour,
    dry: load.trays.find((each) => each.item === item.item && !each.out)?.dry_share ?? 0,
  }))}
/>
{#if drying}
  <h2 class="text-4xl first-letter:uppercase">{load.says}</h2>
  <p class="caption">{load.machine_name}, {load.warmth} · in since {when(load.began)}</p>

  <section aria-label="Next" class="mt-3 flex flex-wrap items-center justify-between gap-x-5 gap-y-2 rounded-xl border-2 border-ink bg-cream px-4 py-3">
    <div class="min-w-0">
      <p class="text-lg leading-snug font-bold">{next.says}</p>
      <p class="caption">{due ? "now" : `${left(next.due)}, ${when(next.due)}`}{then}</p>
    </div>
    <button class={due ? "do" : "chip"} onclick={() => doIt(next)}>{DO[next.step]}</button>
  </section>

  {#if load.items.length > 1}
    <Choice
      label="Food"
      options={load.items.map((each) => [each.item, `${each.name}, ${each.cut}`] as const)}
      value={drying.item}
      onset={(item) => (food = item)}
      row="mt-4 flex flex-wrap gap-2"
    />
  {/if}
  <div class="mt-3">
    <p class="text-lg">
      <b>{capital(drying.name)}: dry about {when(drying.done)}</b>, between {when(drying.done_low)} and {when(drying.done_high)}.
      <span class="text-soft">Now about {drying.now_pct.toFixed(0)} % water.</span>
    </p>
    {#if drying.still}<p class="font-semibold text-slate">Its weight has stopped falling: it is as dry as this air makes it. Test it.</p>{/if}
    <WeightCurve {drying} {us} />
  </div>

  <h3 class="head mt-4 font-sans">Trays, and what the food on each should weigh now: a tap weighs one</h3>
  <div class="mt-1.5 grid gap-2" style="grid-template-columns:repeat(auto-fill,minmax(6.4rem,1fr))">
    {#each inside as each (each.number)}
      {@const item = load.items.find((one) => one.item === each.item)}
      <button
        class="rounded-xl border-[1.5px] p-1.5 pb-1 text-center hover:bg-cream {each.item === drying.item ? 'border-ink' : 'border-line'}"
        onclick={() => weigh(each.number)}
      >
        <TrayTop
          width={120}
          depth={load.trays_look.is_round ? 120 : Math.max(56, Math.min(120, (120 * load.trays_look.depth_mm) / load.trays_look.width_mm))}
          round={load.trays_look.is_round}
          pattern="in-{load.number}-{each.item}"
          share={0.86}
        />
        <span class="block text-sm leading-tight"
          ><span class="sr-only">Weigh tray </span><b>{each.number}</b><span class="sr-only">, {item?.name}</span> · {each.expected}</span
        >
        <svg viewBox="0 0 100 9" class="mt-1 w-full" aria-hidden="true"
          ><rect x="1" y="1" width="98" height="7" rx="3.500" fill="var(--paper)" stroke="var(--ink)" stroke-width="1.2" /><rect
            x="2.500"
            y="2.500"
            width={Math.max(3, 95 * each.dry_share)}
            height="4"
            rx="2"
            fill="var(--yolk)"
          /></svg
        >
      </button>
    {/each}
  </div>
  <div class="mt-4 flex flex-wrap gap-2.5">
    <button class="chip" onclick={() => (testing = true)}>Is it dry? Take trays out</button>
    {#if load.free_trays}<button class="chip" onclick={() => (more = true)}>Put another food in, {load.free_trays} free</button>{/if}
  </div>
  <p class="caption mt-3">Turn trays round and change their places half-way: those next to the fan and at the rim dry first.</p>

  <Weigh bind:open={weighing} {load} bind:tray />
  <Test bind:open={testing} {load} {drying} />
  <More bind:open={more} {load} />
{/if}
