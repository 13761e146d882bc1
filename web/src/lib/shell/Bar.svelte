<!-- The places at the thumb, on a phone: the four that are gone to most, and all of them under More. -->
<script lang="ts">
  import type { Snippet } from "svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { PLACES, type Place } from "./places";

  let {
    here,
    figures,
    others,
  }: {
    here: Place | undefined;
    figures: Record<string, string>;
    /** What else there is under More, beside the places. */
    others: Snippet<[() => void]>;
  } = $props();

  let all = $state(false);
  const elsewhere = $derived(here && !here.thumb ? here : undefined);
  const close = () => (all = false);
</script>

{#snippet slot(name: string, figure: string, on: boolean)}
  <span class="block truncate">{name}</span>
  <span class="block truncate text-xs {on ? 'font-bold' : 'text-soft'}">{figure || "\u00a0"}</span>
{/snippet}

<nav aria-label="Places" class="bar sticky bottom-0 z-20 grid grid-cols-5 border-t-2 border-ink bg-cream md:hidden">
  {#each PLACES.filter((place) => place.thumb) as place (place.href)}
    {@const on = place === here}
    <a href={place.href} aria-current={on ? "page" : undefined} class={["at", on && "on"]}>{@render slot(place.name, figures[place.href] ?? "", on)}</a>
  {/each}
  <button class={["at", elsewhere && "on"]} aria-haspopup="dialog" onclick={() => (all = true)}
    >{@render slot("More", elsewhere?.name ?? "", !!elsewhere)}</button
  >
</nav>

<Sheet bind:open={all} title="All places">
  <ul class="-mx-2">
    {#each PLACES as place (place.href)}
      <li>
        <a
          href={place.href}
          onclick={close}
          aria-current={place === here ? "page" : undefined}
          class="flex min-h-12 items-center justify-between gap-4 rounded-lg px-2 {place === here ? 'bg-yolk font-bold text-on-yolk' : 'hover:bg-cream'}"
        >
          <span class="text-lg font-semibold">{place.name}</span>
          <span class="min-w-0 truncate text-sm">{figures[place.href]}</span>
        </a>
      </li>
    {/each}
  </ul>
  <div class="mt-3 grid grid-cols-2 gap-2 border-t border-line pt-4">{@render others(close)}</div>
</Sheet>

<style>
  .bar {
    height: var(--bar);
    padding-bottom: env(safe-area-inset-bottom);
  }
  .at {
    position: relative;
    min-width: 0;
    display: flex;
    flex-direction: column;
    justify-content: center;
    padding: 0 1px 4px;
    text-align: center;
    font-size: clamp(0.82rem, 4.1vw, 1rem);
    line-height: 1.25;
    border: 2px solid transparent;
    border-top: 0;
  }
  .on {
    margin-top: -2px;
    border-color: var(--ink);
    border-radius: 0 0 12px 12px;
    background: var(--paper);
    font-weight: 700;
  }
  .on::after {
    content: "";
    position: absolute;
    inset: auto 0 0;
    height: 6px;
    border-radius: 0 0 9px 9px;
    background: var(--yolk);
  }
</style>
