<!-- An address that leads nowhere, or a page that could not be made: said in words, with ways on from there. -->
<script lang="ts">
  import { page } from "$app/state";
  import { PLACES } from "$lib/shell/places";

  const missing = $derived(page.status === 404);
  const heading = $derived(missing ? "There is nothing at this address" : "This page could not be shown");
</script>

<svelte:head><title>{heading} · Yellow Larder</title></svelte:head>

<section class="mx-auto max-w-xl px-6 py-12 text-center" aria-label={heading}>
  <svg viewBox="0 0 120 84" class="mx-auto h-28 max-w-full" aria-hidden="true">
    <path d="M4 74H116" stroke="var(--ink)" stroke-width="5" stroke-linecap="round" />
    <path d="M40 74V34Q40 26 48 26H72Q80 26 80 34V74" fill="none" stroke="var(--soft)" stroke-width="2.5" stroke-dasharray="4 5" stroke-linecap="round" />
    <path d="M44 20V14Q44 11 47 11H73Q76 11 76 14V20Z" fill="none" stroke="var(--soft)" stroke-width="2.5" stroke-dasharray="4 5" stroke-linecap="round" />
    <rect x="14" y="48" width="16" height="26" rx="3" fill="var(--glass)" stroke="var(--ink)" stroke-width="2.5" />
    <rect x="91" y="42" width="16" height="32" rx="3" fill="var(--glass)" stroke="var(--ink)" stroke-width="2.5" />
    <path d="M14 58H30V71Q30 74 27 74H17Q14 74 14 71ZM91 54H107V71Q107 74 104 74H94Q91 74 91 71Z" fill="var(--yolk)" stroke="var(--ink)" stroke-width="1.6" />
  </svg>
  <h1 class="mt-5 text-4xl">{heading}</h1>
  {#if missing}
    <p class="mt-2 [overflow-wrap:anywhere]"><code>{page.url.pathname}</code> is no place of the larder. It may be an old bookmark, or mistyped.</p>
  {:else}
    <p class="mt-2">Nothing is lost: whatever was acknowledged is in the larder's file.</p>
    <button class="do mt-5" onclick={() => location.reload()}>Try again</button>
  {/if}
  <nav aria-label="Where to go on" class="mt-6 flex flex-wrap justify-center gap-2">
    {#each PLACES as place (place.href)}<a class="chip" href={place.href}>{place.name}</a>{/each}
  </nav>
</section>
