<!-- What each sizing method asks for, over a grid of foods and containers, against the oxygen that is there. -->
<script lang="ts">
  import Choice from "$lib/ui/Choice.svelte";
  import { whole } from "$lib/format/numbers";
  import type { Schemas } from "$lib/api/client";

  let { rows }: { rows: Schemas["SizingRow"][] } = $props();

  /** A table that scrolls has to be reached by keys. */
  const SCROLLS = { tabindex: 0 };
  const names = $derived([...new Set(rows.map((row) => row.container))]);
  let container = $state("");
  const here = $derived(rows.filter((row) => row.container === (container || names[3] || names[0])));
  const longest = $derived(Math.max(...here.flatMap((row) => [row.by_air.asks_ml, row.by_container.asks_ml, row.by_kind.asks_ml, row.oxygen_ml]), 1));
  const amount = (ml: number) => whole(Math.abs(ml));
</script>

<h2 class="mt-8 text-xl">Three sizing methods, and where they differ</h2>
<p class="caption max-w-3xl">
  Filled to the usual headspace, pressed where there is film, shut at sea level. <b class="text-ink">By the air</b> asks for the oxygen there is and a fifth
  more; <b class="text-ink">by container</b> looks at nothing but the size; <b class="text-ink">by container and kind</b> gives airy food more. More does no harm,
  less does: where a rule of thumb falls short it is in rust. It overshoots with dense food, and falls short where there is much air: light food in a large bag. The
  bar is what it asks for, the stroke across it the oxygen that is there, in mL.
</p>
<Choice
  label="In which container"
  options={names}
  value={here[0]?.container}
  onset={(name) => (container = name)}
  row="mt-2 flex flex-wrap gap-2"
  chip="!text-sm"
/>
<div class="mt-2 overflow-x-auto" role="region" aria-label="Methods of sizing absorbers" {...SCROLLS}>
  <table class="w-full min-w-[50rem] text-md">
    <thead class="border-b-2 border-ink text-left"
      ><tr
        ><th class="py-2 pr-3">Food</th><th class="px-3 text-right">holds</th><th class="px-3 text-right">oxygen</th><th class="px-3">by the air</th><th
          class="px-3">by container</th
        ><th class="px-3">by container and kind</th></tr
      ></thead
    >
    <tbody>
      {#each here as row (row.food)}
        <tr class="border-b border-line">
          <td class="py-1.5 pr-3 font-semibold"
            >{row.food}{#if row.airy}<span class="caption ml-2 font-normal">airy</span>{/if}</td
          >
          <td class="px-3 text-right whitespace-nowrap">{row.holds}</td>
          <td class="px-3 text-right">{amount(row.oxygen_ml)}</td>
          {#each [row.by_air, row.by_container, row.by_kind] as method, n (n)}
            <td class="px-3 py-1.5">
              <svg viewBox="0 0 160 12" class="h-3 w-40" aria-hidden="true">
                <rect
                  y="1"
                  width={(160 * method.asks_ml) / longest}
                  height="10"
                  rx="2"
                  fill={method.over_ml < 0 ? "var(--rust)" : n ? "var(--lid)" : "var(--yolk)"}
                  stroke="var(--ink)"
                  stroke-width="1"
                />
                <path d="M{(160 * row.oxygen_ml) / longest} 0V12" stroke="var(--ink)" stroke-width="2.400" />
              </svg>
              <span class="block whitespace-nowrap text-sm {method.over_ml < 0 ? 'font-bold text-rust' : ''}"
                >{amount(method.asks_ml)}, {method.over_ml < 0 ? `short by ${amount(method.over_ml)}` : `${amount(method.over_ml)} to spare`}</span
              >
            </td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
</div>
