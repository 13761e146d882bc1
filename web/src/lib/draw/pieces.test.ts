import { describe, expect, it } from "vitest";
import { SQUARE, crest, form, seeded, strew } from "./pieces";

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
});
