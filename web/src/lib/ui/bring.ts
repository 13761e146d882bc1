// What a press changes is seen: on a phone the parts of a place stand one below the other.

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
