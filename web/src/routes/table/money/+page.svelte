<script lang="ts">
  import { page } from "$app/state";
  import { api, ask, type Schemas } from "$lib/api/client";
  import Patterns from "$lib/draw/Patterns.svelte";
  import { larder } from "$lib/larder.svelte";
  import Ahead from "./Ahead.svelte";
  import Bought from "./Bought.svelte";
  import List from "./List.svelte";
  import Prices from "./Prices.svelte";
  import Purse from "./Purse.svelte";

  let list = $state<Schemas["ListView"]>();
  let prices = $state<Schemas["PricesView"]>();
  let weeks = $state<Schemas["WeeksView"]>();

  const see = $derived(page.url.searchParams.get("see") ?? "");

  $effect(() => {
    if (larder.version >= 0) void load();
  });

  async function load() {
    const [week, seen] = await Promise.all([ask(api.GET("/api/table/list")), ask(api.GET("/api/table/prices"))]);
    list = week.data ?? list;
    prices = seen.data ?? prices;
    // The weeks ahead take longest: everything else is on show by then.
    weeks = list?.purse && prices?.foods.length ? (await ask(api.GET("/api/table/weeks"))).data : undefined;
  }
</script>

<svelte:head><title>This week · Yellow Larder</title></svelte:head>

{#if list && prices}
  <Patterns foods={[...list.lines, ...prices.foods]} scale={0.5} />
  <div class="grid min-h-0 flex-1 grid-cols-1 content-start md:grid-cols-[17rem_1fr] lg:grid-cols-[16.5rem_1fr_22rem]">
    <section aria-label="Money" class="border-line px-4 pt-2.5 pb-4 md:border-r md:pb-6 sm:px-6 lg:overflow-y-auto">
      <h1 class="sr-only">This week</h1>
      <Purse {list} />
      {#if list.bought.length}<Bought bought={list.bought} />{/if}
    </section>
    <section aria-label="This week's list" class="min-w-0 px-4 pt-2.5 pb-6 sm:px-6 lg:overflow-y-auto">
      <List {list} />
      {#if weeks}<Ahead {weeks} />{:else if list.purse && list.lines.length}<p class="caption mt-6">Working out the weeks ahead…</p>{/if}
    </section>
    <aside aria-label="Prices seen" class="border-line px-4 pt-2.5 pb-6 sm:px-6 md:col-start-2 lg:col-start-auto lg:overflow-y-auto lg:border-l">
      <Prices {prices} {see} />
    </aside>
  </div>
{/if}
