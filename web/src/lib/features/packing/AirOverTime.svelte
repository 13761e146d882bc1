<!-- The oxygen in one container from the hour it is closed to forty years on; time runs by tenfolds. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { course } from "$lib/draw/course";

  let { air, years }: { air: Schemas["AirInside"]; years: number } = $props();

  let room = $state(520);
  const HIGH = 82;
  const TOP = 8;
  const LEFT = 38;
  const RIGHT = 12;
  const MOST = 22;
  const wide = $derived(Math.max(160, room - LEFT - RIGHT));
  const first = $derived(air.course[0]?.days ?? 1 / 24);
  const last = $derived(air.course.at(-1)?.days ?? 14610);
  const x = (days: number) => LEFT + (Math.log(days / first) / Math.log(last / first)) * wide;
  const y = (percent: number) => TOP + (1 - percent / MOST) * HIGH;
  const drawn = $derived(course(air.course, x, y));
  const TICKS: [number, string][] = [[1 / 24, "1 h"], [1, "1 day"], [7, "week"], [30.44, "month"], [365.25, "1 y"], [3652.5, "10 y"], [14610, "40 y"]];
  const wanted = $derived(years * 365.25);
</script>

<div bind:clientWidth={room} class="min-w-0 overflow-hidden">
  <p class="text-md font-semibold">{air.says}</p>
  <svg width={room} height={HIGH + TOP + 22} class="block" role="img" aria-label="Oxygen in each over the years. {air.says}">
    <path d={drawn.band} fill="var(--yolk-pale)" />
    <path d="M{LEFT} {y(1)}H{LEFT + wide}" stroke="var(--leaf)" stroke-width="1.6" stroke-dasharray="5 4" />
    <path d={drawn.line} fill="none" stroke="var(--ink)" stroke-width="2.600" stroke-linejoin="round" />
    {#if wanted < last}
      <path d="M{x(wanted)} {TOP}V{TOP + HIGH}" stroke="var(--slate)" stroke-width="1.6" />
      <text x={x(wanted) - 5} y={TOP + 12} text-anchor="end" font-size="12.500" font-weight="700" fill="var(--slate)">wanted for {years} y</text>
    {/if}
    <path d="M{LEFT} {TOP}V{TOP + HIGH}H{LEFT + wide}" fill="none" stroke="var(--ink)" stroke-width="1.6" />
    {#each [[20, "20 %"], [10, "10 %"], [1, "1 %"]] as const as [percent, words] (percent)}
      <text x={LEFT - 5} y={y(percent) + 4.5} text-anchor="end" font-size="12" fill={percent === 1 ? "var(--leaf)" : "var(--soft)"} font-weight={percent === 1 ? 700 : 400}>{words}</text>
    {/each}
    {#each TICKS.filter(([days]) => wide > 420 || days !== 3652.5) as [days, words] (words)}
      <path d="M{x(days)} {TOP + HIGH}v4" stroke="var(--ink)" stroke-width="1.3" />
      <text x={x(days)} y={TOP + HIGH + 17} text-anchor={days > 14000 ? "end" : days < 0.05 ? "start" : "middle"} font-size="12" fill="var(--soft)">{words}</text>
    {/each}
  </svg>
</div>
