<script lang="ts">
  import { api, ask, whyNot } from "$lib/api/client";
  import Page from "$lib/ui/Page.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import Patterns from "$lib/draw/Patterns.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import { onMount, untrack } from "svelte";
  import Against from "./Against.svelte";
  import Away from "./Away.svelte";
  import Fill from "./Fill.svelte";
  import Lines from "./Lines.svelte";
  import Ready from "./Ready.svelte";
  import Row from "./Row.svelte";
  import Steps from "./Steps.svelte";
  import { Running } from "./run.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  const run = new Running();
  let breaking = $state(false);

  const view = $derived(run.view ?? run.done);
  const on = $derived(!!run.view && run.view.phase !== "sheet");
  const many = $derived.by(() => {
    const all = view?.containers ?? [];
    if (view?.phase === "fill") return `${all.filter((each) => each.filled_g !== null).length} of ${all.length}`;
    return view?.closed ? `${view.closed} of ${all.length}` : "";
  });
  const failed = $derived(whyNot(run.wrong));
  // Against the clock it says so itself, in its own words.
  const seen = $derived({ data: view ?? run.view, failed: on ? "" : run.failed, again: run.read });
  const next = $derived(
    view?.clock?.next
      ? [view.clock.next]
      : view?.phase === "fill"
        ? view.containers
            .filter((each) => each.filled_g === null)
            .slice(0, 1)
            .map((each) => each.n)
        : [],
  );

  $effect(() => {
    const whole = on;
    larder.whole = whole;
    return () => {
      larder.whole = false;
      if (whole) untrack(() => void larder.changed());
    };
  });
  $effect(() => {
    if (larder.version >= 0) void run.read();
  });
  onMount(() => {
    // Another screen may close what this one does not know of yet.
    const look = setInterval(() => run.look(), 1500);
    const tick = setInterval(() => run.tick(), 200);
    return () => (clearInterval(look), clearInterval(tick));
  });
</script>

<Page title="Run" of={seen}>
  {#if view}
    <Patterns foods={view.phase === "sheet" ? view.lines : view.containers} scale={0.5} />
    {#if view.phase === "sheet" && view.lines.length === 0 && !view.wrong}
      {@render empty()}
    {:else if view.phase === "sheet"}
      <Lines {run} {view} />
    {:else}
      <div class="flex flex-1 flex-col lg:min-h-0">
        <header class="flex items-start gap-3 border-b-2 border-ink bg-cream px-3 pt-2.5 pb-1.5 sm:px-6">
          <Steps phase={view.phase} {many} />
          {#if on && view.phase !== "against the clock"}<button class="chip !text-sm" onclick={() => (breaking = true)}>End early …</button>{/if}
        </header>
        {#if run.failed}<p class="bg-rust px-6 py-1.5 text-center font-bold text-paper">
            Can't reach the larder. Go on closing, and say so afterwards: the clock here goes on.
          </p>{/if}
        {#if view.phase !== "fill"}<Refusal wrong={failed} class="px-6 pt-3 text-center text-lg" />{/if}
        <div class="flex min-h-0 flex-1 flex-col overflow-y-auto">
          {#if view.phase === "labels" || view.phase === "set out"}<Ready {run} {view} />
          {:else if view.phase === "fill"}<Fill {run} {view} />
          {:else if view.phase === "put away" || view.phase === "done"}<Away {run} {view} />
          {:else}<Against {run} {view} />{/if}
        </div>
        <Row {view} {next} />
      </div>
    {/if}
  {:else}
    {@render empty()}
  {/if}
</Page>

{#snippet empty()}
  <section aria-label="No run" class="mx-auto max-w-xl px-4 pt-10 text-center">
    <svg viewBox="0 0 240 150" class="mx-auto w-60" aria-hidden="true">
      <path d="M14 132H226" stroke="var(--ink)" stroke-width="2.4" stroke-linecap="round" />
      {#each [36, 92, 148] as x, n (x)}
        <path d="M{x} 62H{x + 46}L{x + 49} 128Q{x + 23} 133 {x - 3} 128Z" fill="var(--foil)" stroke="var(--ink)" stroke-width="2.2" stroke-linejoin="round" />
        <path d="M{x - 1.5} 92Q{x + 23} 86 {x + 47.5} 92L{x + 49} 128Q{x + 23} 133 {x - 3} 128Z" fill="var(--straw)" stroke="var(--ink)" stroke-width="1.3" />
        {#if n === 0}<path d="M{x} 62H{x + 46}V72H{x}Z" fill="var(--lid)" stroke="var(--ink)" stroke-width="1.8" />{/if}
      {/each}
      <circle cx="206" cy="42" r="26" fill="var(--yolk)" stroke="var(--ink)" stroke-width="2.4" />
      <path d="M206 24V42L218 50" fill="none" stroke="var(--on-yolk)" stroke-width="3.500" stroke-linecap="round" />
    </svg>
    <h1 class="mt-3 text-5xl">Twenty frantic minutes, taken in hand</h1>
    <p class="mt-2 text-lg">
      Plan on the bench what you will pack, and put each on the run sheet. Then the run goes with you: labels, setting out, filling, and the clock from the
      moment absorbers are open.
    </p>
    <a class="do mt-5" href="/bench">To the bench</a>
  </section>
{/snippet}

<Sheet bind:open={breaking} title="Break the run off?">
  {#if view}
    <p class="text-lg leading-snug">
      {view.closed ? `The ${view.closed} that are closed stay packed.` : "Nothing is packed yet."} The others keep no number, and their labels are void: throw those
      away.
    </p>
    <div class="mt-5 flex flex-wrap gap-3">
      <button class="do" onclick={() => (breaking = false)}>Go on with it</button>
      <button
        class="chip"
        disabled={run.busy}
        onclick={() => ((breaking = false), run.tell(ask(api.POST("/api/run/{number}/abandon", { params: { path: { number: view.number } } }))))}
        >End it early</button
      >
    </div>
  {/if}
</Sheet>
