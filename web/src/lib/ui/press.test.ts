import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { presses } from "./press";

describe("what waits for a press", () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  const waiting = (letGo: () => Promise<void>) => {
    const seen = { gone: false };
    void letGo().then(() => (seen.gone = true));
    return seen;
  };

  it("does not wait when nothing is pressed", async () => {
    const seen = waiting(presses(new EventTarget()));
    await vi.advanceTimersByTimeAsync(0);
    expect(seen.gone).toBe(true);
  });

  it("does not wait for what follows the finger", async () => {
    const page = new EventTarget();
    const letGo = presses(page, () => false);
    page.dispatchEvent(new Event("pointerdown"));
    const seen = waiting(letGo);
    await vi.advanceTimersByTimeAsync(0);
    expect(seen.gone).toBe(true);
  });

  it("goes on once the pointer is up, after the click", async () => {
    const page = new EventTarget();
    const letGo = presses(page, () => true);
    page.dispatchEvent(new Event("pointerdown"));
    const seen = waiting(letGo);
    await vi.advanceTimersByTimeAsync(80);
    expect(seen.gone).toBe(false);
    page.dispatchEvent(new Event("pointerup"));
    await Promise.resolve();
    expect(seen.gone).toBe(false);
    await vi.advanceTimersByTimeAsync(0);
    expect(seen.gone).toBe(true);
    expect(waiting(letGo).gone).toBe(false);
  });

  it("listens for the end of a press no longer than that", async () => {
    const page = new EventTarget();
    presses(page, () => true);
    page.dispatchEvent(new Event("pointerdown"));
    page.dispatchEvent(new Event("pointerup"));
    await vi.advanceTimersByTimeAsync(1000);
    page.dispatchEvent(new Event("pointercancel"));
    expect(vi.getTimerCount()).toBe(0);
  });

  it("goes on under a finger that rests, and when the browser takes the press for a swipe", async () => {
    const page = new EventTarget();
    const letGo = presses(page, () => true);
    page.dispatchEvent(new Event("pointerdown"));
    const rested = waiting(letGo);
    await vi.advanceTimersByTimeAsync(700);
    expect(rested.gone).toBe(true);
    page.dispatchEvent(new Event("pointerdown"));
    const swiped = waiting(letGo);
    page.dispatchEvent(new Event("pointercancel"));
    await vi.advanceTimersByTimeAsync(0);
    expect(swiped.gone).toBe(true);
  });
});
