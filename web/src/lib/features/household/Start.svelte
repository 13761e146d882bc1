<!-- A new larder's first questions: few, with an answer to each already, and all to be changed later. -->
<script lang="ts">
  import { goto } from "$app/navigation";
  import { api, ask, basedOn, type Schemas, type Wrong } from "$lib/api/client";
  import { larder } from "$lib/state/larder.svelte";
  import { stayed } from "$lib/state/stayed";
  import { query } from "$lib/state/query.svelte";
  import Choice from "$lib/ui/Choice.svelte";
  import Field from "$lib/ui/Field.svelte";
  import Page from "$lib/ui/Page.svelte";
  import { FEELS, feltAs, HEIGHTS, measuresOf, type Feel } from "./warmth";
  import Refusal from "$lib/ui/Refusal.svelte";

  const seen = query((signal) => ask(api.GET("/api/household", { signal })));
  const first = query((signal) => ask(api.GET("/api/places/{number}", { params: { path: { number: 1 } }, signal })));

  const SORTS = [
    ["cupboard", "cupboard or pantry"],
    ["cellar", "cellar or basement"],
    ["loft", "loft, garage, shed"],
  ] as const;
  /** What is said differently before the larder knows the measures. */
  const SAID = { US: { coin: "$", millilitre: "cc" }, metric: { coin: "€", millilitre: "mL" } } as const;
  const SIZES = [100, 200, 300, 500, 1000, 2000];

  let typed = $state<Schemas["Settings"]>();
  let place = $state({ name: "Pantry", sort: "cupboard" as string, dark: false });
  /** How warm it is there; nothing leaves what is known of it as it is. */
  let feel = $state<Feel>();
  let wrong = $state<Wrong>({});

  $effect(() => {
    const now = seen.data;
    if (!now || typed) return;
    const untouched = now.version === 1;
    const units = untouched ? measuresOf(navigator.language) : now.settings.units;
    typed = { ...now.settings, units };
  });

  let began = false;
  $effect(() => {
    const now = first.data?.place;
    if (!now || began || !seen.data) return;
    began = true;
    place = { name: now.name, sort: now.sort ?? "cupboard", dark: now.dark ?? false };
    if (seen.data.version === 1) feel = "mild";
  });

  function toggle(size: number) {
    if (!typed) return;
    const sizes = typed.packet_sizes ?? [];
    typed.packet_sizes = sizes.includes(size) ? sizes.filter((each) => each !== size) : [...sizes, size];
  }

  async function begin(event: SubmitEvent) {
    event.preventDefault();
    if (!typed || !seen.data) return;
    const here = stayed();
    const kept = await ask(api.PUT("/api/household", { params: { header: basedOn(seen.data.version) }, body: typed }));
    wrong = kept.wrong ?? {};
    if (kept.wrong) return;
    // If the place is refused, what is changed then is based on what was just kept.
    await seen.again();
    const now = first.data?.place;
    if (now) {
      const body = { ...now, ...place, ...(feel ? feltAs(feel) : {}) };
      const put = await ask(api.PUT("/api/places/{number}", { params: { path: { number: 1 } }, body }));
      // What is so already needs no change.
      wrong = put.wrong && !put.wrong.request ? put.wrong : {};
      if (Object.keys(wrong).length) return;
    }
    await larder.changed();
    if (here()) await goto("/shelves/coming-in");
  }
</script>

<Page title="Begin here" of={seen}>
  {#if typed}
    <div class="min-h-0 flex-1 lg:overflow-y-auto">
      <section class="mx-auto w-full max-w-2xl px-4 pt-6 pb-24 sm:px-6" aria-label="Begin here">
        <h1 class="text-5xl">Begin here</h1>
        <p class="caption">Five questions, each answered already: change what is not so. All of it can be changed later, under Household and Shelves.</p>
        <form class="mt-6 grid gap-6" onsubmit={begin} novalidate>
          <div>
            <h2 class="text-2xl">How do you measure?</h2>
            <Choice
              label="Measures"
              options={[
                ["US", "pounds, quarts, inches, °F"],
                ["metric", "kilograms, litres, centimetres, °C"],
              ] as const}
              value={typed.units}
              onset={(units) => typed && (typed.units = units)}
            />
            <div class="mt-3 grid grid-cols-2 gap-3">
              <Field label="Currency" name="currency" bind:value={typed.currency as string} {wrong} placeholder={SAID[typed.units ?? "metric"].coin} />
              <Field label="People who eat here" name="people" type="number" bind:value={typed.people as number} {wrong} />
            </div>
          </div>
          <div>
            <h2 class="text-2xl">Where does the food stand?</h2>
            <div class="mt-1 grid gap-3">
              <Field label="What you call it" name="name" bind:value={place.name} {wrong} />
              <Choice label="What it is" options={SORTS} value={place.sort} onset={(sort) => (place.sort = sort)} />
              <div>
                <p class="head">How warm is it there?</p>
                <Choice
                  label="How warm is it there?"
                  options={FEELS.map(([key, says]) => [key, says] as const)}
                  value={feel}
                  onset={(each) => (feel = each)}
                  row="mt-1 grid gap-2 sm:grid-cols-2"
                />
              </div>
              <label class="flex min-h-11 items-center gap-3">
                <input type="checkbox" class="size-6 accent-ink" bind:checked={place.dark} />
                <span>It is dark there<span class="caption block">Daylight ages what stands in glass and clear film</span></span>
              </label>
            </div>
          </div>
          <div>
            <h2 class="text-2xl">How high do you live?</h2>
            <Choice label="How high do you live?" options={HEIGHTS} value={typed.altitude_m as number} onset={(high) => typed && (typed.altitude_m = high)} />
            <p class="caption mt-1">Thin air has less oxygen in it, for absorbers and for vacuum.</p>
          </div>
          <div>
            <h2 class="text-2xl">Which absorbers do you keep?</h2>
            <div class="mt-1 flex flex-wrap gap-2" role="group" aria-label="Absorbers you keep">
              {#each SIZES as size (size)}
                <button type="button" class="chip min-w-16" aria-pressed={typed.packet_sizes?.includes(size)} onclick={() => toggle(size)}
                  >{size} {SAID[typed.units ?? "metric"].millilitre}</button
                >
              {/each}
            </div>
            <Refusal {wrong} of="packet_sizes" class="mt-1" />
          </div>
          <Refusal {wrong} of="request" />
          <div class="flex flex-wrap items-center gap-3">
            <button class="do" type="submit">On to what is there already</button>
            <a class="chip" href="/bench">Skip this</a>
          </div>
        </form>
      </section>
    </div>
  {/if}
</Page>
