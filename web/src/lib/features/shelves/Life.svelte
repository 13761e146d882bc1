<!-- The life ledger as a line: how much was left, and which place cost how much of it. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { counted } from "$lib/format/words";

  let { card }: { card: Schemas["Card"] } = $props();

  const W = 330;
  const H = 84;
  const days = $derived(
    Math.max(
      1,
      card.ledger.reduce((sum, each) => sum + each.days, 0),
    ),
  );
  const cost = $derived(
    Math.max(
      1e-9,
      card.ledger.reduce((sum, each) => sum + each.share, 0),
    ),
  );
  const points = $derived.by(() => {
    let x = 0;
    let used = 0;
    return card.ledger.map((each) => {
      const from = { x, y: H * (1 - card.left) * (used / cost) };
      x += (each.days / days) * W;
      used += each.share;
      return { ...each, from, to: { x, y: H * (1 - card.left) * (used / cost) }, hot: each.life_days > each.days * 1.05 };
    });
  });
</script>

{#if !card.ages}
  <p class="caption mt-1">It does not age while it is dry.</p>
{:else}
  <svg viewBox="-4 -8 {W + 10} {H + 30}" class="mt-1 w-full max-w-md" role="img" aria-label="{Math.round(card.left * 100)} % of its life left">
    {#each points as point, n (n)}
      {#if point.hot}<rect x={point.from.x} y="-6" width={point.to.x - point.from.x} height={H + 6} fill="var(--yolk-pale)" />{/if}
      <path
        d="M{point.from.x} {point.from.y}L{point.to.x} {point.to.y}"
        stroke={point.hot ? "var(--rust)" : "var(--ink)"}
        stroke-width="2.6"
        stroke-linecap="round"
      />
      {#if n}<path d="M{point.from.x} -6V{H}" stroke="var(--line)" stroke-width="1" stroke-dasharray="3 3" />{/if}
    {/each}
    <path d="M0 {H}H{W}" stroke="var(--ink)" stroke-width="1.2" />
    <text x="0" y={H + 17} font-size="12.5" fill="var(--soft)">{card.ledger[0]?.since ?? card.packed_on}</text>
    <text x={W} y={H + 17} font-size="12.5" fill="var(--soft)" text-anchor="end">{card.gone_on ?? "today"}</text>
    <text x={W} y={card.left > 0.6 ? H * (1 - card.left) + 18 : H * (1 - card.left) - 9} font-size="13" font-weight="700" fill="var(--ink)" text-anchor="end"
      >{Math.round(card.left * 100)} % left</text
    >
  </svg>
  <ul class="caption mt-1">
    {#each points as point, n (n)}
      <li class={point.hot ? "font-semibold text-rust" : ""}>
        {point.place}, {point.closed}, {counted(point.days, "day")}: cost {point.share_text} of its life{point.hot ? ": warm" : ""}
      </li>
    {/each}
  </ul>
{/if}
