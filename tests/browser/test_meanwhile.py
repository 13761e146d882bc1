"""Nobody stands still until an answer comes: what they write meanwhile stays, and where they went they are."""

import re
from contextlib import suppress
from datetime import datetime

import pytest
from playwright.sync_api import Error, Page, Route, expect

from tests.browser.conftest import ROOT, Here, held_back, put_on_bench, settled
from tests.browser.test_run import send
from yellow_larder.features.household.larder import current_settings


def come(page: Page, held: list[Route], many: int) -> Route:
    """The last of so many that are held, once they have come."""
    for _ in range(500):
        if len(held) >= many:
            break
        page.wait_for_timeout(20)
    assert len(held) == many
    return held[-1]


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


def test_what_is_chosen_one_after_the_other_builds_on_one_another(page: Page, demo: Here) -> None:
    """Nobody is told that somebody else changed what they set themselves, and no choice takes back the one before."""
    held = held_back(page, "**/api/table/goal", "PUT")
    page.goto(f"{demo.url}/table")
    goal = page.get_by_role("region", name="The goal")
    for choice in ("1 year", "25"):
        goal.get_by_role("radio", name=choice, exact=True).click()
    come(page, held, 1).continue_()
    come(page, held, 2).continue_()
    for choice in ("1 year", "25"):
        expect(goal.get_by_role("radio", name=choice, exact=True)).to_be_checked()
    expect(page.get_by_text("Somebody else")).to_have_count(0)


def test_two_lines_of_an_evening_are_taken_out_one_after_the_other(page: Page, served: Here) -> None:
    today = f"{datetime.now():%Y-%m-%d}"
    lines = [{"meal": None, "people": None, "line": f"{cups} cups rice"} for cups in (2, 3, 4)]
    send(served, f"/table/diary/{today}/lines", items=lines)
    page.goto(f"{served.url}/table/diary")
    written = page.get_by_role("list", name="Written").get_by_role("listitem")
    expect(written).to_have_count(3)
    held = held_back(page, f"**/api/table/diary/{today}", "PUT")
    for cups in (2, 3):
        page.get_by_role("button", name=f"Take out {cups} cups rice").click()
    come(page, held, 1).continue_()
    come(page, held, 2).continue_()
    expect(written).to_have_count(1)
    expect(written).to_contain_text("4 cups rice")


LEFT = {
    "/table/money": ("To spend in a week", "", "30", "35", "table/budget"),
    "/table": ("In the kitchen cupboard, not packed", "pearl barley", "2 kg", "3 kg", "table/cupboard/*"),
}
"""By place: what is told when it is left, where it must be opened, two values, and where they go."""


@pytest.mark.parametrize("place", LEFT)
def test_what_is_told_when_it_is_left_can_be_written_again_meanwhile(page: Page, demo: Here, place: str) -> None:
    label, inside, first, second, address = LEFT[place]
    held = held_back(page, f"**/api/{address}", "PUT")
    page.goto(demo.url + place)
    if inside:
        page.get_by_role("button", name=re.compile(f"^{inside}")).click()
    field = page.get_by_label(label)
    field.fill(first)
    field.press("Tab")
    come(page, held, 1)
    field.fill(second)
    with page.expect_response("**/api/overview"):
        held[0].continue_()
    settled(page)
    expect(field).to_have_value(second)
    field.press("Tab")
    come(page, held, 2)
    with page.expect_response("**/api/overview"):
        held[1].continue_()
    expect(page.get_by_text(re.compile("see what it is now|changed"))).to_have_count(0)
    expect(field).to_have_value(re.compile(second.split()[0]))


def test_whoever_puts_right_what_was_refused_is_not_taken_for_somebody_else(page: Page, served: Here) -> None:
    """Of the first questions the household's are kept before the place's are refused."""
    page.goto(f"{served.url}/start")
    onward = page.get_by_role("button", name="On to what is there already")
    page.get_by_label("People who eat here").fill("5")
    page.get_by_label("What you call it").fill("")
    onward.click()
    expect(page.get_by_text("Give it a name")).to_be_visible()
    page.get_by_label("What you call it").fill("Larder")
    page.get_by_label("People who eat here").fill("6")
    onward.click()
    expect(page).to_have_url(re.compile("/shelves/coming-in$"))
    assert current_settings(served.larder).people == 6


def test_a_meal_that_is_kept_again_at_once_is_changed_by_nobody_else(page: Page, demo: Here) -> None:
    """It is kept, and until its page has read that, it is written on and kept again."""
    page.goto(f"{demo.url}/table/meals?n=1")
    text = page.get_by_role("textbox", name=re.compile("^One ingredient"))
    keep = page.get_by_role("button", name="Keep the change")
    text.fill("1 cup pearl barley")
    held = held_back(page, "**/api/table/meals", "GET")
    keep.click()
    come(page, held, 1)
    text.fill("2 cups pearl barley")
    keep.dispatch_event("click")
    settled(page)
    for route in held:
        route.continue_()
    page.unroute("**/api/table/meals")
    expect(page.get_by_role("button", name="Kept")).to_be_disabled()
    expect(page.get_by_text("Somebody else")).to_have_count(0)
    page.reload()
    expect(text).to_have_value("2 cups pearl barley")


def test_a_meal_that_was_opened_stays_open_when_nothing_in_it_waits_any_more(page: Page, served: Here) -> None:
    """With nothing asked for, the meal with a line to look at is opened; then nothing singles it out."""
    send(served, "/table/meals", name="Porridge", text="1 cup rolled oats", kind="lunch", serves=2, per_month=9)
    send(served, "/table/meals", name="Toast", text="2 oz zibble", kind="lunch", serves=2, per_month=1)
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
