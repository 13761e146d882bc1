<!-- How the germination of one harvest goes down over its years, with what tests showed and how far that may be off. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";

  let { seed }: { seed: Schemas["SeedView"] } = $props();

  const WIDE = 260;
  const HIGH = 92;
  const end = $derived(Math.max(1, seed.curve.at(-1)?.years ?? 1));
  const x = (years: number) => (years / end) * WIDE;
  const y = (share: number) => HIGH - share * HIGH;
  const path = $derived(seed.curve.map((at, n) => `${n ? "L" : "M"}${x(at.years).toFixed(1)} ${y(at.germination).toFixed(1)}`).join(""));
  const every = $derived(end > 12 ? 5 : end > 5 ? 2 : 1);
  const ticks = $derived(Array.from({ length: Math.floor(end / every) + 1 }, (_, n) => n * every));
</script>

<svg
  viewBox="-42 -8 {WIDE + 54} {HIGH + 28}"
  class="w-full max-w-96"
  role="img"
  aria-label="Germination of {seed.name} over its years: {Math.round(seed.germination * 100)} % today"
>
  <g class="fill-soft" font-size="10">
    {#each [0, 0.5, 1] as share (share)}
      <path d="M0 {y(share)}H{WIDE}" stroke="var(--line)" stroke-dasharray={share === 0.5 ? "4 3" : undefined} />
      <text x="-6" y={y(share) + 3.5} text-anchor="end">{share * 100} %</text>
    {/each}
    {#each ticks as years (years)}
      <text x={x(years)} y={HIGH + 14} text-anchor="middle">{years === 0 ? "new" : `${years} y`}</text>
    {/each}
  </g>
  <path d={path} fill="none" stroke="var(--leaf)" stroke-width="2.5" stroke-linejoin="round" />
  <path d="M{x(Math.min(seed.years, end))} 0V{HIGH}" stroke="var(--ink)" stroke-width="1.5" stroke-dasharray="2 3" />
  {#each seed.tests as test, n (n)}
    <path d="M{x(test.years)} {y(test.high)}V{y(test.low)}" stroke="var(--ink)" stroke-width="1.5" />
    <circle cx={x(test.years)} cy={y(test.came / test.sown)} r="4" fill="var(--yolk)" stroke="var(--ink)" stroke-width="1.5" />
  {/each}
</svg>
