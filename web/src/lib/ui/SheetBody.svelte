<!-- The sheet itself, with its heading, what closes it, and its step of the browser's history. -->
<script module lang="ts">
  let opened = 0;
</script>

<script lang="ts">
  import { pushState } from "$app/navigation";
  import { navigating, page } from "$app/state";
  import { touched } from "$lib/ui/press";
  import { stands } from "$lib/ui/working";
  import X from "@lucide/svelte/icons/x";
  import { Dialog } from "bits-ui";
  import { untrack, type Snippet } from "svelte";

  let inside = $state<HTMLElement | null>(null);

  /** So much of a sheet, from its top, is where a field is what it begins with; further down something else comes first. */
  const BEGINNING = 0.75;

  /** The focus goes to what is to be filled in; where that is nothing, or far down, or a keyboard would cover it, to the heading. */
  function begin(event: Event) {
    event.preventDefault();
    const field = touched() ? null : inside?.querySelector<HTMLElement>("input:not([type=checkbox]), select, textarea");
    const { top = 0, height = 0 } = inside?.getBoundingClientRect() ?? {};
    const seen = field && field.getBoundingClientRect().bottom < top + height * BEGINNING;
    (seen ? field : inside?.querySelector<HTMLElement>("[data-heading]"))?.focus();
  }

  let { open = $bindable(), title, wide, children }: { open: boolean; title: string; wide: boolean; children: Snippet } = $props();

  /** By touch, Back closes the sheet, not the place under it: an open sheet is a step of the browser's history. */
  let mine = 0;
  /** Whether what closes it is a link in it: the browser is on its way elsewhere, and goes there from here. */
  let left = false;
  $effect(() => {
    const leave = (event: Event) => (left = !!(event.target as Element).closest("a[href]:not([target=_blank])"));
    inside?.addEventListener("click", leave, { capture: true });
  });
  const sheets = () => page.state.sheets ?? [];
  function step() {
    mine = ++opened;
    untrack(() => pushState("", { ...page.state, sheets: [...sheets(), mine] }));
  }
  $effect(() => {
    if (!open || !touched()) return;
    left = false;
    step();
    return () => {
      // Closed by anything but Back, and not to go elsewhere: its step is taken back, and not that of the next.
      const closed = mine;
      mine = 0;
      setTimeout(() => {
        if (!left && !navigating.to && sheets().at(-1) === closed) history.back();
      });
    };
  });
  $effect(() => {
    if (sheets().includes(mine) || !mine) return;
    // What was pressed in it is under way: it stands until that is answered.
    if (stands(inside)) step();
    else open = false;
  });
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
