// The one way to the larder's API: typed by its OpenAPI document, with refusals told apart by field.
// Whatever changes something carries a key, so that it can be sent again if its answer was lost, and counts once.
import createClient from "openapi-fetch";
import { letGo } from "$lib/ui/press";
import { acted, shown } from "$lib/ui/working";
import { once } from "./once";
import { Outgoing } from "./outgoing";
import type { components, paths } from "./schema";

export type Schemas = components["schemas"];
export type Wrong = Record<string, { message: string; nearest: string[]; words?: string; code?: string }>;

/**
 * What the larder answered: what was asked for, or what is wrong with which field; and if somebody else changed it
 * since it was shown, what it is now, and the version that a change of that is based on.
 */
export interface Answer<T> {
  data?: T;
  wrong?: Wrong;
  now?: unknown;
  version?: number;
}

const PAUSES_MS = [300, 1000, 2500];

/** Nobody waits longer than this for an answer: a tablet that left its network may never learn that none comes. */
const WITHIN_MS = 20_000;
/** What is sent takes its time on a poor network: 20 kB a second. */
const SENT_BYTES_PER_MS = 20;

export const SILENT = "Can't reach the larder. Is it still running?";

/** Whether the larder's disk takes nothing more, in its words: a banner says so on every page until it does. */
let full: (words: string) => void = () => undefined;
export function onDiskTrouble(tell: (words: string) => void): void {
  full = tell;
}

/** Whether the larder is being waited for, for so long that it must be shown. */
let waiting: (slow: boolean) => void = () => undefined;
export function onWaiting(tell: (slow: boolean) => void): void {
  waiting = tell;
}

/** What is pressed and cannot be brought to the larder: whoever pressed says whether to try again. */
let tryAgain: () => Promise<boolean> = () => Promise.resolve(false);
export function onUnreached(asked: () => Promise<boolean>): void {
  tryAgain = asked;
}

/**
 * What was refused, in words: whoever pressed shows it; where that is not on the screen by the last look for it, it is
 * said all the same. Answers whether it is there.
 */
let refused: (words: string[], last: boolean) => boolean = () => true;
export function onRefused(tell: typeof refused): void {
  refused = tell;
}

/** By then whoever pressed has shown it; it is looked for on the way, since who is quick puts it right before. */
const SHOWN_MS = 300;
const LOOK_MS = 30;

/** Tell of a refusal; what somebody else changed meanwhile is shown as that, and not as one. */
export async function told(answer: Response): Promise<void> {
  const problem: unknown = await answer.json().catch(() => undefined);
  if ((problem as Partial<Schemas["Problem"]> | undefined)?.now) return;
  // Read at once: that the disk is full is not told again once something was saved.
  const words = Object.values(wrongs(problem)).map((each) => each.message);
  await letGo();
  const until = performance.now() + SHOWN_MS;
  const look = () => {
    const last = performance.now() >= until;
    if (!refused(words, last) && !last) setTimeout(look, LOOK_MS);
  };
  setTimeout(look);
}

/** What is sent as a change and changes nothing: a plan that follows the typing. Not to reach the larder with it is no loss. */
export const QUESTIONS: readonly string[] = [
  "/api/bench/plan",
  "/api/bench/inside",
  "/api/bench/packets",
  "/api/bench/propose",
  "/api/drying/plan",
  "/api/drying/freeze/plan",
  "/api/freezer/plan",
  "/api/table/people/need",
  "/api/table/meals/read",
  "/api/coming-in/read",
  "/api/foods/read",
  "/api/mixes/read",
  "/api/produce/read",
  "/api/containers/read",
];

const SOON_MS = 300;
let asked = 0;
let timer: ReturnType<typeof setTimeout> | undefined;

/** Counts what is asked for and not answered yet: what is slow shows, what is quick does not flicker. */
async function counted(answer: Promise<Response>): Promise<Response> {
  if (++asked === 1) timer = setTimeout(() => waiting(true), SOON_MS);
  try {
    return await answer;
  } finally {
    if (--asked === 0) {
      clearTimeout(timer);
      waiting(false);
    }
  }
}

/** Ask, and ask again if the answer is lost: what changes something counts once, by its key. */
export async function patient(request: Outgoing, pauses = PAUSES_MS, withinMs = WITHIN_MS + Math.ceil(request.size / SENT_BYTES_PER_MS)): Promise<Response> {
  for (const pause of pauses) {
    try {
      return await request.send(withinMs);
    } catch (error) {
      if (request.signal.aborted || (error as Error).name === "TimeoutError") throw error;
      await new Promise((done) => setTimeout(done, pause));
    }
  }
  return request.send(withinMs);
}

/** What was pressed is brought to the larder, or whoever pressed it lets it be: it is never lost in silence. */
export async function brought(request: Outgoing, send: (request: Outgoing) => Promise<Response>): Promise<Response> {
  for (;;) {
    try {
      return await send(request);
    } catch (error) {
      if (request.signal.aborted || !(await tryAgain())) throw error;
    }
  }
}

/** What is read is read; what changes something is sent once for each press, and shows on what was pressed. */
function bring(request: Outgoing): Promise<Response> {
  if (request.method === "GET") return counted(patient(request));
  const asks = QUESTIONS.includes(new URL(request.url).pathname);
  if (asks) return counted(shown(patient(request)));
  const send = (one: Outgoing) => brought(one, (again) => counted(patient(again)));
  const answer = acted(once(request, send, () => asked > 0));
  answer.then((done) => (done.ok ? undefined : told(done.clone()))).catch(() => undefined);
  return answer;
}

export const api = createClient<paths>({ baseUrl: "", Request: Outgoing, fetch: (request) => bring(request as Outgoing) });

/** A file is sent as it is. */
export const AS_IT_IS = { bodySerializer: (body: unknown) => body as BodyInit };

/** The version that a change is based on, for its headers. */
export const basedOn = (version: number | undefined) => (version === undefined ? {} : { "If-Match": version });

/** What is wrong with which field, from a refusal; or that the server is not there. */
export function wrongs(error: unknown): Wrong {
  const problem = error as Partial<Schemas["Problem"]> | undefined;
  if (problem?.status === 507 && problem.detail) full(problem.detail);
  if (problem?.errors?.length) {
    return Object.fromEntries(
      problem.errors.map((each) => [
        each.field,
        { message: each.message, nearest: each.nearest ?? [], ...(each.words ? { words: each.words } : {}), ...(each.code ? { code: each.code } : {}) },
      ]),
    );
  }
  return { request: { message: problem?.detail ?? SILENT, nearest: [] } };
}

/** Why not: what is wrong first, in words; empty if nothing is. */
export const whyNot = (wrong: Wrong | undefined): string => Object.values(wrong ?? {})[0]?.message ?? "";

/**
 * What is wrong as it was read while somebody typed; but if what was pressed meanwhile was refused, that stands, until
 * there is more to read.
 */
export const asRead = (read: Wrong | undefined, before: Wrong, now: Wrong): Wrong => (now === before ? (read ?? {}) : now);

/** Run a call so that a server that is gone is a refusal like any other; what is pressed meanwhile stays where it is. */
export async function ask<T>(call: Promise<{ data?: T; error?: unknown }>): Promise<Answer<T>> {
  try {
    const { data, error } = await call;
    await letGo();
    if (error === undefined) return { data };
    const { now, version } = error as Partial<Schemas["Problem"]>;
    return now === undefined || now === null ? { wrong: wrongs(error) } : { wrong: wrongs(error), now, version: version ?? undefined };
  } catch {
    return { wrong: wrongs(undefined) };
  }
}
