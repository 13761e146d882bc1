"""By keys alone, with a screen reader, on every size, in both themes, in either measure."""

import re
from dataclasses import replace

import pytest
from playwright.sync_api import Page, expect
from sqlalchemy import select

from tests.browser.conftest import AXE, ROOT, Here, heard, put_on_bench, settled
from tests.browser.fitting import ill_fitting
from tests.browser.views import PLAIN, VIEWS, go_to
from yellow_larder.features.household.larder import settings, settle
from yellow_larder.features.household.state import Place
from yellow_larder.journal.database import reading
from yellow_larder.reference import containers, foods
from yellow_larder.words.quantities import Units

pytestmark = pytest.mark.browser

SIZES = {"laptop": (1280, 800), "tablet": (820, 1180), "phone": (390, 844)}


def by_two_keys(page: Page) -> None:
    """The first Tab leads past the places: what is there is reached by two keys."""
    skip = page.get_by_role("link", name="Skip to content")
    skip.wait_for(state="attached")
    page.keyboard.press("Tab")
    expect(skip).to_be_focused()
    page.keyboard.press("Enter")
    expect(page.get_by_role("main")).to_be_focused()
    # On a laptop each part of a place scrolls by itself, and the page not at all.
    assert page.evaluate("document.documentElement.scrollHeight - innerHeight") <= 0
    assert page.evaluate("scrollY") == 0


@pytest.mark.parametrize("view", VIEWS)
def test_at_every_size_in_both_themes(page: Page, demo: Here, view: str) -> None:
    """Reached by two keys; nothing for axe to find, nothing wider than the screen, nothing too small for floury hands,
    nothing fetched from elsewhere: it works with no network.

    Source: WCAG 2.2 A and AA and best practice, as checked by axe-core, contrast once in the light and once in the
    dark, for colours do not change with the size; 2.5.5 Target Size (Enhanced): 44 px, lines of text and drawings with
    more room excepted.
    """
    found = []
    with heard(page, "request") as asked:
        go_to(page, demo, view, by_two_keys if view in PLAIN else None)
    page.evaluate(AXE.read_text())
    # The pieces that patterns are made of are nothing anybody meets.
    page.evaluate("document.querySelectorAll('pattern').forEach((each) => each.replaceChildren())")
    for size, (width, height) in SIZES.items():
        page.set_viewport_size({"width": width, "height": height})
        found += [f"{size}: {each}" for each in ill_fitting(page, width)]
        # A tablet shows what a laptop or a phone does: there the dark is looked at, the same at any size.
        theme, rules = {
            "laptop": ("light", {}),
            "tablet": ("dark", {"runOnly": {"type": "rule", "values": ["color-contrast"]}}),
            "phone": ("light", {"rules": {"color-contrast": {"enabled": False}}}),
        }[size]
        page.evaluate("theme => document.documentElement.dataset.theme = theme", theme)
        settled(page)
        result = page.evaluate(
            "rules => axe.run(document, { resultTypes: ['violations'], preload: false, ...rules })",
            rules,
        )
        found += [
            f"{size}, {theme}: {each['id']} at {each['nodes'][0]['target']}: {each['nodes'][0]['failureSummary']}"
            for each in result["violations"]
        ]
    assert found == []
    assert [each.url for each in asked if not each.url.startswith((demo.url, "data:", "blob:"))] == []


def test_the_whole_job_by_keys_alone(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/guide")
    expect(page.get_by_role("heading", name="Guide")).to_be_visible()
    page.keyboard.press("g")
    page.keyboard.press("b")
    expect(page).to_have_url(re.compile("/bench"))
    page.keyboard.press("/")
    page.keyboard.type("1.4 kg pearl barley")
    page.keyboard.press("Enter")
    expect(page.get_by_role("region", name="Verdict")).to_be_visible()
    tab_to(page, "3 litre foil bag")
    page.keyboard.press("ArrowRight")
    expect(page.get_by_role("radio", name="1 litre jar")).to_be_focused()
    expect(page.get_by_role("region", name="To do next")).to_contain_text("2 × 700 g")
    tab_to(page, "Pack all 2")
    with page.context.expect_page():
        page.keyboard.press("Enter")
    page.bring_to_front()
    sheet = page.get_by_role("dialog", name="Packed")
    expect(sheet).to_be_visible()
    page.keyboard.press("Escape")
    expect(sheet).to_be_hidden()
    page.keyboard.press("g")
    page.keyboard.press("s")
    expect(page).to_have_url(re.compile("/shelves"))
    expect(page.get_by_role("button", name=re.compile("number 1,"))).to_be_visible()
    tab_to(page, "pearl barley, 700 g, number 1,")
    page.keyboard.press("ArrowRight")
    page.keyboard.press("Enter")
    expect(page.get_by_role("complementary", name="Package 2")).to_be_visible()
    page.keyboard.press("Control+z")
    expect(page.get_by_text(re.compile("^Undone"))).to_be_visible()
    # What was taken back is not on show any more, and nothing that is typed next goes into a field.
    card = page.get_by_role("complementary", name="Package 2")
    expect(card.get_by_role("button", name="Throw out")).to_have_count(0)
    settled(page)
    page.keyboard.press("?")
    expect(page.get_by_role("dialog", name="Keys")).to_contain_text("undo the last change")


def tab_to(page: Page, name: str) -> None:
    """Tab on until the focus is on something of that name."""
    for _ in range(80):
        page.keyboard.press("Tab")
        # What holds everything, such as the body, is no answer: it has every name in it.
        focused = page.evaluate(
            "(at => at.matches('a, button, input, select, [role]') ? at.ariaLabel || at.textContent : '')"
            "(document.activeElement)"
        )
        if name in (focused or ""):
            return
    raise AssertionError(f"{name} cannot be reached by Tab")


def test_in_either_measure(page: Page, served: Here) -> None:
    put_on_bench(page, served, "10 kg pearl barley")
    page.get_by_role("button", name="Household").click()
    sheet = page.get_by_role("dialog", name="Household")
    sheet.get_by_role("radio", name="lb, qt, in").click()
    sheet.get_by_label("People").fill("4")
    sheet.get_by_role("button", name="Save").click()
    expect(page.get_by_role("region", name="To do next")).to_contain_text("4 × 5 lb 8 oz")
    expect(page.get_by_role("group", name="drawn to scale")).to_contain_text("12 in")
    expect(page.get_by_role("region", name="To do next")).to_contain_text("4.0 for all of you")
    page.get_by_label("Headspace", exact=True).fill("2")
    expect(page.get_by_role("slider", name="Headspace")).to_have_attribute("aria-valuetext", "2 in")
    page.get_by_role("button", name="Household").click()
    room = sheet.get_by_label("Packing room, °F")
    expect(room).to_have_value("68")
    room.fill("71.6")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet).to_be_hidden()
    with reading(served.larder.engine) as session:
        assert settings(session).room_c == pytest.approx(22)
    page.get_by_role("button", name="Undo").click()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("region", name="To do next")).to_contain_text("kg")


def test_a_place_in_a_house_of_fahrenheit(page: Page, served: Here) -> None:
    with reading(served.larder.engine) as session:
        before = settings(session)
    settle(served.larder, replace(before, units=Units.US))
    page.goto(f"{served.url}/shelves")
    page.get_by_role("button", name="Add a place").click()
    sheet = page.get_by_role("dialog", name="Add a place")
    expect(sheet.get_by_label("How wide, in")).to_have_value("47")
    sheet.get_by_label("Name").fill("Root cellar")
    sheet.get_by_label("How wide, in").fill("60")
    sheet.get_by_label("Mean of the year, °F").fill("50")
    sheet.get_by_label("At its warmest, °F").fill("59")
    sheet.get_by_role("button", name="Add it").click()
    expect(sheet).to_be_hidden()
    with reading(served.larder.engine) as session:
        cellar = session.scalars(select(Place).where(Place.name == "Root cellar")).one()
        assert (cellar.mean_c, cellar.mean_c + cellar.swing_c) == pytest.approx((10, 15))
        assert cellar.width_mm == pytest.approx(60 * 25.4)


def test_what_dries_is_drawn_in_the_measure_it_is_told_in(page: Page, demo_to_change: Here) -> None:
    """Two kilograms of leeks are some grams to a metric scale, and some pounds to another."""
    page.goto(f"{demo_to_change.url}/drying")
    curve = page.get_by_role("img", name=re.compile("^Weight of the leeks"))
    expect(curve).to_contain_text("0 g500 g1,000 g")
    with reading(demo_to_change.larder.engine) as session:
        before = settings(session)
    settle(demo_to_change.larder, replace(before, units=Units.US))
    page.reload()
    expect(curve).to_contain_text("0 lb1 lb2 lb")


def test_the_guide_is_searched(page: Page, demo: Here) -> None:
    page.goto(f"{demo.url}/guide")
    page.get_by_role("searchbox").fill("hazel")
    row = page.get_by_role("button", name=re.compile("hazelnuts"))
    row.click()
    expect(page.get_by_role("table")).to_contain_text("USDA FoodData Central, SR Legacy 12120, from memory")
    page.get_by_role("tab", name="How long it keeps").click()
    expect(page.get_by_role("table")).to_contain_text("nuts, oil seeds, chocolate")
    page.get_by_role("searchbox").fill("")
    page.get_by_role("tab", name="Containers").click()
    expect(page.get_by_role("tabpanel", name="Containers").get_by_role("listitem")).to_have_count(len(containers()))


def test_the_guide_goes_on_as_far_as_one_comes_and_is_printed_whole(page: Page, demo: Here) -> None:
    page.goto(f"{demo.url}/guide")
    page.get_by_role("tab", name="Foods").click()
    rows = page.get_by_role("table").locator("tbody tr")
    expect(rows).to_have_count(60)
    rows.last.scroll_into_view_if_needed()
    expect(rows).to_have_count(120)
    # Its columns are named wherever one is in it.
    expect(page.get_by_role("columnheader", name="protein")).to_be_in_viewport()
    rows.nth(110).get_by_role("button").click()
    expect(rows.nth(111)).to_contain_text("Composition")
    page.evaluate("dispatchEvent(new Event('beforeprint'))")
    expect(rows).to_have_count(len(foods()) + 1)
    expect(page.get_by_role("button", name="Show all")).to_have_count(0)


def test_life_is_told_without_colour(page: Page, demo: Here) -> None:
    """Past, soon and fine differ in shape and words: a triangle, a clock, nothing; and "past" on the label."""
    page.goto(f"{demo.url}/shelves")
    page.get_by_role("button", name=re.compile("^Boat-shed loft")).click()
    jar = page.get_by_role("button", name=re.compile("hazelnuts.*past its best-by")).first.locator("..")
    expect(jar).to_contain_text("past")
    assert jar.locator('rect[fill="url(#past)"]').count() == 1
    page.get_by_role("button", name=re.compile("^Stair cupboard")).click()
    onion = page.get_by_role("button", name=re.compile("onion powder.*due soon")).locator("..")
    expect(onion.locator('rect[fill="url(#dots)"]')).to_have_count(1)
    due = page.get_by_role("complementary", name="Due, and what is here")
    due.get_by_role("button", name=re.compile("hazelnuts")).first.click()
    expect(page.get_by_role("complementary", name=re.compile("Package"))).to_contain_text("Was best by")


def test_a_place_is_added(page: Page, served: Here) -> None:
    page.goto(f"{served.url}/shelves")
    page.get_by_role("button", name="Add a place").click()
    sheet = page.get_by_role("dialog", name="Add a place")
    sheet.get_by_role("button", name="Add it").click()
    expect(sheet).to_contain_text("Give it a name")
    sheet.get_by_label("Name").fill("Root cellar")
    sheet.get_by_role("radio", name="cellar", exact=True).click()
    sheet.get_by_role("button", name="Add it").click()
    expect(page.get_by_role("group", name="Root cellar, cut open")).to_be_visible()


MOVING = r"""(styles) => {
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(styles);
  const all = (rules) => [...rules].flatMap((rule) => [rule, ...all(rule.cssRules ?? [])]);
  // What comes up only after a moment does not move.
  const moves = ({ style }) => style && (/[1-9]/.test(style.transitionDuration) || style.scrollBehavior === "smooth" ||
    style.animationName.split(", ").some((name) => name && !["none", "after-a-moment"].includes(name)));
  const spared = (rule) =>
    rule && (rule.media?.mediaText === "(prefers-reduced-motion: no-preference)" || spared(rule.parentRule));
  return all(sheet.cssRules).filter(moves).map((rule) => [rule.cssText, Boolean(spared(rule))]);
}"""
"""Every rule by which something moves, and whether whoever asked their machine to keep still is spared it."""


def test_nothing_moves_for_whoever_asked(page: Page, served: Here) -> None:
    """Source: WCAG 2.2, 2.3.3 Animation from Interactions."""
    page.goto(f"{served.url}/guide")
    styles = "".join(each.read_text() for each in (ROOT / "web/build/_app").rglob("*.css"))
    moving = page.evaluate(MOVING, styles)
    assert len(moving) >= 5
    assert [rule for rule, spared in moving if not spared] == []


def test_its_own_fonts_are_shown(page: Page, demo: Here) -> None:
    go_to(page, demo, "/guide")
    fonts = page.evaluate("[...document.fonts].filter((font) => font.status === 'loaded').map((font) => font.family)")
    assert {"Bitter Variable", "Atkinson Hyperlegible Next Variable"} <= {font.strip('"') for font in fonts}
