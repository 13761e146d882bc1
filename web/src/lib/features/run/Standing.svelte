<!-- One container of the run on the table: open, filled or closed, with its number on it. -->
<script lang="ts">
  import Container from "$lib/draw/Container.svelte";
  import { outline } from "$lib/draw/outline";
  import { patternOf } from "$lib/draw/pieces";
  import type { RunContainer } from "./run.svelte";

  let {
    each,
    scale,
    now = false,
    big = false,
    share = 0,
  }: {
    each: RunContainer;
    scale: number;
    now?: boolean;
    big?: boolean;
    /** How much of what is planned is in it, while it is being filled. */
    share?: number;
  } = $props();

  const filled = $derived(each.filled_g !== null || each.closed);
  const shape = $derived(outline(each.draw, scale));
  const width = $derived(shape.half * 2 + 14);
  const height = $derived(shape.top + 16);
  const tag = $derived(big ? 17 : 11);
</script>

<svg {width} {height} viewBox="{-width / 2} {-height + 6} {width} {height}" class="max-w-full shrink-0" aria-hidden="true">
  {#if now}<rect x={-width / 2 + 1} y={-height + 7} width={width - 2} height={height - 4} rx="9" fill="var(--yolk)" opacity=".5" />{/if}
  <g opacity={each.closed || now || big ? 1 : filled ? 0.9 : 0.75}>
    <Container
      id="r{each.n}{big ? 'b' : ''}"
      drawn={each.draw}
      {scale}
      level={(filled ? 1 : share) * each.level * each.draw.inner_mm}
      open={!each.closed}
      pattern={patternOf(each)}
      food={each.form}
      colour={each.colour}
      pressed={each.closed}
      see={filled || share > 0.01 ? "food" : "wall"}
      fine={big}
    />
  </g>
  <g transform="translate(0 {-shape.label.y})">
    <rect x={-tag * 1.35} y={-tag * 0.85} width={tag * 2.7} height={tag * 1.7} rx="2" fill="var(--label)" stroke="var(--label-ink)" stroke-width="1.2" />
    <text y={tag * 0.37} text-anchor="middle" font-size={tag} font-weight="800" fill="var(--label-ink)">{each.number}</text>
  </g>
  {#if each.closed && !big}
    <circle cx={shape.half - 3} cy={-9} r="8.5" fill={each.late ? "var(--rust)" : "var(--leaf)"} stroke="var(--paper)" stroke-width="2" />
    <path d="M{shape.half - 7} {-9}l3 3.200l5 -6" fill="none" stroke="var(--paper)" stroke-width="2" />
  {/if}
</svg>
