// What was pressed shows that it is being done: `aria-busy`, and after a moment a sign on it (app.css).

/** A change that is sent so soon after a press belongs to it; an old tablet takes its time to get there. */
const BELONGS_MS = 500;

let last: { element: Element; at: number } | undefined;

function remember(event: Event): void {
  const target = event instanceof SubmitEvent ? (event.submitter ?? event.target) : event.target;
  const element = target instanceof Element ? target.closest("button, [role=button]") : null;
  last = element ? { element, at: performance.now() } : undefined;
}

if (globalThis.window) for (const kind of ["click", "submit"]) window.addEventListener(kind, remember, { capture: true });

/** Shows on what was pressed just now that its work is under way. */
export async function shown<T>(work: Promise<T>): Promise<T> {
  const element = last && performance.now() - last.at < BELONGS_MS ? last.element : undefined;
  element?.setAttribute("aria-busy", "true");
  try {
    return await work;
  } finally {
    element?.removeAttribute("aria-busy");
  }
}
