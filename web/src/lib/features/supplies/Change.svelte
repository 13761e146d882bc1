<!-- Everything that can happen to a supply: more came, counted, spares, cut down, dried again; and what is said of it. -->
<script lang="ts">
  import { api, ask, basedOn, type Answer, type Schemas, type Wrong } from "$lib/api/client";
  import Field from "$lib/ui/Field.svelte";
  import { sentCount } from "$lib/format/numbers";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import type { Snippet } from "svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { open = $bindable(false), supply }: { open?: boolean; supply: Schemas["Supply"] } = $props();

  let wrong = $state<Wrong>({});
  let where = $state("");
  let came = $state({ count: "", cost: "" });
  let counted = $state({ count: "", spares: "", again: "" });
  let spares = $state({ count: "", minutes: "" });
  let by = $state(larder.us ? "1 in" : "3 cm");
  let gel = $state("");
  // svelte-ignore state_referenced_locally
  let said = $state({ low: String(supply.low || ""), cost: supply.cost, note: supply.note });

  const path = $derived({ params: { path: { number: supply.number } } });
  // svelte-ignore state_referenced_locally
  let version = $state(supply.version);
  const based = $derived({ params: { path: { number: supply.number }, header: basedOn(version) } });
  const packets = $derived(supply.sort === "packets");
  const lids = $derived(supply.sort === "lids");
  const unit = $derived(packets ? "closed packs" : "how many");

  async function tell(form: string, call: Promise<Answer<unknown>>) {
    where = form;
    const done = await call;
    wrong = done.wrong ?? {};
    if (done.now) {
      // What is in the house by now stands above; what was typed stays, and can be pressed again.
      const theirs = Object.entries(done.now)
        .map(([name, value]) => `${name} ${value || "none"}`)
        .join(", ");
      wrong = { request: { message: `Somebody else changed this while you did: ${theirs}. Press again to save yours instead.`, nearest: [] } };
      version = done.version ?? version;
      await larder.changed();
    }
    if (done.wrong) return;
    open = false;
    await larder.changed();
  }
</script>

{#snippet part(form: string, title: string, does: () => void, fields: Snippet, button: string, ready: boolean)}
  <form class="border-t border-line pt-3" novalidate onsubmit={(event) => (event.preventDefault(), does())} aria-label={title}>
    <h3 class="font-sans text-base font-bold">{title}</h3>
    <div class="mt-1.5 flex flex-wrap items-end gap-2">{@render fields()}<button class="chip" disabled={!ready}>{button}</button></div>
    {#if where === form}<Refusal {wrong} of={["number", "request"]} class="mt-1" />{/if}
  </form>
{/snippet}

<Sheet bind:open title={supply.name}>
  <p class="-mt-2 mb-3 leading-snug">{supply.counted}{supply.spent ? `, ${supply.spent} full of water` : ""}. {supply.spares_say}</p>
  <div class="grid gap-4">
    {#snippet cameFields()}
      <div class="w-28"><Field label={unit} name="count" bind:value={came.count} wrong={where === "came" ? wrong : {}} /></div>
      <div class="w-32">
        <Field
          label={packets ? "a pack cost" : "one cost"}
          name="cost"
          bind:value={came.cost}
          wrong={where === "came" ? wrong : {}}
          placeholder={supply.cost || "not said"}
        />
      </div>
    {/snippet}
    {@render part(
      "came",
      "Restock",
      () => tell("came", ask(api.POST("/api/supplies/{number}/came", { ...path, body: { count: sentCount(came.count) as number, cost: came.cost } }))),
      cameFields,
      "Put it away",
      !!came.count.trim(),
    )}
    {#snippet countFields()}
      <div class="w-28">
        <Field
          label={lids ? "new ones" : unit}
          name="count"
          bind:value={counted.count}
          wrong={where === "count" ? wrong : {}}
          placeholder={String(supply.count)}
        />
      </div>
      {#if lids}<div class="w-32">
          <Field label="used before" name="again" bind:value={counted.again} wrong={where === "count" ? wrong : {}} placeholder={String(supply.again)} />
        </div>{/if}
      {#if packets}<div class="w-32">
          <Field
            label="spares in the jar"
            name="spares"
            bind:value={counted.spares}
            wrong={where === "count" ? wrong : {}}
            placeholder={String(supply.spares)}
          />
        </div>{/if}
    {/snippet}
    {@render part(
      "count",
      "Count",
      () =>
        tell(
          "count",
          ask(
            api.PUT("/api/supplies/{number}/count", {
              ...based,
              body: {
                count: counted.count.trim() ? (sentCount(counted.count) as number) : supply.count,
                spares: sentCount(counted.spares),
                again: sentCount(counted.again),
              },
            }),
          ),
        ),
      countFields,
      "So many there are",
      Object.values(counted).some((each) => each.trim()),
    )}
    {#if packets}
      {#snippet spareFields()}
        <div class="w-28"><Field label="how many" name="count" bind:value={spares.count} wrong={where === "spares" ? wrong : {}} /></div>
        <div class="w-32">
          <Field label="minutes out" name="minutes" bind:value={spares.minutes} wrong={where === "spares" ? wrong : {}} placeholder="12" />
        </div>
      {/snippet}
      {@render part(
        "spares",
        "Spares into the jar",
        () =>
          tell(
            "spares",
            ask(
              api.POST("/api/supplies/{number}/spares", {
                ...path,
                body: { count: sentCount(spares.count) as number, minutes: sentCount(spares.minutes) as number, on: null },
              }),
            ),
          ),
        spareFields,
        "In, lid on",
        !!spares.count.trim(),
      )}
    {:else if supply.sort === "bags" || supply.sort === "pouches"}
      {#snippet cutFields()}<div class="w-40"><Field label="shorter by" name="by" bind:value={by} wrong={where === "cut" ? wrong : {}} /></div>{/snippet}
      {@render part(
        "cut",
        "One was cut open under its seal, and is kept",
        () => tell("cut", ask(api.POST("/api/supplies/{number}/cut", { ...path, body: { by } }))),
        cutFields,
        "Keep it",
        !!by.trim(),
      )}
    {:else if supply.sort === "desiccant"}
      {#snippet gelFields()}
        <div class="w-28"><Field label="how many" name="count" bind:value={gel} wrong={where === "gel" ? wrong : {}} /></div>
        <button
          type="button"
          class="chip"
          disabled={!supply.spent || !gel.trim()}
          onclick={() => tell("gel", ask(api.POST("/api/supplies/{number}/desiccant", { ...path, body: { count: sentCount(gel) as number, restored: true } })))}
          >dry again</button
        >
      {/snippet}
      {@render part(
        "gel",
        "Saturated desiccant",
        () => tell("gel", ask(api.POST("/api/supplies/{number}/desiccant", { ...path, body: { count: sentCount(gel) as number, restored: false } }))),
        gelFields,
        "full of water",
        !!gel.trim(),
      )}
    {/if}
    {#if lids}
      <p class="text-md leading-snug">
        Runs take those used before first, and keep the new ones. Used lids close dry food, with an absorber or by vacuum, for as long as they hold: one that
        can be lifted with the fingers is done with. <b>Never a used lid for canning.</b>
      </p>
    {/if}
    {#if supply.dry_again}<p class="-mt-2 text-md leading-snug">{supply.dry_again}</p>{/if}
    {#snippet saidFields()}
      <div class="w-28"><Field label="running low at" name="low" bind:value={said.low} wrong={where === "said" ? wrong : {}} placeholder="never" /></div>
      <div class="w-28">
        <Field label={packets ? "a pack costs" : "one costs"} name="cost" bind:value={said.cost} wrong={where === "said" ? wrong : {}} placeholder="not said" />
      </div>
      <div class="w-full">
        <Field label="Details" name="note" bind:value={said.note} wrong={where === "said" ? wrong : {}} placeholder="where it lies, how hot the iron must be" />
      </div>
    {/snippet}
    {@render part(
      "said",
      "What is said of it",
      () => tell("said", ask(api.PUT("/api/supplies/{number}", { ...based, body: { low: sentCount(said.low), cost: said.cost, note: said.note } }))),
      saidFields,
      "Save",
      true,
    )}
    <div class="border-t border-line pt-3">
      {#if where === "gone"}<Refusal {wrong} of="request" class="mb-2" />{/if}
      <button class="chip away" onclick={() => tell("gone", ask(api.DELETE("/api/supplies/{number}", based)))}>Remove it</button>
    </div>
  </div>
</Sheet>
