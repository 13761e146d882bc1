<script lang="ts">
  import { tenths } from "$lib/format/numbers";
  import Page from "$lib/ui/Page.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import { query } from "$lib/state/query.svelte";
  import { api, ask } from "$lib/api/client";
  import OwnContainer from "$lib/features/catalog/OwnContainer.svelte";
  import OwnFood from "$lib/features/catalog/OwnFood.svelte";
  import OwnProduce from "$lib/features/catalog/OwnProduce.svelte";
  import { outline } from "$lib/draw/outline";
  import { Tabs } from "bits-ui";
  import Drying from "./Drying.svelte";
  import Foods from "./Foods.svelte";
  import SizingTable from "./SizingTable.svelte";
  import How from "./How.svelte";
  import Kitchen from "./Kitchen.svelte";
  import NotDry from "./NotDry.svelte";

  const seen = query((signal) => ask(api.GET("/api/reference", { signal })), { key: "guide" });
  const guide = $derived(seen.data);
  let words = $state("");
  let tab = $state("how");
  let adding = $state(false);
  let addingContainer = $state(false);
  /** The food or the mix of one's own that is put right; none to add one. */
  let changing = $state.raw<{ mix: boolean; number: number }>();
  /** The fresh food of one's own that is put right. */
  let changingFresh = $state<number>();
  let freshOpen = $state(false);
  let open = $state<string>();

  const TABS = [
    ["how", "How it is worked out"],
    ["foods", "Foods"],
    ["lives", "How long it keeps"],
    ["containers", "Containers"],
    ["packets", "Packets"],
    ["drying", "Drying"],
    ["kitchen", "Kitchen and cold"],
  ] as const;

  const wanted = $derived(words.trim().toLowerCase());
  const has = (...texts: string[]) => !wanted || texts.some((text) => text.toLowerCase().includes(wanted));
  const foods = $derived(guide?.foods.filter((food) => has(food.name, food.group, food.life, ...food.aliases, ...food.traits)) ?? []);
  const containers = $derived(guide?.containers.filter((row) => has(row.name, row.kind)) ?? []);
  const lives = $derived(guide?.lives.filter((row) => has(row.life, row.meaning) || foods.some((food) => food.life === row.life)) ?? []);
  const notDry = $derived(guide?.not_dry.filter((row) => has(row.life, row.meaning) || foods.some((food) => food.life === row.life)) ?? []);
  const seeds = $derived(guide?.seeds.filter((row) => has(row.name, row.family, ...row.aliases)) ?? []);
  const packets = $derived(guide?.packets.filter((row) => has(String(row.size_ml))) ?? []);
  const kitchen = $derived(guide?.kitchen.filter((row) => has(row.what, row.stands_for)) ?? []);
  const portions = $derived(guide?.portions.filter((row) => has(row.what)) ?? []);
  const drying = $derived(guide?.drying.filter((row) => has(row.name, row.cut, row.becomes)) ?? []);
  const counts = $derived<Record<string, number>>({
    foods: foods.length,
    lives: lives.length + notDry.length + seeds.length,
    containers: containers.length,
    packets: packets.length,
    drying: drying.length,
    kitchen: kitchen.length + portions.length,
  });

  async function remove(number: number) {
    await larder.tell(ask(api.DELETE("/api/containers/{number}", { params: { path: { number } } })), "Removed: what is packed in one keeps it");
  }

  const years = (value: number | null | undefined) =>
    value === null || value === undefined ? "keeps" : value < 1 ? `${Math.round(value * 12)} mo` : `${tenths(value)} y`;
</script>

<Page title="Guide" of={seen}>
  <div class="mx-auto w-full max-w-6xl px-4 py-5 sm:px-6 lg:h-full lg:scroll-pt-12 lg:overflow-y-auto">
    <div class="flex flex-wrap items-end justify-between gap-3">
      <div>
        <h1 class="text-5xl">Guide</h1>
        <p class="caption">Every figure the larder calculates with, and where it comes from.</p>
      </div>
      <label class="max-sm:w-full">
        <span class="sr-only">Search the tables</span>
        <input
          class="field sm:!w-72"
          data-find
          type="search"
          placeholder="Search: barley, oily, jar…"
          bind:value={words}
          oninput={() => tab === "how" && words && (tab = "foods")}
        />
      </label>
    </div>

    <Tabs.Root bind:value={tab} class="mt-4">
      <Tabs.List class="flex flex-wrap gap-2" aria-label="Tables">
        {#each TABS as [value, name] (value)}
          <Tabs.Trigger {value} class="chip data-[state=active]:border-on-yolk data-[state=active]:bg-yolk data-[state=active]:text-on-yolk">
            {name}{#if wanted && value in counts}<span class="font-normal">{counts[value]}</span>{/if}
          </Tabs.Trigger>
        {/each}
      </Tabs.List>

      <Tabs.Content value="how" class="mt-5"><How /></Tabs.Content>

      <Tabs.Content value="foods" class="mt-4">
        {#if tab === "foods"}
          <Foods {foods} {wanted} onadd={() => ([changing, adding] = [undefined, true])} onchange={(own) => ([changing, adding] = [own, true])} />
        {/if}
      </Tabs.Content>

      <Tabs.Content value="lives" class="mt-4">
        {#if tab === "lives"}
          <p class="caption mb-2 max-w-3xl">
            At 21 °C (70 °F). People differ, so three estimates stand side by side: cautious, <b class="text-ink">typical</b>, hopeful. A cooler place stretches
            these, though never by more than a third; a warmer one shortens them. Your local food-safety authority has the last word.
          </p>
          <div class="overflow-x-auto">
            <table class="w-full min-w-[58rem] text-md">
              <thead class="border-b-2 border-ink text-left align-bottom">
                <tr
                  ><th class="py-2">Kind of food</th>{#each lives[0]?.rows ?? [] as row (row.packing)}<th class="px-1.5 text-center">{row.packing}</th
                    >{/each}</tr
                >
              </thead>
              <tbody>
                {#each lives as row (row.life)}
                  <tr class="border-b border-line hover:bg-cream">
                    <td class="py-1.5 pr-3">
                      <button class="min-h-11 text-left" aria-expanded={open === row.life} onclick={() => (open = open === row.life ? undefined : row.life)}
                        ><b>{row.life}</b><span class="caption block">{row.meaning}</span></button
                      >
                    </td>
                    {#each row.rows as each (each.packing)}
                      <td class="px-1.5 text-center whitespace-nowrap">
                        {#if each.customary === null}<b>keeps</b>{:else}<span class="text-soft">{years(each.cautious)}</span><b class="block text-lg"
                            >{years(each.customary)}</b
                          ><span class="text-soft">{years(each.hopeful)}</span>{/if}
                      </td>
                    {/each}
                  </tr>
                  {#if open === row.life}
                    <tr class="border-b border-line bg-cream"
                      ><td colspan="8" class="px-2 py-2.5 text-md"
                        >Ages {row.q10} times as fast 10 °C (18 °F) warmer: {row.source}. Lives: {row.rows[0]?.source}.</td
                      ></tr
                    >
                  {/if}
                {/each}
              </tbody>
            </table>
          </div>
          <NotDry rows={notDry} {seeds} />
        {/if}
      </Tabs.Content>

      <Tabs.Content value="containers" class="mt-4">
        {#if tab === "containers"}
          <div class="mb-2 flex justify-end"><button class="chip" onclick={() => (addingContainer = true)}>Add a container of your own</button></div>
          <ul class="grid gap-2.5 sm:grid-cols-2 lg:grid-cols-3">
            {#each containers as row (row.key)}
              {@const shape = outline(row.draw, 72 / Math.max(row.draw.height_mm, 250))}
              <li class="flex items-center gap-3 rounded-xl border-[1.5px] border-line p-2.5">
                <svg viewBox="-40 -82 80 86" class="h-20 w-18 shrink-0" aria-hidden="true">
                  <path d={shape.body} fill="var(--foil)" stroke="var(--ink)" stroke-width="1.8" />
                  <path d={shape.lines} fill="none" stroke="var(--line)" />
                  {#if shape.seal}<path d={shape.seal} fill="var(--line)" stroke="var(--ink)" />{/if}
                  {#if shape.lid}<path d={shape.lid} fill="var(--lid)" stroke="var(--ink)" stroke-width="1.4" />{/if}
                </svg>
                <div class="min-w-0 text-md leading-snug">
                  <b class="text-base">{row.name}</b><br />{row.size}{#if row.holds}<br />holds {row.holds}{/if}<span class="caption block">{row.source}</span>
                  {#if row.own !== null}<button class="min-h-11 font-bold underline" onclick={() => void remove(row.own ?? 0)}>Remove</button>{/if}
                </div>
              </li>
            {/each}
          </ul>
          {#if guide && !wanted}
            <h2 class="mt-7 text-xl">What walls let through</h2>
            <p class="caption">Oxygen as it comes in while there is none inside; water vapour as walls are tested, at 38 °C (100 °F) and 90 %.</p>
            <dl class="mt-1 border-t-2 border-ink">
              {#each [...guide.walls, ...guide.lids] as row (row.name)}
                <div class="grid gap-x-4 border-b border-line py-2 sm:grid-cols-[11rem_1fr_1fr] lg:grid-cols-[11rem_13rem_11rem_1fr]">
                  <dt class="font-semibold">
                    {row.name}{#if row.thick}<span class="caption block font-normal">of {row.thick}</span>{/if}
                  </dt>
                  <dd>oxygen: {row.oxygen}</dd>
                  <dd>water: {row.vapor}</dd>
                  <dd class="caption sm:col-span-2 sm:col-start-2 lg:col-auto">{row.source}</dd>
                </div>
              {/each}
            </dl>
          {/if}
        {/if}
      </Tabs.Content>

      <Tabs.Content value="packets" class="mt-4">
        {#if tab === "packets"}
          <p class="caption mb-3 max-w-3xl">
            Iron-powder oxygen absorbers, told by the millilitres (cc) of oxygen they take up. Small ones add up to a large one. They are not food, and never go
            in with sugar, salt or anything moist.
          </p>
          <ul class="flex flex-wrap items-end gap-4">
            {#each packets as row (row.size_ml)}
              <li class="text-center text-md">
                <span
                  class="mx-auto grid place-items-center rounded border-2 border-label-ink bg-label font-bold text-label-ink"
                  style="width:{26 + row.size_ml ** 0.5 * 1.5}px;height:{32 + row.size_ml ** 0.5 * 1.9}px">{row.size_ml}</span
                >
                <span class="mt-1.5 block">{row.size}</span>
              </li>
            {/each}
          </ul>
          <p class="caption mt-4">Source: {packets[0]?.source}</p>
          {#if guide && !wanted}<SizingTable rows={guide.sizing} />{/if}
        {/if}
      </Tabs.Content>

      <Tabs.Content value="drying" class="mt-4">
        {#if tab === "drying"}<Drying
            {drying}
            machines={wanted ? [] : (guide?.machines ?? [])}
            isotherms={wanted ? [] : (guide?.isotherms ?? [])}
            powders={wanted ? [] : (guide?.powders ?? [])}
            onchange={(number) => ([changingFresh, freshOpen] = [number, true])}
          />{/if}
      </Tabs.Content>

      <Tabs.Content value="kitchen" class="mt-4">
        {#if tab === "kitchen"}<Kitchen {kitchen} {portions} bodies={wanted ? [] : (guide?.bodies ?? [])} thermal={wanted ? [] : (guide?.thermal ?? [])} />{/if}
      </Tabs.Content>
    </Tabs.Root>
  </div>

  {#if guide}<OwnContainer
      bind:open={addingContainer}
      beside={guide.containers.find((row) => row.usual && row.kind === "jar")?.draw}
      onadded={(_key, name) => ([tab, words] = ["containers", name])}
    />{/if}
  {#if guide}<OwnProduce bind:open={freshOpen} number={changingFresh} onadded={() => (tab = "drying")} />{/if}
  {#if guide}<OwnFood
      bind:open={adding}
      mix={changing?.mix}
      number={changing?.number}
      name={wanted && !foods.length ? words.trim() : ""}
      onadded={(name) => ([tab, words] = ["foods", name])}
    />{/if}
</Page>
