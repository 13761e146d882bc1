<!-- This week's list: the packs that gain the most whole meals for the money, each to be ticked when bought. -->
<script lang="ts">
  import { goto } from "$app/navigation";
  import { api, ask, type Schemas, whyNot } from "$lib/api/client";
  import Sack from "$lib/draw/Sack.svelte";
  import { few } from "$lib/format/numbers";
  import { counted } from "$lib/format/words";
  import { larder } from "$lib/state/larder.svelte";
  import { stayed } from "$lib/state/stayed";

  let { list }: { list: Schemas["ListView"] } = $props();

  const gained = $derived(list.meals_then - list.meals_now);
  const days = $derived(list.days_then - list.days_now);
  const bound = $derived(list.meals_at_most - list.meals_then);

  async function buy(line: Schemas["ToBuy"], bench: boolean) {
    const here = stayed();
    const done = await ask(api.POST("/api/table/buy", { body: { price: line.price, packs: line.packs } }));
    if (done.wrong) {
      larder.say(whyNot(done.wrong), "wrong");
      return;
    }
    await larder.changed();
    if (bench && here()) await goto(`/bench?lot=${done.data}&line=${encodeURIComponent(line.line)}`);
    else larder.say(`${line.line} is in the cupboard now`);
  }
</script>

<div class="flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
  <div>
    <h2 class="text-4xl">{list.lines.length ? `${counted(gained, "meal")} more for ${list.cost}` : "This week's list"}</h2>
    <p class="caption">
      {#if list.lines.length}
        {list.meals_then} of {counted(list.meals_wanted, "meal")} whole, and {few(days)} days of food more · {list.left_over}
        left over
      {:else}{list.says}{/if}
    </p>
  </div>
  {#if list.lines.length}
    <div class="flex gap-2">
      <a class="chip" href="/api/table/list.pdf" target="_blank">Print</a>
      <a class="chip" href="/api/table/list.csv" download>CSV</a>
    </div>
  {/if}
</div>
{#if list.lines.length}
  <ul class="mt-2 border-t-2 border-ink">
    {#each list.lines as line, n (line.price)}
      <li class="grid grid-cols-[48px_1fr_auto] items-center gap-x-3 gap-y-1 border-b border-line py-2 sm:grid-cols-[48px_1fr_auto_auto]">
        <svg width="48" height="48" viewBox="-24 -46 48 48" aria-hidden="true"><Sack food={line} share={1} size={42} id="buy-{n}" /></svg>
        <span class="min-w-0 leading-snug">
          <b>{line.packs} × {line.pack} {line.name}</b>
          <span class="block text-sm text-soft">{line.shop}, {line.packs > 1 ? `${line.cost_each} each, ` : ""}{line.seen_on}</span>
        </span>
        <b class="text-right font-name text-lg">{line.cost}</b>
        <span class="flex gap-2 max-sm:col-span-3 max-sm:justify-end">
          <button class="chip" onclick={() => buy(line, false)} aria-label="Bought: {line.line}">Bought</button>
          <button class="chip" onclick={() => buy(line, true)} aria-label="Bought, and to the bench: {line.line}">To the bench</button>
        </span>
      </li>
    {/each}
  </ul>
  {#if list.gains.length}<p class="mt-2.5 leading-snug"><span class="head">It makes whole</span> {list.gains.join(", ")}.</p>{/if}
  <p class="caption mt-1">
    Whole meals before half ones; then the most days of food; then the least money.
    {bound > 0
      ? `Found in the time there was: no list whatever makes more than ${counted(bound, "meal")} more.`
      : "No other list makes more meals for this sum."}
  </p>
{/if}
{#if list.not_on_offer.length}
  <p class="caption mt-1">No price seen for {list.not_on_offer.join(", ")}: write one down, or grow, dry and gather it.</p>
{/if}
