<!-- The verdict in a word, its findings with the reason one tap away, and the protections. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { Accordion } from "bits-ui";
  import ChevronDown from "@lucide/svelte/icons/chevron-down";
  import { asItIs } from "$lib/features/coming_in/lines";
  import Protections from "./Protections.svelte";

  let { plan, line }: { plan: Schemas["Plan"]; line: string } = $props();

  const tone: Record<Schemas["Severity"], string> = { stop: "text-rust", mind: "text-rust", good: "text-leaf" };
  const mark: Record<Schemas["Severity"], string> = { stop: "✕", mind: "!", good: "✓" };
  const spoken: Record<Schemas["Severity"], string> = { stop: "Stop:", mind: "Careful:", good: "Good:" };
  const words: Record<string, string> = { Go: "text-leaf", Careful: "text-ink", Stop: "text-rust" };
</script>

<section aria-label="Verdict">
  <div class="flex items-start gap-3.5" aria-live="polite">
    <h2 class="shrink-0 text-6xl !leading-[1.02] {words[plan.verdict.word]}">{plan.verdict.word}</h2>
    <p class="pt-1 text-lg leading-snug">{plan.verdict.says}</p>
  </div>
  <Accordion.Root type="multiple" class="mt-3 border-t border-line">
    {#each plan.verdict.findings as finding (finding.code)}
      <Accordion.Item value={finding.code} class="border-b border-line">
        <Accordion.Header level={3}>
          <Accordion.Trigger class="group flex min-h-12 w-full items-center gap-2.5 py-2 text-left font-sans">
            <span class="w-4 shrink-0 self-start text-center text-lg leading-snug font-extrabold {tone[finding.severity]}" aria-hidden="true"
              >{mark[finding.severity]}</span
            >
            <span class="flex-1 leading-snug">
              <span class="block font-semibold"><span class="sr-only">{spoken[finding.severity]} </span>{finding.says}</span>
              {#if finding.figures}<span class="block text-sm text-soft">{finding.figures}</span>{/if}
            </span>
            <ChevronDown size={18} aria-hidden="true" class="shrink-0 text-soft motion-safe:transition-transform group-data-[state=open]:rotate-180" />
          </Accordion.Trigger>
        </Accordion.Header>
        <Accordion.Content class="pb-3 pl-6.5 text-md leading-snug">
          <p>{finding.why}</p>
          <p class="caption mt-1.5">Source: {finding.source}</p>
        </Accordion.Content>
      </Accordion.Item>
    {/each}
  </Accordion.Root>
  {#if plan.verdict.findings.some((finding) => finding.code === "too-wet")}
    <p class="mt-3 leading-snug">
      Fresh food is kept cold, or dried first: <a class="font-bold underline" href={asItIs(line)}>put it away in the fridge or freezer</a>, or
      <a class="font-bold underline" href="/drying">lay it on the trays</a>.
    </p>
  {/if}
  <h2 class="sr-only">Protections</h2>
  <div class="mt-3"><Protections protections={plan.protections} /></div>
</section>
