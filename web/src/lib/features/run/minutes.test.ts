import { describe, expect, it } from "vitest";
import { minutes } from "./run.svelte";

describe("the clock of a run", () => {
  it.each([
    [900, "15:00"],
    [899.2, "15:00"],
    [61, "1:01"],
    [0.3, "0:01"],
    [0, "0:00"],
    [-0.4, "−0:01"],
    [-92, "−1:32"],
  ])("%s s are %s", (seconds, text) => expect(minutes(seconds)).toBe(text));
});
