// Where absorbers lie in a container that is looked into, in px above its foot: pure drawing, no rules.
import type { Schemas } from "$lib/api/client";

export interface Lying {
  /** Its middle, from the middle of the container. */
  x: number;
  /** Its middle, above the foot. */
  up: number;
  w: number;
  h: number;
  /** How askew it lies, degrees. */
  turn: number;
  size: number;
}

export interface Space {
  scale: number;
  /** Half the width inside. */
  half: number;
  /** How high the food stands. */
  food: number;
  /** Below this is written what it weighs. */
  written: number;
  /** How high it is inside. */
  inner: number;
}

const GAP = 5;
/** How far below the top of the food they are tucked in. */
const TUCKED = 12;
/** What a crooked one needs more. */
const ASKEW = 6;
/** How much of a row shows where they are piled up: its rating does. */
const PILED = 0.62;
const MOST_OF_A_SIZE = 12;

/**
 * Rows of packets, tucked in under the top of the food; piled up on it, where the food is too shallow for them; closer
 * still, where there is too little room even so. None lies outside, and none over what is written but where nothing else
 * is left.
 */
export function lay(packets: Schemas["PacketShape"][], { scale, half, food, written, inner }: Space): Lying[] {
  const each = packets.flatMap((packet) => Array.from({ length: Math.min(packet.count, MOST_OF_A_SIZE) }, () => packet));
  const room = half * 2 * 0.86;
  const rows: { x: number; w: number; h: number; size: number }[][] = [];
  let used = Infinity;
  for (const packet of each) {
    const [w, h] = [packet.width_mm * scale, packet.length_mm * scale];
    if (used + w > room) rows.push([]);
    used = rows.at(-1)?.length ? used : 0;
    rows.at(-1)?.push({ x: used + w / 2, w, h, size: packet.size_ml });
    used += w + GAP;
  }
  const tall = rows.map((row) => Math.max(...row.map((packet) => packet.h)));
  const last = tall.at(-1) ?? 0;
  const all = tall.reduce((sum, one) => sum + one + GAP, -GAP);
  const lowest = Math.max(ASKEW, Math.min(written, inner - ASKEW - last));
  const highest = Math.min(inner - ASKEW, Math.max(food - TUCKED, lowest + last + (all - last) * PILED));
  /** How much of its height each row but the last keeps from the one under it. */
  const share = Math.min(1, Math.max(0, highest - lowest - last) / Math.max(1, all - last));
  let top = highest;
  let n = 0;
  return rows.flatMap((row, at) => {
    const width = row.reduce((sum, packet) => sum + packet.w + GAP, -GAP);
    const lying = row.map(({ x, w, h, size }) => ({ x: x - width / 2, up: top - h / 2, w, h, turn: ((n++ * 37) % 17) - 8, size }));
    top -= ((tall[at] ?? 0) + GAP) * share;
    return lying;
  });
}
