import { describe, expect, it } from "vitest";
import { aOrAn, capital, counted, inRows, renamed } from "./words";

describe("words", () => {
  it("begin a line with a capital", () => {
    expect(capital("brown lentils")).toBe("Brown lentils");
    expect(capital("")).toBe("");
  });

  it("count one of a thing and many", () => {
    const days = [0, 0.5, 1, 1.001, 2, 1200].map((n) => counted(n, "day"));
    expect(days).toEqual(["0 days", "0.5 days", "1 day", "1 day", "2 days", "1,200 days"]);
    expect([1, 3].map((n) => counted(n, "line belongs", "lines belong"))).toEqual(["1 line belongs", "3 lines belong"]);
  });

  it("give a name its article, as it is spoken", () => {
    const names = ["quart jar", "ice cream tub", "8 L tote", "1 gal jar", "18 L pail", "used tin"];
    expect(names.map(aOrAn)).toEqual(["a quart jar", "an ice cream tub", "an 8 L tote", "a 1 gal jar", "an 18 L pail", "a used tin"]);
  });

  it("name a food otherwise in a line, the amount left as it was typed", () => {
    expect(renamed("two  7.5 lb bags of perl barlee", "perl barlee", "pearl barley")).toBe("two 7.5 lb bags of pearl barley");
    expect(renamed("barlee, 10 kg", "barlee", "barley")).toBe("barley, 10 kg");
    expect(renamed("10 kg", "", "barley")).toBe("10 kg");
    expect(renamed("10 kg oats", "rye", "barley")).toBe("10 kg oats");
  });

  it("say numbers in rows", () => {
    expect(inRows([82, 79, 81, 80])).toBe("79 to 82");
    expect(inRows([79, 80, 90])).toBe("79, 80, 90");
    expect(inRows([5])).toBe("5");
    expect(inRows([])).toBe("");
    expect(inRows([1, 2, 3, 7, 9, 10, 11])).toBe("1 to 3, 7, 9 to 11");
  });
});
