<!-- Mice, insects or water seen in a place: a press that puts what they can get at on the round. -->
<script lang="ts">
  import { api, ask, type Schemas, whyNot } from "$lib/api/client";
  import { larder } from "$lib/state/larder.svelte";

  let { number, alarms }: { number: number; alarms: Schemas["AlarmView"][] } = $props();

  const KINDS: readonly [Schemas["Alarm"], string][] = [
    ["rodents", "Mice or rats"],
    ["insects", "Insects"],
    ["flood", "Water"],
  ];
  const quiet = $derived(KINDS.filter(([kind]) => !alarms.some((each) => each.what === kind)));

  async function seen(what: Schemas["Alarm"], words: string) {
    const { data, wrong } = await ask(api.POST("/api/places/{number}/alarms/{what}", { params: { path: { number, what } }, body: {} }));
    if (wrong) larder.say(whyNot(wrong), "wrong");
    else larder.say(`${words}: ${data?.first.length ?? 0} to look at, on the round`);
    await larder.changed();
  }
</script>

{#if quiet.length}
  <h2 class="text-2xl">Seen here</h2>
  <p class="mt-2 flex flex-wrap gap-2">
    {#each quiet as [kind, words] (kind)}<button class="chip" onclick={() => seen(kind, words)}>{words}</button>{/each}
  </p>
  <p class="caption mt-2">What it can get at is put on the round, until you have looked.</p>
{/if}
