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
    onadded,
  }: {
    open?: boolean;
    name?: string;
    /** Whether it begins as a mix. */
    mix?: boolean;
    onadded: (name: string, key: string) => void;
  } = $props();

  let foods = $state.raw<Schemas["FoodName"][]>([]);
  let mixed = $state(false);

  $effect(() => {
    if (!open) return;
    untrack(() => {
      mixed = mix;
      void ask(api.GET("/api/reference/names")).then(({ data }) => (foods = data ?? []));
    });
  });

  async function added(food: Schemas["Added"]) {
    open = false;
    await larder.changed();
    larder.say(`${food.name} is in the table now`);
    onadded(food.name, food.key);
  }
</script>

<Sheet bind:open title="A food of your own" wide>
  <Choice
    label="What it is"
    options={[
      [false, "one food"],
      [true, "a mix of foods"],
    ] as const}
    value={mixed}
    onset={(next) => (mixed = next)}
    row="mb-4 flex flex-wrap gap-2"
  />
  {#if mixed}<OwnMix {name} onadded={added} />{:else}<OneFood {name} {foods} onadded={added} />{/if}
</Sheet>
