/** It comes this late at the latest, however much else there is to do. */
const AT_LAST_MS = 500;

/**
 * Do something once what is drawn now stands on the screen, so that nobody waits for what can come after it.
 *
 * @returns what calls it off.
 */
export function afterPaint(then: () => void): () => void {
  // Some browsers have no word for a quiet moment: there it comes after the next frame.
  if (!("requestIdleCallback" in globalThis)) {
    const timer = setTimeout(then, 30);
    return () => clearTimeout(timer);
  }
  const wanted = requestIdleCallback(then, { timeout: AT_LAST_MS });
  return () => cancelIdleCallback(wanted);
}
