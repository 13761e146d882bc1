<!-- The trays as they are proposed, and what becomes of each food. -->
<script lang="ts">
  import Stale from "$lib/ui/Stale.svelte";
  import type { Schemas } from "$lib/api/client";
  import TrayFoods from "$lib/draw/TrayFoods.svelte";
  import TrayTop from "$lib/draw/TrayTop.svelte";
  import { counted } from "$lib/format/words";
  import Findings from "./Findings.svelte";

  let { plan, wrong, onstart }: { plan: Schemas["LoadPlan"]; wrong: boolean; onstart: () => void } = $props();

  const rack = $derived(Array.from({ length: plan.trays.count }, (_, n) => plan.lying[n]));
  const stop = $derived(plan.findings.find((finding) => finding.severity === "stop"));
</script>

<TrayFoods foods={plan.items.map((item, n) => ({ id: `new-${n}`, form: item.form, colour: item.colour }))} />
<Stale stale={wrong}>
  <h2 class="text-4xl">Dry in {plan.takes}{plan.air === "machine" || plan.air === "oven" ? ` at ${plan.warmth}` : ""}</h2>
  <p class="caption">
    {plan.lying.length} of {counted(plan.trays.count, "tray")} · {plan.machine_name}{plan.energy ? ` · ${plan.energy}` : ""} · room {plan.room}{plan.measured
      ? ", measured"
      : ", as the household says"}
  </p>
  <div
    class="mt-3 grid gap-2.5"
    style="grid-template-columns:repeat(auto-fill,minmax({plan.trays.count > 9 ? 6.2 : 7.4}rem,1fr))"
    role="img"
    aria-label="Trays: {plan.items.map((item) => `${item.trays} of ${item.name}, ${item.each} each`).join('; ')}"
  >
    {#each rack as tray, n (n)}
      <div class="text-center">
        <TrayTop
          width={plan.trays.is_round ? 130 : 130}
          depth={plan.trays.is_round ? 130 : Math.max(58, Math.min(130, (130 * plan.trays.depth_mm) / plan.trays.width_mm))}
          round={plan.trays.is_round}
          pattern={tray ? `new-${tray.item}` : undefined}
          share={tray?.share ?? 0}
          dim={!tray}
        />
        <p class="text-sm leading-tight {tray ? '' : 'text-soft'}">
          {#if tray}<b>{n + 1}</b> {tray.wet}{:else}free{/if}
        </p>
      </div>
    {/each}
  </div>

  <div class="mt-4 border-t-2 border-ink">
    {#each plan.items as item, n (`${n} ${item.produce}`)}
      <details class="border-b border-line">
        <summary class="grid min-h-12 list-none grid-cols-[1fr_auto] items-center gap-x-4 py-2 leading-snug sm:grid-cols-[1fr_8.5rem_9.5rem]">
          <span
            ><b class="text-lg inline-block first-letter:uppercase">{item.name}</b> <span class="text-soft">{item.cut}, {item.thickness}</span><span
              class="caption block">{item.wet}{item.counted ? ", counted" : ""} on {counted(item.trays, "tray")}</span
            ></span
          >
          <span class="font-semibold max-sm:text-right">{item.takes}</span>
          <span class="max-sm:col-span-2"
            ><b class="text-leaf">to {item.each_dry} a tray</b><span class="caption block max-sm:inline max-sm:pl-2">{item.dry} in all</span></span
          >
        </summary>
        <div class="grid gap-x-8 pb-3 text-md sm:grid-cols-2">
          <div>
            <p class="head">Why so long</p>
            <ul class="list-disc pl-5">
              {#each item.reasons as reason, n (n)}<li>{reason}</li>{/each}
            </ul>
          </div>
          <div>
            <p class="head">Dry when</p>
            <p>
              {item.test_words.says} That is about {item.target_pct.toFixed(0)} % moisture.{item.counted
                ? " Weigh what you put on the trays: counted, it is only about right."
                : ""}
            </p>
          </div>
        </div>
      </details>
    {/each}
  </div>
  {#if plan.findings.length}<div class="mt-4"><Findings findings={plan.findings} /></div>{/if}
  <p class="caption mt-3">Dry until it is dry, not until the clock says so: the weight to come down to counts, and the test at the tray.</p>
  <div class="mt-4 flex flex-wrap items-center gap-4">
    <button class="do" disabled={wrong || plan.stopped} onclick={onstart}>It goes in now</button>
    {#if stop}<p class="wrong max-w-md">{stop.says}</p>{/if}
  </div>
</Stale>
