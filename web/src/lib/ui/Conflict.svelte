<!-- Two people changed the same thing: both are shown, and the second decides. -->
<script lang="ts">
  import { intoSight } from "./bring";
  import { differing } from "./differing";

  let { mine, theirs, labels, onmine, ontheirs }: { mine: object; theirs: object; labels: Record<string, string>; onmine: () => void; ontheirs: () => void } =
    $props();

  const rows = $derived(differing(mine, theirs, labels));
</script>

<div class="rounded-xl border-2 border-rust px-4 py-3 sm:col-span-2" role="alert" {@attach intoSight}>
  <p class="font-bold">Somebody else changed this while you did. Nothing of yours is saved yet.</p>
  {#if rows.length}
    <table class="mt-2 w-full text-left text-md">
      <thead
        ><tr class="text-soft"
          ><th class="pr-3 font-normal"><span class="sr-only">Field</span></th><th class="pr-3 font-normal">yours</th><th class="font-normal">theirs</th></tr
        ></thead
      >
      <tbody>
        {#each rows as row (row.field)}
          <tr class="border-t border-line align-top"
            ><th scope="row" class="py-1.5 pr-3 font-normal">{row.label}</th><td class="py-1.5 pr-3 font-bold break-words whitespace-pre-line">{row.mine}</td
            ><td class="py-1.5 font-bold break-words whitespace-pre-line">{row.theirs}</td></tr
          >
        {/each}
      </tbody>
    </table>
  {:else}
    <p class="mt-1">Both of you wrote the same.</p>
  {/if}
  <div class="mt-3 flex flex-wrap gap-2">
    <button type="button" class="chip" onclick={onmine}>Save mine instead</button>
    <button type="button" class="chip" onclick={ontheirs}>Keep theirs</button>
  </div>
</div>
