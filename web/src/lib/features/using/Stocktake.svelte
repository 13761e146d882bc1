<!-- Stocktake: along the shelves of a place with a phone; what is there is tapped, and the rest is asked about. -->
<script lang="ts">
  import { tick } from "svelte";
  import { goto } from "$app/navigation";
  import { page } from "$app/state";
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import { draft, keepDraft } from "$lib/state/draft";
  import { larder } from "$lib/state/larder.svelte";
  import { stayed } from "$lib/state/stayed";
  import { query } from "$lib/state/query.svelte";
  import Choice from "$lib/ui/Choice.svelte";
  import Page from "$lib/ui/Page.svelte";
  import Check from "@lucide/svelte/icons/check";
  import OpenOne from "./OpenOne.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  type OnShelf = Schemas["OnShelf"];
  type Answer = Schemas["Whereabouts"] | "not now" | `to ${number}`;
  interface Said {
    there: number[];
    missing: Record<number, Answer>;
    left: Record<number, { guess?: Schemas["Guess"]; weight?: string }>;
    more: number[];
  }

  const number = $derived(Number(page.url.searchParams.get("place")) || 1);
  const seen = query((signal) => ask(api.GET("/api/shelves", { params: { query: { place: number, most: 100_000 } }, signal })));
  const place = $derived(seen.data?.places.find((each) => each.id === number));
  const others = $derived((seen.data?.places ?? []).filter((each) => each.id !== number));

  const NOTHING: Said = { there: [], missing: {}, left: {}, more: [] };
  const name = $derived(`count-${number}`);
  let said = $state<Said>({ ...NOTHING });
  let wrong = $state<Wrong>({});
  let typed = $state("");
  /** Whether somebody has gone along all shelves: what is not tapped by then is not there. */
  let asking = $state(false);
  /** Where it is asked what became of the rest. */
  let questions = $state<HTMLElement>();

  $effect(() => {
    said = draft<Said>(name) ?? { ...NOTHING };
    asking = false;
  });

  const here = $derived(seen.data?.packages ?? []);
  const there = $derived(new Set(said.there));
  const shelves = $derived([...new Set(here.map((each) => each.shelf))].sort((a, b) => a - b));
  const rest = $derived(here.filter((each) => !there.has(each.number)));
  const unsaid = $derived(rest.filter((each) => said.missing[each.number] === undefined));
  /** What is said of all at once: of those that nobody has answered yet, or of all anew. */
  const together = $derived(unsaid.length ? unsaid : rest);
  const alike = $derived(new Set(rest.map((each) => said.missing[each.number])));
  const count = $derived(here.length - rest.length + said.more.length);

  const ANSWERS: readonly [Answer, string][] = [
    ["used up", "used up"],
    ["given away", "given away"],
    ["fed to animals", "to animals"],
    ["thrown out", "thrown out"],
  ];
  const answers = $derived([
    ...ANSWERS,
    ...others.map((each): [Answer, string] => [`to ${each.id}`, `in ${each.name}`]),
    ["not now", "not found yet"] as [Answer, string],
  ]);

  function keep() {
    keepDraft(name, $state.snapshot(said));
  }

  function tap(one: OnShelf) {
    said.there = there.has(one.number) ? said.there.filter((each) => each !== one.number) : [...said.there, one.number];
    said.missing = Object.fromEntries(Object.entries(said.missing).filter(([number]) => Number(number) !== one.number));
    keep();
  }

  function all(shelf: number) {
    said.there = [...new Set([...said.there, ...here.filter((each) => each.shelf === shelf).map((each) => each.number)])];
    keep();
  }

  function answer(of: readonly OnShelf[], what: Answer) {
    for (const one of of) said.missing[one.number] = what;
    keep();
  }

  /** To where it is asked, below all shelves; from there on to the first that nobody has answered. */
  async function toTheRest() {
    const begins = !asking;
    asking = true;
    await tick();
    const to = begins ? questions : questions?.querySelector<HTMLElement>(`[data-number="${unsaid[0]?.number}"]`);
    to?.scrollIntoView({ block: "start" });
    to?.querySelector<HTMLElement>(begins ? "h2" : "[role=radio]")?.focus({ preventScroll: true });
  }

  function add(event: SubmitEvent) {
    event.preventDefault();
    const found = Number(typed.replace(/\D/g, ""));
    wrong = found ? {} : { another: { message: "Type the number that stands on it", nearest: [] } };
    if (!found) return;
    if (here.some((each) => each.number === found)) said.there = [...new Set([...said.there, found])];
    else said.more = [...new Set([...said.more, found])];
    typed = "";
    keep();
  }

  function missingOf([one, what]: [string, Answer]): Schemas["Missing"] {
    const to = /^to (\d+)$/.exec(what)?.[1];
    return to ? { number: Number(one), where: "in another place", place: Number(to) } : { number: Number(one), where: what as Schemas["Whereabouts"] };
  }

  async function done() {
    const stays = stayed();
    const counted = name;
    const told = JSON.stringify(draft(counted));
    const body = {
      there: [...here.filter((each) => there.has(each.number)).map((each) => each.number), ...said.more],
      missing: Object.entries(said.missing)
        .filter(([one, what]) => what !== "not now" && rest.some((each) => each.number === Number(one)))
        .map(missingOf),
      left_in: Object.entries(said.left)
        .filter(([one, left]) => there.has(Number(one)) && (left.guess || left.weight?.trim()))
        .map(([one, left]) => ({ number: Number(one), guess: left.guess ?? null, weight: left.weight ?? "" })),
    };
    const answered = await ask(api.POST("/api/places/{number}/count", { params: { path: { number } }, body }));
    wrong = answered.wrong ?? {};
    if (!answered.data) return;
    // What was tapped meanwhile is still to be told.
    const all = JSON.stringify(draft(counted)) === told;
    if (all) keepDraft(counted, undefined);
    larder.say(`Counted: ${answered.data.there} there, ${answered.data.gone} gone, ${answered.data.moved} moved`);
    await larder.changed();
    if (all && stays()) await goto(`/shelves?place=${number}`);
  }
</script>

<Page title={place ? `Count ${place.name}` : "Count"} of={seen}>
  {#if place}
    <div class="min-h-0 flex-1 lg:overflow-y-auto">
      <section class="mx-auto w-full max-w-3xl px-4 pt-4 pb-40 sm:px-6" aria-label="Count {place.name}">
        <a class="font-semibold text-soft underline" href="/shelves?place={number}">Shelves</a>
        <h1 class="text-5xl">Count {place.name}</h1>
        <p class="caption">
          Go along the shelves and tap what is there. What is left over is asked about at the end. Nothing is written before you press Done.
        </p>
        {#if !here.length}<p class="mt-6 text-lg">Nothing is written to stand here.</p>{/if}
        {#each shelves as shelf (shelf)}
          <div class="mt-6 flex items-end justify-between gap-3 border-b-2 border-ink pb-1">
            <h2 class="text-2xl">Shelf {shelf}</h2>
            <button class="chip" onclick={() => all(shelf)}>All of shelf {shelf} is there</button>
          </div>
          <ul>
            {#each here.filter((each) => each.shelf === shelf) as one (one.number)}
              <li class="border-b border-line">
                <button class="flex min-h-14 w-full items-center gap-3 py-1 text-left" aria-pressed={there.has(one.number)} onclick={() => tap(one)}>
                  <span
                    class="grid size-9 shrink-0 place-items-center rounded-full border-2 {there.has(one.number)
                      ? 'border-on-yolk bg-yolk text-on-yolk'
                      : 'border-soft'}"
                    aria-hidden="true"
                  >
                    {#if there.has(one.number)}<Check size={22} strokeWidth={3} />{/if}
                  </span>
                  <span class="w-12 shrink-0 text-lg font-bold">{one.number}</span>
                  <span class="leading-snug"
                    ><b>{one.food}</b>, {one.mass}{#if one.open}<span class="ml-2 rounded border-2 border-ink px-1.5 text-sm font-bold">open</span>{/if}</span
                  >
                </button>
                {#if one.open && there.has(one.number)}
                  <OpenOne
                    number={one.number}
                    mass={one.mass}
                    bind:left={() => said.left[one.number] ?? {}, (left) => ((said.left[one.number] = left), keep())}
                  />
                {/if}
              </li>
            {/each}
          </ul>
        {/each}
        <form class="mt-6 flex items-end gap-3" onsubmit={add} novalidate>
          <div class="flex-1 sm:max-w-56">
            <label class="head block" for="another">Number of another one here</label>
            <input
              id="another"
              class="field mt-1"
              inputmode="numeric"
              autocomplete="off"
              bind:value={typed}
              aria-invalid={wrong.another ? "true" : undefined}
              aria-describedby="another-note"
            />
          </div>
          <button class="chip" type="submit">Add it</button>
        </form>
        <div id="another-note">
          <Refusal {wrong} of="another" class="mt-1" />
        </div>
        {#if said.more.length}
          <p class="mt-2 flex flex-wrap gap-2">
            {#each said.more as one (one)}
              <button
                class="chip on"
                aria-label="Number {one} is not here after all"
                onclick={() => ((said.more = said.more.filter((each) => each !== one)), keep())}>{one} ×</button
              >
            {/each}
          </p>
        {/if}
        {#if asking && rest.length}
          <div bind:this={questions} class="scroll-mt-16 pt-8">
            <h2 class="text-3xl" tabindex="-1">What became of {rest.length === 1 ? "this one" : `these ${rest.length}`}?</h2>
            {#if rest.length > 1}
              <p class="mt-2 mb-1">
                {together.length < rest.length ? `The same of the ${together.length} not said yet:` : `The same of all ${rest.length}:`}
              </p>
              <Choice
                label="The same of all of them"
                options={answers}
                value={alike.size === 1 ? [...alike][0] : undefined}
                onset={(what) => answer(together, what)}
              />
            {/if}
            <ul class="mt-4">
              {#each rest as one (one.number)}
                <li class="scroll-mt-16 border-b border-line py-3" data-number={one.number}>
                  <p class="mb-1"><b class="mr-2">{one.number}</b><b>{one.food}</b>, {one.mass}</p>
                  <Choice label="What became of number {one.number}" options={answers} value={said.missing[one.number]} onset={(what) => answer([one], what)} />
                </li>
              {/each}
            </ul>
          </div>
        {/if}
        <Refusal {wrong} but={["another"]} class="mt-3" />
      </section>
    </div>
    <div class="fixed inset-x-0 bottom-(--bar) z-20 border-t-2 border-ink bg-cream px-4 py-3">
      <div class="mx-auto flex max-w-3xl items-center justify-between gap-4">
        <p class="leading-snug" aria-live="polite">
          <b class="text-xl">{count} there</b><span class="caption block"
            >{rest.length ? (asking ? (unsaid.length ? `${unsaid.length} still to say` : "all is said") : `${rest.length} not tapped`) : "all of it"}</span
          >
        </p>
        {#if rest.length && (!asking || unsaid.length)}
          <button class="do" onclick={() => void toTheRest()}>{asking ? "To the next" : "The rest is not there"}</button>
        {:else}
          <button class="do" onclick={done}>Done</button>
        {/if}
      </div>
    </div>
  {/if}
</Page>
