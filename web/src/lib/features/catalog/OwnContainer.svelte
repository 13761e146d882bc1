<!-- A container of one's own: what it holds and what it is made of, drawn to scale beside one that everybody knows. -->
<script lang="ts">
  import { api, ask, type Schemas } from "$lib/api/client";
  import { outline, type Drawn } from "$lib/draw/outline";
  import { larder } from "$lib/state/larder.svelte";
  import Choice from "$lib/ui/Choice.svelte";
  import Field from "$lib/ui/Field.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { untrack } from "svelte";
  import { nothing, TypedContainer } from "./container.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { open = $bindable(false), beside, onadded }: { open?: boolean; beside: Drawn | undefined; onadded: (key: string, name: string) => void } = $props();

  const typed = new TypedContainer();
  let kinds = $state.raw<Schemas["ContainerMade"][]>([]);
  let byWater = $state(false);

  const us = $derived(larder.us);
  const asked = $derived(typed.asked);
  const made = $derived(kinds.find((each) => each.kind === asked.kind));
  const material = $derived(asked.material ?? made?.materials[0]);
  const lid = $derived(asked.lid ?? made?.lids[0]);
  /** A preserving lid seals on glass only. */
  const lids = $derived(made?.lids.filter((each) => each !== "preserving lid" || material === "glass") ?? []);
  const KINDS = $derived([
    ["jar", "jar"],
    ["pail", us ? "bucket" : "pail"],
    ["tote", "tote or box"],
    ["bottle", "bottle"],
    ["can", "tin"],
  ] as const);
  const HELD = ["nothing: made for food", "food", "pickles, sauce or spices", "something else, or not known"] as const satisfies readonly Schemas["Held"][];

  const drawn = $derived(typed.read?.draw);
  const tallest = $derived(Math.max(drawn?.height_mm ?? 0, beside?.height_mm ?? 0, 120));
  const widest = $derived((drawn?.width_mm ?? 0) + (beside?.width_mm ?? 0) + 60);
  const scale = $derived(Math.min(150 / tallest, 210 / widest));

  $effect(() => {
    if (!open) return;
    untrack(() => {
      typed.asked = nothing();
      typed.read = undefined;
      typed.wrong = {};
      byWater = false;
      if (!kinds.length) void ask(api.GET("/api/containers/kinds")).then(({ data }) => (kinds = data ?? []));
    });
  });

  function weigh(water: boolean) {
    byWater = water;
    typed.set(water ? { volume: "" } : { full: "", empty: "" });
  }

  function made_of(next: Schemas["Material"]) {
    typed.set({
      material: next,
      ...(next !== "glass" && lid === "preserving lid" ? { lid: made?.lids.find((each) => each !== "preserving lid") ?? null } : {}),
    });
  }

  async function save(event: SubmitEvent) {
    event.preventDefault();
    const added = await typed.add();
    if (!added) return;
    await larder.changed();
    open = false;
    larder.say(`${added.name} is in the table now`);
    onadded(added.key, added.name);
  }
</script>

<Sheet bind:open title="A container of your own" wide>
  <form class="grid gap-x-6 gap-y-4 sm:grid-cols-[1fr_15rem]" onsubmit={save} novalidate>
    <div class="grid content-start gap-4">
      {@render told("name", "What you call it", "ice cream tub")}
      <div>
        <p class="head" id="own-kind">It is a</p>
        <Choice label="It is a" options={KINDS} value={asked.kind} onset={(kind) => typed.set({ kind })} />
      </div>
      <div>
        {#if byWater}
          <div class="grid grid-cols-2 gap-3">
            {@render told("full", "Filled with water it weighs", us ? "9 lb 2 oz" : "4.1 kg")}
            {@render told("empty", "Empty it weighs", us ? "10 oz" : "280 g")}
          </div>
        {:else}
          {@render told("volume", "It holds, filled to the brim", us ? "1 gal" : "3.5 L")}
        {/if}
        <button type="button" class="min-h-11 font-bold underline" onclick={() => weigh(!byWater)}
          >{byWater ? "I know what it holds" : "Weigh it filled with water instead"}</button
        >
      </div>
      <div>
        <p class="head">Made of</p>
        <Choice label="Made of" options={made?.materials ?? []} value={material} onset={made_of} />
        <Refusal wrong={typed.wrong} of="material" class="mt-1" />
      </div>
      <div>
        <p class="head">Closed by</p>
        <Choice label="Closed by" options={lids} value={lid} onset={(next) => typed.set({ lid: next })} />
        {#if lid === "preserving lid"}
          <Choice
            label="Mouth"
            options={[
              ["regular", us ? "regular mouth, 2¾ in" : "regular mouth, 70 mm"],
              ["wide", us ? "wide mouth, 3⅜ in" : "wide mouth, 86 mm"],
            ] as const}
            value={asked.mouth ?? "regular"}
            onset={(mouth) => typed.set({ mouth })}
            row="mt-2 flex flex-wrap gap-2"
          />
        {/if}
        <Refusal wrong={typed.wrong} of="lid" class="mt-1" />
      </div>
      <div>
        <p class="head">It held before</p>
        <Choice label="It held before" options={HELD} value={asked.held} onset={(held) => typed.set({ held })} />
      </div>
      <details open={!!(typed.wrong.height || typed.wrong.width || typed.wrong.wall)}>
        <summary class="flex min-h-11 items-center font-bold underline">Measured, if you did</summary>
        <div class="grid gap-3 sm:grid-cols-3">
          {@render told("height", "Height inside", us ? "9 in" : "23 cm")}
          {@render told("width", asked.is_square ? "Width of a side" : "Width inside", us ? "7 in" : "18 cm")}
          {@render told("wall", "Wall", us ? "0.08 in" : "2 mm")}
        </div>
      </details>
      <div class="divide-y divide-line border-y border-line">
        <label class="flex min-h-11 cursor-pointer items-center justify-between gap-3">
          <span>Square, seen from above</span>
          <input
            type="checkbox"
            class="size-5.5 accent-leaf"
            checked={asked.is_square}
            onchange={(event) => typed.set({ is_square: event.currentTarget.checked })}
          />
        </label>
        <label class="flex min-h-11 cursor-pointer items-center justify-between gap-3">
          <span>You can see what is in it</span>
          <input
            type="checkbox"
            class="size-5.5 accent-leaf"
            checked={asked.see_through ?? drawn?.clear ?? (material === "glass" || material === "PET (1)")}
            onchange={(event) => typed.set({ see_through: event.currentTarget.checked })}
          />
        </label>
      </div>
    </div>
    <div class="sm:sticky sm:top-0 sm:self-start">
      <svg
        viewBox="-8 -172 236 186"
        class="w-full rounded-xl bg-cream"
        role="img"
        aria-label={drawn ? `${asked.name || "It"}, ${typed.read?.size}, drawn to scale` : "Not drawn yet"}
      >
        <path d="M0 0H220" stroke="var(--soft)" stroke-width="1.5" />
        {#each [{ of: beside, at: ((beside?.width_mm ?? 0) / 2 + 15) * scale + 6, mine: false }, { of: drawn, at: 220 - ((drawn?.width_mm ?? 0) / 2 + 15) * scale - 6, mine: true }] as each (each.mine)}
          {#if each.of}
            {@const shape = outline(each.of, scale)}
            <g transform="translate({each.at} 0)" opacity={each.mine ? 1 : 0.45}>
              {#if shape.bail}<path d={shape.bail} fill="none" stroke="var(--soft)" stroke-width="1.4" />{/if}
              <path d={shape.body} fill={each.of.clear ? "var(--glass)" : "var(--foil)"} stroke="var(--ink)" stroke-width="1.8" stroke-linejoin="round" />
              <path d={shape.lines} fill="none" stroke="var(--soft)" />
              {#if shape.lid}<path d={shape.lid} fill="var(--lid)" stroke="var(--ink)" stroke-width="1.5" stroke-linejoin="round" />{/if}
            </g>
          {/if}
        {/each}
      </svg>
      {#if typed.read}
        <p class="mt-2 font-semibold">{typed.read.size}</p>
        <p class="caption">{typed.read.inside}</p>
        <ul class="mt-2 grid gap-1.5 text-md leading-snug">
          {#each typed.read.says as line, n (n)}<li>{line}</li>{/each}
        </ul>
      {:else}
        <p class="caption mt-2">Drawn beside one you know, as soon as it is known what it holds.</p>
      {/if}
    </div>
    <Refusal wrong={typed.wrong} of={["kind", "request"]} class="sm:col-span-2" />
    <div class="flex justify-end sm:col-span-2"><button class="do" type="submit">Add it</button></div>
  </form>
</Sheet>

{#snippet told(name: "name" | "full" | "empty" | "volume" | "height" | "width" | "wall", label: string, example: string)}
  <Field {label} {name} bind:value={() => asked[name], (value) => typed.set({ [name]: value as string })} wrong={typed.wrong} placeholder={example} />
{/snippet}
