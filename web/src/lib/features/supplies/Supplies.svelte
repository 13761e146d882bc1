<script lang="ts">
  import { capital } from "$lib/format/words";
  import Page from "$lib/ui/Page.svelte";
  import { all, query } from "$lib/state/query.svelte";
  import { api, ask, type Schemas } from "$lib/api/client";
  import { larder } from "$lib/state/larder.svelte";
  import Change from "./Change.svelte";
  import New from "./New.svelte";
  import Picture from "./Picture.svelte";

  const seen = query(
    (signal) =>
      all({
        view: ask(api.GET("/api/supplies", { signal })),
        containers: ask(api.GET("/api/reference/containers", { signal })),
        packets: ask(api.GET("/api/reference/absorbers", { signal })),
      }),
    { key: "supplies" },
  );
  const view = $derived(seen.data?.view);
  const guide = $derived(seen.data);
  let chosen = $state.raw<Schemas["Supply"]>();
  let open = $state(false);

  const TITLES: Partial<Record<Schemas["Sort"], string>> = { packets: "Absorbers", "bottles and cans": "Bottles and cans" };
  const groups = $derived(
    Object.entries(Object.groupBy(view?.supplies ?? [], (each) => each.sort)).map(([sort, each]) => ({
      title: TITLES[sort as Schemas["Sort"]] ?? capital(sort),
      each: each ?? [],
    })),
  );
  const us = $derived(larder.us);
</script>

<Page title="Supplies" of={seen}>
  {#if view && guide}
    <div class="grid min-h-0 flex-1 grid-cols-1 content-start md:grid-cols-[1fr_18rem] md:content-stretch lg:grid-cols-[1fr_22rem] lg:grid-rows-1">
      <section aria-label="What there is to pack with" class="min-w-0 px-4 pt-5 pb-8 sm:px-6 lg:overflow-y-auto">
        {#if groups.length}
          <h1 class="text-5xl">{view.low ? `${view.low} running low` : "Enough of everything"}</h1>
          <p class="caption">
            Packing takes from these by itself, and jars and lids come back when they are empty. Tap one when more came, or when you counted.
          </p>
          <div class="columns-[19rem] gap-x-8">
            {#each groups as group (group.title)}
              <h2 class="break-after-avoid border-b-2 border-ink pt-5 pb-1 text-xl">{group.title}</h2>
              <ul>
                {#each group.each as supply (supply.number)}
                  <li class="break-inside-avoid border-b border-line">
                    <button
                      class="grid w-full grid-cols-[68px_1fr] items-center gap-x-3 py-2 text-left hover:bg-cream"
                      onclick={() => ((chosen = supply), (open = true))}
                    >
                      <Picture {supply} packet={supply.sort === "packets" ? guide.packets.find((row) => String(row.size_ml) === supply.key) : undefined} />
                      <span class="min-w-0">
                        <span class="flex flex-wrap items-baseline gap-x-2 leading-snug"
                          ><b class="text-lg">{supply.name}</b>{#if supply.is_low}<span
                              class="rounded border-[1.5px] border-rust px-1.5 text-xs font-bold text-rust">low</span
                            >{/if}</span
                        >
                        <span class="block font-name text-xl leading-tight font-extrabold"
                          >{supply.counted}{#if supply.spent}<span class="font-sans text-sm font-semibold text-soft">
                              + {supply.spent} full of water</span
                            >{/if}</span
                        >
                        <span class="caption block"
                          >{[supply.size, supply.cost ? `${supply.cost} ${supply.sort === "packets" ? "a pack" : "each"}` : "", supply.uses, supply.note]
                            .filter(Boolean)
                            .join(" · ")}</span
                        >
                        {#if supply.spares_say}<span class="block text-sm leading-snug {supply.trusted ? '' : 'font-semibold text-rust'}"
                            >{supply.spares_say}</span
                          >{/if}
                      </span>
                    </button>
                  </li>
                {/each}
              </ul>
            {/each}
          </div>
        {:else}
          <div class="mx-auto max-w-xl pt-8 text-center">
            <svg viewBox="0 0 240 130" class="mx-auto w-60" aria-hidden="true">
              <path d="M12 112H228" stroke="var(--ink)" stroke-width="2.400" stroke-linecap="round" />
              <path d="M30 112V40H92V112Z" fill="var(--foil)" stroke="var(--ink)" stroke-width="2.200" /><path
                d="M30 40H92V52H30Z"
                fill="var(--lid)"
                stroke="var(--ink)"
                stroke-width="1.800"
              />
              <rect x="114" y="66" width="40" height="46" rx="4" fill="var(--label)" stroke="var(--ink)" stroke-width="2.200" /><path
                d="M114 74H154M114 104H154"
                stroke="var(--ink)"
                stroke-width="1.200"
                stroke-dasharray="3 2"
              /><circle cx="134" cy="89" r="6" fill="var(--indicator-pink)" stroke="var(--ink)" stroke-width="1.600" />
              <path d="M176 112V62Q176 54 184 54H206Q214 54 214 62V112Z" fill="var(--glass)" stroke="var(--ink)" stroke-width="2.200" /><rect
                x="180"
                y="44"
                width="30"
                height="11"
                rx="3"
                fill="var(--yolk)"
                stroke="var(--ink)"
                stroke-width="1.800"
              />
            </svg>
            <h1 class="mt-3 text-5xl">What is there to pack with?</h1>
            <p class="mt-2 text-lg">
              Add your absorbers, bags, jars and pails once. Runs then take from them, allot absorbers with the least waste, keep the spares, and say what runs
              low.
            </p>
          </div>
        {/if}
      </section>
      <aside aria-label="Add supplies" class="border-line px-4 pt-5 pb-6 sm:px-6 md:border-l lg:overflow-y-auto">
        <h2 class="mb-3 text-2xl">Add supplies</h2>
        <New containers={guide.containers} packets={guide.packets} {us} />
        <p class="caption mt-5">
          A spare that has been out is worth less: fifteen minutes cost it a sixteenth, the air of its small jar some more. Under three quarters of its rating,
          or after half a year, it is not counted on any more.
        </p>
      </aside>
    </div>
    {#if chosen}{#key `${chosen.number}-${open}`}<Change bind:open supply={chosen} />{/key}{/if}
  {/if}
</Page>
