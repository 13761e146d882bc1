"""Two screens, one larder; lost answers; a disk that is full: nothing is lost, and it is said."""

import re
from collections.abc import Iterator

import pytest
from playwright.sync_api import BrowserContext, Page, Route, expect

from tests.browser.conftest import Here, heard, put_on_bench
from tests.support.asking import asking
from yellow_larder.features.lots.lots import set_cupboard


@pytest.fixture
def second(context: BrowserContext) -> Iterator[Page]:
    """Another tablet in the house."""
    page = context.new_page()
    yield page
    page.close()


def test_the_second_is_shown_what_the_first_did_and_decides(page: Page, second: Page, served: Here) -> None:
    for each in (page, second):
        each.goto(f"{served.url}/rounds")
        each.get_by_role("button", name="Household").click()
        expect(each.get_by_label("People")).to_have_value("2")
    page.get_by_label("People").fill("5")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    second.get_by_label("Name").fill("The other tablet's")
    second.get_by_role("button", name="Save").click()
    told = second.get_by_role("alert").filter(has_text="Somebody else changed this")
    expect(told.get_by_role("row", name=re.compile("People"))).to_have_text(re.compile("2.*5"))
    told.get_by_role("button", name="Keep theirs").click()
    expect(second.get_by_label("People")).to_have_value("5")
    second.get_by_label("Name").fill("Both of ours")
    second.get_by_role("button", name="Save").click()
    expect(second.get_by_role("dialog")).to_have_count(0)
    now = asking.get(f"{served.url}/api/overview").json()["settings"]
    assert (now["people"], now["name"]) == (5, "Both of ours")


def test_two_write_the_same_evening(page: Page, second: Page, served: Here) -> None:
    for each in (page, second):
        each.goto(f"{served.url}/table/diary")
        each.get_by_placeholder("2 cups rice").wait_for()
    for each, line in ((page, "300 g red lentils"), (second, "200 g rolled oats")):
        each.get_by_placeholder("2 cups rice").fill(line)
        each.get_by_role("button", name="Save").click()
        expect(each.get_by_role("list", name="Written")).to_contain_text(line)
    expect(second.get_by_role("list", name="Written")).to_contain_text("300 g red lentils")


def test_an_answer_that_is_lost_is_asked_for_again_and_counts_once(page: Page, served: Here) -> None:
    """What was asked is done, its answer never comes: the page sends it again, and it is not done again."""
    lost: list[str] = []

    def lose(route: Route) -> None:
        if not lost:
            answer = route.fetch()
            assert answer.status == 201
            lost.append(route.request.headers["idempotency-key"])
            route.abort("connectionreset")
        else:
            assert route.request.headers["idempotency-key"] == lost[0]
            route.continue_()

    page.route("**/api/bench/pack", lose)
    put_on_bench(page, served, "10 kg pearl barley", "1 gal foil bag")
    page.get_by_role("button", name=re.compile("^Pack all")).click()
    expect(page.get_by_role("dialog", name="Packed")).to_contain_text("numbers 1 to 4")
    assert asking.get(f"{served.url}/api/overview").json()["kept"] == 4


def test_two_weigh_the_same_cupboard(page: Page, served: Here) -> None:
    asking.post(
        f"{served.url}/api/table/meals", json={"name": "Soup", "text": "1 kg barley", "serves": 4, "per_month": 4}
    )
    page.goto(f"{served.url}/table")
    page.get_by_role("button", name=re.compile("pearl barley")).click()
    field = page.get_by_label("In the kitchen cupboard, not packed")
    set_cupboard(served.larder, "pearl-barley", "2 kg")
    field.fill("3 kg")
    field.press("Enter")
    expect(page.get_by_text("Somebody else wrote 2 kg while you wrote 3 kg")).to_be_visible()
    expect(field).to_have_value("2 kg")
    field.fill("3 kg")
    field.press("Enter")
    expect(page.get_by_text("Somebody else wrote")).to_have_count(0)
    expect(page.get_by_role("button", name=re.compile("pearl barley"))).to_contain_text("here 3 kg")


def test_undo_takes_back_what_is_shown_not_what_another_screen_did_since(page: Page, served: Here) -> None:
    put_on_bench(page, served, "10 kg pearl barley", "1 gal foil bag")
    page.get_by_role("button", name=re.compile("^Pack all")).click()
    page.get_by_role("dialog", name="Packed").get_by_role("button", name="Close").click()
    # What it would undo is read after the packing: not before that may another screen do something.
    expect(page.get_by_role("button", name="Undo")).to_have_attribute("title", re.compile("^Undo: Packed"))
    asking.post(f"{served.url}/api/places", json={"name": "Cellar"})
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_text("“Added the place Cellar” came last")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    undone = page.get_by_text("Undone: Added the place Cellar")
    expect(undone).to_be_visible()
    # The refusal before it was said, and is not said again in its place.
    page.wait_for_timeout(500)
    expect(undone).to_be_visible()
    assert asking.get(f"{served.url}/api/overview").json()["kept"] == 4


def test_more_than_the_lot_holds(page: Page, served: Here) -> None:
    set_cupboard(served.larder, "pearl-barley", "10 kg")
    page.goto(f"{served.url}/bench?line=12+kg+pearl+barley&lot=1")
    page.get_by_role("button", name=re.compile("^Pack all")).click()
    foot = page.get_by_role("region", name="To do next")
    expect(foot.get_by_role("alert")).to_contain_text("That lot holds 10 kg, and this packs 12 kg")
    foot.get_by_role("button", name="There was more").click()
    expect(page.get_by_role("dialog", name="Packed")).to_be_visible()


def test_a_full_disk_is_said_at_the_act_and_on_every_page_until_something_is_saved(page: Page, served: Here) -> None:
    said = "The disk is full, and nothing was saved. Free some space"
    body = {"title": "The disk is full", "status": 507, "detail": said, "errors": []}
    page.route("**/api/bench/pack", lambda route: route.fulfill(status=507, json=body), times=1)
    put_on_bench(page, served, "10 kg pearl barley", "1 gal foil bag")
    page.get_by_role("button", name=re.compile("^Pack all")).click()
    banner = page.get_by_role("alert").filter(has_text=said)
    expect(banner).to_be_visible()
    page.get_by_role("link", name=re.compile("^Rounds")).click()
    expect(banner).to_be_visible()
    page.get_by_role("link", name=re.compile("^Bench")).click()
    page.get_by_role("button", name=re.compile("^Pack all")).click()
    expect(page.get_by_role("dialog", name="Packed")).to_be_visible()
    expect(banner).to_have_count(0)


def test_the_api_is_described_without_asking_anybody(page: Page, served: Here) -> None:
    with heard(page, "request") as asked:
        page.goto(f"{served.url}/api/docs")
        expect(page.get_by_role("heading", name="Yellow Larder")).to_be_visible()
        page.get_by_role("link", name="bench", exact=True).click()
        expect(page.get_by_text("/api/bench/plan", exact=True)).to_be_visible()
    assert all(each.url.startswith((served.url, "data:")) for each in asked)


def test_no_other_page_may_frame_it(page: Page, served: Here) -> None:
    """A click on a page that lies over this one could undo a change."""
    page.goto("data:text/html,<h1>elsewhere</h1>")
    page.evaluate(
        "url => { const frame = document.createElement('iframe'); frame.src = url; document.body.append(frame); }",
        f"{served.url}/rounds",
    )
    page.wait_for_timeout(800)
    frame = page.frames[-1]
    assert not frame.url.startswith(served.url) or frame.locator("h1").count() == 0
