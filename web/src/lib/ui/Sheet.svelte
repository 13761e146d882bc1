<!-- A sheet laid over the work: from the foot of a phone, in the middle of a table. -->
<script lang="ts">
  import type { Snippet } from "svelte";
  import Later from "./Later.svelte";
  import { overlays } from "./later";

  let { open = $bindable(false), title, wide = false, children: content }: { open?: boolean; title: string; wide?: boolean; children: Snippet } = $props();
</script>

<Later load={overlays} when={open}>
  {#snippet children({ SheetBody })}
    <SheetBody bind:open {title} {wide} children={content} />
  {/snippet}
</Later>
