<!-- The containers, drawn to scale, with the air told apart from the food and the headspace to drag. -->
<script lang="ts">
  import { whole } from "$lib/format/numbers";
  import { aOrAn } from "$lib/format/words";
  import type { Schemas } from "$lib/api/client";
  import FoodPattern from "$lib/draw/FoodPattern.svelte";
  import Hands from "$lib/draw/Hands.svelte";
  import Container from "$lib/draw/Container.svelte";
  import { outline } from "$lib/draw/outline";
  import { lay } from "$lib/draw/packets";
  import { Room } from "$lib/ui/room.svelte";

  let {
    plan,
    pressed,
    us,
    outer,
    onheadspace,
  }: {
    plan: Schemas["Plan"];
    pressed: boolean;
    us: boolean;
    /** Whether they stand in a pail, tote or bin. */
    outer: boolean;
    /** Done once it is drawn so. */
    onheadspace: (mm: number) => Promise<void>;
  } = $props();

  const room = new Room("stage", { width: 600, height: 420 });
  const { width, height } = $derived(room);
  /** Where the finger is that drags the headspace: the handle stays under it, whatever the next plan is like. */
  let dragging = $state<number>();

  const LEFT = 126;
  const RIGHT = 118;
  const FOOT = 40;
  const full = $derived(plan.full);
  const others = $derived(Math.min(3, full.count - 1));
  /** How much of each one behind shows, as a share of the width. */
  const PEEP = 0.13;
  const narrow = $derived(width < 520);
  const left = $derived(narrow ? 84 : LEFT);
  const right = $derived(narrow ? 96 : RIGHT);
  const spread = $derived(1 + others * PEEP + (plan.rest ? 0.9 : 0));
  /** While the headspace is dragged nothing else may move, or the handle would slip from under the finger. */
  let held = $state<number>();
  const scale = $derived(held ?? Math.min((height - FOOT - 34) / (plan.draw.height_mm * 1.07), (width - left - right - 8) / (plan.draw.width_mm * spread)));
  const shape = $derived(outline(plan.draw, scale));
  let heldX = $state<number>();
  const x = $derived(heldX ?? left + shape.half + (width - left - right - shape.half * 2 * spread) / 2);
  const y = $derived(height - FOOT);
  const inner = $derived(plan.draw.inner_mm * scale);
  const line = $derived(dragging ?? y - (plan.draw.inner_mm - full.headspace_mm) * scale);
  const food = $derived(y - full.food_height_mm * scale);
  const backX = (n: number) => x + shape.half * 2 * PEEP * n;
  const endX = $derived(x + shape.half + shape.half * 2 * PEEP * others);
  const restScale = $derived(scale * 0.72);
  const restX = $derived(endX + 26 + plan.draw.width_mm * restScale * 0.5);
  /** Bags and bottles stand in something rodents cannot chew: drawn round them, low enough to see over. */
  const tote = $derived(
    outer && plan.draw.kind !== "pail" && plan.draw.kind !== "pail with liner" && held === undefined
      ? { left: x - shape.half - 5, right: plan.rest ? restX + (plan.draw.width_mm * restScale) / 2 + 8 : endX + 8, tall: shape.top * 0.36 }
      : undefined,
  );

  const step = $derived(us ? 25.4 : 50);
  const ticks = $derived(
    Array.from({ length: Math.floor(plan.draw.height_mm / step) + 1 }, (_, n) => ({
      y: y - n * step * scale,
      text: us ? (n % 4 === 0 ? `${n} in` : "") : n % 2 === 0 ? `${n * 5}${n * 5 >= plan.draw.height_mm / 10 - 9 ? " cm" : ""}` : "",
    })),
  );

  /** What it weighs is written near its foot, this high. */
  const filled = $derived(full.food_height_mm * scale);
  const weightY = $derived(Math.max(34, filled * 0.2));
  const packets = $derived(
    lay(full.packets, { scale, half: Math.min(shape.halfAt(weightY), shape.halfAt(filled)), food: filled, written: weightY + 28, inner }),
  );

  const most = $derived(plan.draw.inner_mm - 10);
  const within = (mm: number) => Math.min(most, Math.max(0, mm));

  function toHeadspace(event: PointerEvent) {
    const box = (event.currentTarget as SVGGElement).ownerSVGElement?.getBoundingClientRect();
    if (!box) return;
    const mm = within(plan.draw.inner_mm - (y - (event.clientY - box.top)) / scale);
    dragging = y - (plan.draw.inner_mm - mm) * scale;
    void bring(Math.round(mm));
  }

  /** What it has been brought to and is not drawn yet: the next press of a key counts from there. */
  let asked = $state<number>();
  const headspace = $derived(asked ?? full.headspace_mm);

  async function bring(mm: number) {
    asked = mm;
    await onheadspace(mm);
    if (asked === mm) asked = undefined;
  }

  function release() {
    dragging = held = heldX = undefined;
  }

  function onkeydown(event: KeyboardEvent) {
    const steps: Record<string, number> = { ArrowUp: -2, ArrowDown: 2, PageUp: -20, PageDown: 20 };
    const by = steps[event.key];
    if (by === undefined) return;
    event.preventDefault();
    void bring(within(Math.round(headspace) + by));
  }

  const gauge = $derived.by(() => {
    const total = full.solid_ml + full.between_ml + full.headspace_ml;
    const tall = Math.min(inner, height - FOOT - 60);
    const solid = (full.solid_ml / total) * tall;
    const between = (full.between_ml / total) * tall;
    return { tall, solid, between, above: tall - solid - between };
  });
  const gx = $derived(width - (narrow ? 78 : 100));
</script>

<div class="relative h-full min-h-72 w-full md:min-h-80" {@attach room.measured}>
  <svg
    {width}
    {height}
    viewBox="0 0 {width} {height}"
    role="group"
    aria-label="{full.count} × {full.mass} {plan.food.name} in {aOrAn(plan.container_name)}, drawn to scale"
    class="absolute inset-0 touch-pan-y select-none"
  >
    <defs>
      <Hands />
      {#key `${plan.food.form}${plan.food.colour}`}
        <FoodPattern id="food" food={plan.food.form} colour={plan.food.colour} />
      {/key}
    </defs>

    <!-- the bench -->
    <path d="M{left - 24} {y}H{width - (narrow ? 46 : 66)}" stroke="var(--ink)" stroke-width="2.2" stroke-linecap="round" />
    <path
      d="M{left - 4} {y + 6}H{width - right - 30}M{left + 44} {y + 11}H{width - right - 110}"
      stroke="var(--line)"
      stroke-width="1.4"
      stroke-linecap="round"
    />

    <!-- the measure -->
    <g font-size="12" fill="var(--soft)" stroke="var(--soft)">
      {#each ticks as tick, n (n)}
        {@const beside = narrow && tick.y > line - 34 && tick.y < line + 42}
        {#if !beside}<path d="M12 {tick.y}h{tick.text ? 9 : 5}" stroke-width="1.3" />{/if}
        {#if tick.text && n && !beside}<text x="26" y={tick.y + 4} stroke="none">{tick.text}</text>{/if}
      {/each}
    </g>

    <!-- the tote that keeps mice off -->
    {#if tote}
      <path
        d="M{tote.left - 7} {y - tote.tall}H{tote.right + 7}V{y - tote.tall + 11}H{tote.right + 1}L{tote.right - 5} {y}H{tote.left + 5}L{tote.left - 1} {y -
          tote.tall +
          11}H{tote.left - 7}Z"
        fill="var(--cream)"
        stroke="var(--soft)"
        stroke-width="1.6"
        stroke-linejoin="round"
      />
    {/if}

    <!-- the others, behind -->
    {#each Array.from({ length: others }, (_, n) => others - n) as n (n)}
      <g transform="translate({backX(n)} {y})">
        <path d={shape.body} fill="var(--foil)" stroke="var(--ink)" stroke-width="1.4" />
        {#if shape.seal}<path d={shape.seal} fill="none" stroke="var(--ink)" stroke-width="1.1" />{/if}
        {#if shape.lid}<path d={shape.lid} fill="var(--lid)" stroke="var(--ink)" stroke-width="1.2" />{/if}
      </g>
    {/each}

    <!-- the last one, with the rest -->
    {#if plan.rest && held === undefined}
      <g transform="translate({restX} {y})">
        <Container
          id="rest"
          drawn={plan.draw}
          scale={restScale}
          level={plan.rest.food_height_mm}
          pattern="food"
          food={plan.food.form}
          colour={plan.food.colour}
          {pressed}
          fine={false}
        />
      </g>
      <text x={restX} y={y + 27} text-anchor="middle" font-size="13.5" fill="var(--soft)">and a last {plan.rest.mass}</text>
    {/if}

    <!-- the one looked into -->
    <g transform="translate({x} {y})">
      <Container id="one" drawn={plan.draw} {scale} level={full.food_height_mm} pattern="food" food={plan.food.form} colour={plan.food.colour} {pressed} />
      {#each packets as packet, n (n)}
        <g transform="translate({packet.x.toFixed(1)} {(-packet.up).toFixed(1)}) rotate({packet.turn})">
          <rect
            x={-packet.w / 2}
            y={-packet.h / 2}
            width={packet.w}
            height={packet.h}
            rx="2.5"
            fill="var(--label)"
            stroke="var(--label-ink)"
            stroke-width="1.6"
          />
          <rect
            x={-packet.w / 2 + 3}
            y={-packet.h / 2 + 3}
            width={Math.max(1, packet.w - 6)}
            height={Math.max(1, packet.h - 6)}
            fill="none"
            stroke="var(--alarm)"
            stroke-width="1"
            stroke-dasharray="2 1.6"
          />
          <text
            y={Math.min(15, packet.w * 0.36) * 0.36}
            text-anchor="middle"
            font-size={Math.min(15, packet.w * 0.36)}
            font-weight="700"
            fill="var(--label-ink)">{packet.size}</text
          >
        </g>
      {/each}
      <g text-anchor="middle" stroke="var(--paper)" stroke-width="5" paint-order="stroke" stroke-linejoin="round" fill="var(--ink)">
        <text y={-weightY} font-size={narrow ? 22 : 29} font-weight="750">{full.mass}</text>
      </g>
    </g>
    {#if tote}
      <g fill="none" stroke="var(--soft)" stroke-width="1.6" stroke-linejoin="round">
        <path d="M{tote.left - 7} {y - tote.tall}H{tote.right + 7}V{y - tote.tall + 11}H{tote.left - 7}Z" fill="var(--cream)" fill-opacity=".35" />
        <path d="M{tote.left - 1} {y - tote.tall + 11}L{tote.left + 5} {y}H{tote.right - 5}L{tote.right + 1} {y - tote.tall + 11}" />
      </g>
      <text
        x={tote.right + 2}
        y={y - tote.tall - 7}
        text-anchor="end"
        font-size="12.5"
        fill="var(--soft)"
        stroke="var(--paper)"
        stroke-width="4"
        paint-order="stroke">in a tote</text
      >
    {/if}
    {#if full.count > 1}
      <text x={plan.rest ? x : (x + endX) / 2} y={y + 27} text-anchor="middle" font-size="14" fill="var(--ink)" font-weight="700">× {full.count}, alike</text>
    {:else if !plan.rest}
      <text {x} y={y + 27} text-anchor="middle" font-size="13.5" fill="var(--soft)">{plan.container_size}</text>
    {/if}

    <!-- the air, told apart -->
    <g transform="translate({gx} {y})" font-size="12.5">
      <rect x="0" y={-gauge.tall} width="24" height={gauge.tall} fill="var(--paper)" />
      <rect x="0" y={-gauge.solid} width="24" height={gauge.solid} fill="color-mix(in oklab, {plan.food.colour} 72%, var(--food-paper))" />
      <rect x="0" y={-gauge.solid - gauge.between} width="24" height={gauge.between} fill="var(--air)" />
      <rect x="0" y={-gauge.solid - gauge.between} width="24" height={gauge.between} fill="url(#food)" opacity=".3" />
      {#if gauge.above > 0.5}
        <rect x="0" y={-gauge.tall} width="24" height={gauge.above} fill="var(--air)" />
        <rect x="0" y={-gauge.tall} width="24" height={gauge.above} fill="url(#air)" />
        <path d="M0 {-gauge.tall + gauge.above}H24" stroke="var(--ink)" stroke-width="1.2" />
      {/if}
      <path d="M0 {-gauge.solid}H24" stroke="var(--ink)" stroke-width="1.4" />
      <rect x="0" y={-gauge.tall} width="24" height={gauge.tall} fill="none" stroke="var(--ink)" stroke-width="1.8" />
      <g transform="translate(31 {-Math.max(gauge.solid / 2, 19)})" fill="var(--ink)">
        <text font-weight="700">{whole(full.solid_ml)}{narrow ? "" : " mL"}</text><text y="15" fill="var(--soft)">solid</text>
      </g>
      <g transform="translate(31 {-gauge.solid - Math.max(38, (gauge.between + gauge.above) / 2 + 10)})" fill="var(--slate)">
        <text font-weight="700">{whole(full.void_ml)}{narrow ? "" : " mL"}</text><text y="15">air</text>
        {#if plan.closing === "absorber"}
          <text y="33" font-weight="700">{whole(full.oxygen_ml)}{narrow ? "" : " mL"}</text><text y="48">oxygen</text>
        {/if}
      </g>
    </g>

    <!-- the headspace, to drag -->
    <g stroke="var(--ink)">
      <path d="M{x - shape.half - 4} {line}H{x + shape.half + 8}" stroke-width="1.5" stroke-dasharray="5 4" />
      {#if dragging !== undefined && Math.abs(line - food) > 3}
        <path d="M{x - shape.half + 6} {food}H{x + shape.half - 6}" stroke="var(--slate)" stroke-width="1" />
      {/if}
    </g>
    <g
      role="slider"
      tabindex="0"
      aria-label="Headspace, to drag"
      aria-orientation="vertical"
      aria-valuemin="0"
      aria-valuemax={Math.round(most)}
      aria-valuenow={Math.round(headspace)}
      aria-valuetext={full.headspace}
      class="handle cursor-ns-resize touch-none outline-none"
      transform="translate({x - shape.half - 20} {line})"
      {onkeydown}
      onpointerdown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        held = scale;
        heldX = x;
        toHeadspace(event);
      }}
      onpointermove={(event) => dragging !== undefined && toHeadspace(event)}
      onpointerup={release}
      onpointercancel={release}
    >
      <circle r="23" fill="transparent" />
      <circle class="knob" r="13" fill="var(--yolk)" stroke="var(--on-yolk)" stroke-width="2" />
      <path
        d="M0-6.500V6.500M-3-3.500L0-6.500L3-3.500M-3 3.500L0 6.500L3 3.5"
        fill="none"
        stroke="var(--label-ink)"
        stroke-width="1.8"
        stroke-linecap="round"
        stroke-linejoin="round"
      />
      <g text-anchor="end" font-size="12.5" stroke="var(--paper)" stroke-width="4" paint-order="stroke" fill="var(--ink)">
        <text y="-20" x="14">headspace</text>
        <text y="31" x="14" font-weight="700" font-size="13.5">{full.headspace}</text>
      </g>
    </g>
  </svg>
</div>

<style>
  .handle:focus-visible .knob {
    stroke: var(--slate);
    stroke-width: 5;
  }
</style>
