<!-- A place to put packages: added, put right, emptied into another, removed. -->
<script lang="ts">
  import { api, ask, basedOn, type Schemas, type Wrong } from "$lib/api/client";
  import { sent } from "$lib/format/numbers";
  import { counted } from "$lib/format/words";
  import { larder } from "$lib/state/larder.svelte";
  import { untilLeft } from "$lib/state/left";
  import Choice from "$lib/ui/Choice.svelte";
  import Conflict from "$lib/ui/Conflict.svelte";
  import Degrees from "$lib/ui/Degrees.svelte";
  import Field from "$lib/ui/Field.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { asSort, fresh, type NewPlace as Typed } from "./usual";
  import Refusal from "$lib/ui/Refusal.svelte";

  let {
    open = $bindable(false),
    place,
    places,
    ongo,
  }: {
    open?: boolean;
    /** The place to put right; none to add one. */
    place?: Schemas["PlaceView"];
    places: Schemas["PlaceView"][];
    /** Go to a place. */
    ongo: (place: number | undefined) => void;
  } = $props();

  const LABELS = { name: "Name", sort: "Drawn as", shelves: "Shelves", mean_c: "Mean of the year, °C", warmest_c: "At its warmest, °C", humidity: "Humidity" };
  const MONTHS = ["January", "February", "March", "April", "May", "June", "July", "August", "September", "October", "November", "December"];
  const SORTS = ["cupboard", "cellar", "loft", "fridge", "freezer"];

  let typed = $state<Typed>(fresh());
  let version = $state<number>();
  let wrong = $state<Wrong>({});
  let changed = $state<Typed>();
  let to = $state<number>();

  const per = $derived(larder.us ? 25.4 : 10);
  const others = $derived(places.filter((each) => each.id !== place?.id));
  /** How wide it is, in the household's measure; what is no number stays as it was typed. */
  const wideOf = (wide: number | string | null | undefined) => (typeof wide === "number" ? Math.round(wide / per) : wide);
  const humidOf = (humidity: number | string | null | undefined) => (typeof humidity === "number" ? Math.round(humidity * 100) : humidity);

  let ready = $state(false);
  /** The place may be read anew while its sheet is open, and is the same one. */
  const id = $derived(place?.id);

  $effect(() => {
    if (!open) return void (ready = false);
    return untilLeft((left) => begin(id, left));
  });

  async function begin(number: number | undefined, signal: AbortSignal) {
    const { data, wrong: refused } = number === undefined ? {} : await ask(api.GET("/api/places/{number}", { params: { path: { number } }, signal }));
    if (signal.aborted) return;
    [typed, version, wrong, changed] = [(data?.place as Typed | undefined) ?? fresh(), data?.version, refused ?? {}, undefined];
    ready = true;
  }

  function as(sort: string) {
    typed = { ...typed, sort, ...(place ? {} : asSort(sort)) };
  }

  async function save(event?: SubmitEvent) {
    event?.preventDefault();
    changed = undefined;
    const body = { ...typed, shelves: sent(typed.shelves) as number, warmest_month: Number(typed.warmest_month) };
    const done = await (place
      ? ask(api.PUT("/api/places/{number}", { params: { path: { number: place.id }, header: basedOn(version) }, body }))
      : ask(api.POST("/api/places", { body })));
    wrong = done.wrong ?? {};
    if (done.now) {
      changed = done.now as Typed;
      version = done.version;
      wrong = {};
    }
    if (done.wrong) return;
    open = false;
    larder.say(place ? `${typed.name} is put right; what stands there is calculated anew` : `Added ${typed.name}`);
    await larder.changed();
    ongo(place?.id ?? (done.data as number));
  }

  async function moveAll() {
    const target = others.find((each) => each.id === to) ?? others[0];
    if (!place || !target) return;
    const done = await ask(api.POST("/api/places/{number}/move-all", { params: { path: { number: place.id } }, body: { to: target.id } }));
    wrong = done.wrong ?? {};
    if (done.wrong) return;
    open = false;
    larder.say(`${counted(done.data ?? 0, "package stands", "packages stand")} in ${target.name} now`);
    await larder.changed();
    ongo(target.id);
  }

  async function remove() {
    if (!place) return;
    const done = await ask(api.DELETE("/api/places/{number}", { params: { path: { number: place.id }, header: basedOn(version) } }));
    wrong = done.wrong ?? {};
    if (done.wrong) return;
    open = false;
    larder.say(`${place.name} is removed`);
    await larder.changed();
    ongo(undefined);
  }
</script>

<Sheet bind:open title={place ? place.name : "Add a place"} {ready}>
  <form class="grid gap-4" onsubmit={save} novalidate>
    {#if changed}<Conflict
        mine={typed}
        theirs={changed}
        labels={LABELS}
        onmine={() => save()}
        ontheirs={() => changed && ((typed = changed), (changed = undefined))}
      />{/if}
    <Field label="Name" name="name" bind:value={typed.name} {wrong} />
    <div>
      <p class="head">Drawn as</p>
      <Choice label="Drawn as" options={SORTS} value={typed.sort} onset={as} />
    </div>
    <div class="grid grid-cols-2 gap-3">
      <Field label="Shelves" name="shelves" type="number" bind:value={typed.shelves} {wrong} />
      <Field
        label="How wide, {larder.us ? 'in' : 'cm'}"
        name="width_mm"
        type="number"
        bind:value={() => wideOf(typed.width_mm), (wide) => (typed.width_mm = (typeof wide === "number" ? wide * per : wide) as number)}
        {wrong}
      />
      <Degrees label="Mean of the year" name="mean_c" bind:celsius={typed.mean_c} {wrong} />
      <Degrees label="At its warmest" name="warmest_c" bind:celsius={typed.warmest_c} {wrong} />
      <Field
        label="Humidity, %"
        name="humidity"
        type="number"
        bind:value={() => humidOf(typed.humidity), (each) => (typed.humidity = (typeof each === "number" ? each / 100 : each) as number)}
        {wrong}
      />
      <div>
        <label class="head block" for="warmest-month">Warmest in</label>
        <select id="warmest-month" class="field mt-1" bind:value={typed.warmest_month}>
          {#each MONTHS as month, n (month)}<option value={n + 1}>{month}</option>{/each}
        </select>
      </div>
    </div>
    <label class="flex min-h-11 items-center gap-3">
      <input type="checkbox" class="size-6 accent-ink" bind:checked={typed.dark} />
      <span>It is dark there<span class="caption block">Daylight ages what stands in glass and clear film</span></span>
    </label>
    <p class="caption">Heat is what ages food: below 21 °C (70 °F) is good, 10–16 °C (50–60 °F) best. Swings hurt less than heat.</p>
    <Refusal {wrong} of={["request", "number", "to"]} />
    <button class="do" type="submit">{place ? "Save" : "Add it"}</button>
  </form>
  {#if place}
    <div class="mt-5 grid gap-3 border-t border-line pt-4">
      {#if place.kept && others.length}
        <div>
          <p class="head">Move all {place.kept} to</p>
          <Choice label="Move all to" options={others.map((each) => [each.id, each.name] as const)} value={to ?? others[0]?.id} onset={(each) => (to = each)} />
        </div>
        <button class="chip" onclick={moveAll}>Move all of it</button>
      {:else if others.length}
        <p class="caption">Nothing stands here. What once stood here keeps it in its history.</p>
        <button class="chip away" onclick={remove}>Remove this place</button>
      {/if}
    </div>
  {/if}
</Sheet>
