<!-- What was pressed has not reached the larder: it is tried again, or let be; never taken for done. -->
<script lang="ts">
  import { AlertDialog } from "bits-ui";
  import { larder } from "$lib/state/larder.svelte";

  let again = $state<HTMLElement>();
  const open = $derived(larder.unreached.length > 0);
</script>

<AlertDialog.Root bind:open={() => open, (stays) => !stays && larder.tryAgain(false)}>
  <AlertDialog.Portal>
    <AlertDialog.Overlay class="fixed inset-0 z-50 bg-veil" />
    <AlertDialog.Content
      onOpenAutoFocus={(event) => (event.preventDefault(), again?.focus())}
      class="fixed inset-x-4 top-1/2 z-60 mx-auto max-w-md -translate-y-1/2 rounded-2xl border-2 border-rust bg-paper p-5 text-ink shadow-lg sm:p-6"
    >
      <AlertDialog.Title level={2} class="font-name text-2xl font-extrabold">Can't reach the larder</AlertDialog.Title>
      <AlertDialog.Description class="mt-2 leading-snug">
        What you pressed is not known to be done. Is the larder still running, and are you still on its network? Trying again does it once, never twice.
      </AlertDialog.Description>
      <div class="mt-5 flex flex-wrap justify-end gap-3">
        <button class="chip !min-h-[52px] !px-5" onclick={() => larder.tryAgain(false)}>Leave it</button>
        <button bind:this={again} class="do" onclick={() => larder.tryAgain(true)}>Try again</button>
      </div>
    </AlertDialog.Content>
  </AlertDialog.Portal>
</AlertDialog.Root>
