<!-- The strip along the foot: how many, how much, how long, and the one thing to do next. -->
<script lang="ts">
  import { few } from "$lib/format/numbers";
  import type { Schemas, Wrong } from "$lib/api/client";
  import Field from "$lib/ui/Field.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let {
    plan,
    wrong,
    busy,
    onpack,
    onrun,
    onmore,
    onproved,
  }: {
    plan: Schemas["Plan"];
    wrong: Wrong;
    busy: boolean;
    onpack: (packedOn: string, override?: string) => void;
    /** Onto the run sheet, to be packed with others against the clock. */
    onrun: (override?: string) => void;
    /** There was more in the lot than is written: all of it is packed. */
    onmore: () => void;
    /** A jar proved it dry, though it was written here without its record. */
    onproved: () => void;
  } = $props();

  let overriding = $state(false);
  let why = $state("");

  $effect(() => {
    // It is packed, or stands otherwise now: the reason was for that stop only.
    if (!stop) overriding = false;
  });

  let day = $state(today());
  const unproven = $derived(plan.food.says_conditioned && !!plan.verdict.findings[0]?.code.endsWith("-unconditioned"));
  const stop = $derived(plan.verdict.severity === "stop");

  function today(): string {
    const now = new Date();
    return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
  }
</script>

{#snippet figure(big: string, small: string, label: string, more = "")}
  <div>
    <dt class="sr-only">{label}</dt>
    <dd class="font-name text-2xl leading-tight font-extrabold whitespace-nowrap sm:text-3xl">{big}</dd>
    <dd class="text-sm text-soft sm:max-lg:max-w-44">{small}</dd>
    {#if more}<dd class="text-sm text-soft">{more}</dd>{/if}
  </div>
{/snippet}

{#snippet figures()}
  <dl class="flex flex-1 flex-wrap gap-x-5 gap-y-2 sm:max-lg:justify-between lg:grid lg:grid-flow-col lg:justify-start">
    {@render figure(
      plan.rest ? `${plan.full.count} × ${plan.full.mass} + ${plan.rest.mass}` : `${plan.full.count} × ${plan.full.mass}`,
      plan.packets_in_all,
      "Containers",
      plan.packets_at_hand,
    )}
    {@render figure(
      `${plan.kcal_text} kcal`,
      `${few(plan.person_days)} person-days, ${few(plan.household_days)} for all of you`,
      "In all",
      [plan.cost ? `${plan.cost} for it, ${plan.cost_per_1000_kcal} per 1,000 kcal` : "", plan.packing_cost ? `${plan.packing_cost} to pack it` : ""]
        .filter(Boolean)
        .join("; "),
    )}
    {@render figure(`${plan.full.kcal_text} kcal`, `${few(plan.full.person_days)} person-days in each`, "In each")}
    {@render figure(
      plan.best_by.text,
      plan.best_by.chosen ? ["best by", plan.best_by.band].filter(Boolean).join("; ") : plan.best_by.band,
      "Best by",
      plan.best_by.chosen && plan.best_by.ends !== "age" ? plan.best_by.why : "",
    )}
  </dl>
{/snippet}

<!-- On a phone the figures stand in the page, and only the next thing to do stays in reach. -->
<section aria-label="In figures" class="border-t-2 border-ink bg-cream px-4 py-4 sm:hidden">{@render figures()}</section>

<section aria-label="To do next" class="sticky bottom-(--bar) z-10 shrink-0 border-t-2 border-ink bg-cream px-4 py-2.5 sm:px-6 lg:py-3">
  <p class="mb-1.5 text-sm leading-tight font-semibold sm:hidden">
    {plan.kcal_text} kcal · {few(plan.person_days)} person-days · {plan.best_by.chosen ? `best by ${plan.best_by.text}` : plan.best_by.text}
  </p>
  <div class="flex items-center gap-x-5 gap-y-3 sm:max-lg:flex-col sm:max-lg:items-stretch">
    <div class="flex-1 max-sm:hidden">{@render figures()}</div>
    <div class="flex flex-wrap items-end gap-3 max-sm:w-full max-sm:gap-2 sm:max-lg:justify-end">
      <div class="max-sm:min-w-0 max-sm:flex-1">
        <label class="head block max-sm:sr-only" for="packed-on">Packed on</label>
        <input
          id="packed-on"
          type="date"
          class="field !w-36 !px-2 max-sm:!w-full max-sm:!min-h-[52px] max-sm:text-sm"
          bind:value={day}
          aria-invalid={wrong.packed_on ? "true" : undefined}
          aria-describedby={wrong.packed_on ? "wrong-packed-on" : undefined}
        />
      </div>
      <button class="chip !min-h-[52px] whitespace-nowrap" disabled={busy || stop} onclick={() => onrun()}>Run sheet</button>
      <button class="do !px-5 whitespace-nowrap max-sm:!px-4" disabled={busy || stop} onclick={() => onpack(day)}
        >{plan.count === 1 ? "Pack it" : `Pack all ${plan.count}`}</button
      >
    </div>
  </div>
  <Refusal {wrong} of="packed_on" id="wrong-packed-on" class="mt-1 text-right" />
  {#if wrong.lot}<p class="wrong mt-1 flex flex-wrap items-center justify-end gap-x-3" role="alert">
      {wrong.lot.message}
      {#if wrong.lot.code === "in-freezer"}<a class="chip" href="/drying/freezer">To the freezer</a>
      {:else}<button class="chip" disabled={busy} onclick={onmore}>There was more</button>{/if}
    </p>{/if}
  {#if stop}<p class="wrong mt-1 flex flex-wrap items-center justify-end gap-x-3">
      Not like this: {plan.verdict.says}
      {#if unproven}<button class="chip" onclick={onproved}>Conditioned in a jar</button>{/if}<button
        class="min-h-11 underline"
        onclick={() => (overriding = true)}>Pack anyway …</button
      >
    </p>{/if}
</section>

<Sheet bind:open={overriding} title="Pack anyway">
  <form class="grid gap-4" onsubmit={(event) => (event.preventDefault(), onpack(day, why))} novalidate>
    <p class="text-lg leading-snug font-semibold text-rust">{plan.verdict.says}</p>
    <p class="leading-snug">{plan.verdict.findings[0]?.why}</p>
    <p class="leading-snug">If you know better, say why. The label carries it for whoever opens this in ten years. When in doubt, do not.</p>
    <Field label="Reason, printed on the label" name="override" bind:value={why} {wrong} placeholder="goes into the freezer today" />
    <div class="flex flex-wrap justify-end gap-3">
      <button type="button" class="do" onclick={() => (overriding = false)}>Leave it</button>
      <button type="button" class="chip" disabled={busy || !why.trim()} onclick={() => onrun(why)}>On the run sheet with it</button>
      <button type="submit" class="chip" disabled={busy || !why.trim()}>Pack anyway</button>
    </div>
  </form>
</Sheet>
