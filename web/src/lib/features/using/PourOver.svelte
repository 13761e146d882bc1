<!-- Packages are poured over: shared out, gone down a size, put together. -->
<script lang="ts">
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import { sent } from "$lib/format/numbers";
  import { larder } from "$lib/state/larder.svelte";
  import { untilLeft } from "$lib/state/left";
  import Choice from "$lib/ui/Choice.svelte";
  import Field from "$lib/ui/Field.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import Closing from "./Closing.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { card, alike, onlabel, open = $bindable() }: { card: Schemas["Card"]; alike: number[]; onlabel: (numbers: number[]) => void; open: boolean } = $props();

  let options = $state.raw<Schemas["PourInto"][]>([]);
  let ready = $state(false);
  let container = $state("");
  let closing = $state<Schemas["Closing"]>();
  let count = $state("");
  let amount = $state("");
  let together = $state(false);
  let conditioned = $state(false);
  let wrong = $state<Wrong>({});

  const numbers = $derived(together ? alike : [card.number]);
  const into = $derived(options.find((each) => each.container === container) ?? options[0]);
  const chosen = $derived(into?.closings.find((each) => each === closing) ?? into?.closings[0] ?? "lid");

  $effect(() => {
    if (!open) return void (ready = false);
    return untilLeft((left) => read(numbers, left));
  });

  async function read(of: number[], signal: AbortSignal) {
    const { data, wrong: refused } = await ask(api.GET("/api/packages/pour-into", { params: { query: { numbers: of } }, signal }));
    if (signal.aborted) return;
    options = data ?? [];
    wrong = refused ?? {};
    ready = true;
  }

  async function pour(event: SubmitEvent) {
    event.preventDefault();
    if (!into) return;
    const pouring = {
      numbers,
      container: into.container,
      closing: chosen,
      amount,
      count: sent(count) as number | null,
      pull: "machine",
      shelf: null,
      conditioned,
    } as const;
    const done = await ask(api.POST("/api/packages/pour", { body: { pouring } }));
    wrong = done.wrong ?? {};
    if (!done.data) return;
    open = false;
    count = amount = "";
    larder.say(`${done.data.says}: ${done.data.numbers.length > 1 ? "numbers" : "number"} ${done.data.numbers.join(", ")}`);
    await larder.changed();
    onlabel(done.data.numbers);
  }
</script>

<Sheet bind:open title="Pour number {card.number} over" wide {ready}>
  <form class="grid gap-4" onsubmit={pour} novalidate>
    <p>A pail is opened once and shared out, not eighty times; a half-empty jar goes down a size. What was used of its life goes along.</p>
    {#if alike.length > 1}
      <div>
        <p class="head">What</p>
        <Choice
          label="What"
          options={[
            [false, `number ${card.number}, ${card.mass}`],
            [true, `all ${alike.length} alike`],
          ] as const}
          value={together}
          onset={(each) => (together = each)}
        />
      </div>
    {/if}
    {#if options.length}
      <div>
        <p class="head">Into</p>
        <Choice
          label="Into"
          options={options.map((each) => [each.container, `${each.count} × ${each.name}${each.there ? `, ${each.there}` : ""}`] as const)}
          value={into?.container}
          onset={(each) => (container = each)}
          row="mt-1 flex max-h-76 flex-wrap gap-2 overflow-y-auto p-1"
        />
        <Refusal {wrong} of="container" class="mt-1" />
      </div>
      <Closing label="Closed" closings={into?.closings ?? []} {chosen} onset={(each) => (closing = each)} bind:conditioned {wrong} />
      <div class="grid grid-cols-2 gap-3">
        <Field label="How much (all, if left empty)" name="amount" bind:value={amount} {wrong} placeholder={larder.us ? "2 lb" : "1 kg"} />
        <Field label="How many ({into?.count ?? 1}, if left empty)" name="count" type="number" bind:value={count} {wrong} />
      </div>
    {/if}
    <Refusal {wrong} but={["container", "closing", "amount", "count"]} />
    <button class="do" type="submit" disabled={!into}>Pour it over</button>
  </form>
</Sheet>
