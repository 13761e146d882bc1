<!-- A package that is open is closed again. -->
<script lang="ts">
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import { larder } from "$lib/state/larder.svelte";
  import Choice from "$lib/ui/Choice.svelte";
  import Field from "$lib/ui/Field.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import Closing from "./Closing.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { card, open = $bindable() }: { card: Schemas["Card"]; open: boolean } = $props();

  const PULLS = [
    ["machine", "vacuum sealer"],
    ["hand pump", "hand pump"],
  ] as const;

  let closing = $state<Schemas["Closing"]>();
  let pull = $state<Schemas["Pull"]>("machine");
  let cut = $state("");
  let conditioned = $state(false);
  let wrong = $state<Wrong>({});

  const chosen = $derived(closing ?? card.closings[0] ?? "lid");

  async function close(event: SubmitEvent) {
    event.preventDefault();
    const { number } = card;
    const params = { path: { number } };
    const done = await ask(api.POST("/api/packages/{number}/close", { params, body: { closing: chosen, cut, pull, pressed: true, conditioned } }));
    wrong = done.wrong ?? {};
    if (done.data === undefined) return;
    open = false;
    cut = "";
    larder.say(`Number ${number} is closed again${done.data ? `; took ${done.data}` : ""}`);
    await larder.changed();
  }
</script>

<Sheet bind:open title="Close number {card.number} again">
  <form class="grid gap-4" onsubmit={close} novalidate>
    <p>{card.mass} of {card.food} in it. Absorbers are sized for the air that is in there now; what was used of its life stays used.</p>
    <Closing label="How" closings={card.closings} {chosen} onset={(each) => (closing = each)} bind:conditioned {wrong} />
    {#if chosen === "vacuum"}
      <div>
        <p class="head">Pump</p>
        <Choice label="Pump" options={PULLS} value={pull} onset={(each) => (pull = each)} />
      </div>
    {/if}
    {#if card.is_bag}
      <Field
        label="Cut off when it was opened"
        name="cut"
        bind:value={cut}
        {wrong}
        placeholder={larder.us ? "1 in" : "3 cm"}
        hint="The bag is sealed so much shorter. Leave it empty if its zip closes it."
      />
    {/if}
    <Refusal {wrong} but={["closing", "cut"]} />
    <button class="do" type="submit">Close it</button>
  </form>
</Sheet>
