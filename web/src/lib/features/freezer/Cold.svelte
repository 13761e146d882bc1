<!-- What goes in, in what, and how cold it is in there. -->
<script lang="ts">
  import { renamed } from "$lib/format/words";
  import Choice from "$lib/ui/Choice.svelte";
  import type { Schemas, Wrong } from "$lib/api/client";
  import { degrees, readCelsius, shownDegrees } from "$lib/format/degrees";
  import { freezer, USUAL_C } from "./freezer.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";
  import Nearest from "$lib/ui/Nearest.svelte";

  let { containers, frosts, wrong, us }: { containers: Schemas["ContainerRow"][]; frosts: Schemas["Frost"][]; wrong: Wrong; us: boolean } = $props();

  const shown = $derived(Math.round(shownDegrees(freezer.ask.freezer_c ?? USUAL_C, us)));

  const GROUPS = [
    ["Bags", ["bag", "zip bag", "clear-front bag", "vacuum pouch", "shop packet"]],
    ["Jars", ["jar"]],
    ["Pails, totes, bottles, cans", ["pail with liner", "pail", "tote", "bottle", "can"]],
  ] as const;
</script>

<label for="goes-in" class="sr-only">What goes into the freezer: an amount and a food</label>
<input
  id="goes-in"
  data-find
  value={freezer.ask.line}
  oninput={(event) => freezer.set({ line: event.currentTarget.value, lot: null })}
  placeholder={us ? "20 lb white rice" : "10 kg white rice"}
  autocomplete="off"
  spellcheck="false"
  aria-invalid={wrong.line ? "true" : undefined}
  aria-describedby="goes-in-note"
  class="w-full min-h-11 border-b-[3px] bg-transparent pb-1.5 font-name text-2xl font-extrabold outline-none placeholder:font-semibold {wrong.line
    ? 'border-rust'
    : 'border-yolk focus:border-ink'}"
/>
<div id="goes-in-note">
  {#if wrong.line}
    <p class="wrong mt-1">{wrong.line.message}</p>
    <Nearest names={wrong.line.nearest} onname={(name) => freezer.set({ line: renamed(freezer.ask.line, wrong.line?.words ?? "", name) })} />
  {:else if freezer.ask.lot}
    <p class="caption mt-1">from the cupboard</p>
  {/if}
</div>

<label for="goes-in-container" class="head mt-4 block">Closed in</label>
<select
  id="goes-in-container"
  class="field mt-1"
  value={freezer.ask.container || (freezer.plan?.container ?? containers.find((row) => row.usual && row.kind === "bag")?.key)}
  onchange={(event) => freezer.set({ container: event.currentTarget.value })}
>
  {#each GROUPS as [name, kinds] (name)}
    <optgroup label={name}>
      {#each containers.filter((row) => (kinds as readonly string[]).includes(row.kind)) as row (row.key)}<option value={row.key}>{row.name}</option>{/each}
    </optgroup>
  {/each}
</select>
<Refusal {wrong} of="container" class="mt-1" />

{#if frosts.length}
  <label for="cold-by" class="head mt-4 block">How cold it is</label>
  <select
    id="cold-by"
    class="field mt-1"
    value={freezer.ask.place ?? 0}
    onchange={(event) => freezer.set({ place: Number(event.currentTarget.value) || null })}
    aria-describedby="cold-by-note"
  >
    <option value={0}>as typed</option>
    {#each frosts as frost (frost.place)}<option value={frost.place}>as measured: {frost.name}</option>{/each}
  </select>
  <p id="cold-by-note" class="caption mt-1">{frosts.find((frost) => frost.place === freezer.ask.place)?.says ?? ""}</p>
{/if}
<Refusal {wrong} of="place" class="mt-1" />
{#if !freezer.ask.place}
  <label for="freezer-c" class="head mt-4 block">The freezer, or the frost, {us ? "°F" : "°C"}</label>
  <input
    id="freezer-c"
    inputmode="decimal"
    autocomplete="off"
    class="field mt-1"
    value={shown}
    onchange={(event) => freezer.set({ freezer_c: readCelsius(event.currentTarget.value, us) as number })}
    aria-invalid={wrong.freezer_c ? "true" : undefined}
    aria-describedby={wrong.freezer_c ? "wrong-freezer" : undefined}
  />
{/if}
<Refusal {wrong} of="freezer_c" id="wrong-freezer" class="mt-1" />

<fieldset class="mt-4">
  <legend class="head">The air in there</legend>
  <Choice
    label="The air in there"
    options={[
      [false, "still"],
      [true, "a fan moves it"],
    ] as const}
    value={!!freezer.ask.moving}
    onset={(moving) => freezer.set({ moving })}
    row="mt-1 grid grid-cols-2 gap-2"
  />
</fieldset>
<p class="caption mt-4">
  Frost outdoors does it too, and takes weeks: write the warmest it gets out there, or hang a logger there as a place and give it its log. The room it thaws in
  is the packing room of the household. Look at the freezer's own thermometer: a door left ajar is not {degrees(USUAL_C, us)}.
</p>
