"""A freezer, and tins of the shop: they come in, stand as what they are, count, and are opened."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Here
from yellow_larder.features.household.larder import NewPlace, add_place

pytestmark = pytest.mark.browser

LINES = """8 tins sardines, best by 2029-06
6 tins chopped tomatoes
2 kg frozen peas
3 x 600 g chicken, chest freezer
6 pint jars home-canned pears, 2026"""


def add_freezer(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/shelves")
    page.get_by_role("button", name="Add a place").click()
    sheet = page.get_by_role("dialog")
    sheet.get_by_label("Name").fill("Chest freezer")
    sheet.get_by_role("radio", name="freezer").click()
    sheet.get_by_role("button", name="Add it").click()
    expect(sheet).to_be_hidden()


def test_a_freezer_and_tins_come_in_stand_count_and_are_opened(page: Page, served: Here) -> None:
    add_freezer(page, served)
    page.goto(f"{served.url}/shelves/coming-in")
    page.get_by_label("Type a line, or paste many").fill(LINES)
    page.get_by_role("button", name="Add to the list").click()
    rows = page.get_by_role("list", name="Lines").get_by_role("listitem")
    expect(rows.filter(has_text="sardines")).to_contain_text("as its maker closed it")
    expect(rows.filter(has_text="frozen peas")).to_contain_text("Chest freezer")
    expect(rows.filter(has_text="home-canned pears")).to_contain_text("never tasted")
    page.get_by_role("button", name="Put all away").click()
    expect(page.get_by_role("link", name="See the shelves")).to_be_visible()

    # The freezer is drawn as one, with what is in it; a tin stands dry, by the date on it.
    page.goto(f"{served.url}/shelves?place=2")
    expect(page.get_by_text("−18 °C over the year").first).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("^chicken, 600 g, number 1[678]"))).to_have_count(3)
    expect(page.get_by_role("button", name=re.compile("^frozen peas, 2 kg"))).to_be_visible()
    page.goto(f"{served.url}/shelves?n=1")
    card = page.get_by_role("complementary", name="Package 1")
    expect(card).to_contain_text("Jun 2029")
    assert float(re.search(r"Table ([\d.]+) days", page.get_by_role("banner").inner_text().replace("\n", " "))[1]) > 1

    # Once it is open it keeps as leftovers do, and says so before it is past.
    card.get_by_role("button", name="Open it").click()
    expect(card).to_contain_text("Open since")
    expect(card).not_to_contain_text("Best by Jun 2029")
    page.goto(f"{served.url}/rounds")
    expect(page.get_by_role("main")).to_contain_text("sardines")

    # What is frozen does not keep in a cupboard: it says so at the move.
    page.goto(f"{served.url}/shelves?place=2&n=15")
    frozen = page.get_by_role("complementary", name="Package 15")
    expect(frozen.get_by_role("heading", name="Frozen peas")).to_be_visible()
    frozen.get_by_role("button", name="Move", exact=True).click()
    move = page.get_by_role("dialog", name="Move number 15")
    move.get_by_role("radio", name=re.compile("Pantry")).click()
    move.get_by_role("button", name="Move it").click()
    expect(frozen).to_contain_text("Best by")

    # What hangs on the freezer, and on tins.
    page.goto(f"{served.url}/shelves/spread")
    main = page.get_by_role("main")
    expect(main).to_contain_text("Chest freezer")
    expect(main).to_contain_text("tins and jars")


def test_what_is_not_dry_finds_its_way_from_the_bench(page: Page, served: Here) -> None:
    add_place(served.larder, NewPlace("Chest freezer", "freezer", mean_c=-18, warmest_c=-18))
    page.goto(f"{served.url}/bench")
    page.get_by_label("What is on the bench: an amount and a food").fill("2 kg chicken thighs")
    page.get_by_role("region", name="Verdict").get_by_role("link", name="put it away in the fridge or freezer").click()
    line = page.get_by_role("listitem").filter(has_text="chicken thighs")
    expect(line).to_contain_text("Chest freezer")
    expect(page).to_have_url(re.compile("/shelves/coming-in$"))
    page.goto(f"{served.url}/bench")
    page.get_by_label("What is on the bench: an amount and a food").fill("10 tins sardines, best by 2029")
    page.get_by_role("link", name="Put it away as it is").click()
    expect(page.get_by_role("listitem").filter(has_text="sardines")).to_contain_text("10 ×")
    page.reload()
    expect(page.get_by_role("listitem").filter(has_text="sardines")).to_have_count(1)
    page.get_by_role("button", name=re.compile("^Put")).click()
    expect(page.get_by_text("Put away: numbers 1 to 11")).to_be_visible()
