<!-- What there is to say about a load, each with its reason a tap away. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";

  let { findings }: { findings: Schemas["Finding"][] } = $props();
  const SIGNS = { stop: "✕", mind: "!", good: "✓" } as const;
  const COLOURS = { stop: "text-rust", mind: "text-rust", good: "text-leaf" } as const;
</script>

{#if findings.length}
  <ul class="border-t border-line">
    {#each findings as finding, n (`${n} ${finding.code} ${finding.says}`)}
      <li class="border-b border-line">
        <details class="group">
          <summary class="grid min-h-11 list-none grid-cols-[1.4rem_1fr] items-start gap-1.5 py-2 leading-snug">
            <b class={COLOURS[finding.severity]} aria-hidden="true">{SIGNS[finding.severity]}</b>
            <span
              ><span class="font-semibold">{finding.says}</span>{#if finding.figures}<span class="caption block">{finding.figures}</span>{/if}</span
            >
          </summary>
          <p class="pb-1 pl-7 text-md leading-snug">{finding.why}</p>
          <p class="caption pb-2.5 pl-7">Source: {finding.source}</p>
        </details>
      </li>
    {/each}
  </ul>
{/if}
