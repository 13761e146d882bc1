"""The real application on a fresh file, in a real browser."""

from __future__ import annotations

import asyncio
import multiprocessing
import os
import re
import shutil
import socket
import threading
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from dataclasses import dataclass, field
from itertools import count
from multiprocessing.process import BaseProcess
from pathlib import Path
from typing import Any, Literal
from urllib.parse import urljoin

import httpx
import pytest
import uvicorn
from fastapi import FastAPI
from playwright.sync_api import (
    Browser,
    BrowserContext,
    Error,
    Locator,
    Page,
    Route,
    ViewportSize,
    expect,
    sync_playwright,
)
from playwright.sync_api import TimeoutError as PlaywrightTimeout
from starlette.responses import PlainTextResponse
from starlette.types import ASGIApp, Receive, Scope, Send

from tests.conftest import share_statements
from tests.support.apps import hand_over
from tests.support.asking import asking
from tests.support.waiting import until
from tools.browser import CHROMIUM, QUIET
from yellow_larder.api.app import make_app
from yellow_larder.api.devices import simulated_devices
from yellow_larder.cli import serve
from yellow_larder.features.household.larder import Larder, open_larder

SHORT_LIVED = "--js-flags=--no-opt --no-maglev"
"""No page of a test lives long enough for its scripts to be worth compiling twice: a tenth of the time."""

ROOT = Path(__file__).parents[2]
AXE = ROOT / "web/node_modules/axe-core/axe.min.js"
LAPTOP: ViewportSize = {"width": 1280, "height": 800}

UNSEEN = "Failed to load resource"
"""What the browser logs when the server refuses: shown to the person, and no mistake of the page."""

NETWORK = os.environ.get("YELLOW_LARDER_NETWORK", "")
"""What the tests run over, for `make test-slow`: `slow`, every answer half a second late; `lossy`, every tenth lost."""

LATE_S = 0.5

PATIENT_MS = 30_000 if NETWORK else 15_000

expect.set_options(timeout=PATIENT_MS)


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """What fails in a real browser is tried once more, and listed as RERUN: a machine may stand still for seconds.

    What fails twice is red. A test that is listed again and again has found something all the same: to see what,
    YELLOW_LARDER_TESTS=once.
    """
    if os.environ.get("YELLOW_LARDER_TESTS") == "once":
        return
    for item in items:
        if "browser" in item.keywords:
            item.add_marker(pytest.mark.flaky(reruns=1))


AFRESH = multiprocessing.get_context("forkserver")
"""Where a process is a fork of one that has read the program and done nothing else, which takes seconds."""

AFRESH.set_forkserver_preload(["yellow_larder.serving"])


@dataclass
class Served:
    """A server of the larder in a file, that can be killed and started again."""

    file: Path
    port: int = field(default_factory=lambda: _free_port())
    process: BaseProcess | None = None

    @property
    def url(self) -> str:
        return f"http://127.0.0.1:{self.port}"

    def start(self) -> Served:
        """Start it and wait until it answers."""
        self.process = AFRESH.Process(target=serve, args=(self.file, self.port), daemon=True)
        self.process.start()
        until(self._answers)
        return self

    def _answers(self) -> bool:
        with suppress(httpx.TransportError):
            return asking.get(f"{self.url}/api/overview").status_code == 200
        return False

    def kill(self) -> None:
        """As if the power went."""
        assert self.process is not None
        self.process.kill()
        self.process.join()


def _free_port() -> int:
    with socket.socket() as found:
        found.bind(("127.0.0.1", 0))
        return int(found.getsockname()[1])


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=[*QUIET, SHORT_LIVED])
        yield browser
        browser.close()


GONE = PlainTextResponse("The test is over", status_code=503)


class Here:
    """The real server, in a thread of this process, over one larder after the other.

    One address for all of them: what a browser has fetched of the pages it need not fetch and read again.
    """

    larder: Larder

    def __init__(self) -> None:
        self.port = _free_port()
        self.url = f"http://127.0.0.1:{self.port}"
        self._made: FastAPI | None = None
        self._app: ASGIApp = GONE
        self._server = uvicorn.Server(
            uvicorn.Config(
                self._answer, host="127.0.0.1", port=self.port, interface="asgi3", log_level="warning", lifespan="off"
            )
        )
        self._thread = threading.Thread(target=self._server.run, daemon=True)

    async def _answer(self, scope: Scope, receive: Receive, send: Send) -> None:
        if NETWORK == "slow" and scope["path"].startswith("/api/"):
            await asyncio.sleep(LATE_S)
        await self._app(scope, receive, send)

    @contextmanager
    def over(self, larder: Larder) -> Iterator[Here]:
        """The same address over another larder; a page that asks on when it is gone is told so."""
        self.larder = larder
        self._made = self._made or make_app(larder, ROOT / "web" / "build")
        # Its scale stands still ten times sooner than one that a person puts something on.
        hand_over(self._made, larder, simulated_devices(lambda: 10 * time.monotonic()))
        self._app = self._made
        share_statements(larder.engine)
        yield self
        self._app = GONE

    def __enter__(self) -> Here:
        self._thread.start()
        while not self._server.started:
            time.sleep(0.01)
        return self

    def __exit__(self, *_: object) -> None:
        self._server.should_exit = True
        self._server.force_exit = True
        self._thread.join(timeout=5)


@pytest.fixture(scope="session")
def here() -> Iterator[Here]:
    """The address that new larders are served at."""
    with Here() as here:
        yield here


@pytest.fixture(scope="session")
def opened_now(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """The file of a new larder by the clock of today; made once, and copied for each test."""
    file = tmp_path_factory.mktemp("opened") / "larder.db"
    open_larder(file).close()
    return file


@pytest.fixture
def served(here: Here, opened_now: Path, tmp_path: Path) -> Iterator[Here]:
    """A new larder, served."""
    file = Path(shutil.copy(opened_now, tmp_path / "larder.db"))
    with open_larder(file) as larder, here.over(larder) as served:
        yield served


@pytest.fixture
def mortal(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Served]:
    """A new larder, served by a process of its own, for the tests that kill it."""
    served = Served(tmp_path_factory.mktemp("larder") / "larder.db").start()
    yield served
    served.kill()


@pytest.fixture(scope="session")
def there() -> Iterator[Here]:
    """A second address, for the larder of a module beside those of its tests."""
    with Here() as there:
        yield there


@pytest.fixture(scope="module")
def demo(there: Here, furnished: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[Here]:
    """The demo household's larder, served once for the tests of a module."""
    file = Path(shutil.copy(furnished, tmp_path_factory.mktemp("demo") / "demo.db"))
    with open_larder(file) as larder, there.over(larder) as demo:
        yield demo


@pytest.fixture
def demo_to_change(here: Here, furnished: Path, tmp_path: Path) -> Iterator[Here]:
    """The demo household's larder, served for one test that changes it."""
    file = Path(shutil.copy(furnished, tmp_path / "demo.db"))
    with open_larder(file) as larder, here.over(larder) as demo:
        yield demo


@pytest.fixture(scope="session")
def window(browser: Browser) -> Iterator[BrowserContext]:
    """One browser's window for all tests that ask for no other: scripts are fetched and compiled once."""
    window = browser.new_context(viewport=LAPTOP, color_scheme="light", locale="en-GB", reduced_motion="reduce")
    window.set_default_timeout(PATIENT_MS)
    if NETWORK == "lossy":
        window.route("**/api/**", lose_every_tenth())
    yield window
    window.close()


def lose_every_tenth() -> Callable[[Route], None]:
    """Of what is asked every tenth reaches the larder, and its answer never comes back; a whole page is opened again by
    whoever opened it, and no page can do that for them."""
    asked = count(1)

    def handle(route: Route) -> None:
        if route.request.is_navigation_request() or next(asked) % 10:
            route.continue_()
            return
        # A page that was left waits for nothing.
        with suppress(Error):
            route.fetch()
            route.abort("connectionreset")

    return handle


@pytest.fixture
def context(window: BrowserContext) -> Iterator[BrowserContext]:
    """That window with nothing kept in it by the test before, and its one page: the scripts in it are compiled."""
    yield window
    for page in window.pages[1:]:
        page.close()
    for page in window.pages:
        try:
            # A file at the same address asks nothing of the next larder, and the scripts stay compiled.
            page.goto(urljoin(page.url, "/_app/version.json"))
            page.evaluate("localStorage.clear(); sessionStorage.clear()")
        except Error:
            # Its server was killed: what the browser shows of that would still be on its way in the next test.
            page.close()


@contextmanager
def sound(page: Page) -> Iterator[None]:
    """Fail if anything goes wrong in a page unseen."""
    with heard(page, "pageerror") as failed, heard(page, "console") as said:
        yield
    assert failed == []
    assert [each.text for each in said if each.type == "error" and UNSEEN not in each.text] == []


@pytest.fixture
def page(context: BrowserContext) -> Iterator[Page]:
    """A page that fails the test if anything goes wrong in it unseen."""
    page = context.pages[0] if context.pages else context.new_page()
    with sound(page):
        yield page
        page.unroute_all()
        if page.viewport_size != LAPTOP:
            page.set_viewport_size(LAPTOP)


@pytest.fixture
def watched(browser: Browser) -> Iterator[Page]:
    """A page with a clock of its own, which `hurried` puts forward: what it would wait seconds for is there at once."""
    context = browser.new_context(viewport=LAPTOP, locale="en-GB", reduced_motion="reduce")
    context.set_default_timeout(PATIENT_MS)
    context.clock.install()
    page = context.new_page()
    with sound(page):
        yield page
    context.close()


def hurried(page: Page, awaited: Locator) -> None:
    """Put the clock of a page forward until something is seen; no timer is left out."""
    for _ in range(100):
        page.clock.fast_forward(500)
        with suppress(PlaywrightTimeout):
            awaited.wait_for(timeout=50)
            break
    expect(awaited).to_be_visible()


@pytest.fixture
def phone(browser: Browser) -> Iterator[Page]:
    """A phone, by touch."""
    size: ViewportSize = {"width": 390, "height": 844}
    context = browser.new_context(viewport=size, has_touch=True, is_mobile=True, locale="en-GB")
    context.set_default_timeout(PATIENT_MS)
    yield context.new_page()
    context.close()


def held_back(page: Page, address: str, method: str = "") -> list[Route]:
    """What a page asks of an address from now on, as it comes: each waits until it is let go on."""
    held: list[Route] = []

    def hold(route: Route) -> None:
        if method in ("", route.request.method):
            held.append(route)
        else:
            route.fallback()

    page.route(address, hold)
    return held


SETTLED = """() => new Promise((settled) =>
  requestAnimationFrame(() => requestAnimationFrame(() => requestIdleCallback(settled, { timeout: 500 }))))
"""
"""Two frames, for in the first a page learns its new size; and then whatever waits for a quiet moment."""


@contextmanager
def heard(page: Page, event: Literal["console", "pageerror", "request"]) -> Iterator[list[Any]]:
    """What a page tells of meanwhile."""
    all_of_it: list[Any] = []

    def hear(one: object) -> None:
        all_of_it.append(one)

    page.on(event, hear)  # type: ignore[call-overload]
    try:
        yield all_of_it
    finally:
        page.remove_listener(event, hear)


def settled(page: Page) -> None:
    """Wait until the page has drawn what it was told and has nothing more to do."""
    page.evaluate(SETTLED)


def answered(page: Page) -> None:
    """Wait until what was pressed is answered: until then its sheet takes nothing."""
    expect(page.locator("button[aria-busy=true]")).to_have_count(0)


def put_on_bench(page: Page, served: Served | Here, line: str, container: str = "") -> None:
    """Type a line on the bench and wait for its plan; in the usual container, or in one from the pictures."""
    page.goto(f"{served.url}/bench")
    page.get_by_role("combobox", name="What is on the bench").fill(line)
    expect(page.get_by_role("region", name="Verdict")).to_be_visible()
    if container:
        page.get_by_role("button", name="More…").click()
        page.get_by_role("dialog").get_by_role("button", name=re.compile(rf"^{container} ?[\dh]")).first.click()
        expect(page.get_by_role("radio", name=container, exact=True)).to_be_checked()
        # What is pressed next is meant for the plan of it, and not for the one before.
        expect(page.get_by_role("group", name=re.compile(rf" in an? {container}, drawn to scale"))).to_be_visible()
