<!-- How far the run is, in the order of the trade: a thread with a knot for each step. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";

  /** `many`: how many of how many are filled or closed, to be told with the step to whoever listens. */
  let { phase, many }: { phase: Schemas["RunPhase"]; many: string } = $props();

  const STEPS: [string, Schemas["RunPhase"][]][] = [
    ["Labels", ["labels"]],
    ["Set out", ["set out"]],
    ["Fill", ["fill"]],
    ["Close", ["close without absorbers", "open the absorbers", "against the clock"]],
    ["Put away", ["put away", "done"]],
  ];
  const at = $derived(STEPS.findIndex(([, phases]) => phases.includes(phase)));
</script>

<p class="sr-only" role="status">Step {at + 1} of {STEPS.length}: {STEPS[at]?.[0]}. {many}</p>
<ol class="flex min-w-0 flex-1 items-start" aria-label="Steps of the run">
  {#each STEPS as [name], n (name)}
    <li class="relative min-w-0 flex-1 text-center" aria-current={n === at ? "step" : undefined}>
      {#if n}<span class="absolute top-[9px] right-[calc(50%+10px)] h-[3px] w-[calc(100%-20px)] {n <= at ? 'bg-ink' : 'bg-line'}"></span>{/if}
      <span
        class="relative mx-auto grid size-[21px] place-items-center rounded-full border-2 {n < at
          ? 'border-ink bg-ink'
          : n === at
            ? 'border-ink bg-yolk'
            : 'border-line bg-paper'}"
      >
        {#if n < at}<svg viewBox="0 0 12 12" class="size-3.5" aria-hidden="true"
            ><path d="M1.500 6.500L4.800 9.800L10.500 2.500" fill="none" stroke="var(--paper)" stroke-width="2.400" /></svg
          >{/if}
      </span>
      <span class="mt-0.5 block text-sm leading-tight whitespace-nowrap {n === at ? 'font-bold' : 'text-soft max-sm:sr-only'}">{name}</span>
    </li>
  {/each}
</ol>
