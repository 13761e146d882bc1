// A load for the freeze dryer as it is put together; the newest change always wins.
import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
import { latest } from "$lib/latest";

type Ask = Schemas["FreezeLoadAsk"];
const NONE: Schemas["FreezeItem"] = { line: "", frozen: true };

class FreezeLoad {
  ask = $state<Ask>({ items: [{ ...NONE }], dryer: "fd-medium" });
  plan = $state<Schemas["FreezeLoadPlan"]>();
  wrong = $state<Wrong>({});
  replan = latest(() => this.#plan());

  get written(): boolean {
    return this.ask.items.some((item) => item.line.trim());
  }

  set(change: Partial<Ask>): void {
    Object.assign(this.ask, change);
    void this.replan();
  }

  item(n: number, change: Partial<Schemas["FreezeItem"]>): void {
    Object.assign(this.ask.items[n] as Schemas["FreezeItem"], change);
    void this.replan();
  }

  add(line = ""): void {
    const first = this.ask.items[0];
    if (line && first && !first.line.trim()) first.line = line;
    else this.ask.items.push({ ...NONE, line });
    void this.replan();
  }

  drop(n: number): void {
    this.ask.items.splice(n, 1);
    if (!this.ask.items.length) this.ask.items.push({ ...NONE });
    void this.replan();
  }

  clear(): void {
    this.plan = undefined;
    this.wrong = {};
    this.ask = { ...this.ask, items: [{ ...NONE }] };
  }

  body(): Ask {
    const asked = $state.snapshot(this.ask) as Ask;
    return { ...asked, items: asked.items.filter((item) => item.line.trim()) };
  }

  field(n: number): number {
    return this.ask.items.slice(0, n).filter((item) => item.line.trim()).length;
  }

  async #plan(): Promise<void> {
    if (!this.written) {
      this.plan = undefined;
      this.wrong = {};
      return;
    }
    const { data, wrong } = await ask(api.POST("/api/drying/freeze/plan", { body: this.body() }));
    this.wrong = wrong ?? {};
    if (data) this.plan = data;
  }
}

export const freezeLoad = new FreezeLoad();
