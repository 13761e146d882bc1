"""A press is an act: a slow answer shows, what is late is not shown, and what slid under the finger is not pressed."""

from __future__ import annotations

import re
from contextlib import suppress

import pytest
from playwright.sync_api import Error, Page, expect

from tests.browser.conftest import Here, heard, held_back, put_on_bench
from yellow_larder.features.shelves.shelves import shelves

pytestmark = pytest.mark.browser


def test_bought_twice_is_one_lot(page: Page, demo: Here) -> None:
    """The larder answers quickly, and the second press comes after its answer."""
    page.goto(f"{demo.url}/table/money")
    lots = page.get_by_role("link", name="To the bench")
    buttons = page.get_by_role("button", name=re.compile("^Bought: "))
    buttons.first.wait_for()
    before = lots.count()
    name = buttons.first.get_attribute("aria-label")
    assert name
    bought = page.get_by_role("button", name=name, exact=True)
    bought.scroll_into_view_if_needed()
    box = bought.bounding_box()
    assert box
    # The row goes once it is bought, and the next slides under the finger.
    pressed = """([x, y]) => new Promise((done) => {
      const press = () => {
        const at = document.elementFromPoint(x, y).closest("button");
        const where = { bubbles: true, cancelable: true, detail: 1, clientX: x, clientY: y };
        at?.dispatchEvent(new MouseEvent("click", where));
        return at;
      };
      const first = press();
      const again = () => (first.isConnected ? requestAnimationFrame(again) : done(press()?.ariaLabel));
      again();
    })"""
    under = page.evaluate(pressed, [box["x"] + 20, box["y"] + 20])
    assert under != name
    expect(lots).to_have_count(before + 1)
    page.wait_for_timeout(200)
    expect(lots).to_have_count(before + 1)
    page.get_by_role("button", name="Undo").click()
    expect(lots).to_have_count(before)


def test_a_slow_answer_shows_on_what_was_pressed(page: Page, served: Here) -> None:
    put_on_bench(page, served, "2 kg pearl barley")
    held = held_back(page, "**/api/bench/pack")
    pack = page.get_by_role("button", name="Pack it")
    pack.click()
    expect(page.locator("[aria-busy=true]")).to_have_text("Pack it")
    expect(page.get_by_text("Waiting for the larder")).to_be_attached()
    for route in held:
        route.continue_()
    expect(page.get_by_role("dialog", name="Packed")).to_be_visible()
    expect(page.locator("[aria-busy=true]")).to_have_count(0)
    expect(page.get_by_text("Waiting for the larder")).to_have_count(0)


def test_a_card_that_comes_late_is_not_shown(page: Page, demo: Here) -> None:
    """The first package is asked for and held back; the second is shown; then the first comes."""
    held = held_back(page, "**/api/packages/10")
    page.goto(f"{demo.url}/shelves")
    page.get_by_role("group", name="cut open").wait_for()
    for number in (10, 11):
        with page.expect_request(f"**/api/packages/{number}"):
            page.evaluate(
                """(number) => {
                  const one = Object.assign(document.createElement("a"), { href: `/shelves?n=${number}` });
                  document.querySelector("main").append(one);
                  one.click();
                }""",
                number,
            )
    card = page.get_by_role("complementary", name="Package 11")
    expect(card).to_contain_text("number 11")
    for route in held:
        # Where the page has let go of it, there is nothing left to answer.
        with suppress(Error):
            route.continue_()
    page.wait_for_timeout(600)
    expect(card).to_contain_text("number 11")
    expect(card).not_to_contain_text("number 10")
    assert held


def test_who_types_on_is_let_be(page: Page, demo: Here) -> None:
    page.goto(f"{demo.url}/shelves")
    field = page.get_by_placeholder("Food or number")
    field.wait_for()
    with heard(page, "request") as asked:
        field.press_sequentially("66", delay=40)
        expect(page.get_by_role("complementary", name="Package 66")).to_be_visible()
    assert [each.url.partition("words=")[2] for each in asked if "find" in each.url] == ["66"]


def test_what_is_packed_is_what_was_drawn(page: Page, served: Here) -> None:
    """Lentils are typed, barley is still drawn: nothing is packed until lentils are."""
    put_on_bench(page, served, "2 kg pearl barley")
    held = held_back(page, "**/api/bench/plan")
    page.get_by_role("combobox", name="What is on the bench").fill("2 kg red lentils")
    page.get_by_role("button", name="Pack it").click()
    expect(page.get_by_text("changed since it was drawn").first).to_be_visible()
    for route in held:
        route.continue_()
    page.unroute("**/api/bench/plan")
    expect(page.get_by_role("group", name="drawn to scale")).to_have_accessible_name(re.compile("red lentils"))
    assert shelves(served.larder).packages == []
