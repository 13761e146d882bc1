import { describe, expect, it } from "vitest";
import { latest } from "./latest";

/** Answers that come back when the test says so, each with what was asked at its start. */
function slow() {
  const waiting: (() => void)[] = [];
  const shown: string[] = [];
  const asked = { word: "" };
  const ask = latest(async () => {
    const word = asked.word;
    await new Promise<void>((done) => waiting.push(done));
    shown.push(word);
  });
  const say = (word: string) => {
    asked.word = word;
    return ask();
  };
  return { say, shown, answer: () => waiting.shift()?.(), waiting };
}

const settle = () => new Promise((done) => setTimeout(done));

describe("the last word", () => {
  it("is shown last, however slow the answers are", async () => {
    const { say, shown, answer } = slow();
    const all = [say("light"), say("active"), say("sitting")];
    answer();
    await settle();
    answer();
    await Promise.all(all);
    expect(shown).toEqual(["light", "sitting"]);
  });

  it("asks one question at a time", async () => {
    const { say, waiting, answer } = slow();
    void say("a");
    void say("b");
    expect(waiting.length).toBe(1);
    answer();
    await settle();
    expect(waiting.length).toBe(1);
  });

  it("asks anew once all is answered", async () => {
    const { say, shown, answer } = slow();
    const first = say("a");
    answer();
    await first;
    const second = say("b");
    answer();
    await second;
    expect(shown).toEqual(["a", "b"]);
  });

  it("goes on after a question that failed", async () => {
    let fails = true;
    let ran = 0;
    const ask = latest(async () => {
      ran += 1;
      if (fails) throw new Error("gone");
      await Promise.resolve();
    });
    await expect(ask()).rejects.toThrow("gone");
    fails = false;
    await ask();
    expect(ran).toBe(2);
  });
});
