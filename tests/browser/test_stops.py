"""Every stop there is: nothing is packed against it but for a reason, and the label carries the reason."""

from __future__ import annotations

import re
from collections.abc import Callable
from io import BytesIO

import pypdf
import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Here, put_on_bench
from tests.support.asking import asking
from yellow_larder.features.lots.events import LotCame, Origin
from yellow_larder.journal import log
from yellow_larder.journal.database import writing

pytestmark = pytest.mark.browser


def sugar(page: Page, served: Here) -> None:
    put_on_bench(page, served, "2 kg white sugar")
    page.get_by_role("radio", name="absorbers", exact=True).click()


def salt(page: Page, served: Here) -> None:
    put_on_bench(page, served, "2 kg salt")
    page.get_by_role("radio", name="absorbers", exact=True).click()


def moist(page: Page, served: Here) -> None:
    put_on_bench(page, served, "2 kg pearl barley")
    page.get_by_label("Moisture, %").fill("15")
    page.get_by_label("Moisture, %").press("Enter")


def both(page: Page, served: Here) -> None:
    put_on_bench(page, served, "150 g dried leeks")
    page.get_by_role("radio", name="1 litre jar").click()
    page.get_by_role("radio", name="lid only").click()
    page.get_by_label("Silica gel with it").check()
    page.get_by_role("radio", name="absorbers", exact=True).click()


def paint_pail(page: Page, served: Here) -> None:
    put_on_bench(page, served, "15 kg white rice")
    page.get_by_role("button", name="More…").click()
    page.get_by_role("dialog").get_by_role("button", name=re.compile("^5 gal pail holds")).click()
    page.get_by_label("Food-grade plastic").uncheck()


def unconditioned(page: Page, served: Here) -> None:
    """A lot that came out of the dryer here, and has proved itself in no jar."""
    today = served.larder.today()
    leeks = LotCame("dried-leeks", 300.0, today, moisture_pct=6.0, made=Origin.DRIED, wants_conditioning=True)
    with writing(served.larder.engine) as session:
        log.record(session, log.title("household.settled"), [log.Act(1, leeks)], at=served.larder.clock())
    page.goto(f"{served.url}/bench?line=300 g dried leeks&lot=1")
    page.get_by_role("radio", name="absorbers", exact=True).click()


STOPS: dict[Callable[[Page, Here], None], str] = {
    sugar: "No absorber with white sugar: it hardens into a brick",
    salt: "No absorber with salt: it hardens into a brick",
    moist: "Too moist for an absorber",
    both: "Never an absorber and a desiccant together",
    paint_pail: "Only food-grade plastic touches food",
    unconditioned: "Not conditioned yet: no absorber with it",
}


@pytest.mark.parametrize(("comes_to", "says"), STOPS.items(), ids=lambda each: getattr(each, "__name__", ""))
def test_a_stop_yields_to_a_reason_that_the_label_carries(
    page: Page, served: Here, comes_to: Callable[[Page, Here], None], says: str
) -> None:
    comes_to(page, served)
    foot = page.get_by_role("region", name="To do next")
    expect(page.get_by_role("region", name="Verdict")).to_contain_text(says)
    expect(foot.get_by_role("button", name=re.compile("^Pack (it|all)"))).to_be_disabled()
    expect(foot.get_by_role("button", name="Run sheet")).to_be_disabled()
    foot.get_by_role("button", name="Pack anyway").click()
    sheet = page.get_by_role("dialog", name="Pack anyway")
    expect(sheet).to_contain_text(says)
    go = sheet.get_by_role("button", name="Pack anyway")
    expect(go).to_be_disabled()
    sheet.get_by_label("Reason, printed on the label").fill("so")
    go.click()
    expect(sheet).to_contain_text("Say why in a few words")
    sheet.get_by_label("Reason, printed on the label").fill("a trial till May")
    with page.context.expect_page():
        go.click()
    page.bring_to_front()
    expect(page.get_by_role("dialog", name="Packed")).to_be_visible()
    page.goto(f"{served.url}/shelves?n=1")
    expect(page.get_by_role("complementary", name="Package 1")).to_contain_text("Packed anyway: a trial till May")
    label = (
        pypdf.PdfReader(BytesIO(asking.get(f"{served.url}/api/labels.pdf?number=1").content)).pages[0].extract_text()
    )
    assert "Packed anyway: a trial till May" in " ".join(label.split())
