<!-- The parts of a place, as a row of chips over its work. -->
<script lang="ts">
  import { page } from "$app/state";
  import type { Snippet } from "svelte";

  let { name, parts, children }: { name: string; parts: readonly (readonly [string, string])[]; children: Snippet } = $props();
</script>

<div class="flex min-h-0 flex-1 flex-col">
  <nav aria-label={name} class="flex shrink-0 flex-wrap gap-1.5 px-3 pt-3 pb-1 sm:gap-2 sm:px-6">
    {#each parts as [href, title] (href)}
      {@const on = page.url.pathname.replace(/\/$/, "") === href}
      <a {href} class="chip whitespace-nowrap max-sm:flex-auto max-sm:!px-1 max-sm:text-xs {on ? 'on' : ''}" aria-current={on ? "page" : undefined}>{title}</a>
    {/each}
  </nav>
  {@render children()}
</div>
