"""Keys press what has the focus, and nothing by accident."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Here, put_on_bench
from tests.browser.test_run import filled, kept

pytestmark = pytest.mark.browser


def test_space_presses_what_has_the_focus_in_a_run(page: Page, served: Here) -> None:
    filled(served)
    page.goto(f"{served.url}/run")
    page.get_by_role("button", name="Absorbers are open: start").click()
    page.get_by_role("button", name=re.compile("^Number 1 is sealed")).wait_for()
    page.get_by_role("button", name="Pause").focus()
    page.keyboard.press("Space")
    expect(page.get_by_role("dialog")).to_be_visible()
    page.keyboard.press("Escape")
    assert kept(served) == []
    page.get_by_role("button", name="sealed twice").click()
    expect(page.get_by_role("button", name=re.compile("^Number 1 is sealed"))).to_be_focused()
    page.keyboard.press("Space")
    expect(page.get_by_text("1 of 4 closed")).to_be_visible()


@pytest.mark.parametrize(
    ("view", "opens", "sheet"),
    [
        ("/rounds", "Household", "Household"),
        ("/rounds", "Keys", "Keys"),
        ("/shelves", "Add a place", "Add a place"),
        ("/table/people", "Add somebody", "Who eats?"),
    ],
)
def test_a_space_typed_into_a_new_sheet_does_not_close_it(
    page: Page, demo: Here, view: str, opens: str, sheet: str
) -> None:
    """Whoever types on before they look must not shut what they opened."""
    page.goto(f"{demo.url}{view}")
    page.get_by_role("button", name=opens, exact=True).click()
    opened = page.get_by_role("dialog", name=sheet)
    expect(opened).to_be_visible()
    page.wait_for_function("document.activeElement.closest('[role=dialog]') !== null")
    page.keyboard.press("Space")
    page.wait_for_timeout(100)
    expect(opened).to_be_visible()
    page.keyboard.press("Escape")
    expect(opened).to_be_hidden()


def test_single_keys_can_be_turned_off(page: Page, demo: Here) -> None:
    page.goto(f"{demo.url}/rounds")
    page.get_by_role("heading", name=re.compile("to do")).wait_for()
    page.keyboard.press("?")
    keys = page.get_by_role("dialog", name="Keys")
    keys.get_by_label("Single keys do something").uncheck()
    page.keyboard.press("Escape")
    expect(keys).to_be_hidden()
    page.keyboard.press("g")
    page.keyboard.press("b")
    page.keyboard.press("?")
    page.wait_for_timeout(150)
    expect(page).to_have_url(re.compile("/rounds"))
    expect(keys).to_be_hidden()
    page.get_by_role("button", name="Keys").click()
    keys.get_by_label("Single keys do something").check()
    page.keyboard.press("Escape")
    expect(keys).to_be_hidden()
    page.keyboard.press("g")
    page.keyboard.press("b")
    expect(page).to_have_url(re.compile("/bench"))


def test_a_key_hit_by_accident_keeps_what_is_on_the_bench(page: Page, served: Here) -> None:
    put_on_bench(page, served, "2 kg pearl barley")
    page.get_by_role("region", name="Verdict").click()
    page.keyboard.press("n")
    page.wait_for_timeout(100)
    expect(page.get_by_role("combobox", name="What is on the bench")).to_have_value("2 kg pearl barley")
    expect(page.get_by_role("button", name="Pack it")).to_be_enabled()


def test_a_change_leaves_the_page_where_it_is_read(page: Page, demo: Here) -> None:
    """On a phone: what was saved far down is still in sight."""
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"{demo.url}/rounds")
    shake = page.get_by_role("button", name="Free", exact=True).last
    shake.scroll_into_view_if_needed()
    page.evaluate("scrollTo(0, 900)")
    before = page.evaluate("scrollY")
    assert before > 300
    page.evaluate("dispatchEvent(new Event('resize'))")
    with page.expect_response("**/api/overview"):
        page.get_by_role("button", name="It is out").first.dispatch_event("click")
    page.wait_for_timeout(200)
    assert page.evaluate("scrollY") > before - 250
