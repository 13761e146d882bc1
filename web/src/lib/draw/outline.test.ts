import { describe, expect, it } from "vitest";
import { outline, type Drawn } from "./outline";
import { heap } from "./surface";

const flat = (kind: Drawn["kind"]): Drawn => ({
  kind,
  width_mm: 200,
  height_mm: 300,
  inner_mm: 275,
  seal_mm: 25,
  top_mm: 200,
  base_mm: 200,
  clear: false,
  mouth_mm: 0,
});
const stiff = (kind: Drawn["kind"], top = 100): Drawn => ({
  kind,
  width_mm: top,
  height_mm: 160,
  inner_mm: 160,
  seal_mm: 0,
  top_mm: top,
  base_mm: 100,
  clear: true,
  mouth_mm: 70,
});

const ALL: Drawn[] = [
  ...(["bag", "zip bag", "clear-front bag", "vacuum pouch", "shop packet"] as const).map(flat),
  ...(["jar", "bottle", "can"] as const).map((kind) => stiff(kind)),
  stiff("pail", 120),
  stiff("pail with liner", 120),
];

/** All numbers of a path, to see how far it reaches. */
const numbers = (path: string) => (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);

describe("outlines", () => {
  it.each(ALL)("of a $kind are drawn to scale", (drawn) => {
    const [small, large] = [outline(drawn, 0.5), outline(drawn, 1)];
    expect(large.half).toBeGreaterThanOrEqual(drawn.width_mm / 2);
    expect(large.half).toBeLessThan(drawn.width_mm / 2 + 14);
    expect(large.top).toBeGreaterThanOrEqual(drawn.height_mm);
    expect(large.top).toBeLessThan(drawn.height_mm * 1.2);
    expect(large.half / small.half).toBeCloseTo(2, 0);
  });

  it.each(ALL)("of a $kind have no broken numbers and keep inside their frame", (drawn) => {
    const shape = outline(drawn, 0.8);
    for (const path of [shape.body, shape.inside, shape.lines, shape.lid, shape.seal, shape.bail]) {
      expect(path).not.toMatch(/NaN|undefined|Infinity/);
      for (const value of numbers(path)) expect(Math.abs(value)).toBeLessThanOrEqual(shape.top + 1);
    }
  });

  it.each(ALL)("of a $kind hold the food between its walls at any height", (drawn) => {
    const shape = outline(drawn, 1);
    for (let level = 0; level <= drawn.inner_mm; level += 20) {
      expect(shape.halfAt(level)).toBeGreaterThan(0);
      expect(shape.halfAt(level)).toBeLessThanOrEqual(shape.half);
    }
  });

  it("give only film a seal and only stiff walls a lid", () => {
    for (const drawn of ALL) {
      const shape = outline(drawn, 1);
      expect(shape.seal !== "").toBe(drawn.seal_mm > 0);
      expect(shape.lid !== "").toBe(drawn.seal_mm === 0);
    }
  });

  it("of a pail widen upwards", () => {
    const shape = outline(stiff("pail", 130), 1);
    expect(shape.halfAt(150)).toBeGreaterThan(shape.halfAt(10));
  });
});

describe("the heap", () => {
  it("reaches from wall to wall and stays near its height", () => {
    const path = heap(100, 150, 3);
    const points = [...path.matchAll(/(-?\d+\.\d) (-?\d+\.\d)/g)].map((found) => [Number(found[1]), Number(found[2])] as const);
    expect(path.startsWith("M-104.0 ")).toBe(true);
    expect(Math.max(...points.map(([x]) => x))).toBeGreaterThanOrEqual(100);
    for (const [, y] of points.slice(1)) expect(Math.abs(y + 150)).toBeLessThan(4);
  });

  it("is the same every time", () => {
    expect(heap(80, 90, 1)).toBe(heap(80, 90, 1));
  });
});
