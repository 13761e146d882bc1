<!-- What the scale shows, and taking that weight; the simulated one can be laid on from here. -->
<script lang="ts">
  import { api, ask, type Answer, type Schemas, whyNot } from "$lib/api/client";
  import { weighed } from "$lib/format/masses";
  import { larder } from "$lib/state/larder.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let {
    ontake,
    lay,
    wanted,
    grams = $bindable(0),
  }: {
    ontake: (weight: string) => void;
    lay?: { name: string; grams: number };
    /** What it should weigh, g: the scale says how far it is off. */
    wanted?: number;
    /** What it shows now, g. */
    grams?: number;
  } = $props();

  let shows = $state.raw<Schemas["ScaleView"]>();
  /** Without a scale, what it weighs is typed. */
  const there = $derived(larder.overview?.connected.scale);
  const simulated = $derived(larder.overview?.connected.scale_simulated);
  const settled = $derived(shows?.state === "settled" && (shows.grams ?? 0) > 0.5);

  $effect(() => {
    if (!there) return;
    let on = true;
    const look = async () => {
      shows = (await ask(api.GET("/api/devices/scale", { params: { query: { wanted } } }))).data ?? shows;
      if (!on) return;
      grams = shows?.grams ?? 0;
      setTimeout(look, 250);
    };
    void look();
    return () => (on = false);
  });

  /** What the scale would not do; empty if it did. */
  let refused = $state("");
  const tell = async (call: Promise<Answer<unknown>>) => (refused = whyNot((await call).wrong));
  const pan = (grams: number) => tell(ask(api.PUT("/api/devices/scale/pan", { body: { grams } })));
  const trouble = (scale: Schemas["Trouble"]) => tell(ask(api.PUT("/api/devices/trouble", { params: { query: { scale } } })));
</script>

{#if there}
  <div role="group" aria-label="The scale" class="rounded-xl border-[1.5px] border-ink bg-cream p-3.5">
    <div class="flex flex-wrap items-center justify-between gap-3">
      <div class="min-w-0 flex-[1_1_7rem]">
        <p class="text-4xl leading-tight font-extrabold {settled ? '' : 'text-soft'}" aria-live="polite">{shows?.text || "no reading"}</p>
        {#if wanted !== undefined && shows?.grams}<p class="text-xl font-bold {shows.right ? 'text-leaf' : 'text-rust'}">
            {shows.right ? "that is right" : shows.off}
          </p>{/if}
        <p class="caption" class:!text-rust={shows && shows.grams === null}>{shows?.says ?? "Looking for the scale …"}</p>
        <Refusal wrong={refused} />
      </div>
      <div class="flex shrink-0 gap-2">
        <button type="button" class="chip" onclick={() => tell(ask(api.POST("/api/devices/scale/tare")))}>Tare</button>
        <button type="button" class="chip {settled ? 'on' : ''}" disabled={!settled} onclick={() => shows && ontake(weighed(shows.grams ?? 0, larder.us))}
          >Use this weight</button
        >
      </div>
    </div>
    {#if simulated}
      <div class="mt-2.5 flex flex-wrap items-center gap-x-2 gap-y-1.5 border-t border-line pt-2.5 text-sm">
        <span class="text-soft">Simulated scale:</span>
        {#if lay}<button type="button" class="chip !text-sm" onclick={() => pan(lay.grams)}>put {lay.name} on it</button>{/if}
        <button type="button" class="chip !text-sm" onclick={() => pan(0)}>empty it</button>
        {#if shows?.grams === null}
          <button type="button" class="chip !text-sm" onclick={() => trouble("none")}>connect</button>
        {:else}
          <button type="button" class="chip !text-sm" onclick={() => trouble("sends nothing")}>disconnect</button>
        {/if}
      </div>
    {/if}
  </div>
{/if}
