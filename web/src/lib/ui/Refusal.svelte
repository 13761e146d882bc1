<!-- Why not, in words, where no field says so itself; read aloud as it comes. -->
<script lang="ts">
  import type { ClassValue } from "svelte/elements";
  import type { Wrong } from "$lib/api/client";

  let {
    wrong,
    of,
    but = [],
    id,
    class: more,
  }: {
    wrong: Wrong | string | undefined;
    /** The fields whose trouble is told here: all of them if none is named. */
    of?: string | string[];
    /** The fields that say what is wrong with them themselves. */
    but?: string[];
    /** What the field is described by. */
    id?: string;
    class?: ClassValue;
  } = $props();

  const here = (field: string) => !but.includes(field) && (of === undefined || [of].flat().includes(field));
  const told = $derived(
    typeof wrong === "object" ? Object.entries(wrong).flatMap(([field, { message }]) => (here(field) ? [message] : [])) : [wrong].filter(Boolean),
  );
</script>

{#each new Set(told) as words (words)}<p {id} class={["wrong", more]} role="alert">{words}</p>{/each}
