import { describe, expect, it } from "vitest";
import { lay, type Space } from "./packets";

const PACKET = (size_ml: number, count: number, width_mm: number, length_mm: number) => ({ size_ml, count, width_mm, length_mm });
const SMALL = PACKET(100, 1, 40, 50);
const LARGE = PACKET(2000, 1, 90, 110);
const JAR: Space = { scale: 1, half: 60, food: 100, written: 40, inner: 150 };

/** Every space from a jar to a pail, empty to full, with few and many packets. */
const ALL = [30, 60, 150].flatMap((half) =>
  [90, 150, 360].flatMap((inner) =>
    [0.05, 0.3, 0.7, 1].flatMap((full) =>
      [[SMALL], [{ ...SMALL, count: 3 }], [{ ...SMALL, count: 40 }], [LARGE, { ...SMALL, count: 5 }]].map((packets) => ({
        packets,
        space: { scale: 0.7, half, inner, food: inner * full, written: Math.max(34, inner * full * 0.2) + 28 },
      })),
    ),
  ),
);

describe("absorbers in a container", () => {
  it("lie inside it, whatever it is and however many they are", () => {
    expect(ALL.length).toBe(144);
    for (const { packets, space } of ALL) {
      for (const each of lay(packets, space)) {
        expect(each.up - each.h / 2).toBeGreaterThanOrEqual(0);
        if (each.h + 12 <= space.inner) expect(each.up + each.h / 2).toBeLessThanOrEqual(space.inner);
        if (each.w <= space.half * 1.72) expect(Math.abs(each.x) + each.w / 2).toBeLessThanOrEqual(space.half);
      }
    }
  });

  it("leave free what is written, wherever one has room above it", () => {
    for (const { packets, space } of ALL) {
      const lying = lay(packets, space);
      const tallest = Math.max(...lying.map((each) => each.h));
      if (space.inner - space.written - tallest < 12) continue;
      for (const each of lying) expect(each.up - each.h / 2).toBeGreaterThanOrEqual(space.written - 1e-9);
    }
  });

  it("are tucked in under the top of the food if it is deep enough", () => {
    const [one] = lay([SMALL], { ...JAR, food: 120 });
    expect((one?.up ?? 0) + 25).toBeCloseTo(108);
  });

  it("stick out of food that is shallow, piled up, and closer where there is too little room even so", () => {
    const [one] = lay([SMALL], { ...JAR, food: 30 });
    expect((one?.up ?? 0) - 25).toBeCloseTo(40);
    const three = lay([{ ...SMALL, count: 3, width_mm: 80 }], JAR);
    expect(three.map((each) => Math.round(each.up))).toEqual([119, 92, 65]);
  });

  it("are as many as go in, and no more than can be told apart", () => {
    expect(lay([{ ...SMALL, count: 3 }, LARGE], JAR).map((each) => each.size)).toEqual([100, 100, 100, 2000]);
    expect(lay([{ ...SMALL, count: 40 }], JAR)).toHaveLength(12);
    expect(lay([], JAR)).toEqual([]);
  });
});
