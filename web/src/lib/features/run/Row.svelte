<!-- Every container of the run on the table, to scale: what is empty, filled, closed, and which one is next. -->
<script lang="ts">
  import { counted } from "$lib/format/words";
  import Standing from "./Standing.svelte";
  import type { RunView } from "./run.svelte";

  let { view, next = [] }: { view: RunView; next?: number[] } = $props();

  const tallest = $derived(Math.max(...view.containers.map((each) => each.draw.height_mm), 1));
  const scale = $derived((view.containers.length > 14 ? 74 : 104) / tallest);
  const says = $derived(`${counted(view.containers.length, "container")} on the table, ${view.closed} closed`);
</script>

<div class="border-t-2 border-ink bg-cream px-4 pt-2 pb-1.5 sm:px-6" role="img" aria-label={says}>
  <div {...{ tabindex: 0 }} class="flex max-h-56 flex-wrap items-end justify-center gap-x-1 gap-y-1 overflow-y-auto max-sm:max-h-32">
    {#each view.containers as each (each.n)}<Standing {each} {scale} now={next.includes(each.n)} />{/each}
  </div>
</div>
