<!-- What every page is: its title, and what it shows; or that it is being read, or why it cannot be. -->
<script lang="ts">
  import Working from "./Working.svelte";
  import { onMount, type Snippet } from "svelte";
  import type { Shown } from "$lib/state/query.svelte";

  let {
    title,
    of,
    says = "Reading the larder …",
    eager = false,
    children,
  }: {
    title: string;
    of: Shown;
    says?: string;
    /** Whether the page is there before what it reads: somebody may type at once. */
    eager?: boolean;
    children: Snippet;
  } = $props();

  /** What comes at once needs no sign that it is coming. */
  let slow = $state(false);
  onMount(() => {
    const timer = setTimeout(() => (slow = true), 400);
    return () => clearTimeout(timer);
  });
</script>

<svelte:head><title>{title} · Yellow Larder</title></svelte:head>

{#if of.data !== undefined || (eager && !of.failed)}
  {#if of.failed}
    <p class="flex flex-wrap items-center justify-center gap-x-4 gap-y-1 border-b-2 border-ink bg-cream px-4 py-1.5" role="status">
      <span><b>{of.failed}</b> This is how it stood before.</span>
      <button class="chip" onclick={of.again}>Try again</button>
    </p>
  {/if}
  {@render children()}
{:else if of.failed}
  <section class="mx-auto max-w-xl px-6 py-16 text-center" role="alert" aria-label="{title} cannot be shown">
    <svg viewBox="0 0 60 70" class="mx-auto h-24" aria-hidden="true">
      <path d="M10 24Q10 17 17 17H43Q50 17 50 24V58Q50 64 44 64H16Q10 64 10 58Z" fill="var(--paper)" stroke="var(--ink)" stroke-width="2.5" />
      <rect x="14" y="7" width="32" height="9" rx="2.5" fill="var(--lid)" stroke="var(--ink)" stroke-width="2.5" />
      <path d="M24 33L36 47M36 33L24 47" stroke="var(--rust)" stroke-width="3.5" stroke-linecap="round" />
    </svg>
    <h1 class="mt-5 text-4xl">{of.failed}</h1>
    <p class="caption mt-2">Nothing is lost: whatever was acknowledged is in the larder's file.</p>
    <button class="do mt-5" onclick={of.again}>Try again</button>
  </section>
{:else if slow}
  <section class="p-6" aria-busy="true">
    <h1 class="sr-only">{title}</h1>
    <Working {says} />
  </section>
{/if}
