"""From a sack of food to labelled, counted containers on a shelf, as a person does it."""

import re
from datetime import date, timedelta
from io import BytesIO

import pypdf
import pypdfium2
import pytest
import zxingcpp
from playwright.sync_api import BrowserContext, Locator, Page, expect

from tests.browser.conftest import NETWORK, Here, Served, hurried, put_on_bench, settled
from tests.support.asking import asking

pytestmark = pytest.mark.browser


def strip(page: Page) -> Locator:
    return page.get_by_role("region", name="To do next")


def stage(page: Page) -> Locator:
    return page.get_by_role("group", name="drawn to scale")


def headspace_mm(page: Page) -> int:
    return int(page.get_by_role("slider", name="Headspace").get_attribute("aria-valuenow") or "-1")


def pack(page: Page) -> Page:
    """Press Pack; hand back the labels' tab."""
    with page.context.expect_page() as opened:
        strip(page).get_by_role("button", name="Pack").click()
    expect(page.get_by_role("dialog", name="Packed")).to_be_visible()
    # A page behind the labels is drawn once a second only, and every click would wait for that.
    page.bring_to_front()
    return opened.value


def test_type_and_see_at_once(page: Page, served: Here) -> None:
    put_on_bench(page, served, "10 kg pearl barley", "1 gal foil bag")
    expect(strip(page)).to_contain_text("4 × 2.5 kg")
    expect(strip(page)).to_contain_text("35,200 kcal")
    expect(strip(page)).to_contain_text("16 person-days")
    expect(strip(page)).to_contain_text("cautious")
    expect(stage(page)).to_have_accessible_name("4 × 2.5 kg pearl barley in a 1 gal foil bag, drawn to scale")
    for said in ("1,786 mL", "solid", "air", "oxygen", "× 4, alike"):
        expect(stage(page)).to_contain_text(said)
    verdict = page.get_by_role("region", name="Verdict")
    expect(verdict).to_contain_text("Go")
    expect(page.get_by_role("img", name="5 of 6 protections in place")).to_be_visible()
    mouse = verdict.get_by_role("button", name="No protection from mice")
    reason = verdict.get_by_text("Rodents chew")
    expect(reason).to_be_hidden()
    mouse.click()
    expect(reason).to_be_visible()
    expect(verdict.get_by_text("Source: common practice").first).to_be_visible()
    page.get_by_label("In a pail, tote or bin").check()
    expect(page.get_by_role("img", name="6 of 6 protections in place")).to_be_visible()


def test_a_food_is_offered_as_it_is_typed(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/bench")
    line = page.get_by_role("combobox", name="What is on the bench")
    line.press_sequentially("3 kg dried ap")
    expect(page.get_by_role("listbox", name="Foods").get_by_role("option")).to_have_count(4)
    line.press("ArrowDown")
    line.press("ArrowDown")
    line.press("Enter")
    expect(line).to_have_value(re.compile("3 kg (freeze-)?dried ap(ples|ricots)"))
    expect(stage(page)).to_be_visible()


def test_containers_are_picked_from_pictures(page: Page, served: Here) -> None:
    put_on_bench(page, served, "10 kg pearl barley")
    page.get_by_role("button", name="More…").click()
    page.get_by_role("dialog").get_by_role("button", name=re.compile("½ gal jar")).click()
    expect(stage(page)).to_have_accessible_name(re.compile("in a ½ gal jar"))
    page.get_by_role("radio", name="vacuum").click()
    expect(page.get_by_text("No absorbers: the vacuum takes the air")).to_be_visible()


def test_a_bag_of_ones_own(page: Page, served: Here) -> None:
    put_on_bench(page, served, "10 kg pearl barley")
    page.get_by_role("button", name="More…").click()
    sheet = page.get_by_role("dialog")
    sheet.get_by_label("Flat size").fill("20 x 4 cm")
    sheet.get_by_role("button", name="Take it").click()
    expect(sheet.get_by_role("alert")).to_contain_text("Too short to close: the seal alone takes 2.5 cm")
    sheet.get_by_label("Flat size").fill("10 x 14 in")
    sheet.get_by_role("button", name="Take it").click()
    expect(sheet).to_be_hidden()
    expect(stage(page)).to_have_accessible_name(re.compile("25.4 × 35.6 cm foil bag"))


def test_drag_the_headspace(page: Page, served: Here) -> None:
    put_on_bench(page, served, "10 kg pearl barley")
    settled(page)
    handle = page.get_by_role("slider", name="Headspace").locator("circle.knob")
    before = headspace_mm(page)
    box = handle.bounding_box()
    assert box
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x, y + 60, steps=8)
    expect(strip(page)).not_to_contain_text("4 × 2.5 kg")
    settled(page)
    held = handle.bounding_box()
    assert held
    assert held["y"] == pytest.approx(box["y"] + 60, abs=3), "the handle stays under the finger"
    after = headspace_mm(page)
    assert after > before + 30
    page.mouse.up()
    expect(stage(page)).to_contain_text("and a last")
    expect(page.get_by_role("slider", name="Headspace")).to_have_attribute("aria-valuetext", f"{after / 10:g} cm")


def test_the_handle_moves_by_keys(page: Page, served: Here) -> None:
    put_on_bench(page, served, "10 kg pearl barley")
    handle = page.get_by_role("slider", name="Headspace")
    before = headspace_mm(page)
    handle.focus()
    for _ in range(3):
        page.keyboard.press("PageDown")
    assert headspace_mm(page) == before + 60, "the next press counts from where the last one got to, drawn or not"
    expect(handle).to_have_attribute("aria-valuetext", f"{(before + 60) / 10:g} cm")


def test_type_the_weight_in_each(page: Page, served: Here) -> None:
    put_on_bench(page, served, "10 kg pearl barley", "1 gal foil bag")
    page.get_by_label("Weight in each").fill("3 kg")
    expect(strip(page)).to_contain_text("3 × 3 kg + 1 kg")
    expect(stage(page)).to_contain_text("and a last 1 kg")
    page.get_by_label("Weight in each").fill("5 lb")
    expect(strip(page)).to_contain_text("4 × 2.27 kg")


def test_switch_the_method(page: Page, served: Here) -> None:
    put_on_bench(page, served, "2 kg egg noodles")
    methods = page.get_by_role("radiogroup", name="How absorbers are sized")
    expect(methods.get_by_role("radio", name="By the air")).to_be_checked()
    by_container = methods.get_by_role("radio", name="By container")
    expect(by_container).to_contain_text("short by")
    by_container.click()
    expect(by_container).to_be_checked()
    expect(page.get_by_role("region", name="Verdict")).to_contain_text("Short of absorbers")
    by_container.press("ArrowUp")
    expect(methods.get_by_role("radio", name="By the air")).to_be_checked()
    expect(page.get_by_role("region", name="Verdict")).to_contain_text("The absorbers cover the oxygen")


def test_pack_label_shelve_undo(page: Page, served: Here) -> None:
    put_on_bench(page, served, "10 kg pearl barley", "1 gal foil bag")
    labels = pack(page)
    assert "/api/labels.pdf?batch=" in labels.url or labels.url == "about:blank"
    sheet = page.get_by_role("dialog", name="Packed")
    expect(sheet).to_contain_text("numbers 1 to 4")

    sheet.get_by_role("button", name="Labels …").click()
    choice = page.get_by_role("dialog", name="4 labels")
    choice.get_by_role("radio", name="labels of your own …").click()
    choice.get_by_label("Each, wide × high").fill("120 × 38 mm")
    choice.get_by_role("button", name="Open the sheet (PDF)").click()
    page.bring_to_front()
    expect(choice.get_by_text("2 side by side take 24 cm, and the page has 20.6 cm")).to_be_visible()
    choice.get_by_role("radio", name="twenty-one of 63 × 38 mm").click()
    with page.context.expect_event("request", lambda request: "layout=21" in request.url) as asked:
        choice.get_by_role("button", name="Open the sheet (PDF)").click()
    page.bring_to_front()
    assert "/api/labels.pdf" in asked.value.url
    pdf = asking.get(asked.value.url).content
    text = "".join(each.extract_text() for each in pypdf.PdfReader(BytesIO(pdf)).pages)
    assert text.count("Pearl barley") == text.count("2.5 kg") == text.count("8,800 kcal") == 4
    codes = [each.text for each in zxingcpp.read_barcodes(pypdfium2.PdfDocument(pdf)[0].render(scale=3).to_pil())]
    assert sorted(codes) == [f"YELLOW LARDER {n}" for n in range(1, 5)]

    choice.get_by_role("radio", name="a roll, 62 × 40 mm").click()
    choice.get_by_role("button", name="Print on the label printer").click()
    expect(choice.get_by_role("status")).to_have_text("4 printed, 56 left on the roll.")
    page.keyboard.press("Escape")

    page.goto(f"{served.url}/shelves?n=1")
    card = page.get_by_role("complementary", name="Package 1")
    expect(card.get_by_role("heading", name="Pearl barley")).to_be_visible()
    expect(
        page.get_by_role("button", name=re.compile(r"pearl barley, 2.5 kg, .*100 % of its life left"))
    ).not_to_have_count(0)
    expect(page.get_by_role("link", name="Shelves 4 kept")).to_be_visible()

    page.get_by_role("searchbox", name="Find").fill(codes[0])
    expect(page.get_by_text("1 found")).to_be_visible()

    page.get_by_role("heading", name="Pearl barley").click()
    page.keyboard.press("Control+z")
    expect(page.get_by_text("Undone: Packed 4 × 2.5 kg pearl barley")).to_be_visible()
    expect(page.get_by_role("link", name="Shelves 0 kept")).to_be_visible()
    expect(page.get_by_role("button", name="Undo")).to_be_disabled()


def test_open_move_throw_out_and_take_back(page: Page, served: Here) -> None:
    put_on_bench(page, served, "1.4 kg pearl barley")
    page.get_by_role("radio", name="1 litre jar").click()
    expect(strip(page)).to_contain_text("2 × 700 g")
    pack(page)
    page.goto(f"{served.url}/shelves")
    page.get_by_role("button", name=re.compile("number 2,")).click()
    card = page.get_by_role("complementary", name="Package 2")
    for said in ("1 litre jar", "700 g", "2,460 kcal", "Pantry, shelf 1", "Packed with absorbers"):
        expect(card).to_contain_text(said)

    card.get_by_role("button", name="Move", exact=True).click()
    sheet = page.get_by_role("dialog", name="Move number 2")
    sheet.get_by_role("button", name="Move it").click()
    expect(sheet.get_by_role("alert")).to_contain_text("Already there")
    sheet.get_by_role("radio", name="3", exact=True).click()
    sheet.get_by_role("button", name="Move it").click()
    expect(card).to_contain_text("Pantry, shelf 3")
    expect(card).to_contain_text("Moved to Pantry")

    card.get_by_role("button", name="Throw out").click()
    sheet = page.get_by_role("dialog", name="Throw out number 2")
    sheet.get_by_role("button", name="Throw it out").click()
    expect(sheet).to_contain_text("Give it a name")
    sheet.get_by_role("radio", name="Puffed up").click()
    sheet.get_by_role("button", name="Throw it out").click()
    expect(card).to_contain_text("Thrown out on")
    expect(page.get_by_role("button", name=re.compile("pearl barley, 700 g, number 2"))).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(card).not_to_contain_text("Thrown out on")
    expect(card).to_contain_text("Pantry, shelf 3")
    page.get_by_role("button", name="Undo").click()
    expect(card).to_contain_text("Pantry, shelf 1")


def test_move_by_dragging_and_by_keys(page: Page, served: Here) -> None:
    put_on_bench(page, served, "700 g pearl barley")
    page.get_by_role("radio", name="1 litre jar").click()
    expect(strip(page)).to_contain_text("absorbers: 2 × 100 mL")
    pack(page)
    page.goto(f"{served.url}/shelves")
    jar = page.get_by_role("button", name=re.compile("pearl barley, 700 g"))
    box = jar.bounding_box()
    lower = page.get_by_text("room on shelf 3").bounding_box()
    assert box
    assert lower
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    page.mouse.down()
    page.mouse.move(lower["x"] + 20, lower["y"] + 5, steps=8)
    page.mouse.up()
    expect(page.get_by_text("Moved to Pantry, shelf 3")).to_be_visible()
    drawn = page.get_by_role("region", name="Places")
    expect(drawn.get_by_role("button", name=re.compile("shelf 3$"))).to_have_count(1)
    jar.focus()
    page.keyboard.press("Alt+ArrowUp")
    expect(drawn.get_by_role("button", name=re.compile("shelf 2$"))).to_have_count(1)


def test_the_power_goes_and_all_is_there(page: Page, mortal: Served) -> None:
    put_on_bench(page, mortal, "10 kg pearl barley", "1 gal foil bag")
    pack(page)
    mortal.kill()
    page.goto("about:blank")
    mortal.start()
    page.goto(f"{mortal.url}/shelves?n=3")
    expect(page.get_by_role("complementary", name="Package 3")).to_contain_text("2.5 kg")
    expect(page.get_by_role("link", name="Shelves 4 kept")).to_be_visible()


def test_a_server_that_is_gone_is_said_and_nothing_is_lost(watched: Page, mortal: Served) -> None:
    page = watched
    put_on_bench(page, mortal, "10 kg pearl barley", "1 gal foil bag")
    # What was asked is answered: it is the packing that finds nobody there.
    page.wait_for_load_state("networkidle")
    mortal.kill()
    strip(page).get_by_role("button", name="Pack").click()
    gone = page.get_by_role("alertdialog", name="Can't reach the larder")
    again = gone.get_by_role("button", name="Try again")
    hurried(page, again)
    expect(again).to_be_focused()
    gone.get_by_role("button", name="Leave it").click()
    expect(page.get_by_text("Can't reach the larder").first).to_be_visible()
    expect(page.get_by_role("combobox", name="What is on the bench")).to_have_value("10 kg pearl barley")
    strip(page).get_by_role("button", name="Pack").click()
    hurried(page, again)
    mortal.start()
    again.click()
    expect(page.get_by_role("dialog", name="Packed")).to_be_visible()
    assert asking.get(f"{mortal.url}/api/overview").json()["kept"] == 4


def test_a_day_that_is_still_to_come(page: Page, served: Here) -> None:
    put_on_bench(page, served, "10 kg pearl barley")
    page.get_by_label("Packed on").fill((date.today() + timedelta(days=3)).isoformat())
    strip(page).get_by_role("button", name="Pack").click()
    expect(strip(page).get_by_role("alert")).to_contain_text("is in the future")
    assert asking.get(f"{served.url}/api/overview").json()["kept"] == 0


def test_reload_keeps_the_bench(page: Page, served: Here, context: BrowserContext) -> None:
    put_on_bench(page, served, "10 kg pearl barley")
    page.get_by_label("Weight in each").fill("2 kg")
    expect(strip(page)).to_contain_text("5 × 2 kg")
    page.reload()
    expect(strip(page)).to_contain_text("5 × 2 kg")
    page.keyboard.press("Escape")
    page.get_by_role("region", name="Verdict").click()
    page.keyboard.press("n")
    expect(page.get_by_role("combobox", name="What is on the bench")).to_be_focused()
    expect(strip(page)).to_contain_text("5 × 2 kg")
    page.keyboard.type("3 kg rye")
    expect(page.get_by_role("combobox", name="What is on the bench")).to_have_value("3 kg rye")


@pytest.mark.skipif(NETWORK != "", reason="measured over a network that is as quick as it is")
def test_bench_redraws_within_100_ms(page: Page, served: Here) -> None:
    """Not a benchmark: three times the goal, so that only a real slide fails on a busy machine."""
    put_on_bench(page, served, "10 kg pearl barley")
    took = page.evaluate(
        """async () => {
          const box = document.querySelector('[aria-label="In a pail, tote or bin"], input[type=checkbox]');
          const ring = () => document.querySelector('svg[role=group]').getAttribute('aria-label');
          const field = document.querySelector('#fill');
          const times = [];
          for (const weight of ['2 kg', '1.9 kg', '1.8 kg', '1.7 kg', '1.6 kg', '1.5 kg']) {
            const start = performance.now();
            field.value = weight;
            field.dispatchEvent(new Event('input', { bubbles: true }));
            while (!ring().includes(weight)) await new Promise((done) => setTimeout(done, 1));
            times.push(performance.now() - start);
          }
          return times.sort((a, b) => a - b)[3];
        }"""
    )
    assert took < 300


def test_oxygen_over_time_and_water_activity(page: Page, served: Here) -> None:
    put_on_bench(page, served, "10 kg pearl barley")
    page.get_by_role("radio", name="Oxygen", exact=True).click()
    expect(page.get_by_role("img", name=re.compile("^Oxygen in each over the years. Down to 1 %"))).to_be_visible()
    expect(page.get_by_role("region", name="Containers")).to_contain_text("stays there for more than 40 years")
    expect(page.get_by_role("region", name="On the bench")).to_contain_text("Water activity")
    page.get_by_label("Moisture, %").fill("13.4")
    page.get_by_label("Moisture, %").press("Enter")
    expect(page.get_by_role("region", name="Verdict")).to_contain_text("a water activity of 0.7")
    page.get_by_role("radio", name="Sizing methods").click()
    expect(page.get_by_role("radiogroup", name="How absorbers are sized")).to_be_visible()


def test_gel_holds_what_is_opened_daily_and_never_with_an_absorber(page: Page, served: Here) -> None:
    put_on_bench(page, served, "150 g dried leeks")
    page.get_by_role("radio", name="1 litre jar").click()
    page.get_by_role("radio", name="lid only").click()
    page.get_by_label("Opened").select_option("daily")
    verdict = page.get_by_role("region", name="Verdict")
    expect(verdict).to_contain_text("Soft in about")
    chart = page.get_by_role("img", name=re.compile("^Water activity in each"))
    expect(chart).to_have_accessible_name(re.compile(r"of gel would hold it for the whole time\.$"))
    page.get_by_label("Silica gel with it").check()
    expect(verdict).not_to_contain_text("Soft in about")
    expect(chart).to_have_accessible_name(re.compile("with .* g of gel"))
    page.get_by_role("radio", name="absorbers", exact=True).click()
    expect(verdict).to_contain_text("Never an absorber and a desiccant together")
    expect(page.get_by_role("button", name="Run sheet")).to_be_disabled()
    page.get_by_label("Silica gel with it").click()
    expect(verdict).not_to_contain_text("Never an absorber")


def test_containers_are_proposed_for_one_lot_and_for_several(page: Page, served: Here) -> None:
    put_on_bench(page, served, "10 kg pearl barley")
    page.get_by_role("button", name="Propose…").click()
    sheet = page.get_by_role("dialog", name="Which container?")
    expect(sheet).to_contain_text("2 × 2 gal foil bag, 5 kg in each")
    sheet.get_by_label("What the kitchen takes of lot 1 in a week").fill("150 g")
    expect(sheet).to_contain_text("empty in")
    sheet.get_by_role("button", name="And another lot with it").click()
    sheet.get_by_label("Lot 2", exact=True).fill("3 kg unicorn")
    expect(sheet.get_by_label("Lot 2", exact=True)).to_have_attribute("aria-invalid", "true")
    sheet.get_by_label("Lot 2", exact=True).fill("3 kg macaroni")
    expect(sheet.get_by_role("heading", name="macaroni")).to_be_visible()
    sheet.get_by_role("button", name="All on the run sheet").click()
    expect(page.get_by_role("region", name="On the sheet")).to_contain_text("macaroni")
    expect(page.get_by_role("region", name="On the sheet")).to_contain_text("pearl barley")


def test_what_is_proposed_goes_on_the_bench(page: Page, served: Here) -> None:
    put_on_bench(page, served, "10 kg pearl barley")
    page.get_by_role("button", name="Propose…").click()
    page.get_by_role("button", name="Take it").click()
    expect(stage(page)).to_have_accessible_name("2 × 5 kg pearl barley in a 2 gal foil bag, drawn to scale")
