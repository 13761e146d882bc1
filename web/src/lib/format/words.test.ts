import { describe, expect, it } from "vitest";
import { capital, inRows, renamed } from "./words";

describe("words", () => {
  it("begin a line with a capital", () => {
    expect(capital("brown lentils")).toBe("Brown lentils");
    expect(capital("")).toBe("");
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
