<!-- What is left in one that is open: guessed at a glance, or weighed. -->
<script lang="ts">
  import { larder } from "$lib/state/larder.svelte";
  import type { Schemas } from "$lib/api/client";
  import Choice from "$lib/ui/Choice.svelte";

  type Guess = Schemas["Guess"];
  let { number, mass, left = $bindable() }: { number: number; /** What is written. */ mass: string; left: { guess?: Guess; weight?: string } } = $props();

  const GUESSES: readonly Guess[] = ["full", "¾", "½", "¼", "a little"];
</script>

<div class="flex flex-wrap items-end gap-x-5 gap-y-2 pb-3 pl-12">
  <div>
    <p class="head">How full is it, if not {mass}?</p>
    <Choice label="How full number {number} is" options={GUESSES} value={left.guess} onset={(guess) => (left = { guess })} chip="!px-2.5" />
  </div>
  <div>
    <label class="head block" for="weighed-{number}">Or weighed</label>
    <input
      id="weighed-{number}"
      class="field mt-1 !w-28"
      placeholder={larder.us ? "8 oz" : "240 g"}
      autocomplete="off"
      bind:value={() => left.weight ?? "", (weight) => (left = weight.trim() ? { weight } : {})}
    />
  </div>
</div>
