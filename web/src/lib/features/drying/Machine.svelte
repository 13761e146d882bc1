<!-- A dryer of one's own. -->
<script lang="ts">
  import Choice from "$lib/ui/Choice.svelte";
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import Degrees from "$lib/ui/Degrees.svelte";
  import Field from "$lib/ui/Field.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { open = $bindable(false), onadded }: { open?: boolean; onadded: (key: string) => void } = $props();

  const NEW: Schemas["NewMachine"] = { name: "", trays: 5, width: "", depth: "", watts: 500, low_c: 35, high_c: 70, air: "machine" };
  let draft = $state({ ...NEW });
  let wrong = $state<Wrong>({});
  const AIRS: [Schemas["Air"], string][] = [
    ["machine", "a fan"],
    ["oven", "an oven"],
    ["sun", "the sun"],
    ["hanging", "still air"],
  ];

  async function save(event: SubmitEvent) {
    event.preventDefault();
    const done = await ask(api.POST("/api/drying/machines", { body: $state.snapshot(draft) }));
    wrong = done.wrong ?? {};
    if (!done.data) return;
    await larder.changed();
    open = false;
    draft = { ...NEW };
    onadded(done.data);
  }
</script>

<Sheet bind:open title="A dryer of your own">
  <form class="grid gap-4" onsubmit={save} novalidate>
    <Field label="Name" name="name" bind:value={draft.name} {wrong} />
    <div class="grid grid-cols-3 gap-3">
      <Field label="Trays" name="trays" type="number" bind:value={draft.trays} {wrong} />
      <Field label="Width" name="width" bind:value={draft.width} {wrong} placeholder={larder.us ? "15 in" : "38 cm"} />
      <Field label="Depth" name="depth" bind:value={draft.depth as string} {wrong} placeholder="round" />
    </div>
    <div>
      <p class="head">How it dries</p>
      <Choice label="How it dries" options={AIRS} value={draft.air} onset={(air) => (draft.air = air)} />
    </div>
    <div class="grid grid-cols-3 gap-3">
      <Field label="Watts" name="watts" type="number" bind:value={draft.watts as number} {wrong} />
      <Degrees label="From" name="low_c" bind:celsius={draft.low_c as number} {wrong} />
      <Degrees label="To" name="high_c" bind:celsius={draft.high_c as number} {wrong} />
    </div>
    <Refusal {wrong} of="request" />
    <div class="flex justify-end"><button class="do" type="submit">Add it</button></div>
  </form>
</Sheet>
