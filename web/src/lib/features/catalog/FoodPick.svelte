<!-- One food of the table, picked by a few letters of its name. -->
<script lang="ts">
  import type { Schemas, Wrong } from "$lib/api/client";
  import { matches } from "./matches";
  import Refusal from "$lib/ui/Refusal.svelte";

  let {
    label,
    name,
    foods,
    value = $bindable(""),
    near = "",
    hint = "rye, lentil, leek…",
    wrong = {},
    onpick,
  }: {
    label: string;
    name: string;
    foods: Pick<Schemas["FoodName"], "key" | "name" | "aliases">[];
    /** The key of what was picked. */
    value?: string;
    /** Words it may be near to, as long as nothing is typed here. */
    near?: string;
    /** Names that can be typed, for one. */
    hint?: string;
    wrong?: Wrong;
    onpick?: () => void;
  } = $props();

  const id = $props.id();
  let typed = $state("");

  const picked = $derived(foods.find((food) => food.key === value));
  const offered = $derived(matches(typed || near, foods).filter((food) => food.key !== value));

  function pick(key: string) {
    value = key;
    typed = "";
    onpick?.();
  }
</script>

<div>
  <label for={id} class="head block">{label}</label>
  <input
    {id}
    {name}
    class="field mt-1"
    bind:value={typed}
    placeholder={picked?.name ?? `type a few letters: ${hint}`}
    autocomplete="off"
    aria-invalid={wrong[name] ? "true" : undefined}
    aria-describedby={wrong[name] ? `${id}-note` : undefined}
    onkeydown={(event) => {
      if (event.key !== "Enter" || !typed) return;
      event.preventDefault();
      if (offered[0]) pick(offered[0].key);
    }}
  />
  <Refusal {wrong} of={name} id="{id}-note" class="mt-1" />
  <div class="mt-1.5 flex flex-wrap gap-1.5 empty:hidden">
    {#if picked}<button type="button" class="chip !px-3" aria-pressed="true" onclick={() => pick("")}>{picked.name}</button>{/if}
    {#if typed || !picked}
      {#each offered as food (food.key)}<button type="button" class="chip !px-3" onclick={() => pick(food.key)}>{food.name}</button>{/each}
    {/if}
  </div>
</div>
