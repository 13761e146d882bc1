<!-- A place cut open: its walls, its boards, and what stands on them, at one scale. Drag to move; a tap opens. -->
<script lang="ts">
  import type { Schemas } from "$lib/api/client";
  import FoodPattern from "$lib/draw/FoodPattern.svelte";
  import Hands from "$lib/draw/Hands.svelte";
  import { patternOf, seeded } from "$lib/draw/pieces";
  import { boards, type Board, type Drawings, type OnShelf, type Stack } from "$lib/draw/layout";
  import { outline, type Drawn } from "$lib/draw/outline";
  import { Room } from "$lib/ui/room.svelte";
  import { afterPaint } from "$lib/shell/paint";
  import Standing from "./Standing.svelte";

  let {
    place,
    packages,
    drawings,
    shortNames,
    chosen,
    found,
    lens,
    saying,
    onopen,
    onmove,
    onmoving,
  }: {
    place: Schemas["PlaceView"];
    packages: OnShelf[];
    drawings: Drawings;
    shortNames: Record<string, string>;
    chosen: number | undefined;
    found: Set<number> | undefined;
    /** What the labels say. */
    lens: "best-by" | "life" | "energy" | "protections" | "open";
    /** What labels say of what each is protected from, by number. */
    saying: Map<number, string>;
    onopen: (number: number) => void;
    onmove: (numbers: number[], place: number, shelf: number) => void;
    onmoving: (number: number) => void;
  } = $props();

  /** Nothing is drawn before it is known how wide: it would be drawn twice. */
  const room = new Room("cutaway");
  let scroller = $state<HTMLDivElement>();
  let scrolled = $state(0);
  let tall = $state(800);

  /** How far down the picture is looked at, whether it scrolls by itself or with the page. */
  function look() {
    if (scroller) scrolled = scroller.scrollTop + Math.max(0, -scroller.getBoundingClientRect().top);
  }
  /** px beyond the view that are drawn as well: none until what is in view stands there. */
  let near = $state(0);
  $effect(() => (packages.length ? afterPaint(() => (near = 500)) : undefined));
  let drag = $state<{ stack: Stack; x: number; y: number; moved: boolean; shelf?: number }>();

  const SIDE = $derived(room.width < 500 ? 18 : 30);
  /** mm that fit side by side: on a narrow screen a shelf goes on below, rather than grow too small to read. */
  const across = $derived(Math.min(place.width_mm, (room.width - SIDE * 2) / 0.46));
  /** px a mm: as wide as there is room, but no larger than a jar reads well. */
  const scale = $derived(Math.min((room.width - SIDE * 2) / across, 0.74));
  const width = $derived(across * scale + SIDE * 2);
  const rows = $derived.by(() => {
    let y = place.sort === "loft" ? 92 : 58;
    return boards(packages, drawings, place.shelves, across).map((board) => {
      const height = board.height * scale + 30;
      y += height + 12;
      return { board, y, height };
    });
  });
  const bottom = $derived((rows[rows.length - 1]?.y ?? 200) + 26);
  // Thousands may stand here: only what is near the view is drawn.
  const shown = $derived(rows.filter((row) => row.y > scrolled - near && row.y - row.height < scrolled + tall + near));
  const patterns = $derived.by(() => {
    const seen = shown.flatMap((row) => row.board.stacks.map((stack) => stack.first)).filter((one) => drawings[one.container]?.clear);
    return Object.entries(Object.fromEntries(seen.map((one) => [patternOf(one), one])));
  });
  const stones = $derived.by(() => {
    const chance = seeded(place.name);
    return Array.from({ length: Math.round(bottom / 14) }, () => ({
      x: chance() < 0.5 ? 4 + chance() * 18 : width - 40 + chance() * 22,
      y: 60 + chance() * (bottom - 80),
      w: 7 + chance() * 9,
    }));
  });

  function totes(board: Board) {
    const found: { x: number; width: number; height: number }[] = [];
    for (const stack of board.stacks.filter((each) => each.outer)) {
      const last = found[found.length - 1];
      if (last && last.width + stack.width < 620) {
        last.width = stack.x + stack.width + 6 - last.x;
        last.height = Math.max(last.height, stack.height);
      } else found.push({ x: stack.x - 6, width: stack.width + 12, height: stack.height });
    }
    return found;
  }

  const RIM = 0.34;
  function rimOf(board: Board, stack: Stack): number {
    const tote = totes(board).find((each) => stack.x >= each.x && stack.x < each.x + each.width);
    return (tote?.height ?? 0) * RIM;
  }

  $effect(() => {
    // Whoever is opened by its number comes into view.
    if (chosen === undefined) return;
    const row = rows.find((each) => each.board.stacks.some((stack) => stack.packages.some((one) => one.number === chosen)));
    if (row && scroller && (row.y - row.height < scroller.scrollTop || row.y > scroller.scrollTop + scroller.clientHeight)) {
      scroller.scrollTop = row.y - row.height - 20;
    }
  });

  const cold = $derived(place.sort === "fridge" || place.sort === "freezer");

  /** A crystal of ice: three strokes through one middle. */
  function frost(x: number, y: number, size: number): string {
    return [0, 1, 2]
      .map((n) => {
        const [across, down] = [Math.cos((n * Math.PI) / 3) * size, Math.sin((n * Math.PI) / 3) * size];
        return `M${(x - across).toFixed(1)} ${(y - down).toFixed(1)}L${(x + across).toFixed(1)} ${(y + down).toFixed(1)}`;
      })
      .join("");
  }

  function wall(): string {
    const right = width - 3;
    if (place.sort === "cellar") return `M3 ${bottom}V110Q3 6 120 6H${width - 120}Q${right} 6 ${right} 110V${bottom}Z`;
    if (cold) return `M3 ${bottom}V38Q3 6 35 6H${width - 35}Q${right} 6 ${right} 38V${bottom}Z`;
    if (place.sort === "loft") return `M3 ${bottom}V96L${width / 2} 6L${right} 96V${bottom}Z`;
    return `M3 ${bottom}V6H${right}V${bottom}Z`;
  }

  const say = (stack: Stack) => {
    const { first, packages: alike } = stack;
    const life =
      first.due === "wrong"
        ? "not right, see its card"
        : first.due === "past" || first.due === "kept on"
          ? `past its best-by${first.due === "past" ? "" : ", kept on"}`
          : `best by ${first.best_by}, ${Math.round(first.left * 100)} % of its life left`;
    const many = alike.length > 1 ? `${alike.length} alike, numbers ${first.number} to ${alike[alike.length - 1]?.number}` : `number ${first.number}`;
    return `${first.food}, ${first.mass}, ${first.open ? "open, " : ""}${many}, ${life}${first.due === "soon" ? ", due soon" : ""}, shelf ${first.shelf}`;
  };

  function down(event: PointerEvent, stack: Stack) {
    if (event.button) return;
    drag = { stack, x: event.clientX, y: event.clientY, moved: false };
    const start = { x: event.clientX, y: event.clientY };
    const move = (at: PointerEvent) => {
      if (!drag) return;
      const far = Math.hypot(at.clientX - start.x, at.clientY - start.y) > 9;
      drag = { ...drag, x: at.clientX, y: at.clientY, moved: drag.moved || far, shelf: drag.moved ? shelfAt(at) : undefined };
    };
    const stop = () => {
      removeEventListener("pointermove", move);
      removeEventListener("pointerup", up);
      removeEventListener("pointercancel", cancel);
      drag = undefined;
    };
    const cancel = () => stop();
    const up = (at: PointerEvent) => {
      const was = drag;
      stop();
      if (!was?.moved) return;
      const numbers = was.stack.packages.map((each) => each.number);
      const over = document.elementFromPoint(at.clientX, at.clientY)?.closest("[data-place]");
      const shelf = shelfAt(at);
      if (over) onmove(numbers, Number(over.getAttribute("data-place")), 0);
      else if (shelf && shelf !== was.stack.first.shelf) onmove(numbers, place.id, shelf);
    };
    addEventListener("pointermove", move);
    addEventListener("pointerup", up);
    addEventListener("pointercancel", cancel);
  }

  function shelfAt(event: PointerEvent): number | undefined {
    const over = document.elementFromPoint(event.clientX, event.clientY)?.closest("[data-shelf]");
    return over ? Number(over.getAttribute("data-shelf")) : undefined;
  }

  function onkeydown(event: KeyboardEvent, stack: Stack) {
    const { first } = stack;
    if (event.key === "Enter" || event.key === " ") onopen(first.number);
    else if (event.key === "m") onmoving(first.number);
    else if (event.altKey && event.key === "ArrowUp" && first.shelf > 1)
      onmove(
        stack.packages.map((each) => each.number),
        place.id,
        first.shelf - 1,
      );
    else if (event.altKey && event.key === "ArrowDown" && first.shelf < place.shelves)
      onmove(
        stack.packages.map((each) => each.number),
        place.id,
        first.shelf + 1,
      );
    else if (event.key === "ArrowRight" || event.key === "ArrowLeft") {
      const all = [...document.querySelectorAll<SVGGElement>("[data-stack]")];
      all[all.indexOf(event.currentTarget as SVGGElement) + (event.key === "ArrowRight" ? 1 : -1)]?.focus();
    } else return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

<svelte:window onscroll={look} bind:innerHeight={tall} />

<div class="lg:h-full lg:overflow-y-auto" onscroll={look} bind:this={scroller}>
  <div {@attach room.measured} class="relative">
    {#if room.width}
      <svg {width} height={bottom + 6} viewBox="0 0 {width} {bottom + 6}" class="mx-auto block select-none" role="group" aria-label="{place.name}, cut open">
        <defs>
          <Hands />
          {#each patterns as [id, one] (id)}<FoodPattern {id} food={one.form} colour={one.colour} scale={0.66} />{/each}
        </defs>
        <path d={wall()} fill="var(--wall)" stroke="var(--ink)" stroke-width="2.6" stroke-linejoin="round" />
        {#if place.sort === "loft"}
          <path d="M{width / 2} 6V60M3 96H{width - 3}M{width * 0.25} 51V96M{width * 0.75} 51V96" stroke="var(--line)" stroke-width="5" />
          <path d="M3 96H{width - 3}" stroke="var(--ink)" stroke-width="1.4" />
        {:else if place.sort === "cellar"}
          {#each stones as stone, n (n)}<path d="M{stone.x} {stone.y}h{stone.w}" stroke="var(--line)" stroke-width="1.8" stroke-linecap="round" />{/each}
        {:else if cold}
          <path
            d="M13 {bottom - 2}V42Q13 16 39 16H{width - 39}Q{width - 13} 16 {width - 13} 42V{bottom - 2}"
            fill="var(--air)"
            stroke="var(--line)"
            stroke-width="2"
          />
          {#if place.sort === "fridge"}
            <rect x={width / 2 - 26} y="16" width="52" height="11" rx="5.5" fill="var(--yolk-pale)" stroke="var(--line)" stroke-width="2" />
          {:else}
            {#each Array.from({ length: Math.max(1, Math.floor((width - 60) / 64)) }, (_, n) => 46 + n * 64) as x, n (x)}
              <path d={frost(x, 30 + (n % 3) * 7, 6 + (n % 2) * 2)} stroke="var(--slate)" stroke-width="1.5" stroke-linecap="round" opacity=".6" />
            {/each}
          {/if}
        {:else}
          {#each Array.from({ length: Math.ceil(width / 74) }, (_, n) => n) as n (n)}<path
              d="M{n * 74 + 28} 8V{bottom - 2}"
              stroke="var(--line)"
              stroke-width="1"
              opacity=".7"
            />{/each}
        {/if}
        {#each shown as { board, y, height } (`${board.shelf}/${board.back}`)}
          <g data-shelf={board.shelf}>
            <rect
              x="4"
              y={y - height}
              width={width - 8}
              height={height + 10}
              fill={drag?.moved && drag.shelf === board.shelf ? "var(--yolk)" : "transparent"}
              opacity={drag?.moved ? 0.25 : 1}
            />
            {#each board.stacks as stack (stack.first.number)}
              {@const sought = found?.size ? stack.packages.some((each) => found.has(each.number)) : undefined}
              {@const shape = outline(drawings[stack.first.container] as Drawn, scale)}
              <g
                data-of={stack.first.number}
                class={drag?.moved && drag.stack.first.number === stack.first.number ? "opacity-40" : sought === false ? "grayscale" : ""}
                transform="translate({(SIDE + (stack.x + (stack.width - Math.min(2, stack.packages.length - 1) * 9) / 2) * scale).toFixed(1)} {y})"
              >
                <g aria-hidden="true">
                  <Standing
                    {lens}
                    {saying}
                    {stack}
                    {drawings}
                    {shortNames}
                    {scale}
                    rim={stack.outer ? rimOf(board, stack) * scale : 0}
                    chosen={sought ?? stack.packages.some((each) => each.number === chosen)}
                  />
                </g>
                <g
                  data-stack
                  role="button"
                  tabindex="0"
                  aria-label={say(stack)}
                  class="stack"
                  onpointerdown={(event) => down(event, stack)}
                  onclick={() => onopen(stack.first.number)}
                  onkeydown={(event) => onkeydown(event, stack)}
                >
                  <rect x={-shape.half - 3} y={-shape.top - 3} width={shape.half * 2 + 6} height={shape.top + 4} rx="6" fill="transparent" />
                </g>
              </g>
            {/each}
            {#each totes(board) as tote (tote.x)}
              <g transform="translate({SIDE + tote.x * scale} {y})" class="pointer-events-none">
                <path
                  d="M{4} 0H{tote.width * scale - 4}L{tote.width * scale} {-tote.height * scale * RIM}H0Z"
                  fill="var(--glass)"
                  fill-opacity=".93"
                  stroke="var(--ink)"
                  stroke-width="1.6"
                  stroke-linejoin="round"
                />
                <path d="M-4 {-tote.height * scale * RIM}H{tote.width * scale + 4}" stroke="var(--ink)" stroke-width="4" stroke-linecap="round" />
                <text x={(tote.width * scale) / 2} y={-tote.height * scale * RIM * 0.5 + 4} text-anchor="middle" font-size="12" fill="var(--soft)">tote</text>
              </g>
            {/each}
            <rect x="14" {y} width={width - 28} height="11" fill={cold ? "var(--lid)" : "var(--wood)"} stroke="var(--ink)" stroke-width="1.6" />
            {#if board.back}
              <text x="22" y={y - height + 20} font-size="12.5" fill="var(--soft)">shelf {board.shelf}, continued</text>
            {/if}
            {#if !board.stacks.length}
              <text x={width / 2} y={y - 50} text-anchor="middle" font-size="14" fill="var(--soft)">room on shelf {board.shelf}</text>
            {/if}
          </g>
        {/each}
      </svg>
    {/if}
    {#if drag?.moved}
      <div
        class="pointer-events-none fixed z-30 rounded-lg border-2 border-ink bg-yolk px-3 py-1.5 font-bold text-on-yolk shadow-lg"
        style="left:{drag.x + 14}px;top:{drag.y + 8}px"
      >
        {drag.stack.first.food}{drag.stack.packages.length > 1 ? ` ×${drag.stack.packages.length}` : ""}{drag.shelf ? ` → shelf ${drag.shelf}` : ""}
      </div>
    {/if}
  </div>
</div>

<style>
  .stack {
    cursor: pointer;
    outline: none;
    touch-action: pan-y;
  }
  .stack:focus-visible rect {
    stroke: var(--slate);
    stroke-width: 4;
  }
</style>
