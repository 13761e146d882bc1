import { describe, expect, it } from "vitest";
import { exact, few, readNumber, tenths, whole, sentCount } from "./numbers";

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

describe("numbers as they are typed", () => {
  it.each([
    ["2,5", 2.5],
    ["2.5", 2.5],
    [" 12 ", 12],
    ["-18,5", -18.5],
    ["1,000", 1000],
    ["1,234,567.5", 1234567.5],
    ["1 000", 1000],
    ["1\u202f234,5", 1234.5],
    ["1.234,5", 1234.5],
    ["1.250", 1.25],
    ["0.125", 0.125],
    ["2½", 2.5],
    ["½", 0.5],
    ["0,5", 0.5],
    [".5", 0.5],
    ["", null],
    ["12 bags", "12 bags"],
    ["1e9", "1e9"],
    ["1,2,3", "1,2,3"],
    ["--2", "--2"],
  ])("%s is %s", (typed, read) => expect(readNumber(typed)).toBe(read));
});

describe("counts", () => {
  it.each([
    ["1.000", 1000],
    ["1,000", 1000],
    ["1 200", 1200],
    ["12.345.678", 12345678],
    ["12", 12],
    ["2.5", 2.5],
    ["12 bags", "12 bags"],
    ["", null],
  ])("%s", (typed, means) => expect(sentCount(typed)).toBe(means));
});
