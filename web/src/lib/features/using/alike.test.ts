import { expect, test } from "vitest";
import { someOf } from "./alike";

test("so many of those alike, the one that is looked at first", () => {
  expect(someOf(36, [35, 36, 37, 38], 1)).toEqual([36]);
  expect(someOf(36, [35, 36, 37, 38], 3)).toEqual([36, 35, 37]);
  expect(someOf(36, [35, 36, 37, 38], 4)).toEqual([36, 35, 37, 38]);
  expect(someOf(36, [], 5)).toEqual([36]);
});
