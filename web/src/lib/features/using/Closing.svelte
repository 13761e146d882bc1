<!-- How a container is closed; food that was never proved dry may be said to have been conditioned. -->
<script lang="ts">
  import type { Schemas, Wrong } from "$lib/api/client";
  import Choice from "$lib/ui/Choice.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let {
    label,
    closings,
    chosen,
    onset,
    conditioned = $bindable(),
    wrong,
  }: {
    label: string;
    closings: Schemas["Closing"][];
    chosen: Schemas["Closing"];
    onset: (closing: Schemas["Closing"]) => void;
    conditioned: boolean;
    wrong: Wrong;
  } = $props();

  const WORDS: Record<Schemas["Closing"], string> = { absorber: "with fresh absorbers", vacuum: "under vacuum", lid: "lid or zip, as it is" };
</script>

<div>
  <p class="head">{label}</p>
  <Choice {label} options={closings.map((each) => [each, WORDS[each]] as const)} value={chosen} {onset} />
  <Refusal {wrong} of="closing" class="mt-1" />
  {#if wrong.closing && chosen !== "lid"}<label class="mt-2 flex min-h-11 items-center gap-2"
      ><input type="checkbox" class="size-5" bind:checked={conditioned} /> It was conditioned in a jar</label
    >{/if}
</div>
