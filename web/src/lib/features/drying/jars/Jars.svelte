<script lang="ts">
  import Page from "$lib/ui/Page.svelte";
  import { query } from "$lib/state/query.svelte";
  import { api, ask, type Schemas } from "$lib/api/client";
  import Patterns from "$lib/draw/Patterns.svelte";
  import { counted } from "$lib/format/words";
  import Fill from "./Fill.svelte";
  import Jar from "./Jar.svelte";

  const seen = query((signal) => ask(api.GET("/api/drying/jars", { signal })), { key: "jars" });
  const view = $derived(seen.data);
  let filling = $state.raw<Schemas["Waiting"]>();
  let open = $state(false);

  const due = $derived(view?.jars.filter((jar) => jar.dots.some((dot) => dot.look === "due")).length ?? 0);
</script>

<Page title="Jars" of={seen}>
  {#if view}
    <Patterns foods={view.jars} scale={0.5} />
    <div class="grid min-h-0 flex-1 grid-cols-1 content-start md:grid-cols-[1fr_18rem] lg:grid-cols-[1fr_21rem] lg:grid-rows-1">
      <section aria-label="Jars" class="min-w-0 px-4 pt-3 pb-6 sm:px-6 lg:overflow-y-auto">
        {#if view.jars.length}
          <h1 class="text-4xl">{due ? `${due} to shake today` : "Nothing to shake just now"}</h1>
          <p class="caption">Turn each jar over and look: do the pieces fall free, does anything stick, is there a drop on the glass?</p>
          <ul class="mt-3 border-t-2 border-ink">
            {#each view.jars as jar (jar.number)}<Jar {jar} />{/each}
          </ul>
        {:else}
          <div class="mx-auto max-w-xl pt-6 text-center">
            <svg viewBox="0 0 200 150" class="mx-auto w-52 max-w-full" aria-hidden="true">
              <path
                d="M60 34H140L146 50V134Q146 142 138 142H62Q54 142 54 134V50Z"
                fill="var(--glass)"
                stroke="var(--ink)"
                stroke-width="2.4"
                stroke-linejoin="round"
              />
              <rect x="62" y="18" width="76" height="17" rx="4" fill="var(--lid)" stroke="var(--ink)" stroke-width="2.2" />
              <g fill="var(--straw)" stroke="var(--ink)" stroke-width="1.5">
                {#each [[74, 128, 10], [96, 126, -15], [118, 129, 30], [132, 122, -40], [82, 112, 60], [106, 112, 5], [126, 106, -20], [92, 98, 35]] as [x, y, turn] (`${x}${y}`)}
                  <path d="M-9 3C-8 -7 8 -7 9 3C4 1 -4 1 -9 3Z" transform="translate({x} {y}) rotate({turn})" />
                {/each}
              </g>
              <path d="M38 62C28 78 28 100 38 116M162 62C172 78 172 100 162 116" fill="none" stroke="var(--yolk)" stroke-width="5" stroke-linecap="round" />
            </svg>
            <h1 class="mt-3 text-4xl">A jar proves it dry</h1>
            <p class="mt-2 text-lg">
              Food from the dryer is never quite even. A few days in a jar, part-full and shaken daily, even it out, and show what is still moist before it is
              shut away for a year.
            </p>
          </div>
        {/if}
      </section>

      <aside aria-label="About the jars" class="border-line px-4 pt-3 pb-6 sm:px-6 md:border-l lg:overflow-y-auto">
        {#if view.waiting.length}
          <h2 class="text-2xl">To be conditioned</h2>
          <ul class="mt-1 border-t-2 border-ink">
            {#each view.waiting as lot (lot.lot)}
              <li class="flex items-center justify-between gap-3 border-b border-line py-2">
                <span class="leading-snug"><b class="inline-block first-letter:uppercase">{lot.food}</b><span class="caption block">{lot.mass}</span></span>
                <button class="chip on" onclick={() => ((filling = lot), (open = true))}>Into a jar</button>
              </li>
            {/each}
          </ul>
        {/if}
        <div class={view.waiting.length ? "mt-5" : ""}>
          <p class="head">How it is done</p>
          <ul class="mt-1 grid gap-2 text-md leading-snug">
            <li><b>Two thirds full at the most</b>, so that the pieces move.</li>
            <li><b>Nothing else in it</b>: not yesterday's lot, not another food. One moist piece would wet them all.</li>
            <li><b>No desiccant.</b> It would take up the very water you are looking for, and the clump would come a month later.</li>
            <li><b>Anything but free</b> goes back to the dryer, and the count starts again.</li>
            <li><b>Mould?</b> Throw all of it out; drying does not save it.</li>
          </ul>
        </div>
        <div class="mt-5">
          <p class="head">How long? Guidelines</p>
          <dl class="mt-1 grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 text-md leading-snug">
            {#each view.guidelines as guideline (guideline.days)}<dt class="font-bold">{counted(guideline.days, "day")}</dt>
              <dd>{guideline.why} <span class="text-soft">({guideline.source})</span></dd>{/each}
          </dl>
        </div>
      </aside>
    </div>
    {#if filling}<Fill bind:open lot={filling} guidelines={view.guidelines} ours={view.ours} />{/if}
  {/if}
</Page>
