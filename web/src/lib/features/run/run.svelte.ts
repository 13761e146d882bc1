// The run as the larder has it. The clock is the larder's: here it is only carried on between two looks.
import { api, ask, type Schemas, whyNot, type Wrong } from "$lib/api/client";
import { larder } from "$lib/state/larder.svelte";
import { latest } from "$lib/state/latest";

export type RunView = Schemas["RunView"];
export type RunContainer = Schemas["RunContainer"];

export class Running {
  /** The run that is on; null if there is none, nothing before the first look. */
  view = $state.raw<RunView | null>();
  /** A run that was just finished, to be looked back on. */
  done = $state.raw<RunView>();
  wrong = $state<Wrong>({});
  busy = $state(false);
  /** Seconds left on the clock. */
  left = $state(0);
  /** Why it could not be read; while the larder does not answer, the clock here goes on. */
  failed = $state("");

  #readAt = 0;
  #told: RunView | undefined;
  #looking = new AbortController();

  readonly read = latest(async () => {
    const { signal } = (this.#looking = new AbortController());
    const { data, wrong } = await ask(api.GET("/api/run", { signal }));
    if (signal.aborted) return;
    this.failed = whyNot(wrong);
    if (data !== undefined) this.#show(data);
  });

  /** Look whether another screen was ahead; while something is told, its answer says so. */
  look(): void {
    if (!this.busy) void this.read();
  }

  #show(view: RunView | null): void {
    this.failed = "";
    this.#readAt = performance.now();
    this.view = view;
    this.tick();
  }

  tick(): void {
    const clock = this.view?.clock;
    if (clock) this.left = clock.left_s - (performance.now() - this.#readAt) / 1000;
  }

  /** Tell the larder something; it answers with how the run stands then. */
  async tell(call: Promise<{ data?: RunView; wrong?: Wrong }>): Promise<boolean> {
    if (this.busy) return false;
    this.busy = true;
    const { data, wrong } = await call;
    // What was looked at meanwhile may be how it stood before, and come after.
    this.#looking.abort();
    this.wrong = wrong ?? {};
    this.#told = data;
    if (data) this.#show(data.phase === "done" ? null : data);
    else await this.read(); // it was refused: another screen may have been ahead
    this.busy = false;
    // While the run has the whole screen, the figures along the top edge are not there to be read.
    if (larder.whole) larder.disk = "";
    else void larder.changed();
    return wrong === undefined;
  }

  async finish(): Promise<void> {
    const number = this.view?.number;
    if (number === undefined) return;
    const path = { params: { path: { number } } };
    if (await this.tell(ask(api.POST("/api/run/{number}/finish", path)))) this.done = this.#told;
  }
}

/** "14:07", "−0:32" once it has run out. */
export function minutes(seconds: number): string {
  const whole = Math.abs(seconds < 0 ? Math.floor(seconds) : Math.ceil(seconds));
  return `${seconds < 0 && whole ? "−" : ""}${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}
