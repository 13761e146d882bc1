<script lang="ts">
  import { bring } from "$lib/ui/bring";
  import Page from "$lib/ui/Page.svelte";
  import { all, query } from "$lib/state/query.svelte";
  import { page } from "$app/state";
  import { api, ask, type Schemas } from "$lib/api/client";
  import { larder } from "$lib/state/larder.svelte";
  import { keeping } from "$lib/state/opened";
  import { when } from "$lib/format/when";
  import { onMount } from "svelte";
  import NewLoad from "./NewLoad.svelte";
  import Proposal from "./Proposal.svelte";
  import Running from "./Running.svelte";
  import { load } from "./trays.svelte";

  const seen = query(
    (signal) => {
      void load.replan();
      return all({ loads: ask(api.GET("/api/drying/loads", { signal })), machines: ask(api.GET("/api/drying/machines", { signal })) });
    },
    { everyMs: 60_000 },
  );
  const machines = $derived(seen.data?.machines ?? []);
  const loads = $derived(seen.data?.loads ?? []);
  const loaded = $derived(seen.data !== undefined);
  let shown = $state<number>();
  /** The food that the round sent somebody here for: its next thing is opened at once. */
  let sent = $state<number>();

  const us = $derived(larder.us);
  const choose = keeping<Schemas["Load"]>();
  /** Weighed, it may no longer be the one to be seen to next: the other does not come in its place. */
  const running = $derived(load.written ? undefined : choose(loads, shown, loads[0]));

  onMount(() => {
    const asked = Number(page.url.searchParams.get("load"));
    if (asked) shown = asked;
    if (page.url.searchParams.has("now")) sent = Number(page.url.searchParams.get("now"));
  });

  async function start() {
    const told = load.body();
    const done = await ask(api.POST("/api/drying/loads", { body: told }));
    load.wrong = done.wrong ?? {};
    if (done.wrong?.stop) larder.say(done.wrong.stop.message, "wrong");
    if (!done.data) return;
    load.done(told, { air_c: null });
    shown = done.data;
    larder.say("It is in the dryer. Its clock runs on, whether this is open or not.");
    await larder.changed();
  }
</script>

<Page title="Drying" of={seen} eager>
  <div class="grid min-h-0 flex-1 grid-cols-1 content-start md:grid-cols-[17rem_1fr] lg:grid-cols-[18.25rem_1fr_17rem] lg:grid-rows-1">
    <section aria-label="A new load" class="border-line px-4 pt-3 pb-5 sm:px-6 md:border-r md:pt-2.5 lg:overflow-y-auto {running ? 'max-md:order-3' : ''}">
      <h1 class="head font-sans">A new load</h1>
      <NewLoad {machines} {us} />
    </section>

    <section id="trays" aria-label="The trays" class="min-w-0 px-4 pt-4 pb-6 sm:px-6 md:pt-2.5 lg:overflow-y-auto">
      {#if load.written}
        {#if load.plan}<Proposal plan={load.plan} wrong={Object.keys(load.wrong).length > 0} onstart={start} />{/if}
      {:else if running}
        {#key running.number}<Running load={running} {us} {sent} />{/key}
      {:else if loaded}
        <div class="mx-auto max-w-xl pt-6 text-center">
          <svg viewBox="0 0 260 150" class="mx-auto w-64" aria-hidden="true">
            <rect x="40" y="12" width="180" height="126" rx="10" fill="var(--lid)" stroke="var(--ink)" stroke-width="2.4" />
            <rect x="52" y="24" width="136" height="102" rx="5" fill="var(--air)" stroke="var(--ink)" stroke-width="1.8" />
            {#each [44, 64, 84, 104] as y, n (y)}
              <path d="M56 {y}H184" stroke="var(--ink)" stroke-width="2.4" />
              {#each [66, 86, 106, 126, 146, 166] as x (x)}<ellipse
                  cx={x + (n % 2) * 8}
                  cy={y - 4}
                  rx="8"
                  ry="3.500"
                  fill="var(--bean-pod)"
                  stroke="var(--ink)"
                  stroke-width="1.2"
                />{/each}
            {/each}
            <circle cx="204" cy="50" r="7" fill="var(--yolk)" stroke="var(--ink)" stroke-width="1.8" />
            <path d="M198 84H210M198 92H210M198 100H210" stroke="var(--ink)" stroke-width="2" stroke-linecap="round" />
            <path
              d="M92 6C86 -2 98 -6 92 -14M128 6C122 -2 134 -6 128 -14M164 6C158 -2 170 -6 164 -14"
              fill="none"
              stroke="var(--line)"
              stroke-width="3"
              stroke-linecap="round"
            />
          </svg>
          <h2 class="mt-3 text-4xl">What is to be dried?</h2>
          <p class="mt-2 text-lg">
            Write what you have, weighed or counted. The trays are laid out for you: what fits in one layer, how warm, how long, and the weight each tray comes
            down to.
          </p>
          <div class="mt-5 flex flex-wrap justify-center gap-2.5">
            {#each ["12 leeks", us ? "6 lb apples" : "3 kg apples", "4 cans of black beans"] as line (line)}<button class="chip" onclick={() => load.add(line)}
                >{line}</button
              >{/each}
          </div>
        </div>
      {/if}
    </section>

    <aside aria-label="In the dryer" class="border-line px-4 pt-3 pb-6 sm:px-6 md:col-start-2 lg:col-start-auto lg:overflow-y-auto lg:border-l">
      <h2 class="text-2xl">In the dryer</h2>
      {#if loads.length}
        <ul class="mt-1 border-t-2 border-ink">
          {#each loads as each (each.number)}
            <li class="border-b border-line py-2.5">
              <button
                class="block w-full rounded-lg px-1 text-left hover:bg-cream {running?.number === each.number ? 'font-bold' : ''}"
                onclick={() => ((shown = each.number), load.clear({ air_c: null }), void bring("trays"))}
              >
                <span class="block text-lg font-bold first-letter:uppercase">{each.says}</span>
                <span class="block text-sm leading-snug font-normal text-soft">{each.machine_name}, since {when(each.began)}</span>
                {#each each.items as item (item.item)}<span class="flex flex-wrap justify-between gap-x-3 text-md font-normal"
                    ><span>{item.name}</span><span class="ml-auto">dry about <b>{when(item.done)}</b></span></span
                  >{/each}
              </button>
            </li>
          {/each}
        </ul>
        {#if load.written}<button class="chip mt-3" onclick={() => (load.clear({ air_c: null }), void bring("trays"))}>Back to what is drying</button>{/if}
      {:else if loaded}
        <p class="caption mt-1">Nothing is on the trays. Once something is, its weight tells when it will be dry.</p>
      {/if}
      <div class="mt-5">
        <p class="head">Keep in mind</p>
        <ul class="mt-1 grid gap-1.5 text-md leading-snug">
          <li>A load is full or it is not: half-empty trays cost as much.</li>
          <li>Trays that are ready come out; the rest stay.</li>
          <li>Nothing is lost by leaving dry food in a while longer.</li>
          <li>Onions and garlic dry outdoors, under a roof.</li>
        </ul>
      </div>
    </aside>
  </div>
</Page>
