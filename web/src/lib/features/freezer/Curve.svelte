<!-- The middle and the surface of a package, from the door closing to the bag opened. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { degrees } from "$lib/format/degrees";

  let { plan, us }: { plan: Schemas["FreezePlan"]; us: boolean } = $props();

  let room = $state(600);
  const HIGH = 230;
  const TOP = 30;
  const LEFT = 46;
  const RIGHT = 14;

  const end = $derived(plan.curve.at(-1)?.hours ?? 1);
  const warm = $derived(Math.max(plan.room_c, 5) + 3);
  const cold = $derived(plan.freezer_c - 3);
  const wide = $derived(Math.max(200, room - LEFT - RIGHT));
  const x = (hours: number) => LEFT + (hours / end) * wide;
  const y = (celsius: number) => TOP + ((warm - celsius) / (warm - cold)) * HIGH;
  const f = (value: number) => value.toFixed(1);
  const line = (of: "middle_c" | "surface_c") => plan.curve.map((point, n) => `${n ? "L" : "M"}${f(x(point.hours))} ${f(y(point[of]))}`).join("");
  const say = (celsius: number) => degrees(celsius, us);
  const ticks = $derived.by(() => {
    const step = end > 100 ? 24 : end > 36 ? 12 : 6;
    return Array.from({ length: Math.floor(end / step) + 1 }, (_, n) => n * step);
  });
  const phases = $derived([
    { name: "cooling", from: 0, to: Math.min(plan.middle_cold_hours, plan.out_hours), fill: "var(--air)" },
    { name: "held cold", from: Math.min(plan.middle_cold_hours, plan.out_hours), to: plan.out_hours, fill: "url(#cold)" },
    { name: "thawing, closed", from: plan.out_hours, to: plan.open_hours, fill: "var(--yolk-pale)" },
  ]);
</script>

<div bind:clientWidth={room} class="mt-3">
  <svg width={room} height={HIGH + TOP + 54} role="img" aria-label="Temperature of {plan.food}: the middle is cold after {plan.middle_cold}, out after {plan.holds[plan.chosen]?.ends}, to be opened {plan.thaw} later">
    <defs>
      <pattern id="cold" width="8" height="8" patternUnits="userSpaceOnUse">
        <rect width="8" height="8" fill="var(--air)" />
        <path d="M2 1V3M1 2H3M6 5V7M5 6H7" stroke="var(--slate)" stroke-width=".9" opacity=".75" />
      </pattern>
    </defs>
    {#each phases as phase (phase.name)}
      {@const width = x(phase.to) - x(phase.from)}
      {#if width > 0.5}
        <rect x={x(phase.from)} y={TOP} {width} height={HIGH} fill={phase.fill} />
        {#if width > phase.name.length * 6.6}<text x={(x(phase.from) + x(phase.to)) / 2} y={TOP - 9} text-anchor="middle" font-size="13" font-weight="700" fill="var(--ink)">{phase.name}</text>{/if}
      {/if}
    {/each}
    {#each [plan.room_c, 0, plan.freezer_c] as celsius (celsius)}
      <path d="M{LEFT} {y(celsius)}H{LEFT + wide}" stroke="var(--line)" stroke-width="1" />
      <text x={LEFT - 7} y={y(celsius) + 4.5} text-anchor="end" font-size="12.5" fill="var(--soft)">{say(celsius)}</text>
    {/each}
    <path d="M{LEFT} {y(plan.kills_c)}H{x(plan.out_hours)}" stroke="var(--leaf)" stroke-width="1.8" stroke-dasharray="6 4" />
    <text x={x(plan.out_hours) - 6} y={y(plan.kills_c) - 6} text-anchor="end" font-size="12.5" font-weight="700" fill="var(--leaf)">kills from {say(plan.kills_c)} in the middle</text>
    <path d="M{x(plan.out_hours)} {y(plan.dew_c)}H{LEFT + wide}" stroke="var(--slate)" stroke-width="1.8" stroke-dasharray="2 4" />
    <text x={x(plan.out_hours) - 6} y={y(plan.dew_c) + 4.5} text-anchor="end" font-size="12.5" font-weight="700" fill="var(--slate)">dew point {say(plan.dew_c)}</text>
    <path d={line("surface_c")} fill="none" stroke="var(--soft)" stroke-width="2" stroke-dasharray="1 4" stroke-linecap="round" />
    <path d={line("middle_c")} fill="none" stroke="var(--ink)" stroke-width="2.8" stroke-linejoin="round" />
    {#each [[plan.middle_cold_hours, plan.kills_c], [plan.open_hours, plan.dew_c]] as [hours, celsius] (celsius)}
      {#if hours !== undefined && celsius !== undefined}<circle cx={x(hours)} cy={y(celsius)} r="5.5" fill="var(--yolk)" stroke="var(--on-yolk)" stroke-width="2" />{/if}
    {/each}
    <path d="M{LEFT} {TOP}V{TOP + HIGH}H{LEFT + wide}" fill="none" stroke="var(--ink)" stroke-width="1.8" />
    {#each ticks as hours (hours)}
      <path d="M{x(hours)} {TOP + HIGH}v5" stroke="var(--ink)" stroke-width="1.4" />
      <text x={x(hours)} y={TOP + HIGH + 19} text-anchor="middle" font-size="12.5" fill="var(--soft)">{hours % 24 === 0 && end > 36 ? (hours ? `${hours / 24} d` : "in") : hours ? `${hours} h` : "in"}</text>
    {/each}
    <g font-size="12.5" transform="translate({LEFT} {TOP + HIGH + 44})">
      <path d="M0 -4H22" stroke="var(--ink)" stroke-width="2.8" /><text x="28" fill="var(--ink)">the middle</text>
      <path d="M104 -4H126" stroke="var(--soft)" stroke-width="2" stroke-dasharray="1 4" stroke-linecap="round" /><text x="132" fill="var(--ink)">the surface</text>
    </g>
  </svg>
</div>
