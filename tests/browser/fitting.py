"""What does not fit its screen: too small for a finger, wider than the screen, a word broken in the middle."""

from playwright.sync_api import Page

from tests.browser.conftest import settled

BROKEN = r"""() => {
  const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  const found = new Set(), range = document.createRange();
  const lines = (node, from, to) => {
    range.setStart(node, from);
    range.setEnd(node, to);
    return new Set([...range.getClientRects()].map((box) => Math.round(box.top / 8))).size;
  };
  for (let node; (node = texts.nextNode()); ) {
    if (!node.parentElement.checkVisibility() || lines(node, 0, node.length) < 2) continue;
    for (const word of node.data.matchAll(/\p{L}{2,20}/gu))
      if (lines(node, word.index, word.index + word[0].length) > 1) found.add(word[0]);
  }
  return [...found];
}"""
"""Words that a line ends in the middle of; only what is longer than any word of ours may be broken."""

TOO_SMALL = """() => {
  const pressed = 'button, a, summary, select, textarea, [role=button], [role=radio], [role=slider], [role=tab], ' +
    'label:has(input[type=checkbox], input[type=radio], input[type=file]), input:not([type=file])';
  // A line of text may have a link in it, and a box is pressed by the line it stands in.
  const spared = (each) => each.closest('.sr-only') || each.matches('label input') ||
    (each.matches('a') && getComputedStyle(each).display === 'inline') || each.textContent === 'Skip to content';
  return [...document.querySelectorAll(pressed)]
    .filter((each) => each.checkVisibility() && !spared(each))
    .map((each) => [each.getBoundingClientRect(), each.textContent || each.id || each.ariaLabel])
    .filter(([box]) => box.width && (box.height < 43.5 || box.width < 43.5))
    .map(([box, text]) => `${text.trim().slice(0, 30)} ${Math.round(box.width)}×${Math.round(box.height)}`);
}"""
"""What is smaller than a finger in a floury glove. Source: WCAG 2.2, 2.5.5 Target Size (Enhanced), 44 px."""


OUT_OF_REACH = """() => {
  const main = document.getElementById('main'), foot = main.getBoundingClientRect().bottom;
  if (getComputedStyle(main).overflowY === 'visible') return [];
  const alone = (each) => /auto|scroll/.test(getComputedStyle(each).overflowY);
  const scrolls = (each) => each !== main && (alone(each) || scrolls(each.parentElement));
  return [...main.querySelectorAll('*')]
    .filter((each) => each.getBoundingClientRect().height && each.getBoundingClientRect().bottom > foot + 2)
    .filter((each) => !scrolls(each.parentElement))
    .map((each) => each.textContent.trim().slice(0, 30));
}"""
"""What lies below the foot of a page that does not scroll, in no part of it that does."""


COLLIDING = """() => {
  const boxOf = (each) => {
    const box = each.getBoundingClientRect(), room = box.height * 0.22;
    return { left: box.left + 1, right: box.right - 1, top: box.top + room, bottom: box.bottom - room };
  };
  const drawn = [...document.querySelectorAll(':is(main, [role=dialog]) svg text')]
    .filter((each) => each.checkVisibility({ opacityProperty: true, visibilityProperty: true }))
    .map((each) => [each, boxOf(each)])
    .filter(([each, box]) => each.textContent.trim() && box.right > box.left);
  return drawn.flatMap(([one, a], n) => drawn.slice(n + 1)
    .filter(([other, b]) => one.ownerSVGElement === other.ownerSVGElement &&
      a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom)
    .map(([other]) => `${one.textContent.trim()} and ${other.textContent.trim()}`));
}"""
"""Words in one drawing that run into one another; letters fill the middle of the line that they stand on."""


def ill_fitting(page: Page, width: int) -> list[str]:
    """What of it there is once the page has been laid out anew."""
    found: list[str] = []
    for _ in range(20):
        settled(page)
        wide = page.evaluate("document.documentElement.scrollWidth")
        found = [f"too small: {each}" for each in page.evaluate(TOO_SMALL)]
        found += [f"{wide} px wide"] if wide > width else []
        found += [f"out of reach: {each}" for each in page.evaluate(OUT_OF_REACH)]
        found += [f"broken: {each}" for each in page.evaluate(BROKEN)]
        found += [f"one over the other: {each}" for each in page.evaluate(COLLIDING)]
        if not found:
            break
    return found
