import { describe, expect, it } from "vitest";
import { boards, type Drawings, type OnShelf } from "./layout";

const drawing = (width_mm: number, height_mm: number): Drawings[string] => ({
  kind: "jar",
  width_mm,
  height_mm,
  inner_mm: height_mm,
  seal_mm: 0,
  top_mm: width_mm,
  base_mm: width_mm,
  clear: true,
  mouth_mm: 70,
});
const DRAWINGS: Drawings = { jar: drawing(90, 160), pail: drawing(290, 370) };

function stand(count: number, of: Partial<OnShelf> = {}, from = 1): OnShelf[] {
  return Array.from({ length: count }, (_, n) => ({
    number: from + n,
    food: "pearl barley",
    form: "grain",
    colour: "#d9b56a",
    container: "jar",
    mass: "700 g",
    level: 0.8,
    outer: false,
    place: 1,
    shelf: 1,
    batch: 1,
    left: 1,
    due: "fine",
    best_by: "Nov 2050",
    kcal_text: "1,000",
    open: false,
    ...of,
  }));
}

const all = (rows: ReturnType<typeof boards>) => rows.flatMap((board) => board.stacks.flatMap((stack) => stack.packages));

describe("boards", () => {
  it("are there for every shelf, empty ones too", () => {
    const rows = boards([], DRAWINGS, 3, 1000);
    expect(rows.map((board) => board.shelf)).toEqual([1, 2, 3]);
    expect(rows.every((board) => board.stacks.length === 0 && board.height > 0)).toBe(true);
  });

  it("show each package on its own where there is room", () => {
    const [board] = boards(stand(5), DRAWINGS, 1, 1000);
    expect(board?.stacks.map((stack) => stack.packages.length)).toEqual([1, 1, 1, 1, 1]);
  });

  it("put alike ones behind one another where there is not, the most numerous first", () => {
    const packages = [...stand(12), ...stand(2, { batch: 2 }, 20)];
    const [board] = boards(packages, DRAWINGS, 1, 700);
    expect(board?.stacks.map((stack) => stack.packages.length)).toEqual([12, 1, 1]);
  });

  it("never put behind one another what is not alike", () => {
    const packages = [...stand(4, { due: "past" }), ...stand(4, { due: "fine" }, 10), ...stand(4, { mass: "200 g" }, 20), ...stand(4, { outer: true }, 30)];
    for (const stack of boards(packages, DRAWINGS, 1, 300).flatMap((board) => board.stacks)) {
      expect(new Set(stack.packages.map((each) => `${each.due}${each.mass}${each.outer}`)).size).toBe(1);
    }
  });

  it.each([250, 600, 1200, 3000])("lose nothing and overlap nothing at %i mm", (width) => {
    const packages = [
      ...stand(30),
      ...stand(7, { batch: 2, container: "pail", shelf: 2 }, 40),
      ...Array.from({ length: 40 }, (_, n) => stand(3, { batch: 10 + n, shelf: 3, outer: n % 3 === 0 }, 100 + n * 3)).flat(),
    ];
    const rows = boards(packages, DRAWINGS, 3, width);
    expect(
      all(rows)
        .map((each) => each.number)
        .sort((a, b) => a - b),
    ).toEqual(packages.map((each) => each.number).sort((a, b) => a - b));
    for (const board of rows) {
      board.stacks.forEach((stack, n) => {
        const before = board.stacks[n - 1];
        if (before) expect(stack.x).toBeGreaterThanOrEqual(before.x + before.width);
        if (board.stacks.length > 1) expect(stack.x + stack.width).toBeLessThanOrEqual(width);
        expect(stack.height).toBeLessThanOrEqual(board.height);
        expect(stack.first.shelf).toBe(board.shelf);
      });
    }
  });

  it("go on below when a shelf is full of what is not alike", () => {
    const packages = Array.from({ length: 20 }, (_, n) => stand(1, { batch: n }, n + 1)).flat();
    const rows = boards(packages, DRAWINGS, 1, 600);
    expect(rows.length).toBeGreaterThan(2);
    expect(rows.map((board) => board.back)).toEqual(rows.map((_, n) => n));
  });

  it("keep what stands in a tote together", () => {
    const packages = stand(6).map((each, n) => ({ ...each, batch: n, outer: n % 2 === 0 }));
    const [board] = boards(packages, DRAWINGS, 1, 2000);
    expect(board?.stacks.map((stack) => stack.outer)).toEqual([false, false, false, true, true, true]);
  });

  it("take thousands at once", () => {
    const packages = Array.from({ length: 500 }, (_, n) => stand(10, { batch: n, shelf: 1 + (n % 6) }, n * 10)).flat();
    const start = performance.now();
    expect(all(boards(packages, DRAWINGS, 6, 1200)).length).toBe(5000);
    expect(performance.now() - start).toBeLessThan(1500);
  });
});
