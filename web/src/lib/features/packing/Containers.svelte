<!-- All the containers of the table, drawn to one scale, and a bag of one's own. -->
<script lang="ts">
  import { sent } from "$lib/format/numbers";
  import type { Schemas, Wrong } from "$lib/api/client";
  import Field from "$lib/ui/Field.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { outline } from "$lib/draw/outline";
  import OwnContainer from "$lib/features/catalog/OwnContainer.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let {
    open = $bindable(false),
    containers,
    chosen,
    wrong,
    us,
    onpick,
    onown,
  }: {
    open?: boolean;
    containers: Schemas["ContainerRow"][];
    chosen: string;
    wrong: Wrong;
    us: boolean;
    onpick: (key: string) => void;
    onown: (size: string, film: number) => void;
  } = $props();

  let size = $state("");
  let film = $state(7);

  let adding = $state(false);

  const packedInto = $derived(containers.filter((row) => row.packed_into));
  const groups = $derived(
    [
      { name: "Your own", kinds: [] },
      { name: "Foil bags", kinds: ["bag"] },
      { name: "Other bags", kinds: ["zip bag", "clear-front bag", "vacuum pouch", "shop packet"] },
      { name: "Jars", kinds: ["jar"] },
      { name: "Pails with a foil liner", kinds: ["pail with liner"] },
      { name: "Bare pails, bottles, cans", kinds: ["pail", "tote", "bottle", "can"] },
    ]
      .map((group: { name: string; kinds: string[] }) => ({
        ...group,
        rows: packedInto.filter((row) => (row.own === null ? group.kinds.includes(row.kind) : !group.kinds.length)),
      }))
      .filter((group) => group.rows.length),
  );
</script>

<Sheet bind:open title="Which container?" wide>
  {#each groups as group (group.name)}
    <h3 class="head mt-4 font-sans first:mt-0">{group.name}</h3>
    <div class="mt-1.5 grid grid-cols-2 gap-2 sm:grid-cols-3">
      {#each group.rows as row (row.key)}
        {@const scale = 50 / Math.max(row.draw.height_mm, 260)}
        {@const shape = outline(row.draw, scale)}
        <button class="chip !justify-start !gap-2.5 !py-2 text-left" aria-pressed={row.key === chosen} onclick={() => ((open = false), onpick(row.key))}>
          <svg viewBox="-26 -58 52 60" class="h-14 w-12 shrink-0" aria-hidden="true">
            <path d={shape.body} fill="var(--foil)" stroke="var(--ink)" stroke-width="1.6" />
            {#if shape.seal}<path d={shape.seal} fill="var(--line)" stroke="var(--ink)" />{/if}
            {#if shape.lid}<path d={shape.lid} fill="var(--lid)" stroke="var(--ink)" stroke-width="1.2" />{/if}
          </svg>
          <span class="leading-tight">{row.name}<span class="block text-xs font-normal">{row.size}</span></span>
        </button>
      {/each}
    </div>
  {/each}
  <button class="chip mt-5" onclick={() => (adding = true)}>A jar, pail, tote, bottle or tin of your own…</button>
  <h3 class="head mt-5 font-sans">A bag of your own, or one cut down for another use</h3>
  <form
    class="mt-1.5 grid grid-cols-[1fr_8rem_auto] items-end gap-2"
    onsubmit={(event) => {
      event.preventDefault();
      onown(size, sent(film) as number);
    }}
    novalidate
  >
    <Field label="Flat size" name="size" bind:value={size} placeholder={us ? "10 × 14 in" : "25 × 35 cm"} />
    <Field label="Film, mil" name="film" type="number" bind:value={film} />
    <button class="chip" type="submit">Take it</button>
  </form>
  <Refusal {wrong} of="own_bag" class="mt-1.5" />
</Sheet>

<OwnContainer
  bind:open={adding}
  beside={containers.find((row) => row.usual && row.kind === "jar")?.draw}
  onadded={(key) => {
    open = false;
    onpick(key);
  }}
/>
