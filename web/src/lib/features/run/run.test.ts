import { beforeEach, describe, expect, it, vi } from "vitest";
import { minutes, Running, type RunView } from "./run.svelte";

const client = vi.hoisted(() => ({ looks: [] as ((answer: object) => void)[] }));

vi.mock("$lib/api/client", () => ({
  whyNot: (wrong?: object) => (wrong ? "The larder does not answer" : ""),
  ask: (call: Promise<unknown>) => call,
  api: { GET: () => new Promise((answer) => client.looks.push(answer)) },
}));
vi.mock("$lib/state/larder.svelte", () => ({ larder: { whole: true, disk: "" } }));

const settle = () => new Promise((done) => setTimeout(done));
const after = (closed: number) => ({ number: 1, phase: "against the clock", closed, clock: null }) as unknown as RunView;

describe("a run", () => {
  beforeEach(() => {
    client.looks.length = 0;
  });

  it("does not show how it stood before it was told something, however late that comes", async () => {
    const run = new Running();
    run.look();
    expect(await run.tell(Promise.resolve({ data: after(1) }))).toBe(true);
    client.looks[0]?.({ data: after(0) });
    await settle();
    expect(run.view?.closed).toBe(1);
  });

  it("is not looked at while it is told something", async () => {
    const run = new Running();
    let answer: (told: { data: RunView }) => void = () => undefined;
    const told = run.tell(new Promise((done) => (answer = done)));
    run.look();
    expect(client.looks).toHaveLength(0);
    answer({ data: after(1) });
    await told;
    run.look();
    expect(client.looks).toHaveLength(1);
  });

  it("is looked at when what it was told is refused: another screen may have been ahead", async () => {
    const run = new Running();
    const told = run.tell(Promise.resolve({ wrong: {} }));
    await settle();
    client.looks[0]?.({ data: after(2) });
    expect(await told).toBe(false);
    expect(run.view?.closed).toBe(2);
  });

  it("says no more that the larder does not answer once it has", async () => {
    const run = new Running();
    run.look();
    client.looks[0]?.({ wrong: {} });
    await settle();
    expect(run.failed).not.toBe("");
    await run.tell(Promise.resolve({ data: after(1) }));
    expect(run.failed).toBe("");
  });
});

describe("the clock of a run", () => {
  it.each([
    [900, "15:00"],
    [899.2, "15:00"],
    [61, "1:01"],
    [0.3, "0:01"],
    [0, "0:00"],
    [-0.4, "−0:01"],
    [-92, "−1:32"],
  ])("%s s are %s", (seconds, text) => expect(minutes(seconds)).toBe(text));
});
