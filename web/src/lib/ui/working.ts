// What was pressed shows that it is being done: `aria-busy`, and after a moment a sign on it (app.css). A sheet in which
// it was pressed stands as it is until that is answered: what was typed there meanwhile would not be in what was sent,
// and would go with the sheet.

/** A change that is sent so soon after a press belongs to it; an old tablet takes its time to get there. */
const BELONGS_MS = 500;

let last: { element: Element; at: number } | undefined;

/** What is being pressed right now; what a field sends when it is left for a button does not come of that button. */
let pressed: Element | undefined;

/** What is chosen or measured: the next is pressed at once, and leaves its sheet there. */
const CHOSEN = "[role=radio], [role=group]";
/** What is on or off is switched back at once, and Undo takes back one after the other. */
const PRESSED_ON = `[aria-pressed], [data-again], ${CHOSEN}`;

/** What is under way at which element; where two things are, it is there twice. */
class UnderWay {
  #at: Element[] = [];

  has = (element: Element | null): boolean => !!element && this.#at.includes(element);
  begin = (element: Element): void => void this.#at.push(element);
  end = (element: Element): void => void this.#at.splice(this.#at.indexOf(element), 1);
  /** Whether anything is that can still be seen. */
  get seen(): boolean {
    return this.#at.some((element) => element.isConnected);
  }
}

/** What was pressed and works; of that, what acts; and the sheets in which it was pressed. */
const [working, acting, standing] = [new UnderWay(), new UnderWay(), new UnderWay()];

const buttonOf = (target: EventTarget | null) => (target instanceof Element ? target.closest("button, [role=button]") : null);

/** Whether an act is under way that was pressed in that sheet. */
export const stands = standing.has;

/** Whoever types on after this has begun anew. */
const PAUSE_MS = 600;

/** Until when what is typed is let be: of a figure that somebody began to type while a sheet stood, no part is written. */
let letBe = 0;

const isText = (target: EventTarget | null) => target instanceof Element && target.matches("textarea, input:not([type=date], [type=time], [type=checkbox])");

/** What acts is pressed again when nothing seems to come of it: that is the press before, whatever was written meanwhile. */
function acts(event: Event): void {
  const button = buttonOf(event.target);
  if (!acting.has(button) || button?.closest(PRESSED_ON)) return;
  event.preventDefault();
  event.stopImmediatePropagation();
}

/** What would change a sheet that stands, or close it: pointer, keys, and what is pasted. Reloading is up to the browser. */
function waits(event: Event): void {
  const now = performance.now();
  const typed = event.type === "beforeinput";
  if (!standing.seen && !(typed && now < letBe)) return;
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
  const element = buttonOf(target);
  last = element ? { element, at: performance.now() } : undefined;
  pressed = element ?? undefined;
  setTimeout(() => (pressed = undefined));
}

if (globalThis.window) {
  for (const kind of ["pointerdown", "mousedown", "click", "keydown", "beforeinput"]) window.addEventListener(kind, waits, { capture: true });
  window.addEventListener("click", acts, { capture: true });
  // What is asked because something was typed comes of no press.
  for (const kind of ["click", "submit", "input"]) window.addEventListener(kind, remember, { capture: true });
}

/** What work belongs to that begins now. */
const pressedFor = () => (last && performance.now() - last.at < BELONGS_MS ? last.element : undefined);

/** Shows on what was pressed just now that its work is under way. */
export async function shown<T>(work: Promise<T>, element = pressedFor()): Promise<T> {
  if (!element) return work;
  working.begin(element);
  element.setAttribute("aria-busy", "true");
  try {
    return await work;
  } finally {
    working.end(element);
    if (!working.has(element)) element.removeAttribute("aria-busy");
  }
}

/** Shows it, takes no second press for it, and lets the sheet in which it was pressed stand until its work is done. */
export async function acted<T>(work: Promise<T>): Promise<T> {
  const element = pressedFor();
  const sheet = pressed?.closest(CHOSEN) ? undefined : pressed?.closest("[role=dialog]");
  if (element) acting.begin(element);
  if (sheet) standing.begin(sheet);
  try {
    return await shown(work, element);
  } finally {
    if (element) acting.end(element);
    if (sheet) standing.end(sheet);
  }
}
