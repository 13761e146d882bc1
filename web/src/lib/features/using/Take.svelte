<!-- Some is taken of a package: a weight, a measure, a part of it. -->
<script lang="ts">
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import { larder } from "$lib/state/larder.svelte";
  import Choice from "$lib/ui/Choice.svelte";
  import Field from "$lib/ui/Field.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { card, open = $bindable() }: { card: Schemas["Card"]; open: boolean } = $props();

  const PARTS = ["a quarter", "a third", "half", "the rest"];

  let amount = $state("");
  let day = $state("");
  let wrong = $state<Wrong>({});

  async function take(event: SubmitEvent) {
    event.preventDefault();
    const { number } = card;
    const params = { path: { number } };
    const done = await ask(api.POST("/api/packages/{number}/take", { params, body: { amount, on: day || null } }));
    wrong = done.wrong ?? {};
    if (!done.data) return;
    const { taken, left, gone } = done.data;
    open = false;
    amount = day = "";
    larder.say(gone ? `Took ${taken}: number ${number} is used up` : `Took ${taken}, ${left} left`);
    await larder.changed();
  }
</script>

<Sheet bind:open title="Take from number {card.number}">
  <form class="grid gap-4" onsubmit={take} novalidate>
    <p>
      {card.mass} of {card.food} in it{card.open_since ? `, open since ${card.open_since}` : ". It is opened by this, and in use from now on"}.
    </p>
    <Field label="How much" name="amount" bind:value={amount} {wrong} placeholder={larder.us ? "2 cups, 8 oz" : "200 g, 2 cups"} />
    <Choice label="A part of it" options={PARTS} value={amount} onset={(part) => (amount = part)} row="flex flex-wrap gap-2" />
    <Field label="On (today, if left empty)" name="on" type="date" bind:value={day} {wrong} />
    <Refusal {wrong} but={["amount", "on"]} />
    <button class="do" type="submit">Take it</button>
  </form>
</Sheet>
