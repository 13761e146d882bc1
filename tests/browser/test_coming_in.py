"""An old pantry in one sitting: sixty lines in one paste, the doubtful mended in place, all put away, one undo."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Locator, Page, ViewportSize, expect

from tests.browser.conftest import Here, settled

pytestmark = pytest.mark.browser

PHONE: ViewportSize = {"width": 390, "height": 844}

EVENING = """
6 quart jars white rice, absorbers, May 2023
4 qt jars brown lentils, vac sealed, 2024
2 five-gallon buckets hard red wheat, about 2021
5 gal bucket rolled oats with mylar, absorbers, 3 years ago
3 gallon mylar bags pinto beans, absorbers, before 2020
old: 2 gal bags split peas, no idea when
10 tins sardines, best by 2028-03
12 cans tomatoes, exp 06/2027
8 tins tuna, use by 2029
6 cans baked beans
4 cans chickpeas
3 cans coconut milk bb 2027
4 jars peanut butter, best before August 2027
5 jars jam, summer 2025
2 bottles olive oil
1 bottle vegetable oil, bb March 2027
3 lb coffee beans
2 boxes tea bags
25 kg sack bread flour, October 2026
10 lb sugar
4 lb brown sugar
2 kg salt
1 gallon jar of honey, 2019
jar of molasses
1 lb dried yeast, freezer
2 boxes baking soda
baking powder, 2 tins
20 lb potatoes, cellar
10 lb onions, cellar
5 lb garlic, cellar
1 crate apples, cellar
3 lb chicken breast, Sept 2026
2 lb bacon
frozen peas 2 lb
frozen blueberries 5 lb
2 dozen eggs
1 lb butter
2 lb cheddar
dehydrated zuchini, 2 quart jars
dried apples, 3 qt jars, absorbers, Oct 2025
dried onions, pint jar
dried mushrooms 50 g
tomato powder, half pint jar, absorbers
banana chips 1 lb
freeze dried strawberries, 4 mylar bags, absorbers, last year
freeze dried chicken, 2 qt mylar bags, absorbers
powdered milk, 2 #10 cans, 2018
cheese powder 2 lb
chicken bouillon, 2 jars
oregano, pint jar
smoked paprika, half pint jar
bay leaves 20 g
cinnamon 4 oz
raisins 2 lb
almonds 3 lb, vacuum
dog food 40 lb
hardtack, gallon bag
2 loaves bread
2 gal bags mystery, no idea when
7 jars grandmothers chutnee
"""


def rows(page: Page) -> Locator:
    return page.get_by_role("list", name="Lines").get_by_role("listitem")


def paste(page: Page, text: str) -> None:
    """As from a clipboard: the browser of the tests has none of its own."""
    page.get_by_label("Type a line, or paste many").evaluate(
        """(field, text) => {
            const data = new DataTransfer();
            data.setData("text", text);
            field.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
        }""",
        text,
    )


def test_an_old_pantry_in_one_sitting(page: Page, demo_to_change: Here) -> None:
    page.set_viewport_size(PHONE)
    page.goto(f"{demo_to_change.url}/shelves")
    page.get_by_role("link", name="Add what is there").click()
    paste(page, EVENING)
    expect(rows(page)).to_have_count(60)
    expect(page.get_by_role("button", name="1 line to mend")).to_be_visible()
    expect(rows(page).first).to_contain_text("6 × white rice, 740 g")
    expect(rows(page).first).to_contain_text("quart jar · with absorbers · Stair cupboard · May 2023")

    # Nothing is put away as long as a line is not read, and nothing of it is lost by a reload.
    page.get_by_role("button", name="Put all away").click()
    last = rows(page).last
    expect(last.get_by_role("alert").first).to_contain_text("“grandmothers chutnee” is not in the table")
    page.reload()
    expect(rows(page)).to_have_count(60)
    last = rows(page).last
    last.get_by_role("textbox").fill("7 jars pickles")
    last.get_by_role("textbox").press("Enter")
    expect(rows(page).last).to_contain_text("7 × pickles")

    page.get_by_role("button", name="Put all away").click()
    done = page.get_by_role("status").filter(has_text="Put away: numbers")
    expect(done).to_be_visible()
    done.get_by_role("button", name="Labels …").click()
    expect(page.get_by_role("dialog", name="Labels")).to_be_visible()
    page.keyboard.press("Escape")
    done.get_by_role("link", name="See the shelves").click()
    expect(page.get_by_role("button", name=re.compile("^sardines, ")).first).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_text(re.compile("^Undone: Put away .* that were there"))).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("^sardines, "))).to_have_count(0)


def test_one_line_typed_changed_and_removed(page: Page, demo_to_change: Here) -> None:
    page.goto(f"{demo_to_change.url}/shelves/coming-in")
    field = page.get_by_label("Type a line, or paste many")
    field.fill("3 quart jars dried zebra")
    field.press("Enter")
    expect(field).to_have_value("")
    only = rows(page)
    expect(only).to_contain_text("Did you mean")
    only.get_by_role("textbox").fill("3 quart jars rice, vacuum, 2031")
    only.get_by_role("textbox").press("Enter")
    expect(only.get_by_role("alert")).to_contain_text("is in the future")
    only.get_by_role("textbox").fill("3 quart jars rice, vacuum, 2021")
    only.get_by_role("textbox").press("Enter")
    expect(only).to_contain_text("3 × rice")
    expect(only).to_contain_text("under vacuum")
    only.get_by_role("button", name=re.compile("^Change the line")).click()
    only.get_by_role("textbox").fill("3 quart jars jerky, absorbers")
    only.get_by_role("textbox").press("Enter")
    expect(only).to_contain_text("botulism")
    settled(page)
    only.get_by_role("button", name=re.compile("^Remove the line")).click()
    expect(rows(page)).to_have_count(0)
    expect(page.get_by_role("button", name="Put all away")).to_have_count(0)


def test_from_the_first_start_to_the_first_label(page: Page, served: Here) -> None:
    """A larder with nothing in it: five questions, a line about what is there, its label."""
    page.goto(served.url)
    page.get_by_role("link", name="Begin here").click()
    page.get_by_role("radio", name="pounds, quarts, inches, °F").click()
    page.get_by_label("People who eat here").fill("none")
    page.get_by_label("What you call it").fill("Root cellar")
    page.get_by_role("radio", name="cellar or basement").click()
    page.get_by_role("radio", name="cool all year, like a cellar").click()
    page.get_by_role("radio", name="mountains", exact=True).click()
    page.get_by_role("button", name="On to what is there already").click()
    expect(page.get_by_label("People who eat here")).to_have_attribute("aria-invalid", "true")
    page.get_by_label("People who eat here").fill("3")
    page.get_by_role("button", name="On to what is there already").click()

    expect(page.get_by_role("heading", name="What is there already")).to_be_visible()
    page.get_by_label("Type a line, or paste many").fill("4 quart jars pinto beans, absorbers, 2022")
    page.get_by_role("button", name="Add to the list").click()
    expect(rows(page)).to_contain_text("4 × pinto beans, 1 lb 8 oz")
    expect(rows(page)).to_contain_text("Root cellar")
    page.get_by_role("button", name="Put all away").click()
    page.get_by_role("button", name="Labels …").click()
    expect(page.get_by_role("dialog", name="4 labels")).to_be_visible()
    page.keyboard.press("Escape")
    page.get_by_role("link", name="See the shelves").click()
    expect(page.get_by_text("Root cellar").first).to_be_visible()
    expect(page.get_by_text("54 °F over the year, 59 °F at its warmest")).to_be_visible()


def test_whoever_begins_again_changes_nothing_that_was_not_asked(page: Page, demo_to_change: Here) -> None:
    """The questions show what is known already, and a place keeps its name and its warmth."""
    page.goto(f"{demo_to_change.url}/start")
    expect(page.get_by_label("What you call it")).to_have_value("Stair cupboard")
    expect(
        page.get_by_role("radiogroup", name="How warm is it there?").get_by_role("radio", checked=True)
    ).to_have_count(0)
    page.get_by_role("button", name="On to what is there already").click()
    expect(page.get_by_role("heading", name="What is there already")).to_be_visible()
    page.goto(f"{demo_to_change.url}/shelves?place=1")
    expect(page.get_by_text("17 °C over the year, 21 °C at its warmest").first).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("^Stair cupboard"))).to_be_visible()


def test_a_place_that_lines_want_is_added_where_they_are_read(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/shelves/coming-in")
    page.get_by_label("Type a line, or paste many").fill("6 sticks butter, freezer\n2 lb ground beef\n20 lb potatoes")
    page.get_by_role("button", name="Add to the list").click()
    expect(rows(page).first).to_contain_text("there is no freezer yet")
    expect(page.get_by_text("2 lines belong in a freezer, 1 line belongs in a cellar")).to_be_visible()
    page.get_by_role("button", name="Add a cellar").click()
    expect(rows(page).nth(2)).to_contain_text("Cellar")
    page.get_by_role("button", name="Add a freezer").click()
    expect(rows(page).nth(0)).to_contain_text("Freezer")
    expect(rows(page).nth(1)).to_contain_text("Freezer")
    expect(page.get_by_text("there is none yet")).to_have_count(0)
    page.get_by_role("button", name="Put all away").click()
    page.get_by_role("link", name="See the shelves").click()
    page.get_by_role("button", name=re.compile("^Freezer")).click()
    expect(page.get_by_text("2 kept").first).to_be_visible()
