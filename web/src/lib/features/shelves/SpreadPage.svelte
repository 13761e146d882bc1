<!-- How food is spread over places and ways of keeping, and what goes if one of them fails. -->
<script lang="ts">
  import { api, ask, type Schemas } from "$lib/api/client";
  import { few } from "$lib/format/numbers";
  import { query } from "$lib/state/query.svelte";
  import Page from "$lib/ui/Page.svelte";

  const seen = query((signal) => ask(api.GET("/api/shelves/spread", { signal })));
  const spread = $derived(seen.data);

  /** So many foods are named; the rest is counted. */
  const NAMED = 6;
  const listed = (foods: readonly string[]) => `${foods.slice(0, NAMED).join(", ")}${foods.length > NAMED ? ` and ${foods.length - NAMED} more` : ""}`;
</script>

{#snippet parts(title: string, each: readonly Schemas["Part"][])}
  <h2 class="mt-7 text-2xl">{title}</h2>
  <ul>
    {#each each as part (part.name)}
      <li class="border-b border-line py-3">
        <p class="flex flex-wrap items-baseline justify-between gap-x-4">
          <b class="text-lg">{part.name}</b>
          <span>{few(part.days)} of {few(spread?.days ?? 0)} days, {part.share_text}</span>
        </p>
        <div class="mt-1 h-3 rounded-full border border-ink bg-paper" aria-hidden="true">
          <div class="h-full rounded-full bg-yolk" style:width="{Math.max(1, part.share * 100)}%"></div>
        </div>
        <p class="caption mt-1">
          {part.all_of.length ? `All the ${listed(part.all_of)} would go with it.` : "Of everything in it there is some elsewhere."}
        </p>
      </li>
    {/each}
  </ul>
{/snippet}

<Page title="How it is spread" of={seen}>
  {#if spread}
    <div class="min-h-0 flex-1 lg:overflow-y-auto">
      <section class="mx-auto w-full max-w-3xl px-4 pt-4 pb-16 sm:px-6" aria-label="How it is spread">
        <a class="font-semibold text-soft underline" href="/shelves">Shelves</a>
        <h1 class="text-5xl">What goes if one fails</h1>
        <p class="caption">A freezer can die, a cellar can flood, damp can get into a bag. Days are of everybody's energy, from all that is kept.</p>
        {#if spread.foods.length}
          {@render parts("If a place fails", spread.by_place)}
          {#if spread.by_way.length > 1}{@render parts("By way of keeping", spread.by_way)}{/if}
          <h2 class="mt-7 text-2xl">Each food</h2>
          <ul class="columns-1 gap-8 sm:columns-2">
            {#each spread.foods as each (each.food)}
              <li class="break-inside-avoid border-b border-line py-2 leading-snug">
                <b>{each.food}</b>, {each.mass}
                <span class="caption block">{each.places.join(", ")}</span>
              </li>
            {/each}
          </ul>
        {:else}
          <p class="mt-6 text-lg">Nothing is put away yet. <a class="font-bold underline" href="/shelves/coming-in">Add what is there already.</a></p>
        {/if}
      </section>
    </div>
  {/if}
</Page>
