"""What no table knows: containers, foods and mixes of one's own."""

import re

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.conftest import Here, answered, put_on_bench

pytestmark = pytest.mark.browser


def test_a_container_of_ones_own_is_drawn_packed_and_named_in_a_line(page: Page, served: Here) -> None:
    put_on_bench(page, served, "2 kg rolled oats")
    page.get_by_role("button", name="More…").click()
    page.get_by_role("button", name="A jar, pail, tote, bottle or tin of your own").click()
    sheet = page.get_by_role("dialog", name="A container of your own")
    sheet.get_by_role("radio", name="tote or box").click()
    sheet.get_by_role("button", name="Weigh it filled with water").click()
    sheet.get_by_label("Filled with water it weighs").fill("4.3 kg")
    sheet.get_by_label("Empty it weighs").fill("5 kg")
    expect(sheet.get_by_text("Empty it weighs less than filled")).to_be_visible()
    sheet.get_by_label("Empty it weighs").fill("300 g")
    expect(sheet.get_by_role("img", name=re.compile("holds 4.01 L, polypropylene .*drawn to scale"))).to_be_visible()
    expect(sheet).to_contain_text("A mouse gnaws through it.")
    sheet.get_by_role("radio", name="something else, or not known").click()
    expect(sheet).to_contain_text("Not for food as it is")
    sheet.get_by_role("radio", name="food", exact=True).click()
    sheet.get_by_role("button", name="Add it").click()
    expect(sheet.get_by_text("Give it a name")).to_be_visible()
    sheet.get_by_label("What you call it").fill("Ice cream tub")
    sheet.get_by_role("button", name="Add it").click()
    expect(sheet).to_be_hidden()

    expect(page.get_by_role("radio", name="Ice cream tub")).to_be_checked()
    expect(page.get_by_role("group", name="rolled oats in an Ice cream tub, drawn to scale")).to_be_visible()
    expect(page.get_by_role("radio", name="lid only")).to_be_checked()

    page.goto(f"{served.url}/shelves/coming-in")
    page.get_by_label("Type a line, or paste many").fill("3 ice cream tubs white rice, May 2024")
    page.get_by_label("Type a line, or paste many").press("Enter")
    expect(page.get_by_role("listitem").filter(has_text="white rice")).to_contain_text("Ice cream tub")
    page.get_by_role("button", name=re.compile("^Put ")).click()
    expect(page.get_by_role("listitem").filter(has_text="white rice")).to_have_count(0)
    page.goto(f"{served.url}/shelves?n=1")
    expect(page.get_by_role("complementary", name="Package 1")).to_contain_text("Ice cream tub")

    # It is taken off the table; what is packed in one keeps it.
    page.goto(f"{served.url}/guide")
    page.get_by_role("tab", name="Containers").click()
    page.get_by_role("listitem").filter(has_text="Ice cream tub").get_by_role("button", name="Remove").click()
    expect(page.get_by_role("listitem").filter(has_text="Ice cream tub")).to_have_count(0)
    page.goto(f"{served.url}/shelves?n=1")
    expect(page.get_by_role("complementary", name="Package 1")).to_contain_text("Ice cream tub")


def test_a_food_from_its_name_and_what_it_is_like(page: Page, served: Here) -> None:
    put_on_bench(page, served, "1 kg barley")
    page.get_by_role("combobox", name="What is on the bench").fill("600 g sea buckthorn leather")
    page.get_by_role("button", name="Add it as a food of your own").click()
    sheet = page.get_by_role("dialog", name="A food of your own")
    expect(sheet.get_by_label("Name")).to_have_value("sea buckthorn leather")
    sheet.get_by_label("Most like").fill("dried appl")
    sheet.get_by_role("button", name="dried apples", exact=True).click()
    expect(sheet.get_by_label("Energy, kcal")).to_have_attribute("placeholder", re.compile(r"^33\d$"))
    sheet.get_by_label("Fat, g").fill("6")
    expect(sheet.get_by_label("Energy, kcal")).to_have_attribute("placeholder", re.compile(r"^36\d$"))
    sheet.get_by_label("weighs").fill("2 cups")
    sheet.get_by_role("button", name="Add it").click()
    answered(page)
    expect(sheet.get_by_text("A weight, such as 185 g")).to_be_visible()
    sheet.get_by_label("weighs").fill("95 g")
    sheet.get_by_role("button", name="Add it").click()
    expect(sheet).to_be_hidden()
    expect(page.get_by_role("group", name=re.compile("sea buckthorn leather in"))).to_be_visible()

    page.goto(f"{served.url}/guide")
    page.get_by_role("searchbox").fill("buckthorn")
    row = page.get_by_role("row", name=re.compile("sea buckthorn leather"))
    for figure in ("6", "8*", "83.2*"):
        expect(row.get_by_role("cell", name=figure, exact=True)).to_be_visible()
    row.get_by_role("button", name=re.compile("sea buckthorn leather")).click()
    page.get_by_role("button", name="Put it right …").click()
    sheet = page.get_by_role("dialog", name="Put it right")
    expect(sheet.get_by_label("Name")).to_have_value("sea buckthorn leather")
    sheet.get_by_label("Fat, g").fill("2.5")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet).to_be_hidden()
    expect(row.get_by_role("cell", name="2.5", exact=True)).to_be_visible()


def begin_a_mix(page: Page, served: Here) -> Locator:
    """The sheet of a mix of one's own."""
    page.goto(f"{served.url}/guide")
    page.get_by_role("tab", name="Foods").click()
    page.get_by_role("button", name="Add a food of your own").click()
    sheet = page.get_by_role("dialog", name="A food of your own")
    sheet.get_by_role("radio", name="a mix of foods").click()
    return sheet


def test_a_mix_is_worked_out_packed_and_read(page: Page, served: Here) -> None:
    sheet = begin_a_mix(page, served)
    sheet.get_by_label("Name").fill("Red soup mix")
    lines = sheet.get_by_label("What is in it, a line each")
    lines.fill("60 % red lentils\n20 % rice")
    expect(sheet.get_by_role("alert")).to_contain_text("these come to 80 %")
    sheet.get_by_role("button", name="Add it").click()
    answered(page)
    expect(sheet).to_be_visible()
    lines.fill("2 cups red lentils\n1 cup zebra rice\n2 tbsp salt")
    expect(sheet.get_by_text("“zebra rice” is not in the table")).to_be_visible()
    sheet.get_by_role("button", name="white rice").click()
    expect(lines).to_have_value("2 cups red lentils\n1 cup white rice\n2 tbsp salt")
    expect(sheet.get_by_role("listitem").filter(has_text="red lentils")).to_contain_text("63 %")
    expect(sheet).to_contain_text("It keeps as long as its")
    sheet.get_by_role("button", name="Add it").click()
    expect(sheet).to_be_hidden()
    # Among six hundred it is what is shown.
    expect(page.get_by_role("table").get_by_role("button")).to_have_count(1)
    expect(page.get_by_role("button", name=re.compile("^Red soup mix"))).to_be_in_viewport()

    put_on_bench(page, served, "2 kg red soup mix")
    expect(page.get_by_role("group", name=re.compile("Red soup mix in"))).to_be_visible()
    page.goto(f"{served.url}/shelves/coming-in")
    page.get_by_label("Type a line, or paste many").fill("4 quart jars red soup mix, absorbers, 2025")
    page.get_by_label("Type a line, or paste many").press("Enter")
    expect(page.get_by_role("listitem").filter(has_text="red soup mix")).to_contain_text("4 ×")

    page.goto(f"{served.url}/guide")
    page.get_by_role("searchbox").fill("soup mix")
    page.get_by_role("button", name=re.compile("^Red soup mix")).click()
    page.get_by_role("button", name="Put it right …").click()
    sheet = page.get_by_role("dialog", name="Put it right")
    expect(sheet.get_by_label("Name")).to_have_value("Red soup mix")
    lines = sheet.get_by_label("What is in it, a line each")
    expect(lines).to_have_value(re.compile(r"^6\d\.\d+ % red lentils\n"))
    lines.fill("50 % red lentils\n50 % red soup mix")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet.get_by_text("A mix cannot be in itself")).to_be_visible()
    lines.fill("2 cups red lentils\n2 cups white rice")
    sheet.get_by_label("Name").fill("Soup for winter")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet).to_be_hidden()
    page.get_by_role("searchbox").fill("winter")
    expect(page.get_by_role("button", name=re.compile("^Soup for winter"))).to_be_visible()


def test_lots_that_were_made_here_are_mixed(page: Page, demo_to_change: Here) -> None:
    page.goto(f"{demo_to_change.url}/drying/ready")
    lots = page.get_by_role("listitem")
    lots.filter(has_text="Leek powder").first.get_by_role("button", name="Mix").click()
    sheet = page.get_by_role("dialog", name="Mix")
    sheet.get_by_role("button", name="Mix them").click()
    expect(sheet.get_by_role("alert")).to_contain_text("two lots or more")
    sheet.get_by_role("checkbox", name=re.compile("dried leeks")).check()
    sheet.get_by_label("How much dried leeks").fill("90 kg")
    sheet.get_by_label("What you call it").fill("soup base")
    sheet.get_by_role("button", name="Mix them").click()
    expect(sheet.get_by_text(re.compile("^There is"))).to_be_visible()
    sheet.get_by_label("How much dried leeks").fill("20 g")
    sheet.get_by_role("button", name="Mix them").click()
    expect(sheet).to_be_hidden()
    base = lots.filter(has_text="soup base").first
    base.get_by_role("button", name="What it gives").click()
    expect(base).to_contain_text("mixed of")


def test_a_fresh_food_that_no_table_knows_is_dried(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/drying")
    page.get_by_label("What goes on the trays: an amount and a food").fill("60 loquats")
    page.get_by_role("button", name="Add it as a fresh food of your own").click()
    sheet = page.get_by_role("dialog", name="A fresh food of your own")
    expect(sheet.get_by_label("Name, as it is fresh")).to_have_value("loquats")
    sheet.get_by_role("button", name="Add it").click()
    expect(sheet.get_by_text("Pick the fresh food that it is most like")).to_be_visible()
    sheet.get_by_label("Most like, cut and dried").fill("apric")
    sheet.get_by_role("button", name="apricots", exact=True).click()
    expect(sheet).to_contain_text("It becomes dried loquats")
    sheet.get_by_label("Water in it, %").fill("8")
    expect(sheet.get_by_text(re.compile("^The water in it .*must lie between"))).to_be_visible()
    sheet.get_by_label("Water in it, %").fill("86,7")
    sheet.get_by_label("One of them weighs").fill("16 g")
    expect(sheet).to_contain_text(re.compile(r"1 kg becomes about 1\d\d g"))
    sheet.get_by_role("button", name="Add it").click()
    expect(sheet).to_be_hidden()
    expect(page.get_by_role("heading", name=re.compile("^Dry in"))).to_be_visible()
    page.goto(f"{served.url}/guide")
    page.get_by_role("tab", name="Drying").click()
    row = page.get_by_role("row", name=re.compile("^loquats to dried loquats"))
    expect(row).to_contain_text("halves")
    row.get_by_role("button", name="Put it right …").click()
    sheet = page.get_by_role("dialog", name="Put it right")
    expect(sheet.get_by_label("Name, as it is fresh")).to_have_value("loquats")
    expect(sheet.get_by_label("Water in it, %")).to_have_value("86.7")
    sheet.get_by_label("Water in it, %").fill("99")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet.get_by_text(re.compile("must lie between")).first).to_be_visible()
    sheet.get_by_label("Water in it, %").fill("81")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet).to_be_hidden()
    expect(row).to_contain_text("81")


def test_a_fresh_food_that_no_table_knows_is_freeze_dried(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/drying/freeze")
    page.get_by_label("What goes into the freeze dryer: an amount and a food").fill("2 kg jabuticaba")
    page.get_by_role("button", name="Add it as a fresh food of your own").click()
    sheet = page.get_by_role("dialog", name="A fresh food of your own")
    sheet.get_by_label("Most like, cut and dried").fill("strawb")
    sheet.get_by_role("button", name="strawberries", exact=True).click()
    sheet.get_by_role("button", name="Add it").click()
    expect(sheet).to_be_hidden()
    expect(page.get_by_role("list", name="What goes in").or_(page.get_by_text("jabuticaba")).first).to_be_visible()


def test_a_mix_may_name_a_food_twice(page: Page, served: Here) -> None:
    sheet = begin_a_mix(page, served)
    read = sheet.get_by_role("listitem").filter(has_text="%")
    rice, barley = "1 cup white rice", "1 cup pearl barley"
    for lines in ([rice, rice], [barley, rice, rice], [rice, barley, barley], [barley, rice]):
        sheet.get_by_label("What is in it, a line each").fill("\n".join(lines))
        expect(read).to_have_text([re.compile(line.removeprefix("1 cup ")) for line in lines])
