<!-- What is in the house already: typed or pasted line by line, read at once, mended in place, put away in one go. -->
<script lang="ts">
  import { onMount } from "svelte";
  import { goto } from "$app/navigation";
  import { page } from "$app/state";
  import { api, ask, whyNot, type Schemas, type Wrong } from "$lib/api/client";
  import Labels from "$lib/features/shelves/Labels.svelte";
  import { draft, keepDraft } from "$lib/state/draft";
  import { larder } from "$lib/state/larder.svelte";
  import { query } from "$lib/state/query.svelte";
  import Page from "$lib/ui/Page.svelte";
  import Patterns from "$lib/draw/Patterns.svelte";
  import { usualPlace } from "$lib/features/places/usual";
  import { counted } from "$lib/format/words";
  import LineRead from "./LineRead.svelte";
  import { added, corrected, linesOf, type Typed } from "./lines";
  import Refusal from "$lib/ui/Refusal.svelte";

  type LineView = Schemas["LineView"];

  const DRAFT = "coming-in";
  const EXAMPLES = "6 quart jars white rice, absorbers, May 2023\n2 five-gallon buckets hard wheat, about 2021\n10 tins sardines, best by 2028-03";

  /** What a line may name depends on the places there are. */
  const places = query((signal) => ask(api.GET("/api/places", { signal })));

  let lines = $state<Typed[]>(draft<Typed[]>(DRAFT) ?? []);
  let typed = $state("");
  /** Lines as they were read, by their text. */
  let read = $state<Record<string, LineView>>({});
  let wrong = $state<Wrong>({});
  let reading = $state(false);
  let putAway = $state.raw<Schemas["CameIn"]>();
  let printing = $state(false);

  const shown = $derived(lines.map((line) => ({ ...line, view: read[line.text] })));
  const unread = $derived(shown.filter((each) => each.view?.reading === "unread").length);
  const doubtful = $derived(shown.filter((each) => each.view?.reading === "doubtful").length);
  /** The sorts of place that something belongs in and the house has none of, the most wanted first. */
  const lacking = $derived(
    ["freezer", "fridge", "cellar", "cupboard", "loft"]
      .map((sort) => ({ sort, count: shown.filter((each) => each.view?.stock?.lacks === sort).length }))
      .filter(({ count }) => count),
  );
  const packages = $derived(shown.reduce((sum, each) => sum + (each.view?.stock?.count ?? 0), 0));

  onMount(() => {
    const brought = linesOf(page.url.searchParams.get("line") ?? "").filter((text) => !lines.some((line) => line.text === text));
    if (brought.length) {
      lines = added(lines, brought);
      keep();
    }
    // A reload must not bring it again.
    if (page.url.search) void goto("/shelves/coming-in", { replaceState: true, keepFocus: true });
    void readAll();
  });

  function keep() {
    keepDraft(DRAFT, lines.length ? $state.snapshot(lines) : undefined);
  }

  /** Read the lines that were not read yet: of three hundred only the one that was changed. */
  async function readAll() {
    const unknown = [...new Set(lines.map((line) => line.text).filter((text) => !(text in read)))];
    if (!unknown.length) return;
    reading = true;
    const answered = await ask(api.POST("/api/coming-in/read", { body: { text: unknown.join("\n") } }));
    reading = false;
    wrong = answered.wrong ?? {};
    const found = answered.data?.lines ?? [];
    read = { ...read, ...Object.fromEntries(found.map((each) => [each.text, each])) };
  }

  function add(event?: Event) {
    event?.preventDefault();
    wrong = typed.trim() ? {} : { text: { message: "Write what is there, a line for each kind", nearest: [] } };
    if (wrong.text) return;
    lines = added(lines, linesOf(typed));
    typed = "";
    putAway = undefined;
    keep();
    void readAll();
  }

  /** A paste of many lines is read at once; one that is typed is read with Enter. */
  function onpaste(event: ClipboardEvent) {
    const pasted = event.clipboardData?.getData("text") ?? "";
    if (!/\n\s*\S/.test(pasted)) return;
    event.preventDefault();
    typed = `${typed}${pasted}`;
    add();
  }

  function onkeydown(event: KeyboardEvent) {
    if (event.key === "Enter" && !event.shiftKey) add(event);
  }

  function change(id: number, text: string) {
    const now = linesOf(text)[0];
    lines = now ? lines.map((each) => (each.id === id ? { id, text: now } : each)) : lines.filter((each) => each.id !== id);
    keep();
    void readAll();
  }

  async function addPlace(sort: string) {
    const body = usualPlace(sort);
    const answered = await ask(api.POST("/api/places", { body }));
    if (answered.wrong) return void larder.say(whyNot(answered.wrong), "wrong");
    larder.say(`Added ${body.name}: put its name and its warmth right under Shelves`);
    await larder.changed();
    read = {};
    await readAll();
  }

  /** Go to the first line that is not read, or that should be looked at. */
  function mend() {
    const first = document.querySelector("[data-unread]") ?? document.querySelector("[data-doubtful]");
    first?.scrollIntoView({ block: "center" });
    first?.querySelector<HTMLElement>("input, button")?.focus({ preventScroll: true });
  }

  async function put() {
    const told = $state.snapshot(lines);
    const answered = await ask(api.POST("/api/coming-in", { body: { text: told.map((each) => each.text).join("\n") } }));
    wrong = answered.wrong ?? {};
    if (!answered.data) {
      mend();
      return;
    }
    putAway = answered.data;
    // What was added or put right meanwhile is still to be put away.
    lines = lines.filter((each) => !told.some((one) => one.id === each.id && one.text === each.text));
    read = {};
    keep();
    void readAll();
    larder.say(answered.data.title);
    await larder.changed();
  }

  const numbered = $derived(
    putAway ? (putAway.numbers.length > 1 ? `numbers ${putAway.numbers[0]} to ${putAway.numbers.at(-1)}` : `number ${putAway.numbers[0]}`) : "",
  );
</script>

<Page title="What is there already" of={places} eager>
  <div class="min-h-0 flex-1 lg:overflow-y-auto">
    <section class="mx-auto w-full max-w-3xl px-4 pt-4 pb-40 sm:px-6" aria-label="What is there already">
      <a class="font-semibold text-soft underline" href="/shelves">Shelves</a>
      <h1 class="text-5xl">What is there already</h1>
      <p class="caption">
        A line for each kind of thing: how many, in what, of what, closed how, where, since when. What you leave out is taken as usual, and said. It takes
        nothing from the supplies.
      </p>
      {#if putAway}
        <div class="mt-5 flex flex-wrap items-center gap-3 rounded-xl border-2 border-ink bg-cream p-4" role="status">
          <p class="mr-auto text-lg"><b>Put away: {numbered}</b></p>
          <button class="do" onclick={() => (printing = true)}>Labels …</button>
          <a class="chip" href="/shelves">See the shelves</a>
        </div>
      {/if}
      <form class="mt-4" onsubmit={add} novalidate>
        <label class="head block" for="lines">Type a line, or paste many</label>
        <textarea
          id="lines"
          class="field mt-1 min-h-24 leading-snug"
          rows="3"
          placeholder={EXAMPLES}
          autocomplete="off"
          spellcheck="false"
          aria-invalid={wrong.text ? "true" : undefined}
          aria-describedby="lines-note"
          bind:value={typed}
          {onkeydown}
          {onpaste}></textarea>
        <div id="lines-note">
          <Refusal {wrong} of="text" class="mt-1" />
        </div>
        <div class="mt-2 flex flex-wrap items-center gap-3">
          <button class="chip" type="submit">Add to the list</button>
          <p class="caption">“About 2021”, “before 2019”, “no idea when” are fine. Something nobody knows is “mystery bag”.</p>
        </div>
      </form>
      <Patterns foods={shown.flatMap((each) => (each.view?.stock ? [each.view.stock] : []))} />
      {#if lacking.length}
        <div class="mt-4 rounded-xl border-2 border-ink bg-cream p-4">
          <p class="leading-snug">
            <b>{lacking.map(({ sort, count }) => `${counted(count, "line belongs", "lines belong")} in a ${sort}`).join(", ")}</b>, and there is none yet.
          </p>
          <div class="mt-2 flex flex-wrap gap-2">
            {#each lacking as { sort } (sort)}<button class="chip" onclick={() => void addPlace(sort)}>Add a {sort}</button>{/each}
          </div>
        </div>
      {/if}
      <ol class="mt-5" aria-label="Lines" aria-busy={reading}>
        {#each shown as each, n (each.id)}
          <LineRead
            text={each.text}
            view={each.view}
            refused={wrong[`line.${n}`]?.message ?? ""}
            onchange={(text) => change(each.id, text)}
            onmeant={(name) => change(each.id, corrected(each.text, each.view?.words ?? "", name))}
          />
        {/each}
      </ol>
    </section>
  </div>
  {#if lines.length}
    <div class="fixed inset-x-0 bottom-(--bar) z-20 border-t-2 border-ink bg-cream px-4 py-3">
      <div class="mx-auto flex max-w-3xl items-center justify-between gap-4">
        <p class="leading-snug" aria-live="polite">
          <b class="text-xl">{counted(packages, "package")}</b>
          {#if unread || doubtful}
            <button class="caption block min-h-11 text-left underline underline-offset-4" onclick={mend}
              >{unread ? `${counted(unread, "line")} to mend` : `${doubtful} to look at`}</button
            >
          {:else}
            <span class="caption block">{counted(lines.length, "line")}, all read</span>
          {/if}
        </p>
        <button class="do" onclick={put}>Put all away</button>
      </div>
    </div>
  {/if}
</Page>

{#if putAway}<Labels bind:open={printing} of={{ batch: putAway.batch }} count={putAway.numbers.length} />{/if}
