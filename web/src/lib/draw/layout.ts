// Where packages stand in the picture of a place: pure arrangement, in mm. What stands on which shelf is the larder's.
import type { Schemas } from "$lib/api/client";

export type OnShelf = Schemas["OnShelf"];
export type Drawings = Record<string, Schemas["Drawing"]>;

/** Packages drawn as one: a single one, or alike ones behind one another. */
export interface Stack {
  packages: OnShelf[];
  first: OnShelf;
  width: number;
  height: number;
  /** Left edge on its board. */
  x: number;
  outer: boolean;
}

/** A board with what stands on it. A shelf that is fuller than it is wide has more boards, further back. */
export interface Board {
  shelf: number;
  back: number;
  stacks: Stack[];
  height: number;
}

const GAP = 16;
const BEHIND = 9;
const LID = 18;
const BOTTOM = 150;
/** Foot room of an empty shelf. */
export const EMPTY = BOTTOM;

/** The boards of a place, from the top shelf down. */
export function boards(packages: OnShelf[], drawings: Drawings, shelves: number, width: number): Board[] {
  return Array.from({ length: shelves }, (_, n) => n + 1).flatMap((shelf) => {
    const here = packages.filter((each) => each.shelf === shelf);
    return fill(shelf, here, drawings, width);
  });
}

function fill(shelf: number, here: OnShelf[], drawings: Drawings, width: number): Board[] {
  const sorted = [...here].sort((a, b) => Number(a.outer) - Number(b.outer) || a.number - b.number);
  const alike = groups(sorted);
  // Each on its own, if there is room; else the most numerous are drawn one behind the other.
  let stacks = alike.flatMap((group) => group.map((each) => stack([each], drawings)));
  const behind = new Set<OnShelf[]>();
  const bySize = [...alike].filter((group) => group.length > 1).sort((a, b) => b.length - a.length);
  for (const group of bySize) {
    if (needed(stacks) <= width) break;
    behind.add(group);
    stacks = alike.flatMap((each) => (behind.has(each) ? [stack(each, drawings)] : each.map((one) => stack([one], drawings))));
  }
  const found: Board[] = [];
  let row: Stack[] = [];
  let used = GAP;
  const close = () => {
    const height = Math.max(EMPTY, ...row.map((each) => each.height));
    found.push({ shelf, back: found.length, stacks: row, height });
    row = [];
    used = GAP;
  };
  for (const each of stacks) {
    if (row.length && used + each.width + GAP > width) close();
    each.x = used;
    used += each.width + GAP;
    row.push(each);
  }
  close();
  return found;
}

/** The same for packages that are just alike: out of one packing, with as much in them, closed alike, as long to last. */
export const alikeKey = (one: OnShelf): string => [one.batch, one.container, one.mass, one.due, one.outer, one.open, one.best_by].join("/");

function groups(packages: OnShelf[]): OnShelf[][] {
  const found = new Map<string, OnShelf[]>();
  for (const each of packages) {
    const key = alikeKey(each);
    found.set(key, [...(found.get(key) ?? []), each]);
  }
  return [...found.values()];
}

function stack(packages: OnShelf[], drawings: Drawings): Stack {
  const first = packages[0] as OnShelf;
  const drawn = drawings[first.container] as Schemas["Drawing"];
  const deep = Math.min(2, packages.length - 1);
  return {
    packages,
    first,
    width: drawn.width_mm + 10 + deep * BEHIND,
    height: drawn.height_mm + LID + deep * 4,
    x: 0,
    outer: first.outer,
  };
}

function needed(stacks: Stack[]): number {
  return stacks.reduce((sum, each) => sum + each.width + GAP, GAP);
}
