"""The freezer: planned, filled, too soon, taken out, thawed, opened, on the bench."""

import re
from datetime import timedelta

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Here
from tests.support.asking import asking
from yellow_larder.features.freezer.contents import put_in
from yellow_larder.features.freezer.plan import FreezeAsk
from yellow_larder.features.household.larder import NewPlace, add_place
from yellow_larder.features.places.logs import read_log
from yellow_larder.features.planning.prices import Seen, see_price
from yellow_larder.features.planning.shopping import buy
from yellow_larder.features.shelves.shelves import shelves

pytestmark = pytest.mark.browser


def pass_hours(served: Here, hours: float) -> None:
    """Let so many hours go by for the larder."""
    before = served.larder.clock
    served.larder.clock = lambda: before() + timedelta(hours=hours)


def test_a_freeze_from_the_door_to_the_bench(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/drying/freezer")
    page.get_by_label("What goes into the freezer").fill("10 kg white rice")
    cold = page.get_by_role("region", name="What the cold does")
    expect(cold.get_by_role("heading", name=re.compile("^Out after 4 days"))).to_be_visible()
    expect(cold.get_by_role("img", name=re.compile("^Temperature of white rice"))).to_be_visible()
    expect(cold).to_contain_text("g of water")
    cold.get_by_role("radio", name=re.compile("^a day")).click()
    expect(cold.get_by_role("heading", name="Out after 1 day")).to_be_visible()
    cold.get_by_role("radio", name=re.compile("^four days cold")).click()
    page.get_by_label("The freezer, or the frost, °C").fill("5")
    page.get_by_label("The freezer, or the frost, °C").press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("must lie between −40 and −6 °C")
    expect(cold.get_by_role("button", name="It goes in now")).to_be_disabled()
    page.get_by_label("The freezer, or the frost, °C").fill("-18")
    page.get_by_label("The freezer, or the frost, °C").press("Enter")
    cold.get_by_role("button", name="It goes in now").click()
    within = page.get_by_role("complementary", name="In the freezer")
    expect(within).to_contain_text("cooling")
    expect(page.get_by_role("link", name="Drying 1 under way")).to_be_visible()

    within.get_by_role("button", name="Take it out").click()
    sheet = page.get_by_role("dialog", name="Too soon")
    expect(sheet).to_contain_text("The hold is not over")
    sheet.get_by_role("button", name="Leave it").click()
    expect(within).to_contain_text("cooling")

    pass_hours(served, 110)
    page.reload()
    expect(within).to_contain_text("Take it out, closed, and let it warm.")
    within.get_by_role("button", name="Take it out").click()
    expect(within).to_contain_text("thawing")
    within.get_by_role("button", name="Open it, to the bench").click()
    expect(sheet).to_contain_text("g of water would settle on it")
    page.keyboard.press("Escape")

    pass_hours(served, 12)
    page.reload()
    within.get_by_role("button", name="Open it, to the bench").click()
    expect(page).to_have_url(f"{served.url}/bench")
    expect(page.get_by_role("combobox", name="What is on the bench")).to_have_value("10 kg white rice")
    # What is on record is nobody's to say: a box for it would show what the plan does not go by.
    expect(page.get_by_text("Frozen first (kills insects)on record")).to_be_visible()
    expect(page.get_by_role("checkbox", name="Frozen first")).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_text(re.compile("^Undone"))).to_be_visible()
    page.goto(f"{served.url}/drying/freezer")
    expect(within).to_contain_text("Open it, and pack it dry.")


def test_the_power_may_go(page: Page, demo: Here) -> None:
    """The clock is the server's: what is shown follows from when it went in, not from a page left open."""
    page.goto(f"{demo.url}/drying/freezer")
    within = page.get_by_role("complementary", name="In the freezer")
    expect(within.get_by_role("listitem")).to_have_count(3)
    phases = {each["phase"] for each in asking.get(f"{demo.url}/api/freezer").json()}
    assert phases == {"done", "thawing", "cooling"}
    page.reload()
    expect(within.get_by_role("listitem")).to_have_count(3)


def test_what_was_bought_and_is_in_the_freezer_is_packed_from_nowhere_else(page: Page, served: Here) -> None:
    see_price(served.larder, Seen("4 kg red lentils", "12"))
    lot = buy(served.larder, 1, 1)
    page.goto(f"{served.url}/table/money")
    bought = page.get_by_role("listitem").filter(has_text="4 kg red lentils")
    bought.get_by_role("link", name="To the bench").click()
    expect(page.get_by_role("region", name="Verdict")).to_be_visible()
    # Meanwhile, on another screen, it goes into the freezer.
    put_in(served.larder, FreezeAsk(line="4 kg red lentils", container="bag-gallon", lot=lot))
    page.get_by_role("button", name=re.compile("^Pack (it|all)")).click()
    expect(page.get_by_role("alert").filter(has_text="is in the freezer, or thawing closed")).to_be_visible()
    expect(page.get_by_role("button", name="There was more")).to_have_count(0)
    assert shelves(served.larder).packages == []
    page.goto(f"{served.url}/table/money")
    expect(bought).to_contain_text("4 kg in the freezer")
    bought.get_by_role("link", name="To the freezer").click()
    expect(page.get_by_role("complementary", name="In the freezer")).to_contain_text("red lentils")


def test_frost_outdoors_goes_by_its_log(page: Page, served: Here) -> None:
    porch = add_place(served.larder, NewPlace("Porch", "loft", mean_c=5, warmest_c=15))
    now = served.larder.clock()
    rows = [f"{now - timedelta(hours=n):%Y-%m-%d %H:%M},{-13 - n % 24 / 20:.1f}" for n in range(240, 0, -1)]
    read_log(served.larder, porch, "\n".join(["time,temp °C", *rows]).encode())
    page.goto(f"{served.url}/drying/freezer")
    page.get_by_label("What goes into the freezer").fill("10 kg white rice")
    page.get_by_label("How cold it is").select_option("as measured: Porch")
    cold = page.get_by_role("region", name="What the cold does")
    expect(cold.get_by_role("heading", name=re.compile("^Out after 45 days"))).to_be_visible()
    expect(page.get_by_text("never above −13 °C in the week to")).to_be_visible()
    cold.get_by_role("button", name="It goes in now").click()
    within = page.get_by_role("complementary", name="In the freezer")
    expect(within).to_contain_text("the hold ends in 45 days")
    page.get_by_label("The freezer, or the frost, °C").fill("-10")
    page.get_by_label("The freezer, or the frost, °C").press("Enter")
    page.get_by_label("What goes into the freezer").fill("1 kg oats")
    expect(cold.get_by_role("heading", name=re.compile("^Out after 6[12] days"))).to_be_visible()
