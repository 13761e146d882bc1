<!-- A temperature, shown and typed in the household's degrees; what it binds is in °C. -->
<script lang="ts">
  import type { Wrong } from "$lib/api/client";
  import Field from "./Field.svelte";
  import { shownDegrees, toCelsius } from "$lib/format/degrees";
  import { larder } from "$lib/state/larder.svelte";

  let {
    label,
    name,
    celsius = $bindable(),
    wrong = {},
    onchange,
  }: { label: string; name: string; celsius: number; wrong?: Wrong; onchange?: () => void } = $props();

  const us = $derived(larder.us);
  const shown = () => (us && typeof celsius === "number" ? Math.round(shownDegrees(celsius, us) * 10) / 10 : celsius);

  /** An empty field stays empty: the larder says what belongs there. */
  function typed(value: string | number | null | undefined) {
    celsius = (typeof value === "number" ? toCelsius(value, us) : value) as number;
  }
</script>

<Field label="{label}, {us ? '°F' : '°C'}" {name} type="number" {wrong} {onchange} bind:value={shown, typed} />
