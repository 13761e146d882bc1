<!-- A meal, written as people write it; what was understood stands beside it as it is typed. -->
<script lang="ts">
  import Choice from "$lib/ui/Choice.svelte";
  import { api, ask, basedOn, type Schemas, type Wrong } from "$lib/api/client";
  import Conflict from "$lib/ui/Conflict.svelte";
  import Bowl from "$lib/draw/Bowl.svelte";
  import Patterns from "$lib/draw/Patterns.svelte";
  import OwnFood from "$lib/features/catalog/OwnFood.svelte";
  import { draft, keepDraft } from "$lib/state/draft";
  import { latest } from "$lib/state/latest";
  import { larder } from "$lib/state/larder.svelte";
  import { stayed } from "$lib/state/stayed";
  import { turns } from "$lib/state/turn";
  import Trash2 from "@lucide/svelte/icons/trash-2";
  import { onMount, untrack } from "svelte";
  import Stepper from "$lib/features/planning/Stepper.svelte";
  import Line from "./Line.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  type Meal = Schemas["Meal"];
  let {
    view,
    foods,
    first,
    onkept,
    ongone,
  }: {
    view: Schemas["MealView"] | undefined;
    foods: Schemas["FoodName"][];
    first: boolean;
    onkept: (number: number) => void;
    ongone: () => void;
  } = $props();

  const EMPTY: Meal = { name: "", text: "", kind: "supper", serves: 4, per_month: 4 };
  const EXAMPLE = "2 lb 4 oz split peas\n1½ cups barley\na can of beans\n2 onions\nsalt";
  const LONG = 20_000;
  /** What was pasted and kept out of the field, to be asked about in its turn. */
  let pasted: string | undefined;
  const KINDS = ["breakfast", "lunch", "supper", "other"] as const;

  /** Under which what is written to a meal is kept. */
  const nameOf = (meal: number | "new") => `meal-${meal}`;
  // svelte-ignore state_referenced_locally
  const name = nameOf(view?.number ?? "new");
  const begun = draft<{ meal: Meal; version: number | undefined }>(name);
  const asItWas = (): Meal => (view ? { ...view.meal } : { ...EMPTY, serves: larder.overview?.appetite.people ?? 4 });
  let meal = $state<Meal>({ ...asItWas(), ...begun?.meal });
  // svelte-ignore state_referenced_locally
  let read = $state.raw<Schemas["MealRead"] | undefined>(view?.read);
  /** What cannot be read, and what was refused: a reading that comes late takes nothing back of what was refused. */
  let unread = $state<Wrong>({});
  let refused = $state<Wrong>({});
  const wrong = $derived({ ...unread, ...refused });
  // svelte-ignore state_referenced_locally
  let version = $state(begun ? begun.version : view?.version);
  let theirs = $state<Meal>();
  const LABELS = { name: "Name", text: "What is in it", kind: "Eaten at", serves: "Serves", per_month: "Cooked, a month" };
  let own = $state({ open: false, words: "" });

  const PARTS = ["name", "text", "kind", "serves", "per_month"] as const;
  const kept = $derived(view && PARTS.every((part) => view.meal[part] === meal[part]));
  const blank = $derived(!view && !meal.name.trim() && !meal.text.trim());
  const changed = $derived(!kept && !blank && !theirs);
  let told = $state(false);
  $effect(() => keepDraft(name, told || kept || blank ? undefined : { meal: $state.snapshot(meal), version }));
  const layers = $derived.by(() => {
    const lines = read?.lines.filter((line) => line.form && line.kcal > 0) ?? [];
    const all = lines.reduce((sum, line) => sum + line.kcal, 0);
    return lines.toSorted((a, b) => b.kcal - a.kcal).map((line) => ({ form: line.form, colour: line.colour, share: line.kcal / all }));
  });
  const day = $derived(Math.round((read?.person_day_share ?? 0) * 100));

  onMount(() => {
    if (view || begun) void reread();
  });

  // Undone, or changed elsewhere: whoever has changed nothing here is shown how it stands now.
  // svelte-ignore state_referenced_locally
  let before = view?.meal;
  $effect(() => {
    const now = view?.meal;
    untrack(() => {
      if (before && now && PARTS.some((part) => before?.[part] !== now[part]) && PARTS.every((part) => before?.[part] === meal[part])) leave();
      before = now;
    });
  });

  const reread = latest(async () => {
    const text = pasted ?? meal.text;
    pasted = undefined;
    const done = await ask(api.POST("/api/table/meals/read", { body: { ...$state.snapshot(meal), text } }));
    unread = done.wrong ?? {};
    if (done.data) read = done.data;
  });

  /** A pasted book would hold the browser up for minutes: it goes to the larder, which says what is wrong with it. */
  function onpaste(event: ClipboardEvent) {
    const text = event.clipboardData?.getData("text/plain") ?? "";
    if (text.length < LONG) return;
    event.preventDefault();
    pasted = text;
    void reread();
  }

  const inTurn = turns();
  const keep = () => {
    const here = stayed();
    return inTurn($state.snapshot(meal), () => tell(here));
  };

  async function tell(here: () => boolean) {
    // What is written on to a new meal that is kept by now is a change to that.
    if (told) return;
    const body = $state.snapshot(meal);
    const done = view
      ? await ask(api.PUT("/api/table/meals/{number}", { params: { path: { number: view.number }, header: basedOn(version) }, body }))
      : await ask(api.POST("/api/table/meals", { body }));
    refused = done.wrong ?? {};
    theirs = done.now as Meal | undefined;
    version = done.version ?? version;
    if (done.wrong) return;
    // Known before the page says that it is kept: whoever removes it next removes what they have just kept.
    const number = view?.number ?? Number(done.data);
    version = await newest(number);
    if (!view) {
      const since = PARTS.some((part) => body[part] !== meal[part]);
      forget();
      // What was written meanwhile is written to the meal that is kept by now.
      if (since) keepDraft(nameOf(number), { meal: $state.snapshot(meal), version });
    }
    await larder.changed();
    larder.say(`${body.name} is on the menu`);
    if (!view && here()) onkept(number);
  }

  async function newest(number: number): Promise<number | undefined> {
    const { data } = await ask(api.GET("/api/table/meals"));
    return data?.find((each) => each.number === number)?.version;
  }

  function takeTheirs() {
    if (theirs) meal = { ...theirs };
    theirs = undefined;
    refused = {};
    void reread();
    void larder.changed();
  }

  /** What was typed is told: at once, for the editor goes with its meal. */
  function forget() {
    told = true;
    keepDraft(name, undefined);
  }

  /** What was typed is left, and the meal is as the larder has it. */
  function leave() {
    meal = asItWas();
    version = view?.version;
    refused = {};
    void reread();
  }

  const remove = () => {
    const here = stayed();
    return inTurn("off the menu", () => takeOff(here));
  };

  async function takeOff(here: () => boolean) {
    if (!view) return;
    const [number, called] = [view.number, view.meal.name];
    const done = await ask(api.DELETE("/api/table/meals/{number}", { params: { path: { number }, header: basedOn(version) } }));
    refused = done.wrong ?? {};
    if (done.wrong) return;
    forget();
    larder.say(`${called} is off the menu; Undo brings it back`);
    await larder.changed();
    if (here()) ongone();
  }

  async function means(words: string, meaning: string) {
    if (meaning === "own") {
      own = { open: true, words };
      return;
    }
    await larder.tell(ask(api.POST("/api/table/words", { body: { words, means: meaning } })));
    await reread();
  }
</script>

<Patterns foods={layers} scale={0.8} />
<section id="meal" aria-label={view ? view.meal.name : "A new meal"} class="min-w-0 px-4 pt-2.5 max-md:order-1 sm:px-6 lg:overflow-y-auto">
  <div class="mx-auto grid max-w-4xl grid-cols-1 gap-x-8 lg:grid-cols-[1fr_15rem]">
    <div class="flex min-w-0 flex-col">
      <label for="meal-name" class="sr-only">Name of the meal</label>
      <input
        id="meal-name"
        data-find
        bind:value={meal.name}
        placeholder={first ? "What do you cook most?" : "Name of the meal"}
        autocomplete="off"
        aria-invalid={wrong.name ? "true" : undefined}
        aria-describedby={wrong.name ? "wrong-name" : undefined}
        class="w-full border-b-[3px] bg-transparent pb-1.5 font-name text-3xl font-extrabold outline-none placeholder:font-semibold {wrong.name
          ? 'border-rust'
          : 'border-yolk focus:border-ink'}"
      />
      <Refusal {wrong} of="name" id="wrong-name" class="mt-1" />

      <Choice
        label="When it is eaten"
        options={KINDS}
        value={meal.kind}
        onset={(kind) => (meal.kind = kind)}
        row="mt-3 flex flex-wrap gap-2"
        chip="max-sm:flex-auto max-sm:!px-1.5"
      />

      <label for="meal-text" class="head mt-4 block">One ingredient a line, as you would tell it</label>
      <textarea
        id="meal-text"
        bind:value={meal.text}
        oninput={() => ((refused = {}), reread())}
        {onpaste}
        rows={Math.max(7, Math.min(16, meal.text.split("\n").length + 1))}
        spellcheck="false"
        placeholder={EXAMPLE}
        aria-invalid={wrong.text ? "true" : undefined}
        aria-describedby={wrong.text ? "wrong-text" : undefined}
        class="field mt-1 block flex-1 resize-y py-2 text-lg leading-7"></textarea>
      <Refusal {wrong} of="text" id="wrong-text" class="mt-1" />
    </div>

    <div class="max-lg:mt-4 max-lg:grid max-lg:items-center min-[20rem]:max-lg:grid-cols-[9rem_1fr] max-lg:gap-5">
      <Bowl {layers} />
      <div class="lg:text-center" aria-live="polite">
        <p class="font-name text-3xl leading-tight font-extrabold">{read?.kcal_per_person_text ?? "0"} kcal</p>
        <p class="caption">for each person, {day} % of a day;<br />{Math.round(read?.protein_per_person_g ?? 0)} g protein</p>
      </div>
      <div class="mt-4 grid gap-3 min-[20rem]:max-lg:col-span-2 min-[20rem]:max-lg:grid-cols-2">
        <Stepper
          label="Serves"
          unit={meal.serves === 1 ? "person" : "people"}
          bind:value={meal.serves as number}
          least={1}
          wrong={wrong.serves?.message}
          onchange={reread}
        />
        <Stepper label="Cooked" unit="× a month" bind:value={meal.per_month as number} least={0} wrong={wrong.per_month?.message} />
      </div>
    </div>

    {#if read?.lines.length}
      <div class="mt-5 lg:col-span-2">
        <div class="flex flex-wrap items-baseline justify-between gap-x-4">
          <h2 class="head font-sans">What it takes from the larder</h2>
          <p class="caption">A tap on a line says what its words should mean</p>
        </div>
        <ul class="mt-1 border-t-2 border-ink">
          {#each read.lines as line, n (n)}<Line {line} {foods} onmeans={means} />{/each}
        </ul>
      </div>
    {/if}

    {#if theirs}<div class="mt-5 lg:col-span-2"><Conflict mine={meal} {theirs} labels={LABELS} onmine={keep} ontheirs={takeTheirs} /></div>{/if}
  </div>
  <!-- What was changed far above is kept from wherever one is. -->
  <div class={["mt-5", changed ? "sticky bottom-(--bar) z-10 -mx-4 border-t-2 border-ink bg-cream px-4 py-2.5 sm:-mx-6 sm:px-6" : "pb-8"]}>
    <div class="mx-auto flex max-w-4xl flex-wrap items-center gap-x-2 gap-y-2 sm:gap-x-3">
      <button class="do max-sm:!px-4" disabled={kept || theirs !== undefined} onclick={keep}
        >{view ? (kept ? "Kept" : "Keep the change") : "Put it on the menu"}</button
      >
      {#if changed}<button class="chip" onclick={leave}>{view ? "Leave it as it was" : "Begin anew"}</button>{/if}
      {#if view && (kept || theirs)}
        <button class="chip away" onclick={remove}><Trash2 size={18} aria-hidden="true" />Remove meal</button>
      {/if}
      {#if !theirs}<Refusal {wrong} of="request" />{/if}
    </div>
  </div>
</section>

<OwnFood bind:open={own.open} name={own.words} onadded={(_name, key) => means(own.words, key)} />
