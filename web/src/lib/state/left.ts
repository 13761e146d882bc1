// A question that an effect asks is let go when what it is about changes, or when its page or sheet is left.

/** Begins the work, and gives what ends it: an effect returns that. A late answer sees that its signal is aborted. */
export function untilLeft(work: (left: AbortSignal) => Promise<void>): () => void {
  const leaving = new AbortController();
  void work(leaving.signal);
  return () => leaving.abort();
}
