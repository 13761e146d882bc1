<!-- Is it dry? Cooled, felt, weighed; and out it comes as a lot. -->
<script lang="ts">
  import Choice from "$lib/ui/Choice.svelte";
  import { goto } from "$app/navigation";
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import DryTest from "$lib/draw/DryTest.svelte";
  import Field from "$lib/ui/Field.svelte";
  import ScaleReading from "$lib/ui/ScaleReading.svelte";
  import { mass } from "$lib/format/masses";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import { untrack } from "svelte";
  import Gives from "./Gives.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { open = $bindable(false), load, drying }: { open?: boolean; load: Schemas["Load"]; drying: Schemas["Drying"] } = $props();

  let feels = $state<boolean>();
  let inside = $state(false);
  let weight = $state("");
  let trays = $state<number[]>([]);
  let wrong = $state<Wrong>({});
  let tested = $state.raw<Schemas["Tested"]>();
  let out = $state.raw<Schemas["CameOut"]>();
  /** What the sheet is about stays what it was, though the load changes behind it. */
  let about = $state.raw<Schemas["Drying"]>();

  $effect(() => {
    const now = open;
    untrack(() => (now ? start() : closed()));
  });

  function start() {
    about = $state.snapshot(drying) as Schemas["Drying"];
    feels = undefined;
    inside = false;
    weight = "";
    trays = [...about.trays];
    wrong = {};
    tested = undefined;
    out = undefined;
  }

  /** What came of it is shown behind the sheet once the sheet is closed. */
  function closed() {
    if (out || tested) void larder.changed();
    about = undefined;
  }

  const mine = $derived(load.trays.filter((each) => trays.includes(each.number)));
  const target = $derived(mine.reduce((sum, each) => sum + each.target_g, 0));
  const path = $derived({ params: { path: { number: load.number } } });

  async function judge() {
    if (feels === undefined) return;
    const done = await ask(
      api.POST("/api/drying/loads/{number}/test", { ...path, body: { item: about?.item ?? 0, feels_dry: feels, wet_inside: inside, trays, weight } }),
    );
    wrong = done.wrong ?? {};
    tested = done.data;
    if (done.data && !done.data.take_out) await larder.refresh();
  }

  async function takeOut(meant = false) {
    const done = await ask(api.POST("/api/drying/loads/{number}/out", { ...path, body: { trays, weight, feels_dry: feels ?? true, meant } }));
    wrong = done.wrong ?? {};
    if (!done.data) return;
    out = done.data;
    await larder.refresh();
  }

  function jar() {
    open = false;
    void goto("/drying/jars");
  }

  const toggle = (number: number) => (trays = trays.includes(number) ? trays.filter((each) => each !== number) : [...trays, number].sort((a, b) => a - b));
</script>

<Sheet bind:open title={out ? "Take out: dry" : "Is it dry?"} wide>
  {#if out}
    <p class="text-lg leading-snug"><b>{out.line}</b> came out.</p>
    <Gives gives={out.gives} />
    <div class="mt-5 flex flex-wrap gap-3">
      {#if out.conditions}
        <button class="do" onclick={jar}>Condition in a jar</button>
      {:else}
        <p class="w-full font-semibold text-rust">Fridge or freezer for this: it does not keep in a cupboard.</p>
      {/if}
      <a class="chip" href="/bench?lot={out.lot}&line={encodeURIComponent(out.line)}" onclick={() => (open = false)}>To the bench</a>
    </div>
  {:else if about}
    <div class="grid gap-x-7 gap-y-4 sm:grid-cols-[16.5rem_1fr]">
      <div>
        <DryTest test={about.test} />
        <p class="mt-1 leading-snug font-semibold">{about.test_words.says}</p>
        <p class="caption mt-1.5">
          Take three pieces from the middle of a tray, the thickest ones, and let them cool ten minutes first: warm sugar bends, and warm food feels wetter or
          drier than it is.
        </p>
        <div class="mt-3"><ScaleReading lay={{ name: "the dry food", grams: target * 1.01 }} ontake={(taken) => ((weight = taken), judge())} /></div>
      </div>
      <div class="grid content-start gap-4">
        <div>
          <p class="head">How does a cooled piece feel?</p>
          <Choice
            label="How it feels"
            options={[
              [true, about.test_words.dry],
              [false, about.test_words.not_dry],
            ] as const}
            value={feels}
            onset={(dry) => ((feels = dry), judge())}
          />
          <label class="mt-2 flex min-h-11 items-center gap-2.5 leading-snug"
            ><input type="checkbox" class="size-5" bind:checked={inside} onchange={judge} /> A thick piece, cut through, is wet in the middle</label
          >
          {#if tested}
            <p class="mt-1 rounded-xl border-2 p-3 leading-snug {tested.take_out ? 'border-leaf' : 'border-rust'}" role="status">
              {tested.says}
              <span class="text-soft"
                >By {tested.weighed ? "weight" : "the forecast"} it is at {tested.moisture_pct.toFixed(0)} %; {tested.target_pct.toFixed(0)} % is the aim.</span
              >
            </p>
          {/if}
        </div>
        <div>
          <p class="head">Trays that come out</p>
          <div class="mt-1 flex flex-wrap gap-2" role="group" aria-label="Trays that come out">
            {#each about.trays as number (number)}<button class="chip !min-w-11 !px-2" aria-pressed={trays.includes(number)} onclick={() => toggle(number)}
                >{number}</button
              >{/each}
          </div>
          <p class="caption mt-1.5">Tip them together, without the trays, and weigh: dry at about {mass(target, larder.us)}.</p>
        </div>
        <Field label="They weigh, together" name="weight" bind:value={weight} {wrong} placeholder={mass(target, larder.us)} onchange={judge} />
        {#if wrong.meant}
          <div class="rounded-xl border-2 border-rust p-3" role="alert">
            <p class="leading-snug">{wrong.meant.message}</p>
            <button class="chip mt-2" onclick={() => takeOut(true)}>Take it out anyway</button>
          </div>
        {/if}
        <Refusal {wrong} of={["trays", "item", "request"]} />
        <div class="flex justify-end">
          <button class="do" disabled={feels === undefined || !trays.length || !weight} onclick={() => takeOut()}>Take them out</button>
        </div>
      </div>
    </div>
  {/if}
</Sheet>
