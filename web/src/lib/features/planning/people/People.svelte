<script lang="ts">
  import { whole } from "$lib/format/numbers";
  import Page from "$lib/ui/Page.svelte";
  import { query } from "$lib/state/query.svelte";
  import { api, ask, type Schemas } from "$lib/api/client";
  import { counted } from "$lib/format/words";
  import Person from "./Person.svelte";
  import Seats from "./Seats.svelte";

  const seen = query((signal) => ask(api.GET("/api/table/people", { signal })), { key: "people" });
  const view = $derived(seen.data);
  let open = $state(false);
  let chosen = $state.raw<Schemas["PersonView"]>();

  function show(each?: Schemas["PersonView"]) {
    chosen = each;
    open = true;
  }
</script>

<Page title="Who eats" of={seen}>
  {#if view}
    <div class="grid min-h-0 flex-1 content-start gap-x-8 px-4 pt-2.5 pb-8 sm:px-6 lg:grid-cols-[29rem_1fr] lg:overflow-y-auto">
      <div>
        <div class="flex flex-wrap items-end justify-between gap-3">
          <div>
            <h1 class="text-4xl">{whole(view.appetite.kcal_day)} kcal a day</h1>
            <p class="caption">
              {#if view.appetite.named}for {counted(view.appetite.people, "who always eats", "who always eat")} here, and {whole(view.appetite.protein_day_g)} g protein
              {:else}for {view.appetite.people}, as long as nobody {view.people.length ? "who always eats here" : ""} is named{/if}
            </p>
          </div>
          <button class={view.people.length ? "chip" : "do"} onclick={() => show()}>{view.people.length ? "Add somebody" : "Name who eats"}</button>
        </div>

        <Seats people={view.people} onpick={show} />
      </div>
      <div class="min-w-0">
        {#if view.people.length}
          <ul class="mt-3 border-t-2 border-ink lg:mt-2">
            {#each view.people as each (each.number)}
              <li class="grid gap-x-6 gap-y-1 border-b border-line py-3 md:grid-cols-[11rem_7rem_1fr_auto] md:items-baseline">
                <div>
                  <b class="text-lg">{each.person.name}</b>
                  <span class="block text-sm text-soft"
                    >{counted(each.age, "year")}{each.person.count && each.person.count > 1 ? `, ${each.person.count} of them` : ""}{each.person.weeks
                      ? `, guests for ${counted(each.person.weeks, "week")}`
                      : ""}</span
                  >
                </div>
                <div>
                  <b class="font-name text-xl">{whole(each.need.kcal)}</b> kcal<span class="block text-sm text-soft"
                    >{whole(each.need.protein_g)} g protein</span
                  >
                </div>
                <div class="min-w-0 text-sm leading-snug text-soft">
                  <p>{each.need.kcal_working}</p>
                  <p>protein: {each.need.protein_working}{[each.need.measures_working, each.need.assumed].map((more) => more && ` · ${more}`).join("")}</p>
                </div>
                <button class="chip justify-self-start" onclick={() => show(each)}>Change</button>
              </li>
            {/each}
          </ul>
          <p class="caption mt-3">
            Energy: estimated energy requirement; protein: recommended allowance (Institute of Medicine, 2005). They are means over healthy people: who is ill,
            expecting or nursing has needs of their own, which a doctor or midwife can tell; type that figure in instead.
          </p>
        {:else}
          <p class="mx-auto mt-3 max-w-xl text-center text-lg">
            A name or a role and a birth year are enough. What each of you needs in a day follows, with the sum on show, and all days and person-days are
            calculated with it.
          </p>
        {/if}
      </div>
    </div>
    <Person bind:open view={chosen} />
  {/if}
</Page>
