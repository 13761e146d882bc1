<!-- Ten days, and how much is due on each: a pip for every thing. -->
<script lang="ts">
  import { dayStart } from "$lib/format/when";
  import type { Schemas } from "$lib/api/client";

  let { due }: { due: Schemas["Task"][] } = $props();

  const DAY = 86_400_000;
  const midnight = (date: Date) => new Date(date.getFullYear(), date.getMonth(), date.getDate()).getTime();

  /** The day a thing falls on: what is late falls on today. */
  function dayOf(task: Schemas["Task"], today: number): number {
    return Math.max(0, Math.round((dayStart(task.on).getTime() - today) / DAY));
  }

  const days = $derived.by(() => {
    const today = midnight(new Date());
    return Array.from({ length: 10 }, (_, n) => ({
      date: new Date(today + n * DAY + DAY / 2),
      tasks: due.filter((task) => {
        const first = dayOf(task, today);
        return n >= first && n <= first + (task.more_days ?? 0);
      }),
    }));
  });
  const FILL: Partial<Record<Schemas["TaskKind"], string>> = {
    shake: "var(--leaf)",
    redry: "var(--rust)",
    "freezer-out": "var(--slate)",
    "freezer-open": "var(--slate)",
    eat: "var(--lid)",
    look: "var(--paper)",
    trouble: "var(--rust)",
    supply: "var(--yolk)",
    copy: "var(--slate)",
  };
  const SQUARE: Schemas["TaskKind"][] = ["look", "trouble", "supply", "copy"];
</script>

<ol class="mt-1 border-t-2 border-ink">
  {#each days as { date, tasks }, n (n)}
    <li class="grid min-h-8 grid-cols-[4.6rem_1fr] items-center gap-2 border-b border-line py-1">
      <span class="text-md {n === 0 ? 'font-bold' : ''}">{n === 0 ? "Today" : date.toLocaleDateString("en-GB", { weekday: "short", day: "numeric" })}</span>
      <span
        class="flex flex-wrap gap-1"
        role="img"
        aria-label={tasks.length ? `${tasks.length} due: ${tasks.map((task) => task.title).join("; ")}` : "nothing"}
      >
        {#each tasks as task (`${task.kind}-${task.number}-${task.item}`)}
          <svg viewBox="0 0 16 16" class="size-4" aria-hidden="true"
            >{#if SQUARE.includes(task.kind)}<rect
                x="3"
                y="1.500"
                width="10"
                height="13"
                rx="1.500"
                fill={FILL[task.kind]}
                stroke="var(--ink)"
                stroke-width="1.4"
              />{:else}<circle cx="8" cy="8" r="6.500" fill={FILL[task.kind] ?? "var(--yolk)"} stroke="var(--ink)" stroke-width="1.4" />{/if}</svg
          >
        {/each}
      </span>
    </li>
  {/each}
</ol>
<p class="caption mt-2 flex flex-wrap gap-x-3 gap-y-1">
  {#each [["var(--leaf)", "jars"], ["var(--yolk)", "dryers"], ["var(--slate)", "freezer"], ["var(--lid)", "eat"], ["var(--rust)", "again"]] as [fill, words] (words)}
    <span class="inline-flex items-center gap-1"
      ><svg viewBox="0 0 16 16" class="size-3.5" aria-hidden="true"><circle cx="8" cy="8" r="6.500" {fill} stroke="var(--ink)" stroke-width="1.4" /></svg
      >{words}</span
    >
  {/each}
  <span class="inline-flex items-center gap-1"
    ><svg viewBox="0 0 16 16" class="size-3.5" aria-hidden="true"
      ><rect x="3" y="1.500" width="10" height="13" rx="1.500" fill="var(--paper)" stroke="var(--ink)" stroke-width="1.4" /></svg
    >packages</span
  >
</p>
