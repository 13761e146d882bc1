<!-- A package, or alike ones behind one another, on its board, with its label: food, best-by, life left. -->
<script lang="ts">
  import { capital } from "$lib/format/words";
  import Container from "$lib/draw/Container.svelte";
  import type { Drawings, Stack } from "$lib/draw/layout";
  import { outline, type Drawn } from "$lib/draw/outline";
  import { patternOf } from "$lib/draw/pieces";

  let {
    stack,
    drawings,
    shortNames,
    scale,
    chosen,
    rim,
    lens,
    saying,
  }: {
    stack: Stack;
    drawings: Drawings;
    /** What foods are called on a narrow label. */
    shortNames: Record<string, string>;
    scale: number;
    chosen: boolean;
    /** Height of what stands in front, px: the label clears it. */
    rim: number;
    /** What its label says beside its name. */
    lens: "best-by" | "life" | "energy" | "protections" | "open";
    /** What its label says of what it is protected from, by number. */
    saying: Map<number, string>;
  } = $props();

  const first = $derived(stack.first);
  const drawn = $derived(drawings[first.container] as Drawn);
  const shape = $derived(outline(drawn, scale));
  const deep = $derived(Math.min(2, stack.packages.length - 1));
  const label = $derived({ half: Math.max(20, Math.min(shape.label.half, 54)), y: Math.max(shape.label.y, rim ? rim + 27 : 0) });
  const size = $derived(label.half < 26 ? 9.5 : label.half < 33 ? 10.5 : label.half < 48 ? 12 : 13.5);
  const name = $derived.by(() => {
    const plain = shortNames[first.food] ?? first.food;
    const most = Math.floor((label.half * 2 - 5) / (8.5 * 0.56));
    const cut = plain.length > most ? `${plain.slice(0, most - 1)}…` : plain;
    return { text: capital(cut), size: Math.min(size, (label.half * 2 - 5) / (cut.length * 0.56)) };
  });
  /** What it was to last is over, or nobody can say it any more. */
  const over = $derived(first.due === "past" || first.due === "wrong");
  const bestBy = $derived(first.due === "past" ? "past" : first.due === "wrong" ? "not right" : first.due === "kept on" ? first.due : first.best_by);
  const guarded = $derived(lens === "protections" ? saying.get(first.number) : undefined);
  const by = $derived(
    guarded ?? (lens === "energy" ? `${first.kcal_text} kcal` : lens === "life" && !over ? `${Math.round(first.left * 100)} % left` : bestBy),
  );
  const bySize = $derived(Math.min(size - 0.5, (label.half * 2 - 4) / (by.length * 0.52)));
  const bar = $derived(label.half * 2 - 2);
</script>

{#if chosen}
  <rect x={-shape.half - 7} y={-shape.top - 9} width={shape.half * 2 + 14 + deep * 6} height={shape.top + 9} rx="8" fill="var(--yolk)" opacity=".42" />
{/if}
{#each Array.from({ length: deep }, (_, n) => deep - n) as n (n)}
  <g transform="translate({n * 9 * scale} {-n * 2.5})">
    <path d={shape.body} fill={drawn.clear ? "var(--glass)" : "var(--foil)"} stroke="var(--ink)" stroke-width="1.3" />
    {#if shape.seal}<path d={shape.seal} fill="var(--foil)" stroke="var(--ink)" stroke-width="1" />{/if}
    {#if shape.lid}<path d={shape.lid} fill="var(--lid)" stroke="var(--ink)" stroke-width="1.2" />{/if}
  </g>
{/each}
<Container
  id="p{first.number}"
  {drawn}
  {scale}
  level={first.level * drawn.inner_mm}
  pattern={patternOf(first)}
  food={first.form}
  colour={first.colour}
  see="wall"
  fine={false}
/>

<g transform="translate(0 {-label.y})">
  <rect x={-label.half} y={-20} width={label.half * 2} height="41" rx="1.5" fill="var(--label)" stroke="var(--label-ink)" stroke-width="1.2" />
  <text y={-6.5} text-anchor="middle" font-size={name.size.toFixed(1)} font-weight="700" fill="var(--label-ink)">{name.text}</text>
  <text y={7} text-anchor="middle" font-size={bySize.toFixed(1)} fill={over ? "var(--alarm)" : "var(--label-soft)"} font-weight={over ? 800 : 400}>{by}</text>
  <!-- Life left: length, and hatch, never colour alone. -->
  <rect x={-label.half + 1} y="12" width={bar} height="8" fill="var(--label)" />
  <rect
    x={-label.half + 1}
    y="12.6"
    width={over ? bar : Math.max(2, bar * first.left)}
    height="7.2"
    fill={over ? "url(#past)" : first.left < 0.5 || first.due === "soon" ? "url(#dots)" : "var(--label-leaf)"}
  />
  <path d="M{-label.half} 12H{label.half}" stroke="var(--label-ink)" stroke-width=".8" />
</g>

{#if first.open}
  <!-- Open, and in use: its word hangs on it. -->
  <g transform="translate({shape.half - 12} {-shape.top - 4})">
    <rect x="-21" y="-11" width="42" height="20" rx="4" fill="var(--paper)" stroke="var(--ink)" stroke-width="1.6" />
    <text y="3.500" text-anchor="middle" font-size="12.5" font-weight="700" fill="var(--ink)">open</text>
  </g>
{/if}
{#if stack.packages.length > 1}
  <g transform="translate({shape.half + deep * 5 - 6} {-shape.top + 2})">
    <rect x="-15" y="-11" width="30" height="22" rx="11" fill="var(--paper)" stroke="var(--ink)" stroke-width="1.4" />
    <text y="4.5" text-anchor="middle" font-size="12.5" font-weight="700" fill="var(--ink)">×{stack.packages.length}</text>
  </g>
{/if}
{#if first.due !== "fine" && first.due !== "kept on"}
  <g transform="translate({-shape.half + 4} {-shape.top + 1})">
    {#if over}
      <path d="M0-13L12.5 9H-12.500Z" fill="var(--alarm)" stroke="var(--paper)" stroke-width="2" stroke-linejoin="round" />
      <text y="6" text-anchor="middle" font-size="13" font-weight="800" fill="var(--on-alarm)">!</text>
    {:else}
      <circle r="11" fill="var(--yolk)" stroke="var(--label-ink)" stroke-width="1.8" />
      <path d="M0-5.500V0L4 2.5" fill="none" stroke="var(--label-ink)" stroke-width="2" stroke-linecap="round" />
    {/if}
  </g>
{/if}
