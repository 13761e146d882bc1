<!-- Oxygen, moisture and life in one package on one line of time: what was, and what will be. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import Chart from "$lib/ui/chart/Chart.svelte";
  import { monthMarks } from "$lib/ui/chart/days";
  import { between, type Frame, through } from "$lib/ui/chart/frame";

  let { inside, plan = false }: { inside: Schemas["Inside"]; /** Whether it is not packed yet. */ plan?: boolean } = $props();

  type Point = Schemas["InsidePoint"];
  type Line = { name: string; of: (point: Point) => [number | null, number | null, number | null] };

  const OXYGEN: Line = { name: "Oxygen", of: (point) => [point.oxygen, point.oxygen_low, point.oxygen_high] };
  const MOIST: Line = { name: "Water activity", of: (point) => [point.activity, point.activity_low, point.activity_high] };
  const LIFE: Line = { name: "Life left", of: (point) => [point.left * 100, point.left_low * 100, point.left_high * 100] };

  const points = $derived(inside.points);
  const across = $derived({ from: points[0]?.day ?? 0, to: points.at(-1)?.day ?? 1 });
  const moist = $derived(points.some((point) => point.activity !== null));
  const mostMoist = $derived(Math.max(0.7, inside.limit ?? 0, ...points.map((point) => point.activity_high ?? 0)) + 0.06);
  /** Numbers of what happened stand where there is room for them. */
  const APART_PX = 17;

  /** Stretches of a line without a gap: where nobody wrote down how it was closed, nothing is drawn. */
  function runs(line: Line): [number, number, number, number][][] {
    const found: [number, number, number, number][][] = [[]];
    for (const point of points) {
      const [likely, low, high] = line.of(point);
      if (likely === null || low === null || high === null) {
        if (found.at(-1)?.length) found.push([]);
      } else found.at(-1)?.push([point.day, likely, low, high]);
    }
    return found;
  }

  function numbered(frame: Frame) {
    let last = -Infinity;
    return inside.marks.map((mark, n) => {
      const x = frame.x(Math.min(Math.max(mark.day, across.from), across.to));
      const shown = x - last >= APART_PX;
      if (shown) last = x;
      return { x, n: n + 1, shown };
    });
  }
</script>

{#snippet band(frame: Frame, line: Line, fill: string)}
  {#if inside.today > across.from && inside.today < across.to}
    <rect x={frame.x(inside.today)} y={frame.top} width={frame.right - frame.x(inside.today)} height={frame.foot - frame.top} fill="var(--cream)" />
  {/if}
  {#each numbered(frame) as mark (mark.n)}
    <path d="M{mark.x} {frame.top}V{frame.foot}" stroke="var(--line)" stroke-width="1.3" stroke-dasharray="3 3" />
  {/each}
  {#each runs(line) as run, n (n)}
    <path d={between(run, ([day, , low, high]) => [day, low, high], frame)} {fill} />
    <path d={through(run, ([day, likely]) => [day, likely], frame)} fill="none" stroke="var(--ink)" stroke-width="2.400" stroke-linejoin="round" />
  {/each}
  <text x={frame.right} y={frame.top - 6} text-anchor="end" font-size="13" font-weight="700" fill="var(--ink)">{line.name}</text>
{/snippet}

<Chart
  label="Oxygen over the years. {inside.says} {inside.then}"
  high={84}
  left={48}
  top={24}
  under={4}
  {across}
  up={{ from: 0, to: 22 }}
  below={() => []}
  beside={[
    { at: 20, words: "20 %" },
    { at: 10, words: "10 %" },
    { at: 1, words: "1 %", tone: "var(--leaf)" },
  ]}
>
  {#snippet children(frame)}
    {@render band(frame, OXYGEN, "var(--yolk-pale)")}
    <path d="M{frame.left} {frame.y(1)}H{frame.right}" stroke="var(--leaf)" stroke-width="1.4" stroke-dasharray="5 4" />
    {#each numbered(frame) as mark (mark.n)}
      {#if mark.shown && !plan}
        <circle cx={mark.x} cy="11" r="8.500" fill="var(--paper)" stroke="var(--ink)" stroke-width="1.4" />
        <text x={mark.x} y="15.500" text-anchor="middle" font-size="11.500" font-weight="700" fill="var(--ink)">{mark.n}</text>
      {/if}
    {/each}
  {/snippet}
</Chart>
{#if moist}
  <Chart
    label="Water activity over the years"
    high={84}
    left={48}
    top={20}
    under={4}
    {across}
    up={{ from: 0, to: mostMoist }}
    below={() => []}
    beside={[0.2, 0.4, 0.6, 0.8].filter((each) => each < mostMoist).map((each) => ({ at: each, words: each.toFixed(1) }))}
  >
    {#snippet children(frame)}
      {@render band(frame, MOIST, "color-mix(in oklab, var(--slate) 28%, var(--paper))")}
      {#if inside.limit !== null}
        <path d="M{frame.left} {frame.y(inside.limit)}H{frame.right}" stroke="var(--rust)" stroke-width="1.4" stroke-dasharray="5 4" />
        <text x={frame.left + 6} y={frame.y(inside.limit) - 5} font-size="12.500" font-weight="700" fill="var(--rust)">{inside.above}</text>
      {/if}
    {/snippet}
  </Chart>
{/if}
<Chart
  label="Life left over the years"
  high={84}
  left={48}
  top={20}
  {across}
  up={{ from: 0, to: 108 }}
  below={(wide) => monthMarks(across, wide)}
  beside={[
    { at: 100, words: "100 %" },
    { at: 50, words: "50 %" },
    { at: 0, words: "0" },
  ]}
>
  {#snippet children(frame)}
    {@render band(frame, LIFE, "color-mix(in oklab, var(--leaf) 24%, var(--paper))")}
    {#if inside.today > across.from && inside.today < across.to}
      <path d="M{frame.x(inside.today)} {frame.top}V{frame.foot}" stroke="var(--slate)" stroke-width="1.8" />
      <text x={frame.x(inside.today) + 5} y={frame.foot - 7} font-size="12.500" font-weight="700" fill="var(--slate)">today</text>
    {/if}
  {/snippet}
</Chart>
<p class="caption mt-1">
  The line is what is likely; the bands are how tight such containers are, and what cautious and hopeful estimates say.{plan
    ? ""
    : " Tinted, what is still to come."}
</p>
