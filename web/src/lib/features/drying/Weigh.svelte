<!-- A tray is weighed: typed, or from the scale. -->
<script lang="ts">
  import Choice from "$lib/ui/Choice.svelte";
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import Field from "$lib/ui/Field.svelte";
  import ScaleReading from "$lib/ui/ScaleReading.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import { lastTime } from "$lib/format/when";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { open = $bindable(false), load, tray = $bindable(1) }: { open?: boolean; load: Schemas["Load"]; tray?: number } = $props();

  let weight = $state("");
  /** "14:30", if it was weighed earlier. */
  let time = $state("");
  let wrong = $state<Wrong>({});

  const inside = $derived(load.trays.filter((each) => !each.out));
  const mine = $derived(load.trays.find((each) => each.number === tray));
  const item = $derived(load.items.find((each) => each.item === mine?.item));

  $effect(() => {
    if (open) {
      weight = "";
      time = "";
      wrong = {};
    }
  });

  async function save(meant = false) {
    const done = await ask(
      api.POST("/api/drying/loads/{number}/weigh", { params: { path: { number: load.number } }, body: { tray, weight, meant, at: lastTime(time) } }),
    );
    wrong = done.wrong ?? {};
    if (done.wrong) return;
    open = false;
    await larder.changed();
  }
</script>

<Sheet bind:open title="Weigh a tray">
  <form class="grid gap-4" onsubmit={(event) => (event.preventDefault(), save())} novalidate>
    <Choice
      label="Tray"
      options={inside.map((each) => each.number)}
      value={tray}
      onset={(number) => (tray = number)}
      row="flex flex-wrap gap-2"
      chip="!min-w-11 !px-2"
    />
    {#if mine && item}
      <p class="leading-snug">
        <b class="inline-block first-letter:uppercase">{item.name}</b>: went in with {mine.wet}{mine.last ? `, weighed ${mine.last} last` : ""}; dry at {mine.target}.
        {load.with_tray
          ? `With its tray it should weigh about ${mine.on_scale} now; the tray's own weight is taken off.`
          : `Without its tray it should weigh about ${mine.on_scale} now.`}
      </p>
      <ScaleReading lay={{ name: `tray ${tray}`, grams: mine.on_scale_g }} ontake={(taken) => (weight = taken)} />
    {/if}
    <div class="grid grid-cols-[1fr_9rem] gap-3">
      <Field label="Weight" name="weight" bind:value={weight} {wrong} placeholder={larder.us ? "14.5 oz" : "412 g"} />
      <Field label="At, if not now" name="at" type="time" bind:value={time} {wrong} />
    </div>
    {#if wrong.meant}
      <div class="rounded-xl border-2 border-rust p-3" role="alert">
        <p class="leading-snug">{wrong.meant.message}</p>
        <button type="button" class="chip mt-2" onclick={() => save(true)}>The weight is right</button>
      </div>
    {/if}
    <Refusal {wrong} of={["request", "tray"]} />
    <div class="flex justify-end"><button class="do" type="submit">Save</button></div>
  </form>
</Sheet>
