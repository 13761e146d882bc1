<!-- A lot goes into jars of its own. -->
<script lang="ts">
  import Choice from "$lib/ui/Choice.svelte";
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import { counted } from "$lib/format/words";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import { untrack } from "svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let {
    open = $bindable(false),
    lot,
    guidelines,
    ours,
  }: { open?: boolean; lot: { lot: number; food: string; mass: string }; guidelines: Schemas["ConditioningGuideline"][]; ours: number } = $props();

  let containers = $state.raw<Schemas["ContainerRow"][]>([]);
  let jar = $state("jar-half-gallon");
  let picked = $state<number>();
  let wrong = $state<Wrong>({});
  const days = $derived(picked ?? ours);
  const ready = $derived(containers.length > 0 || Object.keys(wrong).length > 0);

  $effect(() => {
    if (open) untrack(() => void begin());
  });

  async function begin() {
    wrong = {};
    if (containers.length) return;
    const { data, wrong: refused } = await ask(api.GET("/api/reference/containers"));
    wrong = refused ?? {};
    containers = data?.filter((each) => each.kind === "jar") ?? [];
  }

  async function fill() {
    const done = await ask(api.POST("/api/drying/jars", { body: { lot: lot.lot, jar, days } }));
    wrong = done.wrong ?? {};
    if (done.wrong) return;
    open = false;
    larder.say("In its jar. Shake it tomorrow: Rounds will say so.");
    await larder.changed();
  }
</script>

<Sheet bind:open title="Into a jar" {ready}>
  <p class="leading-snug"><b>{lot.mass} {lot.food}</b>, alone in as many jars as it takes, none more than two thirds full.</p>
  <p class="head mt-4">Jar</p>
  <Choice label="Jar" options={containers.map((each) => [each.key, each.name] as const)} value={jar} onset={(key) => (jar = key)} />
  <p class="head mt-4">Shaken daily for</p>
  <Choice
    label="Days"
    options={guidelines.map((each) => [each.days, each.why] as const)}
    value={days}
    onset={(many) => (picked = many)}
    row="mt-1 grid gap-2"
    chip="!justify-start !text-left"
  >
    {#snippet content(many, why)}<span><b>{counted(many, "day")}</b> <span class="font-normal">{why}</span></span>{/snippet}
  </Choice>
  <Refusal {wrong} class="mt-2" />
  <div class="mt-5 flex justify-end"><button class="do" onclick={fill}>Fill it</button></div>
</Sheet>
