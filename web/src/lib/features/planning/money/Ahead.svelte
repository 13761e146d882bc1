<!-- The weeks until the goal at this pace: whole meals as a stair of food, days as a line above. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";

  let { weeks }: { weeks: Schemas["WeeksView"] } = $props();

  let room = $state(560);
  const HIGH = 190;
  const LEFT = 44;
  const RIGHT = 64;
  const last = $derived(weeks.weeks.at(-1)?.week ?? 0);
  const wide = $derived(Math.max(120, room - LEFT - RIGHT));
  const x = (week: number) => LEFT + (week / Math.max(1, last)) * wide;
  const y = (share: number) => 24 + (1 - share) * HIGH;
  const f = (value: number) => value.toFixed(1);

  const stair = $derived(weeks.weeks.map((week, n) => `${n ? `H${f(x(week.week))}V` : `M${f(x(0))} `}${f(y(week.meals_share))}`).join(""));
  const days = $derived(weeks.weeks.map((week, n) => `${n ? "L" : "M"}${f(x(week.week))} ${f(y(week.days_share))}`).join(""));
  const every = $derived(Math.max(1, Math.ceil(last / Math.max(3, Math.floor(wide / 52)))));
  const end = $derived(weeks.weeks.at(-1));
</script>

<h2 class="mt-7 text-2xl">{weeks.says}</h2>
<p class="caption">{weeks.cost_to_goal ? `All that is missing costs ${weeks.cost_to_goal} or more at the prices seen.` : "As far as the prices seen reach."} The list is worked out anew for each week; prices may not stay.</p>
<div bind:clientWidth={room} class="mt-1">
  <svg width={room} height={HIGH + 62} role="img" aria-label="Coverage by week: {weeks.weeks.map((week) => `week ${week.week}: ${week.meals} meals, ${Math.round(week.days)} days`).join('; ')}">
    <defs>
      <pattern id="stipple" width="7" height="7" patternUnits="userSpaceOnUse">
        <rect width="7" height="7" fill="var(--yolk-pale)" />
        <circle cx="2" cy="2" r=".9" fill="var(--ink)" opacity=".5" /><circle cx="5.500" cy="5.500" r=".9" fill="var(--ink)" opacity=".5" />
      </pattern>
    </defs>
    {#each [0, 0.5, 1] as share (share)}
      <path d="M{LEFT} {y(share)}H{LEFT + wide}" stroke={share === 1 ? "var(--leaf)" : "var(--line)"} stroke-width={share === 1 ? 2 : 1} stroke-dasharray={share === 1 ? "6 4" : undefined} />
      <text x={LEFT - 8} y={y(share) + 4.5} text-anchor="end" font-size="12.5" fill="var(--soft)">{Math.round(share * 100)} %</text>
    {/each}
    <path d="{stair}V{y(0)}H{x(0)}Z" fill="url(#stipple)" />
    <path d={stair} fill="none" stroke="var(--ink)" stroke-width="2.2" stroke-linejoin="round" />
    <path d={days} fill="none" stroke="var(--slate)" stroke-width="2.4" stroke-dasharray="2 5" stroke-linecap="round" />
    {#each weeks.weeks as week (week.week)}
      <circle cx={x(week.week)} cy={y(week.days_share)} r="3.6" fill="var(--paper)" stroke="var(--slate)" stroke-width="2" />
      {#if week.week % every === 0}<text x={x(week.week)} y={y(0) + 19} text-anchor="middle" font-size="12.5" fill="var(--soft)">{week.week || "now"}</text>{/if}
    {/each}
    <path d="M{LEFT} {y(0)}H{LEFT + wide}" stroke="var(--ink)" stroke-width="1.8" />
    <text x={LEFT + wide} y={y(0) + 36} text-anchor="end" font-size="12.5" fill="var(--soft)">weeks from now</text>
    <g font-size="13" font-weight="700">
      <text x={LEFT + wide - 6} y={y(0.06)} text-anchor="end" fill="var(--ink)">whole meals, {end?.meals} of {weeks.meals_wanted}</text>
      <text x={LEFT} y="14" fill="var(--slate)">days of food, {Math.round(end?.days ?? 0)} of {Math.round(weeks.days_wanted)}</text>
      <text x={LEFT + wide + 8} y={y(1) + 4.5} fill="var(--leaf)">the goal</text>
    </g>
  </svg>
</div>
