<!-- Inside a package: what it is like, what cost it how much, and what something done today would make of it. -->
<script lang="ts">
  import { api, ask, type Schemas, whyNot } from "$lib/api/client";
  import { untrack } from "svelte";
  import { larder } from "$lib/state/larder.svelte";
  import { untilLeft } from "$lib/state/left";
  import Choice from "$lib/ui/Choice.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import InsidePicture from "$lib/features/shelves/InsidePicture.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { open = $bindable(false), card, places }: { open?: boolean; card: Schemas["Card"]; places: Schemas["PlaceView"][] } = $props();

  type WhatIf = Schemas["WhatIf"];
  const SAYS: Record<WhatIf, string> = {
    "as it is": "as it is",
    "opened once a week": "opened weekly",
    "opened every day": "opened daily",
    "closed with fresh absorbers": "fresh absorbers",
    "closed under vacuum": "a vacuum",
  };

  let seen = $state.raw<Schemas["InsideIf"]>();
  let whatIf = $state<WhatIf>("as it is");
  let place = $state<number>();
  let failed = $state("");

  const at = $derived(place ?? card.place);

  $effect(() => {
    if (!open || larder.version < 0) return;
    const query = { what_if: whatIf, place: at };
    const { number } = card;
    return untrack(() => untilLeft((left) => look(number, query, left)));
  });

  async function look(number: number, query: { what_if: WhatIf; place: number }, signal: AbortSignal) {
    const { data, wrong } = await ask(api.GET("/api/packages/{number}/inside", { params: { path: { number }, query }, signal }));
    if (signal.aborted) return;
    failed = whyNot(wrong);
    if (data) seen = data;
  }
</script>

<Sheet bind:open title="Inside number {card.number}" wide ready={!!seen || !!failed}>
  {#if seen}
    <p class="text-lg leading-snug font-semibold">{seen.inside.says}</p>
    {#if seen.inside.cost}<p class="text-md text-soft">{seen.inside.cost}</p>{/if}
    {#if seen.asks.length > 1}
      <div class="mt-3 flex flex-wrap gap-x-8 gap-y-2">
        <div>
          <p class="head">From today on</p>
          <Choice label="From today on" options={seen.asks.map((each) => [each, SAYS[each]] as const)} value={whatIf} onset={(each) => (whatIf = each)} />
        </div>
        <div>
          <p class="head">In</p>
          <Choice label="In" options={places.map((each) => [each.id, each.name] as const)} value={at} onset={(each) => (place = each)} />
        </div>
      </div>
    {/if}
    <p class="mt-3 mb-2 font-semibold" aria-live="polite">
      {#if failed}<span class="wrong">{failed}</span>{:else}{seen.inside.then}{/if}
    </p>
    <InsidePicture inside={seen.inside} />
    <ol class="mt-2 flex flex-wrap gap-x-5 gap-y-1 text-md">
      {#each seen.inside.marks as mark, n (n)}<li><b>{n + 1}</b> {mark.what}, <span class="text-soft">{mark.on}</span></li>{/each}
    </ol>
  {:else if failed}
    <Refusal wrong={failed} />
  {/if}
</Sheet>
