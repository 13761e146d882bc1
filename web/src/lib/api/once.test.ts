import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { ACTED, once as onceWhile } from "./once";
import { Outgoing } from "./outgoing";

const post = (body: string, url = "http://larder/api/buy") => new Outgoing(url, { method: "POST", body });
let reading = false;
const once = (request: Outgoing, send: (one: Outgoing) => Promise<Response>) => onceWhile(request, send, () => reading);
const acted = () => new Response("1", { headers: { [ACTED]: "1" } });

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  vi.runAllTimers();
  vi.useRealTimers();
});

it("sends a press that comes twice once, and both have the answer", async () => {
  const send = vi.fn(async () => acted());
  const both = await Promise.all([once(post("a"), send), once(post("a"), send)]);
  expect(await Promise.all(both.map((each) => each.text()))).toEqual(["1", "1"]);
  expect(send).toHaveBeenCalledTimes(1);
});

it("takes the same again just after it was done for the same press, and later for another", async () => {
  const send = vi.fn(async () => acted());
  await once(post("b"), send);
  await once(post("b"), send);
  expect(send).toHaveBeenCalledTimes(1);
  vi.advanceTimersByTime(800);
  await once(post("b"), send);
  expect(send).toHaveBeenCalledTimes(2);
});

it("takes the same again for the same press for as long as pages are read anew", async () => {
  const send = vi.fn(async () => acted());
  reading = true;
  await once(post("k"), send);
  vi.advanceTimersByTime(10_000);
  await once(post("k"), send);
  expect(send).toHaveBeenCalledTimes(1);
  reading = false;
  vi.advanceTimersByTime(800);
  await once(post("k"), send);
  expect(send).toHaveBeenCalledTimes(2);
});

it("takes the same again for another press once something else was done in between", async () => {
  const send = vi.fn(async () => acted());
  for (const body of ["put it on", "take it off", "put it on", "put it on"]) await once(post(body), send);
  expect(send).toHaveBeenCalledTimes(3);
});

it("takes the same again for another press, though something else was begun before it was done", async () => {
  const send = vi.fn(async () => acted());
  let answered: (answer: Response) => void = () => undefined;
  const first = once(post("slow"), () => new Promise((answer) => (answered = answer)));
  await once(post("quick"), send);
  answered(acted());
  await first;
  await once(post("slow"), send);
  expect(send).toHaveBeenCalledTimes(2);
});

it("sends what differs in its words or its address", async () => {
  const send = vi.fn(async () => acted());
  await Promise.all([once(post("c"), send), once(post("d"), send), once(post("c", "http://larder/api/other"), send)]);
  expect(send).toHaveBeenCalledTimes(3);
});

it("asks again at once what only asks, and what was refused", async () => {
  const asks = vi.fn(async () => new Response("plan"));
  await once(post("e"), asks);
  await once(post("e"), asks);
  expect(asks).toHaveBeenCalledTimes(2);
  const refuses = vi.fn(async () => new Response("no", { status: 422, headers: { [ACTED]: "1" } }));
  await once(post("f"), refuses);
  await once(post("f"), refuses);
  expect(refuses).toHaveBeenCalledTimes(2);
});

it("takes what is pressed before a refusal for the same press, and what is pressed after it for another", async () => {
  const refuses = vi.fn(async () => new Response("no", { status: 422 }));
  await Promise.all([once(post("h"), refuses), once(post("h"), refuses)]);
  expect(refuses).toHaveBeenCalledTimes(1);
  await once(post("h"), refuses);
  expect(refuses).toHaveBeenCalledTimes(2);
});

it("knows a picture by its size", async () => {
  const send = vi.fn(async () => acted());
  const photo = (bytes: number) => new Outgoing("http://larder/api/photos", { method: "POST", body: new Blob([new Uint8Array(bytes)]) });
  await Promise.all([once(photo(9), send), once(photo(9), send), once(photo(8), send)]);
  expect(send).toHaveBeenCalledTimes(2);
});

it("sends itself if the one before was given up", async () => {
  const fails = vi.fn(async () => Promise.reject(new Error("given up")));
  const first = once(post("g"), fails);
  const second = once(post("g"), async () => acted());
  await expect(first).rejects.toThrow("given up");
  expect(await (await second).text()).toBe("1");
});
