<!-- Of packages that are just alike: this one, some of them, or all. -->
<script lang="ts">
  import Choice from "$lib/ui/Choice.svelte";

  let { alike, count = $bindable(1) }: { alike: number[]; count: number } = $props();

  /** One by one as far as anybody counts at a glance, and all. */
  const FEW = 6;
  const options = $derived([
    [1, "this one"] as const,
    ...Array.from({ length: Math.max(0, Math.min(alike.length - 1, FEW) - 1) }, (_, n) => [n + 2, String(n + 2)] as const),
    [alike.length, `all ${alike.length} alike`] as const,
  ]);
</script>

{#if alike.length > 1}
  <div>
    <p class="head">How many</p>
    <Choice label="How many" {options} value={Math.min(count, alike.length)} onset={(each) => (count = each)} />
  </div>
{/if}
