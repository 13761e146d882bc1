<script lang="ts">
  import "../app.css";
  import { afterNavigate, goto } from "$app/navigation";
  import { page } from "$app/state";
  import Bar from "$lib/shell/Bar.svelte";
  import Tabs from "$lib/shell/Tabs.svelte";
  import { beginPlace, keepFocus } from "$lib/shell/focus";
  import { figures, placeOf } from "$lib/shell/places";
  import Sheet from "$lib/ui/Sheet.svelte";
  import Later from "$lib/ui/Later.svelte";
  import { overlays } from "$lib/ui/later";
  import { afterPaint } from "$lib/shell/paint";
  import { KEYS, listen, setSingleKeys, singleKeys } from "$lib/shell/keys";
  import { larder } from "$lib/state/larder.svelte";
  import { theme } from "$lib/state/theme.svelte";
  import CircleHelp from "@lucide/svelte/icons/circle-question-mark";
  import Moon from "@lucide/svelte/icons/moon";
  import Settings2 from "@lucide/svelte/icons/settings-2";
  import Sun from "@lucide/svelte/icons/sun";
  import Undo2 from "@lucide/svelte/icons/undo-2";
  import X from "@lucide/svelte/icons/x";
  import { onMount, type Snippet } from "svelte";

  let { children }: { children: Snippet } = $props();
  let help = $state(false);
  let settings = $state(false);

  const household = () => import("$lib/features/household/Household.svelte");
  $effect(() => {
    // The larder went before what would ask could be fetched: then nothing is tried again, and that is said.
    if (larder.unreached.length) overlays().catch(() => larder.tryAgain(false));
  });

  const under = $derived(figures(larder.overview, larder.onBench));
  const here = $derived(placeOf(page.url.pathname));
  const undoable = $derived(larder.overview?.can_undo);

  afterNavigate(({ type }) => {
    // SvelteKit puts the focus back to the top after this; whoever goes to a place goes on in it.
    if (type !== "enter") setTimeout(beginPlace);
  });

  onMount(() => {
    theme.start();
    void larder.refresh().finally(() => afterPaint(() => void Promise.allSettled([overlays(), household()])));
    const letGo = keepFocus();
    const unlisten = listen({
      go: (path) => void goto(path),
      fresh: () => void goto("/bench").then(() => dispatchEvent(new CustomEvent("larder:fresh"))),
      find: () => (document.querySelector<HTMLInputElement>("[data-find]") ?? document.querySelector("input"))?.focus(),
      undo: () => void larder.undo(),
      help: () => (help = true),
    });
    return () => (letGo(), unlisten());
  });
</script>

<a
  href="#main"
  class="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-paper focus:p-3"
  onclick={(event) => (event.preventDefault(), document.getElementById("main")?.focus())}>Skip to content</a
>

<!-- What stays at the foot while the page moves leaves room for the bar of places below it. -->
<div class={["flex min-h-dvh flex-col lg:h-dvh", larder.whole ? "[--bar:0px]" : "max-md:[--bar:calc(3.6rem+env(safe-area-inset-bottom))]"]}>
  {#if !larder.whole}
    <header
      class="relative z-10 flex shrink-0 items-end gap-x-1 border-b-2 border-ink bg-cream px-2 sm:gap-x-3 sm:px-6 max-xl:flex-wrap max-md:justify-between md:max-xl:justify-between lg:gap-x-6"
    >
      <a href="/rounds" class="flex min-h-11 items-center self-center font-name text-2xl font-extrabold whitespace-nowrap max-md:px-1 max-md:text-xl">
        <span class="mr-[.3em] rounded bg-yolk px-1.5 py-0.5 text-on-yolk">Yellow</span>Larder
      </a>
      <Tabs {here} figures={under} />
      <div class="flex items-center gap-0.5 self-center sm:gap-1">
        <button
          class="flex min-h-11 min-w-11 items-center justify-center gap-2 rounded-lg px-2 font-semibold hover:bg-paper disabled:text-soft disabled:opacity-60 sm:px-3"
          disabled={!undoable}
          title={undoable ? `Undo: ${undoable.title}` : "Nothing to undo"}
          data-again
          onclick={() => larder.undo()}
        >
          <Undo2 size={20} aria-hidden="true" /><span class="sr-only lg:not-sr-only">Undo</span>
        </button>
        <button class="grid size-11 place-items-center rounded-lg hover:bg-paper" aria-label="Household" onclick={() => (settings = true)}>
          <Settings2 size={21} aria-hidden="true" />
        </button>
        <button
          class="hidden size-11 place-items-center rounded-lg hover:bg-paper md:grid"
          aria-label={theme.dark ? "Light theme" : "Dark theme"}
          onclick={() => theme.toggle()}
        >
          {#if theme.dark}<Sun size={21} aria-hidden="true" />{:else}<Moon size={21} aria-hidden="true" />{/if}
        </button>
        <button class="hidden size-11 place-items-center rounded-lg hover:bg-paper md:grid" aria-label="Keys" onclick={() => (help = true)}>
          <CircleHelp size={21} aria-hidden="true" />
        </button>
      </div>
    </header>
  {/if}

  {#if larder.disk || larder.overview?.clock_behind}
    <p role="alert" class="border-b-2 border-ink bg-alarm px-4 py-2 text-center font-semibold text-on-alarm">{larder.disk || larder.overview?.clock_behind}</p>
  {/if}

  <!-- What is said to the ear alone stands somewhere too: it must not make the page longer than what is seen. -->
  <main id="main" tabindex="-1" class="relative flex min-h-0 flex-1 flex-col outline-none lg:overflow-clip">
    {@render children()}
  </main>

  {#if !larder.whole}
    <Bar {here} figures={under}>
      {#snippet others(close)}
        <button class="chip" onclick={() => theme.toggle()}>{theme.dark ? "Light theme" : "Dark theme"}</button>
        <button class="chip" onclick={() => (close(), (help = true))}>Keys</button>
      {/snippet}
    </Bar>
  {/if}
</div>

{#if larder.slow}<div class="waiting" role="status"><span class="sr-only">Waiting for the larder</span></div>{/if}

<div aria-live="polite" class="pointer-events-none fixed inset-x-0 top-20 z-60 flex justify-center px-4">
  {#if larder.message}
    <div
      class="pointer-events-auto flex max-w-xl items-center gap-3 rounded-xl border-2 bg-paper px-4 py-2.5 shadow-lg {larder.message.tone === 'wrong'
        ? 'border-rust'
        : 'border-ink'}"
    >
      <span class="font-semibold">{larder.message.text}</span>
      {#if larder.message.link}
        <a class="font-bold whitespace-nowrap underline" href={larder.message.link.href} target="_blank">{larder.message.link.text}</a>
      {/if}
      <button class="grid size-11 shrink-0 place-items-center" aria-label="Close message" onclick={() => (larder.message = undefined)}>
        <X size={18} aria-hidden="true" />
      </button>
    </div>
  {/if}
</div>

<Later load={overlays} when={larder.unreached.length > 0}>
  {#snippet children({ Unreached })}<Unreached />{/snippet}
</Later>
<Later load={household} when={settings}>
  {#snippet children({ default: Household })}<Household bind:open={settings} />{/snippet}
</Later>
<Sheet bind:open={help} title="Keys">
  <label class="mb-3 flex min-h-11 items-center justify-between gap-3 border-b border-line pb-2">
    Single keys do something
    <input type="checkbox" class="size-6 accent-leaf" bind:checked={singleKeys, setSingleKeys} />
  </label>
  <dl class="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2.5">
    {#each KEYS as [key, does] (key)}
      <dt class="font-bold">{key}</dt>
      <dd>{does}</dd>
    {/each}
  </dl>
</Sheet>
