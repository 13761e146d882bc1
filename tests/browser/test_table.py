"""From the household's own table to the bench: who eats, a meal, the diary, what to store, this week's list."""

import csv
import re
from datetime import date
from io import BytesIO, StringIO

import pypdf
import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Here
from tests.support.asking import asking

pytestmark = pytest.mark.browser


def write_meal(page: Page, served: Here, name: str, text: str, kind: str = "supper") -> None:
    page.goto(f"{served.url}/table/meals?new")
    page.get_by_label("Name of the meal").fill(name)
    page.get_by_role("radio", name=kind, exact=True).click()
    page.get_by_label("One ingredient a line").fill(text)
    page.get_by_role("button", name="Put it on the menu").click()
    expect(page.get_by_role("region", name="Our meals")).to_contain_text(name)


def see_price(page: Page, pack: str, price: str) -> None:
    page.get_by_label("A pack").fill(pack)
    page.get_by_label("costs").fill(price)
    page.get_by_role("button", name="Save", exact=True).click()
    expect(page.get_by_label("A pack")).to_have_value("")


def test_who_eats_and_what_that_asks_for(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/table/people")
    page.get_by_role("button", name="Name who eats").click()
    sheet = page.get_by_role("dialog", name="Who eats?")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet).to_contain_text("The year they were born lies between")
    sheet.get_by_label("A name or a role").fill("Grandmother")
    sheet.get_by_label("Born in").fill(str(date.today().year - 74))
    sheet.get_by_role("radio", name="female", exact=True).click()
    sheet.get_by_label("Height").fill("158 cm")
    sheet.get_by_label("Weight").fill("61 kg")
    sheet.get_by_role("radio", name="sitting").click()
    expect(sheet).to_contain_text("1,561 kcal")
    expect(sheet).to_contain_text("woman: 354 − 6.91 × 74 years + (9.36 × 61 kg + 726 × 1.58 m)")
    sheet.get_by_role("button", name="Save").click()
    expect(page.get_by_role("heading", name="1,561 kcal a day")).to_be_visible()
    page.get_by_role("button", name="Grandmother, 1,561 kcal").click()
    sheet = page.get_by_role("dialog", name="Grandmother")
    sheet.get_by_role("radio", name="hard").click()
    sheet.get_by_role("button", name="Save").click()
    expect(page.get_by_role("heading", name="2,334 kcal a day")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("heading", name="1,561 kcal a day")).to_be_visible()
    page.get_by_role("button", name="Household").click()
    expect(page.get_by_role("dialog", name="Household")).to_contain_text("1 person, ")


def test_a_guest_alone_is_nobody_who_always_eats_here(page: Page, served: Here) -> None:
    guest = {"name": "Ada", "birth_year": date.today().year - 8, "weeks": 2}
    asking.post(f"{served.url}/api/table/people", json=guest).raise_for_status()
    page.goto(f"{served.url}/table/people")
    heading = page.get_by_role("heading", level=1).locator("..")
    expect(heading).to_contain_text("for 2, as long as nobody who always eats here is named")
    asking.post(f"{served.url}/api/table/people", json=guest | {"name": "Ben", "weeks": None}).raise_for_status()
    page.reload()
    expect(heading).to_contain_text("for 1 who always eats here")


_SMALLEST_PX = """() => Math.min(...[...document.querySelectorAll('main [role=group] text')]
  .map((each) => each.getBoundingClientRect().height))"""


@pytest.mark.parametrize("width", [1280, 390])
def test_everybody_has_a_plate_that_can_be_read(page: Page, served: Here, width: int) -> None:
    """However many there are: those who are alike share one, and there are as many tables as it takes."""
    page.set_viewport_size({"width": width, "height": 844})
    for number, count in enumerate([1, 2, 30, 1, 1, 1, 1, 1, 1, 1]):
        body = {"name": f"Guest {number}", "birth_year": 1980, "count": count}
        asking.post(f"{served.url}/api/table/people", json=body).raise_for_status()
        page.goto(f"{served.url}/table/people")
        plates = page.get_by_role("group", name=re.compile("able.*set")).get_by_role("button")
        expect(plates).to_have_count({0: 1, 1: 3}.get(number, number + 1))
        expect(plates.last).to_have_accessible_name(re.compile(f"^Guest {number}, "))
        assert page.evaluate(_SMALLEST_PX) >= 11
    expect(plates.nth(2)).to_have_accessible_name(re.compile("^Guest 2, 30 of them, "))


def test_write_a_meal(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/table")
    page.get_by_role("link", name="Write a meal").click()
    page.get_by_role("button", name="Put it on the menu").click()
    expect(page.get_by_role("alert").first).to_contain_text("Give it a name")
    page.get_by_label("Name of the meal").fill("Stovies")
    page.get_by_role("button", name="Put it on the menu").click()
    expect(page.get_by_role("alert").first).to_contain_text("nothing in it yet")
    written = page.get_by_label("One ingredient a line")
    written.fill("200 g pearl barley\n400 g tatties\nlove\nsalt")
    meal = page.get_by_role("region", name="A new meal")
    expect(meal).to_contain_text("352 kcal")
    expect(meal).to_contain_text("How much love?")
    page.get_by_role("button", name="Put it on the menu").click()
    menu = page.get_by_role("region", name="Our meals")
    expect(menu).to_contain_text("2 lines to look at")
    page.get_by_label("Another food for tatties").select_option(label="dried potato slices")
    expect(menu).to_contain_text("1 line to look at")
    expect(written).to_have_value("200 g pearl barley\n400 g tatties\nlove\nsalt")
    page.get_by_label("Serves: one less").click()
    expect(page.get_by_role("region", name="Stovies")).to_contain_text("Keep the change")
    page.get_by_role("button", name="Keep the change").click()
    expect(page.get_by_role("button", name="Kept")).to_be_disabled()
    page.get_by_role("button", name="Remove meal").click()
    expect(menu).not_to_contain_text("Stovies")
    page.get_by_role("button", name="Undo").click()
    expect(menu).to_contain_text("Stovies")


def test_words_are_asked_about_once(page: Page, served: Here) -> None:
    write_meal(page, served, "Bannocks", "500 g bere\n1 oz marge")
    page.get_by_role("button", name="not stored").last.click()
    expect(page.get_by_role("button", name="a food of our own…")).to_have_count(1)
    page.get_by_role("button", name="a food of our own…").click()
    sheet = page.get_by_role("dialog", name="A food of your own")
    expect(sheet.get_by_label("Name")).to_have_value("bere")
    sheet.get_by_role("button", name="Add it").click()
    expect(sheet.get_by_text("Pick the food in the table")).to_be_visible()
    sheet.get_by_label("Most like").fill("pearl")
    sheet.get_by_role("button", name="pearl barley").click()
    sheet.get_by_role("button", name="Add it").click()
    expect(page.get_by_role("region", name="Our meals")).not_to_contain_text("to look at")
    write_meal(page, served, "More bannocks", "1 kg bere\n2 oz marge")
    expect(page.get_by_role("region", name="More bannocks")).not_to_contain_text("which food?")


def test_a_pasted_book_is_refused_at_the_field(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/table/meals?new")
    written = page.get_by_label("One ingredient a line")
    written.fill("1 cup oats")
    page.evaluate(
        """() => {
          const clipboardData = new DataTransfer();
          clipboardData.setData('text/plain', '1 cup oats\\n'.repeat(5000));
          const paste = new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true });
          document.querySelector('#meal-text').dispatchEvent(paste);
        }"""
    )
    expect(page.get_by_role("alert")).to_contain_text("5,000 lines; a meal has at most 60")
    expect(written).to_have_value("1 cup oats")
    assert asking.get(f"{served.url}/api/table/meals").json() == []


def test_keep_the_diary(page: Page, served: Here) -> None:
    write_meal(page, served, "Barley broth", "200 g pearl barley")
    page.goto(f"{served.url}/table/diary")
    evening = page.get_by_role("region", name="The evening's line")
    evening.get_by_role("button", name="Barley broth").click()
    expect(evening.get_by_role("list", name="Written")).to_contain_text("Barley broth")
    evening.get_by_label("Or what was used").fill("500 g rice")
    evening.get_by_role("button", name="Save").click()
    totals = page.get_by_role("complementary", name="What the month adds up to")
    expect(totals).to_contain_text("1 day kept")
    expect(totals).to_contain_text("white rice")
    expect(totals).to_contain_text("500 g a day")
    evening.get_by_label("Or what was used").fill("what was left of the pie")
    evening.get_by_role("button", name="Save").click()
    expect(evening).to_contain_text("kept as typed, not counted")
    evening.get_by_role("button", name="Take out what was left of the pie").click()
    expect(evening).not_to_contain_text("pie")
    shown = page.get_by_role("region", name="The month").get_by_role("heading")
    before = shown.text_content()
    page.get_by_role("button", name="The month before").click()
    expect(shown).not_to_have_text(before or "")
    page.get_by_role("button", name="1: not written", exact=True).click()
    evening.get_by_role("button", name="Nothing from the larder").click()
    expect(page.get_by_role("button", name="1: nothing from the larder", exact=True)).to_be_visible()
    page.get_by_role("button", name="1: nothing from the larder", exact=True).press("ArrowRight")
    expect(page.get_by_role("button", name=re.compile("^2: "))).to_be_focused()


def test_an_evening_on_the_phone_in_two_taps(phone: Page, demo: Here) -> None:
    """Opened at the diary, one tap writes the evening, and it is seen to be written, with no scrolling."""
    phone.goto(f"{demo.url}/table/diary")
    evening = phone.get_by_role("region", name="The evening's line")
    meal = evening.get_by_role("button", name="Porridge", exact=True)
    expect(meal).to_be_in_viewport()
    meal.tap()
    expect(evening.get_by_role("list", name="Written")).to_contain_text("Porridge")
    expect(evening.get_by_role("list", name="Written")).to_be_in_viewport()
    expect(meal).to_have_attribute("aria-pressed", "true")
    asking.post(f"{demo.url}/api/undo")


def test_what_to_store(page: Page, demo: Here) -> None:
    page.goto(f"{demo.url}/table")
    master = page.get_by_role("region", name="Master list")
    expect(master.get_by_role("heading", name=re.compile(r"^\d+ % of what 91 days ask for$"))).to_be_visible()
    expect(master).to_contain_text("try one first")
    hazels = master.get_by_role("button", name=re.compile("hazelnuts"))
    expect(hazels).to_contain_text("nothing keeps it 3 years")
    macaroni = master.get_by_role("button", name=re.compile("^macaroni"))
    expect(macaroni).to_contain_text("here 1.65 kg")
    macaroni.click()
    expect(master).to_contain_text("Best kept")
    cupboard = master.get_by_label("In the kitchen cupboard, not packed")
    expect(cupboard).to_have_value("350 g")
    cupboard.fill("a heap")
    cupboard.press("Enter")
    expect(master.get_by_role("alert")).to_contain_text("Write an amount such as")
    cupboard.fill("2 lb")
    cupboard.press("Enter")
    expect(macaroni).to_contain_text("here 2.21 kg")
    page.get_by_role("button", name="Undo").click()
    expect(macaroni).to_contain_text("here 1.65 kg")


def test_the_goal_is_set_and_mended(page: Page, demo: Here) -> None:
    page.goto(f"{demo.url}/table")
    master = page.get_by_role("region", name="Master list")
    length = page.get_by_label("Be ready for")
    length.fill("for ever")
    length.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("Write how long, such as 6 weeks or 3 months")
    length.fill("6 weeks")
    length.press("Enter")
    expect(master.get_by_role("heading", name="what 42 days ask for")).to_be_visible()
    page.get_by_role("radio", name="the diary").click()
    expect(page.get_by_text(re.compile(r"What was eaten on \d+ days"))).to_be_visible()
    page.get_by_text("All 12 meals count").click()
    page.get_by_label("Porridge").click()
    expect(page.get_by_text("11 of 12 meals count")).to_be_visible()
    for _ in range(3):
        page.get_by_role("button", name="Undo").click()
        page.wait_for_timeout(200)
    expect(master.get_by_role("heading", name="what 91 days ask for")).to_be_visible()


def test_this_weeks_list_to_the_bench(page: Page, served: Here) -> None:
    write_meal(page, served, "Barley broth", "200 g pearl barley\n100 g red lentils")
    page.goto(f"{served.url}/table/money")
    week = page.get_by_role("region", name="This week's list")
    expect(week).to_contain_text("Say what there is to spend in a week")
    page.get_by_label("To spend in a week").fill("plenty")
    page.get_by_label("To spend in a week").press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("Write a sum such as 3.20")
    page.get_by_label("To spend in a week").fill("4")
    page.get_by_label("To spend in a week").press("Enter")
    expect(week).to_contain_text("Write down a price or two")
    page.get_by_label("A pack").fill("1 kg perl barlee")
    page.get_by_label("costs").fill("0")
    page.get_by_role("button", name="Save", exact=True).click()
    expect(page.get_by_role("complementary", name="Prices seen")).to_contain_text("Enter a price above 0")
    page.get_by_label("costs").fill("2")
    page.get_by_role("button", name="Save", exact=True).click()
    page.get_by_role("button", name="pearl barley", exact=True).click()
    page.get_by_role("button", name="Save", exact=True).click()
    expect(page.get_by_label("A pack")).to_have_value("")
    see_price(page, "500 g red lentils", "1.50")
    expect(week.get_by_role("heading", name="4 meals more for 3.50")).to_be_visible()
    expect(week).to_contain_text("4 × Barley broth")
    expect(week.get_by_role("heading", name="1 week to the goal at this pace.")).to_be_visible()
    pdf = pypdf.PdfReader(BytesIO(asking.get(f"{served.url}/api/table/list.pdf").content))
    assert "1 × 500 g" in pdf.pages[0].extract_text()
    rows = list(csv.DictReader(StringIO(asking.get(f"{served.url}/api/table/list.csv").text)))
    assert [each["food"] for each in rows] == ["pearl barley", "red lentils"]

    week.get_by_role("button", name="Bought: 500 g red lentils").click()
    expect(page.get_by_role("region", name="Money")).to_contain_text("500 g red lentils")
    expect(page.get_by_role("region", name="Money")).to_contain_text("2.50")
    week.get_by_role("button", name="Bought, and to the bench: 1 kg pearl barley").click()
    expect(page).to_have_url(f"{served.url}/bench")
    expect(page.get_by_role("combobox", name="What is on the bench")).to_have_value("1 kg pearl barley")
    strip = page.get_by_role("region", name="To do next")
    expect(strip).to_contain_text("0.57 per 1,000 kcal")
    with page.context.expect_page():
        strip.get_by_role("button", name="Pack").click()
    expect(page.get_by_role("dialog", name="Packed")).to_be_visible()
    store = asking.get(f"{served.url}/api/table/store").json()
    barley = next(row for row in store["rows"] if row["food"] == "pearl-barley")
    assert (barley["shelves_g"], barley["cupboard_g"]) == (1000, 0)


def test_a_lot_on_the_bench_survives_a_reload_and_leaves_with_the_next(page: Page, served: Here) -> None:
    write_meal(page, served, "Barley broth", "200 g pearl barley")
    for path, body in (("prices", {"line": "2 kg pearl barley", "price": "4"}), ("buy", {"price": 1, "packs": 1})):
        asking.post(f"{served.url}/api/table/{path}", json=body).raise_for_status()
    page.goto(f"{served.url}/table/money")
    page.get_by_role("link", name="To the bench").click()
    strip = page.get_by_role("region", name="To do next")
    expect(strip).to_contain_text("per 1,000 kcal")
    page.reload()
    expect(strip).to_contain_text("per 1,000 kcal")
    page.get_by_role("combobox", name="What is on the bench").fill("2 kg rolled oats")
    expect(strip).not_to_contain_text("per 1,000 kcal")
