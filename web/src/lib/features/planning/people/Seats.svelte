<!-- The table from above: a plate for everybody, as large as their day's energy; guests' plates are dashed. -->
<script lang="ts">
  import { whole } from "$lib/format/numbers";
  import type { Schemas } from "$lib/api/client";
  import { Room } from "$lib/ui/room.svelte";

  let { people, onpick }: { people: Schemas["PersonView"][]; onpick: (view: Schemas["PersonView"]) => void } = $props();

  /** More plates than this are not told apart: those who are alike share one, with their number. */
  const MOST = 12;
  const APART = 148;
  const room = new Room("table set", { width: 440, height: 0 });
  const all = $derived(people.reduce((sum, view) => sum + (view.person.count ?? 1), 0));
  const seats = $derived(
    people.flatMap((view) => {
      const alike = view.person.count ?? 1;
      return Array.from({ length: all > MOST ? 1 : alike }, (_, n) => ({
        view,
        first: n === 0,
        alike: all > MOST ? alike : 1,
        guest: !!view.person.weeks,
        radius: Math.sqrt(view.need.kcal / 2400) * 33,
      }));
    }),
  );
  /** Along one side of a table: as many as can be read there. */
  const most = $derived(Math.max(2, Math.min(4, Math.floor(room.width / 130))));
  const across = $derived(Math.max(2, Math.min(most, Math.ceil(seats.length / 2))));
  const tables = $derived(
    Array.from({ length: Math.max(1, Math.ceil(seats.length / (2 * across))) }, (_, n) => seats.slice(n * 2 * across, (n + 1) * 2 * across)),
  );
  const width = $derived(across * APART + 60);
  const at = (n: number, many: number) => {
    const near = Math.min(across, Math.ceil(many / 2));
    const [row, of, column] = n < near ? [0, near, n] : [1, many - near, n - near];
    return { x: width / 2 + (column - (of - 1) / 2) * APART, y: row ? 202 : 98, name: row ? 284 : 30 };
  };
</script>

<div {@attach room.measured}>
  {#each tables as seated, t (t)}
    <svg
      viewBox="0 0 {width} 298"
      class="mx-auto mt-2 block w-full"
      style="max-width:{width * 1.05}px"
      role="group"
      aria-label={tables.length > 1 ? `Table ${t + 1}, set` : "The table, set"}
    >
      <rect x="20" y="42" width={width - 40} height="216" rx="26" fill="var(--wood)" stroke="var(--ink)" stroke-width="2.2" />
      <path
        d="M36 78H{width - 36}M36 114H{width - 36}M36 150H{width - 36}M36 186H{width - 36}M36 222H{width - 36}"
        stroke="var(--ink)"
        stroke-width=".8"
        opacity=".22"
      />
      {#each seated as seat, n (n)}
        {@const place = at(n, seated.length)}
        <g aria-hidden="true">
          <g transform="translate({place.x} {place.y})">
            <circle r={seat.radius + 6} fill="var(--foil)" stroke="var(--ink)" stroke-width="1.8" stroke-dasharray={seat.guest ? "5 4" : undefined} />
            <circle r={seat.radius - 3} fill="var(--paper)" stroke="var(--line)" stroke-width="1.4" />
            <path
              d="M{-seat.radius - 16} -18V-6M{-seat.radius - 20} -18V-8Q{-seat.radius - 16} -4 {-seat.radius - 12} -8V-18M{-seat.radius - 16} -5V20"
              fill="none"
              stroke="var(--ink)"
              stroke-width="1.8"
              stroke-linecap="round"
            />
            <path
              d="M{seat.radius + 15} 20V-18C{seat.radius + 21} -14 {seat.radius + 21} -2 {seat.radius + 15} 2"
              fill="none"
              stroke="var(--ink)"
              stroke-width="1.8"
              stroke-linecap="round"
              stroke-linejoin="round"
            />
            <text y="-1" text-anchor="middle" font-size="15" font-weight="700" fill="var(--ink)">{whole(seat.view.need.kcal)}</text>
            <text y="14" text-anchor="middle" font-size="12" fill="var(--soft)">{seat.alike > 1 ? "kcal each" : "kcal"}</text>
          </g>
          {#if seat.first}<text x={place.x} y={place.name} text-anchor="middle" font-size="15.5" font-weight="600" fill="var(--ink)"
              >{seat.view.person.name.length > 19 ? `${seat.view.person.name.slice(0, 18)}…` : seat.view.person.name}{seat.alike > 1
                ? ` × ${seat.alike}`
                : ""}</text
            >{/if}
        </g>
        <g
          role="button"
          tabindex="0"
          class="seat cursor-pointer outline-none"
          aria-label="{seat.view.person.name}{seat.alike > 1 ? `, ${seat.alike} of them` : ``}, {whole(seat.view.need.kcal)} kcal"
          onclick={() => onpick(seat.view)}
          onkeydown={(event) => (event.key === "Enter" || event.key === " ") && (event.preventDefault(), onpick(seat.view))}
        >
          <circle class="rim" cx={place.x} cy={place.y} r={seat.radius + 6} fill="transparent" />
        </g>
      {/each}
      {#if !seated.length}
        {#each [-110, 0, 110] as dx (dx)}<circle
            cx={width / 2 + dx}
            cy="150"
            r="36"
            fill="none"
            stroke="var(--ink)"
            stroke-width="1.6"
            stroke-dasharray="5 5"
            opacity=".55"
          />{/each}
      {/if}
    </svg>
  {/each}
</div>

<style>
  .seat:focus-visible .rim {
    stroke: var(--slate);
    stroke-width: 5;
  }
</style>
