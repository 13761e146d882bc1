<!-- A food from its name and what it is most like: only what is known is written, the rest is taken and marked. -->
<script lang="ts">
  import { api, ask, asRead, basedOn, type Schemas, type Wrong } from "$lib/api/client";
  import { sent } from "$lib/format/numbers";
  import { larder } from "$lib/state/larder.svelte";
  import { latest } from "$lib/state/latest";
  import Field from "$lib/ui/Field.svelte";
  import { untrack } from "svelte";
  import FoodPick from "./FoodPick.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let {
    name,
    number,
    own,
    foods,
    onadded,
  }: {
    name: string;
    /** The food to put right, and as the larder has it; none to add one. */
    number?: number | undefined;
    own?: Schemas["FoodAsTyped"] | undefined;
    foods: Schemas["FoodName"][];
    onadded: (food: Schemas["Added"]) => void;
  } = $props();

  const PARTS = [
    ["kcal", "Energy, kcal"],
    ["protein_g", "Protein, g"],
    ["fat_g", "Fat, g"],
    ["carbohydrate_g", "Carbohydrate, g"],
    ["fibre_g", "of it fibre, g"],
    ["water_g", "Water, g (its moisture, %)"],
  ] as const;
  const TRAITS: [Schemas["Trait"], string][] = [
    ["oil-rich", "oily"],
    ["sugar-like", "sugar, or mostly sugar"],
    ["salt-like", "salt"],
    ["sticky", "sticky"],
    ["powdery", "a powder"],
    ["seasoning", "a seasoning"],
    ["raw-animal", "raw meat or egg"],
    ["home-dried", "dried at home"],
    ["freeze-dried", "freeze-dried"],
    ["commodity", "traded grain, pulse or pasta"],
  ];
  type Part = (typeof PARTS)[number][0];

  const begun: Partial<Schemas["AskedFood"]> & { name: string } = untrack(() => ({ name, ...own?.food }));
  let called = $state(begun.name);
  let like = $state(begun.like ?? "");
  let figures = $state<Partial<Record<Part, number | string | null>>>(Object.fromEntries(PARTS.map(([part]) => [part, begun[part] ?? null])));
  let measure = $state(begun.measure ?? "1 cup");
  let weighs = $state(begun.weighs ?? "");
  /** None means those of the food it is like. */
  let traits = $state.raw<Schemas["Trait"][] | null>(begun.traits ?? null);
  let read = $state.raw<Schemas["OwnFoodView"]>();
  let wrong = $state<Wrong>({});
  let tried = $state(false);

  const fresh = begun.fresh_water_g ?? null;

  const known = $derived(traits ?? read?.traits ?? []);

  const asked = (): Schemas["AskedFood"] => ({
    ...(Object.fromEntries(PARTS.map(([part]) => [part, figures[part] === "" ? null : (sent(figures[part] ?? null) as number | null)])) as Record<
      Part,
      number | null
    >),
    name: called,
    like,
    measure,
    weighs,
    traits,
    fresh_water_g: fresh,
  });

  const reread = latest(async () => {
    if (!like) return void (read = undefined);
    const before = wrong;
    const answered = await ask(api.POST("/api/foods/read", { body: { ...asked(), name: called.trim() || "?" } }));
    wrong = asRead(answered.wrong, before, wrong);
    if (answered.data) read = answered.data;
  });

  $effect(() => {
    void [like, JSON.stringify(figures), measure, weighs, traits];
    untrack(() => void reread());
  });

  async function save(event: SubmitEvent) {
    event.preventDefault();
    tried = true;
    const done = await ask(
      number === undefined
        ? api.POST("/api/foods", { body: asked() })
        : api.PUT("/api/foods/{number}", { params: { path: { number }, header: basedOn(own?.version) }, body: asked() }),
    );
    wrong = done.wrong ?? {};
    if (done.data) onadded(done.data);
  }

  const of = (part: Part) => (read ? String(read[part]) : "");
  const toggled = (trait: Schemas["Trait"]) => (known.includes(trait) ? known.filter((each) => each !== trait) : [...known, trait]);
</script>

<form class="grid gap-4 sm:grid-cols-2" onsubmit={save} novalidate>
  <Field label="Name" name="name" bind:value={called} {wrong} />
  <FoodPick label="Most like" name="like" {foods} bind:value={like} near={called} wrong={tried ? wrong : {}} onpick={() => (traits = null)} />
  <fieldset class="sm:col-span-2">
    <legend class="head">In 100 g, from its packet: only what you know</legend>
    <p class="caption">
      {read ? `What is empty is calculated as of ${foods.find((food) => food.key === like)?.name ?? "it"}, and marked so.` : "First say what it is most like."}
    </p>
    <div class="mt-1 grid grid-cols-2 gap-3 sm:grid-cols-3">
      {#each PARTS as [part, label] (part)}<Field {label} name={part} type="number" bind:value={figures[part]} {wrong} placeholder={of(part)} />{/each}
    </div>
  </fieldset>
  <div class="grid grid-cols-2 items-start gap-3">
    <Field label="This much, loose" name="measure" bind:value={measure} {wrong} />
    <Field label="weighs" name="weighs" bind:value={weighs} {wrong} placeholder={read ? `${read.cup} a cup` : larder.us ? "6.5 oz" : "185 g"} />
  </div>
  <p class="caption self-end pb-2">Fill a level cup, weigh it, take the cup off. Left empty, it is taken to lie as what it is like.</p>
  <fieldset class="sm:col-span-2">
    <legend class="head">Tell us if it is</legend>
    <div class="mt-1 flex flex-wrap gap-2">
      {#each TRAITS as [trait, words] (trait)}
        <button type="button" class="chip" aria-pressed={known.includes(trait)} onclick={() => (traits = toggled(trait))}>{words}</button>
      {/each}
    </div>
  </fieldset>
  {#if number !== undefined}<p class="caption sm:col-span-2">It is so from now on. What is packed already keeps the figures it was packed with.</p>{/if}
  <Refusal {wrong} of="request" class="sm:col-span-2" />
  <div class="flex justify-end sm:col-span-2">
    <button class="do" type="submit" disabled={!foods.length}>{number === undefined ? "Add it" : "Save"}</button>
  </div>
</form>
