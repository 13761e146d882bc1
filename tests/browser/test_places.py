"""Every place is reached at every width: at the thumb on a phone, along the top elsewhere; Back comes back."""

import re
from datetime import date

import pytest
from playwright.sync_api import Page, Route, expect

from tests.browser.conftest import Here, put_on_bench, settled
from tests.support.asking import asking

pytestmark = pytest.mark.browser

PLACES = ["Rounds", "Table", "Drying", "Bench", "Run", "Shelves", "Supplies", "Guide"]
AT_THE_THUMB = ["Rounds", "Table", "Bench", "Shelves"]
PHONE = 768
"""Below it the four most used stand in a bar at the thumb, and all of them under More."""

WIDTHS = [320, 390, 820, 1024, 1100, 1150, 1280, 1920]

COVERED = """() => {
  const nav = 'nav[aria-label=Places]';
  const parts = [...document.querySelectorAll(`header a, header button, ${nav} a, ${nav} button`)]
    .filter((each) => each.checkVisibility())
    .map((each) => [each.textContent.trim() || each.ariaLabel, each.getBoundingClientRect()]);
  const over = (a, b) => Math.min(a.right, b.right) - Math.max(a.left, b.left) > 1
    && Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 1;
  const pairs = parts.flatMap(([a, one], n) =>
    parts.slice(n + 1).filter(([, two]) => over(one, two)).map(([b]) => `${a} / ${b}`));
  const out = parts.filter(([, box]) => box.left < 0 || box.right > innerWidth).map(([a]) => `${a} is outside`);
  const small = parts.filter(([, box]) => box.width < 43.5 || box.height < 43.5).map(([a]) => `${a} is small`);
  const names = [...document.querySelectorAll(`${nav} :is(a, button) > span:first-child`)]
    .filter((each) => each.checkVisibility() && each.scrollWidth > each.clientWidth)
    .map((each) => `${each.textContent} is cut`);
  return [...pairs, ...out, ...small, ...names];
}"""
"""What lies over something else along the edges, or is outside, too small for a finger, or has its name cut."""


@pytest.mark.parametrize("width", WIDTHS)
def test_nothing_along_the_edges_lies_over_anything_else(page: Page, demo: Here, width: int) -> None:
    page.set_viewport_size({"width": width, "height": 800})
    page.goto(f"{demo.url}/guide")
    places = page.get_by_role("navigation", name="Places")
    expect(places).to_contain_text("to do")
    settled(page)
    assert page.evaluate(COVERED) == []
    for name in PLACES if width >= PHONE else AT_THE_THUMB:
        link = places.get_by_role("link", name=re.compile(f"^{name}"))
        expect(link).to_be_in_viewport(ratio=1)
        # It is what a click would land on; at three widths below it is clicked.
        link.click(trial=True)


@pytest.mark.parametrize("width", [320, 820, 1280])
def test_every_place_is_reached(page: Page, demo: Here, width: int) -> None:
    page.set_viewport_size({"width": width, "height": 800})
    page.goto(f"{demo.url}/guide")
    places = page.get_by_role("navigation", name="Places")
    for name in PLACES:
        link = places.get_by_role("link", name=re.compile(f"^{name}"))
        if width < PHONE and name not in AT_THE_THUMB:
            places.get_by_role("button", name=re.compile("^More")).click()
            sheet = page.get_by_role("dialog", name="All places")
            expect(sheet.get_by_role("link")).to_have_count(len(PLACES))
            link = sheet.get_by_role("link", name=re.compile(f"^{name}"))
        expect(link).to_be_in_viewport(ratio=1)
        link.click()
        expect(page).to_have_url(re.compile(f"/{name.lower()}"))
        expect(page.get_by_role("dialog")).to_have_count(0)
        expect(places.locator("[aria-current=page], button.on")).to_contain_text(name)


def test_back_closes_a_sheet_and_then_leaves_the_place(phone: Page, served: Here) -> None:
    phone.goto(f"{served.url}/rounds")
    expect(phone.get_by_role("heading", level=1)).to_be_visible()
    put_on_bench(phone, served, "10 kg pearl barley")
    phone.get_by_role("button", name="Household").tap()
    sheet = phone.get_by_role("dialog", name="Household")
    expect(sheet).to_be_visible()
    phone.go_back()
    expect(sheet).to_have_count(0)
    expect(phone.get_by_role("combobox", name="What is on the bench")).to_have_value("10 kg pearl barley")
    # Closed by its button, it leaves no step behind.
    phone.get_by_role("button", name="Household").tap()
    sheet.get_by_role("button", name="Close").tap()
    expect(sheet).to_have_count(0)
    while phone.evaluate("history.state['sveltekit:states']?.sheets"):
        phone.wait_for_timeout(20)
    phone.go_back()
    expect(phone).to_have_url(re.compile("/rounds"))


def test_back_from_a_meal_leads_to_where_the_meals_were_come_to(page: Page, demo: Here) -> None:
    page.goto(f"{demo.url}/table")
    page.get_by_role("link", name="Meals").click()
    meals = page.get_by_role("region", name="Our meals").get_by_role("button")
    for n in (2, 3):
        meals.nth(n).click()
        expect(page).to_have_url(re.compile(r"/table/meals\?n=\d+$"))
    page.go_back()
    expect(page).to_have_url(re.compile("/table/meals$"))
    page.go_back()
    expect(page).to_have_url(re.compile("/table$"))


def to_the_guide_and_back(page: Page) -> None:
    page.get_by_role("link", name=re.compile("^Guide")).first.click()
    expect(page).to_have_url(re.compile("/guide$"))
    page.go_back()


def test_a_place_a_package_and_a_month_have_their_addresses(page: Page, demo: Here) -> None:
    """Whoever was there comes back to it, and can hand the address on."""
    page.goto(f"{demo.url}/shelves")
    page.get_by_role("button", name=re.compile("^Stair cupboard")).click()
    page.get_by_role("button", name=re.compile("onion powder.*due soon")).first.click()
    card = page.get_by_role("complementary", name=re.compile("^Package"))
    expect(card).to_be_visible()
    to_the_guide_and_back(page)
    expect(page.get_by_role("group", name="Stair cupboard, cut open")).to_be_visible()
    expect(card).to_be_visible()
    page.goto(f"{demo.url}/table/diary")
    page.get_by_role("button", name="The month before").click()
    expect(page).to_have_url(re.compile(r"\?month=\d{4}-\d\d$"))
    month = page.url[-7:]
    shown = date.fromisoformat(f"{month}-01").strftime("%B %Y")
    expect(page.get_by_role("heading", name=shown)).to_be_visible()
    page.get_by_role("button", name=re.compile("^14:")).click()
    expect(page).to_have_url(re.compile(rf"\?day={month}-14$"))
    page.reload()
    expect(page.get_by_role("button", name=re.compile("^14:"))).to_have_attribute("aria-pressed", "true")
    to_the_guide_and_back(page)
    expect(page).to_have_url(re.compile(rf"\?day={month}-14$"))
    expect(page.get_by_role("button", name=re.compile("^14:"))).to_have_attribute("aria-pressed", "true")
    page.go_back()
    expect(page).to_have_url(re.compile("/table/diary$"))


@pytest.mark.parametrize(
    "address", ["/shelves?n=99999", "/table/meals?n=999", "/nowhere", "/table/diary?month=2026-13"]
)
def test_an_address_of_what_is_not_there_says_so_and_leads_on(page: Page, demo: Here, address: str) -> None:
    page.goto(demo.url + address)
    main = page.get_by_role("main")
    if "month" in address:
        expect(main.get_by_role("heading", name="Today")).to_be_visible()
    else:
        expect(main.get_by_text(re.compile("There is (no|nothing)")).first).to_be_visible()
    page.get_by_role("link", name=re.compile("^Shelves")).first.click()
    expect(page.get_by_role("group", name=re.compile("cut open$"))).to_be_visible()


def test_what_is_packed_is_told_without_scrolling(phone: Page, served: Here) -> None:
    """On a phone kcal, days and best-by are in sight with the picture, and the bar covers nothing of them."""
    put_on_bench(phone, served, "10 kg pearl barley")
    strip = phone.get_by_role("region", name="To do next")
    for told in ("35,200 kcal", "16 person-days", "best by"):
        expect(strip.get_by_text(re.compile(re.escape(told))).first).to_be_in_viewport(ratio=1)
    box, bar = strip.bounding_box(), phone.get_by_role("navigation", name="Places").bounding_box()
    assert box
    assert bar
    assert box["y"] + box["height"] <= bar["y"] + 1


def test_what_a_full_place_holds_comes_piece_by_piece_and_is_all_there(page: Page, demo: Here) -> None:
    asked: list[str] = []

    def twenty(route: Route) -> None:
        asked.append(route.request.url)
        route.continue_(url=route.request.url.replace("most=1000", "most=20"))

    page.route("**/api/shelves?**", twenty)
    page.goto(f"{demo.url}/shelves?n=66")
    card = page.get_by_role("complementary", name="Package 66")
    # Those that are alike are counted among what is here: from 64 on, which is not among the first twenty.
    expect(card).to_contain_text("6 alike")
    kept = {each["name"]: each["kept"] for each in asking.get(f"{demo.url}/api/places").json()}["Stone cellar"]
    expect(page.get_by_role("button", name=re.compile("^Stone cellar"))).to_have_attribute("aria-pressed", "true")
    # Those that are alike may be there before the last piece is.
    for _ in range(50):
        if len(asked) > kept // 20:
            break
        settled(page)
    assert len(asked) == kept // 20 + 1 > 2
    # Whoever opens another where they are is there already.
    card.get_by_role("button", name="65", exact=True).click()
    expect(page.get_by_role("complementary", name="Package 65")).to_be_visible()
    expect(page).to_have_url(re.compile(r"/shelves\?n=65$"))
    assert len(asked) == kept // 20 + 1
