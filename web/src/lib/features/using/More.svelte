<!-- What else happens to a package: weighed, tasted, its seal lost, kept on, given away, put right. -->
<script lang="ts">
  import { api, ask, type Answer, type Schemas, type Wrong } from "$lib/api/client";
  import { sent } from "$lib/format/numbers";
  import { counted } from "$lib/format/words";
  import { larder } from "$lib/state/larder.svelte";
  import Choice from "$lib/ui/Choice.svelte";
  import Field from "$lib/ui/Field.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import HowMany from "./HowMany.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";
  import { someOf } from "./alike";

  let { card, alike, places, open = $bindable() }: { card: Schemas["Card"]; alike: number[]; places: Schemas["PlaceView"][]; open: boolean } = $props();

  type What = "weighed" | "tasted" | "loose" | "on" | "opened" | "used up" | "given away" | "fed to animals" | "wrong";

  let what = $state<What>("weighed");
  let day = $state("");
  let note = $state("");
  let weight = $state("");
  let verdict = $state<Schemas["Taste"]>("good");
  let since = $state("");
  let until = $state("");
  let cut = $state("");
  let right = $state({ food: "", amount: "", packed_on: "", place: 0, shelf: "" });
  let wrong = $state<Wrong>({});
  let count = $state(1);

  const leaves = $derived(what === "used up" || what === "given away" || what === "fed to animals");
  const numbers = $derived(someOf(card.number, alike, count));

  const options = $derived([
    ["weighed", "Weighed what is in it"],
    ["tasted", "Tasted it"],
    ...(card.open_since || card.closing === "lid" ? [] : ([["loose", "Its seal is loose"]] as const)),
    ...(card.may_be_kept_on ? ([["on", "Keep it on"]] as const) : []),
    ...(alike.length > 1 && !card.open_since ? ([["opened", "Opened several"]] as const) : []),
    ...(alike.length > 1 ? ([["used up", "Used up several"]] as const) : []),
    ["given away", "Gave it away"],
    ["fed to animals", "Fed it to animals"],
    ["wrong", "It was written wrong"],
  ] as const);
  const chosen = $derived(options.some(([each]) => each === what) ? what : "weighed");
  const path = $derived({ path: { number: card.number } });
  const on = $derived(day || null);

  function send(): Promise<Answer<unknown>> {
    const params = path;
    switch (chosen) {
      case "weighed":
        return ask(api.POST("/api/packages/{number}/weigh", { params, body: { weight, on } }));
      case "tasted":
        return ask(api.POST("/api/packages/{number}/taste", { params, body: { verdict, note, on } }));
      case "loose":
        return ask(api.POST("/api/packages/{number}/seal-lost", { params, body: { since: since || null, on } }));
      case "on":
        return ask(api.POST("/api/packages/{number}/keep-on", { params, body: { until: until || null, note, on } }));
      case "wrong": {
        const { food, amount, packed_on, place, shelf } = right;
        const body = { food, amount, packed_on: packed_on || null, place: place || null, shelf: sent(shelf) as number | null };
        return ask(api.POST("/api/packages/{number}/correct", { params, body }));
      }
      case "opened":
        return ask(api.POST("/api/packages/open", { body: { numbers, often: "weekly", on } }));
      default:
        return ask(api.POST("/api/packages/leave", { body: { numbers, how: chosen, note, cut, on } }));
    }
  }

  const SAID: Record<What, string> = {
    weighed: "Weighed",
    tasted: "Written down",
    loose: "Counted as closed with air from then on: close it again today",
    on: "It is kept on",
    opened: "Opened",
    "used up": "Used up",
    "given away": "Given away",
    "fed to animals": "Fed to animals",
    wrong: "Put right",
  };

  async function done(event: SubmitEvent) {
    event.preventDefault();
    const says = SAID[chosen];
    const which = (leaves || chosen === "opened") && count > 1 ? counted(numbers.length, "package") : `Number ${card.number}`;
    const answer = await send();
    wrong = answer.wrong ?? {};
    if (answer.wrong) return;
    open = false;
    day = note = weight = since = until = cut = "";
    count = 1;
    right = { food: "", amount: "", packed_on: "", place: 0, shelf: "" };
    larder.say(typeof answer.data === "string" && answer.data ? `${says}: ${answer.data}` : `${which}: ${says.slice(0, 1).toLowerCase()}${says.slice(1)}`);
    await larder.changed();
  }
</script>

<Sheet bind:open title="What happened to number {card.number}?">
  <form class="grid gap-4" onsubmit={done} novalidate>
    <Choice label="What happened" {options} value={chosen} onset={(each) => ((what = each), (wrong = {}))} row="flex flex-wrap gap-2" />
    {#if chosen === "weighed"}
      <Field
        label="What is in it, without what it is in"
        name="weight"
        bind:value={weight}
        {wrong}
        placeholder={card.mass}
        hint="{card.mass} is written. The difference is written off."
      />
    {:else if chosen === "tasted"}
      <p class="caption">Never taste what is puffed up, smells wrong or comes from a jar whose lid is up.</p>
      <Choice label="How it was" options={["good", "so-so", "bad"] as const} value={verdict} onset={(each) => (verdict = each)} row="flex flex-wrap gap-2" />
    {:else if chosen === "loose"}
      <p>A lid that lifts, a vacuum that is gone, a bag that gives air. From the day it was last known to be tight it counts as closed with air.</p>
      <Field label="Last known to be tight (today, if left empty)" name="since" type="date" bind:value={since} {wrong} />
    {:else if chosen === "on"}
      <p>
        Best-by is a promise of quality. Look at it, smell it, taste a little, if nothing is wrong with its seal: dry food that passes may be kept. When in
        doubt, throw it out, and ask your local food-safety authority.
      </p>
      <Field label="Look at it again on" name="until" type="date" bind:value={until} {wrong} />
    {:else if chosen === "wrong"}
      <p class="caption">Fill in only what was wrong. Its history shows that it was corrected.</p>
      <Field label="It is" name="food" bind:value={right.food} {wrong} placeholder={card.food} />
      <Field label="In it" name="amount" bind:value={right.amount} {wrong} placeholder={card.mass} />
      <Field label="Packed on" name="packed_on" type="date" bind:value={right.packed_on} {wrong} />
      <div>
        <p class="head">It stands in</p>
        <Choice
          label="It stands in"
          options={places.map((each) => [each.id, each.name] as const)}
          value={right.place || card.place}
          onset={(each) => (right.place = each)}
        />
      </div>
      <Field label="Shelf, from the top" name="shelf" type="number" bind:value={right.shelf} {wrong} placeholder={String(card.shelf)} />
    {:else if leaves && card.is_bag && count === 1}
      <Field label="Cut off its bag, if that comes back to the supplies" name="cut" bind:value={cut} {wrong} placeholder={larder.us ? "1 in" : "3 cm"} />
    {/if}
    {#if leaves || chosen === "opened"}<HowMany {alike} bind:count />{/if}
    {#if chosen !== "weighed" && chosen !== "loose" && chosen !== "wrong" && chosen !== "opened"}<Field
        label="Note"
        name="note"
        bind:value={note}
        {wrong}
      />{/if}
    {#if chosen !== "wrong"}<Field label="On (today, if left empty)" name="on" type="date" bind:value={day} {wrong} />{/if}
    <Refusal {wrong} but={["weight", "since", "until", "food", "amount", "packed_on", "shelf", "note", "cut", "on"]} />
    <button class="do" type="submit">Save</button>
  </form>
</Sheet>
