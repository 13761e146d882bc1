<!-- A lot in its jars: a dot for every day, and one tap for what the shake shows. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import Container from "$lib/draw/Container.svelte";
  import { patternOf } from "$lib/draw/pieces";
  import { day } from "$lib/format/when";
  import Dots from "./Dots.svelte";
  import { shake, step } from "./shake";

  let { jar }: { jar: Schemas["Jar"] } = $props();

  const scale = $derived(80 / jar.draw.height_mm);
  const due = $derived(jar.dots.some((dot) => dot.look === "due"));
  const LOOKS: [Schemas["Look"], string][] = [
    ["clumped", "clumped"],
    ["stuck", "stuck to the glass"],
    ["droplets", "droplets"],
  ];
  const id = $props.id();
</script>

<li class="grid grid-cols-[4.2rem_1fr] gap-x-4 border-b border-line py-3.5">
  <svg viewBox="-36 -96 76 100" class="w-full" aria-hidden="true">
    {#if jar.jars > 1}<g transform="translate(9 -3)" opacity=".45"
        ><Container
          drawn={jar.draw}
          {scale}
          level={jar.level * jar.draw.inner_mm}
          pattern={patternOf(jar)}
          food={jar.form}
          colour={jar.colour}
          id="{id}-b"
          fine={false}
        /></g
      >{/if}
    <Container drawn={jar.draw} {scale} level={jar.level * jar.draw.inner_mm} pattern={patternOf(jar)} food={jar.form} colour={jar.colour} {id} fine={false} />
  </svg>
  <div class="min-w-0">
    <div class="flex flex-wrap items-baseline justify-between gap-x-4">
      <b class="text-xl inline-block first-letter:uppercase">{jar.food}</b>
      <span class="text-md text-soft">{jar.mass} in {jar.title}</span>
    </div>
    <Dots {jar} />
    <p class="mt-1.5 font-semibold {jar.phase === 'back in the dryer' ? 'text-rust' : jar.phase === 'done' ? 'text-leaf' : ''}">
      {jar.says}{#if !due && jar.due}<span class="font-normal text-soft"> Next: {day(jar.due)}.</span>{/if}
    </p>
    <div class="mt-2 flex flex-wrap gap-2">
      {#if jar.phase === "shaking"}
        <button class="chip {due ? 'on' : ''}" disabled={!due} onclick={() => shake(jar.number, "free")}>Free</button>
        {#each LOOKS as [look, words] (look)}<button class="chip" onclick={() => shake(jar.number, look)}>{words}</button>{/each}
      {:else if jar.phase === "back in the dryer"}
        <button class="chip on" onclick={() => step(jar.number, "back")}>Back from the dryer, back in its jar</button>
        <button class="chip away" onclick={() => step(jar.number, "empty")}>Thrown out or eaten: empty the jar</button>
      {:else}
        <a class="chip on" href="/bench?lot={jar.lot}&line={encodeURIComponent(jar.line)}">To the bench</a>
        {#each LOOKS as [look, words] (look)}<button class="chip" onclick={() => shake(jar.number, look)}>{words}</button>{/each}
        <button class="chip away" onclick={() => step(jar.number, "empty")}>Empty the jar</button>
      {/if}
    </div>
  </div>
</li>
