"""What is typed and not told to the larder yet outlives a reload, another page, another meal; and is gone once told."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Here, held_back, settled
from tests.browser.test_places import to_the_guide_and_back
from tests.browser.test_run import lentils_packed, send

pytestmark = pytest.mark.browser

FIELDS = {
    "/bench": ("What is on the bench", "7 kg pearl barley"),
    "/drying": ("What goes on the trays", "3 kg apples"),
    "/drying/freeze": ("What goes into the freeze dryer", "9 kg peas"),
    "/drying/freezer": ("What goes into the freezer", "14 kg white rice"),
    "/table/diary": ("Or what was used", "2 cups rice"),
    "/table/meals?new": ("Name of the meal", "Pottage"),
}


@pytest.mark.parametrize("place", FIELDS)
def test_what_is_typed_is_there_after_a_reload_and_after_another_page(page: Page, served: Here, place: str) -> None:
    label, typed = FIELDS[place]
    page.goto(served.url + place)
    field = page.get_by_label(label).first
    field.fill(typed)
    settled(page)
    page.reload()
    expect(field).to_have_value(typed)
    to_the_guide_and_back(page)
    expect(field).to_have_value(typed)


def test_a_meal_that_is_half_changed_waits_until_it_is_kept_or_left(page: Page, served: Here) -> None:
    for name in ("Porridge", "Broth"):
        send(served, "/table/meals", name=name, text="1 cup rolled oats", kind="lunch", serves=2, per_month=3)
    page.goto(f"{served.url}/table/meals?n=1")
    meals = page.get_by_role("region", name="Our meals")
    text = page.get_by_role("textbox", name=re.compile("^One ingredient"))
    text.fill("2 cups rolled oats")
    meals.get_by_role("button", name=re.compile("^Broth")).click()
    expect(text).to_have_value("1 cup rolled oats")
    meals.get_by_role("button", name=re.compile("^Porridge")).click()
    expect(text).to_have_value("2 cups rolled oats")
    page.get_by_role("button", name="Leave it as it was").click()
    expect(text).to_have_value("1 cup rolled oats")
    text.fill("3 cups rolled oats")
    page.get_by_role("button", name="Keep the change").click()
    expect(page.get_by_role("button", name="Kept")).to_be_disabled()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_text(re.compile("^Undone"))).to_be_visible()
    expect(text).to_have_value("1 cup rolled oats")
    page.reload()
    expect(text).to_have_value("1 cup rolled oats")


def test_a_new_meal_that_is_kept_leaves_the_next_one_empty(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/table/meals?new")
    page.get_by_label("Name of the meal").fill("Pottage")
    page.get_by_role("textbox", name=re.compile("^One ingredient")).fill("1 cup pearl barley")
    page.get_by_role("button", name="Put it on the menu").click()
    expect(page).to_have_url(re.compile(r"\?n=1$"))
    page.get_by_role("button", name="New meal").click()
    expect(page.get_by_label("Name of the meal")).to_have_value("")


def test_how_they_felt_waits_until_it_is_told(page: Page, served: Here) -> None:
    lentils_packed(served)
    clock = served.larder.clock
    served.larder.clock = lambda: clock().replace(year=clock().year + 1)
    page.goto(f"{served.url}/rounds/looks")
    page.get_by_role("radiogroup", name="How number 1 feels").get_by_role("radio", name="leaks").click()
    expect(page.get_by_text("1 of 2 checked")).to_be_visible()
    page.reload()
    expect(page.get_by_text("1 of 2 checked")).to_be_visible()
    page.get_by_role("button", name="That is how they are").click()
    expect(page.get_by_role("article", name="Number 1")).to_be_visible()
    page.reload()
    expect(page.get_by_text("0 of 1 checked")).to_be_visible()


def test_what_is_typed_while_the_line_before_is_told_stays(page: Page, demo_to_change: Here) -> None:
    page.goto(f"{demo_to_change.url}/table/money")
    held = held_back(page, "**/api/table/prices", "POST")
    line, price = page.get_by_label("A pack"), page.get_by_label("costs")
    line.fill("2 kg pearl barley")
    price.fill("3.20")
    with page.expect_request(lambda asked: asked.method == "POST" and asked.url.endswith("/api/table/prices")):
        page.get_by_role("button", name="Save", exact=True).click()
    line.fill("1 kg white rice")
    held[0].continue_()
    expect(price).to_have_value("")
    expect(line).to_have_value("1 kg white rice")


def test_a_meal_that_is_tapped_leaves_the_line_that_is_being_written(page: Page, served: Here) -> None:
    send(served, "/table/meals", name="Porridge", text="1 cup rolled oats", kind="lunch", serves=2, per_month=3)
    page.goto(f"{served.url}/table/diary")
    line = page.get_by_label("Or what was used")
    line.fill("2 cups rice")
    page.get_by_role("button", name="Porridge", exact=True).click()
    written = page.get_by_role("list", name="Written")
    expect(written).to_contain_text("Porridge")
    expect(line).to_have_value("2 cups rice")
    page.get_by_role("button", name="Save", exact=True).click()
    expect(written).to_contain_text("rice")
    expect(line).to_have_value("")
