<!-- Who eats here, the room they pack in, and how they like to see things. -->
<script lang="ts">
  import Choice from "$lib/ui/Choice.svelte";
  import { whole } from "$lib/format/numbers";
  import { api, ask, basedOn, type Schemas, type Wrong, whyNot } from "$lib/api/client";
  import { counted } from "$lib/format/words";
  import Conflict from "$lib/ui/Conflict.svelte";
  import Degrees from "$lib/ui/Degrees.svelte";
  import Field from "$lib/ui/Field.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import { theme } from "$lib/state/theme.svelte";
  import { untrack } from "svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { open = $bindable(false) }: { open?: boolean } = $props();
  let draft = $state<Schemas["Settings"]>();
  let percent = $state(50);
  let wrong = $state<Wrong>({});
  let version = $state(0);
  let theirs = $state<Schemas["Settings"]>();
  let copying = $state(false);

  const LABELS = {
    name: "Name",
    people: "People",
    kcal_per_person_day: "kcal a person a day",
    units: "Measures",
    altitude_m: "Height above sea, m",
    room_c: "Packing room, °C",
    humidity: "Humidity, 0–1",
    estimate: "Shelf-life estimates",
    packet_sizes: "Absorbers, mL",
    currency: "Currency",
    kwh_coins: "Electricity, smallest coin per kWh",
  };
  const copy = $derived(larder.overview?.copy);

  const us = $derived(larder.us);
  const FOOT_M = 0.3048;
  const height = () => (us && draft ? Math.round((draft.altitude_m as number) / FOOT_M) : (draft?.altitude_m as number));
  function rise(high: string | number | null) {
    if (draft) draft.altitude_m = (us && typeof high === "number" ? high * FOOT_M : high) as number;
  }

  const eating = $derived(larder.overview?.appetite);

  const SIZES = [20, 50, 100, 200, 300, 400, 500, 750, 1000, 1500, 2000, 2500];
  const ESTIMATES = [
    ["cautious", "what published food-safety advice allows"],
    ["customary", "what most people who store food say"],
    ["hopeful", "the longest that is claimed"],
  ] as const;
  const CALLED = { cautious: "cautious", customary: "typical", hopeful: "hopeful" };

  $effect(() => {
    // The sheet may be opened before the larder has answered: it begins as soon as there is something to begin from.
    const ready = open && larder.overview !== undefined;
    untrack(() => {
      if (!open) [draft, wrong] = [undefined, {}];
      else if (ready && !draft) void start();
    });
  });

  /** Begin from how things stand; what is typed since is not to be overwritten. */
  async function start() {
    const { data, wrong: refused } = await ask(api.GET("/api/household"));
    if (!open || draft) return;
    if (!data) return void (wrong = refused ?? {});
    version = data.version;
    begin(data.settings);
  }

  function begin(now: Schemas["Settings"] | undefined) {
    draft = now && $state.snapshot(now);
    theirs = undefined;
    percent = Math.round((now?.humidity ?? 0.5) * 100);
    wrong = {};
  }

  const body = () => ({ ...(draft as Schemas["Settings"]), humidity: percent / 100 });

  async function save(event?: SubmitEvent) {
    event?.preventDefault();
    if (!draft) return;
    const done = await ask(api.PUT("/api/household", { params: { header: basedOn(version) }, body: body() }));
    wrong = done.wrong ?? {};
    theirs = done.now as Schemas["Settings"] | undefined;
    version = done.version ?? version;
    if (done.data) {
      open = false;
      await larder.changed();
      larder.say("Kept. Everything is shown the new way.");
    }
  }

  async function keepCopy() {
    copying = true;
    const done = await ask(api.POST("/api/rounds/copy"));
    copying = false;
    if (done.wrong) larder.say(whyNot(done.wrong), "wrong");
    else larder.say("A safe copy is kept and checked");
    await larder.refresh();
  }

  function toggle(size: number) {
    if (!draft) return;
    const sizes = draft.packet_sizes ?? [];
    draft.packet_sizes = sizes.includes(size) ? sizes.filter((each) => each !== size) : [...sizes, size];
  }
</script>

<Sheet bind:open title="Household" wide ready={!!draft || Object.keys(wrong).length > 0}>
  {#if draft}
    <form class="grid gap-4 sm:grid-cols-2" onsubmit={save} novalidate>
      <Field label="Name" name="name" bind:value={draft.name as string} {wrong} />
      <div>
        <p class="head">Measures</p>
        <Choice
          label="Measures"
          options={[
            ["metric", "kg, L, cm"],
            ["US", "lb, qt, in"],
          ] as const}
          value={draft.units}
          onset={(units) => draft && (draft.units = units)}
        />
      </div>
      {#if eating?.named}
        <div class="flex items-center justify-between gap-3 rounded-xl bg-cream px-4 py-2.5 sm:col-span-2">
          <p><b>{counted(eating.people, "person", "people")}</b>, {whole(eating.kcal_day)} kcal a day together.</p>
          <a class="chip" href="/table/people" onclick={() => (open = false)}>Who eats</a>
        </div>
      {:else}
        <Field label="People" name="people" type="number" bind:value={draft.people as number} {wrong} />
        <Field
          label="kcal a person a day"
          name="kcal_per_person_day"
          type="number"
          bind:value={draft.kcal_per_person_day as number}
          {wrong}
          hint="Or name who eats, at the Table"
        />
      {/if}
      <div class="grid grid-cols-2 gap-3">
        <Field label="Height above sea, {us ? 'ft' : 'm'}" name="altitude_m" type="number" bind:value={height, rise} {wrong} hint="Thin air, less oxygen" />
        <Field label="Currency" name="currency" bind:value={draft.currency as string} {wrong} placeholder="none" />
      </div>
      <Field
        label="Electricity, price per kWh, in the smallest coin"
        name="kwh_coins"
        type="number"
        bind:value={draft.kwh_coins as number}
        {wrong}
        hint="27 for 0.27; 0 if it is not to be counted"
      />
      <div class="grid grid-cols-2 gap-3">
        <Degrees label="Packing room" name="room_c" bind:celsius={draft.room_c as number} {wrong} />
        <Field label="Humidity, %" name="humidity" type="number" bind:value={percent} {wrong} />
      </div>
      <fieldset class="sm:col-span-2">
        <legend class="head">Absorbers you keep, mL</legend>
        <div class="mt-1 flex flex-wrap gap-2">
          {#each SIZES as size (size)}
            <button type="button" class="chip min-w-16" aria-pressed={draft.packet_sizes?.includes(size)} onclick={() => toggle(size)}>{size}</button>
          {/each}
        </div>
        <Refusal {wrong} of="packet_sizes" class="mt-1" />
      </fieldset>
      <fieldset class="sm:col-span-2">
        <legend class="head">Shelf-life estimates</legend>
        <Choice
          label="Shelf-life estimates"
          options={ESTIMATES}
          value={draft.estimate}
          onset={(estimate) => draft && (draft.estimate = estimate)}
          row="mt-1 grid gap-2 sm:grid-cols-3"
          chip="flex-col !gap-0 py-2"
        >
          {#snippet content(estimate, means)}<span>{CALLED[estimate]}</span><span class="text-xs leading-snug font-normal">{means}</span>{/snippet}
        </Choice>
      </fieldset>
      {#if copy}
        <div class="flex flex-wrap items-center justify-between gap-x-4 gap-y-2 rounded-xl bg-cream px-4 py-2.5 sm:col-span-2">
          <p class="min-w-0 leading-snug">
            <b>Safe copy:</b>
            {copy.on ? (copy.days === 0 ? "of today" : copy.days === 1 ? "of yesterday" : `${counted(copy.days, "day")} old`) : "none yet"}.
            <span class="caption block break-words">{copy.trouble || `One is kept each day in ${copy.folder}`}</span>
          </p>
          <button type="button" class="chip" disabled={copying} onclick={keepCopy}>{copying ? "Copying …" : "Copy now"}</button>
        </div>
      {/if}
      {#if theirs}
        <Conflict mine={body()} {theirs} labels={LABELS} onmine={() => save()} ontheirs={() => (begin(theirs), void larder.changed())} />
      {:else}<Refusal {wrong} of="request" class="sm:col-span-2" />{/if}
      <div class="flex justify-between gap-3 sm:col-span-2 sm:justify-end">
        <button type="button" class="chip sm:hidden" onclick={() => theme.toggle()}>{theme.dark ? "Light" : "Dark"}</button>
        {#if !theirs}<button class="do" type="submit">Save</button>{/if}
      </div>
    </form>
  {:else}<Refusal {wrong} />{/if}
</Sheet>
