<script lang="ts">
  import { page } from "$app/state";
  import type { Snippet } from "svelte";

  let { children }: { children: Snippet } = $props();

  const PARTS = [
    ["/table", "To store"],
    ["/table/meals", "Meals"],
    ["/table/diary", "Diary"],
    ["/table/money", "This week"],
    ["/table/eaters", "Who eats"],
  ] as const;
</script>

<div class="flex min-h-0 flex-1 flex-col">
  <nav aria-label="Parts of the table" class="flex shrink-0 gap-1.5 px-3 pt-3 pb-1 sm:gap-2 sm:px-6">
    {#each PARTS as [href, name] (href)}
      {@const on = page.url.pathname.replace(/\/$/, "") === href}
      <a {href} class="chip whitespace-nowrap max-sm:flex-auto max-sm:!px-1 max-sm:text-[0.82rem] {on ? 'on' : ''}" aria-current={on ? "page" : undefined}>{name}</a>
    {/each}
  </nav>
  {@render children()}
</div>
