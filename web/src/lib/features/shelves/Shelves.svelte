<script lang="ts">
  import { goto } from "$app/navigation";
  import { page } from "$app/state";
  import { api, ask, type Schemas, whyNot } from "$lib/api/client";
  import { alikeKey } from "$lib/draw/layout";
  import { larder } from "$lib/state/larder.svelte";
  import { untilLeft } from "$lib/state/left";
  import { query } from "$lib/state/query.svelte";
  import Page from "$lib/ui/Page.svelte";
  import Card from "./Card.svelte";
  import Cutaway from "./Cutaway.svelte";
  import PlaceSheet from "$lib/features/places/PlaceSheet.svelte";
  import Summary from "./Summary.svelte";
  import { untrack } from "svelte";

  let moving = $state(false);
  let words = $state("");
  let found = $state<Set<number>>();
  let adding = $state(false);
  let editing = $state(false);

  const number = $derived(Number(page.url.searchParams.get("n")) || undefined);
  /** The place that the address names. */
  const named = $derived(Number(page.url.searchParams.get("place")) || undefined);
  /** So long somebody who types is let be. */
  const PAUSE_MS = 180;

  /** One place at a time, and of a full one what stands first at once. */
  const AT_ONCE = 1000;
  const asked = (place: number | undefined, after = 0) => ({ place, beside: untrack(() => number), fullest: true, after, most: AT_ONCE });
  const seen = query((signal) => ask(api.GET("/api/shelves", { params: { query: asked(named ?? untrack(() => view?.place ?? undefined)) }, signal })), {
    key: () => untrack(() => (named ? `shelves ${named}` : `shelves beside ${number}`)),
  });
  const view: Schemas["ShelvesView"] | undefined = $derived(seen.data);

  /** What follows in a place that holds more. */
  let rest = $state.raw<{ of?: Schemas["ShelvesView"]; more: Schemas["ShelvesView"][] }>({ more: [] });
  const parts = $derived(view ? [view, ...(rest.of === view ? rest.more : [])] : []);
  const drawings = $derived(Object.assign({}, ...parts.map((each) => each.containers)) as Schemas["ShelvesView"]["containers"]);
  const shortNames = $derived(Object.assign({}, ...parts.map((each) => each.short_names)) as Record<string, string>);
  const here = $derived(parts.flatMap((each) => each.packages));

  $effect(() => {
    if (!view) return;
    const first = view;
    return untrack(() => untilLeft((left) => follow(first, left)));
  });

  async function follow(of: Schemas["ShelvesView"], signal: AbortSignal) {
    if (words.trim()) void find();
    const more = [];
    for (let after = of.more_after; typeof after === "number";) {
      const { data } = await ask(api.GET("/api/shelves", { params: { query: asked(of.place ?? undefined, after) }, signal }));
      if (signal.aborted || !data) return;
      more.push(data);
      rest = { of, more: [...more] };
      after = data.more_after;
    }
  }

  const opened = $derived(here.find((each) => each.number === number));
  const place = $derived(view?.places.find((each) => each.id === view?.place));
  const alike = $derived(opened ? here.filter((each) => alikeKey(each) === alikeKey(opened)).map((each) => each.number) : []);

  const LENSES = [
    ["best-by", "Best by"],
    ["life", "Life left"],
    ["energy", "Energy"],
    ["protections", "Protections"],
    ["open", "What is open"],
  ] as const;
  /** What the labels say, and what stands out. */
  let lens = $state<(typeof LENSES)[number][0]>("best-by");
  /** What each package here is protected from, asked for when somebody looks at it so. */
  let guarded = $state.raw<Schemas["Protected"][]>([]);
  const lacking = $derived(guarded.filter((each) => each.lacks.length));
  const saying = $derived(new Map(guarded.map((each) => [each.number, `${each.closed} of 6`])));
  const missing = $derived(
    Object.entries(
      lacking.flatMap((each) => each.lacks).reduce<Record<string, number>>((sum, threat) => ({ ...sum, [threat]: (sum[threat] ?? 0) + 1 }), {}),
    ).map(([threat, count]) => `${threat} ${count}`),
  );
  const lensed = $derived(
    lens === "open"
      ? new Set(here.filter((each) => each.open).map((each) => each.number))
      : lens === "protections" && guarded.length
        ? new Set(lacking.map((each) => each.number))
        : undefined,
  );
  const shown = $derived(found ?? lensed);

  $effect(() => {
    if (lens !== "protections" || place === undefined || larder.version < 0) return;
    const wanted = place.id;
    return untrack(() => untilLeft((left) => guard(wanted, left)));
  });

  async function guard(wanted: number, signal: AbortSignal) {
    const { data } = await ask(api.GET("/api/shelves/protections", { params: { query: { place: wanted } }, signal }));
    if (!signal.aborted && data) guarded = data;
  }

  /** Go to a place, or to a package in it: Back leads to how the shelves were come to, not to each that was looked at. */
  function go(place: number | undefined, wanted?: number) {
    const search = new URLSearchParams({ ...(place && { place: String(place) }), ...(wanted && { n: String(wanted) }) });
    return goto(`/shelves?${search}`, { keepFocus: true, noScroll: true, replaceState: page.url.search !== "" });
  }

  const open = (wanted?: number) => go(named, wanted);

  /** Open a package wherever it stands. */
  function show(wanted: number, at = view?.due.find((each) => each.number === wanted)?.place ?? place?.id) {
    return go(at === place?.id ? named : at, wanted);
  }

  async function move(numbers: number[], to: number, shelf: number) {
    const target = view?.places.find((each) => each.id === to);
    const body = { numbers, place: to, shelf: shelf || Math.min(target?.shelves ?? 1, opened?.shelf ?? 2) };
    const done = await ask(api.POST("/api/shelves/move", { body }));
    if (done.wrong) larder.say(whyNot(done.wrong), "wrong");
    else larder.say(`Moved to ${target?.name ?? "there"}, shelf ${body.shelf}`);
    await larder.changed();
  }

  let finding = new AbortController();
  let pause: ReturnType<typeof setTimeout> | undefined;

  /** Somebody types: it is looked for when they pause. */
  function typed() {
    clearTimeout(pause);
    finding.abort();
    pause = setTimeout(() => void find(), words.trim() ? PAUSE_MS : 0);
  }

  async function find() {
    finding.abort();
    if (!words.trim()) {
      found = undefined;
      return;
    }
    const { signal } = (finding = new AbortController());
    const { data } = await ask(api.GET("/api/shelves/find", { params: { query: { words } }, signal }));
    if (signal.aborted) return;
    const there = data ?? [];
    found = new Set(there.map((each) => each.number));
    const at = there.some((each) => each.place === place?.id) ? place?.id : there[0]?.place;
    const [only, ...others] = there;
    if (only && !others.length) await show(only.number, at);
    else if (at !== undefined && at !== place?.id) await go(at);
  }
</script>

<Page title="Shelves" of={seen}>
  <div class="flex min-h-0 flex-1 flex-col lg:h-full lg:flex-row">
    <section aria-label="Places" class="flex min-w-0 flex-1 flex-col px-3 pt-3 sm:px-6">
      <h1 class="sr-only">Shelves</h1>
      {#if view && place}
        <div class="flex flex-wrap items-center gap-2">
          {#each view.places as each (each.id)}
            <button class="chip" data-place={each.id} aria-pressed={each.id === place.id} onclick={() => go(each.id, number)}>
              {each.name}
              <span class="font-normal">{each.kept}</span>
              {#if each.due}<span class="rounded-full bg-ink px-1.5 text-xs leading-5 text-paper">{each.due} due</span>{/if}
            </button>
          {/each}
          <button class="chip border-dashed" onclick={() => (adding = true)}>Add a place</button>
          <button class="chip border-dashed" aria-label="Edit {place.name}" onclick={() => (editing = true)}>Edit</button>
          <div class="ml-auto flex gap-2 max-sm:w-full max-sm:flex-wrap">
            <label class="sr-only" for="lens">Show</label>
            <select id="lens" class="field max-sm:flex-1 max-sm:basis-32 sm:!w-31" bind:value={lens}>
              {#each LENSES as [each, words] (each)}<option value={each}>{words}</option>{/each}
            </select>
            <label class="max-sm:flex-1 max-sm:basis-40">
              <span class="sr-only">Find by food, number or label code</span>
              <input class="field sm:!w-40" data-find placeholder="Food or number" bind:value={words} oninput={typed} type="search" />
            </label>
          </div>
        </div>
        <p class="caption my-2" aria-live="polite">
          {#if lens === "protections" && guarded.length}<b
              >{lacking.length ? `${lacking.length} lack something: ${missing.join(", ")}` : "All have what protects them"}</b
            > ·{/if}
          <a class="font-semibold underline" href="/shelves/count?place={place.id}" aria-label="Count {place.name}">Count</a> ·
          <a class="font-semibold underline" href="/shelves/coming-in">Add what is there</a> ·
          <a class="underline" href="/shelves/place?n={place.id}" aria-label="{place.name}: {place.climate}">{place.climate}</a> · {found
            ? found.size
              ? `${found.size} found`
              : "nothing of that name stands here"
            : `${place.kept} kept, ${place.kcal_text} kcal`}
        </p>
        <div class="min-h-0 flex-1 pb-3">
          {#key place.id}
            <Cutaway
              {place}
              packages={here}
              {drawings}
              {shortNames}
              chosen={number}
              found={shown}
              {lens}
              {saying}
              onopen={open}
              onmove={move}
              onmoving={(n) => open(n).then(() => (moving = true))}
            />
          {/key}
        </div>
        {#if !view.places.some((each) => each.kept)}
          <p class="pb-6 text-center text-lg">
            Nothing is put away yet. <a class="font-bold underline" href="/bench">Pack something on the Bench</a>, or
            <a class="font-bold underline" href="/shelves/coming-in">add what is there already</a>, and it will stand here.
          </p>
        {/if}
      {/if}
    </section>

    {#if view && place}
      <div
        class={number
          ? "border-line bg-paper max-lg:fixed max-lg:inset-x-0 max-lg:bottom-(--bar) max-lg:z-30 max-lg:max-h-[78dvh] max-lg:overflow-y-auto max-lg:rounded-t-2xl max-lg:border-2 max-lg:border-ink max-lg:shadow-2xl lg:w-[25.5rem] lg:shrink-0 lg:overflow-y-auto lg:border-l"
          : "border-line lg:w-[25.5rem] lg:shrink-0 lg:overflow-y-auto lg:border-l"}
      >
        {#if number}
          <Card {number} {alike} places={view.places} bind:moving onclose={() => open()} onpick={(n) => open(n)} />
        {:else}
          <Summary {place} places={view.places} due={view.due} onopen={show} />
        {/if}
      </div>
    {/if}
  </div>
</Page>

<PlaceSheet bind:open={adding} places={view?.places ?? []} ongo={(to) => void go(to)} />
<PlaceSheet bind:open={editing} {place} places={view?.places ?? []} ongo={(to) => void go(to, to === place?.id ? number : undefined)} />
