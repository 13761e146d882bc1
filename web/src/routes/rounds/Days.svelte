<!-- Ten days, and how much is due on each: a pip for every thing. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import { moment } from "$lib/when";

  let { due }: { due: Schemas["Task"][] } = $props();

  const days = $derived.by(() => {
    const today = new Date();
    return Array.from({ length: 10 }, (_, n) => {
      const date = new Date(today.getFullYear(), today.getMonth(), today.getDate() + n);
      const tasks = due.filter((task) => {
        const at = task.all_day ? new Date(...(task.due.slice(0, 10).split("-").map((part, p) => Number(part) - (p === 1 ? 1 : 0)) as [number, number, number])) : moment(task.due);
        return n === 0 ? at < new Date(date.getTime() + 86_400_000) : at.toDateString() === date.toDateString();
      });
      return { date, tasks };
    });
  });
  const FILL: Partial<Record<Schemas["TaskKind"], string>> = { shake: "var(--leaf)", redry: "var(--rust)", "freezer-out": "var(--slate)", "freezer-open": "var(--slate)", eat: "var(--lid)" };
</script>

<ol class="mt-1 border-t-2 border-ink">
  {#each days as { date, tasks }, n (n)}
    <li class="grid min-h-8 grid-cols-[4.6rem_1fr] items-center gap-2 border-b border-line py-1">
      <span class="text-[0.93rem] {n === 0 ? 'font-bold' : ''}">{n === 0 ? "Today" : date.toLocaleDateString("en-GB", { weekday: "short", day: "numeric" })}</span>
      <span class="flex flex-wrap gap-1" role="img" aria-label={tasks.length ? `${tasks.length} due: ${tasks.map((task) => task.title).join("; ")}` : "nothing"}>
        {#each tasks as task (`${task.kind}-${task.number}-${task.item}`)}
          <svg viewBox="0 0 16 16" class="size-4" aria-hidden="true"><circle cx="8" cy="8" r="6.500" fill={FILL[task.kind] ?? "var(--yolk)"} stroke="var(--ink)" stroke-width="1.4" /></svg>
        {/each}
      </span>
    </li>
  {/each}
</ol>
<p class="caption mt-2 flex flex-wrap gap-x-3 gap-y-1">
  {#each [["var(--leaf)", "jars"], ["var(--yolk)", "dryers"], ["var(--slate)", "freezer"], ["var(--lid)", "eat"], ["var(--rust)", "again"]] as [fill, words] (words)}
    <span class="inline-flex items-center gap-1"><svg viewBox="0 0 16 16" class="size-3.5" aria-hidden="true"><circle cx="8" cy="8" r="6.500" {fill} stroke="var(--ink)" stroke-width="1.4" /></svg>{words}</span>
  {/each}
</p>
