// One press is one act: what is sent again while it is under way, or just after it was done, is the same press.
// A finger that presses twice, and a press that seems not to have been felt, mean one thing.
import type { Outgoing } from "./outgoing";

/** For so long after it was done, the same again is still the press before. */
const JUST_NOW_MS = 700;

/** What the larder puts on an answer that something was changed with; what is only asked may be asked again at once. */
export const ACTED = "Larder-Acted";

const under = new Map<string, Promise<Response>>();

/** Send what changes something; if the same is under way, or was done just now, its answer is the answer. */
export async function once(request: Outgoing, send: (request: Outgoing) => Promise<Response>): Promise<Response> {
  const key = request.same;
  const before = under.get(key);
  if (before) return before.then((answer) => answer.clone()).catch(() => send(request));
  const answer = send(request);
  under.set(key, answer);
  const forget = () => void (under.get(key) === answer && under.delete(key));
  void answer.then((done) => void (done.ok && done.headers.has(ACTED) ? setTimeout(forget, JUST_NOW_MS) : forget()), forget);
  return (await answer).clone();
}
