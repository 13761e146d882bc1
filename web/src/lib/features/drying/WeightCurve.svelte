<!-- The weight of a food as it dries: what was weighed, what is to come with its band, and where it meets the target. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { mass } from "$lib/format/masses";
  import { clock, moment, when } from "$lib/format/when";

  let { drying, us }: { drying: Schemas["Drying"]; us: boolean } = $props();

  let room = $state(560);
  const HIGH = 210;
  const TOP = 34;
  const LEFT = 54;
  const RIGHT = 16;
  const wide = $derived(Math.max(180, room - LEFT - RIGHT));
  const end = $derived(drying.curve.at(-1)?.hours ?? 1);
  const x = (hours: number) => LEFT + (hours / end) * wide;
  const y = (grams: number) => TOP + (1 - grams / (drying.wet_g * 1.04)) * HIGH;
  const f = (value: number) => value.toFixed(1);
  const line = $derived(drying.curve.map((point, n) => `${n ? "L" : "M"}${f(x(point.hours))} ${f(y(point.likely_g))}`).join(""));
  const band = $derived(
    drying.curve.map((point, n) => `${n ? "L" : "M"}${f(x(point.hours))} ${f(y(point.high_g))}`).join("") +
      [...drying.curve].reverse().map((point) => `L${f(x(point.hours))} ${f(y(point.low_g))}`).join("") + "Z",
  );
  const step = $derived([1, 2, 3, 4, 6, 12, 24, 48].find((each) => (end / each) * 58 < wide) ?? 72);
  const ticks = $derived(Array.from({ length: Math.floor(end / step) + 1 }, (_, n) => n * step));
  const at = (hours: number) => new Date(moment(drying.went_in).getTime() + hours * 3_600_000).toISOString();
  const unit = $derived(us ? 28.3495 : 1);
  const rung = $derived([1, 2, 5, 10, 20, 25, 50, 100, 200, 250, 500, 1000, 2000, 2500, 5000].find((each) => (each * unit) / drying.wet_g > 0.2) ?? 10_000);
  const rungs = $derived(Array.from({ length: Math.floor((drying.wet_g * 1.04) / (rung * unit)) + 1 }, (_, n) => n * rung * unit));
  const now = $derived(Math.min(drying.now_hours, end));
  const late = $derived(x(drying.hours.likely) > LEFT + wide * 0.62);
</script>

<div bind:clientWidth={room}>
  <svg width={room} height={HIGH + TOP + 30} role="img" aria-label="Weight of the {drying.name}: {drying.now} now, {drying.target} when dry, about {when(drying.done)}, between {when(drying.done_low)} and {when(drying.done_high)}">
    <path d={band} fill="var(--yolk-pale)" />
    <path d="M{LEFT} {y(drying.target_g)}H{LEFT + wide}" stroke="var(--leaf)" stroke-width="2" stroke-dasharray="6 4" />
    <text x={LEFT + 8} y={y(drying.target_g) - 7} font-size="13" font-weight="700" fill="var(--leaf)">dry at {drying.target}</text>
    <path d={line} fill="none" stroke="var(--ink)" stroke-width="2" stroke-dasharray="1 5" stroke-linecap="round" />
    <path d={drying.curve.filter((point) => point.hours <= now).map((point, n) => `${n ? "L" : "M"}${f(x(point.hours))} ${f(y(point.likely_g))}`).join("")} fill="none" stroke="var(--ink)" stroke-width="2.8" stroke-linecap="round" />
    {#each drying.seen as seen, n (n)}
      <circle cx={x(seen.hours)} cy={y(seen.mass_g)} r="5.500" fill="var(--paper)" stroke="var(--ink)" stroke-width="2.4" />
    {/each}
    <path d="M{x(now)} {TOP}V{TOP + HIGH}" stroke="var(--slate)" stroke-width="1.6" />
    <text x={x(now)} y={TOP - 20} text-anchor={x(now) > LEFT + wide - 60 ? "end" : x(now) < LEFT + 60 ? "start" : "middle"} font-size="13" font-weight="700" fill="var(--slate)">now about {drying.now}</text>
    <g stroke="var(--ink)" stroke-width="2">
      <path d="M{x(drying.hours.low)} {y(drying.target_g) + 9}V{y(drying.target_g) + 17}M{x(drying.hours.low)} {y(drying.target_g) + 13}H{x(Math.min(drying.hours.high, end))}M{x(Math.min(drying.hours.high, end))} {y(drying.target_g) + 9}V{y(drying.target_g) + 17}" fill="none" />
      <circle cx={x(drying.hours.likely)} cy={y(drying.target_g)} r="7" fill="var(--yolk)" stroke="var(--on-yolk)" />
    </g>
    <text x={x(drying.hours.likely) + (late ? 4 : -4)} y={y(drying.target_g) - 14} text-anchor={late ? "end" : "start"} font-size="14" font-weight="800" fill="var(--ink)">{when(drying.done)}</text>
    <path d="M{LEFT} {TOP}V{TOP + HIGH}H{LEFT + wide}" fill="none" stroke="var(--ink)" stroke-width="1.8" />
    {#each rungs as grams (grams)}
      <text x={LEFT - 7} y={y(grams) + 4.5} text-anchor="end" font-size="12.500" fill="var(--soft)">{mass(grams, us)}</text>
      <path d="M{LEFT - 4} {y(grams)}h4" stroke="var(--ink)" stroke-width="1.2" />
    {/each}
    {#each ticks as hours (hours)}
      <path d="M{x(hours)} {TOP + HIGH}v5" stroke="var(--ink)" stroke-width="1.4" />
      <text x={x(hours)} y={TOP + HIGH + 20} text-anchor="middle" font-size="12.500" fill="var(--soft)">{step >= 24 ? when(at(hours)).slice(0, 3) : clock(at(hours))}</text>
    {/each}
  </svg>
</div>
