"""Slips of the pen, at their field, with nothing saved."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Here, answered, put_on_bench
from tests.support.asking import asking
from yellow_larder.features.household.larder import settings
from yellow_larder.journal.database import reading

pytestmark = pytest.mark.browser


NO_LINES = {
    "0 kg barley": "The amount is zero",
    "-4 kg barley": "below zero",
    "10,000 tonnes barley": "more than 5,000 kg",
    "pearl barley": "How much pearl barley?",
    "10 kg": "of what?",
    "10": "measured in",
    "5 kg <img src=x onerror=alert(1)>": "“<img src=x onerror=alert(1)>” is not in the table",
}
"""Lines of which the bench makes nothing, one typed after the other, and what is said of each."""


def test_a_line_that_makes_no_sense(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/bench")
    field = page.get_by_role("combobox", name="What is on the bench")
    for line, says in NO_LINES.items():
        field.fill(line)
        expect(page.locator("#line-note")).to_contain_text(says)
        expect(field).to_have_attribute("aria-invalid", "true")
        expect(page.get_by_role("button", name=re.compile("^Pack (it|all)"))).to_have_count(0)


NO_FIGURES = [
    ("Weight in each", "9 kg", "More than fits: a 1 gal foil bag takes 3.81 kg of pearl barley"),
    ("Weight in each", "0 g", "zero"),
    ("Headspace", "90 cm", "The headspace must lie between 0 and"),
    ("Headspace", "lots", "Write a length"),
    ("Moisture, %", "140", "Moisture must lie between 0 and 100 %"),
]
"""What cannot be in a field of the bench, and what is said of it."""


def test_a_field_that_cannot_be(page: Page, served: Here) -> None:
    """Nothing is packed so; put right, it is a plan again."""
    put_on_bench(page, served, "10 kg pearl barley", "1 gal foil bag")
    for label, typed, says in NO_FIGURES:
        field = page.get_by_label(label, exact=True)
        field.fill(typed)
        field.press("Tab")
        wrong = page.get_by_role("alert").filter(has_text=says)
        expect(wrong).to_be_visible()
        expect(field).to_have_attribute("aria-invalid", "true")
        pack = page.get_by_role("button", name=re.compile("^Pack (it|all)"))
        expect(pack).to_be_disabled()
        field.fill("")
        field.press("Tab")
        expect(wrong).to_have_count(0)
        expect(pack).to_be_enabled()


def test_unknown_food_nearest_names_and_ones_own(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/bench")
    line = page.get_by_role("combobox", name="What is on the bench")
    line.fill("5 kg perl barlee")
    page.get_by_role("button", name="pearl barley", exact=True).click()
    expect(line).to_have_value("5 kg pearl barley")

    line.fill("5 kg bere meal")
    page.get_by_role("button", name="Add it as a food of your own").click()
    sheet = page.get_by_role("dialog", name="A food of your own")
    expect(sheet.get_by_label("Name")).to_have_value("bere meal")
    sheet.get_by_label("Most like").fill("rye")
    sheet.get_by_role("button", name="rye flour").click()
    sheet.get_by_label("Energy, kcal").fill("2000")
    sheet.get_by_role("button", name="Add it").click()
    answered(page)
    expect(sheet).to_contain_text("Energy must lie between 0 and 902")
    sheet.get_by_label("Energy, kcal").fill("350")
    sheet.get_by_role("button", name="Add it").click()
    expect(sheet).to_be_hidden()
    expect(page.get_by_role("region", name="To do next")).to_contain_text("17,500 kcal")


def test_the_household_opens_before_the_larder_has_answered(page: Page, served: Here) -> None:
    """A slow start must not leave an empty sheet."""
    page.route("**/api/overview", lambda route: (page.wait_for_timeout(600), route.continue_())[1])
    page.goto(f"{served.url}/guide")
    page.get_by_role("button", name="Household").click()
    sheet = page.get_by_role("dialog", name="Household")
    expect(sheet.get_by_label("Name")).to_have_value("Our larder")
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Household").click()
    expect(sheet.get_by_label("Name")).to_have_value("Our larder")


def test_a_name_of_five_megabytes(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/bench")
    page.get_by_role("button", name="Household").click()
    sheet = page.get_by_role("dialog", name="Household")
    field = sheet.get_by_label("Name")
    field.evaluate(
        "(field) => { field.value = 'x'.repeat(5e6); field.dispatchEvent(new Event('input', { bubbles: true })); }"
    )
    sheet.get_by_role("button", name="Save").click()
    expect(sheet).to_contain_text("That name has 5,000,000 characters; 80 is the most a label holds")
    assert asking.get(f"{served.url}/api/overview").json()["settings"]["name"] == "Our larder"


def test_markup_in_a_name_is_only_text(page: Page, served: Here) -> None:
    name = "<b>bold</b> barley"
    body = {"name": name, "like": "pearl-barley", "kcal": 350, "protein_g": 10, "fat_g": 1, "carbohydrate_g": 70}
    asking.post(
        f"{served.url}/api/foods", json=body | {"fibre_g": 10, "water_g": 11, "measure": "1 L", "weighs": "780 g"}
    ).raise_for_status()
    put_on_bench(page, served, f"1 kg {name}")
    expect(page.get_by_role("link", name="Bench")).to_contain_text(name)
    page.goto(f"{served.url}/guide")
    page.get_by_role("searchbox").fill("bold")
    expect(page.get_by_role("cell", name=re.compile("bold")).first).to_contain_text(name)


def test_a_stop_cannot_be_packed(page: Page, served: Here) -> None:
    put_on_bench(page, served, "5 kg white sugar")
    page.get_by_role("radio", name="absorbers", exact=True).click()
    verdict = page.get_by_role("region", name="Verdict")
    expect(verdict).to_contain_text("Stop")
    expect(verdict).to_contain_text("hardens into a brick")
    expect(page.get_by_role("button", name=re.compile("^Pack (it|all)"))).to_be_disabled()
    page.get_by_label("Moisture, %").fill("")
    page.get_by_role("radio", name="lid only").click()
    expect(page.get_by_role("button", name=re.compile("^Pack (it|all)"))).to_be_enabled()


def test_a_house_on_the_moon(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/bench")
    page.get_by_role("button", name="Household").click()
    sheet = page.get_by_role("dialog", name="Household")
    height = sheet.get_by_label("Height above sea, m")
    height.fill("384400000")
    sheet.get_by_role("button", name="Save").click()
    expect(height).to_have_attribute("aria-invalid", "true")
    expect(sheet).to_contain_text("must lie between −500 and 5,000 m; 384,400,000 does not")
    height.fill("")
    sheet.get_by_role("button", name="Save").click()
    answered(page)
    expect(height).to_have_attribute("aria-invalid", "true")
    height.fill("120")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet).to_be_hidden()


def test_numbers_as_people_type_them(page: Page, served: Here) -> None:
    """A comma is never dropped, and what is no number is refused where it stands, as it stands."""
    page.goto(f"{served.url}/rounds")
    page.get_by_role("button", name="Household").click()
    sheet = page.get_by_role("dialog", name="Household")
    power = sheet.get_by_label("Electricity, price per kWh")
    save = sheet.get_by_role("button", name="Save")
    for typed, kept in (("27,5", 27.5), ("0,5", 0.5), ("1 000", 1000), ("2½", 2.5)):
        power.clear()
        power.press_sequentially(typed)
        expect(power).to_have_value(typed)
        save.click()
        expect(sheet).to_be_hidden()
        with reading(served.larder.engine) as session:
            assert settings(session).kwh_coins == kept
        page.get_by_role("button", name="Household").click()
    power.fill("12 bags")
    save.click()
    expect(power).to_have_attribute("aria-invalid", "true")
    expect(power).to_have_value("12 bags")
    humidity = sheet.get_by_label("Humidity, %")
    humidity.fill("55,5")
    expect(humidity).to_have_value("55,5")
    power.fill("27")
    save.click()
    expect(sheet).to_be_hidden()
    with reading(served.larder.engine) as session:
        assert settings(session).humidity == pytest.approx(0.555)


def test_a_vacuum_below_nothing(page: Page, served: Here) -> None:
    put_on_bench(page, served, "2 kg red lentils")
    page.get_by_role("radio", name="1 litre jar", exact=True).click()
    page.get_by_role("radio", name="vacuum").click()
    left = page.get_by_label("Pressure left, kPa")
    left.fill("-3")
    left.press("Tab")
    expect(left).to_have_attribute("aria-invalid", "true")
    expect(page.get_by_role("button", name=re.compile("^Pack (it|all)"))).to_be_disabled()
    left.fill("12")
    left.press("Tab")
    expect(page.get_by_role("button", name=re.compile("^Pack (it|all)"))).to_be_enabled()
    expect(page.get_by_role("region", name="On the bench")).to_contain_text("12 kPa left")


def test_labels_that_would_overlap(page: Page, served: Here) -> None:
    put_on_bench(page, served, "2 kg red lentils")
    with page.context.expect_page():
        page.get_by_role("button", name=re.compile("^Pack (it|all)")).click()
    page.bring_to_front()
    page.get_by_role("button", name="Labels …").click()
    page.get_by_role("radio", name="labels of your own").click()
    page.get_by_label("Side by side").fill("3")
    size = page.get_by_label("Each, wide × high")
    size.fill("90 × 38 mm")
    page.get_by_role("button", name="Open the sheet").click()
    expect(size).to_have_attribute("aria-invalid", "true")
    expect(page.get_by_role("dialog")).to_contain_text("3 side by side take 27 cm, and the page has")


@pytest.mark.parametrize(
    ("view", "label", "typed", "button", "says"),
    [
        ("/table/diary", "Or what was used", "", "Save", "Write what was used"),
        ("/shelves/coming-in", "Type a line, or paste many", " ", "Add to the list", "Write what is there"),
        ("/shelves/count?place=1", "Number of another one here", "rice", "Add it", "Type the number that stands on it"),
    ],
)
def test_what_is_empty_or_no_number_is_not_passed_over(
    page: Page, served: Here, view: str, label: str, typed: str, button: str, says: str
) -> None:
    page.goto(f"{served.url}{view}")
    page.get_by_label(label).fill(typed)
    page.get_by_role("button", name=button, exact=True).click()
    expect(page.get_by_role("alert").filter(has_text=says)).to_be_visible()
    expect(page.get_by_label(label)).to_have_attribute("aria-invalid", "true")


def written_wrong(page: Page) -> None:
    page.get_by_role("button", name="More …").click()
    page.get_by_role("radio", name="It was written wrong").click()


def beside_barley(page: Page) -> None:
    page.get_by_role("combobox", name="What is on the bench").fill("2 kg pearl barley")
    page.get_by_role("button", name="Propose…").click()
    page.get_by_role("button", name="And another lot with it").click()


def what_it_cost(page: Page) -> None:
    page.get_by_label("costs").fill("2")


PERHAPS = [
    ("/bench", None, "What is on the bench", "2 kg {}", "", "perl barlee", "pearl barley"),
    ("/bench", beside_barley, "Lot 2", "2 kg {}", "", "perl barlee", "pearl barley"),
    ("/drying", None, "What goes on the trays", "2 kg {}", "", "shiitakey mushroms", "mushrooms"),
    ("/drying/freezer", None, "What goes into the freezer", "2 kg {}", "", "perl barlee", "pearl barley"),
    ("/drying/freeze", None, "What goes into the freeze dryer", "2 kg {}", "", "red straberrys", "strawberries"),
    ("/table/money", what_it_cost, "A pack", "2 kg {}", "Save", "perl barlee", "pearl barley"),
    ("/shelves?n=1", written_wrong, "It is", "{}", "Save", "perl barlee", "pearl barley"),
]
"""Every field that a food is typed in: what leads there, what is typed, what sends it, and what was meant."""


def test_what_was_perhaps_meant_is_offered_wherever_a_food_is_typed(page: Page, served: Here) -> None:
    """One press writes it where the unknown words stood, and nothing else of the line is touched."""
    asking.post(f"{served.url}/api/bench/pack", json={"ask": {"line": "500 g pearl barley"}}).raise_for_status()
    for path, lead, label, line, send, typed, meant in PERHAPS:
        page.goto(f"{served.url}{path}")
        if lead:
            lead(page)
        field = page.get_by_label(label).first
        field.fill(line.format(typed))
        if send:
            page.get_by_role("button", name=send, exact=True).click()
        perhaps = page.get_by_role("group", name="Did you mean")
        perhaps.get_by_role("button", name=meant, exact=True).click()
        expect(field).to_have_value(line.format(meant))
        expect(perhaps).to_have_count(0)
