// What is changed one after the other builds on one another: on a slow network the second must not be taken for
// somebody else's, nor take the first back.
import { larder } from "./larder.svelte";

/**
 * Lets acts take turns: each begins once what the one before changed is shown, and goes by what stands there then.
 * What is told apart by `what` from the one before, and is pressed again before that is done, is the same press.
 */
export function turns(): (what: unknown, act: () => Promise<void>) => Promise<void> {
  let before = Promise.resolve();
  let last = "";
  return (what, act) => {
    const name = JSON.stringify(what);
    if (name === last) return before;
    last = name;
    const done = before.then(act).then(() => larder.shown());
    // What went wrong with one keeps nothing back of the next.
    const over = done.catch(() => undefined).then(() => void (before === over && (last = "")));
    before = over;
    return done;
  };
}
