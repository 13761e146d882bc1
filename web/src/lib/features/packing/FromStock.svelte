<!-- The packets of all containers on the bench at once, from what is in the house: which packs are opened, what is over. -->
<script lang="ts">
  import { api, ask, type Schemas, type Wrong, whyNot } from "$lib/api/client";
  import Packets from "$lib/draw/Packets.svelte";
  import { latest } from "$lib/state/latest";

  let { plan, asked }: { plan: Schemas["Plan"]; asked: Schemas["Ask"] } = $props();

  let found = $state.raw<Schemas["FromStock"] | null>();
  let wrong = $state<Wrong>({});

  const share = latest(async () => {
    const done = await ask(api.POST("/api/bench/packets", { body: $state.snapshot(asked) }));
    wrong = done.wrong ?? {};
    if (!done.wrong) found = done.data ?? null;
  });

  const alike = $derived(plan.full.packets.map((packet) => `${packet.count} × ${packet.size_ml} mL`).join(" and "));

  $effect(() => {
    // Whatever changes the plan changes what is taken.
    if (plan) void share();
  });
</script>

{#if Object.keys(wrong).length}
  <p class="wrong px-2.5 py-2">{whyNot(wrong)}</p>
{:else if found}
  <div class="grid gap-x-6 gap-y-2 px-2.5 sm:grid-cols-[1fr_1fr]">
    <ul class="grid content-start gap-1" aria-label="In each">
      {#each found.ways as way, n (n)}
        <li class="flex min-h-11 items-center gap-3">
          <b class="min-w-10 text-lg whitespace-nowrap">{way.count} ×</b>
          <Packets sizes={way.packets} scale={0.42} />
          <span class="caption leading-tight"
            >with {way.mass}{#if way.spares}<span class="block">{way.spares === 1 ? "one" : way.spares} from the jar of spares</span>{/if}</span
          >
        </li>
      {/each}
    </ul>
    <div class="text-md leading-snug">
      <p class="head">On a run sheet, take</p>
      <ul class="mt-0.5">
        {#each found.packs as each, n (n)}<li class="font-semibold">{each}</li>{/each}
      </ul>
      {#if found.buy.length}
        <p class="mt-1.5 font-bold text-rust">To buy: {found.buy.join(", ")}</p>
      {/if}
      <p class="caption mt-1.5">
        A run sheet allots them over {plan.count === 1 ? "it" : `all ${plan.count} at once`} and whatever else is on it, with the least given away: {found.waste},
        beyond what they ask for and by spares that wait in their jar. Packed at once without one, each gets the same: {alike}.
      </p>
    </div>
  </div>
{:else if found === null}
  <p class="px-2.5 py-2 text-md">
    No absorbers are in your supplies yet. <a class="font-semibold underline" href="/supplies">Add supplies</a>, and every packing takes from it with the least
    waste.
  </p>
{/if}
