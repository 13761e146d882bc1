import { expect, test } from "vitest";
import { mass, weighed } from "./masses";

test("in the household's measures", () => {
  // Source: the avoirdupois ounce, NIST Handbook 44.
  expect(mass(412.4, false)).toBe("412 g");
  expect(mass(100, true)).toBe("3.5 oz");
  expect(mass(1417.5, true)).toBe("50 oz");
});

test("to go on from, no coarser than a scale shows", () => {
  for (const grams of [3, 61, 412, 4321]) expect(Math.abs(Number.parseFloat(weighed(grams, true).replace(",", "")) * 28.349523125 - grams)).toBeLessThan(0.15);
  expect(weighed(412.4, false)).toBe("412 g");
  expect(weighed(412.4, true)).toBe("14.55 oz");
});
