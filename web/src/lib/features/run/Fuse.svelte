<!-- The fifteen minutes, one box each, burning down; with a flag where the last one will be closed at this pace. -->
<script lang="ts">
  let { left, doneIn }: { left: number; doneIn: number } = $props();

  const MINUTES = 15;
  const burnt = $derived(Math.max(0, Math.min(MINUTES, MINUTES - left / 60)));
  const flag = $derived(burnt + Math.max(0, doneIn) / 60);
  const late = $derived(flag > MINUTES || left <= 0);
</script>

<svg viewBox="-6 -26 612 62" class="w-full" aria-hidden="true">
  {#each Array.from({ length: MINUTES }, (_, n) => n) as n (n)}
    {@const gone = Math.min(1, Math.max(0, burnt - n))}
    <rect x={n * 40 + 1.5} y="0" width="37" height="24" rx="4" fill="var(--cream)" />
    <rect x={n * 40 + 1.5 + 37 * gone} y="0" width={37 * (1 - gone)} height="24" rx="4" fill={left < 180 ? "var(--rust)" : "var(--yolk)"} />
    <rect x={n * 40 + 1.5} y="0" width="37" height="24" rx="4" fill="none" stroke="var(--ink)" stroke-width="1.6" opacity={gone === 1 ? 0.35 : 1} />
  {/each}
  <g transform="translate({Math.min(flag, MINUTES) * 40} 0)">
    <path d="M0 27V-20" stroke={late ? "var(--rust)" : "var(--leaf)"} stroke-width="3" />
    <path d="M0 -21H{flag > 12 ? -26 : 26}L{flag > 12 ? -20 : 20} -14L{flag > 12 ? -26 : 26} -7H0Z" fill={late ? "var(--rust)" : "var(--leaf)"} />
  </g>
</svg>
