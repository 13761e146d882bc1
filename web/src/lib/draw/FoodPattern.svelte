<!-- The repeating square of a food's pieces, to fill a container with. Goes into <defs>. -->
<script lang="ts">
  import { SQUARE, form, square } from "./pieces";

  let {
    id,
    food,
    colour,
    scale = 1,
    upTo = SQUARE,
  }: {
    id: string;
    food: string;
    colour: string;
    scale?: number;
    /** Only so much of the square is looked at: the rest need not be drawn. */
    upTo?: number;
  } = $props();

  const shape = $derived(form(food));
  const drawn = $derived(square(food, upTo));
</script>

<pattern {id} width={SQUARE} height={SQUARE} patternUnits="userSpaceOnUse" patternTransform="scale({scale})">
  <rect width={SQUARE} height={SQUARE} fill="color-mix(in oklab, {colour} 34%, var(--food-paper))" />
  <g
    fill={shape.open ? "none" : `color-mix(in oklab, ${colour} 62%, var(--food-paper))`}
    stroke="color-mix(in oklab, {colour} 74%, var(--shade))"
    stroke-width={food === "dust" ? 0.2 : 0.8}
    stroke-linecap="round"
  >
    {#each drawn.layers as outline, n (n)}<path d={outline} />{/each}
  </g>
  {#if drawn.fine}
    <path d={drawn.fine} fill="none" stroke="color-mix(in oklab, {colour} 58%, var(--shade))" stroke-width=".65" stroke-linecap="round" opacity=".75" />
  {/if}
</pattern>
