"""A server that does not answer: every page says so, and shows itself once it does."""

import re

import pytest
from playwright.sync_api import Page, Route, expect

from tests.browser.conftest import ROOT, Here, hurried

PAGES = {
    "rounds": "/api/rounds",
    "rounds/looks": "/api/rounds/looks",
    "table": "/api/table/store",
    "table/meals": "/api/table/meals",
    "table/diary": "/api/table/diary/**",
    "table/money": "/api/table/list",
    "table/people": "/api/table/people",
    "drying": "/api/drying/loads",
    "drying/jars": "/api/drying/jars",
    "drying/freeze": "/api/drying/freeze",
    "drying/freezer": "/api/freezer",
    "drying/ready": "/api/drying/lots",
    "bench": "/api/reference/containers",
    "supplies": "/api/supplies",
    "guide": "/api/reference",
    "run": "/api/run",
    "shelves": "/api/shelves?**",
    "shelves/coming-in": "/api/places",
    "shelves/count": "/api/shelves?**",
    "shelves/place": "/api/places/*/climate",
    "shelves/seeds": "/api/seeds",
    "shelves/spread": "/api/shelves/spread",
    "start": "/api/household",
}
"""What each page cannot be without."""

ROUTES = ROOT / "web/src/routes"


def test_no_page_is_left_out() -> None:
    there = {each.parent.relative_to(ROUTES).as_posix() for each in ROUTES.rglob("+page.svelte")}
    assert there == set(PAGES)


def _broken(route: Route) -> None:
    route.fulfill(status=500, content_type="application/problem+json", body='{"status": 500, "detail": "It broke"}')


@pytest.mark.parametrize("path", PAGES)
def test_a_page_that_cannot_be_read_says_so_and_tries_again(page: Page, served: Here, path: str) -> None:
    held: list[Route] = []
    waiting = True
    page.route(f"**{PAGES[path]}", lambda route: held.append(route) if waiting else _broken(route))
    page.goto(f"{served.url}/{path}")
    # What is on its way has its heading: whoever cannot see hears where they are.
    page.get_by_role("main").get_by_role("heading", level=1).wait_for(state="attached")
    waiting = False
    for each in held:
        _broken(each)
    wrong = page.get_by_role("alert").filter(has_text="It broke")
    expect(wrong).to_be_visible()
    page.unroute(f"**{PAGES[path]}")
    wrong.get_by_role("button", name="Try again").click()
    wrong.wait_for(state="detached")
    page.get_by_role("main").get_by_role("heading").first.wait_for(state="attached")


def test_a_page_keeps_what_it_showed_while_the_server_is_silent(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/table/people")
    heading = page.get_by_role("heading", level=1)
    expect(heading).to_contain_text("kcal a day")
    page.route("**/api/table/people", _broken)
    page.get_by_role("button", name="Household").click()
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("status").filter(has_text="This is how it stood before")).to_be_visible()
    expect(heading).to_contain_text("kcal a day")


def test_a_picture_that_does_not_reach_the_larder_is_sent_again(watched: Page, demo_to_change: Here) -> None:
    page = watched
    page.goto(f"{demo_to_change.url}/shelves?n=66")
    card = page.get_by_role("complementary", name="Package 66")
    page.route("**/api/packages/66/photos", lambda route: route.abort())
    page.get_by_label("Take a picture").set_input_files(ROOT / "docs/screenshots/bench.png")
    gone = page.get_by_role("alertdialog", name="Can't reach the larder")
    hurried(page, gone)
    page.unroute("**/api/packages/66/photos")
    gone.get_by_role("button", name="Try again").click()
    expect(card.get_by_role("link", name=re.compile("of number 66, whole$"))).to_have_count(1)
    page.get_by_label("Take a picture").set_input_files(ROOT / "README.md")
    expect(page.get_by_text("That picture cannot be read here; a JPEG or PNG, please")).to_be_visible()
