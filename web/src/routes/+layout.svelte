<script lang="ts">
  import { few } from "$lib/format/numbers";
  import "../app.css";
  import { goto } from "$app/navigation";
  import { page } from "$app/state";
  import Household from "$lib/features/household/Household.svelte";
  import Sheet from "$lib/ui/Sheet.svelte";
  import { KEYS, listen, setSingleKeys, singleKeys } from "$lib/ui/keys";
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
  let household = $state(false);

  const days = $derived(larder.overview?.days ?? 0);
  const busy = $derived(
    [larder.overview?.drying ? `${larder.overview.drying} drying` : "", larder.overview?.freezing ? `${larder.overview.freezing} freezing` : ""]
      .filter(Boolean)
      .join(", "),
  );
  const places = $derived([
    { href: "/rounds", name: "Rounds", figure: larder.overview ? (larder.overview.due ? `${larder.overview.due} to do` : "all done") : "…" },
    { href: "/table", name: "Table", figure: larder.overview ? `${few(days)} days` : "…" },
    { href: "/drying", name: "Drying", figure: busy || "dryers" },
    { href: "/bench", name: "Bench", figure: larder.onBench || "empty" },
    { href: "/run", name: "Run", figure: larder.overview ? larder.overview.running || "no run" : "…" },
    { href: "/shelves", name: "Shelves", figure: larder.overview ? `${larder.overview.kept} kept` : "…" },
    { href: "/supplies", name: "Supplies", figure: larder.overview ? (larder.overview.low ? `${larder.overview.low} low` : "in stock") : "…" },
    { href: "/guide", name: "Guide", figure: "" },
  ]);
  const here = $derived(page.url.pathname);

  $effect(() => {
    // Where the places do not all fit, the one that is open is in sight, also once its figure has come.
    // The bar alone is scrolled: the page stays where it is read.
    const on = here && places ? document.querySelector<HTMLElement>("nav [aria-current=page]") : null;
    const bar = on?.closest("nav");
    if (on && bar) bar.scrollLeft = on.offsetLeft - bar.offsetLeft - (bar.clientWidth - on.clientWidth) / 2;
  });
  const undoable = $derived(larder.overview?.can_undo);

  onMount(() => {
    theme.start();
    void larder.refresh();
    return listen({
      go: (path) => void goto(path),
      fresh: () => void goto("/bench").then(() => dispatchEvent(new CustomEvent("larder:fresh"))),
      find: () => (document.querySelector<HTMLInputElement>("[data-find]") ?? document.querySelector("input"))?.focus(),
      undo: () => void larder.undo(),
      help: () => (help = true),
    });
  });
</script>

<a href="#main" class="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-paper focus:p-3" onclick={() => document.getElementById("main")?.focus()}
  >Skip to content</a
>

<div class="flex min-h-dvh flex-col lg:h-dvh">
  {#if !larder.whole}
    <header
      class="relative z-10 flex shrink-0 items-end gap-x-1 border-b-2 border-ink bg-cream px-2 sm:gap-x-3 sm:px-6 md:max-xl:flex-wrap md:max-xl:justify-between lg:gap-x-6"
    >
      <a href="/rounds" class="hidden self-center font-name text-2xl font-extrabold whitespace-nowrap md:block">
        <span class="rounded bg-yolk px-1.5 py-0.5 text-on-yolk">Yellow</span> Larder
      </a>
      <nav
        aria-label="Places"
        class="flex min-w-0 flex-1 md:max-xl:order-last md:max-xl:w-full md:max-xl:flex-none md:max-xl:justify-between max-lg:overflow-x-auto max-lg:overflow-y-hidden max-lg:[scrollbar-width:none]"
      >
        {#each places as place (place.href)}
          {@const on = here.startsWith(place.href)}
          <a
            href={place.href}
            aria-current={on ? "page" : undefined}
            class={[
              "relative block shrink-0 px-2 pt-3 pb-2 leading-tight sm:px-3 md:max-xl:px-2 md:max-xl:pt-2 lg:-mb-0.5 lg:min-w-17 lg:px-3 xl:px-3.5",
              on
                ? "rounded-t-xl border-2 border-b-0 border-ink bg-paper font-bold before:absolute before:inset-x-0 before:top-0 before:h-1.5 before:rounded-t-[9px] before:bg-yolk"
                : "border-2 border-b-0 border-transparent hover:underline",
            ]}
          >
            <span class="block text-base">{place.name}</span>
            <span class="block max-w-36 truncate text-xs {on ? 'font-bold' : 'text-soft'}">{place.figure || "\u00a0"}</span>
          </a>
        {/each}
      </nav>
      <div class="flex items-center gap-0.5 self-center sm:gap-1">
        <button
          class="flex min-h-11 items-center gap-2 rounded-lg px-2 font-semibold hover:bg-paper disabled:text-soft disabled:opacity-60 sm:px-3"
          disabled={!undoable}
          title={undoable ? `Undo: ${undoable.title}` : "Nothing to undo"}
          onclick={() => larder.undo()}
        >
          <Undo2 size={20} aria-hidden="true" /><span class="sr-only lg:not-sr-only">Undo</span>
        </button>
        <button class="grid size-11 place-items-center rounded-lg hover:bg-paper" aria-label="Household" onclick={() => (household = true)}>
          <Settings2 size={21} aria-hidden="true" />
        </button>
        <button
          class="hidden size-11 place-items-center rounded-lg hover:bg-paper sm:grid"
          aria-label={theme.dark ? "Light theme" : "Dark theme"}
          onclick={() => theme.toggle()}
        >
          {#if theme.dark}<Sun size={21} aria-hidden="true" />{:else}<Moon size={21} aria-hidden="true" />{/if}
        </button>
        <button class="hidden size-11 place-items-center rounded-lg hover:bg-paper sm:grid" aria-label="Keys" onclick={() => (help = true)}>
          <CircleHelp size={21} aria-hidden="true" />
        </button>
      </div>
    </header>
  {/if}

  {#if larder.disk || larder.overview?.clock_behind}
    <p role="alert" class="border-b-2 border-ink bg-alarm px-4 py-2 text-center font-semibold text-on-alarm">{larder.disk || larder.overview?.clock_behind}</p>
  {/if}

  <main id="main" tabindex="-1" class="flex min-h-0 flex-1 flex-col outline-none">
    {@render children()}
  </main>
</div>

{#if larder.slow}<div class="waiting" role="status"><span class="sr-only">Waiting for the larder</span></div>{/if}

<div aria-live="polite" class="pointer-events-none fixed inset-x-0 top-20 z-40 flex justify-center px-4">
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
      <button class="grid size-9 shrink-0 place-items-center" aria-label="Close message" onclick={() => (larder.message = undefined)}>
        <X size={18} aria-hidden="true" />
      </button>
    </div>
  {/if}
</div>

<Household bind:open={household} />
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
