import { expect, test } from "vitest";
import { degrees, readCelsius, shownDegrees, toCelsius, typedCelsius } from "./degrees";

test("in the household's degrees", () => {
  expect(degrees(71.1, false)).toBe("71 °C");
  expect(degrees(71.1, true)).toBe("160 °F");
  expect(degrees(-18, true)).toBe("0 °F");
});

test("what was kept to a hundredth is typed again as it was", () => {
  expect(typedCelsius(57.22, true)).toBe("135");
  expect(typedCelsius(null, true)).toBe("");
  for (const us of [true, false])
    for (const celsius of [35, 52.5, 57.22, 62.78]) expect(Math.round((readCelsius(typedCelsius(celsius, us), us) as number) * 100) / 100).toBe(celsius);
});

test("what is typed is what was shown", () => {
  for (const us of [true, false]) for (const celsius of [-40, -18, 0, 57.2, 100]) expect(toCelsius(shownDegrees(celsius, us), us)).toBeCloseTo(celsius, 9);
});
