import { describe, expect, it } from "vitest";
import { SQUARE, crest, form, moved, seeded, square, strew } from "./pieces";

const FORMS = ["grain", "rice", "bead", "pea", "split", "flake", "tube", "curl", "dust", "crystal", "ring", "slice", "leaf", "cap", "cube", "nut", "seed"];

const across = (d: number) => Math.min(Math.abs(d), SQUARE - Math.abs(d));

describe("strewn pieces", () => {
  it.each(FORMS)("of %s lie apart, across the seam too, so that the square repeats unseen", (name) => {
    const pieces = strew(name);
    const apart = form(name).apart * 0.86;
    expect(pieces.length).toBeGreaterThan(20);
    const nearest = pieces.flatMap((a, n) => pieces.slice(n + 1).map((b) => Math.hypot(across(a.x - b.x), across(a.y - b.y))));
    expect(nearest.reduce((a, b) => Math.min(a, b), Infinity)).toBeGreaterThan(apart);
  });

  it("are the same every time, so that a picture does not flicker as it is redrawn", () => {
    const [one, two] = [seeded("barley"), seeded("barley")];
    expect(Array.from({ length: 20 }, one)).toEqual(Array.from({ length: 20 }, two));
    expect(seeded("oats")()).not.toBe(seeded("barley")());
    expect(strew("grain")).toBe(strew("grain"));
  });

  it("fill the square: no hole is wider than two pieces lie apart", () => {
    for (const name of ["grain", "flake", "pea"]) {
      const pieces = strew(name);
      for (let x = 0; x < SQUARE; x += 6) {
        for (let y = 0; y < SQUARE; y += 6) {
          const nearest = Math.min(...pieces.map((piece) => Math.hypot(across(piece.x - x), across(piece.y - y))));
          expect(nearest).toBeLessThan(form(name).apart * 1.2);
        }
      }
    }
  });

  it("stand in a row on the crest of a heap, from wall to wall", () => {
    const row = crest("grain", 200, 1);
    expect(row[0]?.x).toBeLessThan(8);
    expect(row[row.length - 1]?.x).toBeGreaterThan(185);
    expect(row[row.length - 1]?.x).toBeLessThan(200);
  });

  it("of an unknown form are drawn as grain", () => {
    expect(form("moon dust")).toBe(form("grain"));
  });

  it.each(FORMS)("of %s make a square of a handful of paths, each piece in it", (name) => {
    const drawn = square(name);
    expect(drawn.layers.length).toBeLessThan(16);
    const starts = drawn.layers.join("").match(/M/g)?.length ?? 0;
    const each = form(name).outline.match(/M/g)?.length ?? 1;
    expect(starts).toBeGreaterThanOrEqual(strew(name).length * each);
    expect(square(name)).toBe(drawn);
    expect(square(name, 50).layers.join("").length).toBeLessThan(drawn.layers.join("").length);
  });

  it("lie where a transform would put them", () => {
    // A quarter turn takes (1, 0) to (0, 1); then twice the size, and moved by (10, 20).
    const piece = { x: 10, y: 20, turn: 90, size: 2 };
    expect(moved("M1 0L3-1H2V4h-1Z", piece)).toBe("M10 22L12 26L12 24L2 24L2 22Z");
    expect(moved("M2.3 0A2.3 2.3 0 1 1-2.3 0Z", piece)).toBe("M10 24.6A4.6 4.6 90 1 1 10 15.4Z");
    expect(moved("M0 0C1 0 0 1 1 1S2 0 3 0", { x: 0, y: 0, turn: 0, size: 1 })).toBe("M0 0C1 0 0 1 1 1S2 0 3 0");
  });
});
