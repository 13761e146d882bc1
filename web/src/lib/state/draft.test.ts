import { beforeEach, describe, expect, it, vi } from "vitest";
import { draft, keepDraft, sinceTold } from "./draft";

beforeEach(() => {
  const kept = new Map<string, string>();
  vi.stubGlobal("sessionStorage", {
    getItem: (name: string) => kept.get(name) ?? null,
    setItem: (name: string, value: string) => void kept.set(name, value),
    removeItem: (name: string) => void kept.delete(name),
  });
});

describe("what is typed and not told yet", () => {
  it("is there when it is come back to, each by its name", () => {
    keepDraft("meal-3", { name: "Soup" });
    keepDraft("diary", "2 cups rice");
    expect([draft("meal-3"), draft("diary"), draft("meal-4")]).toEqual([{ name: "Soup" }, "2 cups rice", undefined]);
  });

  it("is gone once it is told", () => {
    keepDraft("diary", "2 cups rice");
    keepDraft("diary", undefined);
    expect(draft("diary")).toBeUndefined();
  });

  it("is nothing if it cannot be read", () => {
    sessionStorage.setItem("yellow-larder-draft-diary", "{");
    expect(draft("diary")).toBeUndefined();
  });
});

describe("a form that was told", () => {
  const none = { line: "", price: "" };

  it("is empty again", () => {
    expect(sinceTold({ line: "2 kg oats", price: "3" }, { line: "2 kg oats", price: "3" }, none)).toEqual(none);
  });

  it("keeps what was typed meanwhile", () => {
    expect(sinceTold({ line: "1 kg rice", price: "3" }, { line: "2 kg oats", price: "3" }, none)).toEqual({ line: "1 kg rice", price: "" });
  });
});
