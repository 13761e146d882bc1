<!-- What is due anywhere, and what stands in the place that is open. -->
<script lang="ts">
  import { api, ask, type Schemas } from "$lib/api/client";
  import { query } from "$lib/state/query.svelte";

  let {
    place,
    places,
    due,
    onopen,
  }: {
    place: Schemas["PlaceView"];
    places: Schemas["PlaceView"][];
    due: Schemas["OnShelf"][];
    onopen: (number: number, place?: number) => void;
  } = $props();

  const asked = query((signal) => ask(api.GET("/api/shelves/next", { signal })));
  const next = $derived(asked.data ?? []);

  const where = $derived(new Map(places.map((each) => [each.id, each.name])));
</script>

<aside aria-label="Due, and what is here" class="p-4 sm:p-5 lg:px-6">
  <span class="float-right flex gap-4">
    <a class="inline-block min-h-11 pt-1 font-semibold text-soft underline" href="/shelves/spread">How it is spread</a>
    <a class="inline-block min-h-11 pt-1 font-semibold text-soft underline" href="/shelves/seeds">Seeds</a>
  </span>
  <h2 class="text-2xl">{due.length ? "Due" : "Nothing is due"}</h2>
  {#if due.length}
    <ul class="mt-2 divide-y divide-line border-y border-line">
      {#each due as each (each.number)}
        <li>
          <button class="flex min-h-13 w-full items-center gap-3 py-1.5 text-left hover:bg-cream" onclick={() => onopen(each.number)}>
            <span
              class="grid size-7 shrink-0 place-items-center font-extrabold {each.due === 'past' || each.due === 'wrong'
                ? 'rounded bg-alarm text-on-alarm'
                : 'rounded-full bg-yolk text-on-yolk'}"
              aria-hidden="true"
            >
              {#if each.due === "past" || each.due === "wrong"}!{:else}<svg viewBox="-8 -8 16 16" class="size-5"
                  ><path d="M0-5.5V0L4 2.5" fill="none" stroke="currentColor" stroke-width="2.2" stroke-linecap="round" /></svg
                >{/if}
            </span>
            <span class="flex-1 leading-snug">
              <b>{each.food}</b>, {each.mass}
              <span class="caption block"
                >{each.due === "wrong" ? "not right" : `${each.due === "past" ? "was best by" : "best by"} ${each.best_by}`} · {where.get(each.place)} · no. {each.number}</span
              >
            </span>
          </button>
        </li>
      {/each}
    </ul>
  {/if}
  {#if next.length}
    <h2 class="mt-6 text-2xl">Open next</h2>
    <ul class="mt-2 divide-y divide-line border-y border-line">
      {#each next as each (each.food)}
        <li>
          <button class="flex min-h-12 w-full items-center gap-3 py-1 text-left hover:bg-cream" onclick={() => onopen(each.number, each.place)}>
            <span class="flex-1 leading-snug wrap-anywhere"
              ><b>{each.food}</b>: no. {each.number}<span class="caption block"
                >{each.mass}, {each.container} · {each.where}{each.more ? ` · ${each.more} more` : ""}</span
              ></span
            >
            {#if each.why === "open"}<span class="shrink-0 rounded border-2 border-ink px-1.5 text-sm font-bold">open</span>{/if}
          </button>
        </li>
      {/each}
    </ul>
  {/if}
  <h2 class="mt-6 text-2xl">{place.name}</h2>
  {#if place.foods.length}
    <table class="mt-2 w-full text-md wrap-anywhere">
      <thead class="text-left text-soft"
        ><tr
          ><th class="py-1 font-normal">food</th><th class="py-1 text-right font-normal">in</th><th class="py-1 text-right font-normal">weight</th><th
            class="py-1 text-right font-normal">kcal</th
          ></tr
        ></thead
      >
      <tbody class="divide-y divide-line border-y border-line">
        {#each place.foods as food (food.food)}
          <tr
            ><td class="py-1.5 font-semibold">{food.food}</td><td class="text-right">{food.count}</td><td class="pl-2 text-right whitespace-nowrap"
              >{food.mass}</td
            ><td class="pl-2 text-right">{food.kcal_text}</td></tr
          >
        {/each}
      </tbody>
    </table>
  {:else}
    <p class="caption mt-2">Empty so far.</p>
  {/if}
</aside>
