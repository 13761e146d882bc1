<!-- The sizing methods as bars against what the air asks for; picking a bar takes that method. -->
<script lang="ts">
  import { RadioGroup } from "bits-ui";
  import { whole } from "$lib/format/numbers";
  import type { Schemas } from "$lib/api/client";

  let {
    options,
    oxygen,
    asks,
    chosen,
    onpick,
  }: {
    options: Schemas["SizingOption"][];
    oxygen: number;
    /** What the air asks for, margin included. */
    asks: number;
    chosen: Schemas["SizingMethod"];
    onpick: (sizing: Schemas["SizingMethod"]) => void;
  } = $props();

  const longest = $derived(Math.max(asks, ...options.map((each) => each.packed_ml)) * 1.12);
  const share = (ml: number) => `${((ml / longest) * 100).toFixed(2)}%`;
</script>

<RadioGroup.Root aria-label="How absorbers are sized" class="grid gap-1" bind:value={() => chosen, (sizing) => onpick(sizing as Schemas["SizingMethod"])}>
  {#each options as each (each.sizing)}
    {@const on = each.sizing === chosen}
    <RadioGroup.Item
      value={each.sizing}
      class="grid min-h-11 grid-cols-[7.6rem_1fr] items-center gap-x-3 rounded-lg border-[1.5px] px-2.5 py-0.5 text-left sm:grid-cols-[7.6rem_1fr_14rem] lg:max-xl:grid-cols-[7.6rem_1fr] {on
        ? 'border-ink bg-cream'
        : 'border-transparent hover:bg-cream'}"
    >
      <span class="flex items-center gap-2 {on ? 'font-bold' : ''}">
        <span class="grid size-4 shrink-0 place-items-center rounded-full border-2 border-ink"
          >{#if on}<span class="size-2 rounded-full bg-ink"></span>{/if}</span
        >
        {each.name}
      </span>
      <span class="relative h-5" aria-hidden="true">
        <span class="absolute inset-y-1 left-0 w-full rounded-sm bg-[color-mix(in_oklab,var(--line)_55%,var(--paper))]"></span>
        <span
          class="absolute inset-y-1 left-0 rounded-sm motion-safe:transition-[width] motion-safe:duration-100 {each.covers
            ? on
              ? 'bg-leaf'
              : 'bg-slate'
            : 'bg-rust'}"
          style:width={share(each.packed_ml)}
        ></span>
        <span class="absolute -inset-y-0.5 w-[3px] -translate-x-1/2 bg-ink outline-[1.5px] outline-paper" style:left={share(asks)}></span>
      </span>
      <span class="col-span-2 text-md sm:col-span-1 lg:max-xl:col-span-2">
        <b>{each.packets}</b>
        <span class="text-xs whitespace-nowrap {each.covers ? 'text-soft' : 'font-bold text-rust'}">{each.judged}</span>
      </span>
    </RadioGroup.Item>
  {/each}
  <p class="caption px-2.5">The dark mark is what the air asks for: {whole(asks)} mL, for {whole(oxygen)} mL of oxygen and a margin</p>
</RadioGroup.Root>
