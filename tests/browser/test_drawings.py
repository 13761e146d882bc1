"""What is drawn can be read, whatever is packed into whatever."""

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Here, put_on_bench, settled
from tests.browser.fitting import COLLIDING

pytestmark = pytest.mark.browser

OUTSIDE = """() => {
  const drawn = document.querySelector('#one-in').parentElement;
  const walls = [...drawn.querySelectorAll('#one-in ~ path')].map((each) => each.getBoundingClientRect());
  const most = (end, side) => end(...walls.map((box) => box[side]));
  const [left, right, top, foot] =
    [most(Math.min, 'left'), most(Math.max, 'right'), most(Math.min, 'top'), most(Math.max, 'bottom')];
  return [...drawn.querySelectorAll('rect[stroke="var(--label-ink)"]')].map((each) => each.getBoundingClientRect())
    .filter((box) => box.top < top || box.bottom > foot || box.left < left || box.right > right).length;
}"""
"""Absorbers that are drawn outside the container that they lie in."""


@pytest.mark.parametrize(
    "line",
    ["40 g dried thyme", "200 g freeze-dried strawberries", "900 g dried leeks", "100 g salt", "25 kg rye"],
)
def test_a_handful_and_a_sack_in_any_container(page: Page, served: Here, line: str) -> None:
    """Little food and much air asks for as many absorbers as there is hardly room for."""
    put_on_bench(page, served, line)
    containers = page.get_by_role("radiogroup", name="In").get_by_role("radio")
    expect(containers.nth(2)).to_be_visible()
    found = []
    for size in ((1280, 800), (390, 844)):
        page.set_viewport_size({"width": size[0], "height": size[1]})
        for nth in range(containers.count()):
            name = containers.nth(nth).inner_text()
            containers.nth(nth).click()
            expect(page.get_by_role("group", name=f"{name}, drawn to scale")).to_be_visible()
            settled(page)
            found += [f"{size[0]}, {name}: {each}" for each in page.evaluate(COLLIDING)]
            found += [f"{size[0]}, {name}: an absorber outside"] * page.evaluate(OUTSIDE)
    assert found == []
