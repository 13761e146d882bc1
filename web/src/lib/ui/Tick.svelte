<!-- A box that shows what is so, and not what was pressed: what is refused, or so all the same, it does not show otherwise. -->
<script lang="ts">
  import type { HTMLInputAttributes } from "svelte/elements";

  let { on, onset, ...rest }: { on: boolean; onset: (on: boolean) => void } & HTMLInputAttributes = $props();

  function change(event: Event & { currentTarget: HTMLInputElement }) {
    onset(event.currentTarget.checked);
    event.currentTarget.checked = on;
  }
</script>

<input type="checkbox" {...rest} checked={on} onchange={change} />
