<!-- What is in the freezer or thawing beside it: how cold its middle is, and the one thing to do next. -->
<script lang="ts">
  import { when } from "$lib/format/when";
  import { goto } from "$app/navigation";
  import { api, ask, type Schemas, whyNot } from "$lib/api/client";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import { stayed } from "$lib/state/stayed";

  type Thing = Schemas["InFreezer"];
  let { inIt }: { inIt: Thing[] } = $props();

  let early = $state<{ thing: Thing; act: "out" | "open"; says: string }>();
  let asking = $state(false);

  const NAMES: Record<Schemas["Phase"], string> = { cooling: "cooling", holding: "held cold", done: "take it out", thawing: "thawing", ready: "open it" };

  async function act(thing: Thing, what: "out" | "open", meant = false) {
    const here = stayed();
    const params = { params: { path: { number: thing.number } }, body: { early: meant } };
    const done = what === "out" ? await ask(api.POST("/api/freezer/{number}/out", params)) : await ask(api.POST("/api/freezer/{number}/open", params));
    if (done.wrong?.early) {
      early = { thing, act: what, says: done.wrong.early.message };
      asking = true;
      return;
    }
    asking = false;
    if (done.wrong) larder.say(whyNot(done.wrong), "wrong");
    await larder.changed();
    if (what === "open" && done.data && here()) await goto(`/bench?lot=${done.data}&line=${encodeURIComponent(thing.line)}`);
  }
</script>

<h2 class="text-2xl">In the freezer</h2>
{#if inIt.length}
  <ul class="mt-1 border-t-2 border-ink">
    {#each inIt as thing (thing.number)}
      {@const due = thing.phase === "done" || thing.phase === "ready"}
      {@const out = thing.phase === "thawing" || thing.phase === "ready"}
      <li class="border-b border-line py-3">
        <div class="flex items-baseline justify-between gap-3">
          <b class="text-lg inline-block first-letter:uppercase">{thing.food}</b>
          <span class="rounded-md px-1.5 py-0.5 text-sm font-semibold whitespace-nowrap {due ? 'bg-yolk text-on-yolk' : 'bg-cream'}">{NAMES[thing.phase]}</span>
        </div>
        <p class="text-sm leading-snug text-soft">{thing.says}</p>
        <div class="mt-2 grid grid-cols-[1fr_auto] items-center gap-3">
          <svg viewBox="0 0 200 16" class="w-full max-w-64" role="img" aria-label="{Math.round(thing.share * 100)} % of the way">
            <rect x="1" y="3" width="198" height="10" rx="5" fill="var(--paper)" stroke="var(--ink)" stroke-width="1.6" />
            <rect x="2.500" y="4.500" width={Math.max(3, thing.share * 195)} height="7" rx="3.500" fill={out ? "var(--yolk)" : "var(--slate)"} />
          </svg>
          <span class="text-sm font-semibold whitespace-nowrap">middle {thing.middle}</span>
        </div>
        <p class="mt-1 font-semibold">{thing.next}</p>
        <p class="text-sm text-soft">
          {#if out && thing.open_at}out since {when(thing.taken_out ?? "")}, to be opened from {when(thing.open_at)}
          {:else}in since {when(thing.went_in)}, cold {when(thing.cold_at)}, out {when(thing.out_at)}{/if}
        </p>
        <button class="chip mt-2 {due ? 'on' : ''}" onclick={() => act(thing, out ? "open" : "out")}>{out ? "Open it, to the bench" : "Take it out"}</button>
      </li>
    {/each}
  </ul>
{:else}
  <p class="caption mt-1">Nothing is in there. What goes in is counted from the minute the door closes.</p>
{/if}

<Sheet bind:open={asking} title="Too soon">
  {#if early}
    <p class="text-lg leading-snug">{early.says}</p>
    <p class="mt-2">{early.act === "open" ? "Wet grain and flour mould in a closed bag." : "It would not count as frozen through."}</p>
    <div class="mt-5 flex flex-wrap gap-3">
      <button class="do" onclick={() => (asking = false)}>Leave it</button>
      <button class="chip" onclick={() => early && act(early.thing, early.act, true)}>{early.act === "open" ? "Open it anyway" : "Take it out anyway"}</button>
    </div>
  {/if}
</Sheet>
