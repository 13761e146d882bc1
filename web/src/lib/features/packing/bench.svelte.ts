// What is on the bench, and the plan the larder makes of it. Any change asks for a new plan at once.
import { api, ask, type Schemas, type Wrong } from "$lib/api/client";
import { draft, keepDraft } from "$lib/state/draft";
import { larder } from "$lib/state/larder.svelte";
import { latest } from "$lib/state/latest";

type Ask = Schemas["Ask"];

/** Under which what is on the bench is kept. */
const NAME = "bench";

export function nothing(): Ask {
  return {
    line: "",
    container: "",
    own_bag: "",
    own_film_mil: 7,
    closing: null,
    pressed: true,
    headspace: "",
    headspace_mm: null,
    fill: "",
    sizing: "air",
    horizon_years: 10,
    outer: false,
    place: null,
    moisture: null,
    frozen: false,
    lot: null,
    gel: false,
    opened: "not until eaten",
    food_grade: true,
    waxed: false,
    pull: "machine",
    left_kpa: null,
    conditioned: false,
    measures: [],
    override: "",
    more: false,
  };
}

export class Bench {
  ask = $state<Ask>({ ...nothing(), ...draft<Ask>(NAME) });
  plan = $state.raw<Schemas["Plan"]>();
  wrong = $state<Wrong>({});
  /** The line that both were made of: more may have been typed since. */
  answered = $state("");
  replan = latest(() => this.#plan());

  /** Change something on the bench and plan anew; done once the plan is there. */
  set(change: Partial<Ask>): Promise<void> {
    // What a jar proved of one lot says nothing of the next that is written here.
    const another = change.line !== undefined && change.line !== this.ask.line ? { conditioned: false } : {};
    Object.assign(this.ask, another, change);
    const planned = this.replan();
    // While the larder calculates.
    keepDraft(NAME, this.ask);
    return planned;
  }

  /** Empty it once what stood on it is told; what was put on it meanwhile stays. */
  done(told: Ask): void {
    if (JSON.stringify(this.ask) !== JSON.stringify(told)) return;
    this.plan = undefined;
    this.wrong = {};
    larder.onBench = "";
    void this.set(nothing());
  }

  async #plan(): Promise<void> {
    if (!this.ask.line?.trim()) {
      this.plan = undefined;
      this.wrong = {};
      larder.onBench = "";
      return;
    }
    const { line } = this.ask;
    const { data, wrong } = await ask(api.POST("/api/bench/plan", { body: $state.snapshot(this.ask) }));
    this.wrong = wrong ?? {};
    this.answered = line;
    if (data) {
      this.plan = data;
      larder.onBench = data.food.name;
    }
  }
}
