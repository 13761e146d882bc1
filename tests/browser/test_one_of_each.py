"""A larder with one of each thing: one is never told as if there were many, nor many as if there were one."""

from __future__ import annotations

from datetime import date
from typing import Any

import pytest
from playwright.sync_api import Page

from tests.browser.conftest import Here, settled
from tests.browser.views import PLAIN, READ
from tests.support.asking import asking
from tests.support.plurals import MANY_OF_ONE, ONE_OF_MANY

pytestmark = pytest.mark.browser

TODAY = date.today().isoformat()
ONE_OF_EACH: list[tuple[str, str, dict[str, Any]]] = [
    ("POST", "/table/meals", {"name": "Broth", "text": "1 cup white rice\n1 qwxz", "serves": 1, "per_month": 1}),
    ("PUT", "/table/goal", {"length": "1 day", "keep_years": 1}),
    ("POST", "/table/people", {"name": "Ada", "birth_year": date.today().year - 1, "count": 1, "weeks": 1}),
    ("POST", "/bench/pack", {"ask": {"line": "300 g white rice", "container": "jar-pint"}}),
    ("POST", "/run/lines", {"asks": [{"line": "300 g pearl barley", "container": "jar-pint"}]}),
    ("POST", "/drying/loads", {"items": [{"line": "1 apple"}]}),
    ("POST", "/drying/freeze", {"items": [{"line": "100 g peas", "frozen": True}]}),
    ("POST", "/freezer", {"line": "300 g white rice", "container": "bag-quart"}),
    ("POST", "/supplies", {"sort": "packets", "key": "100", "count": 1, "per_pack": 1, "low": 1}),
    ("POST", "/supplies", {"sort": "lids", "name": "lid", "count": 1}),
    ("POST", "/seeds", {"name": "pea", "harvested": "2025", "amount": "1", "store": "paper packet"}),
    ("POST", "/table/prices", {"line": "1 kg white rice", "shop": "the shop", "price": "1"}),
    ("POST", f"/table/diary/{TODAY}/lines", {"items": [{"meal": None, "people": 1, "line": "1 cup white rice"}]}),
]

READ_ALOUD = """() => [...document.body.innerText.split("\\n"),
  ...[...document.querySelectorAll("[aria-label], [title], [aria-valuetext]")].flatMap((each) =>
    [each.ariaLabel, each.title, each.ariaValueText])].filter(Boolean)"""
"""What is read on a page, and what is told of it to those who do not see it."""


def test_one_is_not_many(page: Page, served: Here) -> None:
    for method, path, body in ONE_OF_EACH:
        answer = asking.request(method, f"{served.url}/api{path}", json=body, headers={"If-Match": "0"})
        assert answer.is_success, (path, answer.text)
    found = []
    views = [*PLAIN, "/bench?line=300 g white rice", "/shelves?n=1", "/shelves/place?n=1", "/shelves/count?place=1"]
    for view in views:
        page.goto(f"{served.url}{view}")
        page.get_by_role("main").locator(READ).first.wait_for()
        settled(page)
        texts = page.evaluate(READ_ALOUD)
        found += [f"{view}: {text}" for text in texts if MANY_OF_ONE.search(text) or ONE_OF_MANY.search(text)]
    assert found == []
