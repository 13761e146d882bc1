import { expect, it, vi } from "vitest";

const shown = vi.hoisted(() => vi.fn(() => Promise.resolve()));
vi.mock("./larder.svelte", () => ({ larder: { shown } }));
const { turns } = await import("./turn");

it("begins each once what the one before changed is shown", async () => {
  const inTurn = turns();
  const told: string[] = [];
  shown.mockImplementation(async () => void told.push("shown"));
  await Promise.all(["a", "b"].map((each) => inTurn(each, async () => void told.push(each))));
  expect(told).toEqual(["a", "shown", "b", "shown"]);
});

it("takes the same again for the same press until it is done, and for another after that", async () => {
  const inTurn = turns();
  const act = vi.fn(async () => undefined);
  await Promise.all([inTurn({ length: "1 year" }, act), inTurn({ length: "1 year" }, act)]);
  expect(act).toHaveBeenCalledTimes(1);
  await new Promise((done) => setTimeout(done));
  await inTurn({ length: "1 year" }, act);
  expect(act).toHaveBeenCalledTimes(2);
});

it("keeps nothing back because of what went wrong before", async () => {
  const inTurn = turns();
  const act = vi.fn(async () => undefined);
  const first = inTurn("a", () => Promise.reject(new Error("gone")));
  const second = inTurn("b", act);
  await expect(first).rejects.toThrow("gone");
  await second;
  expect(act).toHaveBeenCalledTimes(1);
});
