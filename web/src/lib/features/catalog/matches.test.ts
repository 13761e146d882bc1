import { describe, expect, it } from "vitest";
import { matches } from "./matches";

const FOODS = [
  { name: "rye flour", aliases: ["dark rye"] },
  { name: "wholemeal flour", aliases: [] },
  { name: "dried rose hips", aliases: [] },
  { name: "pearl barley", aliases: ["barley"] },
];
const names = (typed: string, most?: number) => matches(typed, FOODS, most).map((food) => food.name);

describe("matches", () => {
  it("are those of which every word is there, first", () => {
    expect(names("rye fl")[0]).toBe("rye flour");
    expect(names("flour")).toEqual(["rye flour", "wholemeal flour"]);
  });
  it("go by other names too", () => {
    expect(names("dark")).toEqual(["rye flour"]);
  });
  it("are some where only some words fit, and none where none does", () => {
    expect(names("bere barley")).toEqual(["pearl barley"]);
    expect(names("unicorn")).toEqual([]);
    expect(names("")).toEqual([]);
  });
  it("are no more than asked for", () => {
    expect(names("flour", 1)).toHaveLength(1);
  });
});
