<!-- How it is to be packed: container, closing, fill, how long, where. -->
<script lang="ts">
  import { sent } from "$lib/format/numbers";
  import Choice from "$lib/ui/Choice.svelte";
  import type { Schemas, Wrong } from "$lib/api/client";
  import type { Bench } from "./bench.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";
  import Tick from "$lib/ui/Tick.svelte";

  let {
    bench,
    wrong,
    places,
    containers,
    onmore,
    onpropose,
  }: {
    bench: Bench;
    wrong: Wrong;
    places: Schemas["PlaceView"][];
    containers: Schemas["ContainerRow"][];
    onmore: () => void;
    onpropose: () => void;
  } = $props();

  const plan = $derived(bench.plan);
  const FIRST: Schemas["Kind"][] = ["bag", "jar", "pail with liner"];
  const OWN = "own";
  const CLOSINGS: Record<Schemas["Closing"], string> = { absorber: "absorbers", vacuum: "vacuum", lid: "lid only" };
  const YEARS = [1, 5, 10, 25];

  const chosen = $derived(containers.find((row) => row.key === (bench.ask.container || plan?.container)));
  const offered = $derived.by(() => {
    const often = FIRST.flatMap((kind) => containers.filter((row) => row.usual && row.kind === kind)).map((row) => [row.key, row.name] as const);
    if (bench.ask.own_bag) return [...often, [OWN, plan?.container_name ?? bench.ask.own_bag] as const];
    return chosen && !chosen.usual ? [[chosen.key, chosen.name] as const, ...often.slice(0, 2)] : often;
  });

  const PESTS: [Schemas["PestMeasure"], string][] = [
    ["bay leaves", "Bay leaves in with it"],
    ["diatomaceous earth", "Diatomaceous earth in it"],
  ];
  const measures = $derived(bench.ask.measures ?? []);
  const toggle = (measure: Schemas["PestMeasure"]) =>
    bench.set({ measures: measures.includes(measure) ? measures.filter((each) => each !== measure) : [...measures, measure] });

  function pick(container: string) {
    bench.set({ container, own_bag: "", headspace_mm: null, headspace: "", fill: "", closing: null });
  }
</script>

{#snippet error(field: string)}
  <Refusal {wrong} of={field} id="wrong-{field}" class="mt-1" />
{/snippet}

<div class="mt-4 grid gap-4">
  <fieldset>
    <legend class="head">In</legend>
    <div class="mt-1.5 flex flex-wrap gap-2">
      <Choice label="In" options={offered} value={bench.ask.own_bag ? OWN : chosen?.key} onset={pick} row="contents" />
      <button class="chip" onclick={onmore}>More…</button>
      {#if plan}<button class="chip" onclick={onpropose}>Propose…</button>{/if}
    </div>
    {@render error("container")}
    {@render error("own_bag")}
  </fieldset>

  {#if plan}
    <fieldset>
      <legend class="head">Target life, years</legend>
      <Choice
        label="Target life, years"
        options={YEARS}
        value={bench.ask.horizon_years}
        onset={(horizon_years) => bench.set({ horizon_years })}
        row="mt-1.5 flex flex-wrap gap-2"
        chip="min-w-13 flex-1 !px-2"
      />
      {@render error("horizon_years")}
    </fieldset>

    <fieldset>
      <legend class="head">Closed with</legend>
      <Choice
        label="Closed with"
        options={plan.closings.map((each) => [each, CLOSINGS[each]] as const)}
        value={plan.closing}
        onset={(closing) => bench.set({ closing })}
        row="mt-1.5 flex flex-wrap gap-2"
      />
      {@render error("closing")}
      {#if plan.closing === "vacuum"}
        <div class="mt-2 grid grid-cols-[1fr_6rem] gap-2">
          <div>
            <label class="head block" for="pull">Pump</label>
            <select
              id="pull"
              class="field mt-1"
              value={bench.ask.pull}
              onchange={(event) => bench.set({ pull: event.currentTarget.value as Schemas["Pull"], left_kpa: null })}
              ><option value="machine">machine</option><option value="hand pump">hand pump</option></select
            >
          </div>
          <div>
            <label class="head block" for="left-kpa">Pressure left, kPa</label>
            <input
              id="left-kpa"
              class="field mt-1"
              inputmode="decimal"
              value={bench.ask.left_kpa ?? ""}
              placeholder={String(plan.left_kpa)}
              autocomplete="off"
              aria-invalid={wrong.left_kpa ? "true" : undefined}
              aria-describedby={wrong.left_kpa ? "wrong-left_kpa" : undefined}
              onchange={(event) => bench.set({ left_kpa: sent(event.currentTarget.value) })}
            />
          </div>
        </div>
        {#if wrong.left_kpa}{@render error("left_kpa")}{:else}<p class="caption mt-1">{plan.vacuum}</p>{/if}
      {/if}
    </fieldset>

    <div class="grid gap-3 min-[20rem]:grid-cols-2">
      <div>
        <label class="head block" for="fill">Weight in each</label>
        <input
          id="fill"
          class="field mt-1"
          value={bench.ask.fill}
          placeholder={plan.full.mass}
          autocomplete="off"
          aria-invalid={wrong.fill ? "true" : undefined}
          aria-describedby={wrong.fill ? "wrong-fill" : undefined}
          oninput={(event) => bench.set({ fill: event.currentTarget.value, headspace: "", headspace_mm: null })}
        />
      </div>
      <div>
        <label class="head block" for="headspace">Headspace</label>
        <input
          id="headspace"
          class="field mt-1"
          value={bench.ask.headspace}
          placeholder={plan.full.headspace}
          autocomplete="off"
          aria-invalid={wrong.headspace ? "true" : undefined}
          aria-describedby={wrong.headspace ? "wrong-headspace" : undefined}
          oninput={(event) => bench.set({ headspace: event.currentTarget.value, headspace_mm: null, fill: "" })}
        />
      </div>
      <div class="col-span-2 -mt-2 empty:hidden">{@render error("fill")}{@render error("headspace")}</div>
    </div>

    {#snippet check(label: string, on: boolean, onset: (on: boolean) => void)}
      <label class="flex min-h-11 cursor-pointer items-center justify-between gap-3">
        <span>{label}</span>
        <Tick class="size-5.5 accent-leaf" {on} {onset} />
      </label>
    {/snippet}
    <div class="divide-y divide-line border-y border-line">
      {#if plan.can_press}{@render check("Air pressed out", bench.ask.pressed ?? true, (pressed) => bench.set({ pressed }))}{/if}
      {#if plan.draw.kind === "pail" && chosen?.own === null}{@render check("Food-grade plastic", bench.ask.food_grade ?? true, (food_grade) =>
          bench.set({ food_grade }),
        )}{/if}
      {#if plan.draw.kind === "bottle"}{@render check("Cap dipped in wax", bench.ask.waxed ?? false, (waxed) => bench.set({ waxed }))}{/if}
      {@render check("In a pail, tote or bin", bench.ask.outer ?? false, (outer) => bench.set({ outer }))}
      {#if plan.moisture && (plan.closing !== "absorber" || bench.ask.gel)}{@render check("Silica gel with it", bench.ask.gel ?? false, (gel) =>
          bench.set({ gel }),
        )}{/if}
      {#if plan.food.says_conditioned}{@render check("Conditioned in a jar", bench.ask.conditioned ?? false, (conditioned) => bench.set({ conditioned }))}{/if}
      {#if plan.food.says_frozen}
        {@render check("Frozen first (kills insects)", plan.frozen, (frozen) => bench.set({ frozen }))}
      {:else}
        <p class="flex min-h-11 items-center justify-between gap-3"><span>Frozen first (kills insects)</span><b>on record</b></p>
      {/if}
      {#if plan.food.carries_insects || measures.length}
        {#each PESTS as [measure, words] (measure)}{@render check(words, measures.includes(measure), () => toggle(measure))}{/each}
      {/if}
      <label class="flex min-h-11 items-center justify-between gap-3">
        <span>Moisture, %</span>
        <input
          class="field !min-h-11 !w-22 text-right font-semibold"
          inputmode="decimal"
          value={bench.ask.moisture ?? ""}
          placeholder={plan.food.moisture_pct.toFixed(1)}
          aria-invalid={wrong.moisture ? "true" : undefined}
          onchange={(event) => bench.set({ moisture: sent(event.currentTarget.value) })}
        />
      </label>
      {#if plan.food.water_activity !== null && plan.food.water_activity !== undefined}
        <p class="flex min-h-11 items-center justify-between gap-3">
          <span>Water activity <span class="caption block">at {plan.food.warmest}, the warmest there</span></span>
          <b class={plan.food.water_activity > 0.65 ? "text-rust" : ""}>{plan.food.water_activity.toFixed(2)}</b>
        </p>
      {/if}
      {#if plan.moisture}
        <label class="flex min-h-11 items-center justify-between gap-3">
          <span>Opened</span>
          <select
            class="field !min-h-11 !w-36"
            value={bench.ask.opened}
            onchange={(event) => bench.set({ opened: event.currentTarget.value as Schemas["Opened"] })}
          >
            <option value="not until eaten">not until eaten</option><option value="weekly">weekly</option><option value="daily">daily</option>
          </select>
        </label>
      {/if}
      {@render error("moisture")}
      {#if plan.story.length}
        <details>
          <summary class="flex min-h-11 items-center font-bold underline">What was done to this lot</summary>
          <ol class="grid gap-1 pb-2.5 text-md leading-snug">
            {#each plan.story as line, n (n)}<li>{line}</li>{/each}
          </ol>
        </details>
      {/if}
    </div>

    <div>
      <label class="head block" for="place">Where it will stand</label>
      <select id="place" class="field mt-1" value={plan.place} onchange={(event) => bench.set({ place: Number(event.currentTarget.value) })}>
        {#each places as place (place.id)}<option value={place.id}>{place.name}</option>{/each}
      </select>
      <p class="caption mt-1">{places.find((place) => place.id === plan.place)?.climate ?? ""}</p>
      {@render error("place")}
    </div>
  {/if}
</div>
