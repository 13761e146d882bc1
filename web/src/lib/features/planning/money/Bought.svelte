<!-- What was bought and waits to be packed: one press puts it on the bench. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";

  let { bought }: { bought: Schemas["Bought"][] } = $props();
</script>

<h2 class="mt-6 text-xl">Bought, not packed</h2>
<ul class="mt-1 border-t border-line">
  {#each bought as lot (lot.lot)}
    <li class="flex flex-wrap items-center justify-end gap-2 border-b border-line py-1.5">
      <span class="min-w-0 flex-[1_1_9rem] leading-tight"
        ><b>{lot.line}</b><span class="block text-sm text-soft">{lot.cost}, {lot.came_on}{lot.frozen ? `; ${lot.frozen} in the freezer` : ""}</span></span
      >
      {#if lot.all_frozen}
        <a class="chip shrink-0 whitespace-nowrap !px-2.5" href="/drying/freezer">To the freezer</a>
      {:else}
        <a class="chip shrink-0 whitespace-nowrap !px-2.5" href="/bench?lot={lot.lot}&line={encodeURIComponent(lot.line)}">To the bench</a>
      {/if}
    </li>
  {/each}
</ul>
