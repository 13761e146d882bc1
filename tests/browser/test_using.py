"""Food is used up: a jar opened, taken from and closed again; a pail shared out; what else happens to a package."""

import re

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.conftest import Here, held_back

pytestmark = pytest.mark.browser


def card(page: Page, number: int) -> Locator:
    return page.get_by_role("complementary", name=f"Package {number}")


def sheet(page: Page, title: str) -> Locator:
    return page.get_by_role("dialog", name=title)


def press(page: Page, number: int, name: str) -> None:
    card(page, number).get_by_role("button", name=name, exact=True).click()


def said(page: Page, words: str) -> None:
    expect(page.get_by_text(words)).to_be_visible()


def test_take_and_close(page: Page, demo_to_change: Here) -> None:
    """A jar of barley: opened, a cup for the soup, too much refused, closed again, and all of that taken back."""
    page.goto(f"{demo_to_change.url}/shelves?place=1&n=60")
    press(page, 60, "Open it")
    expect(card(page, 60)).to_contain_text("Open since")
    press(page, 60, "Take some")
    take = sheet(page, "Take from number 60")
    take.get_by_label("How much").fill("2 kg")
    take.get_by_role("button", name="Take it").click()
    expect(take).to_contain_text("There is 700 g in it")
    expect(take.get_by_label("How much")).to_have_value("2 kg")
    take.get_by_label("How much").fill("200 g")
    take.get_by_role("button", name="Take it").click()
    said(page, "Took 200 g, 500 g left")
    expect(card(page, 60)).to_contain_text("500 g")
    expect(page.get_by_role("button", name=re.compile("pearl barley, 500 g, open"))).to_be_visible()
    press(page, 60, "Close again")
    close = sheet(page, "Close number 60 again")
    close.get_by_role("radio", name="under vacuum").click()
    close.get_by_role("button", name="Close it").click()
    said(page, "Number 60 is closed again")
    expect(card(page, 60).get_by_role("button", name="Open it")).to_be_visible()
    for what in ("Closed number 60 (pearl barley) again", "Took 200 g of pearl barley", "Opened number 60"):
        page.get_by_role("button", name="Undo").click()
        said(page, f"Undone: {what}")
    expect(card(page, 60)).to_contain_text("700 g")


def test_a_pail_is_split(page: Page, demo_to_change: Here) -> None:
    """Peas out of their pail into half-gallon bags, and their labels at once."""
    page.goto(f"{demo_to_change.url}/shelves?place=2&n=6")
    press(page, 6, "Pour over")
    pour = sheet(page, "Pour number 6 over")
    pour.get_by_role("radio", name=re.compile("½ gal foil bag, ")).click()
    expect(pour.get_by_role("radio", name="with fresh absorbers")).to_be_checked()
    pour.get_by_label("How many").fill("2")
    pour.get_by_role("button", name="Pour it over").click()
    expect(pour).to_contain_text("needs")
    pour.get_by_label("How many").fill("")
    pour.get_by_role("button", name="Pour it over").click()
    expect(sheet(page, "Labels")).to_be_visible()
    page.keyboard.press("Escape")
    expect(card(page, 6)).to_contain_text("Poured over on")
    page.get_by_role("button", name="Undo").click()
    said(page, "Undone: Poured number 6 (green split peas)")
    expect(card(page, 6)).to_contain_text("14.5 kg")


def test_what_else_happens_to_a_package(page: Page, demo_to_change: Here) -> None:
    page.goto(f"{demo_to_change.url}/shelves?place=3&n=9")
    press(page, 9, "More …")
    more = sheet(page, "What happened to number 9?")
    more.get_by_role("radio", name="Keep it on").click()
    more.get_by_role("button", name="Save").click()
    expect(more).to_contain_text("A day to look at it again")
    more.get_by_role("radio", name="Tasted it").click()
    more.get_by_role("radio", name="bad").click()
    more.get_by_label("Note").fill("rancid")
    more.get_by_role("button", name="Save").click()
    expect(card(page, 9)).to_contain_text("Tasted: bad")
    expect(card(page, 9)).to_contain_text("rancid")
    press(page, 9, "More …")
    more.get_by_role("radio", name="Weighed what is in it").click()
    more.get_by_label("What is in it").fill("0,6 kg")
    more.get_by_role("button", name="Save").click()
    said(page, "Weighed: 200 g less than was written")
    press(page, 9, "Used up")
    expect(card(page, 9)).to_contain_text("Used up on")


def test_what_to_open_next(page: Page, demo: Here) -> None:
    """One line a food, wherever it stands: a tap opens its card there."""
    page.goto(f"{demo.url}/shelves?place=2")
    page.get_by_role("button", name=re.compile("^dried apples: no. 49")).click()
    expect(card(page, 49)).to_contain_text("Open since")
    expect(page.get_by_role("button", name=re.compile("Stair cupboard"), pressed=True)).to_be_visible()


def test_what_was_cooked_comes_off_the_shelf(page: Page, demo_to_change: Here) -> None:
    """Barley broth for supper: its barley out of the jar that is next, put right, taken, and taken back."""
    page.goto(f"{demo_to_change.url}/table/diary")
    page.get_by_role("button", name="Barley broth", exact=True).click()
    shelf = page.get_by_role("region", name="From the shelf")
    barley = shelf.get_by_label("How much of number 60")
    expect(barley).to_have_value(re.compile(r"\d+ g"))
    while shelf.get_by_role("button", name="Not from number").count() > 1:
        others = shelf.get_by_role("button", name=re.compile(r"Not from number (?!60$)"))
        others.first.click()
    barley.fill("3 kg")
    shelf.get_by_role("button", name="Take it from the shelf").click()
    expect(shelf).to_contain_text("There is 700 g in it")
    barley.fill("250 g")
    shelf.get_by_role("button", name="Take it from the shelf").click()
    said(page, "Took 250 g pearl barley")
    expect(shelf).to_contain_text("Taken: 250 g pearl barley")
    page.get_by_role("button", name="Undo").click()
    said(page, "Undone: Took from 1 package")
    expect(shelf.get_by_label("How much of number 60")).to_be_visible()


def test_what_the_labels_show(page: Page, demo: Here) -> None:
    page.goto(f"{demo.url}/shelves?place=1")
    shelves = page.get_by_role("region", name="Places")
    energy, life = shelves.locator("text", has_text="215 kcal"), shelves.locator("text", has_text="% left")
    expect(shelves.get_by_role("button", name=re.compile("^dried apples, 65 g, open"))).to_be_visible()
    expect(energy).to_have_count(0)
    page.get_by_label("Show", exact=True).select_option("Energy")
    expect(energy).to_have_count(1)
    page.get_by_label("Show", exact=True).select_option("Life left")
    expect(life.first).to_be_visible()
    expect(energy).to_have_count(0)


def test_stocktake_on_a_phone(phone: Page, demo_to_change: Here) -> None:
    """Along the shelves of the cupboard: a jar is eaten, another is in the cellar, the open apples are half full."""
    phone.goto(f"{demo_to_change.url}/shelves?place=1")
    phone.get_by_role("link", name="Count Stair cupboard").tap()
    shelves = phone.get_by_role("button", name=re.compile("^All of shelf"))
    expect(shelves.first).to_be_visible()
    for shelf in shelves.all():
        shelf.tap()
    expect(phone.get_by_text("30 there")).to_be_visible()
    for number in (47, 48):
        phone.get_by_role("button", name=re.compile(f"^{number} dried pears")).tap()
    phone.get_by_role("radiogroup", name="How full number 49 is").get_by_role("radio", name="½").tap()
    phone.get_by_label("Number of another one here").fill("57")
    phone.get_by_role("button", name="Add it").tap()
    phone.reload()
    expect(phone.get_by_text("29 there")).to_be_visible()
    phone.get_by_role("button", name="The rest is not there").tap()
    expect(phone.get_by_role("heading", name="What became of these 2?")).to_be_in_viewport()
    expect(phone.get_by_role("heading", name="What became of these 2?")).to_be_focused()
    phone.get_by_role("radiogroup", name="What became of number 47").get_by_role("radio", name="used up").tap()
    phone.evaluate("scrollTo(0, 0)")
    phone.get_by_role("button", name="To the next").tap()
    expect(phone.get_by_role("radiogroup", name="What became of number 48")).to_be_in_viewport()
    # What is said of all at once takes nothing back that is said of one.
    phone.get_by_role("radiogroup", name="The same of all of them").get_by_role("radio", name="in Stone cellar").tap()
    for number, became in ((47, "used up"), (48, "in Stone cellar")):
        answer = phone.get_by_role("radiogroup", name=f"What became of number {number}")
        expect(answer.get_by_role("radio", name=became)).to_be_checked()
    phone.get_by_role("button", name="Done", exact=True).tap()
    said(phone, "Counted: 29 there, 1 gone, 2 moved")
    phone.goto(f"{demo_to_change.url}/shelves?n=57")
    expect(card(phone, 57)).to_contain_text("Stair cupboard")
    phone.goto(f"{demo_to_change.url}/shelves?n=47")
    expect(card(phone, 47)).to_contain_text("Used up")
    phone.get_by_role("button", name="Undo").tap()
    said(phone, "Undone: Counted Stair cupboard: 29 packages there, 1 gone, 2 moved")
    expect(card(phone, 47)).not_to_contain_text("Used up on")


def test_several_alike_at_once(page: Page, demo_to_change: Here) -> None:
    """Three of four jars of mushrooms are opened together, all of them carried down, two eaten; and taken back."""
    page.goto(f"{demo_to_change.url}/shelves?place=1&n=35")
    press(page, 35, "More …")
    more = sheet(page, "What happened to number 35?")
    more.get_by_role("radio", name="Opened several").click()
    more.get_by_role("radio", name="3", exact=True).click()
    more.get_by_role("button", name="Save").click()
    said(page, "3 packages: opened")
    expect(page.get_by_role("button", name=re.compile("dried mushrooms, 50 g, open"))).to_be_visible()
    press(page, 35, "Move")
    move = sheet(page, "Move number 35")
    move.get_by_role("radio", name="all 3 alike").click()
    move.get_by_role("radio", name="Stone cellar").click()
    move.get_by_role("button", name="Move it").click()
    said(page, "3 packages stand in Stone cellar now")
    page.goto(f"{demo_to_change.url}/shelves?place=2&n=36")
    press(page, 36, "More …")
    more = sheet(page, "What happened to number 36?")
    more.get_by_role("radio", name="Used up several").click()
    more.get_by_role("radio", name="2", exact=True).click()
    more.get_by_role("button", name="Save").click()
    said(page, "2 packages: used up")
    expect(card(page, 36)).to_contain_text("Used up")
    for _ in range(3):
        page.get_by_role("button", name="Undo").click()
        page.wait_for_timeout(400)
    expect(card(page, 36)).to_contain_text("Stair cupboard")
    expect(card(page, 36).get_by_role("button", name="Open it")).to_be_visible()


def test_what_is_done_to_one_is_said_of_it_though_another_is_looked_at(page: Page, demo_to_change: Here) -> None:
    page.goto(f"{demo_to_change.url}/shelves?place=3&n=9")
    held = held_back(page, "**/api/packages/open")
    with page.expect_request("**/api/packages/open"):
        press(page, 9, "Open it")
    card(page, 9).get_by_role("group", name="Alike").get_by_role("button", name="10").click()
    expect(card(page, 10).get_by_role("button", name="Open it")).to_be_visible()
    held[0].continue_()
    said(page, "Number 9 is open")


def test_what_was_begun_for_one_is_not_done_to_the_next(page: Page, demo_to_change: Here) -> None:
    page.goto(f"{demo_to_change.url}/shelves?place=3&n=9")
    press(page, 9, "Throw out")
    sheet(page, "Throw out number 9").get_by_role("radio", name="Insects in it").click()
    sheet(page, "Throw out number 9").get_by_role("radio", name="2", exact=True).click()
    page.keyboard.press("Escape")
    card(page, 9).get_by_role("group", name="Alike").get_by_role("button", name="10").click()
    press(page, 10, "Throw out")
    expect(sheet(page, "Throw out number 10").get_by_role("radio", name="this one")).to_be_checked()
    expect(sheet(page, "Throw out number 10").get_by_role("radio", name="Insects in it")).not_to_be_checked()
