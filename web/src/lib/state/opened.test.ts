import { describe, expect, it } from "vitest";
import { keeping } from "./opened";

const [one, two] = [{ number: 1 }, { number: 2 }];

describe("what is opened of many", () => {
  it("is what is asked for, else what is usual", () => {
    expect(keeping()([one, two], 2, one)).toBe(two);
    expect(keeping()([one, two], undefined, one)).toBe(one);
    expect(keeping()([], 3, undefined)).toBeUndefined();
  });

  it("stays while it is there, as it stands by now", () => {
    const choose = keeping();
    choose([one, two], undefined, one);
    const later = { number: 1 };
    expect(choose([two, later], undefined, two)).toBe(later);
    expect(choose([two], undefined, two)).toBe(two);
  });
});
