<!-- Which labels to print on: sheets by plain dimensions, one's own, or single ones off a roll. -->
<script lang="ts">
  import { sent } from "$lib/format/numbers";
  import Choice from "$lib/ui/Choice.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import { untrack } from "svelte";
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import { counted } from "$lib/format/words";
  import Field from "$lib/ui/Field.svelte";
  import { keepLayout, keptLayout } from "./labels";
  import Sheet from "$lib/ui/Sheet.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let {
    open = $bindable(false),
    of,
    count,
  }: {
    open?: boolean;
    /** Which labels: all of a packing, all of a run, or one. */
    of: { batch?: number; run?: number; number?: number[] };
    count: number;
  } = $props();

  let offered = $state.raw<Schemas["Layout"][]>([]);
  let chosen = $state(keptLayout());
  let own = $state({ columns: "2", rows: "7", size: "", gap: "" });
  let wrong = $state<Wrong>({});
  let printed = $state.raw<Schemas["PrinterView"]>();
  let busy = $state(false);
  /** Whether a label printer is connected: without one, labels on a roll are a PDF as any other. */
  const printer = $derived(larder.overview?.connected.label_printer ?? false);

  $effect(() => {
    if (open) untrack(() => void layouts());
  });
  const ready = $derived(offered.length > 0 || Object.keys(wrong).length > 0);

  /** The labels offered on the household's paper; those kept to before are none of them once it has changed its measures. */
  async function layouts() {
    const done = await ask(api.GET("/api/labels/layouts"));
    wrong = done.wrong ?? {};
    if (done.data) offered = done.data as Schemas["Layout"][];
    if (offered[0] && chosen !== "own" && !offered.some((each) => each.key === chosen)) pick(offered[0].key);
  }

  const layout = $derived(offered.find((each) => each.key === chosen));
  const roll = $derived(printer && !!layout && layout.columns * layout.rows === 1);
  const lies = $derived({ columns: sent(own.columns) ?? 0, rows: sent(own.rows) ?? 0, size: own.size, gap: own.gap });
  const query = $derived(
    Object.entries({ ...of, layout: chosen, ...(chosen === "own" ? lies : {}) })
      .flatMap(([name, value]) => (Array.isArray(value) ? value : [value]).map((each) => `${name}=${encodeURIComponent(String(each))}`))
      .join("&"),
  );

  function pick(key: string) {
    chosen = key;
    wrong = {};
    printed = undefined;
    keepLayout(key);
  }

  async function show() {
    // Opened at the press, since a browser lets nothing open later.
    const tab = globalThis.open("", "_blank");
    const { wrong: refused } = chosen === "own" ? await ask(api.GET("/api/labels/own", { params: { query: lies } })) : {};
    wrong = refused ?? {};
    if (refused) tab?.close();
    else if (tab) tab.location.href = `/api/labels.pdf?${query}`;
  }

  async function print() {
    busy = true;
    const done = await ask(api.POST("/api/devices/labels", { params: { query: of }, body: { roll: chosen } }));
    busy = false;
    wrong = done.wrong ?? {};
    printed = done.data;
  }

  async function refill() {
    wrong = (await ask(api.PUT("/api/devices/labels/roll"))).wrong ?? {};
  }
</script>

{#snippet page(each: Schemas["Layout"])}
  {@const [w, h] = each.page_mm as [number, number]}
  {@const [lw, lh] = each.size_mm as [number, number]}
  {@const [gx, gy] = each.gap_mm as [number, number]}
  {@const left = (w - each.columns * lw - (each.columns - 1) * gx) / 2}
  {@const top = (h - each.rows * lh - (each.rows - 1) * gy) / 2}
  <svg viewBox="-2 -2 {Math.max(w, h * 0.7) + 4} {Math.max(h, w * 0.6) + 4}" class="h-20 w-16 shrink-0" aria-hidden="true">
    <rect width={w} height={h} fill="var(--label)" stroke="var(--label-ink)" stroke-width="2.400" />
    {#each Array.from({ length: each.columns * each.rows }, (_, n) => n) as n (n)}
      {@const x = left + (n % each.columns) * (lw + gx)}
      {@const y = top + Math.floor(n / each.columns) * (lh + gy)}
      <rect {x} {y} width={lw} height={lh} fill="none" stroke="var(--label-ink)" stroke-width="1.600" stroke-dasharray={each.cut ? "4 4" : undefined} />
      <path d="M{x + 6} {y + lh * 0.3}h{lw * 0.4}M{x + 6} {y + lh * 0.6}h{lw * 0.3}" stroke="var(--label-line)" stroke-width={Math.max(3, lh * 0.1)} />
      <rect x={x + lw * 0.68} y={y + lh * 0.16} width={lh * 0.36} height={lh * 0.36} fill="var(--label-ink)" />
    {/each}
  </svg>
{/snippet}

<Sheet bind:open title={counted(count, "label")} wide {ready}>
  <Choice
    label="Labels to print on"
    options={[...offered.map((each) => [each.key, each.name] as const), ["own", "labels of your own …"]]}
    value={chosen}
    onset={pick}
    row="grid grid-cols-2 gap-2 sm:grid-cols-3"
    chip="!justify-start !gap-3 !py-2 text-left"
  >
    {#snippet content(key, name)}
      {@const sheet = offered.find((each) => each.key === key)}
      {#if sheet}{@render page(sheet)}{/if}<span class="leading-tight">{name}</span>
    {/snippet}
  </Choice>
  {#if chosen === "own"}
    <div class="mt-4 grid grid-cols-2 gap-2 sm:grid-cols-4">
      <Field label="Side by side" name="columns" bind:value={own.columns} {wrong} />
      <Field label="Below one another" name="rows" bind:value={own.rows} {wrong} />
      <Field label="Each, wide × high" name="size" bind:value={own.size} {wrong} placeholder={larder.us ? "3.5 × 1.5 in" : "90 × 38 mm"} />
      <Field label="Between them" name="gap" bind:value={own.gap} {wrong} placeholder="nothing" />
    </div>
  {/if}
  <p class="caption mt-4">
    Each says the food, its weight and kcal, when it was packed and is best by, what absorbers are inside, and that they are not food; with a number and a code
    to find it by.
  </p>
  <Refusal {wrong} of={["printer", "request", "number"]} class="mt-2" />
  <div class="mt-4 flex flex-wrap items-center gap-3">
    {#if roll}
      <button class="do" disabled={busy} onclick={print}>Print on the label printer</button>
      {#if wrong.printer?.code === "roll-empty"}<button class="chip" onclick={refill}>A new roll is in</button>{/if}
      {#if printed}<span class="font-semibold" role="status">{printed.says}.</span>{#if printed.simulated}<a
            class="chip"
            href="/api/devices/labels.pdf"
            target="_blank">See what it printed</a
          ><span class="caption">Simulated printer.</span>{/if}{/if}
    {:else}
      <button class="do" onclick={show}>Open the sheet (PDF)</button>
    {/if}
  </div>
</Sheet>
