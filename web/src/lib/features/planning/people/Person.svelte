<!-- Somebody who eats here: as little as a name and a year; the need follows as it is typed. -->
<script lang="ts">
  import Choice from "$lib/ui/Choice.svelte";
  import { whole, sent } from "$lib/format/numbers";
  import { api, ask, asRead, basedOn, type Schemas, type Wrong } from "$lib/api/client";
  import Conflict from "$lib/ui/Conflict.svelte";
  import Field from "$lib/ui/Field.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { latest } from "$lib/state/latest";
  import { larder } from "$lib/state/larder.svelte";
  import { untrack } from "svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  type Person = Schemas["Person"];
  let { open = $bindable(false), view }: { open?: boolean; view: Schemas["PersonView"] | undefined } = $props();

  const SEXES: Schemas["Sex"][] = ["female", "male", "not said"];
  const MOVES: [Schemas["Activity"], string][] = [
    ["sitting", "only what the day asks"],
    ["light", "as walking 3 km besides"],
    ["active", "as walking 12 km besides"],
    ["hard", "as walking 27 km besides"],
  ];

  let draft = $state({
    name: "",
    birth_year: "" as string | number,
    sex: "not said" as Schemas["Sex"],
    activity: "light" as Schemas["Activity"],
    height: "",
    weight: "",
    count: 1 as string | number,
    weeks: "" as string | number,
    kcal: "" as string | number,
  });
  let need = $state.raw<Schemas["Need"]>();
  let wrong = $state<Wrong>({});
  let more = $state(false);
  let version = $state<number>();
  let theirs = $state<Person>();
  const LABELS = {
    name: "Name",
    birth_year: "Born in",
    sex: "Sex",
    activity: "How much they move",
    height: "Height",
    weight: "Weight",
    count: "How many",
    weeks: "Weeks",
    kcal: "kcal",
  };
  const us = $derived(larder.us);

  $effect(() => {
    if (open) untrack(start);
  });

  function start() {
    const person = view?.person;
    draft = {
      name: person?.name ?? "",
      birth_year: person?.birth_year ?? "",
      sex: person?.sex ?? "not said",
      activity: person?.activity ?? "light",
      height: person?.height ?? "",
      weight: person?.weight ?? "",
      count: person?.count ?? 1,
      weeks: person?.weeks ?? "",
      kcal: person?.kcal ?? "",
    };
    need = view?.need;
    version = view?.version;
    theirs = undefined;
    wrong = {};
    more = !!(person && ((person.count ?? 1) > 1 || person.weeks || person.kcal));
  }

  const body = (): Person => ({
    ...$state.snapshot(draft),
    birth_year: sent(draft.birth_year) ?? 0,
    count: sent(draft.count) ?? 1,
    weeks: sent(draft.weeks),
    kcal: sent(draft.kcal),
  });

  const workOut = latest(async () => {
    if (!draft.birth_year) return;
    const before = wrong;
    const done = await ask(api.POST("/api/table/people/need", { body: { ...body(), name: draft.name || "somebody" } }));
    wrong = asRead(done.wrong, before, wrong);
    need = done.data ?? need;
  });

  async function keep(event?: SubmitEvent) {
    event?.preventDefault();
    const done = view
      ? await ask(api.PUT("/api/table/people/{number}", { params: { path: { number: view.number }, header: basedOn(version) }, body: body() }))
      : await ask(api.POST("/api/table/people", { body: body() }));
    wrong = done.wrong ?? {};
    theirs = done.now as Person | undefined;
    version = done.version ?? version;
    if (done.wrong) return;
    open = false;
    larder.say(`${draft.name} is at the table`);
    await larder.changed();
  }

  async function remove() {
    if (!view) return;
    const done = await ask(api.DELETE("/api/table/people/{number}", { params: { path: { number: view.number }, header: basedOn(version) } }));
    wrong = done.wrong ?? {};
    if (done.wrong) return;
    open = false;
    larder.say(`${view.person.name} no longer eats here; Undo brings them back`);
    await larder.changed();
  }
</script>

<Sheet bind:open title={view ? view.person.name : "Who eats?"} wide>
  <form class="grid gap-4 sm:grid-cols-2" onsubmit={keep} novalidate>
    <Field label="A name or a role" name="name" bind:value={draft.name} {wrong} placeholder="Grandmother" />
    <Field label="Born in" name="birth_year" type="number" bind:value={draft.birth_year} {wrong} placeholder="1952" onchange={workOut} />
    <fieldset>
      <legend class="head">Sex, for the energy formula</legend>
      <Choice
        label="Sex"
        options={SEXES}
        value={draft.sex}
        onset={(sex) => ((draft.sex = sex), void workOut())}
        row="mt-1 flex gap-1.5"
        chip="flex-auto !px-2"
      />
    </fieldset>
    <div class="grid grid-cols-2 gap-3">
      <Field label="Height" name="height" bind:value={draft.height} {wrong} placeholder={us ? "5 ft 6 in" : "166 cm"} onchange={workOut} />
      <Field label="Weight" name="weight" bind:value={draft.weight} {wrong} placeholder={us ? "140 lb" : "64 kg"} onchange={workOut} />
    </div>
    <fieldset class="sm:col-span-2">
      <legend class="head">How much they move</legend>
      <Choice
        label="How much they move"
        options={MOVES}
        value={draft.activity}
        onset={(activity) => ((draft.activity = activity), void workOut())}
        row="mt-1 grid grid-cols-2 gap-1.5 sm:grid-cols-4"
        chip="flex-col !gap-0 !px-1.5 py-2"
      >
        {#snippet content(activity, means)}<span>{activity}</span><span class="text-xs leading-snug font-normal">{means}</span>{/snippet}
      </Choice>
    </fieldset>
    {#if more}
      <div class="grid grid-cols-1 gap-3 sm:col-span-2 sm:grid-cols-3">
        <Field label="How many, alike" name="count" type="number" bind:value={draft.count} {wrong} onchange={workOut} />
        <Field label="Guests: for how many weeks" name="weeks" type="number" bind:value={draft.weeks} {wrong} placeholder="always here" onchange={workOut} />
        <Field
          label="A figure of their own, kcal"
          name="kcal_per_person_day"
          type="number"
          bind:value={draft.kcal}
          {wrong}
          placeholder="by the formula"
          onchange={workOut}
        />
      </div>
    {:else}
      <button type="button" class="min-h-11 justify-self-start font-bold underline sm:col-span-2" onclick={() => (more = true)}
        >Guests, several alike, or a figure of their own</button
      >
    {/if}
    {#if need}
      <div class="rounded-xl bg-cream px-4 py-3 sm:col-span-2" aria-live="polite">
        <p><b class="font-name text-2xl">{whole(need.kcal)} kcal</b> and <b>{Math.round(need.protein_g)} g protein</b> a day</p>
        <p class="caption">
          {need.kcal_working}; protein {need.protein_working}{[need.measures_working, need.assumed].map((each) => each && `; ${each}`).join("")}
        </p>
      </div>
    {/if}
    {#if theirs}
      <Conflict mine={body()} {theirs} labels={LABELS} onmine={() => keep()} ontheirs={() => ((open = false), void larder.changed())} />
    {:else}<Refusal {wrong} of="request" class="sm:col-span-2" />{/if}
    <div class="flex items-center justify-between gap-3 sm:col-span-2">
      {#if view}<button type="button" class="chip away" onclick={remove}>No longer eats here</button>{:else}<span></span>{/if}
      {#if !theirs}<button class="do" type="submit">Save</button>{/if}
    </div>
  </form>
</Sheet>
