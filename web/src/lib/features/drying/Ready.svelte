<script lang="ts">
  import Page from "$lib/ui/Page.svelte";
  import { all, query } from "$lib/state/query.svelte";
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import Patterns from "$lib/draw/Patterns.svelte";
  import { patternOf } from "$lib/draw/pieces";
  import Field from "$lib/ui/Field.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import Gives from "./Gives.svelte";
  import Fill from "$lib/features/drying/jars/Fill.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  type Made = Schemas["Made"];
  const seen = query((signal) => all({ lots: ask(api.GET("/api/drying/lots", { signal })), jars: ask(api.GET("/api/drying/jars", { signal })) }), {
    key: "ready",
  });
  const lots = $derived(seen.data?.lots ?? []);
  const jars = $derived(seen.data?.jars);
  const loaded = $derived(seen.data !== undefined);
  let open = $state<number>();
  let filling = $state.raw<Made>();
  let fillOpen = $state(false);
  let grinding = $state.raw<Made>();
  let grindOpen = $state(false);
  let amount = $state("");
  let wrong = $state<Wrong>({});
  let ground = $state.raw<Schemas["Ground"]>();

  let mixOpen = $state(false);
  let mixName = $state("");
  /** What goes into the mix, by lot: none for lots that stay out. */
  let into = $state<Record<number, string>>({});
  const picked = $derived(lots.filter((lot) => lot.lot in into));

  function askMix(lot: Made) {
    [mixOpen, mixName, wrong, into] = [true, "", {}, { [lot.lot]: "" }];
  }

  function toggle(lot: Made) {
    if (lot.lot in into) into = Object.fromEntries(Object.entries(into).filter(([key]) => Number(key) !== lot.lot));
    else into = { ...into, [lot.lot]: "" };
  }

  async function mix() {
    const parts = picked.map((lot) => ({ lot: lot.lot, amount: into[lot.lot] ?? "" }));
    const done = await ask(api.POST("/api/drying/lots/mix", { body: { name: mixName, parts } }));
    wrong = done.wrong ?? {};
    if (!done.data) return;
    mixOpen = false;
    await larder.changed();
    larder.say(`${done.data.line} is a lot of its own now`);
  }

  /** Its jar found it wet: nothing is to be done with it before it is dried again. */
  const wet = (lot: Made) => lot.jar === "back in the dryer";

  function stands(lot: Made): { words: string; good: boolean } {
    if (lot.meat) return { words: "fridge or freezer", good: false };
    if (lot.made === "freeze-dried") return { words: "close it at once", good: true };
    if (lot.conditioned) return { words: "conditioned", good: true };
    if (!lot.wants_conditioning) return { words: "ready to pack", good: true };
    if (wet(lot)) return { words: "back into the dryer", good: false };
    return { words: lot.jar ? "being conditioned" : "not conditioned yet", good: false };
  }

  async function grind() {
    const done = await ask(api.POST("/api/drying/lots/{lot}/grind", { params: { path: { lot: grinding?.lot ?? 0 } }, body: { amount } }));
    wrong = done.wrong ?? {};
    if (!done.data) return;
    ground = done.data;
    await larder.changed();
  }

  function askGrind(lot: Made) {
    grinding = lot;
    amount = "";
    wrong = {};
    ground = undefined;
    grindOpen = true;
  }
</script>

<Page title="Ready" of={seen}>
  <Patterns foods={lots} scale={0.6} />
  <section aria-label="Made here" class="mx-auto w-full max-w-5xl min-w-0 px-4 pt-3 pb-8 sm:px-6">
    <h1 class="text-4xl">Made here, not packed yet</h1>
    <p class="caption">What each lot gives, what was done to it, and what it may meet next. The bench reads this record.</p>
    {#if lots.length}
      <ul class="mt-3 border-t-2 border-ink">
        {#each lots as lot (lot.lot)}
          {@const how = stands(lot)}
          <li class="border-b border-line py-3">
            <div class="grid grid-cols-[3.4rem_1fr] gap-x-4 sm:grid-cols-[3.4rem_1fr_auto]">
              <svg viewBox="0 0 60 52" class="w-full" aria-hidden="true">
                <path
                  d="M5 18H55L49 44Q47 48 42 48H18Q13 48 11 44Z"
                  fill="url(#{patternOf(lot)})"
                  stroke="var(--ink)"
                  stroke-width="1.8"
                  stroke-linejoin="round"
                />
                <path d="M3 18H57" stroke="var(--ink)" stroke-width="3" stroke-linecap="round" />
              </svg>
              <div class="min-w-0">
                <p class="leading-snug">
                  <b class="text-lg inline-block first-letter:uppercase">{lot.food}</b> <span class="text-soft">{lot.mass}, {lot.made} {lot.on}</span>
                </p>
                <p class="text-md">
                  <span class="font-semibold {how.good ? 'text-leaf' : 'text-rust'}">{how.words}</span> · {lot.moisture_pct.toFixed(1)} % moisture{lot.gives
                    .water
                    ? ` · ${lot.gives.water}`
                    : ""}{lot.gives.cost ? ` · ${lot.gives.cost}` : ""}
                </p>
              </div>
              <div class="mt-2 flex flex-wrap items-center gap-2 max-sm:col-span-2 sm:mt-0">
                {#if lot.wants_conditioning && !lot.conditioned && !lot.jar && !lot.meat}<button
                    class="chip on"
                    onclick={() => ((filling = lot), (fillOpen = true))}>Into a jar</button
                  >{/if}
                {#if wet(lot)}<a class="chip on" href="/drying/jars">To its jar</a>
                {:else}<a class="chip {how.good ? 'on' : ''}" href="/bench?lot={lot.lot}&line={encodeURIComponent(lot.line)}">To the bench</a>{/if}
                {#if lots.length > 1 && !wet(lot) && !lot.meat}<button class="chip" onclick={() => askMix(lot)}>Mix</button>{/if}
                {#if lot.can_grind && !wet(lot)}<button class="chip" onclick={() => askGrind(lot)}>Grind</button>{/if}
                <button class="chip" aria-expanded={open === lot.lot} onclick={() => (open = open === lot.lot ? undefined : lot.lot)}>What it gives</button>
              </div>
            </div>
            {#if open === lot.lot}
              <div class="mt-2 grid gap-x-10 gap-y-3 rounded-xl bg-cream px-4 pt-1 pb-3 sm:grid-cols-2">
                <Gives gives={lot.gives} />
                <div class="mt-3">
                  <p class="head">What was done to it</p>
                  <ol class="mt-1 grid gap-1 text-md leading-snug">
                    {#each lot.story as line, n (n)}<li>{line}</li>{/each}
                  </ol>
                </div>
              </div>
            {/if}
          </li>
        {/each}
      </ul>
    {:else if loaded}
      <p class="mt-6 text-lg">
        Nothing is waiting. What comes out of a dryer stands here until it is packed. <a class="font-bold underline" href="/drying">Lay out a load</a>
      </p>
    {/if}
  </section>

  {#if filling && jars}<Fill bind:open={fillOpen} lot={filling} guidelines={jars.guidelines} ours={jars.ours} />{/if}
  <Sheet bind:open={mixOpen} title="Mix">
    <form class="grid gap-4" onsubmit={(event) => (event.preventDefault(), mix())} novalidate>
      <p class="leading-snug">
        What goes in together is one lot from then on. It keeps as long as its shortest part, and is to be conditioned as long as one of them is.
      </p>
      <Field label="What you call it" name="name" bind:value={mixName} {wrong} placeholder="green powder" />
      <ul class="border-t border-line">
        {#each lots.filter((lot) => !wet(lot) && !lot.meat) as lot (lot.lot)}
          <li class="grid grid-cols-[1fr_8rem] items-center gap-3 border-b border-line py-1.5">
            <label class="flex min-h-11 cursor-pointer items-center gap-3">
              <input type="checkbox" class="size-5.5 accent-leaf" checked={lot.lot in into} onchange={() => toggle(lot)} />
              <span>{lot.food} <span class="caption">{lot.mass}</span></span>
            </label>
            {#if lot.lot in into}
              <input
                class="field"
                aria-label="How much {lot.food}"
                placeholder="all of it"
                bind:value={into[lot.lot]}
                aria-invalid={wrong[`amount.${picked.indexOf(lot)}`] ? "true" : undefined}
              />
            {/if}
            {#if lot.lot in into}<Refusal {wrong} of="amount.{picked.indexOf(lot)}" class="col-span-2" />{/if}
          </li>
        {/each}
      </ul>
      <Refusal {wrong} of={["parts", "request"]} />
      <div class="flex justify-end"><button class="do" type="submit">Mix them</button></div>
    </form>
  </Sheet>
  <Sheet bind:open={grindOpen} title={ground ? "Ground" : `Grind ${grinding?.food ?? ""}`}>
    {#if ground}
      <p class="text-lg leading-snug"><b>{ground.line}</b> is a lot of its own now. {ground.keeps}</p>
      <Gives gives={ground.gives} />
      <div class="mt-5 flex justify-end"><button class="do" onclick={() => (grindOpen = false)}>Good</button></div>
    {:else}
      <form class="grid gap-4" onsubmit={(event) => (event.preventDefault(), grind())} novalidate>
        <p class="leading-snug">
          Powder keeps less long than pieces: its face is a hundred times as large. Grind a little at a time. It must snap first, or it smears.
        </p>
        <Field label="How much of {grinding?.mass ?? ''}" name="amount" bind:value={amount} {wrong} placeholder="all of it" />
        <Refusal {wrong} of={["lot", "request"]} />
        <div class="flex justify-end"><button class="do" type="submit">Grind it</button></div>
      </form>
    {/if}
  </Sheet>
</Page>
