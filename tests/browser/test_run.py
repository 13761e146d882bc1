"""A whole run against a clock that the test moves, and the looks afterwards, in a real browser."""

from __future__ import annotations

import re
from collections.abc import Callable
from datetime import timedelta
from io import BytesIO
from pathlib import Path
from typing import Any

import pypdfium2
import pytest
import zxingcpp
from playwright.sync_api import Page, expect

from tests.browser.conftest import Here, Served, hurried, put_on_bench
from tests.support.asking import asking
from yellow_larder.features.shelves.labels import read_code

pytestmark = pytest.mark.browser


class Moved:
    """The larder's clock, put forward by the test."""

    def __init__(self, served: Here) -> None:
        self._before, self._by = served.larder.clock, timedelta()
        served.larder.clock = lambda: self._before() + self._by

    def on(self, **by: float) -> None:
        """Let so much time go by."""
        self._by += timedelta(**by)


def send(served: Here | Served, path: str, **body: Any) -> Any:
    answer = asking.post(f"{served.url}/api{path}", json=body)
    assert answer.status_code < 300, answer.text
    return answer.json() if answer.content else None


def stock(served: Here) -> None:
    send(served, "/supplies", sort="packets", key="500", count=2, per_pack=10, low=1)
    send(served, "/supplies", sort="bags", key="bag-gallon", count=9)


def filled(served: Here | Served, line: str = "10 kg pearl barley", **more: Any) -> int:
    """A run whose containers are filled."""
    number = int(send(served, "/run/lines", asks=[{"line": line} | more]))
    for step in ("begin", "labelled", "set-out", "fill-rest"):
        send(served, f"/run/{number}/{step}")
    return number


def lentils_packed(served: Here) -> None:
    """A run of two bags that is done: both are to be looked over."""
    number = filled(served, "5 kg red lentils")
    send(served, f"/run/{number}/open")
    for n in (1, 2):
        send(served, f"/run/{number}/close", container=n)
    send(served, f"/run/{number}/finish")


def close(page: Page, number: int) -> None:
    """Tap the big target; a second tap at once would be a slip of the hand, so its clock goes on first."""
    target = page.get_by_role("button", name=re.compile(f"^Number {number} is sealed"))
    expect(target).to_be_visible()
    page.clock.fast_forward(1000)
    expect(target).to_be_enabled()
    with page.expect_response("**/close"):
        target.click()


def counts(served: Here) -> dict[str, tuple[int, int]]:
    seen = asking.get(f"{served.url}/api/supplies").json()["supplies"]
    return {each["sort"]: (each["count"], each["spares"]) for each in seen}


def kept(served: Here | Served) -> list[int]:
    return sorted(each["number"] for each in asking.get(f"{served.url}/api/shelves").json()["packages"])


def test_a_whole_run_in_time(watched: Page, served: Here, tmp_path: Path) -> None:
    page, moved = watched, Moved(served)
    stock(served)
    put_on_bench(page, served, "7.5 kg pearl barley")
    page.get_by_role("button", name="Run sheet").click()
    expect(page.get_by_role("heading", name="3 to pack in one go")).to_be_visible()
    expect(page.get_by_role("complementary")).to_contain_text("1 pack of 10 × 500 mL, 7 back into the jar")
    page.get_by_role("button", name="Begin").click()

    # From here on the screen is the run's: no other place can be hit by accident.
    expect(page.get_by_role("heading", name="Labels first")).to_be_visible()
    expect(page.get_by_role("navigation")).to_have_count(0)
    page.get_by_role("button", name="Print 3 labels …").click()
    page.get_by_role("radio", name="a roll, 100 × 60 mm").click()
    page.get_by_role("button", name="Print on the label printer").click()
    href = page.get_by_role("link", name="See what it printed").get_attribute("href")
    pdf = pypdfium2.PdfDocument(BytesIO(asking.get(served.url + (href or "")).content))
    codes = [code for sheet in pdf for code in zxingcpp.read_barcodes(sheet.render(scale=3).to_pil())]
    page.keyboard.press("Escape")
    assert sorted(read_code(each.text) or 0 for each in codes) == [1, 2, 3]
    page.get_by_role("button", name="They are all stuck on").click()

    page.get_by_role("checkbox", name=re.compile("^Iron hot")).click()
    expect(page.get_by_role("checkbox", name=re.compile("^Iron hot"))).to_be_checked()
    expect(page.get_by_role("checkbox", name=re.compile("still closed: 1 pack"))).not_to_be_checked()
    page.get_by_role("button", name="It is all here").click()

    page.get_by_role("button", name="put 2.5 kg and a little on it").click()
    expect(page.get_by_role("group", name="The scale")).to_contain_text("over by 40 g")
    page.get_by_role("button", name="Use this weight").click()
    expect(page.get_by_text("Number 1 holds 2.54 kg, over by 40 g.")).to_be_visible()
    page.get_by_label("Or write what it holds").fill("a lot")
    page.get_by_role("button", name="It holds that").click()
    expect(page.get_by_label("Or write what it holds")).to_have_attribute("aria-invalid", "true")
    page.get_by_role("button", name="All 2 hold what was planned").click()

    page.get_by_role("button", name="Absorbers are open: start").click()
    expect(page.get_by_role("timer")).to_have_text(re.compile("^1[45]:"))
    moved.on(seconds=60)
    close(page, 1)
    expect(page.get_by_text("1 of 3 closed")).to_be_visible()
    expect(page.get_by_role("status").filter(has_text="Step")).to_have_text("Step 4 of 5: Close. 1 of 3")
    moved.on(seconds=60)
    hurried(page, page.get_by_role("timer").filter(has_text=re.compile("^12:|^13:0")))
    page.get_by_role("button", name="sealed twice").click()
    expect(page.get_by_role("button", name=re.compile("^Number 2 is sealed"))).to_be_enabled()
    page.keyboard.press("Space")
    expect(page.get_by_text("2 of 3 closed")).to_be_visible()
    close(page, 3)
    expect(page.get_by_role("heading", name="All closed")).to_be_visible()
    page.get_by_role("button", name="All is put away").click()
    expect(page.get_by_role("heading", name="3 packed")).to_be_visible()
    expect(page.get_by_text("Number 2: sealed twice.")).to_be_visible()
    assert kept(served) == [1, 2, 3]
    assert counts(served) == {"packets": (1, 7), "bags": (6, 0)}
    page.get_by_text("Pictures, if you like").click()
    pdf[0].render(scale=1).to_pil().save(tmp_path / "seal.png")
    page.get_by_label("1", exact=True).set_input_files(tmp_path / "seal.png")
    expect(page.get_by_text("The picture stands on the card of number 1")).to_be_visible()
    page.get_by_role("link", name="See where they stand").click()
    card = page.get_by_role("complementary", name="Package 1")
    expect(card.get_by_role("link", name=re.compile("of number 1, whole$"))).to_be_visible()
    expect(page.locator("aside img")).to_have_js_property("complete", True)
    assert page.locator("aside img").evaluate("image => image.naturalWidth") > 100


def test_too_slow_and_the_telephone(watched: Page, served: Here) -> None:
    page, moved = watched, Moved(served)
    stock(served)
    number = filled(served)
    page.goto(f"{served.url}/run")
    page.get_by_role("button", name="Absorbers are open: start").click()
    expect(page.get_by_role("timer")).to_be_visible()
    moved.on(minutes=5)
    close(page, 1)
    moved.on(minutes=5)
    close(page, 2)
    expect(
        page.get_by_text("Too slow for all 2: put the absorbers of the last one back into the jar now.")
    ).to_be_visible()
    page.get_by_role("button", name="1 back into the jar").click()
    expect(page.get_by_text("2 of 3 closed, 2 of 4 in all")).to_be_visible()
    page.get_by_role("button", name="Pause").click()
    expect(page.get_by_role("dialog")).to_contain_text("There is no pause once absorbers are open")
    page.get_by_role("button", name="All are in the jar, lid on").click()
    expect(page.get_by_role("heading", name="Ready? Then open.")).to_be_visible()
    expect(page.get_by_text("of 2 still open")).to_be_visible()
    moved.on(hours=2)
    page.get_by_role("button", name="Absorbers are open: start").click()
    # The packets go on from where they stood when the lid went on.
    expect(page.get_by_role("timer")).to_have_text(re.compile("^[45]:"))
    moved.on(minutes=6)
    expect(page.get_by_role("timer")).to_have_text(re.compile("^−1:"))
    close(page, 3)
    close(page, 4)
    page.get_by_role("button", name="All is put away").click()
    expect(page.get_by_text("Number 3 was closed late: look at its indicator first tomorrow.")).to_be_visible()
    shown = asking.get(f"{served.url}/api/run/{number}").json()
    assert [each["late"] for each in shown["containers"]] == [False, False, True, True]


def test_it_survives_a_reload_and_another_screen_sees_the_same(watched: Page, served: Here) -> None:
    page = watched
    stock(served)
    filled(served)
    page.goto(f"{served.url}/run")
    page.get_by_role("button", name="Absorbers are open: start").click()
    close(page, 1)
    page.reload()
    expect(page.get_by_text("1 of 4 closed")).to_be_visible()
    expect(page.get_by_role("timer")).to_have_text(re.compile("^14:"))
    other = page.context.new_page()
    other.goto(f"{served.url}/run")
    expect(other.get_by_text("1 of 4 closed")).to_be_visible()
    # The other one hears no more of what is done here.
    other.route("**/api/run", lambda route: route.abort())
    hurried(other, other.get_by_text("Can't reach the larder"))
    close(page, 2)
    expect(page.get_by_text("2 of 4 closed")).to_be_visible()
    close(other, 2)
    expect(other.get_by_role("alert")).to_contain_text("Number 2 was closed already")
    assert kept(served) == [1, 2]
    assert counts(served)["bags"] == (7, 0)
    other.unroute("**/api/run")
    hurried(other, other.get_by_text("2 of 4 closed"))
    # And what was closed by mistake is taken back.
    other.get_by_role("button", name="undo the last one").click()
    hurried(page, page.get_by_text("1 of 4 closed"))


def test_the_power_goes_in_the_middle_of_it(watched: Page, mortal: Served) -> None:
    page = watched
    filled(mortal)
    page.goto(f"{mortal.url}/run")
    page.get_by_role("button", name="Absorbers are open: start").click()
    close(page, 1)
    expect(page.get_by_text("1 of 4 closed")).to_be_visible()
    mortal.kill()
    hurried(page, page.get_by_text("Can't reach the larder"))
    expect(page.get_by_role("timer")).to_have_text(re.compile("^14:"))
    mortal.start()
    expect(page.get_by_text("Can't reach the larder")).to_have_count(0)
    expect(page.get_by_role("timer")).to_have_text(re.compile("^14:"))
    close(page, 2)
    expect(page.get_by_text("2 of 4 closed")).to_be_visible()
    assert kept(mortal) == [1, 2]


def test_two_taps_close_one_bag(page: Page, served: Here) -> None:
    filled(served)
    page.goto(f"{served.url}/run")
    page.get_by_role("button", name="Absorbers are open: start").click()
    page.get_by_role("button", name=re.compile("^Number 1 is sealed")).wait_for()
    page.keyboard.press("Space")
    page.keyboard.press("Space")
    page.keyboard.press("Space")
    expect(page.get_by_text("1 of 4 closed")).to_be_visible()
    page.wait_for_timeout(300)
    assert kept(served) == [1]


def test_a_run_is_broken_off(page: Page, served: Here) -> None:
    filled(served)
    page.goto(f"{served.url}/run")
    page.get_by_role("button", name="End early …").click()
    expect(page.get_by_role("dialog")).to_contain_text("Nothing is packed yet")
    page.get_by_role("button", name="End it early").click()
    expect(page.get_by_role("heading", name="Twenty frantic minutes, taken in hand")).to_be_visible()
    expect(page.get_by_role("navigation")).to_be_visible()


def test_a_stop_goes_on_the_sheet_with_its_reason(page: Page, served: Here) -> None:
    put_on_bench(page, served, "2 kg white sugar")
    page.get_by_role("radio", name="absorbers", exact=True).click()
    expect(page.get_by_role("button", name="Run sheet")).to_be_disabled()
    page.get_by_role("button", name="Pack anyway …").click()
    page.get_by_label("Reason, printed on the label").fill("a trial till May")
    page.get_by_role("button", name="On the run sheet with it").click()
    expect(page.get_by_text("Packed anyway:")).to_be_visible()
    page.get_by_role("button", name="Begin").click()
    expect(page.get_by_text("Packed anyway: a trial till May")).to_be_visible()


def looked(page: Page, served: Here, moved: Moved, feel: Callable[[], None]) -> None:
    lentils_packed(served)
    moved.on(days=1)
    page.goto(f"{served.url}/rounds")
    page.get_by_role("link", name="Check them").click()
    feel()
    page.get_by_role("button", name="That is how they are").click()


def test_what_leaks_is_packed_anew(page: Page, served: Here) -> None:
    def feel() -> None:
        page.get_by_role("button", name="All 2 firm").click()
        page.get_by_role("radiogroup", name="How number 2 feels").get_by_role("radio", name="leaks").click()

    looked(page, served, Moved(served), feel)
    expect(page.get_by_text("Number 1, red lentils: Holds.")).to_be_visible()
    wrong = page.get_by_role("article", name="Number 2")
    expect(wrong).to_contain_text("The seal leaks")
    wrong.get_by_role("button", name="Empty it: back to the bench").click()
    expect(page.get_by_role("combobox", name="What is on the bench")).to_have_value("2.5 kg red lentils")
    expect(page.get_by_role("region", name="Verdict")).to_be_visible()
    assert kept(served) == [1]


def test_what_is_puffed_is_thrown_out_unopened(page: Page, served: Here) -> None:
    def feel() -> None:
        page.get_by_role("radiogroup", name="How number 1 feels").get_by_role("radio", name="puffed").click()

    looked(page, served, Moved(served), feel)
    wrong = page.get_by_role("article", name="Number 1")
    expect(wrong).to_contain_text("do not taste it")
    expect(wrong.get_by_role("button", name="Empty it: back to the bench")).to_have_count(0)
    page.goto(f"{served.url}/rounds")
    expect(page.get_by_text("Number 1, red lentils: not right")).to_be_visible()
    page.get_by_role("link", name="Resolve").click()
    card = page.get_by_role("complementary", name="Package 1")
    expect(card).to_contain_text("do not open it")
    expect(card.get_by_role("button", name="Empty it: back to the bench")).to_have_count(0)


def test_on_a_phone_the_clock_and_the_target_are_both_in_sight(page: Page, served: Here) -> None:
    page.set_viewport_size({"width": 390, "height": 844})
    filled(served)
    page.goto(f"{served.url}/run")
    page.get_by_role("button", name="Absorbers are open: start").click()
    expect(page.get_by_role("timer")).to_be_in_viewport()
    expect(page.get_by_role("button", name=re.compile("^Number 1 is sealed"))).to_be_in_viewport(ratio=1)
