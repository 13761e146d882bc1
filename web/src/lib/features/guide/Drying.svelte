<!-- How fresh food dries, what it is dried in, and how much water food holds at rest with the air. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { ownOf } from "$lib/features/catalog/own";

  let {
    drying,
    machines,
    isotherms,
    powders,
    onchange,
  }: {
    onchange: (number: number) => void;
    drying: Schemas["DryingRow"][];
    machines: Schemas["MachineRow"][];
    isotherms: Schemas["IsothermGuide"][];
    powders: Schemas["PowderRow"][];
  } = $props();

  /** A table that scrolls has to be reached by keys. */
  const SCROLLS = { tabindex: 0 };
</script>

<p class="caption mb-2 max-w-3xl">
  Hours at that thickness and air in a room of 20 °C (68 °F) and 50 % humidity, for nine loads in ten. Dry until it is dry, not until the clock says so.
</p>
<div class="overflow-x-auto" role="region" aria-label="How fresh food dries" {...SCROLLS}>
  <table class="w-full min-w-[58rem] text-md">
    <thead class="border-b-2 border-ink text-left">
      <tr
        ><th class="py-2 pr-3">Fresh</th><th class="px-3">cut</th><th class="px-3 text-right">air</th><th class="px-3 text-right">hours</th><th
          class="px-3 text-right">water, %</th
        ><th class="px-3">first</th><th class="px-3">dry when</th><th class="pl-3">source</th></tr
      >
    </thead>
    <tbody>
      {#each drying as row (row.name + row.cut)}
        {@const own = ownOf(row.key)?.number}
        <tr class="border-b border-line align-top">
          <td class="py-2 pr-3 font-semibold"
            >{row.name}<span class="caption block font-normal">to {row.becomes}</span>{#if own}<button class="chip mt-1.5" onclick={() => onchange(own)}
                >Put it right …</button
              >{/if}</td
          >
          <td class="px-3 py-2">{row.cut}, {row.thick}</td>
          <td class="px-3 py-2 text-right whitespace-nowrap">{row.air}</td>
          <td class="px-3 py-2 text-right whitespace-nowrap">{row.hours}</td>
          <td class="px-3 py-2 text-right">{row.water_pct.toFixed(0)}</td>
          <td class="px-3 py-2">{row.wants}</td>
          <td class="px-3 py-2">{row.dry_when}</td>
          <td class="py-2 pl-3 text-xs text-soft">{row.source}</td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>
{#if machines.length}
  <h2 class="mt-7 text-xl">What it is dried in</h2>
  <dl class="mt-1 border-t-2 border-ink">
    {#each machines as row (row.name)}
      <div class="grid gap-x-4 border-b border-line py-2 sm:grid-cols-[16rem_13rem_1fr]">
        <dt class="font-semibold">{row.name}</dt>
        <dd>{row.trays}</dd>
        <dd>{row.figures}<span class="caption block">{row.source}</span></dd>
      </div>
    {/each}
  </dl>
{/if}
{#if isotherms.length}
  <h2 class="mt-7 text-xl">Water that food holds, at rest with the air, % at 25 °C (77 °F)</h2>
  <div class="overflow-x-auto" role="region" aria-label="Water that food holds" {...SCROLLS}>
    <table class="mt-1 w-full min-w-[46rem] text-md">
      <thead class="border-b-2 border-ink text-left"
        ><tr
          ><th class="py-2 pr-3">Food</th>{#each ["20 %", "40 %", "60 %", "70 %"] as at (at)}<th class="px-3 text-right">{at} air</th>{/each}<th class="pl-3"
            >model and source</th
          ></tr
        ></thead
      >
      <tbody>
        {#each isotherms as row (row.name)}
          <tr class="border-b border-line align-top">
            <td class="py-2 pr-3 font-semibold">{row.name}</td>
            {#each [row.at_20, row.at_40, row.at_60, row.at_70] as value, n (n)}<td class="px-3 py-2 text-right">{value.toFixed(1)}</td>{/each}
            <td class="py-2 pl-3 text-xs text-soft">{row.model}. {row.source}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
{/if}
{#if powders.length}
  <h2 class="mt-7 text-xl">Ground</h2>
  <p class="mt-1 max-w-3xl">
    {#each powders as row, n (row.pieces)}{n ? "; " : ""}{row.pieces} to <b>{row.powder}</b>{/each}.
  </p>
  <p class="caption mt-1">Source: {powders[0]?.source}</p>
{/if}
