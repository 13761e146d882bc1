<!-- Writing a supply down: what sort, which one, how many. -->
<script lang="ts">
  import { sentCount } from "$lib/format/numbers";
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import Field from "$lib/ui/Field.svelte";
  import { sinceTold } from "$lib/state/draft";
  import { larder } from "$lib/state/larder.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { containers, packets, us }: { containers: Schemas["ContainerRow"][]; packets: Schemas["PacketRow"][]; us: boolean } = $props();

  type Sort = Schemas["Sort"];
  const SORTS: Sort[] = ["packets", "bags", "pouches", "jars", "lids", "pails", "bottles and cans", "desiccant", "tools"];
  const KINDS: Partial<Record<Sort, string[]>> = {
    bags: ["bag", "zip bag", "clear-front bag"],
    pouches: ["vacuum pouch"],
    jars: ["jar"],
    pails: ["pail", "pail with liner", "tote"],
    "bottles and cans": ["bottle", "can"],
  };
  const none = () => ({ key: "", size: "", name: "", count: "", per: "10", cost: "", low: "" });

  let sort = $state<Sort>("packets");
  let form = $state(none());
  let wrong = $state<Wrong>({});

  const rows = $derived(containers.filter((row) => KINDS[sort]?.includes(row.kind)));
  const own = $derived((sort === "bags" || sort === "lids") && form.key === "own");

  function pick(next: Sort) {
    sort = next;
    wrong = {};
    form = { ...none(), count: form.count };
  }

  /** What is meant where nothing was picked: the first of the list. */
  const usual = () => (sort === "packets" ? String(packets[0]?.size_ml ?? "") : sort === "lids" ? "regular" : (rows[0]?.key ?? ""));

  async function add(event: Event) {
    event.preventDefault();
    const told = $state.snapshot(form);
    const body: Schemas["NewSupply"] = {
      sort,
      key: own ? "" : form.key || usual(),
      size: own ? form.size : "",
      name: form.name,
      count: sentCount(form.count) ?? 0,
      per_pack: sentCount(form.per) ?? 0,
      cost: form.cost,
      low: sentCount(form.low) ?? 0,
      note: "",
      came_on: null,
    };
    const done = await ask(api.POST("/api/supplies", { body }));
    wrong = done.wrong ?? {};
    if (done.wrong) return;
    form = sinceTold(form, told, none());
    await larder.changed();
  }
</script>

<form onsubmit={add} novalidate class="grid gap-3">
  <div>
    <label class="head block" for="supply-sort">What is it?</label>
    <select id="supply-sort" class="field mt-1" value={sort} onchange={(event) => pick(event.currentTarget.value as Sort)}
      >{#each SORTS as each (each)}<option value={each}>{each === "packets" ? "absorbers" : each}</option>{/each}</select
    >
  </div>
  {#if sort === "packets"}
    <div class="grid grid-cols-2 items-end gap-2">
      <div>
        <label class="head block" for="supply-key">Rated</label>
        <select id="supply-key" class="field mt-1" bind:value={form.key}
          ><option value="">{packets[0]?.size_ml} mL</option>{#each packets.slice(1) as row (row.size_ml)}<option value={String(row.size_ml)}
              >{row.size_ml} mL</option
            >{/each}</select
        >
      </div>
      <Field label="In one inner pack" name="per_pack" bind:value={form.per} {wrong} />
    </div>
  {:else if rows.length}
    <div>
      <label class="head block" for="supply-key">Which</label>
      <select id="supply-key" class="field mt-1" bind:value={form.key}>
        <option value="">{rows[0]?.name}, {rows[0]?.size}</option>
        {#each rows.slice(1) as row (row.key)}<option value={row.key}>{row.name}, {row.size}</option>{/each}
        {#if sort === "bags"}<option value="own">another flat size …</option>{/if}
      </select>
    </div>
    {#if own}<Field label="Flat size" name="size" bind:value={form.size} {wrong} placeholder={us ? "10 × 14 in" : "25 × 35 cm"} />{/if}
  {:else if sort === "lids"}
    <div>
      <label class="head block" for="supply-key">For which mouth</label>
      <select id="supply-key" class="field mt-1" bind:value={form.key}
        ><option value="">regular, 70 mm (2¾ in)</option><option value="wide">wide, 86 mm (3⅜ in)</option><option value="own">another …</option></select
      >
    </div>
    {#if own}<Field label="What they are called" name="name" bind:value={form.name} {wrong} placeholder="bottle caps" />{/if}
  {:else if sort === "desiccant"}
    <Field label="Grams of gel in one" name="key" bind:value={form.key} {wrong} placeholder="10" />
  {:else}
    <Field label="What it is called" name="name" bind:value={form.name} {wrong} placeholder="straight iron" />
  {/if}
  <div class="grid grid-cols-3 items-end gap-2">
    <Field label={sort === "packets" ? "Closed packs" : "How many"} name="count" bind:value={form.count} {wrong} placeholder="0" />
    <Field label={sort === "packets" ? "A pack cost" : "One cost"} name="cost" bind:value={form.cost} {wrong} placeholder="not said" />
    <Field label="Low at" name="low" bind:value={form.low} {wrong} placeholder="never" />
  </div>
  <Refusal {wrong} of={["key", "request", ...(["lids", "tools"].includes(sort) ? [] : ["name"])]} />
  <button class="chip on justify-self-start">Save</button>
</form>
