<!-- A sack of what is wanted, filled as far as it is here; the rest is air. -->
<script lang="ts">
  import { patternOf, type Painted } from "./pieces";
  import { heap } from "./surface";

  let { food, share, size, id }: { food: Painted; share: number; size: number; id: string } = $props();

  const w = $derived(size * 0.42);
  const h = $derived(size * 0.78);
  const n = (value: number) => value.toFixed(1);
  /** Body, then the gathered neck with its tie. */
  const body = $derived(
    `M${n(-w * 0.82)} 0C${n(-w * 1.16)} ${n(-h * 0.16)} ${n(-w * 1.1)} ${n(-h * 0.62)} ${n(-w * 0.62)} ${n(-h * 0.9)}` +
      `C${n(-w * 0.4)} ${n(-h)} ${n(-w * 0.3)} ${n(-h)} ${n(-w * 0.26)} ${n(-h)}H${n(w * 0.26)}` +
      `C${n(w * 0.3)} ${n(-h)} ${n(w * 0.4)} ${n(-h)} ${n(w * 0.62)} ${n(-h * 0.9)}` +
      `C${n(w * 1.1)} ${n(-h * 0.62)} ${n(w * 1.16)} ${n(-h * 0.16)} ${n(w * 0.82)} 0Z`,
  );
  const ears = $derived(
    `M${n(-w * 0.24)} ${n(-h)}C${n(-w * 0.3)} ${n(-h - size * 0.1)} ${n(-w * 0.52)} ${n(-h - size * 0.16)} ${n(-w * 0.44)} ${n(-size)}` +
      `C${n(-w * 0.2)} ${n(-size * 0.93)} ${n(w * 0.2)} ${n(-size * 0.93)} ${n(w * 0.44)} ${n(-size)}` +
      `C${n(w * 0.52)} ${n(-h - size * 0.16)} ${n(w * 0.3)} ${n(-h - size * 0.1)} ${n(w * 0.24)} ${n(-h)}Z`,
  );
</script>

<clipPath id="{id}-in"><path d={body} /></clipPath>
<path d={body} fill="var(--air)" />
<g clip-path="url(#{id}-in)">
  <rect x={-w * 1.2} y={-h} width={w * 2.4} height={h} fill="url(#air)" />
  {#if share > 0}<path d={heap(w * 1.1, Math.max(2, h * share * 0.96), 5, 0.6)} fill="url(#{patternOf(food)})" stroke="var(--ink)" stroke-width=".6" />{/if}
</g>
<path d={body} fill="none" stroke="var(--ink)" stroke-width="1.6" stroke-linejoin="round" />
<path d={ears} fill="var(--foil)" stroke="var(--ink)" stroke-width="1.3" stroke-linejoin="round" />
<path d="M{n(-w * 0.3)} {n(-h)}H{n(w * 0.3)}" stroke="var(--rust)" stroke-width={size > 34 ? 2.4 : 1.8} stroke-linecap="round" />
