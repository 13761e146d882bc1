<!-- What would go on inside one container of the plan, from today on. -->
<script lang="ts">
  import { untrack } from "svelte";
  import { api, ask, type Schemas, whyNot } from "$lib/api/client";
  import InsidePicture from "$lib/features/shelves/InsidePicture.svelte";
  import { untilLeft } from "$lib/state/left";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { asked, identity }: { asked: Schemas["Ask"]; /** Of the plan that is shown: another one is asked about anew. */ identity: string } = $props();

  let inside = $state.raw<Schemas["Inside"]>();
  let failed = $state("");

  $effect(() => {
    if (!identity) return;
    return untrack(() => untilLeft(look));
  });

  async function look(signal: AbortSignal) {
    const { data, wrong } = await ask(api.POST("/api/bench/inside", { body: asked, signal }));
    if (signal.aborted) return;
    failed = whyNot(wrong);
    inside = data ?? inside;
  }
</script>

<Refusal wrong={failed} />
{#if inside}
  <p class="mb-1 text-md font-semibold">{inside.then}</p>
  <InsidePicture {inside} plan />
{/if}
