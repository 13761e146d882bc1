// One press is one act: what is sent again while it is under way, or just after it was done, is the same press.
// A finger that presses twice, and a press that seems not to have been felt, mean one thing.

/** For so long after it was done, the same again is still the press before. */
const JUST_NOW_MS = 700;

/** What the larder puts on an answer that something was changed with; what is only asked may be asked again at once. */
export const ACTED = "Larder-Acted";

const under = new Map<string, Promise<Response>>();
/** Bodies are read one after the other, so that of two presses the first is the first. */
let reading: Promise<unknown> = Promise.resolve();

/** Send what changes something; if the same is under way, or was done just now, its answer is the answer. */
export async function once(request: Request, send: (request: Request) => Promise<Response>): Promise<Response> {
  const body = reading.then(() => request.clone().text());
  reading = body.catch(() => undefined);
  const key = `${request.method} ${request.url} ${await body}`;
  const before = under.get(key);
  if (before) return before.then((answer) => answer.clone()).catch(() => send(request));
  const answer = send(request);
  under.set(key, answer);
  // What was pressed before the answer came is the same press, however late its body is read.
  const forget = () => void reading.then(() => under.get(key) === answer && under.delete(key));
  void answer.then((done) => void (done.ok && done.headers.has(ACTED) ? setTimeout(forget, JUST_NOW_MS) : forget()), forget);
  return (await answer).clone();
}
