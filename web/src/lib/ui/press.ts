// While a finger or a button of the mouse is down, nothing moves: a press that began on one thing ends on it.
// A field that is left tells the larder what was typed; its answer may add or take away a line of words above what
// is being pressed, and the browser gives a press to what it both began and ended on.

/** Whether the screen is touched: a field that has the focus brings a keyboard up over half of it. */
export const touched = (): boolean => matchMedia("(pointer: coarse)").matches;

/** Longer than this is not a press but a finger that rests: the answer is shown under it. */
const LONGEST_MS = 700;

/** What acts when it is let go of; what follows the finger, as a slider does, is not held up. */
const isPressed = (event: Event) => event.target instanceof Element && !!event.target.closest("button, a, label, [role=button]");

/** Says when what is pressed has been let go of: at once, if nothing is. */
export function presses(on: EventTarget, counts: (event: Event) => boolean = isPressed): () => Promise<void> {
  let down: Promise<void> | undefined;
  on.addEventListener(
    "pointerdown",
    (event) => {
      if (!counts(event)) return;
      const pressed = new Promise<void>((done) => {
        const over = new AbortController();
        const up = () => {
          // One of the two comes: the other is listened for no longer.
          over.abort();
          // The click comes after the pointer is up, in the same task: what waits goes on in the next.
          setTimeout(done);
        };
        for (const each of ["pointerup", "pointercancel"]) on.addEventListener(each, up, { capture: true, signal: over.signal });
        setTimeout(done, LONGEST_MS);
      });
      down = pressed;
      void pressed.then(() => (down = down === pressed ? undefined : down));
    },
    { capture: true },
  );
  return () => down ?? Promise.resolve();
}

export const letGo = presses(globalThis.window ?? new EventTarget());

/** For so long after what was pressed is gone, a press at the same spot is the same finger, which pressed that again. */
const TWICE_MS = 350;
const SPOT_PX = 12;

/**
 * What slid under the finger is not pressed: a list that is a line shorter after the first press of two would have the
 * second land on its next line. Keys have no spot, and what was pressed itself may be pressed again.
 */
function steadies(page: Document): void {
  let last: { element: Element; x: number; y: number; gone?: number } | undefined;
  // A slow answer takes a line away long after its press.
  new MutationObserver(() => {
    if (last && !last.element.isConnected) last.gone ??= performance.now();
  }).observe(page, { childList: true, subtree: true });
  addEventListener(
    "click",
    (event) => {
      if (!(event instanceof MouseEvent) || event.detail === 0 || !(event.target instanceof Element)) return;
      const element = event.target.closest("button, a, [role=button]") ?? event.target;
      const { clientX: x, clientY: y } = event;
      const slid = last?.gone !== undefined && performance.now() - last.gone < TWICE_MS;
      if (last && slid && Math.hypot(x - last.x, y - last.y) < SPOT_PX) {
        event.preventDefault();
        event.stopImmediatePropagation();
        return;
      }
      last = { element, x, y };
    },
    { capture: true },
  );
}

if (globalThis.document) steadies(document);
