<!-- A food that no table knows: from its name and what it is like, or mixed of others. -->
<script lang="ts">
  import { api, ask, type Schemas } from "$lib/api/client";
  import { larder } from "$lib/state/larder.svelte";
  import Choice from "$lib/ui/Choice.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { untrack } from "svelte";
  import OneFood from "./OneFood.svelte";
  import OwnMix from "./OwnMix.svelte";

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
  let ready = $state(false);
  let mixed = $state(false);

  $effect(() => {
    if (!open) return void (ready = false);
    untrack(() => {
      mixed = mix;
      void ask(api.GET("/api/reference/names")).then(({ data }) => {
        foods = data ?? [];
        ready = true;
      });
    });
  });

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
  {#key number}{#if mixed}<OwnMix {name} {number} onadded={added} />{:else}<OneFood {name} {number} {foods} onadded={added} />{/if}{/key}
</Sheet>
