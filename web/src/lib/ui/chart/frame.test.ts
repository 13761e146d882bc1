import { expect, it } from "vitest";
import { along, anchor, between, frame, spaced, through } from "./frame";

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

it("leaves words out that would run into others, and never the first or the last", () => {
  const marks = ["1 h", "1 day", "week", "month", "1 y", "10 y", "40 y"].map((words, at) => ({ at, words }));
  const said = (apart: number) => spaced(marks, (at) => 20 + at * apart, 40 + 6 * apart).map((mark) => mark.words);
  expect(said(60)).toEqual(marks.map((mark) => mark.words));
  expect(said(32)).toEqual(["1 h", "1 day", "", "month", "1 y", "10 y", "40 y"]);
  for (let apart = 6; apart < 60; apart++) {
    const words = said(apart);
    expect([words[0], words.at(-1)]).toEqual(["1 h", "40 y"]);
    const shown = words.flatMap((each, at) => (each ? [{ at: 20 + at * apart, half: each.length * 3.4 }] : []));
    // Between the ends, where words hang in the middle of their mark.
    const within = shown.slice(1, -1);
    within.slice(1).forEach((each, n) => expect(each.at - each.half).toBeGreaterThan((within[n]?.at ?? 0) + (within[n]?.half ?? 0)));
  }
  expect(spaced([], (at) => at, 300)).toEqual([]);
});
