<!-- The repeating square of a food's pieces, to fill a container with. Goes into <defs>. -->
<script lang="ts">
  import { SQUARE, form, strew } from "./pieces";

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
  const pieces = $derived(strew(food));
  // A piece that crosses the edge of the square is drawn again on the other side.
  const copies = $derived(
    pieces.flatMap((piece) =>
      [-SQUARE, 0, SQUARE].flatMap((dx) =>
        [-SQUARE, 0, SQUARE]
          .map((dy) => ({ ...piece, x: piece.x + dx, y: piece.y + dy }))
          .filter((each) => each.x > -10 && each.x < upTo + 10 && each.y > -10 && each.y < upTo + 10),
      ),
    ),
  );
</script>

<pattern {id} width={SQUARE} height={SQUARE} patternUnits="userSpaceOnUse" patternTransform="scale({scale})">
  <rect width={SQUARE} height={SQUARE} fill="color-mix(in oklab, {colour} 34%, var(--food-paper))" />
  <g
    fill={shape.open ? "none" : `color-mix(in oklab, ${colour} 62%, var(--food-paper))`}
    stroke="color-mix(in oklab, {colour} 74%, #3a2c18)"
    stroke-width={food === "dust" ? 0.2 : 0.8}
    stroke-linecap="round"
    fill-rule="evenodd"
  >
    {#each copies as piece, n (n)}
      <path d={shape.outline} transform="translate({piece.x.toFixed(1)} {piece.y.toFixed(1)}) rotate({piece.turn}) scale({piece.size.toFixed(2)})" />
    {/each}
  </g>
  {#if shape.fine}
    <g fill="none" stroke="color-mix(in oklab, {colour} 58%, #3a2c18)" stroke-width=".65" stroke-linecap="round" opacity=".75">
      {#each copies as piece, n (n)}
        <path d={shape.fine} transform="translate({piece.x.toFixed(1)} {piece.y.toFixed(1)}) rotate({piece.turn}) scale({piece.size.toFixed(2)})" />
      {/each}
    </g>
  {/if}
</pattern>
