// One press is one act: what is sent again while it is under way, or before its page shows what came of it, is the same
// press. A finger that presses twice, and a press that seems not to have been felt, mean one thing.
import type { Outgoing } from "./outgoing";

/** For so long after it was done, the same again is still the press before; and for as long as pages are read anew. */
const JUST_NOW_MS = 700;

/** What the larder puts on an answer that something was changed with; what is only asked may be asked again at once. */
export const ACTED = "Larder-Acted";

const under = new Map<string, Promise<Response>>();
/** What was pressed last: only that can be felt twice. Whoever does a thing, another, and the first again does it twice. */
let last = "";
/** What that was answered with, if it was just now. */
let just: Promise<Response> | undefined;

/** Forget what was just now, once it is not any more; on a slow network a page stays for seconds as it was. */
function forgetLater(answer: Promise<Response>, reading: () => boolean): void {
  setTimeout(() => {
    if (just !== answer) return;
    if (reading()) forgetLater(answer, reading);
    else just = undefined;
  }, JUST_NOW_MS);
}

/** Send what changes something; if the same is under way, or was done just now, its answer is the answer. */
export async function once(request: Outgoing, send: (request: Outgoing) => Promise<Response>, reading: () => boolean): Promise<Response> {
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
    forgetLater(answer, reading);
  }, over);
  return (await answer).clone();
}
