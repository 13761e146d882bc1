import { describe, expect, it } from "vitest";
import { hourMarks } from "./days";

const from = new Date(2026, 10, 29, 19, 23);
const words = (hours: number, wide: number) => hourMarks(from, hours, wide).map((each) => each.words);

describe("hours along a chart", () => {
  it("are whole hours of the clock, as many as there is room for", () => {
    expect(words(5, 600)).toEqual(["20:00", "21:00", "22:00", "23:00", "00:00"]);
    expect(words(10, 500)).toEqual(["20:00", "22:00", "00:00", "02:00", "04:00"]);
    expect(words(10, 200)).toEqual(["21:00", "00:00", "03:00"]);
  });

  it("name a day where it begins", () => {
    const marks = hourMarks(from, 60, 200);
    expect(marks.map((each) => each.words)).toEqual(["Mon", "Tue", "Wed"]);
    expect(marks[0]?.at).toBeCloseTo(4 + 37 / 60);
  });

  it("are the first moment where no hour is whole", () => {
    expect(words(0.4, 600)).toEqual(["19:23"]);
  });
});
