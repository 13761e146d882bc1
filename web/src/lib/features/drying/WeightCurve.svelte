<!-- The weight of a food as it dries: what was weighed, what is to come with its band, and where it meets the target. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { OUNCE_G } from "$lib/format/masses";
  import { whole } from "$lib/format/numbers";
  import { moment, when } from "$lib/format/when";
  import Chart from "$lib/ui/chart/Chart.svelte";
  import { hourMarks } from "$lib/ui/chart/days";
  import { anchor, between, through } from "$lib/ui/chart/frame";

  let { drying, us }: { drying: Schemas["Drying"]; us: boolean } = $props();

  const end = $derived(drying.curve.at(-1)?.hours ?? 1);
  const most = $derived(drying.wet_g * 1.04);
  const now = $derived(Math.min(drying.now_hours, end));
  const said = $derived(`now about ${drying.now}${drying.now_hours > end ? " →" : ""}`);
  const high = $derived(Math.min(drying.hours.high, end));
  const late = $derived(drying.hours.likely > end * 0.62);

  /** What stands beside the curve is counted in what its weight is told in. */
  const heavy = $derived(us ? { name: "lb", grams: 16 * OUNCE_G } : { name: "kg", grams: 1000 });
  const light = $derived(us ? { name: "oz", grams: OUNCE_G } : { name: "g", grams: 1 });
  const unit = $derived(drying.wet_g > 3 * heavy.grams ? heavy : light);
  const rung = $derived([1, 2, 5, 10, 20, 25, 50, 100, 200, 250, 500].find((each) => (each * unit.grams) / drying.wet_g > 0.2) ?? 1000);
  const rungs = $derived(Array.from({ length: Math.floor(most / (rung * unit.grams)) + 1 }, (_, n) => n * rung));
</script>

<Chart
  label="Weight of the {drying.name}: {drying.now} now, {drying.target} when dry, about {when(drying.done)}, between {when(drying.done_low)} and {when(
    drying.done_high,
  )}"
  high={210}
  top={34}
  left={54}
  right={22}
  under={28}
  across={{ from: 0, to: end }}
  up={{ from: 0, to: most }}
  below={(wide) => hourMarks(moment(drying.went_in), end, wide)}
  beside={rungs.map((count) => ({ at: count * unit.grams, words: `${whole(count)} ${unit.name}` }))}
>
  {#snippet children(frame)}
    {@const dry = frame.y(drying.target_g)}
    <path d={between(drying.curve, (point) => [point.hours, point.low_g, point.high_g], frame)} fill="var(--yolk-pale)" />
    <path d="M{frame.left} {dry}H{frame.right}" stroke="var(--leaf)" stroke-width="2" stroke-dasharray="6 4" />
    <text x={frame.left + 8} y={dry - 7} font-size="13" font-weight="700" fill="var(--leaf)">dry at {drying.target}</text>
    <path
      d={through(drying.curve, (point) => [point.hours, point.likely_g], frame)}
      fill="none"
      stroke="var(--ink)"
      stroke-width="2"
      stroke-dasharray="1 5"
      stroke-linecap="round"
    />
    <path
      d={through(
        drying.curve.filter((point) => point.hours <= now),
        (point) => [point.hours, point.likely_g],
        frame,
      )}
      fill="none"
      stroke="var(--ink)"
      stroke-width="2.8"
      stroke-linecap="round"
    />
    {#each drying.seen as seen, n (n)}
      <circle cx={frame.x(seen.hours)} cy={frame.y(seen.mass_g)} r="5.500" fill="var(--paper)" stroke="var(--ink)" stroke-width="2.4" />
    {/each}
    <path d="M{frame.x(now)} {frame.top}V{frame.foot}" stroke="var(--slate)" stroke-width="1.6" />
    <text
      x={frame.x(now)}
      y={frame.top - 20}
      text-anchor={anchor(frame.x(now) - frame.left, said, frame.right - frame.left)}
      font-size="13"
      font-weight="700"
      fill="var(--slate)">{said}</text
    >
    <path
      d="M{frame.x(drying.hours.low)} {dry + 9}v8M{frame.x(drying.hours.low)} {dry + 13}H{frame.x(high)}M{frame.x(high)} {dry + 9}v8"
      fill="none"
      stroke="var(--ink)"
      stroke-width="2"
    />
    <circle cx={frame.x(drying.hours.likely)} cy={dry} r="7" fill="var(--yolk)" stroke="var(--on-yolk)" stroke-width="2" />
    <text
      x={frame.x(drying.hours.likely) + (late ? 4 : -4)}
      y={dry - 14}
      text-anchor={late ? "end" : "start"}
      font-size="14"
      font-weight="800"
      fill="var(--ink)">{when(drying.done)}</text
    >
  {/snippet}
</Chart>
