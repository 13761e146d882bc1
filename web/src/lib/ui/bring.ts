// What a press changes, or why it changes nothing, is seen: on a phone the parts of a place stand one below the other.

import { tick } from "svelte";

/** So much of the screen, from its top, is where something that begins there is seen to have changed. */
const SEEN = 0.6;

/** Bring a part of the page into sight, once it is drawn, if it begins above or below what is seen. */
export async function bring(id: string): Promise<void> {
  await tick();
  const part = document.getElementById(id);
  if (!part) return;
  const { top } = part.getBoundingClientRect();
  if (top < 0 || top > innerHeight * SEEN) part.scrollIntoView({ block: "start" });
}

/** Why a press was refused is seen by whoever pressed, wherever on the page it stands. */
export function bringWords(words: string): void {
  const told = [...document.querySelectorAll(".wrong, [role=alert]")].filter((each) => each.textContent?.includes(words) && each.checkVisibility());
  if (told[0] && !told.some(isClear)) intoSight(told[0]);
}

/** Bring what answers a press into sight: it may stand below the foot of a small screen, or under a row that lies over the
 * page. */
export function intoSight(part: Element): void {
  if (!isClear(part)) part.scrollIntoView({ block: "center" });
}

/** Whether something begins and ends where it is seen, with nothing over it. */
function isClear(part: Element): boolean {
  const { left, top, bottom } = part.getBoundingClientRect();
  return [top + 1, bottom - 1].every((y) => part.contains(document.elementFromPoint(left + 1, y)));
}
