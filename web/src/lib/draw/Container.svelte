<!-- One container with food in it, foot in the middle at (0, 0). The same hand on the bench and on the shelf. -->
<script lang="ts">
  import { outline, type Drawn } from "./outline";
  import { crest, form } from "./pieces";
  import { heap } from "./surface";

  let {
    drawn,
    scale,
    level,
    pattern,
    food = "grain",
    colour = "var(--lid)",
    pressed = false,
    see = "food",
    open = false,
    id,
    fine = true,
  }: {
    drawn: Drawn;
    scale: number;
    /** Height of the food above the foot, mm. */
    level: number;
    pattern: string;
    food?: string;
    colour?: string;
    /** The air above the food is pressed out. */
    pressed?: boolean;
    /** Show the food through any wall, as on the bench; or only where the wall lets it be seen. */
    see?: "food" | "wall";
    /** Not closed yet: no seal, no lid. */
    open?: boolean;
    id: string;
    fine?: boolean;
  } = $props();

  const shape = $derived(outline(drawn, scale));
  const flat = $derived(drawn.seal_mm > 0);
  const lined = $derived(drawn.kind === "pail with liner");
  const height = $derived(Math.max(2, level * scale));
  const half = $derived(shape.halfAt(height));
  const piece = $derived(form(food));
  const top = $derived(fine ? crest(food, half * 2, 1) : []);
  const shows = $derived(see === "food" || drawn.clear);
  const paint = $derived(drawn.clear ? "var(--glass)" : drawn.kind === "can" || drawn.kind === "tin" ? "var(--lid)" : "var(--foil)");
</script>

<clipPath id="{id}-in"><path d={shape.inside} /></clipPath>

{#if shape.bail && see === "food"}
  <path d={shape.bail} fill="none" stroke="var(--soft)" stroke-width="1.6" />
{/if}
<path d={shape.body} fill={paint} />
{#if shows}
  <g clip-path="url(#{id}-in)">
    {#if !(pressed && flat)}
      <rect x={-shape.half} y={-shape.top} width={shape.half * 2} height={shape.top} fill="var(--air)" />
      <rect x={-shape.half} y={-shape.top} width={shape.half * 2} height={shape.top} fill="url(#air)" />
    {:else}
      <!-- Pressed flat: the film lies together above the food. -->
      <g stroke="var(--line)" stroke-width="1.2" fill="none">
        {#each [0.2, 0.42, 0.63, 0.84] as at, n (at)}
          <path
            d="M{(-half + 2 * half * at).toFixed(1)} {(-height - 5).toFixed(1)}Q{(-half + 2 * half * at + (n % 2 ? 6 : -6)).toFixed(1)} {(
              -(height + shape.top) / 2
            ).toFixed(1)} {(-half + 2 * half * (at * 0.92 + 0.04)).toFixed(1)} {(-shape.top + drawn.seal_mm * scale + 3).toFixed(1)}"
          />
        {/each}
      </g>
    {/if}
    <path d={heap(shape.half, height, 3, food === "dust" ? 0.5 : 1)} fill="url(#{pattern})" />
    {#if food !== "dust" && food !== "crystal" && !piece.open}
      <g
        fill="color-mix(in oklab, {colour} 62%, var(--food-paper))"
        stroke="color-mix(in oklab, {colour} 74%, var(--shade))"
        stroke-width=".8"
        fill-rule="evenodd"
      >
        {#each top as each, n (n)}
          <path
            d={piece.outline}
            transform="translate({(each.x - half).toFixed(1)} {(each.y - height).toFixed(1)}) rotate({each.turn}) scale({each.size.toFixed(2)})"
          />
        {/each}
      </g>
    {/if}
    {#if lined}
      <path
        d="M{-half + 3} {-2}C{-half - 1} {-height * 0.5} {-half + 4} {-height} {-half + 5} {-shape.top + 12}M{half - 3} {-2}C{half + 1} {-height * 0.5} {half -
          4} {-height} {half - 5} {-shape.top + 12}"
        fill="none"
        stroke="var(--slate)"
        stroke-width="1.3"
        opacity=".8"
      />
    {/if}
  </g>
{/if}
{#if shape.bail && see === "wall"}
  <path d={shape.bail} fill="none" stroke="var(--soft)" stroke-width="1.4" />
{/if}
<path
  d={shape.lines}
  fill="none"
  stroke={drawn.clear && drawn.kind === "jar" ? "var(--paper)" : "var(--soft)"}
  stroke-width={drawn.kind === "jar" ? 2.4 : 1.1}
  stroke-linecap="round"
  opacity={flat && see === "food" && !drawn.clear ? 0.28 : 0.75}
/>
{#if shape.seal && !open}
  <path d={shape.seal} fill="var(--foil)" />
  <path d={shape.seal} fill="url(#seal)" />
{/if}
<path d={shape.body} fill="none" stroke="var(--ink)" stroke-width="2" stroke-linejoin="round" />
{#if shape.seal && !open}
  <path d={shape.seal} fill="none" stroke="var(--ink)" stroke-width="1.6" stroke-linejoin="round" />
{/if}
{#if shape.lid && !open}
  <path d={shape.lid} fill="var(--lid)" stroke="var(--ink)" stroke-width="1.8" stroke-linejoin="round" />
{/if}
