<script lang="ts">
  import { goto } from "$app/navigation";
  import { page } from "$app/state";
  import Page from "$lib/ui/Page.svelte";
  import { query } from "$lib/state/query.svelte";
  import { api, ask } from "$lib/api/client";
  import Patterns from "$lib/draw/Patterns.svelte";
  import Evening from "./Evening.svelte";
  import Month from "./Month.svelte";
  import Totals from "./Totals.svelte";

  const chosen = $derived(page.url.searchParams.get("day"));
  /** The month of that day, or the one that the address names, or this one. */
  const month = $derived(/^\d{4}-(0[1-9]|1[0-2])/.exec(chosen ?? page.url.searchParams.get("month") ?? "")?.[0] ?? monthOf(new Date()));

  const seen = query((signal) => {
    const [year, number] = month.split("-").map(Number) as [number, number];
    return ask(api.GET("/api/table/diary/{year}/{number}", { params: { path: { year, number } }, signal }));
  });
  const view = $derived(seen.data);
  /** A day picked while another month was on show is no day of this one. */
  const day = $derived(view?.days.find((each) => each.day === chosen) ?? view?.days.find((each) => each.day === view?.today) ?? view?.days.at(-1));

  function monthOf(day: Date): string {
    return `${day.getFullYear()}-${String(day.getMonth() + 1).padStart(2, "0")}`;
  }

  function turn(by: number) {
    const [year, number] = month.split("-").map(Number) as [number, number];
    go(`month=${monthOf(new Date(year, number - 1 + by, 1))}`);
  }

  /** Back leads to where the diary was come to, not through each day that was looked at. */
  const go = (search: string) => void goto(`/table/diary?${search}`, { keepFocus: true, noScroll: true, replaceState: page.url.search !== "" });
</script>

<Page title="Diary" of={seen}>
  {#if view && day}
    <Patterns foods={view.totals} scale={0.42} />
    <div class="grid min-h-0 flex-1 grid-cols-1 content-start md:grid-cols-[18rem_1fr] lg:grid-cols-[20rem_1fr_20rem]">
      <section id="evening" aria-label="The evening's line" class="border-line px-4 pt-2.5 pb-4 md:border-r md:pb-6 sm:px-6 lg:overflow-y-auto">
        {#key day.day}<Evening {day} today={view.today} meals={view.to_pick} />{/key}
      </section>
      <section aria-label="The month" class="min-w-0 px-2 pt-2.5 pb-6 sm:px-6 lg:overflow-y-auto">
        <Month {view} chosen={day.day} onpick={(picked) => go(`day=${picked}`)} onturn={turn} />
      </section>
      <!-- Nothing in it takes the focus, yet keys must be able to scroll it. -->
      <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
      <aside
        tabindex="0"
        aria-label="What the month adds up to"
        class="border-line px-4 pt-2.5 pb-6 sm:px-6 md:col-start-2 lg:col-start-auto lg:overflow-y-auto lg:border-l"
      >
        <Totals {view} />
      </aside>
    </div>
  {/if}
</Page>
