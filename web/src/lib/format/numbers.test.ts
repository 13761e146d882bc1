import { describe, expect, it } from "vitest";
import { exact, few, tenths, whole } from "./numbers";

describe("numbers", () => {
  it.each([
    [whole, 12345.4, "12,345"],
    [whole, 0.4, "0"],
    [few, 3.44, "3.4"],
    [few, 9.96, "10.0"],
    [few, 1234.5, "1,235"],
    [tenths, 12.34, "12.3"],
    [tenths, 7, "7"],
    [exact, 1250.5, "1,250.5"],
  ])("%o of %d is %s", (say, value, said) => expect(say(value)).toBe(said));
});
