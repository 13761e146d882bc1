<!-- Prices seen: written down in a line, by food, the lowest ever beside the cheapest of now. -->
<script lang="ts">
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import Field from "$lib/ui/Field.svelte";
  import { sinceTold } from "$lib/state/draft";
  import { larder } from "$lib/state/larder.svelte";
  import { patternOf } from "$lib/draw/pieces";
  import X from "@lucide/svelte/icons/x";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { prices, see }: { prices: Schemas["PricesView"]; see: string } = $props();

  let seen = $state({ line: "", price: "", shop: "", seen_on: "" });
  let wrong = $state<Wrong>({});
  // svelte-ignore state_referenced_locally
  let words = $state(see);
  let open = $state("");

  const shops = $derived([...new Set(prices.foods.flatMap((food) => food.prices.map((each) => each.shop)))]);
  const shown = $derived(prices.foods.filter((food) => food.name.includes(words.trim().toLowerCase())));

  async function add(event: SubmitEvent) {
    event.preventDefault();
    const told = $state.snapshot(seen);
    const done = await ask(api.POST("/api/table/prices", { body: { ...told, seen_on: told.seen_on || null } }));
    wrong = done.wrong ?? {};
    if (done.wrong) return;
    seen = sinceTold(seen, told, { ...told, line: "", price: "" });
    await larder.changed();
  }

  async function strike(number: number) {
    await larder.tell(ask(api.DELETE("/api/table/prices/{number}", { params: { path: { number } } })), "Deleted; Undo brings it back");
  }
</script>

<h2 class="text-2xl">Prices seen</h2>
<form class="mt-2 grid gap-x-2 min-[20rem]:grid-cols-[1fr_6.5rem] gap-y-2.5" onsubmit={add} novalidate>
  <Field label="A pack" name="line" bind:value={seen.line} {wrong} placeholder={larder.us ? "5 lb pearl barley" : "2.5 kg pearl barley"} />
  <Field label="costs" name="price" bind:value={seen.price} {wrong} placeholder="3.20" />
  <div class="grid items-end gap-x-2 gap-y-2.5 min-[20rem]:col-span-2 min-[20rem]:grid-cols-[1fr_9.5rem]">
    <div>
      <label for="shop" class="head block">where</label>
      <input
        id="shop"
        class="field mt-1"
        bind:value={seen.shop}
        list="shops"
        placeholder="the shop"
        autocomplete="off"
        aria-invalid={wrong.shop ? "true" : undefined}
      />
      <datalist id="shops"
        >{#each shops as shop (shop)}<option value={shop}></option>{/each}</datalist
      >
    </div>
    <Field label="on, if not today" name="seen_on" type="date" bind:value={seen.seen_on} {wrong} />
    <button class="chip min-[20rem]:col-span-2" type="submit">Save</button>
  </div>
  <Refusal {wrong} of="shop" class="col-span-2" />
</form>

{#if prices.foods.length > 6}
  <label class="mt-4 block"
    ><span class="sr-only">Find a price</span><input class="field" type="search" placeholder="Find: lentils…" bind:value={words} /></label
  >
{/if}
<ul class="mt-3 border-t-2 border-ink">
  {#each shown as food (food.food)}
    <li class="border-b border-line">
      <button
        class="grid min-h-12 w-full grid-cols-[14px_1fr_auto] items-center gap-x-2.5 py-1.5 text-left"
        aria-expanded={open === food.food}
        onclick={() => (open = open === food.food ? "" : food.food)}
      >
        <svg width="14" height="28" aria-hidden="true"
          ><rect x=".7" y=".7" width="12.600" height="26.600" rx="3" fill="url(#{patternOf(food)})" stroke="var(--ink)" stroke-width="1.2" /></svg
        >
        <span class="leading-tight">
          <span class="font-semibold">{food.name}</span>
          {#if food.says}<span class="block text-xs {food.above_lowest > 1.2 ? 'font-semibold text-rust' : 'text-soft'}">{food.says}</span>{/if}
        </span>
        <span class="text-right leading-tight whitespace-nowrap"><b>{food.latest}</b><span class="block text-xs text-soft">{prices.per}</span></span>
      </button>
      {#if open === food.food}
        <table class="mb-2 w-full text-sm">
          <thead
            ><tr class="text-left text-soft"
              ><th class="font-normal">pack</th><th class="font-normal">price</th><th class="text-right font-normal">{prices.per}</th><th
                class="text-right font-normal">1,000 kcal</th
              ><th></th></tr
            ></thead
          >
          <tbody>
            {#each food.prices as price (price.number)}
              <tr class={price.newest ? "" : "text-soft"}>
                <td class="py-1 pr-1 leading-tight"
                  ><b>{price.pack}</b><span class="block">{price.shop}, {price.seen_on}{price.newest ? "" : ", older"}</span></td
                >
                <td>{price.price}</td><td class="text-right">{price.per_weight}</td><td class="text-right">{price.per_1000_kcal}</td>
                <td class="w-9"
                  ><button
                    class="away grid size-9 place-items-center rounded-lg hover:bg-cream"
                    aria-label="Delete {price.pack} at {price.price}"
                    onclick={() => strike(price.number)}><X size={16} aria-hidden="true" /></button
                  ></td
                >
              </tr>
            {/each}
          </tbody>
        </table>
      {/if}
    </li>
  {:else}
    <li class="caption py-2">
      {prices.foods.length ? "None of that name." : "None yet. Next time in a shop, write down what a pack costs: the list buys only what has been seen."}
    </li>
  {/each}
</ul>
