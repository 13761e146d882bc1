import { expect, test } from "vitest";
import { degrees, shownDegrees, toCelsius } from "./degrees";

test("in the household's degrees", () => {
  expect(degrees(71.1, false)).toBe("71 °C");
  expect(degrees(71.1, true)).toBe("160 °F");
  expect(degrees(-18, true)).toBe("0 °F");
});

test("what is typed is what was shown", () => {
  for (const us of [true, false]) for (const celsius of [-40, -18, 0, 57.2, 100]) expect(toCelsius(shownDegrees(celsius, us), us)).toBeCloseTo(celsius, 9);
});
