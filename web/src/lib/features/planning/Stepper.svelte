<!-- A number with a large minus and plus, for floury hands; it can be typed too. -->
<script lang="ts">
  import { TypedNumber } from "$lib/ui/typed.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let {
    label,
    unit,
    value = $bindable(),
    least = 0,
    wrong,
    onchange,
  }: { label: string; unit: string; value: number; least?: number; wrong?: string | undefined; onchange?: () => void } = $props();

  const id = $props.id();

  const typed = new TypedNumber();

  function step(by: number) {
    value = Math.max(least, Math.round((Number(value) || 0) + by));
    onchange?.();
  }
</script>

<div>
  <label for={id} class="head block">{label}<span class="lg:hidden">, {unit}</span></label>
  <div class="mt-1 flex flex-wrap items-center gap-1.5">
    <button type="button" class="chip !size-11 shrink-0 !p-0 text-xl" aria-label="{label}: one less" onclick={() => step(-1)}>−</button>
    <input
      {id}
      inputmode="decimal"
      autocomplete="off"
      bind:value={() => typed.shown(value), (text) => (value = typed.read(text) as number)}
      class="field !w-12 shrink-0 !px-1 text-center font-semibold"
      aria-invalid={wrong ? "true" : undefined}
      oninput={() => onchange?.()}
    />
    <button type="button" class="chip !size-11 shrink-0 !p-0 text-xl" aria-label="{label}: one more" onclick={() => step(1)}>+</button>
    <span class="caption leading-tight max-lg:hidden">{unit}</span>
  </div>
  <Refusal {wrong} class="mt-1" />
</div>
