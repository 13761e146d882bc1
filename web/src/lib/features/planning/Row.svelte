<!-- A food of the master list: its sack, what is needed, here and missing; opened, how it is kept and the cupboard. -->
<script lang="ts">
  import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
  import Sack from "$lib/draw/Sack.svelte";
  import { counted } from "$lib/format/words";
  import { larder } from "$lib/state/larder.svelte";
  import { turns } from "$lib/state/turn";
  import ChevronDown from "@lucide/svelte/icons/chevron-down";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { row, size, id, open, keep, ontoggle }: { row: Schemas["StoreRow"]; size: number; id: string; open: boolean; keep: number; ontoggle: () => void } =
    $props();

  let typed = $state<string>();
  let wrong = $state<Wrong>({});

  const inTurn = turns();

  const weigh = (amount: string) => inTurn(amount, () => tell(amount));

  async function tell(amount: string) {
    if (amount.trim() === row.cupboard) return;
    const body = { amount, was_g: row.cupboard_g };
    const done = await ask(api.PUT("/api/table/cupboard/{food}", { params: { path: { food: row.food } }, body }));
    wrong = done.wrong ?? {};
    if (done.wrong && wrong.cupboard?.code !== "outdated") return;
    if (typed === amount) typed = undefined;
    await larder.changed();
  }

  async function tried() {
    await larder.tell(ask(api.POST("/api/table/tried/{food}", { params: { path: { food: row.food } } })));
  }
</script>

<li class="border-b border-line">
  <button class="grid w-full grid-cols-[64px_1fr_auto_20px] items-center gap-x-3 py-1.5 text-left" aria-expanded={open} onclick={ontoggle}>
    <svg width="64" height="64" viewBox="-32 -62 64 64" aria-hidden="true"><Sack food={row} share={row.share} {size} {id} /></svg>
    <span class="min-w-0 leading-snug">
      <span class="font-semibold">{row.name}</span>
      {#if row.new}<span class="ml-1.5 rounded-md border border-ink bg-yolk-pale px-1.5 py-0.5 text-xs font-semibold whitespace-nowrap">try one first</span
        >{/if}
      <span class="block text-sm text-soft">{row.need}, {row.need_cups} · here {row.here}</span>
      {#if !row.reaches}<span class="block text-sm text-rust">nothing keeps it {counted(keep, "year")}: {row.keeps} at most</span>{/if}
    </span>
    <span class="text-right">
      {#if row.gap_g > 0}
        <span class="block font-name text-xl font-extrabold whitespace-nowrap"><span class="sr-only">missing </span>{row.gap}</span>
        <span class="block text-xs text-soft">needed</span>
      {:else}
        <span class="block font-bold text-leaf"><span aria-hidden="true">✓</span> enough</span>
      {/if}
    </span>
    <ChevronDown size={18} aria-hidden="true" class="text-soft motion-safe:transition-transform {open ? 'rotate-180' : ''}" />
  </button>
  {#if open}
    <div class="grid gap-x-6 gap-y-3 pb-4 pl-[76px] sm:grid-cols-2">
      <dl class="text-md leading-snug">
        <dt class="head">Best kept</dt>
        <dd>{row.kept}: {row.ages ? `about ${row.keeps} in your coolest place` : "does not age while it is dry"}.</dd>
        {#if row.gap_g > 0}<dt class="head mt-2">Missing, for the kitchen</dt>
          <dd>{row.gap_cups}</dd>{/if}
        {#if row.new}
          <dt class="head mt-2">Never in the diary yet</dt>
          <dd>
            Buy one, cook it, let everybody say yes; then store more.
            <button class="mt-1 block min-h-11 font-bold underline" onclick={tried}>We eat it already</button>
          </dd>
        {/if}
      </dl>
      <div>
        <label for="{id}-cupboard" class="head block">In the kitchen cupboard, not packed</label>
        <input
          id="{id}-cupboard"
          class="field mt-1 max-w-52"
          value={typed ?? row.cupboard}
          placeholder="none"
          autocomplete="off"
          oninput={(event) => (typed = event.currentTarget.value)}
          onchange={(event) => weigh(event.currentTarget.value)}
          aria-invalid={wrong.cupboard ? "true" : undefined}
          aria-describedby={wrong.cupboard ? `${id}-wrong` : undefined}
        />
        <Refusal {wrong} of="cupboard" id="{id}-wrong" class="mt-1" />
        {#if row.gap_g > 0}
          <a class="chip mt-3" href="/table/money?see={encodeURIComponent(row.name)}">Prices seen</a>
        {/if}
      </div>
    </div>
  {/if}
</li>
