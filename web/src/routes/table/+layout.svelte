<script lang="ts">
  import Parts from "$lib/ui/Parts.svelte";
  import type { Snippet } from "svelte";

  let { children }: { children: Snippet } = $props();

  const PARTS = [
    ["/table", "To store"],
    ["/table/meals", "Meals"],
    ["/table/diary", "Diary"],
    ["/table/money", "This week"],
    ["/table/people", "Who eats"],
  ] as const;
</script>

<Parts name="Parts of the table" parts={PARTS} {children} />
