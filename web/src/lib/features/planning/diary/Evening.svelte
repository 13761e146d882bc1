<!-- A line an evening: a tap on what was cooked, and it is written. -->
<script lang="ts">
  import { api, ask, basedOn, type Schemas, type Wrong } from "$lib/api/client";
  import { draft, keepDraft } from "$lib/state/draft";
  import { larder } from "$lib/state/larder.svelte";
  import { turns } from "$lib/state/turn";
  import FromShelf from "./FromShelf.svelte";
  import X from "@lucide/svelte/icons/x";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { day, today, meals }: { day: Schemas["DayView"]; today: string; meals: Schemas["ToPick"][] } = $props();

  // svelte-ignore state_referenced_locally
  const name = `diary-${day.day}`;
  let line = $state(draft<string>(name) ?? "");
  $effect(() => keepDraft(name, line || undefined));
  let wrong = $state<Wrong>({});
  let all = $state(false);

  const ahead = $derived(day.day > today);
  const written = $derived<Schemas["Written"][]>(day.items.map((item) => ({ meal: item.meal, people: item.people, line: item.line?.text ?? "" })));
  const shown = $derived(all ? meals : meals.slice(0, 8));
  /** A line is known by what is written on it: where one goes, the others stay themselves. */
  const lineKey = (n: number) => {
    const says = JSON.stringify(written[n]);
    return says + written.slice(0, n).filter((each) => JSON.stringify(each) === says).length;
  };
  const has = (meal: number) => written.some((item) => item.meal === meal);
  const date = $derived(new Date(`${day.day}T12:00`));
  const called = $derived(day.day === today ? "Today" : date.toLocaleDateString("en-GB", { weekday: "long" }));

  type Rewrite = (items: Schemas["Written"][]) => Schemas["Written"][];

  /** Write the day anew, from how it is shown: if somebody else wrote on it since, that is shown first. */
  async function rewrite(evening: string, anew: Rewrite) {
    if (day.day !== evening) return larder.say("Another evening was opened before its turn came: that one stays as it is", "wrong");
    const items = anew(written);
    const done = await ask(api.PUT("/api/table/diary/{day}", { params: { path: { day: day.day }, header: basedOn(day.version) }, body: { items } }));
    await told(done.wrong);
    if (done.wrong?.request) await larder.changed();
  }

  const inTurn = turns();
  const write = (what: string, anew: Rewrite) => {
    const evening = day.day;
    return inTurn([evening, what], () => rewrite(evening, anew));
  };

  /** Add a line, at once; what others write on the same evening stays, and what is rewritten next goes by it. */
  function append(item: Schemas["Written"]) {
    const done = adds(item);
    return inTurn(item, () => done);
  }

  async function adds(item: Schemas["Written"]) {
    const done = await ask(api.POST("/api/table/diary/{day}/lines", { params: { path: { day: day.day } }, body: { items: [item] } }));
    // What was typed meanwhile is the next line, and so is what nobody has sent yet.
    if (!done.wrong && line === item.line) line = "";
    await told(done.wrong);
  }

  async function told(problem: Wrong | undefined) {
    wrong = problem ?? {};
    if (!problem) await larder.changed();
  }

  const pick = (meal: number) =>
    has(meal) ? write(`without meal ${meal}`, (items) => items.filter((item) => item.meal !== meal)) : append({ meal, people: null, line: "" });

  const takeOut = (key: string) => write(`without ${key}`, (items) => items.filter((_, n) => lineKey(n) !== key));

  function add(event: SubmitEvent) {
    event.preventDefault();
    if (line.trim()) void append({ meal: null, people: null, line });
    else wrong = { line: { message: "Write what was used, as “2 cups rice”", nearest: [] } };
  }
</script>

<h1 class="sr-only">Diary</h1>
<h2 class="text-3xl">
  {called}<span class="block font-sans text-base font-normal text-soft">{date.toLocaleDateString("en-GB", { day: "numeric", month: "long" })}</span>
</h2>

{#if ahead}
  <p class="caption mt-2">That day is ahead. The diary tells what was eaten, not what is planned.</p>
{:else}
  {#if day.kept}
    <ul class="mt-2 border-t border-line" aria-label="Written">
      {#each day.items as item, n (lineKey(n))}
        {@const waiting = item.line && ["ask", "unread"].includes(item.line.reading)}
        <li class="flex min-h-11 items-center justify-between gap-2 border-b border-line">
          <span class="leading-tight">
            <b>{item.meal_name || item.line?.text || "nothing from the larder"}</b>
            {#if item.people}<span class="text-soft">for {item.people}</span>{/if}
            {#if waiting}<span class="block text-xs font-semibold text-rust">kept as typed, not counted: {item.line?.says}</span>
            {:else if item.line?.mass}<span class="block text-xs text-soft">{item.line.mass} {item.line.food_name}</span>{/if}
          </span>
          <button
            class="away grid size-11 shrink-0 place-items-center rounded-lg hover:bg-cream"
            aria-label="Take out {item.meal_name || item.line?.text || 'nothing'}"
            onclick={() => takeOut(lineKey(n))}
          >
            <X size={18} aria-hidden="true" />
          </button>
        </li>
      {/each}
    </ul>
  {/if}

  <p class="head mt-3">{meals.length ? "What was cooked?" : "What was used?"}</p>
  <div class="mt-1.5 flex flex-wrap gap-2">
    {#each shown as meal (meal.meal)}
      <button class="chip" aria-pressed={has(meal.meal)} onclick={() => pick(meal.meal)}>{meal.name}</button>
    {/each}
    {#if meals.length > 8}<button class="chip !border-dashed" onclick={() => (all = !all)}>{all ? "fewer" : `${meals.length - 8} more`}</button>{/if}
  </div>

  <form class="mt-3 flex gap-2" onsubmit={add}>
    <label for="used" class="sr-only">Or what was used</label>
    <input
      id="used"
      class="field"
      bind:value={line}
      placeholder="2 cups rice"
      autocomplete="off"
      aria-invalid={wrong.line || wrong.items ? "true" : undefined}
      aria-describedby="used-note"
    />
    <button class="chip shrink-0" type="submit">Save</button>
  </form>
  <div id="used-note">
    <Refusal {wrong} of={["line", "items", "day", "request"]} class="mt-1" />
  </div>

  {#if !day.kept}
    <button class="mt-2 min-h-11 font-bold underline" onclick={() => write("nothing", () => [{ meal: null, people: null, line: "" }])}
      >Nothing from the larder</button
    >
  {/if}
  {#if day.kept}<FromShelf day={day.day} />{/if}
  <p class="caption mt-2">Spices are left out. A day not written says nothing; a day with nothing counts.</p>
{/if}
