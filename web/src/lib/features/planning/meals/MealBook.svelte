<script lang="ts">
  import { bring } from "$lib/ui/bring";
  import Page from "$lib/ui/Page.svelte";
  import { all, query } from "$lib/state/query.svelte";
  import { keeping } from "$lib/state/opened";
  import { goto } from "$app/navigation";
  import { page } from "$app/state";
  import { api, ask, type Schemas } from "$lib/api/client";
  import Editor from "./Editor.svelte";
  import List from "./List.svelte";

  const seen = query((signal) => all({ meals: ask(api.GET("/api/table/meals", { signal })), foods: ask(api.GET("/api/reference/names", { signal })) }), {
    key: "meals",
  });
  const meals = $derived(seen.data?.meals);
  const foods = $derived(seen.data?.foods ?? []);

  const number = $derived(Number(page.url.searchParams.get("n")) || undefined);
  const fresh = $derived(page.url.searchParams.has("new"));
  /** What to open when nothing is asked for: a meal with a line to look at, else the one cooked most. */
  const first = $derived(meals?.toSorted((a, b) => Number(waits(b)) - Number(waits(a)) || (b.meal.per_month ?? 0) - (a.meal.per_month ?? 0))[0]);
  const choose = keeping<Schemas["MealView"]>();
  const chosen = $derived(fresh ? undefined : choose(meals ?? [], number, first));

  const waits = (each: Schemas["MealView"]) => each.read.asks + each.read.unread > 0;

  /** Back leads to where the meals were come to, by way of the first that was opened and not of each. */
  const open = (query: string) => goto(`/table/meals?${query}`, { keepFocus: true, noScroll: true, replaceState: page.url.search !== "" });
  const show = (query: string) => void open(query).then(() => bring("meal"));
</script>

<Page title="Meals" of={seen}>
  {#if meals}
    <h1 class="sr-only">Meals</h1>
    <div class="grid min-h-0 flex-1 grid-cols-1 content-start md:grid-cols-[17rem_1fr] lg:grid-cols-[18.25rem_1fr]">
      <section aria-label="Our meals" class="border-line px-4 pt-2.5 pb-5 max-md:order-2 md:border-r sm:px-6 lg:overflow-y-auto">
        {#if number && chosen && chosen.number !== number}
          <p class="wrong mb-3" role="status">There is no meal {number}, or no longer.</p>
        {/if}
        <List {meals} chosen={chosen?.number} onopen={(n) => show(`n=${n}`)} onnew={() => show("new")} />
      </section>
      {#key chosen?.number ?? "new"}
        <Editor view={chosen} {foods} first={!meals.length} onkept={(n) => void open(`n=${n}`)} ongone={() => void open("")} />
      {/key}
    </div>
  {/if}
</Page>
