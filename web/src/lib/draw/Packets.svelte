<!-- Packets at their real sizes beside one another, with their ratings. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";

  let { sizes, scale = 0.8 }: { sizes: Schemas["PacketShape"][]; scale?: number } = $props();

  const small = $derived(scale < 0.6);
  const each = $derived(sizes.flatMap((size) => Array.from({ length: Math.min(size.count, 8) }, () => size)));
  const at = $derived(each.map((_, n) => each.slice(0, n).reduce((sum, one) => sum + one.width_mm * scale + 8, 4)));
  const width = $derived(each.reduce((sum, one) => sum + one.width_mm * scale + 8, 8));
  const height = $derived(Math.max(...each.map((one) => one.length_mm * scale), 1) + 8);
</script>

<svg
  {width}
  {height}
  viewBox="0 0 {width} {height}"
  class="max-w-full"
  role="img"
  aria-label={sizes.map((size) => `${size.count} × ${size.size_ml} mL`).join(" + ")}
>
  {#each each as one, n (n)}
    {@const w = one.width_mm * scale}
    {@const h = one.length_mm * scale}
    <g transform="translate({at[n] ?? 0} {height - 4 - h})">
      <rect width={w} height={h} rx="3" fill="var(--label)" stroke="var(--label-ink)" stroke-width="1.6" />
      <path d="M0 {small ? 4 : 6}H{w}M0 {h - (small ? 4 : 6)}H{w}" stroke="var(--label-ink)" stroke-width="1" stroke-dasharray="2.500 2" />
      <text x={w / 2} y={h / 2 + (small ? 4 : 1)} text-anchor="middle" font-size={Math.min(15, w * 0.4)} font-weight="800" fill="var(--label-ink)"
        >{one.size_ml}</text
      >
      {#if !small}<text x={w / 2} y={h / 2 + 12} text-anchor="middle" font-size="9" fill="var(--label-soft)">mL</text>{/if}
    </g>
  {/each}
</svg>
