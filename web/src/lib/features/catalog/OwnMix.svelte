<!-- A mix: what is in it, a line each, and what that comes to. -->
<script lang="ts">
  import { api, ask, asRead, basedOn, type Schemas, type Wrong } from "$lib/api/client";
  import { larder } from "$lib/state/larder.svelte";
  import { latest } from "$lib/state/latest";
  import Field from "$lib/ui/Field.svelte";
  import { renamed } from "$lib/format/words";
  import { untrack } from "svelte";
  import Refusal from "$lib/ui/Refusal.svelte";
  import Nearest from "$lib/ui/Nearest.svelte";

  let {
    name,
    number,
    own,
    onadded,
  }: {
    name: string;
    /** The mix to put right, and as the larder has it; none to add one. */
    number?: number | undefined;
    own?: Schemas["MixAsTyped"] | undefined;
    onadded: (food: Schemas["Added"]) => void;
  } = $props();

  const EXAMPLE = "2 cups red lentils\n1 cup white rice\n¼ cup dried onions\n2 tbsp salt";

  const begun = untrack(() => ({ name, ...own?.mix }));
  let called = $state(begun.name);
  let lines = $state(begun.lines ?? "");
  let measure = $state(begun.measure ?? "1 cup");
  let weighs = $state(begun.weighs ?? "");
  let read = $state.raw<Schemas["MixView"]>();
  let wrong = $state<Wrong>({});

  const asked = (): Schemas["AskedMix"] => ({ name: called, lines, measure, weighs });
  const id = $props.id();

  const reread = latest(async () => {
    const before = wrong;
    const answered = await ask(api.POST("/api/mixes/read", { body: { ...asked(), name: called.trim() || "?" } }));
    wrong = asRead(answered.wrong, before, wrong);
    if (answered.data) read = answered.data;
  });

  $effect(() => {
    void [lines, measure, weighs];
    untrack(() => void reread());
  });

  async function save(event: SubmitEvent) {
    event.preventDefault();
    const done = await ask(
      number === undefined
        ? api.POST("/api/mixes", { body: asked() })
        : api.PUT("/api/mixes/{number}", { params: { path: { number }, header: basedOn(own?.version) }, body: asked() }),
    );
    wrong = done.wrong ?? {};
    if (done.data) onadded(done.data);
  }

  /** Where one line of the mix is to name another food. */
  function mean(line: Schemas["MixLine"], food: string) {
    const words = line.text.replace(/^[\d.,½¼¾⅓⅔\s/%x×]*(?:[a-z]+\s+)?/i, "");
    lines = lines
      .split("\n")
      .map((each) => (each.trim().replace(/\s+/g, " ") === line.text ? renamed(each, words, food) : each))
      .join("\n");
  }

  const comesTo = $derived(read?.comes_to);
  const parts = $derived(read?.lines.filter((line) => line.share > 0) ?? []);
  const figures = $derived(
    comesTo
      ? ([
          [`${comesTo.kcal} kcal`, "energy"],
          [`${comesTo.protein_g} g`, "protein"],
          [`${comesTo.fat_g} g`, "fat"],
          [`${comesTo.carbohydrate_g} g`, "carbohydrate"],
          [`${comesTo.fibre_g} g`, "of it fibre"],
          [`${comesTo.water_g} g`, "water"],
        ] as const)
      : [],
  );
</script>

<form class="grid gap-x-6 gap-y-4 sm:grid-cols-2" onsubmit={save} novalidate>
  <div class="grid content-start gap-4">
    <Field label="Name" name="name" bind:value={called} {wrong} placeholder="red soup mix" />
    <div>
      <label class="head block" for={id}>What is in it, a line each</label>
      <textarea
        {id}
        class="field mt-1 min-h-40"
        rows="6"
        placeholder={EXAMPLE}
        bind:value={lines}
        aria-invalid={wrong.lines ? "true" : undefined}
        aria-describedby="{id}-note"
        spellcheck="false"></textarea>
      <p id="{id}-note" class={wrong.lines ? "wrong" : "caption"}>
        {wrong.lines ? wrong.lines.message : "Cups, spoons or weights; or shares of the weight, as 40 % red lentils."}
      </p>
    </div>
    <div class="grid grid-cols-2 items-start gap-3">
      <Field label="This much, loose" name="measure" bind:value={measure} {wrong} />
      <Field label="weighs, if weighed" name="weighs" bind:value={weighs} {wrong} placeholder={comesTo?.cup || (larder.us ? "6.5 oz" : "185 g")} />
    </div>
  </div>
  <div aria-live="polite">
    {#if read?.lines.length}
      <ul>
        {#each read.lines as line, n (n)}
          <li class="border-b border-line py-1.5">
            <div class="flex items-baseline justify-between gap-3">
              <span class={line.wrong ? "font-semibold text-rust" : ""}>{line.food || line.text}</span>
              <span class="whitespace-nowrap text-soft"
                >{#if !line.wrong}{line.mass} <b class="ml-2 inline-block min-w-12 text-right text-ink">{Math.round(line.share * 100)} %</b>{/if}</span
              >
            </div>
            {#if line.wrong}
              <p class="caption">{line.wrong}</p>
              <Nearest names={line.nearest} onname={(name) => mean(line, name)} />
            {/if}
          </li>
        {/each}
      </ul>
      <svg viewBox="0 0 100 8" class="mt-3 h-6 w-full" preserveAspectRatio="none" aria-hidden="true">
        {#each parts as line, n (n)}
          {@const before = parts.slice(0, n).reduce((sum, each) => sum + each.share, 0)}
          <rect
            x={before * 100}
            width={line.share * 100}
            height="8"
            fill={line.colour}
            stroke="var(--ink)"
            stroke-width=".5"
            vector-effect="non-scaling-stroke"
          />
        {/each}
      </svg>
      <Refusal wrong={read.wrong} class="mt-2" />
      <dl class="mt-3 grid grid-cols-3 gap-x-4 gap-y-2">
        {#each figures as [figure, words] (words)}<div>
            <dt class="caption">{words}</dt>
            <dd class="font-bold">{figure}</dd>
          </div>{/each}
      </dl>
      {#if comesTo}<p class="mt-3 text-md">In 100 g. A cup of it weighs {weighs ? "" : "about "}{comesTo.cup}.</p>{/if}
      {#if read.keeps}<p class="mt-1 text-md">{read.keeps}</p>{/if}
      {#if comesTo?.traits.length}<p class="caption mt-1">The rules know it as {comesTo.traits.join(", ")}.</p>{/if}
    {:else}
      <p class="caption">What it comes to shows here: energy, protein, how long it keeps.</p>
    {/if}
  </div>
  {#if number !== undefined}<p class="caption sm:col-span-2">
      It is so from now on, in other mixes as well. What is packed already keeps the figures it was packed with.
    </p>{/if}
  <Refusal {wrong} of="request" class="sm:col-span-2" />
  <div class="flex justify-end sm:col-span-2">
    <button class="do" type="submit">{number === undefined ? "Add it" : "Save"}</button>
  </div>
</form>
