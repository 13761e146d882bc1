import { describe, expect, it } from "vitest";
import { added, asItIs, corrected, linesOf } from "./lines";

describe("lines as they are typed", () => {
  it("are split, trimmed, and empty ones left out", () => {
    expect(linesOf("6 jars rice\r\n\n  2 pails wheat \n")).toEqual(["6 jars rice", "2 pails wheat"]);
    expect(linesOf(" \n")).toEqual([]);
  });

  it("keep their own numbers as others come and go", () => {
    const lines = added([], ["a", "b"]);
    expect(added(lines.slice(1), ["c"]).map((each) => each.id)).toEqual([2, 3]);
  });

  it("are corrected where the words stand that nobody knows", () => {
    expect(corrected("2 qt jars Zuchini bits, vac", "zuchini bits", "dried courgettes")).toBe("2 qt jars dried courgettes, vac");
    expect(corrected("2 jars of that", "something", "rice")).toBe("rice, 2 jars of that");
    expect(corrected("2 jars", "", "rice")).toBe("rice, 2 jars");
  });

  it("are brought along from elsewhere as they were typed", () => {
    expect(new URL(asItIs(" 2 kg chicken, 50 % & more "), "http://here").searchParams.get("line")).toBe("2 kg chicken, 50 % & more");
  });
});
