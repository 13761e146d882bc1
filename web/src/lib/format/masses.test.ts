import { expect, test } from "vitest";
import { mass } from "./masses";

test("in the household's measures", () => {
  // Source: the avoirdupois ounce, NIST Handbook 44.
  expect(mass(412.4, false)).toBe("412 g");
  expect(mass(100, true)).toBe("3.5 oz");
  expect(mass(1417.5, true)).toBe("50 oz");
});
