import { describe, expect, it, vi } from "vitest";
import type { Answer } from "$lib/api/client";

vi.mock("./larder.svelte", () => ({ larder: { version: 0, reads: () => undefined } }));
const { Query, all } = await import("./query.svelte");
const { larder } = await import("./larder.svelte");

const good = <T>(data: T): Answer<T> => ({ data });
const bad = <T>(): Answer<T> => ({ wrong: { request: { message: "Can't reach the larder.", nearest: [] } } });

describe("what a page shows", () => {
  it("says why nothing came, and shows it once it does", async () => {
    const answers: Answer<number>[] = [bad<number>(), good(7)];
    const query = new Query(() => Promise.resolve(answers.shift() ?? bad<number>()));
    await query.again();
    expect([query.data, query.failed]).toEqual([undefined, "Can't reach the larder."]);
    await query.again();
    expect([query.data, query.failed]).toEqual([7, ""]);
  });

  it("keeps what it showed while the larder does not answer", async () => {
    const answers: Answer<number>[] = [good(7), bad<number>()];
    const query = new Query(() => Promise.resolve(answers.shift() ?? bad<number>()));
    await query.again();
    await query.again();
    expect([query.data, query.failed]).toEqual([7, "Can't reach the larder."]);
  });

  it("keeps what is as it stood, and takes what differs", async () => {
    const answers = [{ kept: 7 }, { kept: 7 }, { kept: 8 }].map(good);
    const [first, , last] = answers;
    const query = new Query(() => Promise.resolve(answers.shift() ?? bad<{ kept: number }>()));
    await query.again();
    await query.again();
    expect(query.data).toBe(first?.data);
    await query.again();
    expect(query.data).toBe(last?.data);
  });

  it("shows no more what is no more", async () => {
    const gone: Answer<number> = { wrong: { number: { message: "There is no package 7", nearest: [], code: "not-there" } } };
    const answers: Answer<number>[] = [good(7), gone];
    const query = new Query(() => Promise.resolve(answers.shift() ?? gone));
    await query.again();
    await query.again();
    expect([query.data, query.failed]).toEqual([undefined, "There is no package 7"]);
  });

  it("takes the answer that was asked for last, whichever comes first", async () => {
    const waiting: ((answer: Answer<string>) => void)[] = [];
    const query = new Query(() => new Promise<Answer<string>>((done) => waiting.push(done)));
    const first = query.again();
    const second = query.again();
    waiting[1]?.(good("new"));
    await second;
    waiting[0]?.(good("old"));
    await first;
    expect(query.data).toBe("new");
  });

  it("shows at once what it showed, unless something changed since", async () => {
    await new Query(() => Promise.resolve(good(7)), "page").again();
    expect(new Query(() => Promise.resolve(good(8)), "page").data).toBe(7);
    larder.version += 1;
    expect(new Query(() => Promise.resolve(good(8)), "page").data).toBeUndefined();
  });
});

describe("several answers as one", () => {
  it("are all of them, or what went wrong", async () => {
    expect(await all({ a: Promise.resolve(good(1)), b: Promise.resolve(good("x")) })).toEqual({ data: { a: 1, b: "x" } });
    expect((await all({ a: Promise.resolve(good(1)), b: Promise.resolve(bad<string>()) })).wrong?.request?.message).toBe("Can't reach the larder.");
  });
});
