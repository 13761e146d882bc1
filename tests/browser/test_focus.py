"""The focus is never lost: whatever is pressed by its key, it stands on the next thing to do after it."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import PATIENT_MS, Here, put_on_bench, settled
from tests.browser.test_run import filled, stock
from tests.support.asking import asking

pytestmark = pytest.mark.browser

STANDS = """() => {
  const at = document.activeElement;
  return at === document.body || !at ? "nowhere" : at.ariaLabel || at.textContent.trim().slice(0, 60);
}"""


def press(page: Page, name: str | re.Pattern[str], *, tells: str = "**/api/overview", then: str = "") -> str:
    """Press the first button of that name by its key, wait until all is done, and say where the focus is.

    Where it must be is waited for: what the press changed is read anew, and that may take as long as the network does.
    """
    button = page.get_by_role("main").get_by_role("button", name=name).first
    button.focus()
    # What it showed is read anew with the figures along the edge.
    with page.expect_response(tells):
        page.keyboard.press("Enter")
    expect(page.locator("[aria-busy=true]")).to_have_count(0)
    settled(page)
    settled(page)
    for _ in range(PATIENT_MS // 50):
        stands = str(page.evaluate(STANDS))
        if stands != "nowhere" and stands.startswith(then):
            break
        page.wait_for_timeout(50)
    return stands


@pytest.mark.parametrize(
    ("view", "name", "then"),
    [
        ("/rounds", "Free", ""),
        ("/rounds", "It is out", ""),
        ("/table/diary", "Porridge", "Porridge"),
        ("/table/money", re.compile("^Bought: "), ""),
        ("/table/money", re.compile("^Bought, and to the bench: "), ""),
        ("/drying/jars", re.compile("^Back from the dryer"), "Free"),
        ("/drying/freezer", "Take it out", ""),
        ("/run", "Take pearl barley off the sheet", ""),
    ],
)
def test_it_goes_to_the_next_thing(page: Page, demo: Here, view: str, name: str | re.Pattern[str], then: str) -> None:
    page.goto(f"{demo.url}{view}")
    page.get_by_role("main").get_by_role("button", name=name).first.wait_for()
    expect(page.get_by_role("main").locator("[aria-busy=true]")).to_have_count(0)
    settled(page)
    stands = press(page, name, then=then)
    assert stands != "nowhere"
    assert stands.startswith(then)
    if view == "/rounds":
        expect(page.get_by_role("status").filter(has_text="Done: ")).to_have_count(1)
    undo = asking.get(f"{demo.url}/api/overview").json()["can_undo"]["change"]
    asking.post(f"{demo.url}/api/undo", json={"change": undo}).raise_for_status()


def test_a_whole_run_by_enter_alone(page: Page, served: Here) -> None:
    """Each step begins at its heading, and is read out; nothing is pressed by a key that is held too long."""
    stock(served)
    put_on_bench(page, served, "10 kg pearl barley")
    page.get_by_role("button", name="Run sheet").focus()
    page.keyboard.press("Enter")
    expect(page).to_have_url(re.compile("/run"))
    expect(page.get_by_role("heading", name="4 to pack in one go")).to_be_visible()
    assert press(page, "Begin", tells="**/api/run/**") == "Labels first"
    assert press(page, "They are all stuck on", tells="**/api/run/**") != "nowhere"
    assert press(page, "It is all here", tells="**/api/run/**") != "nowhere"
    assert press(page, re.compile("^All 4 hold"), tells="**/api/run/**") != "nowhere"
    assert press(page, "Absorbers are open: start", tells="**/api/run/**") != "nowhere"


def test_what_is_closed_gives_it_back(page: Page, served: Here) -> None:
    filled(served)
    page.goto(f"{served.url}/bench")
    for name in ("Household", "Keys"):
        page.get_by_role("button", name=name).focus()
        page.keyboard.press("Enter")
        expect(page.get_by_role("dialog", name=name)).to_be_visible()
        page.keyboard.press("Escape")
        expect(page.get_by_role("button", name=name)).to_be_focused()


def test_what_takes_away_is_never_next(page: Page, demo: Here) -> None:
    """A key pressed twice takes out one line, not two."""
    page.goto(f"{demo.url}/table/diary")
    for meal in ("Porridge", "Fish stew"):
        button = page.get_by_role("main").get_by_role("button", name=meal, exact=True)
        if button.get_attribute("aria-pressed") == "false":
            with page.expect_response("**/lines"):
                button.click()
    expect(page.get_by_role("button", name=re.compile("^Take out "))).not_to_have_count(1)
    press(page, re.compile("^Take out "))
    assert page.evaluate("document.activeElement.matches('.away')") is False
