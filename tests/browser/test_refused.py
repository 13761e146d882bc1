"""A press is one act, and never ends in silence: in done, in refused with why, or in not reached and tried again."""

from __future__ import annotations

import importlib
import pkgutil
import re
from collections.abc import Iterator

import pytest
from fastapi.routing import APIRoute
from playwright.sync_api import Page, Route, ViewportSize, expect

from tests.browser.conftest import AXE, ROOT, Here, held_back, put_on_bench, settled
from yellow_larder import api

pytestmark = pytest.mark.browser


def routes() -> Iterator[APIRoute]:
    """Whatever the larder can be asked or told."""
    for module in pkgutil.iter_modules(api.__path__):
        router = getattr(importlib.import_module(f"{api.__name__}.{module.name}"), "router", None)
        yield from router.routes if router else ()


def questions() -> Iterator[str]:
    """What is sent as a change and only asks."""
    for route in routes():
        if getattr(route.endpoint, "asks", False) and not getattr(route.endpoint, "acts", False):
            yield f"/api{route.path}"


CLIENT = (ROOT / "web/src/lib/api/client.ts").read_text(encoding="utf-8")
TAKEN = re.findall(r'"(/api/[^"]+)"', CLIENT.partition("QUESTIONS")[2].partition("];")[0])
"""What the screens take for questions."""

PRESS_EACH = """async ([seen, asked]) => {
  // A sheet that is closing is there for a moment still, and nobody presses anything in it.
  const OPEN = "[role=dialog][data-state=open]";
  const MORE = "§";
  const known = new Set(seen), silent = [], told = [], twice = [], barred = [], sheets = [], unseen = [], unheard = [];
  const loose = [];
  const worked = new WeakSet(), moved = new Map(), first = new WeakMap();
  const fetched = window.fetch;
  let refused = "", sent = [], asking = 0, questions = 0, pressing = false, within;
  window.fetch = async (address, init) => {
    const path = new URL(address).pathname;
    if (init.method === "GET" || asked.includes(path)) {
      asking++;
      questions++;
      // A sheet is seen before what comes later is in it.
      const answer = await fetched(address, init).finally(() => asking--);
      if (over()) await drawn();
      return answer;
    }
    const says = `${init.method} ${path} ${init.body}`;
    if (sent.includes(says) || (sent.length && says.includes(MORE))) twice.push(says);
    sent.push(says);
    refused = `Not now ${init.method} ${path} ${told.length}`;
    const body = { status: 422, title: "No", errors: [{ field: "request", message: refused, nearest: [] }] };
    const headers = { "content-type": "application/problem+json" };
    await until(() => !pressing, 1000);
    await pause(20);
    if (within?.checkVisibility() && !(await stays(within))) loose.push(says);
    return new Response(JSON.stringify(body), { status: 422, headers });
  };
  const pause = (ms) => new Promise((done) => setTimeout(done, ms));
  const until = async (done, most) => {
    for (let waited = 0; waited < most && !done(); waited += 25) await pause(25);
  };
  const escape = async () => {
    document.activeElement?.dispatchEvent(new KeyboardEvent("keydown", { key: "Escape", bubbles: true }));
    await pause(40);
  };
  // While what was pressed in a sheet is under way, nothing more is written in it, and it is not closed.
  const stays = async (sheet) => {
    const how = { data: "x", inputType: "insertText", bubbles: true, cancelable: true };
    const written = new InputEvent("beforeinput", how);
    (sheet.querySelector("input, textarea") ?? sheet).dispatchEvent(written);
    await escape();
    return written.defaultPrevented && over() === sheet;
  };
  const drawn = () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
  const heading = (sheet) => sheet?.querySelector("[data-heading]")?.textContent ?? "";
  const words = (each) =>
    [heading(each.closest("[role=dialog]")), each.textContent.trim(), each.ariaLabel ?? ""].join(" | ");
  const press = async (each) => {
    const name = words(each);
    known.add(name);
    const sheet = over();
    if (sheet && !sheet.contains(each)) return;
    within = each.closest("[role=radio], [role=group]") ? undefined : sheet;
    if (sheet) worked.add(sheet);
    refused = "";
    sent = [];
    each.scrollIntoView({ block: "nearest" });
    pressing = true;
    each.click();
    // What opens and closes, or is on or off, would be as it was.
    if (!each.ariaExpanded && !each.ariaPressed) {
      await pause(0);
      const before = over() ? [] : writeOn();
      await pause(0);
      each.click();
      before.forEach(([field, value]) => write(field, value));
    }
    pressing = false;
    await drawn();
    if (!refused) return;
    const shown = () => document.body.innerText.includes(refused);
    await until(shown, 3000);
    (shown() ? told : silent).push(`${name}: ${refused}`);
    const says = () => holding(refused);
    await until(() => says().some(clear), 1000);
    // A sheet that was pressed for before, and was slow to come, lies over it by now.
    const late = over() && over() !== sheet;
    if (!late && shown() && !says().some(clear)) unseen.push(`${name}: ${refused}`);
    if (shown() && !says().some(heard)) unheard.push(`${name}: ${refused}`);
  };
  // On a page one writes on at once; what is pressed again then is still the press before.
  const writeOn = () =>
    [...document.querySelectorAll("main :is(input:not([type]), input[type=text], textarea)")]
      .filter((field) => field.checkVisibility())
      .map((field) => {
        const { value } = field;
        write(field, value + MORE);
        return [field, value];
      });
  const write = (field, value) => {
    field.value = value;
    field.dispatchEvent(new InputEvent("input", { bubbles: true }));
  };
  const over = () => [...document.querySelectorAll(OPEN)].at(-1);
  const holding = (words) => {
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT), found = [];
    while (texts.nextNode())
      if (texts.currentNode.textContent.includes(words)) found.push(texts.currentNode.parentElement);
    return found.filter((each) => each.checkVisibility());
  };
  // Whole in the window, with nothing over its middle.
  const clear = (each) => {
    const { left, top, bottom } = each.getBoundingClientRect();
    return top >= 0 && bottom <= innerHeight && each.contains(document.elementFromPoint(left + 1, (top + bottom) / 2));
  };
  // Said aloud when it appears, or told of the field that the focus went to.
  const heard = (each) => each.closest("[role=alert], [role=status], [aria-live]") ||
    document.activeElement?.getAttribute("aria-describedby")?.split(" ").includes(each.closest("[id]")?.id);
  const audit = async (sheet) => {
    const name = heading(sheet);
    if (known.has(`sheet ${name}`)) return;
    known.add(`sheet ${name}`);
    sheets.push(name);
    for (const each of (await axe.run(sheet, { resultTypes: ["violations"], preload: false })).violations)
      barred.push(`${name}: ${each.id} at ${each.nodes[0].target}: ${each.nodes[0].failureSummary}`);
    if (moved.has(sheet)) barred.push(`${name}: ${moved.get(sheet)} moved under a thumb`);
    const written = first.get(sheet) ?? {};
    for (const [field, value] of Object.entries(fieldsOf(sheet)))
      if (field in written && written[field] !== value) barred.push(`${name}: ${field} was ${written[field]} at first`);
    if (sheet.scrollTop) barred.push(`${name}: opens ${sheet.scrollTop} px down, and not at its beginning`);
  };
  const fieldsOf = (sheet) => {
    const fields = [...sheet.querySelectorAll("input, textarea, select")];
    return Object.fromEntries(fields.map((each, n) => [`field ${n}`, each.value]));
  };
  const opening = new MutationObserver(() => {
    const sheet = over();
    if (sheet && !first.has(sheet)) requestAnimationFrame(() => first.has(sheet) || first.set(sheet, fieldsOf(sheet)));
  });
  opening.observe(document.body, { childList: true, subtree: true });
  // Whoever opens a sheet begins in it, once all that it asks for is there: what comes later makes it grow.
  const begun = async () => {
    await until(() => over()?.contains(document.activeElement), 1000);
    for (let still = 0, waited = 0; still < 3 && waited < 60; waited++) {
      still = asking ? 0 : still + 1;
      await pause(25);
    }
  };
  const closed = async () => {
    for (let tried = 0; tried < 75 && document.querySelector("[role=dialog]"); tried++)
      await (over() ? escape() : pause(40));
  };
  const stands = new PerformanceObserver((list) => {
    for (const { node, previousRect: from, currentRect: to } of list.getEntries().flatMap((each) => each.sources))
      if (over()?.contains(node) && !worked.has(over()) && Math.abs(to.top - from.top) > 4)
        moved.set(over(), node.textContent.trim().slice(0, 40));
  });
  stands.observe({ type: "layout-shift" });
  // One after the other as they stand then: what is pressed draws others in their place.
  const next = (where) => [...document.querySelectorAll(`${where} button:not([aria-label=Close])`)]
    .find((each) => !each.disabled && each.checkVisibility() && !known.has(words(each)));
  for (let each; (each = next("main")); ) {
    const before = questions;
    await press(each);
    if (questions > before) await until(() => over() || !asking, 1000);
    for (let deep = 0; deep < 3 && document.querySelector(OPEN); deep++) {
      await begun();
      await audit(document.querySelector(OPEN));
      for (let inner; (inner = next(OPEN)); ) await press(inner);
      await escape();
    }
    await closed();
  }
  window.fetch = fetched;
  stands.disconnect();
  opening.disconnect();
  return { known: [...known], told, silent, twice, barred, sheets, unseen, unheard, loose };
}"""
"""Presses everything twice at once, with more written in between, and whatever is in the sheets that open; each of one
name once. What is sent is sent once, is refused after a while, and that must be shown: where it is seen, though it was
pressed at the very edge of the window, and where it is heard; a sheet in which it was pressed stands until then. Each
sheet is gone over by axe, begins at its beginning, and stands still: what comes later moves nothing that is there to
press, and fills in no field that is there to be written in."""

SMALL: ViewportSize = {"width": 390, "height": 600}
"""A phone with the bar of its browser: what is told below has little room."""

VIEWS = ["/rounds", "/rounds/looks", "/table", "/table/meals", "/table/meals?n=1", "/table/diary", "/table/money"]
VIEWS += ["/table/people", "/drying", "/drying/jars", "/drying/ready", "/drying/freeze", "/drying/freezer", "/run"]
VIEWS += [
    "/bench?line=5 kg wheat",
    "/shelves?n=1",
    "/supplies",
    "/shelves/place?n=3",
    "/shelves/seeds",
    "/shelves/coming-in",
]
VIEWS += ["/shelves/count?place=1", "/start"]


FAULTS = ("silent", "twice", "barred", "unseen", "unheard", "loose")


def test_whatever_is_pressed_twice_is_sent_once_and_refused_in_words(page: Page, demo: Here) -> None:
    page.set_viewport_size(SMALL)
    pressed: list[str] = []
    told: list[str] = []
    wrong: list[str] = []
    sheets: list[str] = []
    for view in VIEWS:
        page.goto(f"{demo.url}{view}")
        page.get_by_role("main").get_by_role("button").first.wait_for()
        page.evaluate(AXE.read_text())
        seen = page.evaluate(PRESS_EACH, [pressed, TAKEN])
        told += seen["told"]
        sheets += seen["sheets"]
        wrong += [f"{view}: {how}: {each}" for how in FAULTS for each in seen[how]]
        pressed = seen["known"]
    assert wrong == []
    # How many it is depends on how soon what was pressed takes a page away.
    assert len(told) > 100
    assert len(pressed) > 400
    assert len(sheets) > 30


def refuse(route: Route, field: str, message: str) -> None:
    """Answer as the larder does that refuses something."""
    problem = {"status": 422, "title": "No", "errors": [{"field": field, "message": message, "nearest": []}]}
    route.fulfill(status=422, content_type="application/problem+json", json=problem)


def test_a_box_that_was_refused_stands_as_it_did(page: Page, demo: Here) -> None:
    page.goto(f"{demo.url}/table")
    page.locator("main details summary").first.click()
    page.route("**/api/table/goal", lambda route: refuse(route, "request", "Not tonight"))
    boxes = page.get_by_role("main").get_by_role("checkbox")
    before = [each.is_checked() for each in boxes.all()]
    assert len(before) > 5
    for box in boxes.all():
        with page.expect_response("**/api/table/goal"):
            box.click()
    settled(page)
    assert [each.is_checked() for each in boxes.all()] == before


@pytest.mark.parametrize("container", ["1 gal foil bag", "quart jar", "5 gal pail", "1.5 litre drinks bottle"])
def test_whatever_is_ticked_on_the_bench_is_so_in_the_plan(page: Page, served: Here, container: str) -> None:
    put_on_bench(page, served, "4 kg white rice", container)
    boxes = page.get_by_role("main").get_by_role("checkbox")
    assert boxes.count() > 3
    for n in range(boxes.count()):
        before = boxes.nth(n).is_checked()
        with page.expect_response("**/api/bench/plan"):
            boxes.nth(n).click()
        expect(boxes.nth(n)).to_be_checked(checked=not before)


def test_what_is_refused_is_said_to_whoever_went_on(page: Page, demo: Here) -> None:
    """Its own place on the screen is gone by then, and would have shown it to nobody."""
    held = held_back(page, "**/api/table/diary/*/lines")
    page.goto(f"{demo.url}/table/diary")
    evening = page.get_by_role("region", name="The evening's line")
    with page.expect_request("**/api/table/diary/*/lines"):
        evening.get_by_role("button", pressed=False).first.click()
    before = evening.text_content() or ""
    page.get_by_role("button", name="The month before").click()
    expect(evening).not_to_have_text(before)
    refuse(held[0], "line", "Not that evening")
    expect(page.get_by_text("Not that evening")).to_be_visible()


def test_what_no_field_of_a_sheet_says_is_said_over_it(page: Page, demo: Here) -> None:
    page.set_viewport_size(SMALL)
    page.goto(f"{demo.url}/supplies")
    page.get_by_role("button", name="Household").click()
    sheet = page.get_by_role("dialog", name="Household")
    sheet.get_by_label("Name").wait_for()
    page.route("**/api/household", lambda route: refuse(route, "moon", "Not tonight"))
    sheet.get_by_role("button", name="Save").click()
    said = page.get_by_text("Not tonight")
    said.wait_for()
    box = said.bounding_box()
    assert box
    middle = [box["x"] + box["width"] / 2, box["y"] + box["height"] / 2]
    assert said.evaluate("(said, [x, y]) => said.contains(document.elementFromPoint(x, y))", middle)


def test_a_reading_that_was_asked_for_before_takes_no_refusal_away(page: Page, demo: Here) -> None:
    """As when somebody writes in a field and presses a button at once: leaving the field asks what its figure means."""
    page.goto(f"{demo.url}/table/people")
    page.get_by_role("button", name=re.compile("^Father")).click()
    sheet = page.get_by_role("dialog", name="Father")
    held = held_back(page, "**/api/table/people/need")
    page.route(re.compile(r"/api/table/people/\d+$"), lambda route: refuse(route, "request", "Not tonight"))
    sheet.get_by_label("Weight").fill("75 kg")
    with page.expect_request("**/api/table/people/need"):
        sheet.get_by_role("button", name="Save").click()
    refused = sheet.get_by_role("alert").filter(has_text="Not tonight")
    refused.wait_for()
    with page.expect_response("**/api/table/people/need"):
        held[0].continue_()
    settled(page)
    expect(refused).to_be_visible()


def test_what_the_screens_take_for_questions_are_questions() -> None:
    assert len(TAKEN) > 5
    assert set(TAKEN) <= set(questions())
    # Asked as a change, the same words would be answered with what was true a moment ago.
    reads = {
        f"/api{each.path}" for each in routes() if "POST" in each.methods and each.path.endswith(("/read", "/plan"))
    }
    assert reads <= set(TAKEN)
