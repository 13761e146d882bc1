// What is typed and not told to the larder yet: kept while the tab is open, so that a reload, another page or another
// meal loses none of it.

const nameOf = (what: string): string => `yellow-larder-draft-${what}`;

/** What was typed there before and never told; nothing if nothing was, or if it cannot be read. */
export function draft<T>(what: string): T | undefined {
  try {
    const kept = sessionStorage.getItem(nameOf(what));
    return kept === null ? undefined : (JSON.parse(kept) as T);
  } catch {
    return undefined;
  }
}

/** Keep what is typed there; `undefined` once it is told or left. More than the browser has room for is not kept. */
export function keepDraft(what: string, typed: unknown): void {
  try {
    if (typed === undefined) sessionStorage.removeItem(nameOf(what));
    else sessionStorage.setItem(nameOf(what), JSON.stringify(typed));
  } catch {
    // Five megabytes pasted into a field: the larder will say what is wrong with them.
    sessionStorage.removeItem(nameOf(what));
  }
}

/** A form once it is told: what stands in it as it was told is as in `none`, what was typed meanwhile stays. */
export function sinceTold<T extends Record<string, unknown>>(now: T, told: T, none: T): T {
  const kept = Object.entries(now).filter(([field, typed]) => typed !== told[field]);
  return { ...none, ...(Object.fromEntries(kept) as Partial<T>) };
}
