<!-- A chart as wide as there is room: its axes and the marks along them, and within, what the caller draws. -->
<script lang="ts">
  import type { Snippet } from "svelte";
  import { Room } from "../room.svelte";
  import { anchor, frame, spaced, type Frame, type Mark, type Span } from "./frame";

  let {
    label,
    high,
    across,
    up,
    below,
    beside,
    left = 40,
    right = 12,
    top = 8,
    under = 22,
    wall = true,
    children,
  }: {
    /** What somebody is told who cannot see it. */
    label: string;
    high: number;
    across: Span;
    up: Span;
    /** The marks along the foot, given how wide it is. */
    below: (wide: number) => Mark[];
    /** The marks up the left side. */
    beside: Mark[];
    left?: number;
    right?: number;
    top?: number;
    under?: number;
    /** Whether the left side is drawn too, and not the foot alone. */
    wall?: boolean;
    children: Snippet<[Frame]>;
  } = $props();

  // svelte-ignore state_referenced_locally
  const room = new Room(`chart ${label}`, { width: 560, height: 0 });
  const wide = $derived(Math.max(160, room.width - left - right));
  const at = $derived(frame({ left, right: left + wide, top, foot: top + high }, across, up));
</script>

<div {@attach room.measured} class="min-w-0 overflow-hidden">
  <svg width={room.width} height={top + high + under} class="block" role="img" aria-label={label}>
    {@render children(at)}
    <path d="M{left} {wall ? top : at.foot}V{at.foot}H{at.right}" fill="none" stroke="var(--ink)" stroke-width="1.8" />
    {#each beside as mark, n (n)}
      {#if wall}<path d="M{left - 4} {at.y(mark.at)}h4" stroke="var(--ink)" stroke-width="1.3" />{/if}
      <text x={left - 7} y={at.y(mark.at) + 4.5} text-anchor="end" font-size="12.5" fill={mark.tone ?? "var(--soft)"} font-weight={mark.tone ? 700 : 400}
        >{mark.words}</text
      >
    {/each}
    {#each spaced(below(wide), at.x, room.width) as mark, n (n)}
      <path d="M{at.x(mark.at)} {at.foot}v4.500" stroke="var(--ink)" stroke-width="1.3" />
      <text x={at.x(mark.at)} y={at.foot + 18} text-anchor={anchor(at.x(mark.at), mark.words, room.width)} font-size="12.5" fill="var(--soft)"
        >{mark.words}</text
      >
    {/each}
  </svg>
</div>
