import { beforeEach, describe, expect, it, vi } from "vitest";

const client = vi.hoisted(() => ({ overviews: [] as ((change: number) => void)[], undone: [] as number[] }));

vi.mock("$lib/api/client", () => ({
  onDiskTrouble: () => undefined,
  onRefused: () => undefined,
  onUnreached: () => undefined,
  onWaiting: () => undefined,
  whyNot: () => "",
  ask: (call: Promise<unknown>) => call,
  api: {
    GET: () => new Promise((done) => client.overviews.push((change) => done({ data: { can_undo: { change, title: "packed" } } }))),
    POST: (_: string, { body }: { body: { change: number } }) => {
      client.undone.push(body.change);
      return Promise.resolve({ data: "packed" });
    },
  },
}));

const settle = () => new Promise((done) => setTimeout(done));

async function answer(change: number): Promise<void> {
  await settle();
  client.overviews.shift()?.(change);
  await settle();
}

describe("undo", () => {
  beforeEach(() => {
    vi.resetModules();
    client.overviews.length = client.undone.length = 0;
  });

  it("pressed before the page knows its figures waits for them", async () => {
    const { larder } = await import("./larder.svelte");
    void larder.refresh();
    void larder.undo();
    await settle();
    expect(client.undone).toEqual([]);
    await answer(7);
    expect(client.undone).toEqual([7]);
  });

  it("names the change that came last, not the one an older answer tells of", async () => {
    const { larder } = await import("./larder.svelte");
    void larder.refresh();
    void larder.changed();
    void larder.undo();
    await answer(7);
    expect(client.undone).toEqual([]);
    await answer(8);
    expect(client.undone).toEqual([8]);
  });

  it("pressed twice takes back two changes, the later first", async () => {
    const { larder } = await import("./larder.svelte");
    void larder.refresh();
    void larder.undo();
    void larder.undo();
    await answer(8);
    await answer(7);
    expect(client.undone).toEqual([8, 7]);
  });
});
