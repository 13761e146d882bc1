<!-- Filling: one container after the other on the scale, until it says that it is right. -->
<script lang="ts">
  import { api, ask } from "$lib/api/client";
  import Field from "$lib/ui/Field.svelte";
  import ScaleReading from "$lib/ui/ScaleReading.svelte";
  import Standing from "./Standing.svelte";
  import type { Running, RunView } from "./run.svelte";

  let { run, view }: { run: Running; view: RunView } = $props();

  let weight = $state("");
  let grams = $state(0);
  let across = $state(1280);
  const path = $derived({ params: { path: { number: view.number } } });
  const next = $derived(view.containers.find((each) => each.filled_g === null));
  const last = $derived(view.containers.filter((each) => each.filled_g !== null).at(-1));
  const left = $derived(view.containers.filter((each) => each.filled_g === null).length);
  const film = $derived(next ? next.draw.seal_mm > 0 : false);

  async function holds(text: string) {
    if (!next) return;
    const typed = weight;
    const told = await run.tell(ask(api.POST("/api/run/{number}/fill", { ...path, body: { container: next.n, weight: text } })));
    if (told && weight === typed) weight = "";
  }
</script>

<svelte:window bind:innerWidth={across} />

{#if next}
  <section
    aria-label="Fill"
    class="mx-auto grid w-full max-w-5xl flex-1 content-center items-center gap-x-12 gap-y-4 px-4 py-5 sm:px-6 lg:grid-cols-[1fr_22rem]"
  >
    <div class="flex items-end gap-6 max-lg:justify-center">
      <Standing each={next} scale={(across < 640 ? 150 : 270) / next.draw.height_mm} share={Math.min(grams / next.planned_g, 1.12)} big />
      <div>
        <p class="head">Number {next.number}, {next.container}</p>
        <h1 class="text-amount leading-none whitespace-nowrap">{next.planned}</h1>
        <p class="mt-1 text-2xl font-semibold">{next.food}</p>
        <p class="caption mt-2">
          {film
            ? "Tap it down, wipe the film at the seal, then seal two thirds of the mouth: the rest waits for the absorber."
            : "Tap it down and wipe the rim. The lid waits for the absorber."}
        </p>
        {#if last}<p class="mt-3 text-base font-semibold">Number {last.number} holds {last.filled}{last.off ? `, ${last.off}` : ""}.</p>{/if}
      </div>
    </div>
    <div class="grid gap-4">
      <ScaleReading
        bind:grams
        wanted={next.planned_g}
        lay={{ name: `${next.planned} and a little`, grams: Math.round(next.planned_g * 1.016) }}
        ontake={holds}
      />
      <form class="flex items-end gap-2" novalidate onsubmit={(event) => (event.preventDefault(), holds(weight))}>
        <div class="flex-1"><Field label="Or write what it holds" name="weight" bind:value={weight} wrong={run.wrong} placeholder={next.planned} /></div>
        <button class="chip" disabled={run.busy || !weight.trim()}>It holds that</button>
      </form>
      <button class="chip" disabled={run.busy} onclick={() => run.tell(ask(api.POST("/api/run/{number}/fill-rest", path)))}
        >{left > 1 ? `All ${left} hold what was planned` : "It holds what was planned"}</button
      >
    </div>
  </section>
{/if}
