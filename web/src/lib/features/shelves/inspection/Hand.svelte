<!-- A bag or a jar as the hand finds it: firm, loose, puffed, leaking. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";

  let { feel, jar }: { feel: Schemas["Feel"]; jar: boolean } = $props();

  const SIDES: Record<Schemas["Feel"], string> = {
    firm: "M9 6H31C27 14 33 19 28 25C33 30 28 37 31 42H9C12 37 7 30 12 25C7 19 13 14 9 6Z",
    loose: "M9 6H31L32 42H8Z",
    puffed: "M11 6H29C40 16 40 33 31 42H9C0 33 0 16 11 6Z",
    leaks: "M9 6H31L32 42H8Z",
  };
  const LIDS: Record<Schemas["Feel"], string> = {
    firm: "M10 11Q20 16 30 11V7H10Z",
    loose: "M10 11H30V7H10Z",
    puffed: "M10 11H30V8Q20 0 10 8Z",
    leaks: "M10 8L30 3V7L10 12Z",
  };
</script>

<svg viewBox="-2 -2 44 48" class="h-11 w-10 shrink-0" aria-hidden="true">
  {#if jar}
    <path d="M11 12H29L32 17V40Q32 43 29 43H11Q8 43 8 40V17Z" fill="var(--glass)" stroke="var(--ink)" stroke-width="1.800" />
    <path d={LIDS[feel]} fill="var(--lid)" stroke="var(--ink)" stroke-width="1.600" stroke-linejoin="round" />
  {:else}
    <path d={SIDES[feel]} fill="var(--foil)" stroke="var(--ink)" stroke-width="1.800" stroke-linejoin="round" />
    <path d="M9 6H31V10H9Z" fill="var(--lid)" stroke="var(--ink)" stroke-width="1.300" />
    {#if feel === "firm"}<path d="M15 17L20 24L17 31M25 20L22 28" fill="none" stroke="var(--soft)" stroke-width="1.300" />{/if}
  {/if}
  {#if feel === "leaks"}<path
      d="M30 20C36 16 36 24 41 19M30 28C36 24 36 32 41 27"
      fill="none"
      stroke="var(--slate)"
      stroke-width="2"
      stroke-linecap="round"
    />{/if}
</svg>
