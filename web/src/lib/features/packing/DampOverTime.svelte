<!-- The damp in one container over the time it is wanted for: water activity, with the line it must not pass. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { course } from "$lib/draw/course";

  let { damp }: { damp: Schemas["DampInside"] } = $props();

  let room = $state(520);
  const HIGH = 82;
  const TOP = 8;
  const LEFT = 40;
  const RIGHT = 12;
  const wide = $derived(Math.max(160, room - LEFT - RIGHT));
  const last = $derived(damp.course.at(-1)?.days ?? 365);
  const most = $derived(Math.max(0.75, ...damp.course.map((point) => point.high * 1.06)));
  const x = (days: number) => LEFT + (days / last) * wide;
  const y = (activity: number) => TOP + (1 - activity / most) * HIGH;
  const drawn = $derived(course(damp.course, x, y));
  /** What is said of the line stands on the side of it where the course does not begin. */
  const below = $derived((damp.course[0]?.likely ?? 0) > damp.limit - 0.02);
  const ends = $derived(damp.ends_days ?? Infinity);
  /** Where the line stands on a day: mould shows some time after it could begin. */
  const at = (days: number) => damp.course.findLast((point) => point.days <= days)?.likely ?? damp.limit;
  const step = $derived([0.25, 0.5, 1, 2, 5, 10].find((years) => last / (years * 365.25) <= 6) ?? 10);
  const ticks = $derived(Array.from({ length: Math.floor(last / (step * 365.25)) + 1 }, (_, n) => n * step));
  const say = (years: number) => (years === 0 ? "closed" : years < 1 || years % 1 ? `${years * 12} months` : `${years} y`);
</script>

<div bind:clientWidth={room} class="min-w-0 overflow-hidden">
  <p class="text-md font-semibold">{damp.says}</p>
  <svg width={room} height={HIGH + TOP + 22} class="block" role="img" aria-label="Water activity in each over the years. {damp.says}">
    <path d={drawn.band} fill="color-mix(in oklab, var(--slate) 24%, var(--paper))" />
    <path d="M{LEFT} {y(damp.limit)}H{LEFT + wide}" stroke="var(--rust)" stroke-width="1.6" stroke-dasharray="5 4" />
    <text x={LEFT + 6} y={y(damp.limit) + (below ? 14 : -5)} font-size="12.500" font-weight="700" fill="var(--rust)">{damp.above}</text>
    <path d={drawn.line} fill="none" stroke="var(--ink)" stroke-width="2.600" stroke-linejoin="round" />
    {#if ends > 0 && ends < last}<circle cx={x(ends)} cy={y(at(ends))} r="5" fill="var(--rust)" stroke="var(--paper)" stroke-width="2" />{/if}
    <path d="M{LEFT} {TOP}V{TOP + HIGH}H{LEFT + wide}" fill="none" stroke="var(--ink)" stroke-width="1.6" />
    {#each [0.2, 0.4, 0.6] as activity (activity)}
      <path d="M{LEFT - 4} {y(activity)}H{LEFT}" stroke="var(--ink)" stroke-width="1.3" />
      <text x={LEFT - 6} y={y(activity) + 4.5} text-anchor="end" font-size="12" fill="var(--soft)">{activity.toFixed(1)}</text>
    {/each}
    {#each ticks as years, n (years)}
      <path d="M{x(years * 365.25)} {TOP + HIGH}v4" stroke="var(--ink)" stroke-width="1.3" />
      <text x={x(years * 365.25)} y={TOP + HIGH + 17} text-anchor={n === 0 ? "start" : x(years * 365.25) > LEFT + wide - 20 ? "end" : "middle"} font-size="12" fill="var(--soft)">{say(years)}</text>
    {/each}
  </svg>
  {#if damp.gel_packets}
    <p class="caption">{damp.gel_packets} × {damp.gel_each_g} g of gel in each, not food: keep it from children. By the packaging standard, which knows nothing of the food, {damp.units} units (one takes up 6 g of water until 40 %).</p>
  {/if}
</div>
