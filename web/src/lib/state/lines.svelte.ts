// Foods written line by line, and what the larder proposes for them together; the newest change always wins.
import { ask as put, asRead, type Wrong } from "$lib/api/client";
import { renamed } from "$lib/format/words";
import { draft, keepDraft } from "./draft";
import { latest } from "./latest";

interface Line {
  line: string;
}

/** What is asked: the foods as typed, and whatever goes with all of them. */
interface Asked<L extends Line> {
  items: L[];
}

type Answer<P> = Promise<{ data?: P; error?: unknown }>;

export class Lines<L extends Line, A extends Asked<L>, P> {
  ask = $state() as A;
  plan = $state.raw<P>();
  wrong = $state<Wrong>({});
  replan = latest(() => this.#plan());

  #fresh: (line?: string) => L;
  #propose: (body: A) => Answer<P>;

  /** @param name under which what is typed is kept until it is told. */
  constructor(name: string, start: A, fresh: (line?: string) => L, propose: (body: A) => Answer<P>) {
    this.ask = { ...start, ...draft<A>(name) };
    this.#fresh = fresh;
    this.#propose = propose;
    $effect.root(() => {
      $effect(() => keepDraft(name, $state.snapshot(this.ask)));
    });
  }

  /** Whether anything is written. */
  get written(): boolean {
    return this.ask.items.some((item) => item.line.trim());
  }

  set(change: Partial<A>): void {
    Object.assign(this.ask, change);
    void this.replan();
  }

  item(n: number, change: Partial<L>): void {
    Object.assign(this.ask.items[n] as L, change);
    void this.replan();
  }

  add(line = ""): void {
    const first = this.ask.items[0];
    if (line && first && !first.line.trim()) first.line = line;
    else this.ask.items.push(this.#fresh(line));
    void this.replan();
  }

  drop(n: number): void {
    this.ask.items.splice(n, 1);
    if (!this.ask.items.length) this.ask.items.push(this.#fresh());
    void this.replan();
  }

  /** Begin anew, in the same dryer; what else goes back to how it was is said. */
  clear(change: Partial<A> = {}): void {
    this.plan = undefined;
    this.wrong = {};
    Object.assign(this.ask, { items: [this.#fresh()] }, change);
  }

  /** Begin anew once these are told; what was written meanwhile stays. */
  done(told: A, change: Partial<A> = {}): void {
    const gone = told.items.map((item) => JSON.stringify(item));
    const items = this.body().items.filter((item) => !gone.includes(JSON.stringify(item)));
    this.clear(change);
    if (!items.length) return;
    this.ask.items = items;
    void this.replan();
  }

  /** What is asked for: lines that are still empty are left out. */
  body(): A {
    const asked = $state.snapshot(this.ask) as A;
    return { ...asked, items: asked.items.filter((item) => item.line.trim()) };
  }

  /** Where the line of that number stands among those that are written. */
  field(n: number): number {
    return this.ask.items.slice(0, n).filter((item) => item.line.trim()).length;
  }

  /** A line with another name for its food, the amount as it was typed. */
  rename(n: number, words: string | undefined, name: string): void {
    this.item(n, { line: renamed(this.ask.items[n]?.line ?? "", words ?? "", name) } as Partial<L>);
  }

  async #plan(): Promise<void> {
    if (!this.written) {
      this.plan = undefined;
      this.wrong = {};
      return;
    }
    const before = this.wrong;
    const { data, wrong } = await put(this.#propose(this.body()));
    this.wrong = asRead(wrong, before, this.wrong);
    if (data) this.plan = data;
  }
}
