<!-- A load in the freeze dryer, or out of it with its clock running. -->
<script lang="ts">
  import { api, ask, type Schemas, type Wrong, whyNot } from "$lib/api/client";
  import Field from "$lib/ui/Field.svelte";
  import ScaleReading from "$lib/ui/ScaleReading.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import { left, moment, when } from "$lib/format/when";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { load }: { load: Schemas["FreezeLoad"] } = $props();

  let weighing = $state(false);
  let weight = $state("");
  let wrong = $state<Wrong>({});
  let soon = $state("");
  let asking = $state(false);

  const path = $derived({ params: { path: { number: load.number } } });
  const dry = $derived(load.items.reduce((sum, item) => sum + item.dry_g, 0));
  const due = $derived(moment(load.due) <= new Date());
  const late = $derived(load.pack_by ? moment(load.pack_by) < new Date() : false);
  const STAGES = [
    ["freezing", "freezing"],
    ["drying", "drying"],
    ["weighing", "weighing"],
    ["dry", "dry"],
    ["open", "out, open"],
  ] as const;

  async function weigh() {
    const done = await ask(api.POST("/api/drying/freeze/{number}/weigh", { ...path, body: { weight } }));
    wrong = done.wrong ?? {};
    if (done.wrong) return;
    weighing = false;
    await larder.changed();
  }

  async function out(meant = false) {
    const done = await ask(api.POST("/api/drying/freeze/{number}/out", { ...path, body: { meant } }));
    if (done.wrong?.meant) {
      soon = done.wrong.meant.message;
      asking = true;
      return;
    }
    asking = false;
    if (done.wrong) larder.say(whyNot(done.wrong), "wrong");
    await larder.changed();
  }

  async function closed() {
    await larder.tell(ask(api.POST("/api/drying/freeze/{number}/closed", path)));
  }
</script>

<li class="border-b border-line py-3">
  <div class="flex items-baseline justify-between gap-3">
    <b class="text-lg inline-block first-letter:uppercase">{load.says}</b>
    <span
      class="rounded-md px-1.5 py-0.5 text-sm font-semibold whitespace-nowrap {load.stage === 'dry' || load.stage === 'open'
        ? 'bg-yolk text-on-yolk'
        : 'bg-cream'}">{STAGES.find(([stage]) => stage === load.stage)?.[1]}</span
    >
  </div>
  <p class="text-sm text-soft">{load.dryer_name}, since {when(load.began)}; comes to about {load.dry}</p>
  {#if load.stage === "open" && load.pack_by}
    <p class="mt-2 font-name text-5xl leading-none font-extrabold {late ? 'text-rust' : ''}">{left(load.pack_by)}</p>
    <p class="mt-1 leading-snug font-semibold">{load.next}. <span class="font-normal text-soft">Now about {load.moisture_now.toFixed(1)} % moisture.</span></p>
    <div class="mt-2 flex flex-wrap gap-2">
      {#each load.lines as line, n (n)}<a class="chip on" href="/bench?lot={load.lots[n]}&line={encodeURIComponent(line)}">Pack {line}</a>{/each}
      <button class="chip" onclick={closed}>It is closed up</button>
    </div>
  {:else}
    <svg viewBox="0 0 240 16" class="mt-2 w-full max-w-80" role="img" aria-label="{Math.round(load.share * 100)} % of the way">
      <rect x="1" y="3" width="238" height="10" rx="5" fill="var(--paper)" stroke="var(--ink)" stroke-width="1.6" />
      <rect x="2.500" y="4.500" width={Math.max(3, load.share * 235)} height="7" rx="3.500" fill="var(--slate)" />
    </svg>
    <p class="mt-1 leading-snug font-semibold">{load.next}</p>
    <p class="text-sm text-soft">
      frozen {when(load.frozen_at)}, dry from {when(load.dry_low)}, by {when(load.dry_high)}{load.stage === "weighing" ? `; due ${when(load.due)}` : ""}
    </p>
    {#if load.weighed.length}
      <p class="mt-1 text-md">
        Weighed {#each load.weighed as each, n (each.at)}{n ? ", " : ""}<b>{each.mass}</b> at {when(each.at)}{each.agrees ? ": agrees" : ""}{/each}
      </p>
    {/if}
    <div class="mt-2 flex flex-wrap gap-2">
      <button class="chip {load.stage === 'weighing' && due ? 'on' : ''}" onclick={() => ((weight = ""), (wrong = {}), (weighing = true))}
        >Weigh the load</button
      >
      <button class="chip {load.stage === 'dry' ? 'on' : ''}" onclick={() => out()}>Take it out</button>
    </div>
  {/if}
</li>

<Sheet bind:open={weighing} title="Weigh the load">
  <form class="grid gap-4" onsubmit={(event) => (event.preventDefault(), weigh())} novalidate>
    <p class="leading-snug">
      All trays together, without the trays themselves, or with their weight taken off. Two weighings two hours apart must agree. Break a thick piece, too: cold
      in the middle is ice.
    </p>
    <ScaleReading lay={{ name: "the load", grams: dry * 1.01 }} ontake={(taken) => (weight = taken)} />
    <Field label="Weight" name="weight" bind:value={weight} {wrong} placeholder={load.dry} />
    <Refusal {wrong} of={["request", "number"]} />
    <div class="flex justify-end"><button class="do" type="submit">Save</button></div>
  </form>
</Sheet>
<Sheet bind:open={asking} title="Too soon">
  <p class="text-lg leading-snug">{soon}</p>
  <div class="mt-5 flex flex-wrap gap-3">
    <button class="do" onclick={() => (asking = false)}>Leave it in</button>
    <button class="chip" onclick={() => out(true)}>Take it out anyway</button>
  </div>
</Sheet>
