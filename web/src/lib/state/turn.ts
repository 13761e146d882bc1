// What is changed one after the other builds on one another: on a slow network the second must not be taken for
// somebody else's, nor take the first back.
import { larder } from "./larder.svelte";

/** Lets acts take turns: each begins once what the one before changed is shown, and goes by what stands there then. */
export function turns(): (act: () => Promise<void>) => Promise<void> {
  let before = Promise.resolve();
  return (act) => {
    const done = before.then(act).then(() => larder.shown());
    // What went wrong with one keeps nothing back of the next.
    before = done.catch(() => undefined);
    return done;
  };
}
