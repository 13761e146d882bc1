// What comes into sight is come to: a long list goes on from there.

import type { Action } from "svelte/action";

/** So far below what is seen, px, it is come to already: the rest is drawn before anybody waits for it. */
const AHEAD = 600;

interface Reached {
  /** What stands before it: where there is more of that, it may be come to again. */
  after: number;
  call: () => void;
}

/** Call as soon as a part of the page is in sight or nearly so, in whatever scrolls. */
export const reached: Action<HTMLElement, Reached> = (node, given) => {
  let { call } = given;
  const see = (seen: IntersectionObserverEntry[]) => seen.some((each) => each.isIntersecting) && call();
  // A margin of the part that scrolls is not known to every browser: there it is come to when it is seen.
  const margins = { rootMargin: `${AHEAD}px`, scrollMargin: `${AHEAD}px` };
  const watching = new IntersectionObserver(see, margins);
  watching.observe(node);
  return {
    update(now) {
      call = now.call;
      watching.unobserve(node);
      watching.observe(node);
    },
    destroy: () => watching.disconnect(),
  };
};
