<!-- Mice, insects or water: what was seen in a place, what it can get at, and that it is seen to. -->
<script lang="ts">
  import { api, ask, type Schemas, whyNot } from "$lib/api/client";
  import { larder } from "$lib/state/larder.svelte";

  let { number, alarms }: { number: number; alarms: Schemas["AlarmView"][] } = $props();

  const MOST = 40;

  async function done(what: Schemas["Alarm"]) {
    const { wrong } = await ask(api.POST("/api/places/{number}/alarms/{what}/seen-to", { params: { path: { number, what } } }));
    if (wrong) larder.say(whyNot(wrong), "wrong");
    else larder.say("It is seen to");
    await larder.changed();
  }
</script>

{#each alarms as each (each.what)}
  <section class="mt-4 rounded-xl border-2 border-rust p-4" aria-label={each.says}>
    <h2 class="text-2xl text-rust">{each.says}</h2>
    <p class="mt-1 text-md leading-snug">{each.to_do}</p>
    {#if each.first.length}
      <p class="head mt-3">{each.first.length === 1 ? "It can get at this one" : `It can get at these ${each.first.length}`}</p>
      <p class="mt-1 flex flex-wrap gap-2">
        {#each each.first.slice(0, MOST) as one (one)}<a class="chip" href="/shelves?n={one}" aria-label="Number {one}">{one}</a>{/each}
        {#if each.first.length > MOST}<span class="self-center text-soft">and {each.first.length - MOST} more</span>{/if}
      </p>
    {:else}
      <p class="mt-2 font-semibold">There is nothing here that it can get at.</p>
    {/if}
    <button class="chip on mt-3" onclick={() => done(each.what)}>All looked at, and done</button>
  </section>
{/each}
