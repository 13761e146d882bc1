<!-- All is closed: spares into the jar, the iron off; and, once that is done, what was done. -->
<script lang="ts">
  import TakePicture from "$lib/ui/TakePicture.svelte";
  import { inRows } from "$lib/format/words";
  import type { Running, RunView } from "./run.svelte";

  let { run, view }: { run: Running; view: RunView } = $props();

  const late = $derived(view.containers.filter((each) => each.late));
  const noted = $derived(view.containers.filter((each) => each.note));
  const closed = $derived(view.containers.filter((each) => each.closed));
  const done = $derived(view.phase === "done");
  const places = $derived(Object.entries(Object.groupBy(closed, (each) => each.place)));
</script>

<section aria-label="Put away" class="mx-auto w-full max-w-3xl flex-1 content-center px-4 py-6 sm:px-6">
  <h1 class="text-5xl sm:text-6xl">{done ? `${closed.length} packed` : "All closed"}</h1>
  <ul class="mt-3 border-t-2 border-ink text-lg leading-snug">
    {#if !done}
      <li class="border-b border-line py-2.5"><b>Iron off</b>, and somewhere it can cool.</li>
      {#if view.spares.length}<li class="border-b border-line py-2.5">
          <b>Spares in the jar, lid on:</b>
          {view.spares.join("; ")}. They are worth less than their rating now; the next run counts on what is left.
        </li>{/if}
    {/if}
    {#each places as [place, each] (place)}<li class="border-b border-line py-2.5"><b>{inRows(each?.map((one) => one.number) ?? [])}</b> to {place}.</li>{/each}
    {#each late as each (each.n)}<li class="border-b border-line py-2.5 text-rust">
        <b>Number {each.number}</b> was closed late: look at its indicator first tomorrow.
      </li>{/each}
    {#each noted as each (each.n)}<li class="border-b border-line py-2.5"><b>Number {each.number}:</b> {each.note}.</li>{/each}
    <li class="border-b border-line py-2.5">In 24 hours and in 7 days <b>Rounds</b> asks how they feel: firm, loose, puffed.</li>
  </ul>
  <details class="mt-3">
    <summary class="flex min-h-11 items-center font-bold underline">Pictures, if you like: how the seals look today</summary>
    <div class="mt-1 flex flex-wrap gap-2">
      {#each closed as each (each.n)}<TakePicture number={each.number} words={String(each.number)} />{/each}
    </div>
  </details>
  <div class="mt-6 flex flex-wrap gap-3">
    {#if done}
      <a class="do" href="/shelves{closed[0] ? `?n=${closed[0].number}` : ''}">See where they stand</a>
      <a class="chip" href="/rounds">Rounds</a><a class="chip" href="/bench">Plan another packing</a>
    {:else}
      <button class="do" disabled={run.busy} onclick={() => run.finish()}>All is put away</button>
    {/if}
  </div>
</section>
