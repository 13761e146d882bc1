<!-- Which container? For this lot and others with it: what keeps them best for least cost, and is empty soon after opening. -->
<script lang="ts">
  import Stale from "$lib/ui/Stale.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import Sheet from "$lib/ui/Sheet.svelte";
  import Patterns from "$lib/draw/Patterns.svelte";
  import Container from "$lib/draw/Container.svelte";
  import { outline } from "$lib/draw/outline";
  import { patternOf } from "$lib/draw/pieces";
  import { counted, renamed } from "$lib/format/words";
  import { latest } from "$lib/state/latest";
  import X from "@lucide/svelte/icons/x";
  import type { Bench } from "./bench.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";
  import Nearest from "$lib/ui/Nearest.svelte";

  let {
    open = $bindable(false),
    bench,
    ontake,
    onrun,
  }: {
    open?: boolean;
    bench: Bench;
    /** This one, for what is on the bench. */
    ontake: (change: Partial<Schemas["Ask"]>) => void;
    /** All of them onto the run sheet. */
    onrun: (asks: Schemas["Ask"][]) => void;
  } = $props();

  let lines = $state<{ line: string; lot: number | null; a_week: string; moisture?: number | null; conditioned?: boolean }[]>([]);
  let found = $state.raw<Schemas["ProposedPacking"]>();
  let wrong = $state<Wrong>({});

  const plan = latest(async () => {
    const wanted = $state.snapshot(lines).filter((each) => each.line.trim());
    if (!wanted.length) return;
    const body = { lines: wanted, horizon_years: bench.ask.horizon_years ?? 10, place: bench.ask.place ?? null, opened: bench.ask.opened };
    const done = await ask(api.POST("/api/bench/propose", { body }));
    wrong = done.wrong ?? {};
    found = done.data ?? found;
  });

  $effect(() => {
    if (!open) return;
    lines = [
      { line: bench.ask.line ?? "", lot: bench.ask.lot ?? null, a_week: "", moisture: bench.ask.moisture ?? null, conditioned: bench.ask.conditioned ?? false },
    ];
    found = undefined;
    wrong = {};
    void plan();
  });

  const bad = $derived(Object.keys(wrong).length > 0);
  const common = $derived({ horizon_years: bench.ask.horizon_years, place: bench.ask.place, outer: bench.ask.outer });

  const asked = (line: Schemas["ProposedLine"], each: Schemas["ProposedContainers"]): Schemas["Ask"] => ({
    ...$state.snapshot(bench.ask),
    ...common,
    line: `${each.amount} ${line.food}`,
    container: each.key,
    own_bag: "",
    closing: each.closing,
    lot: line.lot ?? null,
    fill: "",
    headspace: "",
    headspace_mm: null,
  });
  const change = (n: number, what: Partial<(typeof lines)[number]>) => {
    Object.assign(lines[n] ?? {}, what);
    void plan();
  };
</script>

<Sheet bind:open title="Which container?" wide ready={!!found || bad}>
  <p class="caption -mt-2">
    For {counted(bench.ask.horizon_years ?? 0, "year")}: what keeps it best for least cost, from your supplies before the shop, and empty soon after it is
    opened. You can always choose differently.
  </p>
  <p class="head mt-3 grid grid-cols-[1fr_8.500rem_2.750rem] gap-2 max-sm:sr-only" aria-hidden="true"><span>What there is</span><span>eaten in a week</span></p>
  <ul class="mt-1 grid gap-2 max-sm:mt-3">
    {#each lines as line, n (line)}
      <li>
        <div class="grid grid-cols-[1fr_8.500rem_2.750rem] items-end gap-2 max-sm:grid-cols-[1fr_2.750rem]">
          <input
            class="field font-semibold max-sm:col-span-2"
            aria-label="Lot {n + 1}"
            value={line.line}
            placeholder={larder.us ? "and 15 lb rolled oats" : "and 6 kg rolled oats"}
            autocomplete="off"
            aria-invalid={wrong[`line.${n}`] ? "true" : undefined}
            oninput={(event) => change(n, { line: event.currentTarget.value, lot: null, moisture: null, conditioned: false })}
          />
          <input
            class="field"
            aria-label="What the kitchen takes of lot {n + 1} in a week"
            value={line.a_week}
            placeholder={larder.us ? "1 lb a week" : "400 g a week"}
            autocomplete="off"
            aria-invalid={wrong[`a_week.${n}`] ? "true" : undefined}
            oninput={(event) => change(n, { a_week: event.currentTarget.value })}
          />
          {#if n}<button
              class="grid size-11 place-items-center rounded-lg hover:bg-cream"
              aria-label="Take lot {n + 1} off"
              onclick={() => ((lines = lines.filter((_, at) => at !== n)), plan())}><X size={19} aria-hidden="true" /></button
            >{/if}
        </div>
        {#if line.line.trim()}
          {@const error = wrong[`line.${n}`]}
          <Refusal {wrong} of={[`line.${n}`, `a_week.${n}`]} class="mt-1" />
          <Nearest names={error?.nearest} onname={(name) => change(n, { line: renamed(line.line, error?.words ?? "", name) })} />
        {/if}
      </li>
    {/each}
  </ul>
  {#if lines.length < 12}<button class="mt-1 min-h-11 font-bold underline" onclick={() => (lines = [...lines, { line: "", lot: null, a_week: "" }])}
      >And another lot with it</button
    >{/if}
  {#if found}
    <Patterns foods={found.lines} scale={0.5} />
    <Stale stale={bad}
      ><div aria-live="polite">
        {#each found.lines as line, n (n)}
          {#if found.lines.length > 1}<h3 class="mt-3 border-b-2 border-ink pb-0.5 text-xl">{line.food}</h3>{/if}
          <ul>
            {#each line.containers as each (each.key)}
              {@const scale = 62 / Math.max(each.draw.height_mm, 240)}
              {@const shape = outline(each.draw, scale)}
              <li class="grid grid-cols-[4.5rem_1fr_auto] items-center gap-x-3 border-b border-line py-2">
                <svg
                  viewBox="{-shape.half - 3} {-shape.top - 3} {shape.half * 2 + 6} {shape.top + 6}"
                  height={shape.top + 6}
                  class="mx-auto max-w-full"
                  aria-hidden="true"
                  ><Container
                    id="pr{n}{each.key.replace(/\W/g, '')}"
                    drawn={each.draw}
                    {scale}
                    level={each.level * each.draw.inner_mm}
                    pattern={patternOf(line)}
                    food={line.form}
                    colour={line.colour}
                    pressed
                    fine={false}
                  /></svg
                >
                <div class="min-w-0">
                  <p class="text-lg leading-snug font-bold">{each.count} × {each.name}, {each.each} in each</p>
                  <p class="caption">
                    {[
                      each.ages ? `best by ${each.keeps}` : "keeps",
                      each.open_for ? `empty in ${each.open_for}` : "",
                      each.in_stock >= each.count ? "in your supplies" : each.in_stock ? `${each.in_stock} in your supplies` : `to buy, ${each.cost}`,
                    ]
                      .filter(Boolean)
                      .join(" · ")}
                  </p>
                </div>
                {#if found.lines.length === 1}<button class="chip" disabled={bad} onclick={() => ((open = false), ontake(asked(line, each)))}
                    >{line.containers.length === 1 ? "Take it" : "To the bench"}</button
                  >{/if}
              </li>
            {/each}
          </ul>
          {#if line.left_out}<p class="caption mt-1">Left out: {line.left_out}.</p>{/if}
        {/each}
        <p class="mt-3 leading-snug">
          {found.buy.length ? `To buy: ${found.buy.join(", ")}${found.cost ? `, ${found.cost}` : ""}.` : "All of it is in your supplies."}
          {found.optimal ? "No cheaper choice exists." : "Close to the least cost; a better one was not found in time."}{found.guessed
            ? " Some prices are guessed, as none stand under Supplies."
            : ""}
        </p>
      </div></Stale
    >
    <button
      class="do mt-4"
      disabled={bad}
      onclick={() => ((open = false), onrun(found?.lines.flatMap((line) => line.containers.map((each) => asked(line, each))) ?? []))}
      >All on the run sheet</button
    >
  {/if}
</Sheet>
