// Asking the larder while somebody types: one question at a time, and the last word always wins.

/** Runs one call at a time; whatever is asked for meanwhile becomes one more run, so that nothing piles up. */
export function latest(run: () => Promise<void>): () => Promise<void> {
  let under: Promise<void> | undefined;
  let again = false;
  const all = async () => {
    do {
      again = false;
      await run();
    } while (again);
  };
  return () => {
    if (under) again = true;
    else under = all().finally(() => (under = undefined));
    return under;
  };
}
