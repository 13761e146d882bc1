<!-- A plate from above, centre at (0, 0): the foods on it side by side, or empty, or only set. -->
<script lang="ts">
  import { patternOf, type Painted } from "./pieces";

  let { foods = [], radius, set = true }: { foods?: Painted[]; radius: number; set?: boolean } = $props();

  const inner = $derived(radius * 0.74);
  function slice(n: number, of: number): string {
    const at = (turn: number) => {
      const angle = (turn - 0.15) * 2 * Math.PI;
      return `${(Math.cos(angle) * inner).toFixed(2)} ${(Math.sin(angle) * inner).toFixed(2)}`;
    };
    return `M0 0L${at(n / of)}A${inner} ${inner} 0 ${of === 1 ? 1 : 0} 1 ${at((n + (of === 1 ? 0.9999 : 1)) / of)}Z`;
  }
</script>

<circle
  r={radius}
  fill={set ? "var(--foil)" : "none"}
  stroke={set ? "var(--ink)" : "var(--line)"}
  stroke-width={set ? 1.6 : 1.4}
  stroke-dasharray={set ? undefined : "3 3.500"}
/>
{#if set}
  <circle r={inner} fill="var(--paper)" stroke="var(--line)" stroke-width="1.1" />
  {#each foods as food, n (n)}
    <path d={slice(n, foods.length)} fill="url(#{patternOf(food)})" stroke="var(--ink)" stroke-width=".8" stroke-linejoin="round" />
  {/each}
{/if}
