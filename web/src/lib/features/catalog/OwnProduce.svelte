<!-- A fresh food that no table knows, to be dried: only what is known of it, the rest as of what it is most like. -->
<script lang="ts">
  import { api, ask, asRead, basedOn, type Schemas, type Wrong } from "$lib/api/client";
  import { readCelsius, typedCelsius } from "$lib/format/degrees";
  import { sent } from "$lib/format/numbers";
  import { larder } from "$lib/state/larder.svelte";
  import { latest } from "$lib/state/latest";
  import { untilLeft } from "$lib/state/left";
  import Field from "$lib/ui/Field.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { untrack } from "svelte";
  import FoodPick from "./FoodPick.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let {
    open = $bindable(false),
    name = "",
    frozen = false,
    number,
    onadded,
  }: {
    open?: boolean;
    name?: string;
    /** Whether it goes into the freeze dryer. */
    frozen?: boolean;
    /** The fresh food to put right; none to add one. */
    number?: number | undefined;
    onadded: (name: string) => void;
  } = $props();

  const FREEZE_DRIED = "freeze-dried ";

  let foods = $state.raw<Schemas["ProduceName"][]>([]);
  let ready = $state(false);
  let called = $state("");
  let like = $state("");
  let cut = $state("");
  let water = $state<number | string | null>(null);
  let thickness = $state("");
  let air = $state("");
  let from = $state<number | string | null>(null);
  let to = $state<number | string | null>(null);
  let weighs = $state("");
  let dried = $state("");
  let version = $state<number>();
  let read = $state.raw<Schemas["ProduceView"]>();
  let wrong = $state<Wrong>({});

  $effect(() => {
    if (!open) return void (ready = false);
    const wanted = number;
    return untrack(() => untilLeft((left) => begin(wanted, left)));
  });

  async function begin(wanted: number | undefined, signal: AbortSignal) {
    const known = frozen ? api.GET("/api/produce/freeze-dried", { signal }) : api.GET("/api/produce", { signal });
    const kept = wanted === undefined ? undefined : ask(api.GET("/api/produce/{number}", { params: { path: { number: wanted } }, signal }));
    const [names, own] = await Promise.all([ask(known), kept]);
    if (signal.aborted) return;
    foods = names.data ?? [];
    [called, like, cut, water, thickness, air, from, to, weighs, dried] = [name, "", "", null, "", "", null, null, "", ""];
    [read, version, wrong] = [undefined, undefined, names.wrong ?? own?.wrong ?? {}];
    if (own?.data) show(own.data);
    ready = true;
  }

  function show(data: Schemas["ProduceAsTyped"]) {
    const { produce } = data;
    [called, like, cut, water, thickness] = [produce.name, produce.like, produce.cut ?? "", produce.water ?? null, produce.thickness ?? ""];
    [air, from, to] = [typedCelsius(produce.air_c ?? null, larder.us), produce.hours_low ?? null, produce.hours_high ?? null];
    [weighs, dried, version] = [produce.weighs ?? "", produce.dried ?? "", data.version];
  }

  const asked = (): Schemas["AskedProduce"] => ({
    name: called.trim(),
    like,
    cut,
    water: sent(water),
    thickness,
    air_c: readCelsius(air, larder.us) as number | null,
    hours_low: sent(from),
    hours_high: sent(to),
    weighs,
    dried,
  });

  const reread = latest(async () => {
    if (!like || frozen) return void (read = undefined);
    const before = wrong;
    const answered = await ask(api.POST("/api/produce/read", { body: asked() }));
    wrong = asRead(answered.wrong, before, wrong);
    if (answered.data) read = answered.data;
  });

  $effect(() => {
    void [like, called, cut, water, thickness, air, from, to, weighs];
    untrack(() => void reread());
  });

  const freezeDried = () =>
    ask(
      api.POST("/api/foods", { body: { name: called.trim() && FREEZE_DRIED + called.trim(), like, fresh_water_g: sent(water), measure: "1 cup", weighs: "" } }),
    );

  const kept = () =>
    ask(
      number === undefined
        ? api.POST("/api/produce", { body: asked() })
        : api.PUT("/api/produce/{number}", { params: { path: { number }, header: basedOn(version) }, body: asked() }),
    );

  async function save(event: SubmitEvent) {
    event.preventDefault();
    const done = frozen ? await freezeDried() : await kept();
    wrong = done.wrong ?? {};
    if (!done.data) return;
    await larder.changed();
    open = false;
    larder.say(`${done.data.name} ${number !== undefined ? "is put right" : frozen ? "is in the table now" : "can be dried now"}`);
    onadded(done.data.name.replace(FREEZE_DRIED, ""));
  }

  const likeness = $derived(foods.find((food) => food.key === like)?.name ?? "it");
</script>

<Sheet bind:open title={number === undefined ? "A fresh food of your own" : "Put it right"} wide {ready}>
  <form class="grid gap-4 sm:grid-cols-2" onsubmit={save} novalidate>
    <Field label="Name, as it is fresh" name="name" bind:value={called} {wrong} />
    <FoodPick label="Most like, cut and dried" name="like" {foods} bind:value={like} near={called} hint="kale, apricots, mushrooms…" {wrong} />
    {#if frozen}
      <Field label="Water in it, %" name="water" type="number" bind:value={water} {wrong} placeholder={like && `as ${likeness}`} />
    {:else}
      <fieldset class="sm:col-span-2">
        <legend class="head">Only what you know</legend>
        <p class="caption">
          {read ? `What is empty is taken from ${likeness}. Weighing the trays tells more with every load.` : "First say what it is most like."}
        </p>
        <div class="mt-1 grid grid-cols-2 items-start gap-3 sm:grid-cols-3">
          <Field label="Cut" name="cut" bind:value={cut} {wrong} placeholder={read?.cut ?? ""} />
          <Field label="How thick" name="thickness" bind:value={thickness} {wrong} placeholder={read?.thickness ?? ""} />
          <Field label="Water in it, %" name="water" type="number" bind:value={water} {wrong} placeholder={read?.water_pct.toFixed(0) ?? ""} />
          <Field label="Air, {larder.us ? '°F' : '°C'}" name="air_c" bind:value={air} {wrong} placeholder={read?.air ?? ""} />
          <Field label="Takes, hours, from" name="hours_low" type="number" bind:value={from} {wrong} placeholder={read?.hours_low ?? ""} />
          <Field label="to" name="hours_high" type="number" bind:value={to} {wrong} placeholder={read?.hours_high ?? ""} />
          <Field label="One of them weighs" name="weighs" bind:value={weighs} {wrong} placeholder="if you count them" />
        </div>
      </fieldset>
      {#if read}
        <p class="sm:col-span-2">
          {read.gives}.
          {#if called.trim()}It becomes <strong>{read.becomes}</strong>{read.is_new
              ? `, which is in the table from then on; keeps as dried ${likeness}.`
              : "."}{/if}
        </p>
      {/if}
    {/if}
    {#if number !== undefined}<p class="caption sm:col-span-2">It is so from now on, for what is in the dryer as well.</p>{/if}
    <Refusal {wrong} of={["request", "number"]} class="sm:col-span-2" />
    <div class="flex justify-end sm:col-span-2">
      <button class="do" type="submit" disabled={!foods.length || (number !== undefined && version === undefined)}
        >{number === undefined ? "Add it" : "Save"}</button
      >
    </div>
  </form>
</Sheet>
