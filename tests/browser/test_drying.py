"""A load from the trays to its lot with the scale, a jar that clumps, the freeze dryer, and the round."""

import re
from datetime import timedelta

import pytest
from icalendar import Calendar
from playwright.sync_api import Locator, Page, expect

from tests.browser.conftest import Here, answered
from tests.browser.test_run import send
from tests.support.asking import asking

pytestmark = pytest.mark.browser


def pass_hours(served: Here, hours: float) -> None:
    """Let so many hours go by for the larder."""
    before = served.larder.clock
    served.larder.clock = lambda: before() + timedelta(hours=hours)


def off_the_scale(page: Page, sheet: Locator, what: str) -> None:
    """Lay something on the simulated scale, wait until it stands still, and take its weight."""
    scale = sheet.get_by_role("group", name="The scale")
    with page.expect_response("**/api/devices/scale/pan"):
        scale.get_by_role("button", name=what).click()
    # What lay on it before may stand still yet: four looks later all that it sent is of what lies on it now.
    for _ in range(4):
        page.wait_for_event("response", lambda answer: "/api/devices/scale" in answer.url)
    expect(scale.get_by_role("button", name="Use this weight")).to_be_enabled(timeout=15_000)
    scale.get_by_role("button", name="Use this weight").click()


def on_the_scale(served: Here, number: int) -> str:
    """What the scale should show by now with the tray that is to be weighed next."""
    loads = {load["number"]: load for load in asking.get(f"{served.url}/api/drying/loads").json()}
    trays = {tray["number"]: tray for tray in loads[number]["trays"]}
    return str(trays[loads[number]["next"]["tray"]]["on_scale"])


def start(page: Page, served: Here, line: str) -> Locator:
    """A load of one food goes in; the trays are shown."""
    page.goto(f"{served.url}/drying")
    page.get_by_label("What goes on the trays").fill(line)
    trays = page.get_by_role("region", name="The trays")
    trays.get_by_role("button", name="It goes in now").click()
    expect(trays.get_by_role("region", name="Next")).to_be_visible()
    return trays


def test_a_load_from_the_trays_to_its_lot(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/drying")
    page.get_by_label("What goes on the trays").fill("4 cans of black beans")
    page.get_by_label("Dries in", exact=True).select_option("small")
    trays = page.get_by_role("region", name="The trays")
    expect(trays.get_by_role("heading", name=re.compile("^Dry in .* hours at 50 °C"))).to_be_visible()
    expect(trays.get_by_role("img", name="Trays: 4 of cooked beans, 227 g each")).to_be_visible()
    expect(trays).to_contain_text("to 71 g a tray")
    expect(trays).to_contain_text("measured")
    trays.get_by_role("button", name="It goes in now").click()
    following = trays.get_by_role("region", name="Next")
    expect(following).to_contain_text("Weigh tray 3, cooked beans")

    pass_hours(served, 2.5)
    page.reload()
    following.get_by_role("button", name="Weigh it").click()
    sheet = page.get_by_role("dialog", name="Weigh a tray")
    off_the_scale(page, sheet, "put tray 3 on it")
    weight = sheet.get_by_label("Weight")
    expect(weight).to_have_value(re.compile(r"^1\d\d g$"))
    sheet.get_by_role("button", name="Save", exact=True).click()
    expect(sheet).to_be_hidden()
    expect(trays.get_by_role("img", name=re.compile("^Weight of the cooked beans"))).to_be_visible()

    pass_hours(served, 6)
    page.reload()
    following.get_by_role("button", name="Is it dry?").click()
    sheet = page.get_by_role("dialog", name="Is it dry?")
    expect(sheet).to_contain_text("cool ten minutes first")
    off_the_scale(page, sheet, "put the dry food on it")
    sheet.get_by_role("radio", name="it snaps").click()
    expect(sheet.get_by_role("status")).to_contain_text("the hand and the scale agree")
    sheet.get_by_role("button", name="Take them out").click()
    out = page.get_by_role("dialog", name="Take out: dry")
    expect(out).to_contain_text(re.compile("a can of beans is 7[12].* g or 1 cup dried, and wants 15[56] g of water"))
    out.get_by_role("button", name="Condition in a jar").click()
    expect(page).to_have_url(re.compile("/drying/jars"))
    page.get_by_role("button", name="Into a jar").click()
    fill = page.get_by_role("dialog", name="Into a jar")
    fill.get_by_role("radio", name="5 days").click()
    fill.get_by_role("button", name="Fill it").click()
    expect(page.get_by_role("region", name="Jars")).to_contain_text("5 to go")

    page.goto(f"{served.url}/drying/ready")
    made = page.get_by_role("region", name="Made here")
    made.get_by_role("link", name="To the bench").click()
    verdict = page.get_by_role("region", name="Verdict")
    expect(verdict).to_contain_text("Not conditioned yet")
    expect(page.get_by_role("region", name="On the bench")).to_contain_text("What was done to this lot")


def test_the_load_that_is_shown_stays_though_another_is_seen_to_next(page: Page, served: Here) -> None:
    send(served, "/drying/loads", items=[{"line": "600 g leeks"}], machine="oven")
    pass_hours(served, 0.5)
    beans = send(served, "/drying/loads", items=[{"line": "2 cans of black beans"}], machine="small")
    pass_hours(served, 1.75)
    page.goto(f"{served.url}/drying")
    loads = page.get_by_role("complementary", name="In the dryer").get_by_role("listitem").filter(has_text="since")
    expect(loads).to_have_text([re.compile("cooked beans"), re.compile("leeks")])
    page.get_by_role("region", name="Next").get_by_role("button", name="Weigh it").click()
    sheet = page.get_by_role("dialog", name="Weigh a tray")
    sheet.get_by_label("Weight").fill(on_the_scale(served, beans))
    sheet.get_by_role("button", name="Save", exact=True).click()
    expect(loads).to_have_text([re.compile("leeks"), re.compile("cooked beans")])
    expect(page.get_by_role("region", name="Next")).to_contain_text("cooked beans")


def test_a_food_may_lie_on_the_trays_twice(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/drying")
    page.get_by_label("What goes on the trays").fill("1 kg apples")
    page.get_by_role("button", name="And another food").click()
    second = page.get_by_label("Food 2 on the trays")
    rows = page.get_by_role("region", name="The trays").get_by_role("group").filter(has_text="Why so long")
    for line, name in (("1 kg apples", "apples"), ("1 kg pears", "pears"), ("1 kg apples", "apples")):
        second.fill(line)
        expect(rows).to_have_text([re.compile("apples"), re.compile(name)])


def test_the_bench_stops_an_absorber_with_what_is_not_proved(page: Page, served: Here) -> None:
    trays = start(page, served, "600 g leeks")
    pass_hours(served, 9)
    page.reload()
    trays.get_by_role("button", name="Is it dry? Take trays out").click()
    sheet = page.get_by_role("dialog", name="Is it dry?")
    sheet.get_by_role("radio", name="it snaps").click()
    sheet.get_by_label("They weigh, together").fill("109 g")
    sheet.get_by_role("button", name="Take them out").click()
    page.get_by_role("dialog", name="Take out: dry").get_by_role("link", name="To the bench").click()
    expect(page.get_by_role("combobox", name="What is on the bench")).to_have_value("109 g dried leeks")
    page.get_by_role("radio", name="absorbers", exact=True).click()
    expect(page.get_by_role("region", name="Verdict")).to_contain_text("Not conditioned yet: no absorber with it")
    expect(page.get_by_role("button", name=re.compile("^Pack (it|all)"))).to_be_disabled()


def test_weights_that_cannot_be_are_asked_about(page: Page, served: Here) -> None:
    trays = start(page, served, "600 g leeks")
    trays.get_by_role("button", name="Weigh tray 1").click()
    sheet = page.get_by_role("dialog", name="Weigh a tray")
    scale = sheet.get_by_role("group", name="The scale")
    scale.get_by_role("button", name="disconnect").click()
    expect(scale).to_contain_text("No reading: is the scale on")
    expect(scale.get_by_role("button", name="Use this weight")).to_be_disabled()
    scale.get_by_role("button", name="connect").click()
    weight = sheet.get_by_label("Weight")
    write = sheet.get_by_role("button", name="Save", exact=True)
    weight.fill("900 g")
    write.click()
    expect(sheet).to_contain_text("More than the 300 g it went in with")
    weight.fill("150 g")
    write.click()
    expect(sheet).to_be_hidden()
    trays.get_by_role("button", name="Weigh tray 1").click()
    weight.fill("220 g")
    write.click()
    expect(sheet.get_by_role("alert")).to_contain_text("food does not gain weight in a dryer")
    sheet.get_by_role("button", name="The weight is right").click()
    expect(sheet).to_be_hidden()


def test_what_goes_in_beside_the_rest_and_what_comes_out_early(page: Page, served: Here) -> None:
    trays = start(page, served, "1 kg leeks")
    trays.get_by_role("button", name="Put another food in").click()
    more = page.get_by_role("dialog", name="Another food")
    more.get_by_label("What goes onto the free trays").fill("9 kg kale")
    more.get_by_role("button", name="It goes in now").click()
    answered(page)
    expect(more).to_contain_text("are free")
    more.get_by_label("What goes onto the free trays").fill("400 g mushrooms")
    more.get_by_role("button", name="It goes in now").click()
    expect(more).to_be_hidden()
    expect(trays.get_by_role("radio", name="mushrooms, slices")).to_be_visible()
    expect(trays.get_by_role("heading", name="leeks and mushrooms")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(trays.get_by_role("heading", name="leeks", exact=True)).to_be_visible()


def test_meat_is_not_dried_unheated(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/drying")
    page.get_by_label("What goes on the trays").fill("1 kg lean beef")
    trays = page.get_by_role("region", name="The trays")
    expect(trays).to_contain_text("Heat lean beef through to 71 °C: drying alone does not kill germs")
    go = trays.get_by_role("button", name="It goes in now")
    expect(go).to_be_disabled()
    page.get_by_role("button", name="heated to 71 °C").click()
    expect(go).to_be_enabled()
    expect(trays).to_contain_text("afterwards into the fridge or freezer")


def test_a_jar_that_clumps_starts_again(page: Page, demo: Here) -> None:
    page.goto(f"{demo.url}/drying/jars")
    pears = page.locator("li", has_text=re.compile("dried pears", re.I)).first
    expect(pears.get_by_role("list", name="Days of the dried pears").get_by_role("listitem").first).to_be_visible()
    pears.get_by_role("button", name="clumped").click()
    expect(pears).to_contain_text("Back into the dryer; the count starts again")
    pears.get_by_role("button", name="Back from the dryer, back in its jar").click()
    expect(pears).to_contain_text("7 to go")
    for _ in range(2):
        page.get_by_role("button", name="Undo").click()
        page.wait_for_timeout(200)
    expect(pears.get_by_role("button", name="Free")).to_be_enabled()


def test_grinding(page: Page, demo: Here) -> None:
    page.goto(f"{demo.url}/drying/ready")
    leeks = page.locator("li", has_text="dried leeks")
    leeks.get_by_role("button", name="Grind").click()
    sheet = page.get_by_role("dialog", name="Grind dried leeks")
    sheet.get_by_label("How much").fill("9 kg")
    sheet.get_by_role("button", name="Grind it").click()
    expect(sheet).to_contain_text("There is 244 g of it")
    sheet.get_by_label("How much").fill("44 g")
    sheet.get_by_role("button", name="Grind it").click()
    ground = page.get_by_role("dialog", name="Ground")
    expect(ground).to_contain_text("a tablespoon stands for")
    expect(ground).to_contain_text("Keeps about 7 months")
    ground.get_by_role("button", name="Good").click()
    page.get_by_role("button", name="Undo").click()
    expect(leeks).to_contain_text("244 g")


def test_the_freeze_dryer_until_it_is_closed(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/drying/freeze")
    page.get_by_label("What goes into the freeze dryer").fill("2 kg strawberries")
    load = page.get_by_role("region", name="The load")
    expect(load.get_by_role("heading", name=re.compile("^Dry in"))).to_be_visible()
    page.get_by_role("button", name="And another food").click()
    page.get_by_label("Food 2 in the freeze dryer").fill("500 g peas")
    page.get_by_role("radiogroup", name="How 500 g peas goes in").get_by_role("radio", name="fresh").click()
    expect(load).to_contain_text("All frozen or all fresh, never both")
    expect(load.get_by_role("button", name="The door is closed")).to_be_disabled()
    page.get_by_role("button", name="Take 500 g peas off").click()
    load.get_by_role("button", name="The door is closed").click()
    within = page.get_by_role("complementary", name="In the freeze dryer")
    expect(within).to_contain_text("freezing")

    pass_hours(served, 30)
    for hours in (0.0, 2.1):
        pass_hours(served, hours)
        page.reload()
        within.get_by_role("button", name="Weigh the load").click()
        sheet = page.get_by_role("dialog", name="Weigh the load")
        sheet.get_by_label("Weight").fill("187 g")
        sheet.get_by_role("button", name="Save", exact=True).click()
        expect(sheet).to_be_hidden()
        if not hours:
            within.get_by_role("button", name="Take it out").click()
            soon = page.get_by_role("dialog", name="Too soon")
            expect(soon).to_contain_text("do not agree yet")
            soon.get_by_role("button", name="Leave it in").click()
    expect(within).to_contain_text("agrees")
    within.get_by_role("button", name="Take it out").click()
    expect(within).to_contain_text("Close it up: it is absorbing moisture from the room")
    expect(within.get_by_role("link", name="Pack 187 g freeze-dried strawberries")).to_be_visible()
    page.goto(f"{served.url}/rounds")
    expect(page.get_by_role("region", name="What is due")).to_contain_text("Close up the strawberries")


def test_the_round(page: Page, demo: Here) -> None:
    page.goto(demo.url)
    expect(page).to_have_url(re.compile("/rounds$"))
    due = page.get_by_role("region", name="What is due")
    pears = due.get_by_role("listitem").filter(has_text="Shake the pears").first
    expect(pears).to_contain_text("yesterday")
    pears.get_by_role("button", name="Free").click()
    expect(pears).not_to_contain_text("yesterday")
    flour = due.get_by_role("listitem").filter(has_text="Take the bread flour out of the freezer")
    flour.get_by_role("button", name="It is out").click()
    expect(due).to_contain_text("Open the bread flour, and pack it dry")
    tomatoes = due.get_by_role("listitem").filter(has_text="Dry the tomatoes again")
    tomatoes.get_by_role("button", name="Back from the dryer").click()
    expect(due.get_by_role("listitem").filter(has_text="Shake the tomatoes").first).to_contain_text("tomorrow")
    for _ in range(3):
        page.get_by_role("button", name="Undo").click()
        page.wait_for_timeout(200)
    expect(pears.get_by_role("button", name="Free")).to_be_visible()
    hazelnuts = due.get_by_role("listitem").filter(has_text="hazelnuts")
    hazelnuts.get_by_role("link", name="See it").click()
    expect(page.get_by_role("complementary", name=re.compile("^Package"))).to_contain_text("Hazelnuts")


def test_the_round_leads_to_the_scale(page: Page, served: Here) -> None:
    start(page, served, "600 g leeks")
    pass_hours(served, 2)
    page.goto(f"{served.url}/rounds")
    page.get_by_role("link", name="Weigh it").click()
    sheet = page.get_by_role("dialog", name="Weigh a tray")
    expect(sheet).to_contain_text("Leeks: went in with 300 g", ignore_case=True)
    sheet.get_by_label("Weight").fill("190 g")
    sheet.get_by_label("At, if not now").fill("00:00")
    sheet.get_by_role("button", name="Save", exact=True).click()
    expect(sheet.or_(page.get_by_role("region", name="Next")).first).to_be_visible()


def test_the_round_as_a_calendar(page: Page, demo: Here) -> None:
    page.goto(f"{demo.url}/rounds")
    with page.expect_download() as got:
        page.get_by_role("link", name="Calendar file").click()
    feed = got.value.path().read_bytes()
    events = Calendar.from_ical(feed).walk("VEVENT")
    shown = asking.get(f"{demo.url}/api/rounds").json()["due"]
    assert sorted(str(event["SUMMARY"]) for event in events) == sorted(
        task["title"] for task in shown for _ in range(task["more_days"] + 1)
    )
    assert asking.get(f"{demo.url}/api/rounds/rounds.ics").headers["content-type"].startswith("text/calendar")


def test_a_probe_that_sends_nothing_is_said(page: Page, served: Here) -> None:
    asking.put(f"{served.url}/api/devices/trouble", params={"hygrometer": "sends nonsense"}).raise_for_status()
    page.goto(f"{served.url}/rounds")
    expect(page.get_by_role("complementary", name="The days ahead")).to_contain_text("no reading from the probe")
    page.goto(f"{served.url}/drying")
    page.get_by_label("What goes on the trays").fill("1 kg leeks")
    expect(page.get_by_role("region", name="The trays")).to_contain_text("as the household says")


def test_a_dryer_of_ones_own(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/drying")
    page.get_by_label("What goes on the trays").fill("1 kg leeks")
    page.get_by_role("button", name="Add a dryer of your own").click()
    sheet = page.get_by_role("dialog", name="A dryer of your own")
    sheet.get_by_label("Name").fill("The Rayburn rack")
    sheet.get_by_label("Width").fill("45")
    sheet.get_by_label("Depth").fill("wide")
    sheet.get_by_role("button", name="Add it").click()
    expect(sheet).to_contain_text("Write a length")
    sheet.get_by_label("Depth").fill("30 cm")
    sheet.get_by_role("button", name="Add it").click()
    expect(page.get_by_label("Dries in", exact=True)).to_have_value("own-1")
    expect(page.get_by_role("region", name="The trays")).to_contain_text("The Rayburn rack")
