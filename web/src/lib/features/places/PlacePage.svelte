<!-- One place: what was measured there, what its warm spells cost, what another would have cost, and what was seen in it. -->
<script lang="ts">
  import { page } from "$app/state";
  import { api, ask } from "$lib/api/client";
  import { counted } from "$lib/format/words";
  import Page from "$lib/ui/Page.svelte";
  import { all, query } from "$lib/state/query.svelte";
  import Alarms from "./Alarms.svelte";
  import ByHand from "./ByHand.svelte";
  import Measured from "./Measured.svelte";
  import ReadLog from "./ReadLog.svelte";
  import SeenHere from "./SeenHere.svelte";

  const number = $derived(Number(page.url.searchParams.get("n")) || 1);
  const seen = query((signal) => {
    const params = { path: { number } };
    return all({
      climate: ask(api.GET("/api/places/{number}/climate", { params, signal })),
      alarms: ask(api.GET("/api/places/{number}/alarms", { params, signal })),
    });
  });
  const climate = $derived(seen.data?.climate);
  const dearest = $derived(Math.max(1, ...(climate?.elsewhere ?? []).map((each) => each.days)));
</script>

<Page title={climate?.name ?? "Place"} of={seen}>
  {#if climate && seen.data}
    <div class="grid min-h-0 flex-1 grid-cols-1 content-start lg:grid-cols-[1fr_25.5rem] lg:grid-rows-1">
      <section aria-label="What was measured in {climate.name}" class="min-w-0 px-4 pt-4 pb-8 sm:px-6 lg:overflow-y-auto">
        <a class="font-semibold text-soft underline" href="/shelves?place={number}">Shelves</a>
        <h1 class="text-5xl">{climate.name}</h1>
        <p class="caption">
          {climate.fitted ? "Where nothing was measured, taken for" : "Taken for"}
          {climate.taken_for}{climate.fitted ? ", from what was measured" : ""}.
          <a class="font-semibold underline" href="/shelves/count?place={number}">Count what is here</a>{climate.counted
            ? `, last counted ${climate.counted}`
            : ""}.
        </p>
        <Alarms {number} alarms={seen.data.alarms} />
        {#if climate.points.length}
          <Measured {climate} />
        {:else}
          <p class="mt-6 max-w-[34rem] text-lg">
            Nothing was measured here yet. Hang a data logger among the jars, and read its file here now and then: the hours it measured count in place of the
            year that is guessed. A thermometer read once a day does as well.
          </p>
        {/if}
        {#if climate.elsewhere.length > 1}
          <h2 class="mt-7 text-2xl">What a year costs what stands here</h2>
          <ul class="mt-2 grid gap-2">
            {#each climate.elsewhere as each (each.place)}
              <li class="grid grid-cols-[minmax(5rem,9rem)_1fr_auto] items-center gap-3">
                <span class={each.here ? "font-bold" : ""}>{each.name}</span>
                <span
                  class="h-5 rounded-r border-[1.5px] border-ink {each.here ? 'bg-yolk' : 'bg-cream'}"
                  style:width="{Math.max(2, (each.days / dearest) * 100)}%"
                ></span>
                <span class="text-right whitespace-nowrap">{counted(each.days, "day")}</span>
              </li>
            {/each}
          </ul>
          <p class="caption mt-2">Days of life at 21 °C (70 °F) that the year until today cost, or would have; by how fast most of what stands here ages.</p>
        {/if}
      </section>
      <aside aria-label="Add to it" class="border-line p-4 max-lg:border-t sm:p-5 lg:overflow-y-auto lg:border-l lg:px-6">
        <SeenHere {number} alarms={seen.data.alarms} />
        <ReadLog {number} measured={climate.measured} />
        <ByHand {number} />
      </aside>
    </div>
  {/if}
</Page>
