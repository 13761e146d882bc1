<!-- The oxygen in one container from the hour it is closed to forty years on; time runs by tenfolds. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import Chart from "$lib/ui/chart/Chart.svelte";
  import { between, through } from "$lib/ui/chart/frame";

  let { air, years }: { air: Schemas["AirInside"]; years: number } = $props();

  const first = $derived(air.course[0]?.days ?? 1 / 24);
  const last = $derived(air.course.at(-1)?.days ?? 14610);
  const TICKS = [
    { at: 1 / 24, words: "1 h" },
    { at: 1, words: "1 day" },
    { at: 7, words: "week" },
    { at: 30.44, words: "month" },
    { at: 365.25, words: "1 y" },
    { at: 3652.5, words: "10 y" },
    { at: 14610, words: "40 y" },
  ];
  const wanted = $derived(years * 365.25);
</script>

<p class="text-md font-semibold">{air.says}</p>
<Chart
  label="Oxygen in each over the years. {air.says}"
  high={82}
  across={{ from: first, to: last, tenfold: true }}
  up={{ from: 0, to: 22 }}
  below={() => TICKS}
  beside={[
    { at: 20, words: "20 %" },
    { at: 10, words: "10 %" },
    { at: 1, words: "1 %", tone: "var(--leaf)" },
  ]}
>
  {#snippet children(frame)}
    <path d={between(air.course, (point) => [point.days, point.low, point.high], frame)} fill="var(--yolk-pale)" />
    <path d="M{frame.left} {frame.y(1)}H{frame.right}" stroke="var(--leaf)" stroke-width="1.6" stroke-dasharray="5 4" />
    <path d={through(air.course, (point) => [point.days, point.likely], frame)} fill="none" stroke="var(--ink)" stroke-width="2.600" stroke-linejoin="round" />
    {#if wanted < last}
      <path d="M{frame.x(wanted)} {frame.top}V{frame.foot}" stroke="var(--slate)" stroke-width="1.6" />
      <text x={frame.x(wanted) - 5} y={frame.top + 12} text-anchor="end" font-size="12.500" font-weight="700" fill="var(--slate)">wanted for {years} y</text>
    {/if}
  {/snippet}
</Chart>
