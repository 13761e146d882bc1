"""Every view that there is, and how a person comes to what is not there at once."""

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.browser.conftest import Here, settled

VIEWS = [
    "/bench",
    "/bench barley",
    "/bench sugar",
    "/bench over time",
    "/shelves",
    "/shelves?n=9",
    "/guide",
    "/guide foods",
    "/table",
    "/table/meals",
    "/table/diary",
    "/table/money",
    "/table/people",
    "/rounds",
    "/drying",
    "/drying apples",
    "/drying weigh",
    "/drying dry?",
    "/drying/jars",
    "/drying/ready",
    "/drying/freeze",
    "/drying/freeze peas",
    "/drying/freezer",
    "/drying/freezer rice",
    "/guide drying",
    "/guide packets",
    "/bench damp",
    "/bench propose",
    "/run",
    "/run labels",
    "/run set out",
    "/run fill",
    "/run clock",
    "/supplies",
    "/supplies change",
    "/rounds/looks",
    "/nowhere",
    "/bench wrong",
    "/drying wrong",
    "/shelves lentil",
    "/shelves inside",
    "/shelves/place?n=3",
    "/shelves/count?place=1",
    "/shelves/coming-in lines",
    "/bench by date",
    "/start",
    "/shelves/spread",
    "/shelves/seeds",
]


def on_bench(line: str, closing: str = "") -> Callable[[Page], None]:
    """A line on the bench, and its verdict."""

    def prepare(page: Page) -> None:
        page.get_by_role("combobox", name="What is on the bench").fill(line)
        verdict = page.get_by_role("region", name="Verdict")
        expect(verdict).to_be_visible()
        if closing:
            page.get_by_role("radio", name=closing).click()
            expect(verdict).to_contain_text("Stop")

    return prepare


def coming_in(page: Page) -> None:
    """Lines about what is there, one of them not read, one of them not to be kept so."""
    lines = "6 quart jars white rice, absorbers, May 2023\n3 qt jars jerky, absorbers\n2 jars dried zebra beans"
    page.get_by_label("Type a line, or paste many").fill(lines)
    page.get_by_role("button", name="Add to the list").click()
    expect(page.get_by_role("list", name="Lines")).to_contain_text("Did you mean")


def filled(label: str, line: str, button: str) -> Callable[[Page], None]:
    """A line in a field, and the button that its plan brings."""

    def prepare(page: Page) -> None:
        page.get_by_label(label).fill(line)
        expect(page.get_by_role("button", name=button)).to_be_visible()

    return prepare


def over_time(page: Page) -> None:
    on_bench("10 kg pearl barley")(page)
    page.get_by_role("radio", name="Oxygen", exact=True).click()
    expect(page.get_by_role("img", name=re.compile("^Oxygen in each"))).to_be_visible()


def guide_of_foods(page: Page) -> None:
    page.get_by_role("searchbox").fill("dried p")
    expect(page.get_by_role("table")).to_be_visible()


def guide_of_drying(page: Page) -> None:
    page.get_by_role("tab", name="Drying").click()
    expect(page.get_by_role("table").first).to_be_visible()


def guide_of_packets(page: Page) -> None:
    page.get_by_role("tab", name="Packets").click()
    expect(page.get_by_role("table").first).to_be_visible()


def damp(page: Page) -> None:
    on_bench("160 g dried leeks")(page)
    page.get_by_role("radio", name="Moisture", exact=True).click()
    expect(page.get_by_role("img", name=re.compile("^Water activity in each"))).to_be_visible()


def proposing(page: Page) -> None:
    on_bench("10 kg pearl barley")(page)
    page.get_by_role("button", name="Propose…").click()
    expect(page.get_by_role("button", name="All on the run sheet")).to_be_visible()


def weighing(page: Page) -> None:
    page.get_by_role("button", name="Weigh tray 3").click()
    expect(page.get_by_role("group", name="The scale")).to_be_visible()


def trying(page: Page) -> None:
    page.get_by_role("button", name="Is it dry? Take trays out").click()
    page.get_by_role("radio", name="it snaps").click()
    expect(page.get_by_role("status").filter(has_text="By the forecast")).to_be_visible()


def run_at(*steps: str) -> Callable[[Page], None]:
    """A run of its own, so far on."""

    def prepare(page: Page) -> None:
        base = page.url.removesuffix("/run") + "/api/run"
        before = page.request.get(base).json()
        if before is not None:
            page.request.post(f"{base}/{before['number']}/back", data={})
            page.request.post(f"{base}/{before['number']}/abandon")
        number = page.request.post(f"{base}/lines", data={"asks": [{"line": "10 kg pearl barley"}]}).json()
        for step in steps:
            assert page.request.post(f"{base}/{number}/{step}", data={} if step == "open" else None).ok
        page.reload()
        expect(page.get_by_role("list", name="Steps of the run")).to_be_visible()

    return prepare


def no_longer(label: str, line: str, wrong: str) -> Callable[[Page], None]:
    """A plan, and then a line that none can be made of."""

    def prepare(page: Page) -> None:
        page.get_by_label(label).first.fill(line)
        page.get_by_role("heading", level=2).first.wait_for()
        page.get_by_label(label).first.fill(wrong)
        expect(page.get_by_text("As it was before")).to_be_visible()

    return prepare


def finding(page: Page) -> None:
    page.get_by_role("searchbox").fill("lentil")
    expect(page.get_by_text("8 found")).to_be_visible()


def inside(page: Page) -> None:
    """A jar that stood in the loft for a summer, looked into."""
    page.goto(f"{page.url}?n=35")
    page.get_by_role("button", name=re.compile("^Look inside")).click()
    expect(page.get_by_role("img", name=re.compile("^Oxygen over the years"))).to_be_visible()


def by_date(page: Page) -> None:
    on_bench("10 kg pearl barley")(page)
    page.get_by_role("radio", name="By date").click()
    expect(page.get_by_role("img", name=re.compile("^Life left"))).to_be_visible()


def changing(page: Page) -> None:
    page.get_by_role("button", name=re.compile("^500 mL absorbers")).click()
    expect(page.get_by_role("dialog")).to_be_visible()


PREPARED: dict[str, Callable[[Page], None]] = {
    "/bench barley": on_bench("10 kg pearl barley"),
    "/bench sugar": on_bench("10 kg brown sugar", "absorbers"),
    "/bench over time": over_time,
    "/bench wrong": no_longer("What is on the bench", "10 kg pearl barley", "10 kg qwxz"),
    "/drying wrong": no_longer("What goes on the trays", "3 kg apples", "3 kg qwxz"),
    "/shelves lentil": finding,
    "/shelves inside": inside,
    "/shelves/coming-in lines": coming_in,
    "/bench by date": by_date,
    "/guide foods": guide_of_foods,
    "/guide drying": guide_of_drying,
    "/guide packets": guide_of_packets,
    "/bench damp": damp,
    "/bench propose": proposing,
    "/run labels": run_at("begin"),
    "/run set out": run_at("begin", "labelled"),
    "/run fill": run_at("begin", "labelled", "set-out"),
    "/run clock": run_at("begin", "labelled", "set-out", "fill-rest", "open"),
    "/supplies change": changing,
    "/drying apples": filled("What goes on the trays", "3 kg apples", "It goes in now"),
    "/drying weigh": weighing,
    "/drying dry?": trying,
    "/drying/freeze peas": filled("What goes into the freeze dryer", "9 kg peas", "The door is closed"),
    "/drying/freezer rice": filled("What goes into the freezer", "14 kg white rice", "It goes in now"),
}


PLAIN = sorted({view.split(" ")[0] for view in VIEWS})
"""Each address once."""

READ = ":is(h1, h2, input):not([aria-busy] *)"
"""What stands in a place once it has been read."""


def go_to(page: Page, demo: Here, view: str, at_once: Callable[[Page], None] | None = None) -> None:
    """Open a view and bring it to what it is called by; at once after it was opened, something else may be done."""
    page.goto(demo.url + view.split(" ")[0])
    if at_once:
        at_once(page)
    if view in PREPARED:
        PREPARED[view](page)
    elif view.startswith("/shelves") and "/shelves/" not in view:
        expect(page.get_by_role("group", name="cut open")).to_be_visible()
    else:
        expect(page.get_by_role("main").locator("svg, input, h1").first).to_be_attached()
    expect(page.get_by_role("main").locator("[aria-busy=true]")).to_have_count(0)
    settled(page)
