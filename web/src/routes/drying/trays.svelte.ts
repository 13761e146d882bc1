// A load as it is put together, and what the larder proposes for it; the newest change always wins.
import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
import { latest } from "$lib/latest";

export type Item = Schemas["Item"];
type Ask = Schemas["LoadAsk"];

export const fresh = (line = ""): Item => ({ line, thickness: "", treatments: [], water: null, cost: "" });

class NewLoad {
  ask = $state<Ask>({ items: [fresh()], machine: "cabinet", air_c: null, tray: "" });
  plan = $state<Schemas["LoadPlan"]>();
  wrong = $state<Wrong>({});
  replan = latest(() => this.#plan());

  /** Whether anything is written. */
  get written(): boolean {
    return this.ask.items.some((item) => item.line.trim());
  }

  set(change: Partial<Ask>): void {
    Object.assign(this.ask, change);
    void this.replan();
  }

  item(n: number, change: Partial<Item>): void {
    Object.assign(this.ask.items[n] as Item, change);
    void this.replan();
  }

  add(line = ""): void {
    const first = this.ask.items[0];
    if (line && first && !first.line.trim()) first.line = line;
    else this.ask.items.push(fresh(line));
    void this.replan();
  }

  drop(n: number): void {
    this.ask.items.splice(n, 1);
    if (!this.ask.items.length) this.ask.items.push(fresh());
    void this.replan();
  }

  clear(): void {
    this.plan = undefined;
    this.wrong = {};
    this.ask = { ...this.ask, items: [fresh()], air_c: null };
  }

  /** What is asked for: lines that are still empty are left out. */
  body(): Ask {
    const asked = $state.snapshot(this.ask) as Ask;
    return { ...asked, items: asked.items.filter((item) => item.line.trim()) };
  }

  /** Where the line of that number stands among those that are written. */
  field(n: number): number {
    return this.ask.items.slice(0, n).filter((item) => item.line.trim()).length;
  }

  async #plan(): Promise<void> {
    if (!this.written) {
      this.plan = undefined;
      this.wrong = {};
      return;
    }
    const { data, wrong } = await ask(api.POST("/api/drying/plan", { body: this.body() }));
    this.wrong = wrong ?? {};
    if (data) this.plan = data;
  }
}

export const load = new NewLoad();
