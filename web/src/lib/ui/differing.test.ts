import { describe, expect, it } from "vitest";
import { differing } from "./differing";

describe("two versions of one record", () => {
  const labels = { name: "Name", people: "People", packet_sizes: "Absorbers", kcal: "kcal" };

  it("are told apart field by field", () => {
    const mine = { name: "A", people: 4, packet_sizes: [100, 300], kcal: null, hidden: 1 };
    const theirs = { name: "A", people: 5, packet_sizes: [100], kcal: 1800, hidden: 2 };
    expect(differing(mine, theirs, labels)).toEqual([
      { field: "people", label: "People", mine: "4", theirs: "5" },
      { field: "packet_sizes", label: "Absorbers", mine: "100, 300", theirs: "100" },
      { field: "kcal", label: "kcal", mine: "nothing", theirs: "1,800" },
    ]);
  });

  it("that are the same have nothing to tell", () => {
    expect(differing({ name: "" }, { name: null }, labels)).toEqual([]);
  });
});
