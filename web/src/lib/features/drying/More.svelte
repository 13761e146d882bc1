<!-- Another food goes onto the free trays of a load that is running. -->
<script lang="ts">
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import { counted } from "$lib/format/words";
  import Field from "$lib/ui/Field.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import { fresh } from "./trays.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { open = $bindable(false), load }: { open?: boolean; load: Schemas["Load"] } = $props();

  let draft = $state(fresh());
  let wrong = $state<Wrong>({});
  const TREATMENTS: Schemas["Treatment"][] = ["blanched", "lemon", "pierced", "heated"];

  async function save(event: SubmitEvent) {
    event.preventDefault();
    const done = await ask(api.POST("/api/drying/loads/{number}/more", { params: { path: { number: load.number } }, body: $state.snapshot(draft) }));
    wrong = Object.fromEntries(Object.entries(done.wrong ?? {}).map(([field, each]) => [field.replace(/\.0$/, ""), each]));
    if (done.wrong) return;
    open = false;
    draft = fresh();
    await larder.changed();
  }
</script>

<Sheet bind:open title="Another food">
  <form class="grid gap-4" onsubmit={save} novalidate>
    <Field
      label="What goes onto the free trays"
      name="line"
      bind:value={draft.line}
      {wrong}
      placeholder={larder.us ? "2 lb mushrooms" : "800 g mushrooms"}
      hint="{counted(load.free_trays, 'tray is', 'trays are')} free; the air stays at {load.warmth}."
    />
    <div class="grid grid-cols-2 gap-3">
      <Field label="How thick" name="thickness" bind:value={draft.thickness as string} {wrong} placeholder="as usual" />
      <Field label="What it cost" name="cost" bind:value={draft.cost as string} {wrong} placeholder="–" />
    </div>
    <div class="flex flex-wrap gap-2" role="group" aria-label="Treatment">
      {#each TREATMENTS as each (each)}
        <button
          type="button"
          class="chip"
          aria-pressed={draft.treatments?.includes(each)}
          onclick={() =>
            (draft.treatments = draft.treatments?.includes(each) ? draft.treatments.filter((one) => one !== each) : [...(draft.treatments ?? []), each])}
          >{each}</button
        >
      {/each}
    </div>
    <Refusal {wrong} of={["stop", "request", "machine"]} />
    <div class="flex justify-end"><button class="do" type="submit">It goes in now</button></div>
  </form>
</Sheet>
