<!-- One ingredient: as typed, and what it takes from the larder; or what is asked about it, once. -->
<script lang="ts">
  import { whole } from "$lib/format/numbers";
  import type { Schemas } from "$lib/api/client";

  let { line, foods, onmeans }: { line: Schemas["IngredientView"]; foods: Schemas["FoodName"][]; onmeans: (words: string, meaning: string) => void } = $props();

  let asked = $state(false);

  const asks = $derived(line.reading === "ask" || asked);
  const nearest = $derived(line.nearest.map((name) => foods.find((food) => food.name === name)).filter((food) => food !== undefined));

  function mean(meaning: string) {
    asked = false;
    onmeans(line.words, meaning);
  }
</script>

<li class="border-b border-line py-1">
  <button
    class="grid min-h-11 w-full min-[20rem]:grid-cols-[1fr_auto] items-center gap-x-4 text-left"
    disabled={!line.words || line.reading === "unread"}
    aria-expanded={asks}
    onclick={() => (asked = !asked)}
  >
    <span class="min-w-0 break-words {line.reading === 'unread' ? 'font-semibold text-rust' : ''}">
      {line.text}
      {#if line.food_name && line.food_name !== line.words.toLowerCase()}<span class="text-soft"> → {line.food_name}</span>{/if}
    </span>
    <span class="text-right whitespace-nowrap">
      {#if line.reading === "read"}<b>{line.mass}</b><span class="ml-3 inline-block min-w-20 text-soft">{whole(line.kcal)} kcal</span>
      {:else if line.reading === "seasoning"}<span class="text-soft">seasoning{line.mass ? `, ${line.mass}` : ""}</span>
      {:else if line.reading === "elsewhere"}<span class="text-soft">not stored</span>
      {:else if line.reading === "ask"}<span class="font-semibold text-rust">which food?</span>
      {:else}<span class="font-semibold text-rust">not counted</span>{/if}
    </span>
  </button>
  {#if line.reading === "unread"}
    <p class="caption -mt-1 pb-1">{line.says}</p>
  {:else if asks}
    <div class="mt-1.5 rounded-xl bg-cream p-3">
      <p class="text-md"><b>“{line.words}”</b> is {line.reading === "ask" ? "new here. What is it? You are asked once" : "to mean"}:</p>
      <div class="mt-2 flex flex-wrap items-center gap-1.5">
        {#each nearest as food (food.key)}<button class="chip !px-3" onclick={() => mean(food.key)}>{food.name}</button>{/each}
        <select
          class="field !w-auto max-w-[min(12rem,100%)]"
          aria-label="Another food for {line.words}"
          onchange={(event) => event.currentTarget.value && mean(event.currentTarget.value)}
        >
          <option value="">another food…</option>
          {#each foods as food (food.key)}<option value={food.key}>{food.name}</option>{/each}
        </select>
        <button class="chip !px-3" onclick={() => mean("seasoning")}>a seasoning</button>
        <button class="chip !px-3" onclick={() => mean("elsewhere")}>not stored</button>
        <button class="chip !border-dashed !px-3" onclick={() => mean("own")}>a food of our own…</button>
      </div>
    </div>
  {:else if line.says}
    <p class="caption -mt-1 pb-1">{line.says}</p>
  {/if}
</li>
