<script lang="ts">
  import { few, whole } from "$lib/format/numbers";
  import Page from "$lib/ui/Page.svelte";
  import { all, query } from "$lib/state/query.svelte";
  import { api, ask, basedOn, type Schemas, type Wrong } from "$lib/api/client";
  import Patterns from "$lib/draw/Patterns.svelte";
  import { counted } from "$lib/format/words";
  import { larder } from "$lib/state/larder.svelte";
  import { turns } from "$lib/state/turn";
  import Goal from "./Goal.svelte";
  import Meals from "./Meals.svelte";
  import { afterPaint } from "$lib/shell/paint";
  import Row from "./Row.svelte";

  const seen = query((signal) => all({ store: ask(api.GET("/api/table/store", { signal })), meals: ask(api.GET("/api/table/meals", { signal })) }), {
    key: "store",
  });
  const store = $derived(seen.data?.store);
  const meals = $derived(seen.data?.meals ?? []);
  let wrong = $state<Wrong>({});
  let open = $state("");
  /** Of the foods so many are drawn: first those in view, the rest once they stand there. */
  let most = $state(9);
  $effect(() => (store ? afterPaint(() => (most = Infinity)) : undefined));

  const inTurn = turns();
  const set = (what: unknown, change: (goal: Schemas["Goal"]) => Partial<Schemas["Goal"]>) => inTurn(what, () => tell(change));

  async function tell(change: (goal: Schemas["Goal"]) => Partial<Schemas["Goal"]>) {
    if (!store) return;
    const header = basedOn(store.goal_version);
    const done = await ask(api.PUT("/api/table/goal", { params: { header }, body: { ...store.goal, ...change(store.goal) } }));
    wrong = done.wrong ?? {};
    // One choice at a time is set here: shown anew with what somebody else set, it is set again or left.
    if (done.now) larder.say("Somebody else changed the goal: this is what they set. Choose again if you want yours.", "wrong");
    else if (wrong.request) larder.say(wrong.request.message, "wrong");
    if (!done.wrong || done.now) await larder.changed();
  }

  /** The largest need is drawn as the largest sack; the others by their volume, so by the cube root of it. */
  const largest = $derived(Math.max(1, ...(store?.rows.map((row) => row.need_g) ?? [])));
  const size = (row: Schemas["StoreRow"]) => 20 + 40 * Math.cbrt(row.need_g / largest);
  const missing = $derived(store?.rows.filter((row) => row.gap_g > 0).length ?? 0);
</script>

<Page title="Table" of={seen}>
  {#if store}
    <Patterns foods={store.rows} />
    <div class="grid min-h-0 flex-1 grid-cols-1 content-start md:grid-cols-[17rem_1fr] lg:grid-cols-[18.25rem_1fr_19rem]">
      <section aria-label="The goal" class="border-line max-md:contents md:border-r md:px-5 md:pt-2.5 md:pb-5 lg:overflow-y-auto lg:px-6">
        <h1 class="sr-only">Table: what to store</h1>
        <Goal goal={store.goal} {meals} {wrong} diary={store.diary_ever} onset={set} />
      </section>

      <section aria-label="Master list" class="min-w-0 px-4 pt-5 pb-6 max-md:order-2 md:pt-2 sm:px-6 lg:overflow-y-auto">
        {#if store.rows.length}
          <div class="flex flex-wrap items-end justify-between gap-x-6 gap-y-2 pb-2">
            <div>
              <h2 class="text-4xl">{whole(store.covered * 100)} % of what {counted(Math.round(store.days), "day asks", "days ask")} for</h2>
              <p class="caption">
                {store.cooked_meals} of {counted(store.wanted_meals, "meal")} can be cooked whole ·
                {missing ? `${store.gap_mass} in ${counted(missing, "food")} still needed` : "nothing is missing"}
              </p>
            </div>
            <a class="chip" href="/api/table/store.csv" download>As CSV</a>
          </div>
          <p class="caption pb-1">
            {#if larder.overview}By energy, all that is here would feed you for {few(larder.overview.days)} days{larder.overview.past_days >= 0.05
                ? ` (${few(larder.overview.past_days)} past best-by)`
                : ""}, whatever it is.{/if}
            These meals are {whole(store.share_of_eating * 100)} % of all that the household eats in that time. A tap on a food shows more.
          </p>
          <ul class="border-t-2 border-ink">
            {#each store.rows.slice(0, most) as row, n (row.food)}
              <Row
                {row}
                size={size(row)}
                id="sack-{n}"
                open={open === row.food}
                keep={store.goal.keep_years ?? 2}
                ontoggle={() => (open = open === row.food ? "" : row.food)}
              />
            {/each}
          </ul>
        {:else}
          <div class="mx-auto max-w-xl pt-10 text-center">
            <h2 class="text-4xl">Start from your own table</h2>
            <p class="mt-2 text-lg">
              People store the wrong things because they start from a sack on offer. Write one breakfast, one lunch and one supper that you cook already: the
              list of what to store follows from them.
            </p>
            <div class="mt-5 flex flex-wrap justify-center gap-3">
              <a class="do" href="/table/meals?new">Write a meal</a>
              <a class="chip" href="/table/diary">or keep a diary for a month</a>
            </div>
          </div>
        {/if}
      </section>

      {#if store.rows.length}
        <aside aria-label="Meals" class="border-line px-4 pt-2.5 pb-6 max-md:order-3 sm:px-6 md:col-start-2 lg:col-start-auto lg:overflow-y-auto lg:border-l">
          <Meals meals={store.meals} lists={meals} />
          <a class="do mt-6 w-full" href="/table/money">What to buy this week</a>
        </aside>
      {/if}
    </div>
  {/if}
</Page>
