<!-- Closing: first how many packets to open, then the clock, and one big target for each container that is closed. -->
<script lang="ts">
  import { api, ask } from "$lib/api/client";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import { onMount } from "svelte";
  import Fuse from "./Fuse.svelte";
  import Packets from "$lib/draw/Packets.svelte";
  import Standing from "./Standing.svelte";
  import { minutes, type Running, type RunView } from "./run.svelte";

  let { run, view }: { run: Running; view: RunView } = $props();

  const NOTES = ["a crease in the seal", "sealed twice", "a crumb on the rim"];
  /** A second tap within this time is a slip of the hand, not a second bag. */
  const SLIP_MS = 900;

  let wanted = $state<number>();
  let note = $state("");
  let rings = $state(false);
  let rested = $state(true);

  const path = $derived({ params: { path: { number: view.number } } });
  const clock = $derived(view.clock);
  const batch = $derived(view.batch);
  const count = $derived(batch ? Math.min(Math.max(1, wanted ?? batch.suggested), batch.waiting) : 0);
  const next = $derived(
    clock
      ? view.containers.find((each) => each.n === clock.next)
      : view.phase === "close without absorbers"
        ? view.containers.find((each) => !each.closed && !each.packets)
        : undefined,
  );
  const over = $derived(run.left <= 0);
  let across = $state(1280);
  const scale = $derived(next ? (across < 640 ? 150 : 250) / next.draw.height_mm : 1);

  let big = $state<HTMLButtonElement>();

  /** What was seen of the seal; then the hand is back on the button that closes, as soon as that can be pressed. */
  let handBack = $state(false);
  function remark(seen: string) {
    note = note === seen ? "" : seen;
    handBack = true;
  }
  $effect(() => {
    if (!handBack || !rested || run.busy) return;
    handBack = false;
    big?.focus();
  });

  async function close() {
    if (!next || !rested || run.busy) return;
    rested = false;
    setTimeout(() => (rested = true), SLIP_MS);
    const told = note;
    if ((await run.tell(ask(api.POST("/api/run/{number}/close", { ...path, body: { container: next.n, note } })))) && note === told) note = "";
  }

  onMount(() => {
    const onKey = (event: KeyboardEvent) => {
      // On something that Space presses by itself, it presses that.
      const own = (event.target as HTMLElement).closest("button, a, summary, input, select, textarea, [role=radio]");
      if (event.key !== " " || own || !next || document.querySelector("[role=dialog]")) return;
      event.preventDefault();
      if (!event.repeat) void close();
    };
    addEventListener("keydown", onKey);
    return () => removeEventListener("keydown", onKey);
  });

  const back = (many: number | null) => run.tell(ask(api.POST("/api/run/{number}/back", { ...path, body: { count: many } })));
</script>

<svelte:window bind:innerWidth={across} />

{#if batch}
  <section
    aria-label="Open the absorbers"
    class="mx-auto grid w-full max-w-5xl flex-1 content-center gap-x-12 gap-y-5 px-4 py-6 sm:px-6 md:grid-cols-[1fr_20rem]"
  >
    <div>
      <h1 class="text-5xl sm:text-6xl">Ready? Then open.</h1>
      <p class="mt-2 text-xl leading-snug">{batch.says}</p>
      <h2 class="head mt-5 font-sans">Take out; whatever is over goes straight into the jar, lid on</h2>
      <ul class="mt-1 border-t-2 border-ink">
        {#each batch.open as open, n (n)}<li class="border-b border-line py-2.5 font-name text-2xl font-extrabold">{open}</li>{/each}
      </ul>
      <p class="mt-4 leading-snug">
        From here on there is no pause: absorbers take the oxygen of the room's air, and after fifteen minutes they are not trusted any more. Look at the pink
        indicator as you drop each one in.
      </p>
    </div>
    <div class="content-center">
      <p class="head" id="for-how-many">For how many containers</p>
      <div class="mt-1 flex items-center gap-3" role="group" aria-labelledby="for-how-many">
        <button class="chip !size-14 !text-3xl" aria-label="One fewer" disabled={count <= 1} onclick={() => (wanted = count - 1)}>−</button>
        <span class="min-w-20 text-center font-name text-6xl leading-none font-extrabold" aria-live="polite">{count}</span>
        <button class="chip !size-14 !text-3xl" aria-label="One more" disabled={count >= batch.waiting} onclick={() => (wanted = count + 1)}>+</button>
      </div>
      <p class="caption mt-1.5">of {batch.waiting} still open</p>
      <button
        class="do mt-5 w-full !min-h-20 !text-2xl"
        disabled={run.busy}
        onclick={() => run.tell(ask(api.POST("/api/run/{number}/open", { ...path, body: { count } })))}>Absorbers are open: start</button
      >
      {#if view.spares.length}<p class="caption mt-3">Waiting in the jar: {view.spares.join("; ")}</p>{/if}
    </div>
  </section>
{:else if next}
  <section
    aria-label={clock ? "Against the clock" : "Close"}
    class="mx-auto grid w-full max-w-6xl flex-1 content-center gap-x-10 gap-y-4 px-4 py-4 sm:px-6 md:gap-y-8 lg:grid-cols-[1.15fr_1fr]"
  >
    <div class="min-w-0">
      {#if clock}
        <h1 class="sr-only">Against the clock</h1>
        <p
          class="font-name leading-[0.95] font-extrabold {over ? 'text-rust' : 'text-ink'} text-clock lg:text-clock-wide"
          role="timer"
          aria-label="{minutes(run.left)} left"
        >
          {minutes(run.left)}
        </p>
        <Fuse left={run.left} doneIn={(Date.parse(clock.done_at) - Date.parse(view.now)) / 1000} />
        <p class="mt-1 text-3xl font-bold">
          {clock.closed} of {clock.of} closed{view.containers.length > clock.of ? `, ${view.closed} of ${view.containers.length} in all` : ""}
        </p>
        <p class="mt-1 text-xl leading-snug {clock.tone === 'good' ? '' : 'font-bold text-rust'}" aria-live="polite">{clock.says}</p>
        <div class="mt-4 flex flex-wrap gap-3">
          {#if clock.put_back && !over}<button class="chip !border-rust !text-rust" disabled={run.busy} onclick={() => back(clock.put_back)}
              >{clock.put_back} back into the jar</button
            >{/if}
          <button class="chip" onclick={() => (rings = true)}>Pause …</button>
        </div>
      {:else}
        <h1 class="text-5xl sm:text-6xl">Close what takes no absorber</h1>
        <p class="mt-2 text-xl leading-snug">No clock runs for these: draw the air off, or screw the lid on, and wipe the rim first.</p>
        <p class="mt-3 text-3xl font-bold">{view.closed} of {view.containers.length} closed</p>
      {/if}
    </div>
    <div class="flex min-w-0 flex-col">
      <div class="flex items-end justify-center gap-4">
        <Standing each={next} {scale} big />
        {#if next.packet_sizes.length}<div>
            <p class="caption">drop in</p>
            <Packets sizes={next.packet_sizes} scale={Math.min(scale * 1.1, 0.95)} />
          </div>{/if}
      </div>
      <button bind:this={big} class="do mt-3 w-full flex-1 flex-col !min-h-28 !text-4xl leading-tight" disabled={!rested} onclick={close}>
        Number {next.number} is sealed
        <span class="text-base font-semibold"
          >{next.food}, {next.filled || next.planned}{next.packets ? `, ${next.packets}` : ""}<span class="max-lg:hidden">&nbsp;· Space</span></span
        >
      </button>
      {#if next.short}<p class="wrong mt-2">{next.short}</p>{/if}
      <div class="mt-3 flex flex-wrap justify-center gap-2" role="group" aria-label="About this seal">
        {#each NOTES as each (each)}<button class="chip !text-sm" aria-pressed={note === each} onclick={() => remark(each)}>{each}</button>{/each}
        {#if view.closed}<button class="chip !text-sm" disabled={run.busy} onclick={() => larder.undoThat(view.last_change).then(run.read)}
            >undo the last one</button
          >{/if}
      </div>
    </div>
  </section>
{/if}

<Sheet bind:open={rings} title="Let it ring">
  <p class="text-lg leading-snug">
    There is no pause once absorbers are open. If you must go: put every absorber that is out into the jar, at once, and screw the lid on. Leave the bags
    half-sealed as they are.
  </p>
  <p class="mt-3 leading-snug">The clock stands then, and goes on where it stood when you open the jar again. What is closed is closed.</p>
  <div class="mt-5 flex flex-wrap gap-3">
    <button class="do" onclick={() => (rings = false)}>Go on closing</button>
    <button class="chip" disabled={run.busy} onclick={() => ((rings = false), back(null))}>All are in the jar, lid on</button>
  </div>
</Sheet>
