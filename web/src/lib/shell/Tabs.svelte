<!-- The places along the top edge, as the tabs of a card box: where there is room for all of them. -->
<script lang="ts">
  import { PLACES, type Place } from "./places";

  let { here, figures }: { here: Place | undefined; figures: Record<string, string> } = $props();
</script>

<nav aria-label="Places" class="hidden min-w-0 flex-1 md:flex md:max-xl:order-last md:max-xl:w-full md:max-xl:flex-none md:max-xl:justify-between">
  {#each PLACES as place (place.href)}
    {@const on = place === here}
    <a
      href={place.href}
      aria-current={on ? "page" : undefined}
      class={[
        "relative block min-w-0 px-2 pt-2 pb-2 leading-tight lg:-mb-0.5 lg:min-w-17 lg:px-3 xl:px-3.5 xl:pt-3",
        // A food's name may be long, and is told on the bench too: where room is short it gives way before any figure.
        place.href === "/bench" && "shrink-[99]",
        on
          ? "rounded-t-xl border-2 border-b-0 border-ink bg-paper font-bold before:absolute before:inset-x-0 before:top-0 before:h-1.5 before:rounded-t-[9px] before:bg-yolk"
          : "border-2 border-b-0 border-transparent hover:underline",
      ]}
    >
      <span class="block text-base whitespace-nowrap">{place.name}</span>
      <span class="block max-w-36 truncate text-xs {on ? 'font-bold' : 'text-soft'}">{figures[place.href] || "\u00a0"}</span>
    </a>
  {/each}
</nav>
