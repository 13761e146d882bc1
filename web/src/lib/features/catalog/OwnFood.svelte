<!-- A food of one's own, with the figures the rules need; what it is like fills in the rest. -->
<script lang="ts">
  import { sent } from "$lib/format/numbers";
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import Field from "$lib/ui/Field.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import { untrack } from "svelte";

  let { open = $bindable(false), name = "", onadded }: { open?: boolean; name?: string; onadded: (name: string, key: string) => void } = $props();

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

  let own = $state({ name: "", like: "pearl-barley", litre_g: 0 });
  let figures = $state<Record<(typeof PARTS)[number][0], number>>({ kcal: 0, protein_g: 0, fat_g: 0, carbohydrate_g: 0, fibre_g: 0, water_g: 0 });
  let traits = $state<Schemas["Trait"][]>([]);
  let wrong = $state<Wrong>({});

  let table = $state.raw<Schemas["FoodRow"][]>([]);

  $effect(() => {
    if (open) {
      untrack(() => {
        own.name = name;
        wrong = {};
        void read();
      });
    }
  });

  async function read() {
    if (!table.length) table = ((await ask(api.GET("/api/reference/foods"))).data ?? []).filter((food) => !food.key.startsWith("own-"));
    copy();
  }

  function copy() {
    const like = table.find((food) => food.key === own.like);
    if (!like) return;
    for (const [part] of PARTS) figures[part] = like[part];
    own.litre_g = Math.round(like.loose_g_ml * 1000);
    traits = [...like.traits] as Schemas["Trait"][];
  }

  async function save(event: SubmitEvent) {
    event.preventDefault();
    const body = {
      ...own,
      litre_g: sent(own.litre_g) as number,
      ...(Object.fromEntries(PARTS.map(([part]) => [part, sent(figures[part])])) as typeof figures),
      traits,
    };
    const done = await ask(api.POST("/api/foods", { body }));
    wrong = done.wrong ?? {};
    if (done.data) {
      open = false;
      await larder.changed();
      larder.say(`${done.data.name} is in the table now`);
      onadded(done.data.name, done.data.key);
    }
  }
</script>

<Sheet bind:open title="A food of your own" wide>
  <form class="grid gap-4 sm:grid-cols-2" onsubmit={save} novalidate>
    <Field label="Name" name="name" bind:value={own.name} {wrong} />
    <div>
      <label class="head block" for="like">Most like</label>
      <select id="like" class="field mt-1" bind:value={own.like} onchange={copy}>
        {#each table as food (food.key)}<option value={food.key}>{food.name}</option>{/each}
      </select>
    </div>
    <!-- Until the foods are here there is nothing to begin with, and what was typed would be written over. -->
    <fieldset class="sm:col-span-2" disabled={!table.length}>
      <legend class="head">In 100 g, from its packet. It begins with the figures of the food it is like.</legend>
      <div class="mt-1 grid grid-cols-2 gap-3 sm:grid-cols-3">
        {#each PARTS as [part, label] (part)}<Field {label} name={part} type="number" bind:value={figures[part]} {wrong} />{/each}
      </div>
    </fieldset>
    <Field
      label="A litre of it, loose, weighs, g"
      name="litre_g"
      type="number"
      bind:value={own.litre_g}
      wrong={wrong.loose_g_ml ? { litre_g: wrong.loose_g_ml } : wrong.settled_g_ml ? { litre_g: wrong.settled_g_ml } : wrong}
      hint="Fill a litre jug, weigh it, take the jug off"
    />
    <fieldset class="sm:col-span-2">
      <legend class="head">Tell us if it is</legend>
      <div class="mt-1 flex flex-wrap gap-2">
        {#each TRAITS as [trait, words] (trait)}
          <button
            type="button"
            class="chip"
            aria-pressed={traits.includes(trait)}
            onclick={() => (traits = traits.includes(trait) ? traits.filter((each) => each !== trait) : [...traits, trait])}>{words}</button
          >
        {/each}
      </div>
    </fieldset>
    {#if wrong.request}<p class="wrong sm:col-span-2">{wrong.request.message}</p>{/if}
    <div class="flex justify-end sm:col-span-2"><button class="do" type="submit" disabled={!table.length}>Add it</button></div>
  </form>
</Sheet>
