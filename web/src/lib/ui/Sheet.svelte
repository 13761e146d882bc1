<!-- A sheet laid over the work: from the foot of a phone, in the middle of a table. -->
<script lang="ts">
  import type { Snippet } from "svelte";
  import Later from "./Later.svelte";
  import { overlays } from "./later";

  let {
    open = $bindable(false),
    title,
    wide = false,
    ready = true,
    children: content,
  }: {
    open?: boolean;
    title: string;
    wide?: boolean;
    /** Whether what it begins with has come: it opens with all of that, so that nothing moves under a thumb. */
    ready?: boolean;
    children: Snippet;
  } = $props();

  let begun = $state(false);
  $effect.pre(() => {
    if (!open) begun = false;
    else if (ready) begun = true;
  });
</script>

<Later load={overlays} when={open}>
  {#snippet children({ SheetBody })}
    <SheetBody bind:open={() => open && begun, (next) => (open = next)} {title} {wide} children={content} />
  {/snippet}
</Later>
