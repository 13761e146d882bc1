<!-- The middle and the surface of a package, from the door closing to the bag opened. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { degrees } from "$lib/format/degrees";
  import Chart from "$lib/ui/chart/Chart.svelte";
  import { through } from "$lib/ui/chart/frame";

  let { plan, us }: { plan: Schemas["FreezePlan"]; us: boolean } = $props();

  const end = $derived(plan.curve.at(-1)?.hours ?? 1);
  const WEEK = 168;
  const say = (celsius: number) => degrees(celsius, us);
  const ticks = $derived.by(() => {
    const step = [6, 12, 24, 48].find((hours) => end / hours <= 9) ?? WEEK * Math.ceil(end / WEEK / 9);
    const words = (hours: number) => (hours === 0 ? "in" : hours % 24 === 0 && end > 36 ? `${hours / 24} d` : `${hours} h`);
    return Array.from({ length: Math.floor(end / step) + 1 }, (_, n) => ({ at: n * step, words: words(n * step) }));
  });
  const phases = $derived([
    { name: "cooling", from: 0, to: Math.min(plan.middle_cold_hours, plan.out_hours), fill: "var(--air)" },
    { name: "held cold", from: Math.min(plan.middle_cold_hours, plan.out_hours), to: plan.out_hours, fill: "url(#cold)" },
    { name: "thawing, closed", from: plan.out_hours, to: plan.open_hours, fill: "var(--yolk-pale)" },
  ]);
</script>

<div class="mt-3">
  <Chart
    label="Temperature of {plan.food}: the middle is cold after {plan.middle_cold}, out after {plan.holds[plan.chosen]?.ends}, to be opened {plan.thaw} later"
    high={230}
    top={30}
    left={46}
    right={14}
    under={54}
    across={{ from: 0, to: end }}
    up={{ from: plan.freezer_c - 3, to: Math.max(plan.room_c, 5) + 3 }}
    below={() => ticks}
    beside={[plan.room_c, 0, plan.freezer_c].map((celsius) => ({ at: celsius, words: say(celsius) }))}
  >
    {#snippet children(frame)}
      {@const out = frame.x(plan.out_hours)}
      <defs>
        <pattern id="cold" width="8" height="8" patternUnits="userSpaceOnUse">
          <rect width="8" height="8" fill="var(--air)" />
          <path d="M2 1V3M1 2H3M6 5V7M5 6H7" stroke="var(--slate)" stroke-width=".9" opacity=".75" />
        </pattern>
      </defs>
      {#each phases as phase (phase.name)}
        {@const width = frame.x(phase.to) - frame.x(phase.from)}
        {#if width > 0.5}
          <rect x={frame.x(phase.from)} y={frame.top} {width} height={frame.foot - frame.top} fill={phase.fill} />
          {#if width > phase.name.length * 6.6}<text
              x={(frame.x(phase.from) + frame.x(phase.to)) / 2}
              y={frame.top - 9}
              text-anchor="middle"
              font-size="13"
              font-weight="700"
              fill="var(--ink)">{phase.name}</text
            >{/if}
        {/if}
      {/each}
      {#each [plan.room_c, 0, plan.freezer_c] as celsius, n (n)}
        <path d="M{frame.left} {frame.y(celsius)}H{frame.right}" stroke="var(--line)" stroke-width="1" />
      {/each}
      <path d="M{frame.left} {frame.y(plan.kills_c)}H{out}" stroke="var(--leaf)" stroke-width="1.8" stroke-dasharray="6 4" />
      <text x={out - 6} y={frame.y(plan.kills_c) - 6} text-anchor="end" font-size="12.5" font-weight="700" fill="var(--leaf)"
        >kills from {say(plan.kills_c)} in the middle</text
      >
      <path d="M{out} {frame.y(plan.dew_c)}H{frame.right}" stroke="var(--slate)" stroke-width="1.8" stroke-dasharray="2 4" />
      <text x={out - 6} y={frame.y(plan.dew_c) + 4.5} text-anchor="end" font-size="12.5" font-weight="700" fill="var(--slate)">dew point {say(plan.dew_c)}</text
      >
      <path
        d={through(plan.curve, (point) => [point.hours, point.surface_c], frame)}
        fill="none"
        stroke="var(--soft)"
        stroke-width="2"
        stroke-dasharray="1 4"
        stroke-linecap="round"
      />
      <path
        d={through(plan.curve, (point) => [point.hours, point.middle_c], frame)}
        fill="none"
        stroke="var(--ink)"
        stroke-width="2.8"
        stroke-linejoin="round"
      />
      {#each [{ hours: plan.middle_cold_hours, celsius: plan.kills_c }, { hours: plan.open_hours, celsius: plan.dew_c }] as mark, n (n)}
        <circle cx={frame.x(mark.hours)} cy={frame.y(mark.celsius)} r="5.5" fill="var(--yolk)" stroke="var(--on-yolk)" stroke-width="2" />
      {/each}
      <g font-size="12.5" transform="translate({frame.left} {frame.foot + 44})">
        <path d="M0 -4H22" stroke="var(--ink)" stroke-width="2.8" /><text x="28" fill="var(--ink)">the middle</text>
        <path d="M104 -4H126" stroke="var(--soft)" stroke-width="2" stroke-dasharray="1 4" stroke-linecap="round" /><text x="132" fill="var(--ink)"
          >the surface</text
        >
      </g>
    {/snippet}
  </Chart>
</div>
