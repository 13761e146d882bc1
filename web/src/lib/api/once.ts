// One press is one act: what is sent again while it is under way, or just after it was done, is the same press.
// A finger that presses twice, and a press that seems not to have been felt, mean one thing.
import type { Outgoing } from "./outgoing";

/** For so long after it was done, the same again is still the press before. */
const JUST_NOW_MS = 700;

/** What the larder puts on an answer that something was changed with; what is only asked may be asked again at once. */
export const ACTED = "Larder-Acted";

const under = new Map<string, Promise<Response>>();
/** What was pressed last: only that can be felt twice. Whoever does a thing, another, and the first again does it twice. */
let last = "";
/** What that was answered with, if it was just now. */
let just: Promise<Response> | undefined;

/** Send what changes something; if the same is under way, or was done just now, its answer is the answer. */
export async function once(request: Outgoing, send: (request: Outgoing) => Promise<Response>): Promise<Response> {
  const key = request.same;
  if (key !== last) just = undefined;
  last = key;
  const before = under.get(key) ?? just;
  if (before) return before.then((answer) => answer.clone()).catch(() => send(request));
  const answer = send(request);
  under.set(key, answer);
  const over = () => void under.delete(key);
  void answer.then((told) => {
    over();
    if (key !== last || !told.ok || !told.headers.has(ACTED)) return;
    just = answer;
    setTimeout(() => just === answer && (just = undefined), JUST_NOW_MS);
  }, over);
  return (await answer).clone();
}
