<!-- What a supply looks like, at real proportions within its sort. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { outline } from "$lib/draw/outline";

  let { supply, packet }: { supply: Schemas["Supply"]; packet?: Schemas["PacketRow"] } = $props();

  const drawn = $derived(supply.draw);
  const whole = $derived(drawn && outline(drawn, 1));
  const scale = $derived(whole ? Math.min(58 / Math.max(whole.top, 235), 31 / whole.half) : 0.42);
  const shape = $derived(drawn ? outline(drawn, scale) : undefined);
  // Lids lie on one another, the upper one in front; all else stands with the nearer one in front.
  const behind = $derived(supply.count < 2 ? [0] : supply.sort === "lids" ? [0, 1] : [1, 0]);
</script>

<svg viewBox="-34 -66 68 70" class="h-[70px] w-[68px] shrink-0 {supply.count || supply.spares ? '' : 'opacity-45'}" aria-hidden="true">
  {#if shape}
    {#each behind as n (n)}
      <g transform="translate({n * 4} {-n * 2})">
        <path d={shape.body} fill={drawn?.clear ? "var(--glass)" : "var(--foil)"} stroke="var(--ink)" stroke-width="1.6" />
        {#if drawn?.kind === "jar" || drawn?.kind === "pail" || drawn?.kind === "pail with liner"}<path
            d={shape.lines}
            fill="none"
            stroke="var(--soft)"
            stroke-width="1"
          />{/if}
        {#if shape.seal}<path d={shape.seal} fill="var(--line)" stroke="var(--ink)" stroke-width="1.2" />{/if}
        {#if shape.lid}<path d={shape.lid} fill="var(--lid)" stroke="var(--ink)" stroke-width="1.3" />{/if}
      </g>
    {/each}
  {:else if packet}
    {@const w = packet.width_mm * 0.42}
    {@const h = packet.length_mm * 0.42}
    {#each behind as n (n)}
      <g transform="translate({-w / 2 + n * 4} {-h - n * 3})">
        <rect width={w} height={h} rx="2" fill="var(--label)" stroke="var(--label-ink)" stroke-width="1.5" />
        <path d="M0 4H{w}M0 {h - 4}H{w}" stroke="var(--label-ink)" stroke-width=".9" stroke-dasharray="2 1.600" />
        {#if !n}<text x={w / 2} y={h / 2 + 4} text-anchor="middle" font-size={Math.min(12, w * 0.4)} font-weight="800" fill="var(--label-ink)"
            >{supply.key}</text
          >{/if}
      </g>
    {/each}
  {:else if supply.sort === "desiccant"}
    <rect x="-19" y="-42" width="38" height="42" rx="4" fill="var(--air)" stroke="var(--ink)" stroke-width="1.8" />
    {#each [[-9, -31], [3, -33], [11, -25], [-3, -22], [-12, -15], [7, -13], [-2, -9]] as [x, y] (`${x}${y}`)}<circle
        cx={x}
        cy={y}
        r="3.400"
        fill="var(--paper)"
        stroke="var(--slate)"
        stroke-width="1.400"
      />{/each}
  {:else if supply.sort === "lids"}
    {@const r = supply.key === "wide" ? 29 : 23.6}
    {#each behind as n (n)}
      {@const y = -10 - n * 7}
      <path d="M{-r} {y}V{y + 5}A{r} {r * 0.32} 0 0 0 {r} {y + 5}V{y}" fill="var(--lid)" stroke="var(--ink)" stroke-width="1.600" /><ellipse
        cx="0"
        cy={y}
        rx={r}
        ry={r * 0.32}
        fill="var(--lid)"
        stroke="var(--ink)"
        stroke-width="1.600"
      /><ellipse cx="0" cy={y} rx={r * 0.72} ry={r * 0.21} fill="none" stroke="var(--soft)" stroke-width="1.200" />
    {/each}
  {:else}
    <path d="M-26 -8H26L22 0H-22Z" fill="var(--lid)" stroke="var(--ink)" stroke-width="1.8" /><path
      d="M-20 -8V-24Q-20 -32 -10 -32H20V-24H-8V-8"
      fill="var(--cream)"
      stroke="var(--ink)"
      stroke-width="1.8"
    />
  {/if}
</svg>
