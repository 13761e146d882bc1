<!-- What goes on the trays, how it is cut, and what it dries in. -->
<script lang="ts">
  import { sent } from "$lib/format/numbers";
  import type { Schemas } from "$lib/api/client";
  import X from "@lucide/svelte/icons/x";
  import { readCelsius, shownDegrees } from "$lib/format/degrees";
  import OwnProduce from "$lib/features/catalog/OwnProduce.svelte";
  import Machine from "./Machine.svelte";
  import { load } from "./trays.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";
  import Nearest from "$lib/ui/Nearest.svelte";

  let { machines, us }: { machines: Schemas["Machine"][]; us: boolean } = $props();

  let own = $state(false);
  let fresh = $state({ open: false, n: 0, words: "" });
  const wrong = $derived(load.wrong);
  const machine = $derived(machines.find((each) => each.key === load.ask.machine));
  const warm = $derived(machine && (machine.air === "machine" || machine.air === "oven"));
  const shown = $derived(load.plan && Math.round(shownDegrees(load.plan.air_c, us)));

  const TREATMENTS: [Schemas["Treatment"], string][] = [
    ["blanched", "blanched"],
    ["lemon", "lemon"],
    ["pierced", "pierced or halved"],
    ["heated", "heated"],
  ];

  function treat(n: number, treatment: Schemas["Treatment"]) {
    const has = load.ask.items[n]?.treatments ?? [];
    load.item(n, { treatments: has.includes(treatment) ? has.filter((each) => each !== treatment) : [...has, treatment] });
  }

  /** Which treatments are worth asking about: those it wants, those it has, piercing where there is a skin. */
  function offered(n: number): typeof TREATMENTS {
    const plan = load.plan?.items[load.field(n)];
    const has = load.ask.items[n]?.treatments ?? [];
    return TREATMENTS.filter(([each]) => has.includes(each) || plan?.wants.includes(each) || (each === "pierced" && plan?.skin));
  }
</script>

{#each load.ask.items as item, n (item)}
  {@const at = load.field(n)}
  {@const error = wrong[`line.${at}`]}
  <div class={n ? "mt-4 border-t border-line pt-3" : ""}>
    <label for="tray-line-{n}" class="sr-only">{n ? `Food ${n + 1} on the trays` : "What goes on the trays: an amount and a food"}</label>
    <div class="flex items-end gap-1">
      <input
        id="tray-line-{n}"
        data-find={n ? undefined : true}
        value={item.line}
        oninput={(event) => load.item(n, { line: event.currentTarget.value })}
        placeholder={n ? (us ? "and 2 lb mushrooms" : "and 1 kg mushrooms") : "12 leeks"}
        autocomplete="off"
        spellcheck="false"
        aria-invalid={error && item.line ? "true" : undefined}
        aria-describedby="tray-note-{n}"
        class="w-full min-w-0 min-h-11 border-b-[3px] bg-transparent pb-1.5 font-name text-2xl font-extrabold outline-none placeholder:font-semibold {error &&
        item.line
          ? 'border-rust'
          : 'border-yolk focus:border-ink'}"
      />
      {#if load.ask.items.length > 1}<button
          class="grid size-11 shrink-0 place-items-center rounded-lg hover:bg-cream"
          aria-label="Take {item.line || 'this line'} off"
          onclick={() => load.drop(n)}><X size={19} aria-hidden="true" /></button
        >{/if}
    </div>
    <div id="tray-note-{n}">
      {#if error && item.line}
        <p class="wrong mt-1">{error.message}</p>
        <Nearest names={error.nearest} onname={(name) => load.rename(n, error.words, name)} />
        {#if error.code === "unknown-food"}
          <button class="min-h-11 text-left font-bold underline" onclick={() => (fresh = { open: true, n, words: error.words ?? "" })}
            >Add it as a fresh food of your own</button
          >
        {/if}
      {/if}
    </div>
    {#if item.line}
      <div class="mt-2 grid grid-cols-3 gap-2">
        <label class="block text-sm text-soft">
          cut
          <input
            class="field mt-0.5 !px-2"
            value={item.thickness}
            placeholder={load.plan?.items[at]?.thickness ?? "usual"}
            onchange={(event) => load.item(n, { thickness: event.currentTarget.value })}
            aria-label="How thick {item.line} is cut"
            aria-invalid={wrong[`thickness.${at}`] ? "true" : undefined}
          />
        </label>
        <label class="block text-sm text-soft">
          water, %
          <input
            class="field mt-0.5 !px-2"
            inputmode="decimal"
            value={item.water ?? ""}
            placeholder={load.plan?.items[at] ? load.plan.items[at].water_pct.toFixed(0) : ""}
            onchange={(event) => load.item(n, { water: sent(event.currentTarget.value) })}
            aria-label="Water in {item.line}, per cent"
            aria-invalid={wrong[`water.${at}`] ? "true" : undefined}
          />
        </label>
        <label class="block text-sm text-soft">
          cost
          <input
            class="field mt-0.5 !px-2"
            value={item.cost}
            placeholder="–"
            onchange={(event) => load.item(n, { cost: event.currentTarget.value })}
            aria-label="What {item.line} cost"
            aria-invalid={wrong[`cost.${at}`] ? "true" : undefined}
          />
        </label>
      </div>
      <div class="mt-2 flex flex-wrap items-center gap-2 empty:hidden">
        {#each offered(n) as [treatment, words] (treatment)}
          <button class="chip !px-3 !text-sm" aria-pressed={item.treatments?.includes(treatment)} onclick={() => treat(n, treatment)}
            >{words}{treatment === "heated" && load.plan?.items[at]?.heated ? ` to ${load.plan.items[at].heated}` : ""}</button
          >
        {/each}
      </div>
      <Refusal {wrong} of={[`thickness.${at}`, `cost.${at}`, `water.${at}`]} class="mt-1" />
    {/if}
  </div>
{/each}
{#if load.written}<button class="mt-2 min-h-11 font-bold underline" onclick={() => load.add()}>And another food</button>{/if}

<label for="dries-in" class="head mt-4 block">Dries in</label>
<select id="dries-in" class="field mt-1" value={load.ask.machine} onchange={(event) => load.set({ machine: event.currentTarget.value, air_c: null })}>
  {#each machines as each (each.key)}<option value={each.key}>{each.name}</option>{/each}
</select>
<Refusal {wrong} of="machine" class="mt-1" />
{#if warm}
  <div class="mt-4 grid grid-cols-2 gap-3">
    <div>
      <label for="air-c" class="head block">Air, {us ? "°F" : "°C"}</label>
      <input
        id="air-c"
        inputmode="decimal"
        autocomplete="off"
        class="field mt-1"
        value={shown ?? ""}
        placeholder="automatic"
        onchange={(event) => load.set({ air_c: readCelsius(event.currentTarget.value, us) as number | null })}
        aria-invalid={wrong.air_c ? "true" : undefined}
      />
    </div>
    <div>
      <label for="tray-weight" class="head block">Empty tray</label>
      <input
        id="tray-weight"
        class="field mt-1"
        value={load.ask.tray}
        placeholder="none"
        onchange={(event) => load.set({ tray: event.currentTarget.value })}
        aria-invalid={wrong.tray ? "true" : undefined}
      />
    </div>
  </div>
  <Refusal {wrong} of={["air_c", "tray"]} class="mt-1" />
  {#if load.ask.air_c !== null}<button class="mt-1 min-h-11 font-bold underline" onclick={() => load.set({ air_c: null })}>Automatic</button>{/if}
  <p class="caption mt-2">If you put whole trays on the scale, say what an empty one weighs: it is taken off.</p>
{/if}
<button class="mt-1 min-h-11 font-bold underline" onclick={() => (own = true)}>Add a dryer of your own</button>
<p class="caption mt-3 border-t border-line pt-3">
  Wash it, and throw out what you would not eat fresh: drying does not save spoiled food. Cut evenly: uneven pieces dry unevenly.
</p>

<OwnProduce bind:open={fresh.open} name={fresh.words} onadded={(name) => load.rename(fresh.n, fresh.words, name)} />
<Machine bind:open={own} onadded={(key) => load.set({ machine: key, air_c: null })} />
