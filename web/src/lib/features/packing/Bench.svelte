<script lang="ts">
  import Stale from "$lib/ui/Stale.svelte";
  import Choice from "$lib/ui/Choice.svelte";
  import Page from "$lib/ui/Page.svelte";
  import { all, query } from "$lib/state/query.svelte";
  import { stayed } from "$lib/state/stayed";
  import { goto } from "$app/navigation";
  import { page } from "$app/state";
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import { sheetOf } from "$lib/features/shelves/labels";
  import { afterPaint } from "$lib/shell/paint";
  import Later from "$lib/ui/Later.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import { onMount } from "svelte";
  import { Bench, nothing } from "./bench.svelte";
  import FromStock from "./FromStock.svelte";
  import Line from "./Line.svelte";
  import SizingMethods from "./SizingMethods.svelte";
  import Setup from "./Setup.svelte";
  import Stage from "./Stage.svelte";
  import Start from "./Start.svelte";
  import Strip from "./Strip.svelte";
  import Verdict from "./Verdict.svelte";

  const bench = new Bench();
  const seen = query(
    (signal) => {
      void bench.replan();
      return all({
        foods: ask(api.GET("/api/reference/names", { signal })),
        containers: ask(api.GET("/api/reference/containers", { signal })),
        places: ask(api.GET("/api/places", { signal })),
      });
    },
    { key: "bench" },
  );
  const guide = $derived(seen.data);
  const places = $derived(seen.data?.places ?? []);
  let picking = $state(false);
  let proposing = $state(false);
  let adding = $state(false);
  let ownName = $state("");
  let packed = $state.raw<Schemas["Batch"]>();
  let packedOpen = $state(false);
  let packWrong = $state<Wrong>({});
  /** The charts over time, fetched when somebody looks at one. */
  let fetched: Promise<[typeof import("./AirOverTime.svelte"), typeof import("./MoistureOverTime.svelte"), typeof import("./InsidePlan.svelte")]> | undefined;
  const courses = () => (fetched ??= Promise.all([import("./AirOverTime.svelte"), import("./MoistureOverTime.svelte"), import("./InsidePlan.svelte")]));

  const sheets = () => import("./sheets");

  type Below = "methods" | "stock" | "oxygen" | "moisture" | "inside";
  let below = $state<Below>("methods");
  let packing = $state(false);
  let printing = $state(false);

  /** What is drawn is no plan of what is written now. */
  const stale = $derived(Object.keys(bench.wrong).length > 0);
  const plan = $derived(bench.plan);
  const views = $derived(
    (
      [
        ["methods", "Sizing methods", plan?.sizing_options.length],
        ["stock", "On a run sheet", plan?.sizing_options.length],
        ["oxygen", "Oxygen", plan?.air],
        ["moisture", "Moisture", plan?.moisture],
        ["inside", "By date", plan],
      ] as [Below, string, unknown][]
    ).filter(([, , there]) => there),
  );
  const shown = $derived(views.some(([name]) => name === below) ? below : views[0]?.[0]);
  const us = $derived(larder.us);
  const wrong = $derived({ ...bench.wrong, ...packWrong });

  onMount(() => {
    const from = page.url.searchParams;
    if (from.has("line")) {
      // A lot sent here from the table: it is on the bench now, and a reload must not put it there again.
      bench.set({ ...nothing(), line: from.get("line") ?? "", lot: Number(from.get("lot")) || null });
      void goto("/bench", { replaceState: true, keepFocus: true });
    }
    // What is on the bench stays there until something else is typed: a key is hit by accident.
    const fresh = () => {
      const line = document.querySelector<HTMLInputElement>("#line");
      line?.focus();
      line?.select();
    };
    addEventListener("larder:fresh", fresh);
    const fetching = afterPaint(() => void sheets().catch(() => {}));
    return () => (fetching(), removeEventListener("larder:fresh", fresh));
  });

  async function pack(packedOn: string, override = "") {
    packing = true;
    tried = () => pack(packedOn, override);
    // Opened at the press, since a browser lets nothing open later; it goes to the labels once they exist.
    const labels = sheetOf(0) ? open("", "_blank") : null;
    const told = $state.snapshot(bench.ask);
    const body = { ask: { ...told, override }, packed_on: packedOn || null, plan: bench.plan?.identity ?? "" };
    const done = await ask(api.POST("/api/bench/pack", { body }));
    packing = false;
    packWrong = done.wrong ?? {};
    if (!done.data) {
      labels?.close();
      const first = Object.values(packWrong)[0];
      if (first) larder.say(first.message, "wrong");
      if (packWrong.plan) void bench.replan();
      return;
    }
    packed = done.data;
    packedOpen = true;
    if (labels) labels.location.href = sheetOf(packed.batch);
    bench.done(told);
    await larder.changed();
  }

  /** What was tried last, to be tried again once it is said that there was more in the lot. */
  let tried: () => unknown = () => undefined;

  async function more() {
    await bench.set({ more: true });
    packWrong = {};
    await tried();
  }

  /** Onto the run sheet goes what is drawn: if what was typed since comes to something else, it is drawn and looked at first. */
  async function toRun(override = "") {
    const drawn = bench.plan?.identity;
    await bench.replan();
    if (bench.plan?.identity === drawn) await allToRun([{ ...$state.snapshot(bench.ask), override }]);
    else larder.say("What is on the bench changed since it was drawn: look again", "wrong");
  }

  async function allToRun(asks: Schemas["Ask"][]) {
    const here = stayed();
    const told = $state.snapshot(bench.ask);
    packing = true;
    tried = () => allToRun(asks.map((each) => ({ ...each, more: true })));
    const done = await ask(api.POST("/api/run/lines", { body: { asks } }));
    packWrong = done.wrong ?? {};
    packing = false;
    const first = Object.values(packWrong)[0];
    if (first) return larder.say(first.message, "wrong");
    bench.done(told);
    await larder.changed();
    if (here()) await goto("/run");
  }

  async function own(size: string, film: number) {
    // However long the answer takes: the sheet closes once it is known that such a bag can be.
    await bench.set({ own_bag: size, own_film_mil: film, headspace_mm: null, headspace: "", fill: "", closing: null });
    if (!bench.wrong.own_bag) picking = false;
  }
</script>

<Page title="Bench" of={seen} eager>
  <div class="flex flex-1 flex-col lg:h-full">
    <div class="grid min-h-0 flex-1 grid-cols-1 content-start md:grid-cols-[17rem_1fr] lg:grid-cols-[18.25rem_1fr_22.5rem] lg:grid-rows-1">
      <section aria-label="On the bench" class="border-line max-md:contents md:row-span-2 md:border-r md:p-5 lg:row-span-1 lg:overflow-y-auto lg:px-6">
        <h1 class="sr-only">Bench</h1>
        <div class="max-md:order-1 max-md:p-4">
          <Line
            line={bench.ask.line ?? ""}
            answered={bench.answered}
            {wrong}
            read={plan?.food.words ?? ""}
            foods={guide?.foods ?? []}
            online={(line) => bench.set({ line, more: false, moisture: null, fill: "", headspace: "", headspace_mm: null, closing: null })}
            onown={(name) => ((ownName = name), (adding = true))}
          />
        </div>
        {#if guide}
          <div class="max-md:order-3 max-md:px-4">
            <Setup {bench} {wrong} {places} containers={guide.containers} onmore={() => (picking = true)} onpropose={() => (proposing = true)} />
          </div>
        {/if}
      </section>

      {#if plan}
        <section aria-label="Containers" class="flex min-w-0 flex-col md:min-h-[26rem] px-2 max-md:order-2 sm:px-4 md:pt-3 lg:min-h-0 lg:overflow-y-auto">
          <Stale class="min-h-72 flex-1 md:min-h-80" {stale}>
            <Stage
              {plan}
              pressed={bench.ask.pressed ?? true}
              outer={bench.ask.outer ?? false}
              {us}
              onheadspace={(mm) => bench.set({ headspace_mm: mm, headspace: "", fill: "" })}
            />
          </Stale>
          <p class="caption mt-0.5 px-2 text-center">{plan.container_name} {plan.fits}</p>
          {#if !plan.sizing_options.length}
            <p class="caption text-center">No absorbers: {plan.closing === "vacuum" ? "the vacuum takes the air" : "it is closed with room air"}.</p>
          {/if}
          {#if views.length}
            <div class="mx-auto w-full max-w-3xl pt-1.5 pb-2.5">
              {#if views.length > 1}<Choice
                  label="Absorbers, oxygen and moisture"
                  options={views.map(([name, words]) => [name, words] as const)}
                  value={shown}
                  onset={(name) => (below = name)}
                  row="mb-1 flex flex-wrap justify-center gap-2"
                  chip="!text-sm"
                />{/if}
              {#if shown === "oxygen" && plan.air}
                {#await courses() then [{ default: AirOverTime }]}<AirOverTime air={plan.air} years={bench.ask.horizon_years ?? 10} />{/await}
              {:else if shown === "stock"}
                <FromStock {plan} asked={bench.ask} />
              {:else if shown === "moisture" && plan.moisture}
                {#await courses() then [, { default: MoistureOverTime }]}<MoistureOverTime moisture={plan.moisture} />{/await}
              {:else if shown === "inside"}
                {#await courses() then [, , { default: InsidePlan }]}<InsidePlan asked={bench.ask} identity={plan.identity} />{/await}
              {:else}
                <SizingMethods
                  options={plan.sizing_options}
                  oxygen={plan.full.oxygen_ml}
                  asks={plan.air_asks_ml}
                  chosen={bench.ask.sizing ?? "air"}
                  onpick={(sizing) => bench.set({ sizing })}
                />
              {/if}
            </div>
          {/if}
        </section>
        <div class="border-line p-4 max-md:order-4 sm:p-5 lg:overflow-y-auto lg:border-l lg:px-6">
          <div class={{ grayscale: stale }}><Verdict {plan} line={bench.ask.line ?? ""} /></div>
        </div>
      {:else}
        <div class="max-md:order-2 lg:col-span-2"><Start online={(line) => bench.set({ line })} wrong={stale} /></div>
      {/if}
    </div>
    {#if plan}
      <Strip
        {plan}
        wrong={packWrong}
        busy={packing || stale}
        onpack={pack}
        onrun={toRun}
        onmore={more}
        onproved={() => void bench.set({ conditioned: true })}
      />
    {/if}
  </div>

  <Later load={sheets} when={picking || adding || printing || proposing}>
    {#snippet children({ Containers, Labels, OwnFood, Propose })}
      {#if guide}
        <Containers
          bind:open={picking}
          containers={guide.containers}
          chosen={bench.ask.own_bag ? "" : (bench.ask.container ?? "")}
          wrong={bench.wrong}
          {us}
          onpick={(container) => bench.set({ container, own_bag: "", headspace_mm: null, headspace: "", fill: "", closing: null })}
          onown={own}
        />
      {/if}
      <OwnFood bind:open={adding} name={ownName} onadded={() => bench.replan()} />
      {#if packed}<Labels bind:open={printing} of={{ batch: packed.batch }} count={packed.numbers.length} />{/if}
      <Propose bind:open={proposing} {bench} ontake={(change) => bench.set(change)} onrun={allToRun} />
    {/snippet}
  </Later>
  <Sheet bind:open={packedOpen} title="Packed">
    {#if packed}
      <p class="text-lg">{packed.title}.</p>
      <p class="mt-2">
        {packed.numbers.length === 1
          ? `It is number ${packed.numbers[0]}`
          : `They are numbers ${packed.numbers[0]} to ${packed.numbers[packed.numbers.length - 1]}`}. Label each before it goes on the shelf: a row of
        unlabelled bags is a row of mysteries.
      </p>
      {#if packed.took}<p class="caption mt-2">From your supplies: {packed.took}.</p>{/if}
      <div class="mt-5 flex flex-wrap gap-3">
        <button class="do" onclick={() => ((packedOpen = false), (printing = true))}>Labels …</button>
        <a class="chip" href="/shelves?n={packed.numbers[0]}" onclick={() => (packedOpen = false)}>See where they stand</a>
      </div>
    {/if}
  </Sheet>
</Page>
