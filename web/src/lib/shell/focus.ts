// The focus is never lost: when what has it goes away, a line that is done or a step that is over, it goes to the next
// thing to do, so that whoever works by keys or by ear goes on from there and does not begin again at the top.

const FOCUSABLE = 'a[href], button, input, select, textarea, summary, [tabindex]:not([tabindex="-1"])';
/** So many are remembered each way: the rest of a line and the next few. */
const NEAR = 40;
/** What is disabled for no longer than this is at work, and gets the focus back. */
const UNDER_WAY_MS = 1500;

/** Something that is pressed or typed in, a button or a package in a drawing. */
type Thing = HTMLElement | SVGElement;

interface Kept {
  at: Thing;
  /** What comes after it and before it, nearest first. */
  after: Thing[];
  before: Thing[];
  /** The line it stood in, if it stood in one: what is done with a line is done, and the next line is next. */
  line: Element | null;
  /** The sheet it was in, or the page. */
  within: Element;
}

const usable = (each: Thing, within: Element) => each.isConnected && within.contains(each) && each.checkVisibility() && !("disabled" in each && each.disabled);

/** What throws out or takes away is never what comes next by itself: a key pressed twice would press it. */
const destroys = (each: Element) => each.matches(".away");

/** Nor is a field: a key that is meant for the page would be typed into it, and a keyboard come up over half a phone. */
const isField = (each: Element) => each.matches("input:not([type=checkbox], [type=radio]), select, textarea");

/** What the focus goes to; a heading if nothing near is left. */
function next(kept: Kept): Thing | undefined {
  const { within } = kept;
  const near = [...kept.after, ...kept.before].filter((each) => usable(each, within) && !destroys(each) && !isField(each));
  return near.find((each) => !kept.line?.contains(each)) ?? near[0] ?? heading();
}

/** Where a place begins: its heading, or its room while that is being read. */
function heading(): HTMLElement | undefined {
  const heading = document.querySelector<HTMLElement>("main h1, main h2");
  if (heading && !heading.hasAttribute("tabindex")) heading.tabIndex = -1;
  return heading ?? document.getElementById("main") ?? undefined;
}

/** Begin where a place begins, once it is gone to: unless it has put the focus somewhere itself. */
export function beginPlace(): void {
  if (document.activeElement === document.body || !document.activeElement) heading()?.focus({ preventScroll: true });
}

/** Keep the focus somewhere; hands back what ends that. */
export function keepFocus(): () => void {
  let kept: Kept | undefined;
  let byKeys = false;
  let waiting = false;
  /** Since when what had the focus cannot be pressed; 0 if it can. */
  let paused = 0;
  /** Whether something without focus was pressed since: then none is wanted. */
  let beside = false;
  let later: ReturnType<typeof setTimeout> | undefined;

  const remember = (event: FocusEvent) => {
    const at = event.target;
    if (!(at instanceof HTMLElement || at instanceof SVGElement)) return;
    const within = at.closest("[role=dialog], [role=alertdialog], main") ?? document.body;
    const all = [...within.querySelectorAll<Thing>(FOCUSABLE)];
    // Of a drawing one package at a time is among them; what comes after this one comes after it in the page.
    const n = all.findIndex((each) => each === at || each.compareDocumentPosition(at) & Node.DOCUMENT_POSITION_PRECEDING);
    paused = 0;
    beside = false;
    kept = {
      at,
      line: at.closest("li, tr"),
      within,
      after: n < 0 ? [] : all.slice(n, n + 1 + NEAR).filter((each) => each !== at),
      before: all.slice(Math.max(0, (n < 0 ? all.length : n) - NEAR), n < 0 ? undefined : n).reverse(),
    };
  };

  const look = () => {
    waiting = false;
    const now = document.activeElement;
    if (!kept || (now && now !== document.body)) return;
    const { at } = kept;
    if (usable(at, document.body)) {
      // It was under way and can be pressed again, or it has moved; unless somebody pressed beside it.
      if (!beside) at.focus({ preventScroll: true });
      return;
    }
    if (at.isConnected && at.checkVisibility() && performance.now() - (paused ||= performance.now()) < UNDER_WAY_MS) {
      clearTimeout(later);
      later = setTimeout(look, UNDER_WAY_MS + 20);
      return;
    }
    paused = 0;
    // A sheet on its way hands the focus back by itself.
    if (document.querySelector("[role=dialog][data-state=open], [role=alertdialog][data-state=open]")?.contains(at)) return;
    next(kept)?.focus({ preventScroll: !byKeys });
  };

  const changed = new MutationObserver(() => {
    if (waiting || !kept) return;
    waiting = true;
    // Two frames: one for what went, one for what comes in its place.
    requestAnimationFrame(() => requestAnimationFrame(look));
  });

  const pressed = (event: Event) => {
    byKeys = event.type === "keydown";
    if (!byKeys) beside = true;
  };
  document.addEventListener("focusin", remember);
  addEventListener("keydown", pressed, { capture: true });
  addEventListener("pointerdown", pressed, { capture: true });
  changed.observe(document.body, { childList: true, subtree: true, attributeFilter: ["disabled"] });
  return () => {
    changed.disconnect();
    document.removeEventListener("focusin", remember);
    removeEventListener("keydown", pressed, { capture: true });
    removeEventListener("pointerdown", pressed, { capture: true });
  };
}
