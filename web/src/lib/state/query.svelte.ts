// What a page shows: read when the page is opened and after every change, kept while it is read anew. A page that is
// come back to shows at once what it showed, as long as nothing changed since.
import { larder } from "./larder.svelte";
import { whyNot, type Answer } from "$lib/api/client";

/** Code of the refusal of what does not exist, or no longer. */
const NOT_THERE = "not-there";

const seen: Record<string, { version: number; data: unknown }> = {};

/** What a page needs to know of what it shows. */
export interface Shown {
  data: unknown;
  failed: string;
  again: () => unknown;
}

export class Query<T> implements Shown {
  data = $state.raw<T>();
  /** What went wrong when it was read last; empty if nothing did. */
  failed = $state("");

  readonly #read: (signal: AbortSignal) => Promise<Answer<T>>;
  readonly #key: (() => string) | undefined;
  #under = new AbortController();

  constructor(read: (signal: AbortSignal) => Promise<Answer<T>>, key?: string | (() => string)) {
    this.#read = read;
    this.#key = typeof key === "string" ? () => key : key;
    const kept = this.#key && seen[this.#key()];
    if (kept?.version === larder.version) this.data = kept.data as T;
  }

  /** Read it anew; what is under way counts no longer. */
  again = (): Promise<void> => {
    const reading = this.#again();
    larder.reads(reading);
    return reading;
  };

  async #again(): Promise<void> {
    this.stop();
    const { signal } = (this.#under = new AbortController());
    const version = larder.version;
    const key = this.#key?.();
    const { data, wrong } = await this.#read(signal);
    if (signal.aborted) return;
    this.failed = whyNot(wrong);
    // What cannot be read stays as it stood; what is no more, because it was taken back elsewhere, does not.
    if (Object.values(wrong ?? {}).some((each) => each.code === NOT_THERE)) this.data = undefined;
    if (data === undefined) return;
    // What is as it stood is not drawn anew.
    if (JSON.stringify(data) !== JSON.stringify(this.data)) this.data = data;
    if (key !== undefined) seen[key] = { version, data };
  }

  stop(): void {
    this.#under.abort();
  }
}

/**
 * What a page shows, for as long as the page is there.
 *
 * @param read asks the larder; what it depends on, read before its first answer, makes it ask anew.
 * @param options `key` under which it is kept for when the page is come back to; `everyMs`: read anew so often.
 */
export function query<T>(read: (signal: AbortSignal) => Promise<Answer<T>>, options: { key?: string | (() => string); everyMs?: number } = {}): Query<T> {
  const found = new Query(read, options.key);
  $effect(() => {
    if (larder.version >= 0) void found.again();
    return () => found.stop();
  });
  $effect(() => {
    if (options.everyMs === undefined) return;
    const timer = setInterval(() => void found.again(), options.everyMs);
    return () => clearInterval(timer);
  });
  return found;
}

/** Several answers as one: all of them, or what went wrong first. */
export async function all<T extends Record<string, unknown>>(asked: { [K in keyof T]: Promise<Answer<T[K]>> }): Promise<Answer<T>> {
  const names = Object.keys(asked) as (keyof T)[];
  const answers = await Promise.all(names.map((name) => asked[name]));
  const failed = answers.find((answer) => answer.data === undefined);
  if (failed) return { wrong: failed.wrong ?? {} };
  return { data: Object.fromEntries(names.map((name, n) => [name, answers[n]?.data])) as T };
}
