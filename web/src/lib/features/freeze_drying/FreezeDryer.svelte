<script lang="ts">
  import Stale from "$lib/ui/Stale.svelte";
  import Choice from "$lib/ui/Choice.svelte";
  import Page from "$lib/ui/Page.svelte";
  import { all, query } from "$lib/state/query.svelte";
  import { api, ask } from "$lib/api/client";
  import TrayFoods from "$lib/draw/TrayFoods.svelte";
  import TrayTop from "$lib/draw/TrayTop.svelte";
  import { larder } from "$lib/state/larder.svelte";
  import X from "@lucide/svelte/icons/x";
  import Findings from "$lib/features/drying/Findings.svelte";
  import OwnProduce from "$lib/features/catalog/OwnProduce.svelte";
  import { counted } from "$lib/format/words";
  import Within from "./Within.svelte";
  import { freezeLoad } from "./freeze.svelte";
  import Nearest from "$lib/ui/Nearest.svelte";

  const seen = query(
    (signal) => {
      void freezeLoad.replan();
      return all({ loads: ask(api.GET("/api/drying/freeze", { signal })), dryers: ask(api.GET("/api/drying/freeze-dryers", { signal })) });
    },
    { everyMs: 30_000 },
  );
  const dryers = $derived(seen.data?.dryers ?? []);
  const loads = $derived(seen.data?.loads ?? []);

  let fresh = $state({ open: false, n: 0, words: "" });

  const plan = $derived(freezeLoad.plan);
  const wrong = $derived(freezeLoad.wrong);
  const bad = $derived(Object.keys(wrong).length > 0);

  async function start() {
    const told = freezeLoad.body();
    const done = await ask(api.POST("/api/drying/freeze", { body: told }));
    freezeLoad.wrong = done.wrong ?? {};
    if (!done.data) return;
    freezeLoad.done(told);
    larder.say("The door is closed. Drain shut, seal clean?");
    await larder.changed();
  }

  const bars = $derived(
    plan?.phases
      ? [
          { name: "freeze", hours: plan.phases.freezing, fill: "var(--air)" },
          { name: "dry", hours: (plan.phases.drying_low + plan.phases.drying_high) / 2, fill: "var(--yolk-pale)" },
          { name: "extra", hours: plan.phases.extra, fill: "var(--lid)" },
        ]
      : [],
  );
  const hours = $derived(bars.reduce((sum, bar) => sum + bar.hours, 0));
</script>

<Page title="Freeze dryer" of={seen} eager>
  <div class="grid min-h-0 flex-1 grid-cols-1 content-start md:grid-cols-[17rem_1fr] lg:grid-cols-[18.25rem_1fr_20rem] lg:grid-rows-1">
    <section aria-label="What goes in" class="border-line px-4 pt-3 pb-5 sm:px-6 md:border-r md:pt-2.5 lg:overflow-y-auto">
      <h1 class="head font-sans">Into the freeze dryer</h1>
      {#each freezeLoad.ask.items as item, n (item)}
        {@const error = wrong[`line.${freezeLoad.field(n)}`]}
        <div class={n ? "mt-4 border-t border-line pt-3" : ""}>
          <div class="flex items-end gap-1">
            <input
              data-find={n ? undefined : true}
              aria-label={n ? `Food ${n + 1} in the freeze dryer` : "What goes into the freeze dryer: an amount and a food"}
              value={item.line}
              oninput={(event) => freezeLoad.item(n, { line: event.currentTarget.value })}
              placeholder={n ? (larder.us ? "and 2 lb peas" : "and 1 kg peas") : larder.us ? "6 lb fish stew" : "3 kg fish stew"}
              autocomplete="off"
              spellcheck="false"
              aria-invalid={error && item.line ? "true" : undefined}
              class="w-full min-w-0 min-h-11 border-b-[3px] bg-transparent pb-1.5 font-name text-2xl font-extrabold outline-none placeholder:font-semibold {error &&
              item.line
                ? 'border-rust'
                : 'border-yolk focus:border-ink'}"
            />
            {#if freezeLoad.ask.items.length > 1}<button
                class="grid size-11 shrink-0 place-items-center rounded-lg hover:bg-cream"
                aria-label="Take {item.line || 'this line'} off"
                onclick={() => freezeLoad.drop(n)}><X size={19} aria-hidden="true" /></button
              >{/if}
          </div>
          {#if error && item.line}
            <p class="wrong mt-1">{error.message}</p>
            <Nearest names={error.nearest} onname={(name) => freezeLoad.rename(n, error.words, name)} />
            {#if error.code === "unknown-food"}
              <button class="min-h-11 text-left font-bold underline" onclick={() => (fresh = { open: true, n, words: error.words ?? "" })}
                >Add it as a fresh food of your own</button
              >
            {/if}
          {/if}
          {#if item.line}
            <Choice
              label="How {item.line} goes in"
              options={[
                [true, "frozen"],
                [false, "fresh"],
              ] as const}
              value={item.frozen}
              onset={(frozen) => freezeLoad.item(n, { frozen })}
              row="mt-2 grid grid-cols-2 gap-2"
            />
          {/if}
        </div>
      {/each}
      {#if freezeLoad.written}<button class="mt-2 min-h-11 font-bold underline" onclick={() => freezeLoad.add()}>And another food</button>{/if}
      <label for="freeze-dryer" class="head mt-4 block">In</label>
      <select id="freeze-dryer" class="field mt-1" value={freezeLoad.ask.dryer} onchange={(event) => freezeLoad.set({ dryer: event.currentTarget.value })}>
        {#each dryers as each (each.key)}<option value={each.key}>{each.name}, {counted(each.trays, "tray")}</option>{/each}
      </select>
      <ul class="caption mt-4 grid gap-1.5">
        <li>Freeze it on its trays overnight: a frozen load starts at once.</li>
        <li>One thin layer. Nothing fatty, nothing sugary-wet such as jam.</li>
        <li>Close the drain before you start, and wipe the door's seal.</li>
      </ul>
    </section>

    <section aria-label="The load" class="min-w-0 px-4 pt-4 pb-6 sm:px-6 md:pt-2.5 lg:overflow-y-auto">
      {#if plan && freezeLoad.written}
        <TrayFoods foods={plan.items.map((item, n) => ({ id: `fd-${n}`, form: item.form, colour: item.colour }))} />
        <Stale stale={bad}>
          <h2 class="text-4xl">{plan.takes ? `Dry in ${plan.takes}` : "Not like this"}</h2>
          <p class="caption">{plan.water} of water to draw off; the wall of this one holds {plan.ice} as ice</p>
          <div
            class="mt-3 grid gap-2.5"
            style="grid-template-columns:repeat(auto-fill,minmax(6rem,1fr))"
            role="img"
            aria-label="Trays: {plan.items.map((item) => `${item.trays} of ${item.name}`).join('; ')}"
          >
            {#each Array.from({ length: Math.max(plan.trays_look.count, plan.lying.length) }, (_, n) => plan.lying[n]) as food, n (n)}
              {@const item = food === undefined ? undefined : plan.items[food]}
              <div class="text-center {n >= plan.trays_look.count ? 'rounded-lg outline-2 outline-rust outline-dashed' : ''}">
                <TrayTop width={100} depth={150} pattern={item ? `fd-${food}` : undefined} share={item ? 0.9 : 0} dim={!item} />
                <p class="text-sm leading-tight {item ? '' : 'text-soft'}">{item ? `${item.each}${item.frozen ? " ❄" : ""}` : "free"}</p>
              </div>
            {/each}
          </div>
          <div class="mt-4">
            <p class="head">Ice on the wall</p>
            <svg viewBox="0 0 400 22" class="mt-1 w-full max-w-xl" role="img" aria-label="{Math.round(plan.ice_share * 100)} % of the ice it holds">
              <rect x="1" y="3" width="398" height="15" rx="7" fill="var(--paper)" stroke="var(--ink)" stroke-width="1.6" />
              <rect
                x="3"
                y="5"
                width={Math.min(394, Math.max(4, 394 * plan.ice_share))}
                height="11"
                rx="5.500"
                fill={plan.ice_share > 1 ? "var(--rust)" : "var(--slate)"}
              />
            </svg>
          </div>
          {#if bars.length}
            <div class="mt-3 max-w-xl">
              <p class="head">Phases</p>
              <div class="mt-1 flex overflow-hidden rounded-lg border-[1.6px] border-ink">
                {#each bars as bar (bar.name)}<div
                    class="min-w-0 border-r border-ink px-2 py-1 text-sm leading-tight last:border-r-0"
                    style="width:{Math.max(16, (bar.hours / hours) * 100)}%;background:{bar.fill}"
                  >
                    <b class="block truncate">{bar.name}</b>{bar.hours.toFixed(bar.hours < 10 ? 1 : 0)} h
                  </div>{/each}
              </div>
            </div>
          {/if}
          <p class="mt-4 leading-snug">
            Then close it up <b>within {plan.pack_within}</b>: in this room ({plan.room}) it absorbs a point of moisture in that time. Bags, absorbers and iron
            are ready before the door opens.
          </p>
          {#if plan.findings.length}<div class="mt-4"><Findings findings={plan.findings} /></div>{/if}
          <button class="do mt-5" disabled={bad || plan.stopped} onclick={start}>The door is closed</button>
        </Stale>
      {:else}
        <div class="mx-auto max-w-xl pt-6 text-center">
          <svg viewBox="0 0 220 160" class="mx-auto w-52 max-w-full" aria-hidden="true">
            <rect x="24" y="14" width="172" height="132" rx="12" fill="var(--lid)" stroke="var(--ink)" stroke-width="2.4" />
            <circle cx="98" cy="80" r="54" fill="var(--air)" stroke="var(--ink)" stroke-width="2.4" />
            <circle cx="98" cy="80" r="45" fill="none" stroke="var(--slate)" stroke-width="5" stroke-dasharray="3 6" stroke-linecap="round" />
            {#each [62, 78, 94] as y (y)}<path d="M66 {y}H130" stroke="var(--ink)" stroke-width="2.4" />{#each [74, 88, 102, 116] as x (x)}<rect
                  x={x - 4}
                  y={y - 8}
                  width="9"
                  height="7"
                  rx="1.500"
                  fill="var(--tomato)"
                  stroke="var(--ink)"
                  stroke-width="1.2"
                />{/each}{/each}
            <circle cx="174" cy="46" r="8" fill="var(--yolk)" stroke="var(--ink)" stroke-width="1.8" />
            <path d="M166 78H184M166 88H184M166 98H184" stroke="var(--ink)" stroke-width="2.2" stroke-linecap="round" />
          </svg>
          <h2 class="mt-3 text-4xl">Ice to vapour, and nothing else</h2>
          <p class="mt-2 text-lg">
            Write what goes in: whether it fits, how much ice it makes, how long it takes, and how many minutes you have to close it up afterwards.
          </p>
          <div class="mt-5 flex flex-wrap justify-center gap-2.5">
            {#each larder.us ? ["6 lb fish stew", "4 lb strawberries", "3 lb sweetcorn"] : ["3 kg fish stew", "2 kg strawberries", "1.5 kg sweetcorn"] as line (line)}<button
                class="chip"
                onclick={() => freezeLoad.add(line)}>{line}</button
              >{/each}
          </div>
        </div>
      {/if}
    </section>

    <aside
      aria-label="In the freeze dryer"
      class="border-line px-4 pt-3 pb-6 sm:px-6 md:col-start-2 lg:col-start-auto lg:overflow-y-auto lg:border-l {loads.length ? 'max-md:order-first' : ''}"
    >
      <h2 class="text-2xl">In the freeze dryer</h2>
      {#if loads.length}
        <ul class="mt-1 border-t-2 border-ink">
          {#each loads as load (load.number)}<Within {load} />{/each}
        </ul>
      {:else}
        <p class="caption mt-1">It is empty. Dry is when two weighings two hours apart agree, not when the machine says so.</p>
      {/if}
    </aside>
  </div>
</Page>

<OwnProduce bind:open={fresh.open} name={fresh.words} frozen onadded={(name) => freezeLoad.rename(fresh.n, fresh.words, name)} />
