<!-- One package: what is in it, how its life went, what happened, and what can be done. -->
<script lang="ts">
  import Choice from "$lib/ui/Choice.svelte";
  import { goto } from "$app/navigation";
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import Labels from "./Labels.svelte";
  import Field from "$lib/ui/Field.svelte";
  import TakePicture from "$lib/ui/TakePicture.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import { stayed } from "$lib/state/stayed";
  import { query } from "$lib/state/query.svelte";
  import X from "@lucide/svelte/icons/x";
  import Acts from "$lib/features/using/Acts.svelte";
  import HowMany from "$lib/features/using/HowMany.svelte";
  import { someOf } from "$lib/features/using/alike";
  import { capital, counted } from "$lib/format/words";
  import Later from "$lib/ui/Later.svelte";
  import Elsewhere from "./Elsewhere.svelte";
  import Life from "./Life.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let {
    number,
    alike,
    places,
    moving = $bindable(false),
    onclose,
    onpick,
  }: {
    number: number;
    alike: number[];
    places: Schemas["PlaceView"][];
    moving?: boolean;
    onclose: () => void;
    onpick: (number: number) => void;
  } = $props();

  const WHYS = ["Puffed up", "Smells or looks wrong", "Insects in it", "Moisture got in", "Too old"];

  const seen = query((signal) => ask(api.GET("/api/packages/{number}", { params: { path: { number } }, signal })));
  /** The package that is asked for, never the one that was on show before it. */
  const card = $derived(seen.data?.number === number ? seen.data : undefined);
  const missing = $derived(card ? "" : seen.failed);
  let throwing = $state(false);
  let printing = $state(false);
  let looking = $state(false);
  /** The packages whose labels are printed: this one, or what was just poured out of it. */
  let labelled = $state<number[]>([]);
  let why = $state("");
  /** How many of those alike are moved or thrown out together. */
  let count = $state(1);
  let place = $state(0);
  let shelf = $state(1);
  let day = $state("");
  let wrong = $state<Wrong>({});

  const target = $derived(places.find((each) => each.id === place));
  const said: Record<Schemas["Closing"], string> = { absorber: "absorbers", vacuum: "under vacuum", lid: "lid only" };

  // What was begun for one package is not done to the next.
  $effect(() => {
    void number;
    [why, day, count, wrong] = ["", "", 1, {}];
  });

  $effect(() => {
    if (moving && card) {
      place = card.place;
      shelf = card.shelf;
      wrong = {};
    }
  });

  async function done(text: string, result: { wrong?: Wrong }) {
    wrong = result.wrong ?? {};
    if (result.wrong) return;
    moving = throwing = false;
    why = day = "";
    count = 1;
    larder.say(text);
    await larder.changed();
  }

  function label(numbers: number[]) {
    labelled = numbers;
    printing = true;
  }

  function to(id: number) {
    place = id;
    shelf = Math.min(shelf, target?.shelves ?? shelf);
  }

  async function move(event: SubmitEvent) {
    event.preventDefault();
    const body = { numbers: someOf(number, alike, count), place, shelf: Number(shelf), on: day || null };
    await done(
      `${count > 1 ? counted(body.numbers.length, "package stands", "packages stand") : `Number ${number} stands`} in ${target?.name ?? "the new place"} now`,
      await ask(api.POST("/api/shelves/move", { body })),
    );
  }

  async function empty() {
    const here = stayed();
    const line = `${card?.mass ?? ""} ${card?.food ?? ""}`;
    const says = `Number ${number} is open. Feel the food, then close it anew`;
    const emptied = await ask(api.POST("/api/rounds/looks/{number}/empty", { params: { path: { number } } }));
    await done(says, emptied);
    if (emptied.data !== undefined && here()) await goto(`/bench?line=${encodeURIComponent(line)}&lot=${emptied.data}`);
  }

  async function throwOut(event: SubmitEvent) {
    event.preventDefault();
    const body = { numbers: someOf(number, alike, count), why, on: day || null };
    await done(
      count > 1 ? `${counted(body.numbers.length, "package")} are thrown out` : `Number ${number} is thrown out`,
      await ask(api.POST("/api/shelves/throw-out", { body })),
    );
  }
</script>

<aside aria-label="Package {number}" class="p-4 sm:p-5 lg:px-7">
  <div class="flex items-start justify-between gap-3">
    <h2 class="text-4xl">{card ? capital(card.food) : missing ? "Not here" : "…"}</h2>
    <button class="-mt-1 -mr-2 grid size-11 shrink-0 place-items-center rounded-lg hover:bg-cream" aria-label="Close the card" onclick={onclose}
      ><X size={22} aria-hidden="true" /></button
    >
  </div>
  {#if missing}<p class="mt-2">{missing}</p>{/if}
  {#if card}
    <p class="mt-1 text-lg">number {card.number} · {card.container} · {card.mass} · {card.kcal_text} kcal</p>
    {#if card.gone_on}
      <p class="mt-2.5 text-lg font-bold text-rust">{card.gone}</p>
    {:else}
      <!-- What is not right is told, and not how long it would have lasted. -->
      {#if card.trouble}<p class="mt-2.5 rounded-lg border-2 border-rust px-3 py-1.5 text-md leading-snug font-semibold text-rust">{card.trouble}</p>
      {:else}<p class="mt-2.5 text-lg">
          {!card.ages ? "" : card.due === "past" || card.due === "kept on" ? "Was best by" : "Best by"}
          <b class="rounded px-1.5 py-0.5 {card.due === 'past' ? 'bg-alarm text-on-alarm' : card.due === 'soon' ? 'bg-yolk text-on-yolk' : 'bg-cream'}"
            >{card.ages ? card.best_by : "Keeps while it is dry"}</b
          >
          <span class="caption block pt-1">{card.band}</span>
        </p>{/if}
      {#if card.open_since}<p class="mt-1.5 text-lg"><b class="rounded border-2 border-ink px-1.5">Open</b> since {card.open_since}</p>{/if}
      {#if card.kept_until}<p class="mt-1.5">Kept on: look at it again on {card.kept_until}</p>{/if}
      {#if card.override}<p class="mt-1.5 rounded-lg border-2 border-rust px-3 py-1.5 text-md leading-snug font-semibold text-rust">{card.override}</p>{/if}
    {/if}
    {#if alike.length > 1}
      <div class="mt-3 flex flex-wrap items-center gap-1.5" role="group" aria-label="Alike">
        <span class="caption mr-1">{alike.length} alike:</span>
        {#each alike.slice(0, 24) as each (each)}
          <button
            class="grid min-h-11 min-w-11 place-items-center rounded-lg border-[1.5px] px-2 font-semibold {each === number
              ? 'border-on-yolk bg-yolk text-on-yolk'
              : 'border-line'}"
            aria-pressed={each === number}
            onclick={() => onpick(each)}>{each}</button
          >
        {/each}
      </div>
    {/if}

    {#if !card.gone_on && card.trouble && card.may_be_emptied}
      <button class="chip on mt-4 w-full" onclick={empty}>Empty it: back to the bench</button>
    {/if}
    {#if !card.gone_on}
      <Acts {card} {alike} {places} onmove={() => (moving = true)} onthrow={() => ((throwing = true), (wrong = {}))} onlabel={label} />
    {/if}

    {#if card.photos.length}
      <div class="mt-4 grid grid-cols-3 gap-2">
        {#each card.photos as photo (photo)}<a
            href="/api/packages/{card.number}/photos/{photo}"
            target="_blank"
            aria-label="Picture {photo} of number {card.number}, whole"
            ><img
              src="/api/packages/{card.number}/photos/{photo}"
              alt=""
              class="aspect-square w-full rounded-lg border-[1.5px] border-ink object-cover"
              loading="lazy"
            /></a
          >{/each}
      </div>
    {/if}
    {#if !card.gone_on}<div class="mt-2.5"><TakePicture number={card.number} words="Take a picture" /></div>{/if}

    <h3 class="head mt-5 font-sans">What is in it</h3>
    <dl class="mt-1 divide-y divide-line border-y border-line text-base">
      {#each [["Where", `${card.place_name}, shelf ${card.shelf}`], ["Closed with", card.open_since ? "open, in use" : said[card.closing as Schemas["Closing"]]], ["In with it", card.packets], ...(card.pests ? [["Against insects", card.pests]] : []), ["Moisture", `${card.moisture_pct.toFixed(1)} %`], ["Feeds one person", `${card.person_days.toFixed(1)} days`], ["Size", card.container_size]] as [label, value] (label)}
        <div class="flex justify-between gap-4 py-1.5">
          <dt class="text-soft">{label}</dt>
          <dd class="text-right font-semibold">{value}</dd>
        </div>
      {/each}
    </dl>

    {#if !card.trouble}
      <h3 class="head mt-5 font-sans">Shelf life used</h3>
      <Life {card} />
      <button class="chip mt-3 w-full" onclick={() => (looking = true)}>Look inside: oxygen, moisture, life</button>
      {#if !card.gone_on && card.ages}{#key number}<Elsewhere {number} />{/key}{/if}
    {/if}

    <h3 class="head mt-5 font-sans">What happened</h3>
    <ol class="mt-2 border-l-2 border-line pl-4">
      {#each card.journal as line, n (n)}
        <li
          class="relative py-1.5 before:absolute before:top-3 before:-left-[1.42rem] before:size-3 before:rounded-full before:border-2 before:border-ink before:bg-paper"
        >
          <b>{line.what}</b>, {line.on}<span class="caption block">{line.detail}</span>
        </li>
      {/each}
    </ol>
  {/if}
</aside>

{#if card}
  <Later load={() => import("$lib/features/using/Inside.svelte")} when={looking}>
    {#snippet children({ default: Inside })}{#key number}<Inside {card} {places} bind:open={looking} />{/key}{/snippet}
  </Later>
{/if}
<Labels bind:open={printing} of={{ number: labelled }} count={labelled.length} />
<Sheet bind:open={moving} title="Move number {number}">
  <form class="grid gap-4" onsubmit={move} novalidate>
    <HowMany {alike} bind:count />
    <fieldset>
      <legend class="head">To</legend>
      <Choice label="Place" options={places.map((each) => [each.id, each.name] as const)} value={place} onset={to} />
      {#if target}<p class="caption mt-1">{target.climate}</p>{/if}
    </fieldset>
    <fieldset>
      <legend class="head">Shelf, from the top</legend>
      <Choice
        label="Shelf"
        options={Array.from({ length: target?.shelves ?? 1 }, (_, n) => n + 1)}
        value={shelf}
        onset={(each) => (shelf = each)}
        chip="min-w-12"
      />
      <Refusal {wrong} of="shelf" class="mt-1" />
    </fieldset>
    <Field label="On (today, if left empty)" name="on" type="date" bind:value={day} {wrong} />
    <button class="do" type="submit">Move it</button>
  </form>
</Sheet>

<Sheet bind:open={throwing} title="Throw out number {number}">
  <form class="grid gap-4" onsubmit={throwOut} novalidate>
    <p>When in doubt, throw it out. It leaves the shelves; its history stays in the journal, and Undo brings it back.</p>
    <HowMany {alike} bind:count />
    <div>
      <p class="head">Why?</p>
      <Choice label="Why" options={WHYS} value={why} onset={(each) => (why = each)} row="mt-1 mb-2 flex flex-wrap gap-2" />
      <Field label="Or in your words" name="why" bind:value={why} {wrong} />
    </div>
    <Field label="On (today, if left empty)" name="on" type="date" bind:value={day} {wrong} />
    <button class="do" type="submit">Throw it out</button>
  </form>
</Sheet>
