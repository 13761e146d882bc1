"""A place on screen: a logger's file read, its heat inside a jar that stood there, what was seen in it, put right."""

import re
from datetime import datetime, timedelta

import pytest
from playwright.sync_api import FilePayload, Page, expect

from tests.browser.conftest import Here

pytestmark = pytest.mark.browser


def said(page: Page, words: str) -> None:
    expect(page.get_by_text(words).first).to_be_visible()


def log_of(head: str, celsius: float, *, days: int = 200) -> FilePayload:
    """A logger's file of the days until yesterday."""
    first = datetime.now().replace(hour=0, minute=0, second=0, microsecond=0) - timedelta(days=days)
    rows = [f"{first + timedelta(hours=n):%d.%m.%Y %H:%M};{celsius + n % 5 / 10:.1f}" for n in range(24 * days)]
    return {"name": "logger.csv", "mimeType": "text/csv", "buffer": "\n".join([head, *rows]).encode("cp1252")}


def test_a_log_is_read_and_seen_inside_what_stood_there(page: Page, demo_to_change: Here) -> None:
    """A file that does not say its degrees is asked about; then it counts, in the picture of a jar too; and undo."""
    page.goto(f"{demo_to_change.url}/shelves?place=1&n=55")
    page.get_by_role("button", name=re.compile("^Look inside")).click()
    inside = page.get_by_role("dialog", name="Inside number 55")
    expect(inside).to_contain_text("of its life left")
    before = inside.get_by_text("Inside now").inner_text()
    page.keyboard.press("Escape")
    page.get_by_role("link", name=re.compile("^Stair cupboard: 17 °C")).click()
    said(page, "Nothing was measured here yet")
    pick = page.get_by_label("Pick its file")
    pick.set_input_files({"name": "notes.csv", "mimeType": "text/csv", "buffer": b"milk, eggs\n"})
    said(page, "is it a logger’s log, as CSV?")
    pick.set_input_files(log_of("Zeit;Temperatur", 33.0))
    said(page, "does not say whether it has °C or °F")
    page.get_by_role("radio", name="°C").click()
    expect(page.get_by_role("status").filter(has_text="4,800 readings")).to_be_visible()
    expect(page.get_by_role("img", name=re.compile("^Temperatures"))).to_be_visible()
    expect(page.get_by_text(re.compile(r"\d+ days above 30 °C, up to 33\.4 °C"))).to_be_visible()
    pick.set_input_files(log_of("Zeit;Temperatur °C", 33.0))
    said(page, "All of that log was read before")
    page.goto(f"{demo_to_change.url}/shelves?place=1&n=55")
    page.get_by_role("button", name=re.compile("^Look inside")).click()
    expect(inside.get_by_text("Inside now")).not_to_have_text(before)
    then = inside.get_by_text(re.compile("^Best by"))
    stays = then.inner_text()
    inside.get_by_role("radio", name="Stone cellar").click()
    expect(then).not_to_have_text(stays)
    inside.get_by_role("radio", name="opened weekly").click()
    expect(inside.get_by_text("Moved to Stone cellar, opened once a week")).to_be_visible()
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Undo").click()
    said(page, "Undone: Read a log of Stair cupboard, 4,800 hours")
    page.get_by_role("button", name=re.compile("^Look inside")).click()
    expect(inside.get_by_text("Inside now")).to_have_text(before)


def test_a_thermometer_is_read(page: Page, demo_to_change: Here) -> None:
    page.goto(f"{demo_to_change.url}/shelves/place?n=1")
    page.get_by_label("Thermometer, °C").fill("171")
    page.get_by_role("button", name="Keep it").click()
    said(page, "70 °C")
    page.get_by_label("Thermometer, °C").fill("17.1")
    page.get_by_label("Humidity, %").fill("58")
    page.get_by_role("button", name="Keep it").click()
    said(page, "The reading is kept")
    expect(page.get_by_text("Mean kinetic temperature", exact=True)).to_be_visible()
    expect(page.get_by_text("17.1 °C").first).to_be_visible()
    page.get_by_role("button", name="Ask the hygrometer").click()
    expect(page.get_by_label("Thermometer, °C")).not_to_have_value("")


def test_insects_are_on_the_round_until_somebody_has_looked(page: Page, demo_to_change: Here) -> None:
    page.goto(f"{demo_to_change.url}/shelves/place?n=1")
    page.get_by_role("button", name="Insects", exact=True).click()
    seen = page.get_by_role("region", name=re.compile("^Insects seen"))
    expect(seen).to_contain_text("It can get at these")
    page.goto(f"{demo_to_change.url}/rounds")
    line = page.get_by_role("listitem").filter(has_text="Stair cupboard: insects seen")
    line.get_by_role("link", name="See to it").click()
    seen.get_by_role("button", name="All looked at, and done").click()
    said(page, "It is seen to")
    expect(seen).to_have_count(0)
    page.goto(f"{demo_to_change.url}/rounds")
    expect(page.get_by_role("heading", level=1)).to_be_visible()
    expect(page.get_by_text("insects seen")).to_have_count(0)


def test_a_place_is_put_right(page: Page, demo_to_change: Here) -> None:
    """Renamed, dark and warmer than was thought: what stands there is calculated anew; a wrong field says so."""
    page.goto(f"{demo_to_change.url}/shelves?place=1&n=55")
    best = page.get_by_role("complementary", name="Package 55").get_by_text(re.compile(r"^\w{3} 20\d\d$")).first
    was = best.inner_text()
    page.get_by_role("button", name="Edit Stair cupboard").click()
    sheet = page.get_by_role("dialog", name="Stair cupboard")
    expect(sheet.get_by_label("Name")).to_have_value("Stair cupboard")
    sheet.get_by_label("Shelves").fill("40")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet.get_by_text("Between 1 and 12 shelves")).to_be_visible()
    sheet.get_by_label("Shelves").fill("3")
    sheet.get_by_label("Name").fill("Understairs")
    sheet.get_by_label("Mean of the year, °C").fill("24")
    sheet.get_by_label("At its warmest, °C").fill("30")
    sheet.get_by_label("It is dark there").check()
    sheet.get_by_role("button", name="Save").click()
    said(page, "Understairs is put right")
    expect(best).not_to_have_text(was)
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("button", name="Edit Stair cupboard")).to_be_visible()
    expect(best).to_have_text(was)
