"""Nobody stands still until an answer comes: what they write meanwhile stays, and where they went they are."""

import re
from contextlib import suppress

import pytest
from playwright.sync_api import Error, Page, expect

from tests.browser.conftest import ROOT, Here, held_back, put_on_bench, settled
from tests.browser.test_run import send

WRITTEN = {
    "/bench": ("What is on the bench", "2 kg pearl barley", "3 kg red lentils", "Pack it", "bench/pack"),
    "/drying": ("What goes on the trays", "3 kg apples", "2 kg pears", "It goes in now", "drying/loads"),
    "/drying/freeze": (
        "What goes into the freeze dryer",
        "2 kg peas",
        "1 kg corn",
        "The door is closed",
        "drying/freeze",
    ),
    "/drying/freezer": (
        "What goes into the freezer",
        "14 kg white rice",
        "2 kg rolled oats",
        "It goes in now",
        "freezer",
    ),
    "/table/diary": ("Or what was used", "2 cups rice", "1 cup rolled oats", "Save", "table/diary/*/lines"),
}
"""By place: where it is written, what is told first, what is written meanwhile, what tells it, and where that goes."""


@pytest.mark.parametrize("place", WRITTEN)
def test_what_is_written_while_the_line_before_is_told_stays(page: Page, served: Here, place: str) -> None:
    label, first, second, button, address = WRITTEN[place]
    held = held_back(page, f"**/api/{address}", "POST")
    page.goto(served.url + place)
    field = page.get_by_label(label).first
    field.fill(first)
    page.get_by_role("button", name=button, exact=True).click()
    pressed = page.locator("button[aria-busy=true]")
    expect(pressed).to_have_text(button)
    field.fill(second)
    # Whoever sees nothing come of it presses again, and means what they pressed.
    pressed.dispatch_event("click")
    settled(page)
    with page.expect_response("**/api/overview"):
        held[0].continue_()
    settled(page)
    assert len(held) == 1
    expect(field).to_have_value(second)


def test_a_line_that_is_added_while_others_are_put_away_is_still_to_be_put_away(page: Page, served: Here) -> None:
    held = held_back(page, "**/api/coming-in", "POST")
    page.goto(f"{served.url}/shelves/coming-in")
    field = page.get_by_label("Type a line, or paste many")
    lines = page.get_by_role("list", name="Lines")
    for line in ("2 quart jars white rice, absorbers, May 2023", "3 quart jars pearl barley, absorbers, May 2023"):
        field.fill(line)
        field.press("Enter")
        expect(lines).to_contain_text(line.split(",")[0].split("jars ")[1])
        page.get_by_role("button", name=re.compile("^Put ")).click()
        expect(page.locator("button[aria-busy=true]")).to_have_count(1)
    settled(page)
    assert len(held) == 1
    with page.expect_response("**/api/overview"):
        held[0].continue_()
    expect(lines.get_by_role("listitem")).to_have_count(1)
    expect(lines).to_contain_text("pearl barley")


def test_what_is_tapped_while_a_count_is_told_is_still_to_be_told(page: Page, served: Here) -> None:
    for kg in (1, 2):
        send(served, "/bench/pack", ask={"line": f"{kg} kg pearl barley", "container": "jar-quart"})
    page.goto(f"{served.url}/shelves/count?place=1")
    page.get_by_role("button", name="All of shelf 1 is there").click()
    held = held_back(page, "**/api/places/1/count", "POST")
    page.get_by_role("button", name="Done").click()
    expect(page.locator("button[aria-busy=true]")).to_have_text("Done")
    first = page.get_by_role("button", name=re.compile("^1 pearl barley"))
    first.click()
    with page.expect_response("**/api/overview"):
        held[0].continue_()
    settled(page)
    expect(page).to_have_url(re.compile("/count"))
    expect(first).to_have_attribute("aria-pressed", "false")


def test_a_meal_is_written_on_while_it_is_put_on_the_menu(page: Page, served: Here) -> None:
    held = held_back(page, "**/api/table/meals", "POST")
    page.goto(f"{served.url}/table/meals?new")
    text = page.get_by_role("textbox", name=re.compile("^One ingredient"))
    page.get_by_label("Name of the meal").fill("Pottage")
    text.fill("1 cup pearl barley")
    add = page.get_by_role("button", name="Put it on the menu")
    add.click()
    text.fill("1 cup pearl barley\n2 onions")
    add.dispatch_event("click")
    settled(page)
    assert len(held) == 1
    held[0].continue_()
    expect(page).to_have_url(re.compile(r"\?n=1$"))
    expect(text).to_have_value("1 cup pearl barley\n2 onions")
    # By key: a second press of a finger at this spot would be taken for the first.
    page.get_by_role("button", name="Keep the change").press("Enter")
    expect(page.get_by_role("button", name="Kept")).to_be_disabled()


def test_a_meal_that_was_opened_stays_open_when_nothing_in_it_waits_any_more(page: Page, served: Here) -> None:
    """With nothing asked for, the meal with a line to look at is opened; then nothing singles it out."""
    send(served, "/table/meals", name="Porridge", text="1 cup rolled oats", kind="lunch", serves=2, per_month=9)
    send(served, "/table/meals", name="Toast", text="2 oz grated cheese", kind="lunch", serves=2, per_month=1)
    page.goto(f"{served.url}/table/meals")
    name = page.get_by_label("Name of the meal")
    expect(name).to_have_value("Toast")
    meals = page.get_by_role("region", name="Our meals")
    expect(meals).to_contain_text("1 line to look at")
    page.get_by_role("button", name="not stored").click()
    expect(meals).not_to_contain_text("to look at")
    expect(name).to_have_value("Toast")


def test_whoever_went_elsewhere_is_not_fetched_from_there(page: Page, served: Here) -> None:
    put_on_bench(page, served, "2 kg pearl barley")
    held = held_back(page, "**/api/run/lines", "POST")
    with page.expect_request("**/api/run/lines"):
        page.get_by_role("button", name="Run sheet").click()
    page.get_by_role("link", name=re.compile("^Guide")).click()
    expect(page).to_have_url(re.compile("/guide$"))
    with page.expect_response("**/api/overview"):
        held[0].continue_()
    expect(page.get_by_role("link", name=re.compile("^Run"))).to_contain_text("1 on the sheet")
    settled(page)
    expect(page).to_have_url(re.compile("/guide$"))


def test_what_leads_on_once_it_is_done_asks_whether_anybody_is_there_still() -> None:
    leads = [
        (file.name, line.strip())
        for file in (ROOT / "web/src/lib").rglob("*.svelte")
        for line in file.read_text(encoding="utf-8").splitlines()
        if "await goto(" in line
    ]
    assert len(leads) > 5
    assert [each for each in leads if not re.search(r"\b(here|stays)\(\)", each[1])] == []


def test_what_was_asked_for_last_is_what_a_sheet_begins_with(page: Page, served: Here) -> None:
    for name in ("quince", "medlar"):
        send(served, "/produce", name=name, like="apples")
    page.goto(f"{served.url}/guide")
    page.get_by_role("tab", name="Drying").click()
    held = held_back(page, "**/api/produce/1")
    for number, name in ((1, "quince"), (2, "medlar")):
        with page.expect_request(f"**/api/produce/{number}"):
            page.get_by_role("row", name=name).get_by_role("button", name="Put it right").dispatch_event("click")
    name_of = page.get_by_role("dialog").get_by_label("Name")
    expect(name_of).to_have_value("medlar")
    with suppress(Error):
        held[0].continue_()
    settled(page)
    expect(name_of).to_have_value("medlar")


def test_back_leaves_a_sheet_standing_in_which_something_is_under_way(phone: Page, served: Here) -> None:
    phone.goto(f"{served.url}/supplies")
    phone.get_by_role("button", name="Household").tap()
    sheet = phone.get_by_role("dialog", name="Household")
    sheet.get_by_label("Name").fill("Ours")
    held = held_back(phone, "**/api/household", "PUT")
    with phone.expect_request(lambda asked: asked.method == "PUT"):
        sheet.get_by_role("button", name="Save").tap()
    phone.evaluate("history.back()")
    phone.wait_for_timeout(200)
    expect(sheet).to_be_visible()
    with phone.expect_response("**/api/overview"):
        held[0].continue_()
    expect(sheet).to_have_count(0)
    phone.get_by_role("button", name="Household").tap()
    expect(sheet.get_by_label("Name")).to_have_value("Ours")
    phone.evaluate("history.back()")
    expect(sheet).to_have_count(0)
    expect(phone).to_have_url(re.compile("/supplies$"))
