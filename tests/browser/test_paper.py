"""Every page on paper."""

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Here, settled
from tests.browser.views import go_to

pytestmark = pytest.mark.browser


@pytest.mark.parametrize("view", ["/rounds", "/table", "/table/money", "/shelves", "/supplies", "/guide"])
def test_on_paper_it_tells_and_has_nothing_to_press(page: Page, demo: Here, view: str) -> None:
    """In ink on white, even of a page that is dark on the screen."""
    go_to(page, demo, view)
    page.evaluate("document.documentElement.dataset.theme = 'dark'")
    page.emulate_media(media="print")
    try:
        settled(page)
        expect(page.get_by_role("banner")).to_be_hidden()
        expect(page.get_by_role("main").get_by_role("heading").first).to_be_visible()
        shown = page.locator(
            ".do, .chip:not([aria-pressed=true], [aria-checked=true], [aria-selected=true], [aria-current]), form"
        )
        assert [each.inner_text() for each in shown.all() if each.is_visible()] == []
        assert page.evaluate("getComputedStyle(document.documentElement).getPropertyValue('--paper')") == "#fffdf6"
        assert page.evaluate("document.documentElement.scrollWidth") <= 1280
    finally:
        page.emulate_media(media="null")
