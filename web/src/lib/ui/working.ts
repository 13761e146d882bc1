// What was pressed shows that it is being done: `aria-busy`, and after a moment a sign on it (app.css). A sheet in which
// it was pressed stands as it is until that is answered: what was typed there meanwhile would not be in what was sent,
// and would go with the sheet.

/** A change that is sent so soon after a press belongs to it; an old tablet takes its time to get there. */
const BELONGS_MS = 500;

let last: { element: Element; at: number } | undefined;

/** What is being pressed right now; what a field sends when it is left for a button does not come of that button. */
let pressed: Element | undefined;

/** The sheets in which an act is under way; one in which two are stands there twice. */
let standing: Element[] = [];

/** Whether an act is under way that was pressed in that sheet. */
export const stands = (sheet: Element | null): boolean => !!sheet && standing.includes(sheet);

/** Whoever types on after this has begun anew. */
const PAUSE_MS = 600;

/** Until when what is typed is let be: of a figure that somebody began to type while a sheet stood, no part is written. */
let letBe = 0;

const isText = (target: EventTarget | null) => target instanceof Element && target.matches("textarea, input:not([type=date], [type=time], [type=checkbox])");

/** What would change a sheet that stands, or close it: pointer, keys, and what is pasted. Reloading is up to the browser. */
function waits(event: Event): void {
  const now = performance.now();
  const typed = event.type === "beforeinput";
  if (!standing.some((sheet) => sheet.isConnected) && !(typed && now < letBe)) return;
  // What has not reached the larder is asked about over the sheet.
  if (event.target instanceof Element && event.target.closest("[role=alertdialog]")) return;
  if (event instanceof KeyboardEvent) {
    if (event.key === "Tab" || event.ctrlKey || event.metaKey || event.altKey) return;
    // What it would write is told of next.
    if (isText(event.target) && !["Enter", "Escape"].includes(event.key)) return;
  }
  if (typed) letBe = now + PAUSE_MS;
  event.preventDefault();
  event.stopImmediatePropagation();
}

function remember(event: Event): void {
  const target = event instanceof SubmitEvent ? (event.submitter ?? event.target) : event.target;
  const element = target instanceof Element ? target.closest("button, [role=button]") : null;
  last = element ? { element, at: performance.now() } : undefined;
  pressed = element ?? undefined;
  setTimeout(() => (pressed = undefined));
}

if (globalThis.window) {
  for (const kind of ["pointerdown", "mousedown", "click", "keydown", "beforeinput"]) window.addEventListener(kind, waits, { capture: true });
  for (const kind of ["click", "submit"]) window.addEventListener(kind, remember, { capture: true });
}

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

/** Shows it, and lets the sheet in which it was pressed stand until its work is done. */
export async function acted<T>(work: Promise<T>): Promise<T> {
  // What is chosen or measured leaves the sheet there, and the next field is filled in at once.
  const chosen = pressed?.closest("[role=radio], [role=group]");
  const sheet = chosen ? undefined : pressed?.closest("[role=dialog]");
  if (sheet) standing = [...standing, sheet];
  try {
    return await shown(work);
  } finally {
    if (sheet) standing = standing.toSpliced(standing.indexOf(sheet), 1);
  }
}
