<script lang="ts">
  import Parts from "$lib/ui/Parts.svelte";
  import type { Snippet } from "svelte";

  let { children }: { children: Snippet } = $props();

  const PARTS = [
    ["/drying", "Trays"],
    ["/drying/jars", "Jars"],
    ["/drying/ready", "Ready"],
    ["/drying/freeze", "Freeze dryer"],
    ["/drying/freezer", "Freezer"],
  ] as const;
</script>

<Parts name="Parts of drying" parts={PARTS} {children} />
