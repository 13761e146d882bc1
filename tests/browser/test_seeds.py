"""Seeds for planting: they come in, are tested, and say how thick to sow."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Here

pytestmark = pytest.mark.browser


def test_seeds_come_in_are_tested_and_kept_otherwise(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/shelves/seeds")
    expect(page.get_by_text("No seeds yet")).to_be_visible()
    page.get_by_role("button", name="Add seeds").click()
    sheet = page.get_by_role("dialog", name="Seeds")
    sheet.get_by_label("Name").fill("unicorn")
    sheet.get_by_label("Harvested").fill("2024")
    sheet.get_by_label("How many, or what they weigh").fill("1 g")
    sheet.get_by_role("button", name="Add", exact=True).click()
    expect(sheet.get_by_text("Seeds of what?")).to_be_visible()
    sheet.get_by_label("Name").fill("Karrots, long red")
    sheet.get_by_role("button", name="Add", exact=True).click()
    sheet.get_by_role("group", name="Did you mean").get_by_role("button", name="carrot").click()
    expect(sheet.get_by_label("Lives as long as")).to_have_value("carrot")
    sheet.get_by_label("Name").fill("Carrot, long red")
    sheet.get_by_role("button", name="Add", exact=True).click()
    expect(sheet).to_be_hidden()
    row = page.get_by_role("listitem").filter(has_text="Carrot, long red")
    expect(row).to_contain_text("800 seeds")
    expect(row).to_contain_text("as new seed of its kind")

    row.get_by_role("button", name="Test…").click()
    test = page.get_by_role("dialog", name="Germination test")
    test.get_by_label("Came").fill("12")
    test.get_by_role("button", name="Save").click()
    expect(test.get_by_text("0 to 10 can come")).to_be_visible()
    test.get_by_label("Came").fill("1")
    test.get_by_role("button", name="Save").click()
    expect(test).to_be_hidden()
    expect(row).to_contain_text("1 of 10 came: between")
    expect(row).to_contain_text(re.compile(r"\. Grow it out for new seed this year, or let it go\."))
    expect(row).to_contain_text("790 seeds")
    expect(row.get_by_role("img", name=re.compile("^Germination of Carrot"))).to_be_visible()

    row.get_by_role("button", name="Keep otherwise…").click()
    kept = page.get_by_role("dialog", name="Keep them otherwise")
    kept.get_by_role("button", name="Save").click()
    expect(kept.get_by_role("alert")).to_contain_text("kept so already")
    kept.get_by_role("radio", name="closed jar with silica gel").click()
    kept.get_by_role("button", name="Save").click()
    expect(row).to_contain_text("closed jar with silica gel")

    row.get_by_role("button", name="Count…").click()
    count = page.get_by_role("dialog", name="How many are left")
    count.get_by_label("How many").fill("60")
    count.get_by_role("button", name="Save").click()
    expect(row).to_contain_text("60 seeds")
    row.get_by_role("button", name="Remove").click()
    expect(page.get_by_text("No seeds yet")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(row).to_contain_text("60 seeds")
