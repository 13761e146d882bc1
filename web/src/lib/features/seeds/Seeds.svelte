<!-- Seeds for planting: how many come, how thick to sow, what to test. -->
<script lang="ts">
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import { sent, sentCount } from "$lib/format/numbers";
  import { larder } from "$lib/state/larder.svelte";
  import { all, query } from "$lib/state/query.svelte";
  import Choice from "$lib/ui/Choice.svelte";
  import Field from "$lib/ui/Field.svelte";
  import Page from "$lib/ui/Page.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import Curve from "./Curve.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";
  import Nearest from "$lib/ui/Nearest.svelte";

  type Seed = Schemas["SeedView"];
  const STORES: Schemas["Store"][] = ["paper packet", "closed jar", "closed jar with silica gel"];

  const seen = query((signal) => all({ seeds: ask(api.GET("/api/seeds", { signal })), places: ask(api.GET("/api/places", { signal })) }), { key: "seeds" });
  const seeds = $derived(seen.data?.seeds ?? []);
  const places = $derived(seen.data?.places ?? []);

  const none = (): Schemas["AskedSeed"] => ({
    name: "",
    kind: "",
    harvested: "",
    own: true,
    amount: "",
    store: "paper packet",
    place: null,
    moisture_pct: null,
  });
  let kinds = $state.raw<Schemas["SeedKindView"][]>([]);
  let form = $state(none());
  let adding = $state(false);
  let wrong = $state<Wrong>({});
  /** What is done with which seeds. */
  let of = $state<Seed>();
  let doing = $state<"test" | "store" | "count">("test");
  let open = $state(false);
  let test = $state({ sown: "10", came: "", on: "" });
  let store = $state<{ store: Schemas["Store"]; place: number; moisture: string | number | null }>({ store: "paper packet", place: 1, moisture: null });
  let amount = $state("");

  function begin() {
    form = none();
    wrong = {};
    adding = true;
    if (!kinds.length) void ask(api.GET("/api/seeds/kinds")).then(({ data }) => (kinds = data ?? []));
  }

  function act(what: typeof doing, seed: Seed) {
    [of, doing, open, wrong] = [seed, what, true, {}];
    test = { sown: "10", came: "", on: "" };
    store = { store: seed.store, place: seed.place, moisture: null };
    amount = String(seed.count);
  }

  async function done(answer: { wrong?: Wrong | undefined }, says: string) {
    wrong = answer.wrong ?? {};
    if (answer.wrong) return;
    open = adding = false;
    await larder.changed();
    larder.say(says);
  }

  async function add(event: SubmitEvent) {
    event.preventDefault();
    const body = { ...$state.snapshot(form), moisture_pct: sent(form.moisture_pct) as number | null };
    await done(await ask(api.POST("/api/seeds", { body })), `${form.name} is in`);
  }

  async function save(event: SubmitEvent) {
    event.preventDefault();
    if (!of) return;
    const params = { path: { number: of.number } };
    const based = { ...params, header: { "If-Match": of.version } };
    if (doing === "test") {
      const body = { sown: sentCount(test.sown) ?? 0, came: sentCount(test.came) ?? -1, on: test.on || null };
      await done(await ask(api.POST("/api/seeds/{number}/tests", { params, body })), "Written down: it goes by the test from here on");
    } else if (doing === "store") {
      const body = { store: store.store, place: store.place, moisture_pct: sent(store.moisture) as number | null };
      await done(await ask(api.PUT("/api/seeds/{number}/store", { params: based, body })), "Kept so from today on");
    } else await done(await ask(api.PUT("/api/seeds/{number}/count", { params: based, body: { amount } })), "Counted");
  }

  async function remove(seed: Seed) {
    const params = { path: { number: seed.number }, header: { "If-Match": seed.version } };
    await larder.tell(ask(api.DELETE("/api/seeds/{number}", { params })), `${seed.name} removed`);
  }

  const TITLES = { test: "Germination test", store: "Keep them otherwise", count: "How many are left" };
</script>

<Page title="Seeds" of={seen}>
  <div class="min-h-0 flex-1 lg:overflow-y-auto">
    <section class="mx-auto w-full max-w-4xl px-4 pt-4 pb-16 sm:px-6" aria-label="Seeds for planting">
      <a class="font-semibold text-soft underline" href="/shelves">Shelves</a>
      <div class="flex flex-wrap items-end justify-between gap-3">
        <h1 class="text-5xl">Seeds</h1>
        <button class="do" onclick={begin}>Add seeds</button>
      </div>
      <p class="caption max-w-2xl">
        For planting, not for the pot. Each 5 °C (9 °F) cooler and each 1 % of moisture less about doubles their life (Harrington); what a test showed counts
        more than any table. What germinates worst stands first.
      </p>
      {#if seeds.length}
        <ul class="mt-4 border-t-2 border-ink">
          {#each seeds as seed (seed.number)}
            <li class="grid gap-x-8 gap-y-3 border-b border-line py-4 md:grid-cols-[1fr_20rem]">
              <div class="min-w-0">
                <h2 class="text-2xl break-words">{seed.name}</h2>
                <p class="caption">
                  {seed.kind_name} · {seed.own ? "own" : "bought"}, {seed.harvested} · {seed.amount} · {seed.store}, {seed.place_name} · {seed.moisture_pct.toFixed(
                    1,
                  )} % moisture
                </p>
                <p class="mt-2 text-lg leading-snug">
                  <b class={seed.is_let_go ? "text-rust" : ""}>{seed.says}</b>
                  {seed.sow}
                </p>
                <p class="text-md text-soft">{seed.half_by} {seed.lives}</p>
                {#if seed.wants_test}<p class="mt-1 font-semibold">Nobody has tested these for a year: ten on damp paper tell how many come.</p>{/if}
                {#each seed.cautions as line, n (n)}<p class="mt-1 font-semibold text-rust">{line}</p>{/each}
                {#if seed.tests.length}
                  <ul class="mt-1 text-md">
                    {#each seed.tests as each, n (n)}<li>{each.on}: {each.says}</li>{/each}
                  </ul>
                {/if}
                <div class="mt-3 flex flex-wrap gap-2">
                  <button class="chip on" onclick={() => act("test", seed)}>Test…</button>
                  <button class="chip" onclick={() => act("count", seed)}>Count…</button>
                  <button class="chip" onclick={() => act("store", seed)}>Keep otherwise…</button>
                  <button class="chip" onclick={() => void remove(seed)}>Remove</button>
                </div>
              </div>
              <Curve {seed} />
            </li>
          {/each}
        </ul>
      {:else if seen.data}
        <p class="mt-6 text-lg">No seeds yet. Write what is in the tin: kind, year, how many. Ten of them on damp paper in the warmth tell how many come.</p>
      {/if}
    </section>
  </div>

  <Sheet bind:open={adding} title="Seeds">
    <form class="grid gap-4" onsubmit={add} novalidate>
      <Field label="Name" name="name" bind:value={form.name} {wrong} placeholder="carrot, long red" />
      <div>
        <label class="head block" for="seed-kind">Lives as long as</label>
        <select id="seed-kind" class="field mt-1" bind:value={form.kind} aria-invalid={wrong.kind ? "true" : undefined}>
          <option value="">its name says it</option>
          {#each kinds as kind (kind.key)}<option value={kind.key}>{kind.name}, {kind.lives}</option>{/each}
        </select>
        <Refusal {wrong} of="kind" class="mt-1" />
        <Nearest names={wrong.kind?.nearest} onname={(name) => (form.kind = kinds.find((each) => each.name === name)?.key ?? "")} />
      </div>
      <div class="grid gap-3 sm:grid-cols-2">
        <Field label="Harvested" name="harvested" bind:value={form.harvested} {wrong} placeholder="2024, or Sep 2024" />
        <Field label="How many, or what they weigh" name="amount" bind:value={form.amount} {wrong} placeholder={larder.us ? "200, or ½ oz" : "200, or 15 g"} />
      </div>
      <Choice
        label="Where they are from"
        options={[
          [true, "saved at home"],
          [false, "bought"],
        ] as const}
        value={!!form.own}
        onset={(own) => (form.own = own)}
      />
      <div>
        <p class="head">Kept in</p>
        <Choice label="Kept in" options={STORES} value={form.store} onset={(next) => (form.store = next)} />
      </div>
      <div class="grid gap-3 sm:grid-cols-2">
        <div>
          <label class="head block" for="seed-place">Where</label>
          <select id="seed-place" class="field mt-1" bind:value={form.place}>
            {#each places as place, n (place.id)}<option value={n ? place.id : null}>{place.name}</option>{/each}
          </select>
        </div>
        <Field label="Moisture, %, if measured" name="moisture_pct" type="number" bind:value={form.moisture_pct} {wrong} />
      </div>
      <Refusal {wrong} of="request" />
      <div class="flex justify-end"><button class="do" type="submit">Add</button></div>
    </form>
  </Sheet>

  <Sheet bind:open title={TITLES[doing]}>
    {#if of}
      <form class="grid gap-4" onsubmit={save} novalidate>
        <p><b>{of.name}</b>, {of.harvested}</p>
        {#if doing === "test"}
          <p class="text-md">
            Lay ten on damp paper, roll it up, keep it warm in a bag, and count what came after a week or two. Ten tell little; fifty or a hundred tell much
            more.
          </p>
          <div class="grid grid-cols-2 gap-3">
            <Field label="Laid out" name="sown" bind:value={test.sown} {wrong} />
            <Field label="Came" name="came" bind:value={test.came} {wrong} />
          </div>
          <Field label="Counted on" name="on" type="date" bind:value={test.on} {wrong} hint="Empty for today" />
        {:else if doing === "store"}
          <Choice label="Kept in" options={STORES} value={store.store} onset={(next) => (store.store = next)} />
          <div>
            <label class="head block" for="seed-to">Where</label>
            <select id="seed-to" class="field mt-1" bind:value={store.place}>
              {#each places as place (place.id)}<option value={place.id}>{place.name}</option>{/each}
            </select>
          </div>
          <Field label="Moisture, %, if measured" name="moisture_pct" type="number" bind:value={store.moisture} {wrong} />
          <Refusal {wrong} of="store" />
        {:else}
          <Field label="How many, or what they weigh" name="amount" bind:value={amount} {wrong} />
        {/if}
        <Refusal {wrong} of="request" />
        <div class="flex justify-end"><button class="do" type="submit">Save</button></div>
      </form>
    {/if}
  </Sheet>
</Page>
