// What is to go into the freezer, and what the cold does to it; the newest change always wins.
import { api, ask, asRead, type Schemas, type Wrong } from "$lib/api/client";
import { draft, keepDraft } from "$lib/state/draft";
import { latest } from "$lib/state/latest";

type Ask = Schemas["FreezeAsk"];

/** What a freezer is set to, °C, until another is typed. */
export const USUAL_C = -18;

/** Under which what is typed is kept until it is told. */
const NAME = "freezer";

const NOTHING: Ask = { line: "", container: "", freezer_c: USUAL_C, moving: false, hold: 3, lot: null, place: null };

class Freezer {
  ask = $state<Ask>({ ...NOTHING, ...draft<Ask>(NAME) });
  plan = $state.raw<Schemas["FreezePlan"]>();
  wrong = $state<Wrong>({});
  replan = latest(() => this.#plan());

  constructor() {
    $effect.root(() => {
      $effect(() => keepDraft(NAME, $state.snapshot(this.ask)));
    });
  }

  set(change: Partial<Ask>): void {
    Object.assign(this.ask, change);
    void this.replan();
  }

  /** Begin anew once that is told; what was written meanwhile stays. */
  done(told: Ask): void {
    if (JSON.stringify(this.ask) !== JSON.stringify(told)) return;
    this.plan = undefined;
    this.wrong = {};
    this.ask = { ...NOTHING, freezer_c: this.ask.freezer_c ?? USUAL_C, moving: this.ask.moving ?? false };
  }

  async #plan(): Promise<void> {
    if (!this.ask.line.trim()) {
      this.plan = undefined;
      this.wrong = {};
      return;
    }
    const before = this.wrong;
    const { data, wrong } = await ask(api.POST("/api/freezer/plan", { body: $state.snapshot(this.ask) }));
    this.wrong = asRead(wrong, before, this.wrong);
    if (data) this.plan = data;
  }
}

export const freezer = new Freezer();
