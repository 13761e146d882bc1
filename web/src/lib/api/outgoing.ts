// A request on its way to the larder: it can be sent as often as it takes, and counts once. What it carries is kept as it
// was written, since to read it back from a request takes the browser longer than it is asked to draw in.

export class Outgoing extends Request {
  readonly carries: BodyInit | null;

  constructor(address: string | URL | Request, init: RequestInit = {}) {
    super(address, init);
    this.carries = init.body ?? null;
    if (this.method !== "GET") this.headers.set("Idempotency-Key", crypto.randomUUID());
  }

  /** About how much it carries. */
  get size(): number {
    return this.carries instanceof Blob ? this.carries.size : String(this.carries ?? "").length;
  }

  /** What tells it from others: who presses twice sends the same. */
  get same(): string {
    const carries = this.carries instanceof Blob ? `${this.size} bytes` : String(this.carries);
    return `${this.method} ${this.url} ${carries}`;
  }

  /** Send it, for the first time or again; fails with a `TimeoutError` if it is not answered within so long. */
  send(withinMs: number): Promise<Response> {
    const { method, headers, carries: body } = this;
    const signal = AbortSignal.any([this.signal, AbortSignal.timeout(withinMs)]);
    return fetch(this.url, { method, headers, body, signal });
  }
}
