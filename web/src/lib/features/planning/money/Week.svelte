<script lang="ts">
  import { untilLeft } from "$lib/state/left";
  import Page from "$lib/ui/Page.svelte";
  import { all, query } from "$lib/state/query.svelte";
  import { page } from "$app/state";
  import { api, ask, type Schemas } from "$lib/api/client";
  import Patterns from "$lib/draw/Patterns.svelte";
  import Ahead from "./Ahead.svelte";
  import Bought from "./Bought.svelte";
  import List from "./List.svelte";
  import Prices from "./Prices.svelte";
  import Budget from "./Budget.svelte";
  import Working from "$lib/ui/Working.svelte";

  const seen = query((signal) => all({ list: ask(api.GET("/api/table/list", { signal })), prices: ask(api.GET("/api/table/prices", { signal })) }), {
    key: "money",
  });
  const list = $derived(seen.data?.list);
  const prices = $derived(seen.data?.prices);
  let weeks = $state.raw<Schemas["WeeksView"]>();

  const see = $derived(page.url.searchParams.get("see") ?? "");

  let working = $state(false);

  $effect(() => {
    // The weeks ahead take longest: everything else is on show by then. Long work that nobody waits for any more is
    // dropped: the page was left, or something changed.
    return untilLeft((left) => ahead(!!list?.budget && !!prices?.foods.length, left));
  });

  async function ahead(wanted: boolean, signal: AbortSignal) {
    working = wanted;
    const { data } = wanted ? await ask(api.GET("/api/table/weeks", { signal })) : {};
    if (signal.aborted) return;
    weeks = data;
    working = false;
  }
</script>

<Page title="This week" of={seen} says="Calculating this week's list …">
  {#if list && prices}
    <Patterns foods={[...list.lines, ...prices.foods]} scale={0.5} />
    <div class="grid min-h-0 flex-1 grid-cols-1 content-start md:grid-cols-[17rem_1fr] lg:grid-cols-[16.5rem_1fr_22rem]">
      <section aria-label="Money" class="border-line px-4 pt-2.5 pb-4 md:border-r md:pb-6 sm:px-6 lg:overflow-y-auto">
        <h1 class="sr-only">This week</h1>
        <Budget {list} />
        {#if list.bought.length}<Bought bought={list.bought} />{/if}
      </section>
      <section aria-label="This week's list" class="min-w-0 px-4 pt-2.5 pb-6 sm:px-6 lg:overflow-y-auto">
        <List {list} />
        {#if weeks}<Ahead {weeks} />{/if}
        {#if working && list.budget}<Working says={weeks ? "Calculating again …" : "Calculating the weeks ahead …"} />{/if}
      </section>
      <aside aria-label="Prices seen" class="border-line px-4 pt-2.5 pb-6 sm:px-6 md:col-start-2 lg:col-start-auto lg:overflow-y-auto lg:border-l">
        <Prices {prices} {see} />
      </aside>
    </div>
  {/if}
</Page>
