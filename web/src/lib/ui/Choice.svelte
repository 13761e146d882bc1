<!-- One of several, as chips: the arrow keys go through them, and nothing is sent twice. -->
<script lang="ts" generics="T extends string | number | boolean">
  import { RadioGroup } from "bits-ui";
  import type { Snippet } from "svelte";

  let {
    label,
    options,
    value,
    onset,
    row = "mt-1 flex flex-wrap gap-2",
    chip = "",
    content,
  }: {
    label: string;
    /** What there is to choose from; with its words, where they are not its own. */
    options: readonly (T | readonly [T, string])[];
    /** What is chosen: none of them, where nobody has chosen yet. */
    value: T | null | undefined;
    onset: (value: T) => void;
    row?: string;
    chip?: string;
    /** What stands in a chip, where it is more than words. */
    content?: Snippet<[T, string]>;
  } = $props();

  const all = $derived(options.map((each) => (typeof each === "object" ? each : ([each, String(each)] as const))));
  const at = $derived(all.findIndex(([each]) => each === value));

  function pick(n: number) {
    const one = all[n];
    if (one && n !== at) onset(one[0]);
  }
</script>

<RadioGroup.Root aria-label={label} class={row} bind:value={() => (at < 0 ? "" : String(at)), (n) => pick(Number(n))}>
  {#each all as [each, words], n (each)}
    <RadioGroup.Item value={String(n)} class="chip {chip}"
      >{#if content}{@render content(each, words)}{:else}{words}{/if}</RadioGroup.Item
    >
  {/each}
</RadioGroup.Root>
