// What every place on screen shares: the figures along the top edge, the message of the moment, and undo.
import { api, ask, type Schemas } from "./api/client";

class TheLarder {
  overview = $state<Schemas["Overview"]>();
  message = $state<{ text: string; tone: "good" | "wrong"; link?: { href: string; text: string } }>();
  /** Counts changes, so that a place on screen can read anew when anything changed. */
  version = $state(0);
  /** What is on the bench, for the figure under its name. */
  onBench = $state("");
  /** Whether one place has the whole screen: a run that is on, where nothing else can be hit by accident. */
  whole = $state(false);

  #timer: ReturnType<typeof setTimeout> | undefined;

  async refresh(): Promise<void> {
    const { data } = await ask(api.GET("/api/overview"));
    if (data) this.overview = data;
  }

  async changed(): Promise<void> {
    this.version += 1;
    await this.refresh();
  }

  say(text: string, tone: "good" | "wrong" = "good", link?: { href: string; text: string }): void {
    clearTimeout(this.#timer);
    this.message = link ? { text, tone, link } : { text, tone };
    this.#timer = setTimeout(() => (this.message = undefined), 9000);
  }

  async undo(): Promise<void> {
    const { data, wrong } = await ask(api.POST("/api/undo"));
    if (data !== undefined) this.say(`Taken back: ${data}`);
    else this.say(Object.values(wrong ?? {})[0]?.message ?? "", "wrong");
    await this.changed();
  }
}

export const larder = new TheLarder();
