<!-- What if it stood elsewhere: until when it would be good in each of the other places. -->
<script lang="ts">
  import { api, ask } from "$lib/api/client";
  import { query } from "$lib/state/query.svelte";

  let { number }: { number: number } = $props();

  const seen = query((signal) => ask(api.GET("/api/packages/{number}/elsewhere", { params: { path: { number } }, signal })));
</script>

{#if seen.data?.length}
  <h3 class="head mt-4 font-sans">If it stood elsewhere from today</h3>
  <ul class="mt-1 divide-y divide-line border-y border-line text-base">
    {#each seen.data as each (each.place)}
      <li class="flex justify-between gap-4 py-1.5">
        <span class="text-soft">{each.name}</span>
        <span class="text-right"><b>{each.best_by}</b><span class="caption block">{each.difference}</span></span>
      </li>
    {/each}
  </ul>
{/if}
