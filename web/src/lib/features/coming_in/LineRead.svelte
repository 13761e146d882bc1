<!-- One line: what is in the house by it, what was taken for what it does not say, and the line itself, to be mended. -->
<script lang="ts">
  import { tick } from "svelte";
  import type { Schemas } from "$lib/api/client";
  import Container from "$lib/draw/Container.svelte";
  import { outline } from "$lib/draw/outline";
  import { patternOf } from "$lib/draw/pieces";
  import TriangleAlert from "@lucide/svelte/icons/triangle-alert";
  import X from "@lucide/svelte/icons/x";
  import Refusal from "$lib/ui/Refusal.svelte";
  import Nearest from "$lib/ui/Nearest.svelte";

  let {
    text,
    view,
    refused,
    onchange,
    onmeant,
  }: {
    text: string;
    view: Schemas["LineView"] | undefined;
    refused: string;
    onchange: (text: string) => void;
    onmeant: (name: string) => void;
  } = $props();

  const id = $props.id();
  let changing = $state(false);
  let input = $state<HTMLInputElement>();

  async function begin() {
    changing = true;
    await tick();
    input?.focus();
  }

  function change(to: string) {
    changing = false;
    onchange(to);
  }
  const stock = $derived(view?.stock);
  const unread = $derived(view?.reading === "unread");
  const whole = $derived(stock && outline(stock.draw, 1));
  const scale = $derived(whole ? Math.min(58 / Math.max(whole.top, 160), 25 / whole.half) : 1);
  const where = $derived(stock ? [stock.container, stock.closing, stock.place_name, stock.packed].filter(Boolean).join(" · ") : "");
  const wrong = $derived(unread ? view?.wrong : refused);
</script>

<li class="flex gap-3 border-b border-line py-3" data-unread={unread ? "" : undefined} data-doubtful={view?.reading === "doubtful" ? "" : undefined}>
  <svg viewBox="-30 -64 60 66" class="h-16 w-15 shrink-0" aria-hidden="true">
    {#if stock}
      <Container
        drawn={stock.draw}
        {scale}
        level={stock.level * stock.draw.inner_mm}
        pattern={patternOf({ form: stock.form, colour: stock.colour })}
        food={stock.form}
        colour={stock.colour}
        see="wall"
        fine={false}
        id="line-{id}"
      />
    {:else}
      <rect x="-16" y="-44" width="32" height="42" rx="6" fill="none" stroke="var(--soft)" stroke-width="2" stroke-dasharray="4 4" />
    {/if}
  </svg>
  <div class="min-w-0 flex-1">
    {#if stock}
      <p class="leading-snug">
        <b class="text-lg">{stock.count} × {stock.food}, {stock.mass}</b>{#if stock.food_name}<span class="text-soft">: {stock.food_name}</span>{/if}
      </p>
      <p class="leading-snug">{where}</p>
      <p class="caption leading-snug">
        {stock.ages ? `Best by ${stock.best_by}` : "Keeps"}{stock.band ? ` (${stock.band})` : ""} · {stock.kcal} kcal
      </p>
      {#if stock.taken_as.length}<p class="caption leading-snug">Not said, so taken as: {stock.taken_as.join("; ")}.</p>{/if}
      {#each stock.doubts as doubt, n (n)}
        <p class="mt-1 flex gap-1.5 leading-snug font-semibold text-rust"><TriangleAlert class="mt-0.5 shrink-0" size={17} aria-hidden="true" />{doubt}</p>
      {/each}
    {/if}
    <Refusal {wrong} />
    {#if unread}<Nearest names={view?.nearest} onname={onmeant} />{/if}
    <div class="mt-1 flex items-center gap-2">
      {#if changing || unread}
        <label class="sr-only" for="line-{id}">The line “{text}”</label>
        <input
          id="line-{id}"
          class="field min-w-0 flex-1 text-base {unread ? 'border-rust' : ''}"
          value={text}
          autocomplete="off"
          spellcheck="false"
          bind:this={input}
          onchange={(event) => change(event.currentTarget.value)}
        />
      {:else}
        <button class="min-h-11 min-w-0 flex-1 text-left leading-snug text-soft underline decoration-dotted underline-offset-4" onclick={begin}
          ><span class="sr-only">Change the line </span>{text}</button
        >
      {/if}
      <button class="chip shrink-0" aria-label="Remove the line “{text}”" onclick={() => onchange("")}><X size={18} aria-hidden="true" /></button>
    </div>
  </div>
</li>
