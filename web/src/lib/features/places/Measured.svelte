<!-- What was measured in a place: day by day, with its warm spells and what they cost. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { shownDegrees } from "$lib/format/degrees";
  import { counted } from "$lib/format/words";
  import { larder } from "$lib/state/larder.svelte";
  import Chart from "$lib/ui/chart/Chart.svelte";
  import { between, through } from "$lib/ui/chart/frame";
  import { ends, monthMarks, steps } from "$lib/ui/chart/days";

  let { climate }: { climate: Schemas["PlaceClimate"] } = $props();

  type Point = Schemas["ClimatePoint"];
  type Told = Point & { low: number; mean: number; high: number };

  const is = (point: Point): point is Told => typeof point.mean === "number";
  const at = (celsius: number) => shownDegrees(celsius, larder.us);
  /** Stretches without a gap: a line through a gap would tell what nobody measured. */
  const runs = $derived(
    climate.points.reduce<Told[][]>(
      (found, point) => {
        if (is(point) && point.enough) found.at(-1)?.push(point);
        else if (found.at(-1)?.length) found.push([]);
        return found;
      },
      [[]],
    ),
  );
  const told = $derived(climate.points.filter(is));
  /** Read so seldom that no line tells what was between. */
  const few = $derived(told.filter((point) => !point.enough));
  const across = $derived(ends(climate.points));
  const up = $derived.by(() => {
    const lows = [...told.map((point) => point.low), ...climate.points.map((point) => point.year)];
    const highs = [...told.map((point) => point.high), ...climate.points.map((point) => point.year)];
    return { from: Math.floor(at(Math.min(...lows)) - 1), to: Math.ceil(at(Math.max(...highs)) + 1) };
  });
  const says = $derived(climate.figures.map(({ what, how }) => `${what} ${how}`).join(", "));
  const limit = $derived(at(climate.warm_c));
</script>

<p class="mt-4 text-md font-semibold">Measured {climate.measured}</p>
<Chart
  label="Temperatures, {climate.measured}. {says}"
  high={230}
  {across}
  {up}
  below={(wide) => monthMarks(across, wide)}
  beside={steps(up.from, up.to).map((each) => ({ at: each, words: `${each}°` }))}
>
  {#snippet children(frame)}
    {#each climate.spells as spell (spell.since_day)}
      <rect
        x={frame.x(Math.max(across.from, spell.since_day))}
        y={frame.top}
        width={Math.max(3, frame.x(Math.min(across.to, spell.until_day)) - frame.x(Math.max(across.from, spell.since_day)))}
        height={frame.foot - frame.top}
        fill="color-mix(in oklab, var(--rust) 17%, var(--paper))"
      />
    {/each}
    {#each runs as run, n (n)}
      <path d={between(run, (point) => [point.day, at(point.low), at(point.high)], frame)} fill="color-mix(in oklab, var(--slate) 32%, var(--paper))" />
    {/each}
    <path
      d={through(climate.points, (point) => [point.day, at(point.year)], frame)}
      fill="none"
      stroke="var(--soft)"
      stroke-width="1.6"
      stroke-dasharray="2 4"
    />
    {#if limit < up.to && limit > up.from}
      <path d="M{frame.left} {frame.y(limit)}H{frame.right}" stroke="var(--rust)" stroke-width="1.6" stroke-dasharray="5 4" />
      <text x={frame.left + 6} y={frame.y(limit) - 5} font-size="12.500" font-weight="700" fill="var(--rust)">{climate.warm}: too warm</text>
    {/if}
    {#each runs as run, n (n)}
      <path d={through(run, (point) => [point.day, at(point.mean)], frame)} fill="none" stroke="var(--ink)" stroke-width="2" stroke-linejoin="round" />
    {/each}
    {#each few as point (point.day)}
      <circle cx={frame.x(point.day)} cy={frame.y(at(point.mean))} r="4.500" fill="var(--ink)" stroke="var(--paper)" stroke-width="1.5" />
    {/each}
  {/snippet}
</Chart>
<p class="caption mt-1.5">
  {runs[0]?.length ? "The line is the mean of the days, the band around it how cold and how warm it was" : "Each dot was read once"}; dotted, what the place is
  taken for where nothing was measured.
</p>
<dl class="mt-4 grid grid-cols-2 gap-x-6 gap-y-2 sm:grid-cols-3">
  {#each climate.figures as { what, how } (what)}
    <div>
      <dt class="head">{what}</dt>
      <dd class="text-lg font-bold">{how}</dd>
    </div>
  {/each}
</dl>
<p class="caption mt-1">Mean kinetic temperature: the steady warmth that would age things as much. Heat counts for more in it than cold makes good.</p>
{#if climate.gaps.length}
  <p class="mt-3 text-md"><b>Not measured</b>, or not believed: {climate.gaps.join("; ")}. There the year counts.</p>
{/if}
<h2 class="mt-7 text-2xl">{climate.spells.length ? "Warm spells" : `Never above ${climate.warm} while it was measured`}</h2>
{#if climate.spells.length}
  <ul class="mt-2 divide-y divide-line border-y border-line">
    {#each climate.spells as spell (spell.since_day)}
      <li class="py-2">
        <p class="font-semibold">{spell.says}</p>
        {#if spell.cost}<p class="text-md text-soft">{spell.cost}</p>{/if}
      </li>
    {/each}
  </ul>
  {#if climate.more_spells}<p class="caption mt-1">And {counted(climate.more_spells, "shorter one")}.</p>{/if}
{/if}
