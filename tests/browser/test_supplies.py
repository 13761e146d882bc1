"""What there is to pack with: written down, counted, taken by packing, and given back, in a real browser."""

import re

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.conftest import Here, put_on_bench
from tests.support.asking import asking

pytestmark = pytest.mark.browser


def stocked(served: Here) -> None:
    for body in (
        {"sort": "jars", "key": "jar-quart", "count": 9, "cost": "1.50"},
        {"sort": "lids", "key": "regular", "count": 6, "cost": "0.20"},
        {"sort": "packets", "key": "100", "count": 1, "per_pack": 5, "cost": "1.00"},
    ):
        assert asking.post(f"{served.url}/api/supplies", json=body).status_code == 201


def entry(page: Page, name: str) -> Locator:
    return page.get_by_role("button", name=re.compile(f"^{name}"))


def test_supplies_are_written_down_and_counted(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/supplies")
    expect(page.get_by_role("heading", name="What is there to pack with?")).to_be_visible()
    page.get_by_label("Rated").select_option("300")
    page.get_by_label("In one inner pack").fill("20")
    page.get_by_label("Closed packs").fill("2")
    page.get_by_label("Low at").fill("2")
    page.get_by_role("button", name="Save", exact=True).click()
    packets = page.get_by_role("button", name=re.compile("^300 mL absorbers"))
    expect(packets).to_contain_text("2 closed packs of 20")
    expect(page.get_by_role("heading", name="1 running low")).to_be_visible()
    page.get_by_label("What is it?").select_option("bags")
    page.get_by_label("Which").select_option("own")
    page.get_by_label("Flat size").fill("wide")
    page.get_by_role("button", name="Save", exact=True).click()
    expect(page.get_by_label("Flat size")).to_have_attribute("aria-invalid", "true")
    page.get_by_label("Flat size").fill("25 × 35 cm")
    page.get_by_label("How many").fill("4")
    page.get_by_role("button", name="Save", exact=True).click()
    expect(page.get_by_role("button", name=re.compile("^25 × 35 cm foil bag"))).to_be_visible()
    packets.click()
    more = page.get_by_role("form", name="Restock")
    more.get_by_label("closed packs").fill("3")
    more.get_by_label("a pack cost").fill("2.40")
    more.get_by_role("button", name="Put it away").click()
    expect(packets).to_contain_text("5 closed packs of 20")
    expect(page.get_by_role("heading", name="Enough of everything")).to_be_visible()
    packets.click()
    spares = page.get_by_role("form", name="Spares into the jar")
    spares.get_by_label("how many").fill("4")
    spares.get_by_label("minutes out").fill("2000")
    spares.get_by_role("button", name="In, lid on").click()
    expect(spares.get_by_label("minutes out")).to_have_attribute("aria-invalid", "true")
    spares.get_by_label("minutes out").fill("10")
    spares.get_by_role("button", name="In, lid on").click()
    expect(packets).to_contain_text("4 loose in the jar")
    page.keyboard.press("Control+z")
    expect(packets).not_to_contain_text("loose in the jar")


@pytest.mark.parametrize(
    ("typed", "there", "wrong"),
    [
        ("1,000", 1000, ""),
        ("1 200", 1200, ""),
        ("1.000", 1000, ""),
        ("12 bags", 9, "whole number"),
        ("2½", 9, "whole number"),
        ("-3", 9, "between 0 and 10,000"),
    ],
)
def test_a_count_is_read_as_it_is_typed(page: Page, served: Here, typed: str, there: int, wrong: str) -> None:
    """Nothing is silently changed: what is no count keeps its place in the field, and the larder says why."""
    asking.post(f"{served.url}/api/supplies", json={"sort": "bags", "key": "bag-gallon", "count": 9}).raise_for_status()
    page.goto(f"{served.url}/supplies")
    page.get_by_role("button", name=re.compile("^1 gal foil")).click()
    form = page.get_by_role("form", name="Count")
    form.get_by_label("how many").fill(typed)
    form.get_by_role("button", name="So many there are").click()
    if wrong:
        expect(form).to_contain_text(wrong)
        expect(form.get_by_label("how many")).to_have_value(typed)
        expect(form.get_by_label("how many")).to_have_attribute("aria-invalid", "true")
    else:
        expect(page.get_by_role("dialog")).to_have_count(0)
    assert asking.get(f"{served.url}/api/supplies").json()["supplies"][0]["count"] == there


def test_lids_are_told_apart_by_mouth_and_by_use(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/supplies")
    page.get_by_label("What is it?").select_option("lids")
    page.get_by_label("How many").fill("12")
    page.get_by_role("button", name="Save", exact=True).click()
    expect(entry(page, "regular-mouth lids")).to_contain_text("12")
    page.get_by_label("For which mouth").select_option("wide")
    page.get_by_label("How many").fill("5")
    page.get_by_role("button", name="Save", exact=True).click()
    expect(entry(page, "wide-mouth lids")).to_contain_text("5")
    entry(page, "regular-mouth lids").click()
    expect(page.get_by_role("dialog")).to_contain_text("Never a used lid for canning")
    form = page.get_by_role("form", name="Count")
    form.get_by_label("new ones").fill("8")
    form.get_by_label("used before").fill("20000")
    form.get_by_role("button", name="So many there are").click()
    expect(form.get_by_label("used before")).to_have_attribute("aria-invalid", "true")
    form.get_by_label("used before").fill("3")
    form.get_by_role("button", name="So many there are").click()
    expect(entry(page, "regular-mouth lids")).to_contain_text("8 new, 3 used before")


def test_packing_takes_jars_lids_and_packets_and_an_empty_jar_comes_back(page: Page, served: Here) -> None:
    stocked(served)
    put_on_bench(page, served, "2.1 kg red lentils")
    page.get_by_role("radio", name="quart jar", exact=True).click()
    figures = page.get_by_role("region", name="To do next")
    expect(figures).to_contain_text("3 × 700 g")
    page.get_by_role("radio", name="On a run sheet").click()
    beneath = page.get_by_role("region", name="Containers")
    # Six packets of 100 mL are wanted, and one closed pack of five is there.
    expect(beneath).to_contain_text("2 packs of 5 × 100 mL, 1 of them to buy, 4 back into the jar")
    expect(beneath).to_contain_text("To buy: 1 pack of 5 × 100 mL")
    page.get_by_label("Weight in each").fill("500 g")
    expect(figures).to_contain_text("4 × 500 g")
    figures.get_by_role("button", name="Pack all 5").click()
    expect(page.get_by_role("dialog", name="Packed")).to_contain_text("From your supplies: 5 × quart jar, 5 × regular")
    page.goto(f"{served.url}/supplies")
    expect(entry(page, "quart jar")).to_contain_text("4")
    lids = entry(page, "regular-mouth lids")
    expect(lids).to_contain_text("closed 5 times so far")
    expect(page.get_by_role("heading", name="Enough of everything")).to_be_visible()

    body = {"numbers": [1], "why": "spilt"}
    assert asking.post(f"{served.url}/api/shelves/throw-out", json=body).status_code < 300
    page.reload()
    expect(lids).to_contain_text("1 new, 1 used before")
    expect(entry(page, "quart jar")).to_contain_text("5")
    page.keyboard.press("Control+z")
    expect(lids).not_to_contain_text("used before")


def test_a_bench_that_takes_more_than_there_is_says_so(page: Page, served: Here) -> None:
    stocked(served)
    put_on_bench(page, served, "7 kg red lentils")
    page.get_by_role("radio", name="quart jar", exact=True).click()
    expect(page.get_by_role("region", name="Verdict")).to_contain_text(
        re.compile(r"More than your supplies hold: 1\d × quart jar \(9 there\); 1\d × regular-mouth lid \(6 there\)")
    )


def test_without_packets_written_down_the_bench_says_where(page: Page, served: Here) -> None:
    put_on_bench(page, served, "10 kg pearl barley")
    page.get_by_role("radio", name="On a run sheet").click()
    page.get_by_role("link", name="Add supplies").click()
    expect(page.get_by_role("heading", name="What is there to pack with?")).to_be_visible()
