<!-- What is wrong that stands by no field of a form. -->
<script lang="ts">
  import type { Wrong } from "$lib/api/client";

  let { wrong, at }: { wrong: Wrong; /** The fields that say what is wrong with them themselves. */ at: string[] } = $props();

  const others = $derived(Object.entries(wrong).filter(([field]) => !at.includes(field)));
</script>

{#each others as [field, { message }] (field)}<p class="wrong" role="alert">{message}</p>{/each}
