<!-- The labels first, then what must lie ready before a packet is opened. -->
<script lang="ts">
  import { api, ask } from "$lib/api/client";
  import Labels from "$lib/features/shelves/Labels.svelte";
  import { counted } from "$lib/format/words";
  import type { Running, RunView } from "./run.svelte";

  let { run, view }: { run: Running; view: RunView } = $props();

  const path = $derived({ params: { path: { number: view.number } } });
  const first = $derived(view.containers[0]?.number);
  const last = $derived(view.containers.at(-1)?.number);
  let printing = $state(false);
  const missing = $derived(view.ready.filter((each) => !each.done).length);
</script>

<Labels bind:open={printing} of={{ run: view.number }} count={view.containers.length} />

{#if view.phase === "labels"}
  <section
    aria-label="Labels"
    class="mx-auto grid w-full max-w-5xl flex-1 content-center items-center gap-x-12 gap-y-6 px-4 py-6 sm:px-6 md:grid-cols-[1fr_19rem]"
  >
    <div>
      <h1 class="text-5xl sm:text-6xl">Labels first</h1>
      <p class="mt-2 text-xl leading-snug">
        A full bag does not take a pen, and once absorbers are open nobody has a hand free. Print {view.containers.length === 1
          ? `number ${first}`
          : `numbers ${first} to ${last}`}, stick each on its empty container, and stand them in that order.
      </p>
      {#each view.cautions as caution, n (n)}<p class="wrong mt-3">{caution}</p>{/each}
      <div class="mt-6 flex flex-wrap gap-4">
        <button class="do" onclick={() => (printing = true)}>Print {counted(view.containers.length, "label")} …</button>
        <button class="chip !min-h-[52px] !px-5" disabled={run.busy} onclick={() => run.tell(ask(api.POST("/api/run/{number}/labelled", path)))}
          >They are all stuck on</button
        >
        <a class="chip !min-h-[52px] !px-5" href="/api/run/{view.number}/sheet.pdf" target="_blank">The run on paper</a>
      </div>
    </div>
    <svg viewBox="0 0 220 190" class="mx-auto w-52 max-w-full max-md:hidden" aria-hidden="true">
      <path d="M40 20H180L184 176Q110 184 36 176Z" fill="var(--foil)" stroke="var(--ink)" stroke-width="2.4" stroke-linejoin="round" />
      <path d="M40 20V40M180 20V40" stroke="var(--ink)" stroke-width="1.5" />
      <g transform="rotate(-4 110 96)">
        <rect x="62" y="64" width="98" height="66" rx="2" fill="var(--label)" stroke="var(--label-ink)" stroke-width="2" />
        <path d="M70 78H112M70 116H104" stroke="var(--label-ink)" stroke-width="5" /><path d="M70 87H88" stroke="var(--yolk)" stroke-width="3" />
        <path d="M70 97H110M70 105H116" stroke="var(--label-line)" stroke-width="2.500" />
        <path d="M126 74h6v6h-6zM144 74h6v6h-6zM126 92h6v6h-6zM136 82h5v5h-5zM143 91h7v7h-7zM135 92h4v4h-4z" fill="var(--label-ink)" />
      </g>
      <path d="M160 134C170 140 182 150 196 172" fill="none" stroke="var(--yolk)" stroke-width="6" stroke-linecap="round" />
    </svg>
  </section>
{:else}
  <section aria-label="Set out" class="mx-auto grid w-full max-w-5xl flex-1 content-center gap-x-12 gap-y-5 px-4 py-5 sm:px-6 md:grid-cols-[15rem_1fr]">
    <div>
      <h1 class="text-5xl sm:text-6xl">Set everything out</h1>
      <p class="mt-2 leading-snug">Nothing is looked for once absorbers are open. Tick what lies within reach.</p>
      <button class="do mt-5" disabled={run.busy} onclick={() => run.tell(ask(api.POST("/api/run/{number}/set-out", path)))}
        >{missing ? "It is all here" : "All is ready"}</button
      >
      {#if missing && missing < view.ready.length}<p class="caption mt-3">{missing} not ticked yet</p>{/if}
    </div>
    <ul class="border-t-2 border-ink">
      {#each view.ready as each (each.code)}
        <li class="border-b border-line">
          <button
            role="checkbox"
            aria-checked={each.done}
            class="grid w-full grid-cols-[2.4rem_1fr] items-center gap-x-3 py-2 text-left hover:bg-cream"
            disabled={run.busy}
            onclick={() => run.tell(ask(api.POST("/api/run/{number}/tick", { ...path, body: { code: each.code, on: !each.done } })))}
          >
            <svg viewBox="0 0 34 34" class="size-9" aria-hidden="true"
              ><rect
                x="3"
                y="3"
                width="28"
                height="28"
                rx="7"
                fill={each.done ? "var(--leaf)" : "var(--paper)"}
                stroke="var(--ink)"
                stroke-width="2"
              />{#if each.done}<path d="M9 17.500L15 23.500L26 10.500" fill="none" stroke="var(--paper)" stroke-width="3.500" />{/if}</svg
            >
            <span class="min-w-0"><span class="block text-lg leading-snug font-bold">{each.says}</span><span class="caption block">{each.why}</span></span>
          </button>
        </li>
      {/each}
    </ul>
  </section>
{/if}
