<!-- A bowl cut open: what is in it, layer by layer, as thick as its share of the energy. -->
<script lang="ts">
  import { patternOf, type Painted } from "./pieces";

  let { layers, steam = true }: { layers: (Painted & { share: number })[]; steam?: boolean } = $props();

  // From y = 12, a hand's breadth under the rim, down to the foot at 96.
  const TOP = 14;
  const DEEP = 80;
  const bands = $derived.by(() => {
    let y = TOP + DEEP;
    return layers
      .filter((layer) => layer.share > 0.004)
      .map((layer) => {
        const height = layer.share * DEEP;
        y -= height;
        return { ...layer, y, height };
      });
  });
  const inside = "M12 8H188C184 62 148 96 100 96C52 96 16 62 12 8Z";
</script>

<svg viewBox="0 -34 200 150" class="w-full" aria-hidden="true">
  <clipPath id="bowl-in"><path d={inside} /></clipPath>
  {#if steam && bands.length}
    <path
      d="M70 -2C62 -12 78 -18 70 -30M100 -4C92 -14 108 -20 100 -32M130 -2C122 -12 138 -18 130 -30"
      fill="none"
      stroke="var(--line)"
      stroke-width="3"
      stroke-linecap="round"
    />
  {/if}
  <path d="M64 98Q100 110 136 98L142 110H58Z" fill="var(--lid)" stroke="var(--ink)" stroke-width="2" stroke-linejoin="round" />
  <path d={inside} fill="var(--glass)" />
  <g clip-path="url(#bowl-in)">
    {#each bands as band, n (n)}
      <rect x="0" y={band.y} width="200" height={band.height + 0.5} fill="url(#{patternOf(band)})" />
      <path d="M0 {band.y}H200" stroke="var(--ink)" stroke-width="1" opacity=".7" />
    {/each}
    {#if !bands.length}<rect width="200" height="100" fill="url(#air)" />{/if}
  </g>
  <path d={inside} fill="none" stroke="var(--ink)" stroke-width="2.4" stroke-linejoin="round" />
  <path d="M4 8H196" stroke="var(--ink)" stroke-width="4.5" stroke-linecap="round" />
</svg>
