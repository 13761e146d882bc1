// What every place on screen shares: the figures along the top edge, the message of the moment, and undo.
import { api, ask, onDiskTrouble, onRefused, onUnreached, onWaiting, type Answer, type Schemas, whyNot } from "$lib/api/client";
import { bringWords } from "$lib/ui/bring";
import { tick } from "svelte";
import { latest } from "./latest";

class TheLarder {
  overview = $state.raw<Schemas["OverviewView"]>();
  message = $state<{ text: string; tone: "good" | "wrong"; link?: { href: string; text: string } }>();
  /** Counts changes, so that a place on screen can read anew when anything changed. */
  version = $state(0);
  /** What is on the bench, for the figure under its name. */
  onBench = $state("");
  /** What the larder's disk will not do any more, in its words, until something is saved again. */
  disk = $state("");
  /** What was pressed and has not reached the larder: each waits to be told whether to try again. */
  unreached = $state.raw<((again: boolean) => void)[]>([]);
  /** Whether the larder is waited for, for longer than a moment. */
  slow = $state(false);
  /** Whether one place has the whole screen: a run that is on, where nothing else can be hit by accident. */
  whole = $state(false);

  constructor() {
    onDiskTrouble((words) => (this.disk = words));
    onRefused((words, last) => {
      const shown = words.find((each) => this.#shows(each));
      if (shown) bringWords(shown);
      else if (last && words[0]) this.say(words[0], "wrong");
      return Boolean(shown);
    });
    onWaiting((slow) => (this.slow = slow));
    onUnreached(() => new Promise((tell) => (this.unreached = [...this.unreached, tell])));
  }

  /** What was said just now: another message may have taken its place, and it was said all the same. */
  #said: string[] = [];

  /** Whether these very words are on the screen, or were said just now. */
  #shows(words: string): boolean {
    return [document.body.textContent ?? "", ...this.#said].some((shown) => shown.includes(words));
  }

  #read = latest(async () => {
    const { data } = await ask(api.GET("/api/overview"));
    if (data) this.overview = data;
  });

  /** Done once the figures asked for last are here: undo must name the change they tell of, however fast it is
   * pressed after a change or after the page was opened. */
  #fresh: Promise<void> = Promise.resolve();
  /** Done once what was pressed before is undone. */
  #undoing: Promise<void> = Promise.resolve();

  #timer: ReturnType<typeof setTimeout> | undefined;

  /** Whether the household counts in pounds, inches and °F. */
  get us(): boolean {
    return this.overview?.settings.units === "US";
  }

  /** Try all again that has not reached the larder, or let it be. */
  tryAgain(again: boolean): void {
    const waiting = this.unreached;
    this.unreached = [];
    for (const tell of waiting) tell(again);
  }

  refresh(): Promise<void> {
    this.#fresh = this.#read();
    return this.#fresh;
  }

  changed(): Promise<void> {
    this.disk = "";
    this.version += 1;
    return this.refresh();
  }

  /** What pages are being read anew. */
  #reading = new Set<Promise<void>>();

  /** A page is read anew. */
  reads(reading: Promise<void>): void {
    this.#reading.add(reading);
    void reading.finally(() => this.#reading.delete(reading));
  }

  /** Done once what was changed is shown. */
  async shown(): Promise<void> {
    await tick();
    while (this.#reading.size) await Promise.all(this.#reading);
  }

  say(text: string, tone: "good" | "wrong" = "good", link?: { href: string; text: string }): void {
    clearTimeout(this.#timer);
    this.#said.push(text);
    setTimeout(() => this.#said.shift(), 1000);
    this.message = link ? { text, tone, link } : { text, tone };
    this.#timer = setTimeout(() => (this.message = undefined), 9000);
  }

  /** Tell what came of a press that has no field to say it at; what it showed is read anew. */
  async tell<T>(answer: Promise<Answer<T>>, says = ""): Promise<Answer<T>> {
    const done = await answer;
    const refused = whyNot(done.wrong);
    if (refused) this.say(refused, "wrong");
    else if (says) this.say(says);
    await this.changed();
    return done;
  }

  /** Undo one change that a screen means, whatever the last one is: refused if something else came since. */
  undoThat(change: number): Promise<void> {
    this.#undoing = this.#undoing.then(() => this.#take(change));
    return this.#undoing;
  }

  /** Undo the last change; pressed again before it is done, the one before it after that. */
  undo(): Promise<void> {
    this.#undoing = this.#undoing.then(() => this.#undo());
    return this.#undoing;
  }

  async #undo(): Promise<void> {
    await this.#fresh;
    const meant = this.overview?.can_undo;
    if (meant) await this.#take(meant.change);
  }

  async #take(change: number): Promise<void> {
    const { data, wrong } = await ask(api.POST("/api/undo", { body: { change } }));
    if (data !== undefined) this.say(`Undone: ${data}`);
    else this.say(whyNot(wrong), "wrong");
    await this.changed();
  }
}

export const larder = new TheLarder();
