<!-- A sheet laid over the work: from the foot of a phone, in the middle of a table. -->
<script lang="ts">
  import X from "@lucide/svelte/icons/x";
  import { Dialog } from "bits-ui";
  import type { Snippet } from "svelte";

  let inside = $state<HTMLElement | null>(null);

  /** The focus goes to what is to be filled in; where that is nothing, or a keyboard would cover it, to the heading. */
  function begin(event: Event) {
    event.preventDefault();
    const touched = matchMedia("(pointer: coarse)").matches;
    const field = touched ? null : inside?.querySelector<HTMLElement>("input:not([type=checkbox]), select, textarea");
    (field ?? inside?.querySelector<HTMLElement>("[data-heading]"))?.focus();
  }

  let { open = $bindable(false), title, wide = false, children }: { open?: boolean; title: string; wide?: boolean; children: Snippet } = $props();
</script>

<Dialog.Root bind:open>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-veil" />
    <Dialog.Content
      bind:ref={inside}
      onOpenAutoFocus={begin}
      class="fixed inset-x-0 bottom-0 z-50 max-h-[92dvh] overflow-y-auto rounded-t-2xl border-2 border-ink bg-paper p-5 text-ink sm:inset-x-auto sm:top-1/2 sm:bottom-auto sm:left-1/2 sm:w-[min(94vw,var(--wide))] sm:-translate-x-1/2 sm:-translate-y-1/2 sm:rounded-2xl sm:p-7"
      style="--wide:{wide ? '46rem' : '30rem'}"
    >
      <div class="mb-4 flex items-start justify-between gap-4">
        <Dialog.Title data-heading tabindex={-1} class="font-name text-3xl font-extrabold">{title}</Dialog.Title>
        <Dialog.Close class="-mt-1.5 -mr-2 grid size-11 place-items-center rounded-lg hover:bg-cream" aria-label="Close">
          <X size={22} aria-hidden="true" />
        </Dialog.Close>
      </div>
      {@render children()}
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
