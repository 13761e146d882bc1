<!-- The six protections as a ring: whole where the package is closed to a threat, broken where it is open. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";

  let { protections }: { protections: Schemas["Protection"][] } = $props();

  const closed = $derived(protections.filter((each) => each.closed).length);
  const R = 46;

  function arc(from: number, to: number, radius: number): string {
    const point = (turn: number) => {
      const angle = (turn - 0.25) * 2 * Math.PI;
      return `${(Math.cos(angle) * radius).toFixed(2)} ${(Math.sin(angle) * radius).toFixed(2)}`;
    };
    return `M${point(from)}A${radius} ${radius} 0 0 1 ${point(to)}`;
  }
  const middle = (n: number, radius: number) => {
    const angle = ((n + 0.5) / 6 - 0.25) * 2 * Math.PI;
    return { x: Math.cos(angle) * radius, y: Math.sin(angle) * radius };
  };
</script>

<div class="flex items-center gap-4 max-[20rem]:flex-col">
  <svg viewBox="-56 -56 112 112" class="w-28 shrink-0" role="img" aria-label="{closed} of 6 protections in place">
    {#each protections as each, n (each.threat)}
      {#if each.closed}
        <path d={arc(n / 6 + 0.012, (n + 1) / 6 - 0.012, R)} fill="none" stroke="var(--leaf)" stroke-width="11" />
      {:else}
        <path d={arc(n / 6 + 0.016, (n + 1) / 6 - 0.012, R)} fill="none" stroke="var(--rust)" stroke-width="11" stroke-dasharray="2.2 5.4" />
      {/if}
      {@const at = middle(n, 31)}
      <text x={at.x} y={at.y + 4} text-anchor="middle" font-size="11.5" font-weight="700" fill={each.closed ? "var(--leaf)" : "var(--rust)"}>{n + 1}</text>
    {/each}
    <text y="3" text-anchor="middle" font-size="21" font-weight="800" fill="var(--ink)">{closed}</text>
    <text y="15" text-anchor="middle" font-size="9" fill="var(--soft)">of 6 in place</text>
  </svg>
  <ol class="min-w-0 flex-1 text-md max-[20rem]:w-full">
    {#each protections as each, n (each.threat)}
      <li class="flex flex-wrap justify-between gap-x-2 py-px {each.closed ? '' : 'font-bold text-rust'}">
        <span class="whitespace-nowrap"><b class="mr-1.5 {each.closed ? 'text-leaf' : ''}">{n + 1}</b>{each.threat}</span>
        <span class="ml-auto text-right {each.closed ? 'text-soft' : ''}"><span class="sr-only">{each.closed ? "in place:" : "missing:"}</span>{each.by}</span>
      </li>
    {/each}
  </ol>
</div>
