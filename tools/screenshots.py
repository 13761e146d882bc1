"""The pictures of docs/screenshots, taken of the demo household's larder: `make screenshots`."""

from __future__ import annotations

import re
import subprocess
import sys
import tempfile
import time
from pathlib import Path

import httpx
from playwright.sync_api import Page, sync_playwright

from tools.browser import CHROMIUM, QUIET

ROOT = Path(__file__).parents[1]
OUT = ROOT / "docs" / "screenshots"
PORT = 8792
URL = f"http://127.0.0.1:{PORT}"


def _bench(page: Page) -> None:
    page.goto(f"{URL}/bench")
    page.locator("#line").fill("10 kg pearl barley")
    page.get_by_role("region", name="Verdict").wait_for()
    page.locator("#line").blur()


def _shelves(page: Page) -> None:
    page.goto(f"{URL}/shelves")
    page.get_by_role("button", name=re.compile("^Stair cupboard")).click()
    page.get_by_role("group", name="cut open").wait_for()


def _place(page: Page) -> None:
    page.goto(f"{URL}/shelves/place?n=3")
    page.get_by_role("img", name=re.compile("^Temperatures")).wait_for()


def _inside(page: Page) -> None:
    page.goto(f"{URL}/shelves?n=35")
    page.get_by_role("button", name=re.compile("^Look inside")).click()
    page.get_by_role("img", name=re.compile("^Oxygen over the years")).wait_for()


def _coming_in(page: Page) -> None:
    page.goto(f"{URL}/shelves/coming-in")
    lines = (
        "6 quart jars white rice, absorbers, cellar, May 2023",
        "10 tins sardines, best by 2028-03",
        "2 jars dried zebra beans",
    )
    page.get_by_label("Type a line, or paste many").fill("\n".join(lines))
    page.get_by_role("button", name="Add to the list").click()
    page.get_by_text("Did you mean").wait_for()


def _guide(page: Page) -> None:
    page.goto(f"{URL}/guide")
    page.get_by_role("tab", name="Foods").click()
    page.get_by_role("table").wait_for()


def _table(page: Page) -> None:
    page.goto(f"{URL}/table")
    page.get_by_role("button", name=re.compile("^macaroni")).click()


def _meals(page: Page) -> None:
    page.goto(f"{URL}/table/meals")
    page.get_by_role("heading", name="Our meals").wait_for()


def _diary(page: Page) -> None:
    page.goto(f"{URL}/table/diary")
    page.get_by_role("heading", name=re.compile("kept$")).wait_for()


def _week(page: Page) -> None:
    page.goto(f"{URL}/table/money")
    page.get_by_role("heading", name=re.compile("to the goal at this pace")).wait_for()
    page.get_by_role("img", name=re.compile("^Coverage by week")).scroll_into_view_if_needed()


def _people(page: Page) -> None:
    page.goto(f"{URL}/table/people")
    page.get_by_role("heading", name=re.compile("kcal a day")).wait_for()


def _freezer(page: Page) -> None:
    page.goto(f"{URL}/drying/freezer")
    page.locator("#goes-in").fill("14 kg white rice")
    page.locator("#goes-in-container").select_option("lined-5-gallon")
    page.get_by_role("heading", name="Out after").wait_for()
    page.locator("#goes-in").blur()


def _rounds(page: Page) -> None:
    page.goto(f"{URL}/rounds")
    page.get_by_role("heading", name="The days ahead").wait_for()


def _drying(page: Page) -> None:
    page.goto(f"{URL}/drying")
    page.get_by_role("region", name="Next").wait_for()


def _jars(page: Page) -> None:
    page.goto(f"{URL}/drying/jars")
    page.get_by_role("heading", name="to shake today").wait_for()


def _freeze(page: Page) -> None:
    page.goto(f"{URL}/drying/freeze")
    page.get_by_label("What goes into the freeze dryer").fill("2 kg strawberries")
    page.get_by_role("heading", name="Dry in").wait_for()
    page.get_by_label("What goes into the freeze dryer").blur()


def _looks(page: Page) -> None:
    page.goto(f"{URL}/rounds/looks")
    page.get_by_role("button", name=re.compile("^All .* firm$")).click()
    page.get_by_role("radio", name="loose").nth(1).click()


def _supplies(page: Page) -> None:
    page.goto(f"{URL}/supplies")
    page.get_by_role("heading", name="Absorbers").wait_for()


def _run(page: Page) -> None:
    """The sheet that waits, taken as far as the clock; the last picture but one, since it changes the larder."""
    number = httpx.get(f"{URL}/api/run").json()["number"]
    for step in ("begin", "labelled", "set-out", "fill-rest", "open"):
        httpx.post(f"{URL}/api/run/{number}/{step}", json={} if step == "open" else None).raise_for_status()
    for n in (1, 2):
        time.sleep(20)
        httpx.post(f"{URL}/api/run/{number}/close", json={"container": n}).raise_for_status()
    page.goto(f"{URL}/run")
    page.get_by_role("timer").wait_for()


SHOTS = [
    ("rounds", _rounds, (1280, 800), "light"),
    ("rounds-looks-phone", _looks, (390, 844), "light"),
    ("drying", _drying, (1280, 800), "light"),
    ("drying-jars-tablet-dark", _jars, (820, 1180), "dark"),
    ("drying-freeze", _freeze, (1280, 800), "light"),
    ("drying-freezer", _freezer, (1280, 800), "light"),
    ("table", _table, (1280, 800), "light"),
    ("table-meals", _meals, (1280, 800), "light"),
    ("table-diary-phone", _diary, (390, 844), "light"),
    ("table-week", _week, (1280, 800), "light"),
    ("table-people-dark", _people, (1280, 800), "dark"),
    ("bench", _bench, (1280, 800), "light"),
    ("shelves", _shelves, (1280, 800), "light"),
    ("shelves-inside-tablet-dark", _inside, (820, 1180), "dark"),
    ("shelves-place", _place, (1280, 800), "light"),
    ("shelves-coming-in-phone", _coming_in, (390, 844), "light"),
    ("supplies", _supplies, (1280, 800), "light"),
    ("run", _run, (1280, 800), "light"),
    ("guide", _guide, (1280, 800), "light"),
]


def main() -> None:
    """Serve the demo, take every picture, stop."""
    OUT.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory() as folder:
        where = ["--data", str(Path(folder) / "demo.db"), "--port", str(PORT)]
        with subprocess.Popen([sys.executable, "-m", "yellow_larder.cli", "demo", *where], cwd=ROOT) as server:
            try:
                _wait()
                _take()
            finally:
                server.kill()


def _wait() -> None:
    for _ in range(400):
        try:
            httpx.get(f"{URL}/api/overview")
            return
        except httpx.TransportError:
            time.sleep(0.05)


def _take() -> None:
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=QUIET)
        for name, show, (width, height), theme in SHOTS:
            viewport = {"width": width, "height": height}
            page = browser.new_page(viewport=viewport, color_scheme=theme, locale="en-GB")  # type: ignore[arg-type]
            show(page)
            page.wait_for_timeout(600)
            page.screenshot(path=OUT / f"{name}.png")
            page.close()
        browser.close()


if __name__ == "__main__":
    main()
