<!-- What is counted in a kitchen and stands for food in store; and the bodies that stand in for those not said. -->
<script lang="ts">
  import { exact } from "$lib/format/numbers";
  import type { Schemas } from "$lib/api/client";

  let {
    kitchen,
    portions,
    bodies,
    thermal,
  }: { kitchen: Schemas["KitchenRow"][]; portions: Schemas["PortionRow"][]; bodies: Schemas["BodyRow"][]; thermal: Schemas["Thermal"][] } = $props();
</script>

<p class="caption mb-2 max-w-3xl">Meals and the diary count in these. Cups and spoons need no row: they weigh what that food weighs loose.</p>
<div class="overflow-x-auto">
  <table class="w-full min-w-[40rem] text-md">
    <thead class="border-b-2 border-ink text-left">
      <tr
        ><th class="py-2 pr-3">In the kitchen</th><th class="px-3">stands for</th><th class="px-3 text-right whitespace-nowrap">in store</th><th class="pl-3"
          >source</th
        ></tr
      >
    </thead>
    <tbody>
      {#each kitchen as row (row.what)}
        <tr class="border-b border-line align-top">
          <td class="max-w-80 py-2 pr-3 font-semibold">{row.what}</td>
          <td class="px-3 py-2">{row.stands_for}</td>
          <td class="px-3 py-2 text-right whitespace-nowrap">{row.mass}</td>
          <td class="py-2 pl-3 text-sm text-soft">{row.source}</td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>
{#if portions.length}
  <h2 class="mt-7 text-xl">What is counted, or sold in packs</h2>
  <p class="caption">Lines about what is there count in these, where nobody says what it weighs.</p>
  <div class="overflow-x-auto">
    <table class="mt-1 w-full min-w-[40rem] text-md">
      <thead class="border-b-2 border-ink text-left">
        <tr
          ><th class="py-2 pr-3">Food</th><th class="px-3 text-right">one</th><th class="px-3 text-right whitespace-nowrap">a pack</th><th class="pl-3"
            >source</th
          ></tr
        >
      </thead>
      <tbody>
        {#each portions as row (row.what)}
          <tr class="border-b border-line align-top">
            <td class="max-w-80 py-2 pr-3 font-semibold">{row.what}</td>
            <td class="px-3 py-2 text-right whitespace-nowrap">{row.one}</td>
            <td class="px-3 py-2 text-right whitespace-nowrap">{row.pack}</td>
            <td class="py-2 pl-3 text-sm text-soft">{row.source}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
{/if}
{#if bodies.length}
  <h2 class="mt-7 text-xl">Where height or weight are not said</h2>
  <table class="mt-1 w-full max-w-3xl text-md">
    <thead class="border-b-2 border-ink text-left"><tr><th class="py-2 pr-3">Age</th><th class="px-3">female</th><th class="px-3">male</th></tr></thead>
    <tbody>
      {#each bodies as row (row.ages)}
        <tr class="border-b border-line"
          ><td class="py-2 pr-3 font-semibold">{row.ages}</td><td class="px-3">{row.female}</td><td class="px-3">{row.male}</td></tr
        >
      {/each}
    </tbody>
  </table>
  <p class="caption mt-2">Source: {bodies[0]?.source}</p>
{/if}
{#if thermal.length}
  <h2 class="mt-7 text-xl">How foods take the cold</h2>
  <table class="mt-1 w-full text-md">
    <thead class="border-b-2 border-ink text-left">
      <tr
        ><th class="py-2 pr-3">Foods</th><th class="px-3 text-right">conduct, W/m·K</th><th class="px-3 text-right">hold, J/kg·K</th><th
          class="pl-3 max-sm:hidden">source</th
        ></tr
      >
    </thead>
    <tbody>
      {#each thermal as row (row.group)}
        <tr class="border-b border-line align-top">
          <td class="py-2 pr-3 font-semibold">{row.group}</td>
          <td class="px-3 py-2 text-right">{row.conductivity.toFixed(2)}</td>
          <td class="px-3 py-2 text-right">{exact(row.heat_capacity)}</td>
          <td class="py-2 pl-3 text-sm text-soft max-sm:hidden">{row.source}</td>
        </tr>
      {/each}
    </tbody>
  </table>
{/if}
