<!-- What can be done with a package that is kept: take, open, close, pour over, and the rest. -->
<script lang="ts">
  import { api, ask, type Schemas, whyNot } from "$lib/api/client";
  import { larder } from "$lib/state/larder.svelte";
  import Later from "$lib/ui/Later.svelte";

  let {
    card,
    alike,
    places,
    onmove,
    onthrow,
    onlabel,
  }: {
    card: Schemas["Card"];
    /** Numbers of what is just like it, itself included. */
    alike: number[];
    places: Schemas["PlaceView"][];
    onmove: () => void;
    onthrow: () => void;
    onlabel: (numbers: number[]) => void;
  } = $props();

  let doing = $state<"take" | "close" | "pour" | "more">();

  const sheets = () => import("./sheets");
  const showing = (which: typeof doing) => ({ get: () => doing === which, set: (open: boolean) => (doing = open ? which : undefined) });
  const take = showing("take");
  const close = showing("close");
  const pour = showing("pour");
  const more = showing("more");

  async function open() {
    // Another card may be looked at by the time it is open.
    const { number } = card;
    const { wrong } = await ask(api.POST("/api/packages/open", { body: { numbers: [number], often: "weekly" } }));
    if (wrong) larder.say(whyNot(wrong), "wrong");
    else larder.say(`Number ${number} is open`);
    await larder.changed();
  }

  async function usedUp() {
    await larder.tell(ask(api.POST("/api/packages/leave", { body: { numbers: [card.number], how: "used up" } })), `Number ${card.number} is used up`);
  }
</script>

<div class="mt-4 grid grid-cols-2 gap-2.5">
  <button class="do !min-h-13 !px-3 !text-lg" onclick={() => (doing = "take")}>Take some</button>
  {#if card.open_since}
    <button class="chip !min-h-13 !text-lg" onclick={() => (doing = "close")}>Close again</button>
  {:else}
    <button class="chip !min-h-13 !text-lg" onclick={open}>Open it</button>
  {/if}
</div>
<div class="mt-2.5 grid grid-cols-3 gap-2.5">
  <button class="chip" onclick={usedUp}>Used up</button>
  <button class="chip" onclick={() => (doing = "pour")}>Pour over</button>
  <button class="chip" onclick={onmove}>Move</button>
  <button class="chip" onclick={() => onlabel([card.number])}>Label …</button>
  <button class="chip" onclick={() => (doing = "more")}>More …</button>
  <button class="chip away" onclick={onthrow}>Throw out</button>
</div>

<Later load={sheets} when={doing !== undefined}>
  {#snippet children({ Take, CloseAgain, PourOver, More })}
    <Take {card} bind:open={take.get, take.set} />
    <CloseAgain {card} bind:open={close.get, close.set} />
    <PourOver {card} {alike} {onlabel} bind:open={pour.get, pour.set} />
    <More {card} {alike} {places} bind:open={more.get, more.set} />
  {/snippet}
</Later>
