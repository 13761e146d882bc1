"""One figure is told once: wherever the demo household tells something twice, it tells the same.

Each law is of a kind of figure, over all of it that the demo has.
"""

from __future__ import annotations

import re
from collections import Counter

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Here
from tests.support.asking import asking

pytestmark = pytest.mark.browser


def under(page: Page, place: str) -> str:
    """What stands under the name of a place, along the top."""
    link = page.get_by_role("navigation", name="Places").get_by_role("link", name=re.compile(f"^{place}"))
    expect(link).not_to_contain_text("…")
    return link.inner_text().split("\n")[-1]


def number(text: str) -> int:
    found = re.search(r"\d+", text)
    assert found, text
    return int(found.group())


def test_what_is_to_do_is_what_is_listed_as_late_and_now(page: Page, demo: Here) -> None:
    page.goto(f"{demo.url}/rounds")
    heading = page.get_by_role("heading", level=1)
    expect(heading).to_have_text(re.compile("things to do"))
    heads = {name: page.get_by_role("heading", level=2, name=re.compile(f"^{name}")) for name in ("Late", "Today")}
    late, today = (head.inner_text() for head in heads.values())
    assert number(heading.inner_text()) == number(late) + number(today)
    assert number(under(page, "Rounds")) == number(heading.inner_text())
    later = re.findall(r"(\d+) later", today)
    listed = {"Late": number(late), "Today": number(today) + sum(map(int, later))}
    for name, head in heads.items():
        expect(head.locator("xpath=following-sibling::ul[1]/li")).to_have_count(listed[name])


def test_what_is_under_way_is_on_the_pages_of_drying(page: Page, demo: Here) -> None:
    parts = ["/drying/loads", "/drying/freeze", "/freezer"]
    standing = sum(len(asking.get(f"{demo.url}/api{each}").json()) for each in parts)
    standing += len(asking.get(f"{demo.url}/api/drying/jars").json()["jars"])
    page.goto(f"{demo.url}/drying")
    assert under(page, "Drying") == f"{standing} under way"


def test_what_is_on_the_sheet_is_what_is_packed_from_it(page: Page, demo: Here) -> None:
    page.goto(f"{demo.url}/run")
    sheet = page.get_by_role("region", name="On the sheet")
    lines = asking.get(f"{demo.url}/api/run").json()["lines"]
    expect(sheet.get_by_role("heading", level=1)).to_have_text(
        f"{sum(each['count'] for each in lines)} to pack in one go"
    )
    expect(sheet.get_by_text(f"{len(lines)} on the sheet")).to_be_visible()
    assert under(page, "Run") == f"{len(lines)} on the sheet"


def test_supplies_that_run_low_are_as_many_on_every_page(page: Page, demo: Here) -> None:
    page.goto(f"{demo.url}/supplies")
    heading = page.get_by_role("heading", level=1)
    expect(heading).to_have_text(re.compile("running low"))
    low = number(heading.inner_text())
    assert under(page, "Supplies") == f"{low} low"
    assert low == sum(each["is_low"] for each in asking.get(f"{demo.url}/api/supplies").json()["supplies"])


def test_what_is_kept_is_as_much_on_the_shelves_as_in_all(page: Page, demo: Here) -> None:
    overview = asking.get(f"{demo.url}/api/overview").json()
    view = asking.get(f"{demo.url}/api/shelves").json()
    assert len(view["packages"]) == sum(place["kept"] for place in view["places"]) == overview["kept"]
    for place in view["places"]:
        assert sum(food["count"] for food in place["foods"]) == place["kept"]
    page.goto(f"{demo.url}/shelves")
    assert under(page, "Shelves") == f"{overview['kept']} kept"
    page.goto(f"{demo.url}/table")
    days = under(page, "Table").removesuffix(" days")
    expect(page.get_by_text(re.compile(rf"would feed you for {days} days"))).to_be_visible()


def test_a_lot_stands_the_same_among_the_jars_and_among_what_is_ready(demo: Here) -> None:
    jars = asking.get(f"{demo.url}/api/drying/jars").json()["jars"]
    assert len({each["phase"] for each in jars}) > 1
    ready = {each["lot"]: each["jar"] for each in asking.get(f"{demo.url}/api/drying/lots").json()}
    assert {each["lot"]: each["phase"] for each in jars} == {lot: jar for lot, jar in ready.items() if jar}


def test_what_is_due_on_the_shelves_is_due_beside_them(page: Page, demo: Here) -> None:
    """Also what is not right; and what is not right says nothing of how long it lasts."""
    view = asking.get(f"{demo.url}/api/shelves").json()
    due = [each for each in view["packages"] if each["due"] not in ("fine", "kept on")]
    assert {each["due"] for each in due} == {"wrong", "past", "soon"}
    assert sorted(each["number"] for each in view["due"]) == sorted(each["number"] for each in due)
    assert {each["id"]: each["due"] for each in view["places"] if each["due"]} == Counter(each["place"] for each in due)
    rounds = {
        each["number"] for each in asking.get(f"{demo.url}/api/rounds").json()["due"] if each["kind"] == "trouble"
    }
    wrong = [each["number"] for each in due if each["due"] == "wrong"]
    assert set(wrong) == rounds
    for each in wrong:
        page.goto(f"{demo.url}/shelves?n={each}")
        card = page.get_by_role("complementary", name=f"Package {each}")
        expect(card).to_contain_text("The seal leaks")
        expect(card.get_by_text(re.compile("[Bb]est by|% left"))).to_have_count(0)
        drawn = page.get_by_role("button", name=re.compile(f"number {each},"))
        expect(drawn).to_have_accessible_name(re.compile("not right"))
        expect(drawn).not_to_have_accessible_name(re.compile("best by|% of its life"))


def test_a_tray_weighs_on_the_scale_what_is_said_of_it(page: Page, demo: Here) -> None:
    page.goto(f"{demo.url}/drying")
    for tray in (1, 3):
        page.get_by_role("button", name=re.compile(rf"^Weigh tray {tray}\b")).click()
        sheet = page.get_by_role("dialog", name="Weigh a tray")
        said = number(sheet.get_by_text("should weigh about").inner_text().partition("should weigh about")[2])
        sheet.get_by_role("button", name=f"put tray {tray} on it").click()
        shown = re.compile("|".join(rf"\b{grams}(\.\d)? g" for grams in range(said - 2, said + 3)))
        expect(sheet.get_by_role("group", name="The scale")).to_contain_text(shown)
        sheet.get_by_role("button", name="empty it").click()
        sheet.get_by_role("button", name="Close").click()
        expect(sheet).to_have_count(0)
