import { expect, it } from "vitest";
import { along, anchor, between, frame, through } from "./frame";

const square = frame({ left: 10, right: 110, top: 0, foot: 50 }, { from: 0, to: 10 }, { from: 0, to: 5 });

it("puts the ends of a span at its edges, the foot below", () => {
  expect([square.x(0), square.x(10)]).toEqual([10, 110]);
  expect([square.y(0), square.y(5)]).toEqual([50, 0]);
});

it("gives each tenfold the same room", () => {
  const span = { from: 0.1, to: 1000, tenfold: true };
  expect([0.1, 1, 10, 100, 1000].map((value) => Number(along(span, value).toFixed(9)))).toEqual([0, 0.25, 0.5, 0.75, 1]);
});

it("draws the line, in steps where they are asked for, and the band there and back", () => {
  const points = [
    { days: 0, likely: 1, low: 0, high: 2 },
    { days: 10, likely: 3, low: 2, high: 4 },
  ];
  expect(through(points, (point) => [point.days, point.likely], square)).toBe("M10,40L110,20");
  expect(through(points, (point) => [point.days, point.likely], square, true)).toBe("M10,40L110,40L110,20");
  expect(between(points, (point) => [point.days, point.low, point.high], square)).toBe("M10,30L110,10L110,30L10,50Z");
});

it("draws nothing through no points", () => {
  expect(through([], () => [0, 0], square)).toBe("");
});

it("keeps the words of a mark inside", () => {
  expect([anchor(4, "1 h", 300), anchor(150, "1 y", 300), anchor(296, "40 y", 300)]).toEqual(["start", "middle", "end"]);
});
