"""On a phone held at the shelf, by touch."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Here

pytestmark = pytest.mark.browser


def test_plan_and_pack_by_touch(phone: Page, served: Here) -> None:
    phone.goto(f"{served.url}/bench")
    phone.get_by_role("button", name="10 kg pearl barley").tap()
    expect(phone.get_by_role("group", name="drawn to scale")).to_be_in_viewport()
    expect(phone.get_by_role("button", name=re.compile("^Pack all"))).to_be_in_viewport()
    figures = phone.get_by_role("region", name="In figures")
    figures.scroll_into_view_if_needed()
    expect(figures).to_contain_text("35,200 kcal")
    expect(figures).to_contain_text("16 person-days")
    with phone.context.expect_page():
        phone.get_by_role("button", name=re.compile("^Pack all")).tap()
    phone.bring_to_front()
    sheet = phone.get_by_role("dialog", name="Packed")
    expect(sheet).to_be_in_viewport()
    sheet.get_by_role("link", name="See where they stand").tap()
    card = phone.get_by_role("complementary", name="Package 1")
    expect(card.get_by_role("button", name="Throw out")).to_be_in_viewport()


def test_the_picture_comes_before_the_settings(phone: Page, served: Here) -> None:
    """What a person looks at first stands first; what they change stands below it."""
    phone.goto(f"{served.url}/bench")
    phone.get_by_role("combobox", name="What is on the bench").fill("10 kg pearl barley")
    tops = []
    for part in ("#line", "svg[role=group]", "#fill", "section[aria-label=Verdict]"):
        box = phone.locator(part).bounding_box()
        assert box
        tops.append(box["y"])
    assert tops == sorted(tops)


def test_a_card_opens_by_a_tap_and_closes(phone: Page, demo: Here) -> None:
    phone.goto(f"{demo.url}/shelves")
    jar = phone.locator("[data-stack]").first
    jar.tap()
    card = phone.get_by_role("complementary", name=re.compile("Package"))
    expect(card.get_by_role("button", name="Move", exact=True)).to_be_in_viewport()
    card.get_by_role("button", name="Close the card").tap()
    expect(card).to_have_count(0)


def test_what_is_changed_at_the_head_of_a_meal_is_kept_from_there(phone: Page, demo: Here) -> None:
    phone.goto(f"{demo.url}/table/meals?n=1")
    phone.get_by_role("radio", name="lunch").tap()
    expect(phone.get_by_role("radio", name="lunch")).to_be_in_viewport()
    expect(phone.get_by_role("button", name="Keep the change")).to_be_in_viewport(ratio=1)
    phone.get_by_role("button", name="Leave it as it was").tap()
    expect(phone.get_by_role("radio", name="breakfast")).to_be_checked()


def test_why_a_meal_is_refused_is_seen_over_what_keeps_it(phone: Page, served: Here) -> None:
    phone.set_viewport_size({"width": 320, "height": 640})
    phone.goto(f"{served.url}/table/meals?new")
    phone.get_by_label("Name of the meal").fill("Stovies")
    keep = phone.get_by_role("button", name="Put it on the menu")
    keep.tap()
    why = phone.get_by_role("alert").filter(has_text="nothing in it yet")
    expect(why).to_be_in_viewport(ratio=1)
    foot, bar = why.bounding_box(), keep.bounding_box()
    assert foot
    assert bar
    assert foot["y"] + foot["height"] <= bar["y"]


def test_labels_of_neighbours_do_not_cover_one_another(phone: Page, demo: Here) -> None:
    phone.goto(f"{demo.url}/shelves")
    phone.get_by_role("button", name=re.compile("^Stair cupboard")).tap()
    expect(phone.get_by_role("group", name="Stair cupboard, cut open")).to_be_visible()
    covered = phone.evaluate(
        """() => {
          const labels = document.querySelectorAll('[data-of] rect[fill="var(--label)"][height="41"]');
          const boxes = [...labels].map((each) => each.getBoundingClientRect());
          const beside = (a, b) => Math.min(a.right, b.right) - Math.max(a.left, b.left) > 2;
          const level = (a, b) => Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 2;
          const pairs = boxes.flatMap((a, n) => boxes.slice(n + 1).map((b) => [a, b]));
          return [boxes.length, pairs.filter(([a, b]) => beside(a, b) && level(a, b)).length];
        }"""
    )
    assert covered[0] > 3
    assert covered[1] == 0


@pytest.mark.parametrize(
    ("view", "pressed", "seen"),
    [
        ("/table/meals", re.compile("^Pear crumble"), "Pear crumble"),
        ("/table/meals?n=1", "New meal", "A new meal"),
        ("/table/diary?month=2026-10", re.compile("^31"), "The evening's line"),
        ("/drying", re.compile("since"), "The trays"),
    ],
)
def test_what_a_press_changes_above_is_seen(
    phone: Page, demo: Here, view: str, pressed: str | re.Pattern[str], seen: str
) -> None:
    """The parts of a place stand one below the other: what is picked below is shown above."""
    phone.goto(f"{demo.url}{view}")
    button = phone.get_by_role("main").get_by_role("button", name=pressed).last
    button.scroll_into_view_if_needed()
    phone.evaluate("scrollTo(0, document.documentElement.scrollHeight)")
    button.tap()
    section = phone.get_by_role("region", name=seen, exact=True)
    expect(section.locator("h1:not(.sr-only), h2, input").first).to_be_in_viewport()
