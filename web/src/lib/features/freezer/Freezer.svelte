<script lang="ts">
  import { aOrAn } from "$lib/format/words";
  import Stale from "$lib/ui/Stale.svelte";
  import { RadioGroup } from "bits-ui";
  import Page from "$lib/ui/Page.svelte";
  import { all, query } from "$lib/state/query.svelte";
  import { api, ask, type Wrong } from "$lib/api/client";
  import { larder } from "$lib/state/larder.svelte";
  import Cold from "./Cold.svelte";
  import Curve from "./Curve.svelte";
  import InIt from "./InIt.svelte";
  import { freezer } from "./freezer.svelte";

  // The middle warms and cools by itself: what is in there is looked at anew every minute.
  const seen = query(
    (signal) => {
      void freezer.replan();
      return all({
        inIt: ask(api.GET("/api/freezer", { signal })),
        containers: ask(api.GET("/api/reference/containers", { signal })),
        frosts: ask(api.GET("/api/freezer/frosts", { signal })),
      });
    },
    { everyMs: 60_000 },
  );
  const inIt = $derived(seen.data?.inIt ?? []);
  const containers = $derived(seen.data?.containers ?? []);

  const plan = $derived(freezer.plan);
  const us = $derived(larder.us);
  const wrong = $derived<Wrong>(freezer.wrong);

  async function putIn() {
    const told = $state.snapshot(freezer.ask);
    const done = await ask(api.POST("/api/freezer", { body: told }));
    freezer.wrong = done.wrong ?? {};
    if (done.wrong) return;
    larder.say("It is in the freezer. The clock runs on, whether this is open or not.");
    freezer.done(told);
    await larder.changed();
  }
</script>

<Page title="Freezer" of={seen} eager>
  <div class="grid min-h-0 flex-1 grid-cols-1 content-start md:grid-cols-[17rem_1fr] lg:grid-cols-[18.25rem_1fr_20rem] lg:grid-rows-1">
    <section aria-label="What goes in" class="border-line px-4 pt-4 pb-5 sm:px-6 md:border-r lg:overflow-y-auto">
      <h1 class="head font-sans">Into the freezer</h1>
      <Cold {containers} frosts={seen.data?.frosts ?? []} {wrong} {us} />
    </section>

    <section aria-label="What the cold does" class="min-w-0 px-4 pt-4 pb-6 sm:px-6 lg:overflow-y-auto">
      {#if plan}
        <Stale stale={Object.keys(wrong).length > 0}>
          <h2 class="text-4xl">Out after {plan.holds[plan.chosen]?.ends}</h2>
          <p class="caption">
            {plan.count} × {plan.each}
            {plan.food} in {aOrAn(plan.container_name)}, {plan.thick} through at the thinnest · the middle is cold after
            <b>{plan.middle_cold}</b>
          </p>
          <Curve {plan} {us} />
          <div class="mt-3 grid gap-x-8 gap-y-4 sm:grid-cols-2">
            <div>
              <h3 class="head font-sans">How long? Guidelines</h3>
              <RadioGroup.Root
                aria-label="How long it is held"
                class="mt-1 grid gap-1"
                bind:value={() => String(freezer.plan?.chosen), (n) => freezer.set({ hold: Number(n) })}
              >
                {#each plan.holds as hold, n (hold.name)}
                  <RadioGroup.Item
                    value={String(n)}
                    class="grid min-h-12 grid-cols-[18px_1fr] items-center gap-2.5 rounded-xl border-[1.5px] px-3 py-1.5 text-left {n === plan.chosen
                      ? 'border-ink bg-cream'
                      : 'border-transparent hover:bg-cream'}"
                  >
                    <span class="grid size-4.5 place-items-center rounded-full border-2 border-ink" aria-hidden="true"
                      >{#if n === plan.chosen}<span class="size-2.5 rounded-full bg-ink"></span>{/if}</span
                    >
                    <span class="leading-tight">
                      <span class="flex justify-between gap-3"><b>{hold.name}</b><span class="font-semibold whitespace-nowrap">{hold.ends}</span></span>
                      <span class="block text-sm text-soft">{hold.why}</span>
                      {#if !hold.reaches}<span class="block text-sm font-semibold text-rust">the middle of this bag is not cold enough by then</span>{/if}
                    </span>
                  </RadioGroup.Item>
                {/each}
              </RadioGroup.Root>
            </div>
            <div>
              <h3 class="head font-sans">Then thaw it closed</h3>
              <p class="mt-1 leading-snug">
                For <b>{plan.thaw}</b>, until its middle is above {plan.dew}, the room's dew point. Opened straight from the freezer, about
                <b class="text-rust">{plan.early_water} of water</b> would settle on it.
              </p>
              <p class="caption mt-1.5">Dew on the outside of a closed bag does no harm: wipe it off.</p>
              <ul class="mt-3 grid gap-1.5">
                {#each plan.cautions as caution, n (n)}<li class="flex gap-2 text-md leading-snug">
                    <b class="text-rust" aria-hidden="true">!</b>{caution}
                  </li>{/each}
              </ul>
              <p class="caption mt-3">Cold kills what is inside, and nothing that comes later: pack it tight afterwards.</p>
            </div>
          </div>
          <button class="do mt-5" disabled={Object.keys(wrong).length > 0} onclick={putIn}>It goes in now</button>
        </Stale>
      {:else}
        <div class="mx-auto max-w-xl pt-6 text-center">
          <svg viewBox="0 0 260 170" class="mx-auto w-64 max-w-full" aria-hidden="true">
            <path d="M20 52H240V156Q240 162 234 162H26Q20 162 20 156Z" fill="var(--air)" stroke="var(--ink)" stroke-width="2.4" />
            <path d="M20 52L34 18H226L240 52Z" fill="var(--lid)" stroke="var(--ink)" stroke-width="2.4" stroke-linejoin="round" />
            <path d="M34 162V168M226 162V168" stroke="var(--ink)" stroke-width="5" stroke-linecap="round" />
            {#each [[70, 104], [130, 92], [190, 108]] as [x, y] (x)}
              <g transform="translate({x} {y})" stroke="var(--slate)" stroke-width="3" stroke-linecap="round" fill="none">
                <path d="M0 -18V18M-15.600 -9L15.600 9M-15.600 9L15.600 -9M-5 -14L0 -9L5 -14M-5 14L0 9L5 14" />
              </g>
            {/each}
          </svg>
          <h2 class="mt-3 text-4xl">Eggs are in there already</h2>
          <p class="mt-2 text-lg">
            Grain, flour, pulses and pasta bring insects' eggs with them. The cold kills them, but only once the middle of the bag is cold: write what goes in,
            and see when that is, and when the bag may be opened again without getting wet.
          </p>
          <div class="mt-5 flex flex-wrap justify-center gap-2.5">
            {#each larder.us ? ["20 lb white rice", "3 lb bread flour", "5 lb macaroni"] : ["10 kg white rice", "1.5 kg bread flour", "2 kg macaroni"] as line (line)}<button
                class="chip"
                onclick={() => freezer.set({ line })}>{line}</button
              >{/each}
          </div>
        </div>
      {/if}
    </section>

    <aside
      aria-label="In the freezer"
      class="border-line {inIt.length ? 'max-md:order-first' : ''} px-4 pt-4 pb-6 sm:px-6 md:col-start-2 lg:col-start-auto lg:overflow-y-auto lg:border-l"
    >
      <InIt {inIt} />
    </aside>
  </div>
</Page>
