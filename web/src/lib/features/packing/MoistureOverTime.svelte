<!-- The moisture in one container over the time it is wanted for: water activity, with the line it must not pass. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { counted } from "$lib/format/words";
  import Chart from "$lib/ui/chart/Chart.svelte";
  import { between, through } from "$lib/ui/chart/frame";

  let { moisture }: { moisture: Schemas["MoistureInside"] } = $props();

  const YEAR = 365.25;
  const last = $derived(moisture.course.at(-1)?.days ?? YEAR);
  const most = $derived(Math.max(0.75, ...moisture.course.map((point) => point.high * 1.06)));
  /** What is said of the line stands on the side of it where the course does not begin. */
  const below = $derived((moisture.course[0]?.likely ?? 0) > moisture.limit - 0.02);
  const ends = $derived(moisture.ends_days ?? Infinity);
  /** Where the line stands on a day: mould shows some time after it could begin. */
  const at = (days: number) => moisture.course.findLast((point) => point.days <= days)?.likely ?? moisture.limit;
  const step = $derived([0.25, 0.5, 1, 2, 5, 10].find((years) => last / (years * YEAR) <= 6) ?? 10);
  const ticks = $derived(Array.from({ length: Math.floor(last / (step * YEAR)) + 1 }, (_, n) => n * step));
  const say = (years: number) => (years === 0 ? "closed" : years < 1 || years % 1 ? counted(years * 12, "month") : `${years} y`);
</script>

<p class="text-md font-semibold">{moisture.says}</p>
<Chart
  label="Water activity in each over the years. {moisture.says}"
  high={82}
  across={{ from: 0, to: last }}
  up={{ from: 0, to: most }}
  below={() => ticks.map((years) => ({ at: years * YEAR, words: say(years) }))}
  beside={[0.2, 0.4, 0.6].map((activity) => ({ at: activity, words: activity.toFixed(1) }))}
>
  {#snippet children(frame)}
    <path d={between(moisture.course, (point) => [point.days, point.low, point.high], frame)} fill="color-mix(in oklab, var(--slate) 24%, var(--paper))" />
    <path d="M{frame.left} {frame.y(moisture.limit)}H{frame.right}" stroke="var(--rust)" stroke-width="1.6" stroke-dasharray="5 4" />
    <text x={frame.left + 6} y={frame.y(moisture.limit) + (below ? 14 : -5)} font-size="12.500" font-weight="700" fill="var(--rust)">{moisture.above}</text>
    <path
      d={through(moisture.course, (point) => [point.days, point.likely], frame)}
      fill="none"
      stroke="var(--ink)"
      stroke-width="2.600"
      stroke-linejoin="round"
    />
    {#if ends > 0 && ends < last}<circle cx={frame.x(ends)} cy={frame.y(at(ends))} r="5" fill="var(--rust)" stroke="var(--paper)" stroke-width="2" />{/if}
  {/snippet}
</Chart>
{#if moisture.gel_packets}
  <p class="caption">
    {moisture.gel_packets} × {moisture.gel_each_g} g of gel in each, not food: keep it from children. By the packaging standard, which knows nothing of the food,
    {moisture.units}
    units (one takes up 6 g (0.2 oz) of water until 40 %).
  </p>
{/if}
