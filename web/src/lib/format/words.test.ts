import { describe, expect, it } from "vitest";
import { capital, inRows } from "./words";

describe("words", () => {
  it("begin a line with a capital", () => {
    expect(capital("brown lentils")).toBe("Brown lentils");
    expect(capital("")).toBe("");
  });

  it("say numbers in rows", () => {
    expect(inRows([82, 79, 81, 80])).toBe("79 to 82");
    expect(inRows([79, 80, 90])).toBe("79, 80, 90");
    expect(inRows([5])).toBe("5");
    expect(inRows([])).toBe("");
    expect(inRows([1, 2, 3, 7, 9, 10, 11])).toBe("1 to 3, 7, 9 to 11");
  });
});
