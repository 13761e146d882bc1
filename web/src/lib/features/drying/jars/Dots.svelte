<!-- A jar's days, a dot each: never told by colour alone. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { day } from "$lib/format/when";

  let { jar }: { jar: Schemas["Jar"] } = $props();
  const WORDS: Record<string, string> = {
    free: "free",
    clumped: "clumped",
    stuck: "stuck",
    droplets: "droplets",
    back: "dried again",
    missed: "not shaken",
    due: "to shake",
    "to come": "to come",
  };
</script>

<ol class="mt-1.5 flex flex-wrap gap-1.5" aria-label="Days of the {jar.food}">
  {#each jar.dots as dot (dot.day)}
    {@const bad = ["clumped", "stuck", "droplets"].includes(dot.look)}
    <li class="grid place-items-center" title="{day(dot.day)}: {WORDS[dot.look]}">
      <svg viewBox="0 0 26 26" class="size-6.5" aria-hidden="true">
        {#if dot.look === "free"}
          <circle cx="13" cy="13" r="11" fill="var(--leaf)" stroke="var(--ink)" stroke-width="1.6" /><path
            d="M7.500 13.500L11.500 17.500L18.500 9"
            fill="none"
            stroke="var(--paper)"
            stroke-width="2.8"
            stroke-linecap="round"
            stroke-linejoin="round"
          />
        {:else if bad}
          <circle cx="13" cy="13" r="11" fill="var(--paper)" stroke="var(--rust)" stroke-width="2.4" /><path
            d="M8.500 8.500L17.500 17.500M17.500 8.500L8.500 17.500"
            stroke="var(--rust)"
            stroke-width="2.8"
            stroke-linecap="round"
          />
        {:else if dot.look === "back"}
          <circle cx="13" cy="13" r="11" fill="var(--yolk-pale)" stroke="var(--ink)" stroke-width="1.6" /><path
            d="M9 18C7 15 11 13 9 9M13 18C11 15 15 13 13 9M17 18C15 15 19 13 17 9"
            fill="none"
            stroke="var(--ink)"
            stroke-width="1.6"
            stroke-linecap="round"
          />
        {:else if dot.look === "missed"}
          <circle cx="13" cy="13" r="11" fill="none" stroke="var(--soft)" stroke-width="1.6" stroke-dasharray="3 3" /><path
            d="M9 13H17"
            stroke="var(--soft)"
            stroke-width="2"
            stroke-linecap="round"
          />
        {:else if dot.look === "due"}
          <circle cx="13" cy="13" r="11" fill="var(--yolk)" stroke="var(--on-yolk)" stroke-width="2.2" /><circle
            cx="13"
            cy="13"
            r="3.500"
            fill="var(--on-yolk)"
          />
        {:else}
          <circle cx="13" cy="13" r="11" fill="var(--paper)" stroke="var(--soft)" stroke-width="1.6" />
        {/if}
      </svg>
      <span class="sr-only">{day(dot.day)}: {WORDS[dot.look]}</span>
    </li>
  {/each}
</ol>
