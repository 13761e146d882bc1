import { describe, expect, it } from "vitest";
import { ask, wrongs } from "./client";

describe("refusals", () => {
  it("are told apart by field", () => {
    const problem = { title: "That does not go", status: 422, detail: "x", errors: [{ field: "fill", message: "More than fits" }, { field: "line", message: "Unknown", nearest: ["oats"] }] };
    expect(wrongs(problem)).toEqual({ fill: { message: "More than fits", nearest: [] }, line: { message: "Unknown", nearest: ["oats"] } });
  });

  it("say so when the larder does not answer", async () => {
    const done = await ask(Promise.reject(new TypeError("fetch failed")));
    expect(done.data).toBeUndefined();
    expect(done.wrong?.request?.message).toContain("does not answer");
  });

  it("fall back on the detail of a problem without fields", () => {
    expect(wrongs({ detail: "That is more than 8 MB" }).request?.message).toBe("That is more than 8 MB");
  });

  it("are not seen where there are none", async () => {
    expect(await ask(Promise.resolve({ data: 3 }))).toEqual({ data: 3 });
  });
});
