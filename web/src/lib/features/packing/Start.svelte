<!-- An empty bench teaches the first step. -->
<script lang="ts">
  import Container from "$lib/draw/Container.svelte";
  import FoodPattern from "$lib/draw/FoodPattern.svelte";
  import Hands from "$lib/draw/Hands.svelte";
  import type { Drawn } from "$lib/draw/outline";
  import { larder } from "$lib/state/larder.svelte";

  let { online, wrong }: { online: (line: string) => void; wrong: boolean } = $props();

  const lines = $derived(
    larder.us
      ? ["25 lb pearl barley", "two 7.5 lb bags of oats", "5 cups dried pears", "10 lb white sugar"]
      : ["10 kg pearl barley", "two 7.5 lb bags of oats", "900 g dried pears", "5 kg white sugar"],
  );
  const jar: Drawn = { kind: "jar", width_mm: 104, height_mm: 228, inner_mm: 228, seal_mm: 0, top_mm: 104, base_mm: 104, clear: true, mouth_mm: 86 };
  const bag: Drawn = { kind: "bag", width_mm: 203, height_mm: 330, inner_mm: 305, seal_mm: 25, top_mm: 203, base_mm: 203, clear: false, mouth_mm: 0 };
</script>

<div class="mx-auto flex max-w-2xl flex-col items-center px-5 pt-6 pb-10 text-center lg:pt-12">
  <svg viewBox="0 0 460 250" class="w-full max-w-md" aria-hidden="true">
    <defs>
      <Hands />
      <FoodPattern id="start-peas" food="split" colour="var(--pea)" />
      <FoodPattern id="start-barley" food="grain" colour="var(--barley)" />
      <FoodPattern id="start-beans" food="bean" colour="var(--bean)" />
    </defs>
    <path d="M40 232H420" stroke="var(--ink)" stroke-width="2.2" stroke-linecap="round" />
    <path d="M70 238H360M130 243H300" stroke="var(--line)" stroke-width="1.4" stroke-linecap="round" />
    <g transform="translate(126 232)"
      ><Container id="s1" drawn={jar} scale={0.72} level={160} pattern="start-peas" food="split" colour="var(--pea)" fine={false} /></g
    >
    <g transform="translate(238 232)"
      ><Container id="s2" drawn={bag} scale={0.62} level={205} pattern="start-barley" food="grain" colour="var(--barley)" pressed fine={false} /></g
    >
    <g transform="translate(344 232)"
      ><Container id="s3" drawn={jar} scale={0.56} level={120} pattern="start-beans" food="bean" colour="var(--bean)" fine={false} /></g
    >
  </svg>
  <h2 class="mt-4 text-4xl">{wrong ? "Check the line on the left" : "What is on the bench?"}</h2>
  <p class="mt-2 max-w-lg text-lg">
    Write how much you have, and of what. You will see at once how many containers it fills, the air left among the food, the absorbers that take care of it,
    and how long it keeps.
  </p>
  <div class="mt-5 flex flex-wrap justify-center gap-2.5">
    {#each lines as line (line)}<button class="chip" onclick={() => online(line)}>{line}</button>{/each}
  </div>
</div>
