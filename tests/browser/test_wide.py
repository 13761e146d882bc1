"""No page becomes wider than the screen: not by a name of sixty letters without a blank, nor by large letters."""

from __future__ import annotations

from datetime import date
from typing import Any

import pytest
from playwright.sync_api import Browser, Page

from tests.browser.conftest import Here, settled
from tests.browser.views import PLAIN, READ
from tests.support.asking import asking
from tools.browser import CHROMIUM, QUIET

pytestmark = pytest.mark.browser

NAME = "Donaudampfschifffahrtsgesellschaftskapitaensmuetzenfabrikant"[:60]
TODAY = date.today().isoformat()
PARTS = {"kcal": 338, "protein_g": 14, "fat_g": 2.5, "carbohydrate_g": 70, "fibre_g": 9, "water_g": 11}
WRITTEN: list[tuple[str, dict[str, Any]]] = [
    ("/foods", {"name": NAME, "like": "spelt", "measure": "1 L", "weighs": "700 g"} | PARTS),
    ("/places", {"name": NAME, "sort": "cupboard", "shelves": 3, "width_mm": 1200, "mean_c": 15, "warmest_c": 18}),
    ("/bench/pack", {"ask": {"line": f"2 kg {NAME}"}}),
    ("/table/meals", {"name": NAME, "text": f"1 kg {NAME}\n2 cups rice", "serves": 4, "per_month": 4}),
    ("/table/people", {"name": NAME, "birth_year": 1980}),
    ("/table/prices", {"line": f"2 kg {NAME}", "shop": NAME, "price": "3.20"}),
    (f"/table/diary/{TODAY}/lines", {"items": [{"meal": None, "people": None, "line": f"2 kg {NAME}"}]}),
    ("/supplies", {"sort": "tools", "name": NAME, "count": 1}),
    ("/run/lines", {"asks": [{"line": f"2 kg {NAME}"}]}),
]
VIEWS = ["/bench", f"/bench?line=2 kg {NAME}", "/shelves", "/shelves?n=1", "/rounds", "/table", "/table/meals", "/run"]
VIEWS += ["/table/diary", "/table/money", "/table/people", "/supplies", "/guide"]

RUNS_OVER = """() => [...document.querySelectorAll('main *, header *, nav *')]
  .filter((each) => each.checkVisibility() && !each.closest('svg, .sr-only') && each.clientWidth > 0)
  .filter((each) => getComputedStyle(each).overflowX === 'visible' && getComputedStyle(each).display !== 'inline')
  .filter((each) => [...each.childNodes].some((node) => node.nodeType === 3 && node.textContent.trim()))
  .filter((each) => each.scrollWidth > each.clientWidth + 2)
  .map((each) => `${each.textContent.trim().slice(0, 30)}: ${each.scrollWidth} > ${each.clientWidth}`)"""
"""Texts that are wider than what they stand in, and lie over what is beside them."""


def too_wide(page: Page, width: int) -> list[str]:
    """What of a page has no room at a width."""
    page.set_viewport_size({"width": width, "height": 844})
    settled(page)
    wide = page.evaluate("document.documentElement.scrollWidth")
    return [*([f"the page is {wide} wide"] if wide > width else []), *page.evaluate(RUNS_OVER)]


def test_no_name_widens_a_page(page: Page, served: Here) -> None:
    for path, body in WRITTEN:
        asking.post(f"{served.url}/api{path}", json=body).raise_for_status()
    found = []
    for view in VIEWS:
        page.set_viewport_size({"width": 390, "height": 844})
        page.goto(f"{served.url}{view}")
        page.get_by_role("main").locator(READ).first.wait_for()
        for width in (320, 390, 640, 820):
            found += [f"{view} at {width}: {each}" for each in too_wide(page, width)]
    assert found == []


def test_letters_twice_as_large_widen_no_page(browser: Browser, demo: Here) -> None:
    """As somebody sets it in the browser who reads no small print. Source: WCAG 2.2, 1.4.4 Resize Text."""
    large = browser.browser_type.launch(executable_path=CHROMIUM, args=[*QUIET, "--blink-settings=defaultFontSize=32"])
    page = large.new_page(reduced_motion="reduce")
    found = []
    for view in [*PLAIN, "/bench?line=10 kg pearl barley"]:
        page.goto(f"{demo.url}{view}")
        page.get_by_role("main").locator(READ).first.wait_for()
        assert page.evaluate("getComputedStyle(document.documentElement).fontSize") == "32px"
        for width in (390, 820, 1280):
            found += [f"{view} at {width}: {each}" for each in too_wide(page, width)]
    large.close()
    assert found == []
