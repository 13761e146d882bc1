<!-- A food that no table knows: from its name and what it is like, or mixed of others. -->
<script lang="ts">
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import { larder } from "$lib/state/larder.svelte";
  import { untilLeft } from "$lib/state/left";
  import Choice from "$lib/ui/Choice.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import OneFood from "./OneFood.svelte";
  import OwnMix from "./OwnMix.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let {
    open = $bindable(false),
    name = "",
    mix = false,
    number,
    onadded,
  }: {
    open?: boolean;
    name?: string;
    /** Whether it begins as a mix. */
    mix?: boolean;
    /** The food or the mix to put right; none to add one. */
    number?: number | undefined;
    onadded: (name: string, key: string) => void;
  } = $props();

  let foods = $state.raw<Schemas["FoodName"][]>([]);
  /** What is put right, as the larder has it. */
  let ownFood = $state.raw<Schemas["FoodAsTyped"]>();
  let ownMix = $state.raw<Schemas["MixAsTyped"]>();
  let wrong = $state.raw<Wrong>();
  let ready = $state(false);
  let mixed = $state(false);

  $effect(() => {
    if (!open) return void (ready = false);
    return untilLeft((left) => begin(number, mix, left));
  });

  async function begin(wanted: number | undefined, asMix: boolean, signal: AbortSignal) {
    const one = wanted === undefined ? undefined : { params: { path: { number: wanted } }, signal };
    const [names, food, mixture] = await Promise.all([
      ask(api.GET("/api/reference/names", { signal })),
      one && !asMix ? ask(api.GET("/api/foods/{number}", one)) : undefined,
      one && asMix ? ask(api.GET("/api/mixes/{number}", one)) : undefined,
    ]);
    if (signal.aborted) return;
    [foods, ownFood, ownMix, mixed] = [names.data ?? [], food?.data, mixture?.data, asMix];
    wrong = names.wrong ?? food?.wrong ?? mixture?.wrong;
    ready = true;
  }

  async function added(food: Schemas["Added"]) {
    await larder.changed();
    open = false;
    larder.say(number === undefined ? `${food.name} is in the table now` : `${food.name} is put right`);
    onadded(food.name, food.key);
  }
</script>

<Sheet bind:open title={number === undefined ? "A food of your own" : "Put it right"} wide {ready}>
  {#if number === undefined}<Choice
      label="What it is"
      options={[
        [false, "one food"],
        [true, "a mix of foods"],
      ] as const}
      value={mixed}
      onset={(next) => (mixed = next)}
      row="mb-4 flex flex-wrap gap-2"
    />{/if}
  {#if wrong}<Refusal {wrong} />
  {:else if mixed}<OwnMix {name} {number} own={ownMix} onadded={added} />
  {:else}<OneFood {name} {number} own={ownFood} {foods} onadded={added} />{/if}
</Sheet>
