<!-- The line that takes "10 kg pearl barley", with names offered as it is typed. -->
<script lang="ts">
  import { untrack } from "svelte";
  import { asItIs } from "$lib/features/coming_in/lines";
  import { renamed } from "$lib/format/words";
  import { larder } from "$lib/state/larder.svelte";
  import type { Schemas, Wrong } from "$lib/api/client";
  import Nearest from "$lib/ui/Nearest.svelte";

  let {
    line,
    answered,
    wrong,
    read,
    foods,
    online,
    onown,
  }: {
    line: string;
    /** The line that the larder answered last: what it says of another is not said of this one. */
    answered: string;
    wrong: Wrong;
    /** What was read as the food's name in the line that is planned. */
    read: string;
    foods: Schemas["FoodName"][];
    online: (line: string) => void;
    onown: (name: string) => void;
  } = $props();

  let open = $state(false);
  let at = $state(-1);
  let settled = $state(true);
  let timer: ReturnType<typeof setTimeout> | undefined;
  let input = $state<HTMLInputElement>();

  /** What stands before the name of the food, as the larder read it last; more may have been typed behind it since. */
  let head = $state<string>();
  const words = $derived(wrong.line?.words || read);
  $effect.pre(() => {
    const at = words ? untrack(() => line).lastIndexOf(words) : -1;
    head = at < 0 ? undefined : untrack(() => line).slice(0, at);
  });
  const typing = $derived(head !== undefined && line.startsWith(head) ? line.slice(head.length).trim().toLowerCase() : "");
  const offered = $derived.by(() => {
    if (!open || !typing) return [];
    const found = foods.filter((food) => [food.name, ...food.aliases].some((name) => name.includes(typing)));
    const exact = found.some((food) => food.name === typing);
    return exact ? [] : found.sort((a, b) => rank(a, typing) - rank(b, typing)).slice(0, 6);
  });
  const error = $derived(settled && answered === line ? (wrong.line ?? wrong.amount) : undefined);

  function rank(food: Schemas["FoodName"], words: string): number {
    return (food.name.startsWith(words) ? 0 : 1) + food.name.length / 100;
  }

  function typed(value: string) {
    settled = false;
    open = true;
    at = -1;
    clearTimeout(timer);
    timer = setTimeout(() => (settled = true), 700);
    online(value);
  }

  function take(food: Schemas["FoodName"]) {
    open = false;
    settled = true;
    online(`${head ?? ""}${food.name}`);
    input?.focus();
  }

  function onkeydown(event: KeyboardEvent) {
    if (event.key === "Enter") {
      const food = offered[at];
      if (food) take(food);
      open = false;
      settled = true;
    } else if (event.key === "Escape") {
      open = false;
    } else if (offered.length && (event.key === "ArrowDown" || event.key === "ArrowUp")) {
      event.preventDefault();
      at = (at + (event.key === "ArrowDown" ? 1 : -1) + offered.length) % offered.length;
    }
  }
</script>

<div class="relative">
  <label for="line" class="sr-only">What is on the bench: an amount and a food</label>
  <input
    id="line"
    bind:this={input}
    data-find
    value={line}
    oninput={(event) => typed(event.currentTarget.value)}
    {onkeydown}
    onblur={() => setTimeout(() => ((open = false), (settled = true)), 150)}
    placeholder={larder.us ? "25 lb pearl barley" : "10 kg pearl barley"}
    autocomplete="off"
    spellcheck="false"
    role="combobox"
    aria-expanded={offered.length > 0}
    aria-controls="line-foods"
    aria-autocomplete="list"
    aria-activedescendant={at >= 0 ? `line-food-${at}` : undefined}
    aria-invalid={error ? "true" : undefined}
    aria-describedby="line-note"
    class="w-full border-b-[3px] bg-transparent pb-1.5 font-name font-extrabold outline-none placeholder:font-semibold focus-visible:outline-none {line.length >
    26
      ? 'text-lg'
      : line.length > 19
        ? 'text-xl'
        : 'text-3xl'} {error ? 'border-rust' : 'border-yolk focus:border-ink'}"
  />
  <ul
    id="line-foods"
    role="listbox"
    aria-label="Foods"
    class={offered.length ? "absolute inset-x-0 top-full z-20 mt-1 overflow-hidden rounded-xl border-2 border-ink bg-paper shadow-lg" : "hidden"}
  >
    {#each offered as food, n (food.key)}
      <!-- svelte-ignore a11y_click_events_have_key_events -->
      <li
        id="line-food-{n}"
        role="option"
        aria-selected={n === at}
        class="flex min-h-11 cursor-pointer items-center justify-between gap-3 px-3 {n === at ? 'bg-yolk text-on-yolk' : 'hover:bg-cream'}"
        onmousedown={(event) => event.preventDefault()}
        onclick={() => take(food)}
      >
        <span class="font-semibold">{food.name}</span><span class="text-sm">{food.group}</span>
      </li>
    {/each}
  </ul>
  <div id="line-note" class="mt-1.5" aria-live="polite">
    {#if error}
      <p class="wrong">{error.message}</p>
      <Nearest names={error.nearest} onname={(name) => online(renamed(line, words, name))} />
      {#if error.code === "unknown-food"}
        <button class="mt-2 min-h-11 font-bold underline" onclick={() => onown(words)}>Add it as a food of your own</button>
      {/if}
      <p class="caption mt-1.5">
        A tin, or packed already? <a class="font-bold underline" href={asItIs(line)}>Put it away as it is</a>
      </p>
    {:else if !line}
      <p class="caption">Type an amount and a food: “two 7.5 lb bags of oats”, “3 cups red lentils”</p>
    {/if}
  </div>
</div>
