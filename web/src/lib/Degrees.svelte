<!-- A temperature, shown and typed in the household's degrees; what it binds is in °C. -->
<script lang="ts">
  import type { Wrong } from "./api/client";
  import Field from "./Field.svelte";
  import { larder } from "./larder.svelte";

  let { label, name, celsius = $bindable(), wrong = {}, onchange }: { label: string; name: string; celsius: number; wrong?: Wrong; onchange?: () => void } = $props();

  const us = $derived(larder.overview?.settings.units === "US");
  const shown = () => (us && typeof celsius === "number" ? Math.round(celsius * 18 + 320) / 10 : celsius);

  /** An empty field stays empty: the larder says what belongs there. */
  function typed(value: string | number | null) {
    celsius = (us && typeof value === "number" ? (value - 32) / 1.8 : value) as number;
  }
</script>

<Field label="{label}, {us ? '°F' : '°C'}" {name} type="number" {wrong} {onchange} bind:value={shown, typed} />
