<!-- Something that takes seconds is under way: a jar that fills, and for how long it has been. -->
<script lang="ts">
  import { onMount } from "svelte";

  let { says }: { says: string } = $props();
  let seconds = $state(0);

  onMount(() => {
    const timer = setInterval(() => (seconds += 1), 1000);
    return () => clearInterval(timer);
  });
</script>

<p class="mt-4 flex items-center gap-3 text-soft" role="status">
  <svg viewBox="0 0 24 30" class="h-8" aria-hidden="true">
    <clipPath id="working"><path d="M4 10Q4 7 7 7H17Q20 7 20 10V26Q20 28 18 28H6Q4 28 4 26Z" /></clipPath>
    <rect class="fill" x="3" y="7" width="18" height="22" clip-path="url(#working)" fill="var(--yolk)" />
    <path d="M4 10Q4 7 7 7H17Q20 7 20 10V26Q20 28 18 28H6Q4 28 4 26Z" fill="none" stroke="currentColor" stroke-width="1.8" />
    <rect x="6" y="2.5" width="12" height="4" rx="1.2" fill="var(--lid)" stroke="currentColor" stroke-width="1.6" />
  </svg>
  <span>{says}{seconds > 2 ? ` ${seconds} s` : ""}</span>
</p>

<style>
  .fill {
    transform: scaleY(0.6);
    transform-origin: 12px 29px;
    @media (prefers-reduced-motion: no-preference) {
      animation: fill 2.4s ease-in-out infinite;
    }
  }
  @keyframes fill {
    from {
      transform: scaleY(0.06);
    }
    80%,
    to {
      transform: scaleY(1);
    }
  }
</style>
