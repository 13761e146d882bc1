<!-- What a page can stand without, from when it is first wanted: fetched after the page, or then. -->
<script lang="ts" generics="Fetched">
  import type { Snippet } from "svelte";

  let { load, when, children }: { load: () => Promise<Fetched>; when: boolean; children: Snippet<[Fetched]> } = $props();

  let wanted = $state(false);
  $effect.pre(() => {
    if (when) wanted = true;
  });
</script>

{#if wanted}
  {#await load() then fetched}
    {@render children(fetched)}
  {:catch}
    {#if when}
      <p role="alert" class="fixed inset-x-4 bottom-20 z-50 mx-auto max-w-md rounded-xl border-2 border-rust bg-paper p-4 font-semibold">
        Can't reach the larder. Once it is running again, load this page anew.
      </p>
    {/if}
  {/await}
{/if}
