import { expect, it } from "vitest";
import { course } from "./course";

it("draws the line, and the band there and back", () => {
  const points = [
    { days: 0, likely: 1, low: 0, high: 2 },
    { days: 10, likely: 3, low: 2, high: 4 },
  ];
  const drawn = course(points, (days) => days * 2, (value) => 10 - value);
  expect(drawn.line).toBe("M0.0 9.0L20.0 7.0");
  expect(drawn.band).toBe("M0.0 8.0L20.0 6.0L20.0 8.0L0.0 10.0Z");
});
