import { describe, expect, it } from "vitest";
import { FEELS, feltAs, HEIGHTS, measuresOf } from "./warmth";

describe("what a place feels like", () => {
  it("is warmer at its warmest than over the year, whatever it is", () => {
    for (const [feel] of FEELS) expect(feltAs(feel).warmest_c).toBeGreaterThan(feltAs(feel).mean_c);
  });

  it("rises with the heights that are offered", () => {
    const metres = HEIGHTS.map(([each]) => each);
    expect(metres).toEqual([...metres].sort((a, b) => a - b));
  });

  it("is measured as the browser's country does", () => {
    expect(measuresOf("en-US")).toBe("US");
    expect(measuresOf("en-GB")).toBe("metric");
    expect(measuresOf("de")).toBe("metric");
  });
});
