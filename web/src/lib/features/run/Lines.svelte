<!-- The run sheet: what will be packed, what to open for it, what to buy first. -->
<script lang="ts">
  import { api, ask, whyNot } from "$lib/api/client";
  import Container from "$lib/draw/Container.svelte";
  import { outline } from "$lib/draw/outline";
  import { patternOf } from "$lib/draw/pieces";
  import X from "@lucide/svelte/icons/x";
  import type { Running, RunView } from "./run.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { run, view }: { run: Running; view: RunView } = $props();

  const path = $derived({ params: { path: { number: view.number } } });
  const count = $derived(view.lines.reduce((sum, line) => sum + line.count, 0));
  const tallest = $derived(Math.max(...view.lines.map((line) => line.draw.height_mm), 1));
  const refused = $derived(whyNot(run.wrong) || view.wrong);
</script>

<div class="grid min-h-0 flex-1 grid-cols-1 content-start md:grid-cols-[1fr_18rem] md:content-stretch lg:grid-cols-[1fr_22rem] lg:grid-rows-1">
  <section aria-label="On the sheet" class="min-w-0 px-4 pt-5 pb-6 sm:px-6 lg:overflow-y-auto">
    <h1 class="text-5xl">{count} to pack in one go</h1>
    <p class="caption">{view.lines.length} on the sheet. Everything for one heat of the iron and one opening of absorbers goes on one sheet.</p>
    <ul class="mt-3 border-t-2 border-ink">
      {#each view.lines as line (line.number)}
        {@const scale = 84 / tallest}
        {@const shape = outline(line.draw, scale)}
        <li class="grid grid-cols-[6rem_1fr_auto] items-center gap-x-4 border-b border-line py-2.5">
          <svg
            viewBox="{-shape.half - 4} {-shape.top - 4} {shape.half * 2 + 8} {shape.top + 8}"
            height={shape.top + 8}
            class="mx-auto max-w-full"
            aria-hidden="true"
          >
            <Container
              id="l{line.number}"
              drawn={line.draw}
              {scale}
              level={line.level * line.draw.inner_mm}
              pattern={patternOf(line)}
              food={line.form}
              colour={line.colour}
              pressed
              fine={false}
            />
          </svg>
          <div class="min-w-0">
            <p class="text-xl leading-snug font-bold">{line.food}</p>
            <p class="leading-snug">{line.says}</p>
            <p class="caption">{line.packets} · {line.place}</p>
            {#if line.stop}<p class="wrong">Packed anyway: {line.stop}</p>{/if}
          </div>
          <button
            class="grid size-11 place-items-center rounded-lg hover:bg-cream"
            aria-label="Take {line.food} off the sheet"
            disabled={run.busy}
            onclick={() => run.tell(ask(api.DELETE("/api/run/{number}/lines/{line}", { params: { path: { number: view.number, line: line.number } } })))}
            ><X size={20} aria-hidden="true" /></button
          >
        </li>
      {/each}
    </ul>
    <a class="mt-2 inline-flex min-h-11 items-center font-bold underline" href="/bench">And another from the bench</a>
  </section>

  <aside aria-label="Before it begins" class="border-line px-4 pt-5 pb-6 sm:px-6 md:border-l lg:overflow-y-auto">
    <h2 class="text-2xl">Absorbers</h2>
    {#if view.packs.length}
      <p class="caption">Allotted over the whole run: never less than needed, least waste, fewest packs opened.</p>
      <ul class="mt-1.5 border-t-2 border-ink">
        {#each view.packs as pack, n (n)}<li class="border-b border-line py-2 font-semibold">{pack}</li>{/each}
      </ul>
    {:else if !refused}
      <p class="caption mt-1">
        No absorbers are counted under <a class="underline" href="/supplies">Supplies</a>, so they are those of the bench. Once they are, the sheet says which
        packs to open and what to buy.
      </p>
    {/if}
    {#if view.buy.length}<p class="mt-3 font-bold text-rust">Buy first: {view.buy.join(", ")}</p>
      <a class="chip mt-2" href="/supplies">They are here: to Supplies</a>{/if}
    {#each view.short as short, n (n)}<p class="mt-3 font-semibold text-rust">{short}</p>{/each}
    <Refusal wrong={refused} class="mt-3" />
    <button
      class="do mt-6 w-full"
      disabled={run.busy || !!view.buy.length || !!view.wrong}
      onclick={() => run.tell(ask(api.POST("/api/run/{number}/begin", path)))}>Begin</button
    >
    <p class="caption mt-3">
      Beginning gives each container its number, so that labels can be printed. The screen is the run's then, until it is done or ended early.
    </p>
  </aside>
</div>
