import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { asRead, ask, brought, onDiskTrouble, onRefused, onUnreached, patient, SILENT, told, wrongs } from "./client";
import { Outgoing } from "./outgoing";

afterEach(() => void vi.unstubAllGlobals());

describe("refusals", () => {
  it("are told apart by field", () => {
    const problem = {
      title: "That can't be done",
      status: 422,
      detail: "x",
      errors: [
        { field: "fill", message: "More than fits" },
        { field: "line", message: "Unknown", nearest: ["oats"], code: "unknown-food" },
      ],
    };
    expect(wrongs(problem)).toEqual({
      fill: { message: "More than fits", nearest: [] },
      line: { message: "Unknown", nearest: ["oats"], code: "unknown-food" },
    });
  });

  it("say so when the larder does not answer", async () => {
    const done = await ask(Promise.reject(new TypeError("fetch failed")));
    expect(done.data).toBeUndefined();
    expect(done.wrong?.request?.message).toBe(SILENT);
  });

  it("of a larder that made a mistake are not taken for silence", () => {
    const detail = "The larder made a mistake, and nothing was saved";
    expect(wrongs({ status: 500, detail, errors: [] }).request?.message).toBe(detail);
  });

  it("fall back on the detail of a problem without fields", () => {
    expect(wrongs({ detail: "That is more than 8 MB" }).request?.message).toBe("That is more than 8 MB");
  });

  it("carry what somebody else has written since", async () => {
    const error = { status: 409, detail: "Changed since", errors: [], now: { people: 5 } };
    expect((await ask(Promise.resolve({ error }))).now).toEqual({ people: 5 });
  });

  it("of a full disk are told to whoever shows the banner", () => {
    const told: string[] = [];
    onDiskTrouble((words) => told.push(words));
    wrongs({ status: 507, detail: "The disk is full", errors: [] });
    wrongs({ status: 422, detail: "No", errors: [] });
    expect(told).toEqual(["The disk is full"]);
  });

  it("are not seen where there are none", async () => {
    expect(await ask(Promise.resolve({ data: 3 }))).toEqual({ data: 3 });
  });
});

describe("a request whose answer is lost", () => {
  const lost =
    (times: number, seen: (string | null)[]) =>
    (_: string, { headers, body }: RequestInit) => {
      seen.push(new Headers(headers).get("Idempotency-Key"));
      carried.add(body);
      return seen.length <= times ? Promise.reject(new TypeError("network")) : Promise.resolve(new Response("1"));
    };
  const carried = new Set<unknown>();
  const post = () => new Outgoing("http://127.0.0.1/api/undo", { method: "POST", body: "{}" });
  beforeEach(() => carried.clear());

  it("is sent again under the same key", async () => {
    const seen: (string | null)[] = [];
    vi.stubGlobal("fetch", lost(2, seen));
    expect(await (await patient(post(), [1, 1, 1])).text()).toBe("1");
    expect(seen).toHaveLength(3);
    expect(new Set(seen).size).toBe(1);
    expect([...carried]).toEqual(["{}"]);
    expect(seen[0]).toMatch(/^[0-9a-f-]{36}$/);
  });

  it("is given up after a while", async () => {
    const seen: (string | null)[] = [];
    vi.stubGlobal("fetch", lost(9, seen));
    await expect(patient(post(), [1, 1])).rejects.toThrow("network");
    expect(seen).toHaveLength(3);
  });

  it("is not waited for without end, nor sent again by itself if it never came", async () => {
    const seen: (string | null)[] = [];
    vi.stubGlobal("fetch", (_: string, { signal }: RequestInit) => {
      seen.push("asked");
      return new Promise((_, fail) => signal?.addEventListener("abort", () => fail(signal.reason as Error)));
    });
    await expect(patient(post(), [1, 1], 20)).rejects.toThrow("timeout");
    expect(seen).toHaveLength(1);
  });

  it("is not sent again by a page that was left", async () => {
    const seen: (string | null)[] = [];
    vi.stubGlobal("fetch", lost(9, seen));
    const request = new Outgoing("http://127.0.0.1/api/table/weeks", { signal: AbortSignal.abort() });
    await expect(patient(request, [1, 1])).rejects.toThrow();
    expect(seen).toHaveLength(1);
  });

  it("has no key if it changes nothing", async () => {
    const seen: (string | null)[] = [];
    vi.stubGlobal("fetch", lost(0, seen));
    await patient(new Outgoing("http://127.0.0.1/api/overview"));
    expect(seen).toEqual([null]);
  });
});

describe("what is pressed while the larder is gone", () => {
  const press = () => new Outgoing("http://larder/api/undo", { method: "POST", body: "{}" });

  it("is sent again under its key for as long as somebody wants it to", async () => {
    const keys: (string | null)[] = [];
    const answers = [true, true];
    onUnreached(() => Promise.resolve(answers.pop() ?? false));
    const send = (request: Request) => {
      keys.push(request.headers.get("Idempotency-Key"));
      return keys.length < 3 ? Promise.reject(new TypeError("gone")) : Promise.resolve(new Response("1"));
    };
    expect((await brought(press(), send)).ok).toBe(true);
    expect(keys).toHaveLength(3);
    expect(new Set(keys).size).toBe(1);
    expect(keys[0]).toBeTruthy();
  });

  it("is let be when somebody says so", async () => {
    onUnreached(() => Promise.resolve(false));
    await expect(brought(press(), () => Promise.reject(new TypeError("gone")))).rejects.toThrow("gone");
  });
});

describe("what was refused", () => {
  const heard = vi.fn<(words: string[], last: boolean) => boolean>();
  const refusal = (more: object) => Response.json({ status: 422, errors: [{ field: "line", message: "Too much" }], ...more }, { status: 422 });

  beforeEach(() => {
    heard.mockReset();
    heard.mockReturnValue(false);
    vi.useFakeTimers();
    onRefused(heard);
  });
  afterEach(() => void vi.useRealTimers());

  it("is told once whoever pressed had the time to show it", async () => {
    await told(refusal({}));
    expect(heard).not.toHaveBeenCalled();
    vi.runAllTimers();
    expect(heard).toHaveBeenLastCalledWith(["Too much"], true);
    expect(heard.mock.calls.filter(([, last]) => last === true)).toHaveLength(1);
  });

  it("is looked for on the way: who puts it right at once has read it", async () => {
    heard.mockReturnValue(true);
    await told(refusal({}));
    vi.runAllTimers();
    expect(heard).toHaveBeenCalledTimes(1);
    expect(heard).toHaveBeenCalledWith(["Too much"], false);
  });

  it("is not told where somebody else changed it meanwhile", async () => {
    await told(refusal({ now: { name: "Fish stew" } }));
    vi.runAllTimers();
    expect(heard).not.toHaveBeenCalled();
  });
});

it("keeps why a press was refused before a reading that was asked for earlier", () => {
  const [before, refused, read] = [{}, wrongs({ detail: "Somebody else changed it" }), wrongs({ detail: "0 kcal?" })];
  expect(asRead(read, before, before)).toBe(read);
  expect(asRead(undefined, before, before)).toEqual({});
  expect(asRead(read, before, refused)).toBe(refused);
});
