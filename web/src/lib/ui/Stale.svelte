<!-- What the larder worked out last, while what is written now cannot be worked out: legible, colourless, and called so. -->
<script lang="ts">
  import type { Snippet } from "svelte";

  let { stale, class: look = "", children }: { stale: boolean; class?: string; children: Snippet } = $props();
</script>

<div class={[look, "relative", stale && "grayscale"]}>
  {#if stale}
    <p class="z-10 rounded-md border border-dashed border-ink bg-paper px-2 py-0.5 text-sm font-semibold sm:absolute sm:top-0 sm:right-0">As it was before</p>
  {/if}
  {@render children()}
</div>
