<!-- What does not keep dry, by how it is kept; and seeds for planting. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";

  let { rows, seeds }: { rows: Schemas["NotDryRow"][]; seeds: Schemas["SeedKindView"][] } = $props();

  const WAYS: Schemas["Way"][] = ["room", "cellar", "fridge", "fridge, under vacuum", "freezer"];
  let open = $state("");
</script>

{#if rows.length}
  <h2 class="mt-8 text-xl">What is not kept dry</h2>
  <p class="caption max-w-3xl">
    It goes by how cold its place is. What is used of one way stays used in the next. A tin or jar keeps as its maker closed it; these are for once it is open.
  </p>
  <div class="overflow-x-auto">
    <table class="mt-1 w-full min-w-[52rem] text-md">
      <thead class="border-b-2 border-ink text-left align-bottom">
        <tr
          ><th class="py-2">Kind of food</th>{#each WAYS as way (way)}<th class="px-1.5 text-center">{way}</th>{/each}</tr
        >
      </thead>
      <tbody>
        {#each rows as row (row.life)}
          <tr class="border-b border-line hover:bg-cream">
            <td class="py-1.5 pr-3">
              <button class="min-h-11 text-left" aria-expanded={open === row.life} onclick={() => (open = open === row.life ? "" : row.life)}
                ><b>{row.life}</b><span class="caption block">{row.meaning}</span></button
              >
            </td>
            {#each WAYS as way (way)}
              {@const kept = row.kept.find((each) => each.way === way)}
              <td class="px-1.5 text-center"
                >{#if kept}<b class="block">{kept.usually}</b><span class="text-sm text-soft">{kept.span}</span>{/if}</td
              >
            {/each}
          </tr>
          {#if open === row.life}<tr class="border-b border-line bg-cream"><td colspan="6" class="px-2 py-2.5 text-md">{row.source}.</td></tr>{/if}
        {/each}
      </tbody>
    </table>
  </div>
{/if}
{#if seeds.length}
  <h2 class="mt-8 text-xl">Seeds for planting</h2>
  <p class="caption">In a cool dry room. Germination of new seed, at the least.</p>
  <dl class="mt-1 border-t-2 border-ink">
    {#each seeds as seed (seed.key)}
      <div class="grid gap-x-4 border-b border-line py-2 sm:grid-cols-[14rem_8rem_8rem_1fr]">
        <dt class="font-semibold">{seed.name}<span class="caption block font-normal">{[seed.family, ...seed.aliases].join(", ")}</span></dt>
        <dd>{seed.lives}</dd>
        <dd>{seed.new} come</dd>
        <dd class="caption">{seed.source}</dd>
      </div>
    {/each}
  </dl>
{/if}
