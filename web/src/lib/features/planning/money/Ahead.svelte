<!-- The weeks until the goal at this pace: whole meals as a stair of food, days as a line above. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { counted } from "$lib/format/words";
  import Chart from "$lib/ui/chart/Chart.svelte";
  import { through } from "$lib/ui/chart/frame";

  let { weeks }: { weeks: Schemas["WeeksView"] } = $props();

  const last = $derived(weeks.weeks.at(-1)?.week ?? 0);
  const end = $derived(weeks.weeks.at(-1));
  const told = $derived(weeks.weeks.map((week) => `week ${week.week}: ${counted(week.meals, "meal")}, ${counted(Math.round(week.days), "day")}`).join("; "));

  function below(wide: number) {
    const every = Math.max(1, Math.ceil(last / Math.max(3, Math.floor(wide / 52))));
    return weeks.weeks.filter((week) => week.week % every === 0).map((week) => ({ at: week.week, words: week.week ? String(week.week) : "now" }));
  }
</script>

<h2 class="mt-7 text-2xl">{weeks.says}</h2>
<p class="caption">
  {weeks.cost_to_goal ? `All that is missing costs ${weeks.cost_to_goal} or more at the prices seen.` : "As far as the prices seen reach."} The list is worked out
  anew for each week; prices may not stay.
</p>
<div class="mt-1">
  <Chart
    label="Coverage by week: {told}"
    high={190}
    top={24}
    left={44}
    right={64}
    under={42}
    wall={false}
    across={{ from: 0, to: Math.max(1, last) }}
    up={{ from: 0, to: 1 }}
    {below}
    beside={[0, 0.5, 1].map((share) => ({ at: share, words: `${share * 100} %` }))}
  >
    {#snippet children(frame)}
      {@const stair = through(weeks.weeks, (week) => [week.week, week.meals_share], frame, true)}
      <defs>
        <pattern id="stipple" width="7" height="7" patternUnits="userSpaceOnUse">
          <rect width="7" height="7" fill="var(--yolk-pale)" />
          <circle cx="2" cy="2" r=".9" fill="var(--ink)" opacity=".5" /><circle cx="5.500" cy="5.500" r=".9" fill="var(--ink)" opacity=".5" />
        </pattern>
      </defs>
      <path d="M{frame.left} {frame.y(0.5)}H{frame.right}" stroke="var(--line)" />
      <path d="M{frame.left} {frame.y(1)}H{frame.right}" stroke="var(--leaf)" stroke-width="2" stroke-dasharray="6 4" />
      <path d="{stair}V{frame.foot}H{frame.left}Z" fill="url(#stipple)" />
      <path d={stair} fill="none" stroke="var(--ink)" stroke-width="2.2" stroke-linejoin="round" />
      <path
        d={through(weeks.weeks, (week) => [week.week, week.days_share], frame)}
        fill="none"
        stroke="var(--slate)"
        stroke-width="2.4"
        stroke-dasharray="2 5"
        stroke-linecap="round"
      />
      {#each weeks.weeks as week (week.week)}
        <circle cx={frame.x(week.week)} cy={frame.y(week.days_share)} r="3.6" fill="var(--paper)" stroke="var(--slate)" stroke-width="2" />
      {/each}
      <text x={frame.right} y={frame.foot + 36} text-anchor="end" font-size="12.5" fill="var(--soft)">weeks from now</text>
      <g font-size="13" font-weight="700">
        <text x={frame.right - 6} y={frame.y(0.06)} text-anchor="end" fill="var(--ink)">whole meals, {end?.meals} of {weeks.meals_wanted}</text>
        <text x={frame.left} y="14" fill="var(--slate)">days of food, {Math.round(end?.days ?? 0)} of {Math.round(weeks.days_wanted)}</text>
        <text x={frame.right + 8} y={frame.y(1) + 4.5} fill="var(--leaf)">the goal</text>
      </g>
    {/snippet}
  </Chart>
</div>
