<!-- What a lot gives: a line each for what there is to say. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";

  let { gives }: { gives: Schemas["Gives"] } = $props();
  const lines = $derived(
    [
      ["Yield", gives.yields],
      ["Water", gives.water],
      ["By the cup", gives.cup],
      ["For one", gives.unit],
      ["By the spoon", gives.spoon],
      ["Energy", gives.kcal],
      ["Cost", gives.cost],
    ].filter(([, words]) => words),
  );
</script>

<dl class="mt-3 grid grid-cols-[auto_1fr] gap-x-5 gap-y-1.5 leading-snug">
  {#each lines as [name, words] (name)}<dt class="text-soft">{name}</dt>
    <dd class="font-semibold">{words}</dd>{/each}
</dl>
