<!-- What an evening's food came out of: proposed, put right where it stands, taken with one press. -->
<script lang="ts">
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import { sinceTold } from "$lib/state/draft";
  import { larder } from "$lib/state/larder.svelte";
  import { query } from "$lib/state/query.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { day }: { day: string } = $props();

  const params = $derived({ path: { day } });
  const seen = query((signal) => ask(api.GET("/api/table/diary/{day}/shelf", { params, signal })));
  const shelf = $derived(seen.data);

  /** What was typed over a proposal, by package. */
  let typed = $state<Record<number, string>>({});
  let left = $state<number[]>([]);
  let wrong = $state<Wrong>({});

  const lines = $derived(shelf?.lines.filter((each) => !left.includes(each.number)) ?? []);
  const amountOf = (line: Schemas["CameFrom"]) => typed[line.number] ?? line.amount;
  const happens = (line: Schemas["CameFrom"]) =>
    amountOf(line) === line.amount && line.empties ? ", all that is in it" : `with ${line.holds}${line.opens ? ", opened by this" : ""}`;

  async function take() {
    const told = { ...typed };
    const takes = lines.map((each) => ({ number: each.number, amount: amountOf(each) }));
    const done = await ask(api.POST("/api/table/diary/{day}/shelf", { params, body: { takes } }));
    wrong = done.wrong ?? {};
    if (done.data === undefined) return;
    typed = sinceTold(typed, told, {});
    left = [];
    larder.say(`Took ${done.data}`);
    await larder.changed();
  }
</script>

{#if shelf && (shelf.lines.length || shelf.taken || shelf.lacking.length)}
  <section aria-label="From the shelf" class="mt-5 border-t-2 border-ink pt-2">
    <h3 class="text-xl">From the shelf</h3>
    {#if shelf.taken}<p class="caption mt-1">Taken: {shelf.taken}</p>{/if}
    {#if lines.length}
      <ul class="mt-1 divide-y divide-line">
        {#each lines as line, n (line.number)}
          <li class="grid grid-cols-[1fr_auto] items-center gap-x-3 py-1.5">
            <span class="leading-tight wrap-anywhere"><a class="font-bold underline" href="/shelves?n={line.number}">No. {line.number}</a> {line.food}</span>
            <button class="away min-h-11 text-sm underline" aria-label="Not from number {line.number}" onclick={() => (left = [...left, line.number])}
              >not this</button
            >
            <span class="caption wrap-anywhere">{line.container} {happens(line)}<span class="block">{line.where}</span></span>
            <input
              class="field !w-24"
              aria-label="How much of number {line.number}"
              value={amountOf(line)}
              oninput={(event) => (typed[line.number] = event.currentTarget.value)}
              aria-invalid={wrong[`takes.${n}`] ? "true" : undefined}
              autocomplete="off"
            />
            <Refusal {wrong} of="takes.{n}" class="col-span-2" />
          </li>
        {/each}
      </ul>
      <Refusal {wrong} of={["takes", "day", "number", "on", "request"]} class="mt-1" />
      <button class="do mt-3 w-full" onclick={take}>Take it from the shelf</button>
    {/if}
    {#if shelf.lacking.length}<p class="caption mt-2">Not on the shelves: {shelf.lacking.join(", ")}.</p>{/if}
  </section>
{/if}
