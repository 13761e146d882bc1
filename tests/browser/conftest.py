"""The real application on a fresh file, in a real browser."""

from __future__ import annotations

import os
import signal
import socket
import subprocess
import sys
import time
from collections.abc import Iterator
from dataclasses import dataclass, field
from pathlib import Path

import httpx
import pytest
from playwright.sync_api import Browser, BrowserContext, ConsoleMessage, Page, expect, sync_playwright

ROOT = Path(__file__).parents[2]
CHROMIUM = os.environ.get("CHROMIUM", "/usr/bin/chromium")
QUIET = ["--no-sandbox", "--disable-background-networking", "--disable-component-update", "--disable-sync"]

UNSEEN = "Failed to load resource"
"""What the browser logs when the server refuses: shown to the person, and no mistake of the page."""

expect.set_options(timeout=10_000)


@dataclass
class Served:
    """A server of the larder in a file, that can be killed and started again."""

    file: Path
    command: str = "serve"
    port: int = field(default_factory=lambda: _free_port())
    process: subprocess.Popen[bytes] | None = None

    @property
    def url(self) -> str:
        return f"http://127.0.0.1:{self.port}"

    def launch(self) -> Served:
        """Start it without waiting."""
        where = ["--data", str(self.file), "--port", str(self.port)]
        command = [sys.executable, "-m", "yellow_larder.cli", self.command, *where]
        self.process = subprocess.Popen(command, cwd=ROOT, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
        return self

    def start(self) -> Served:
        """Start it and wait until it answers."""
        return self.launch().ready()

    def ready(self) -> Served:
        """Wait until it answers."""
        for _ in range(400):
            try:
                if httpx.get(f"{self.url}/api/overview").status_code == 200:
                    return self
            except httpx.TransportError:
                time.sleep(0.05)
        raise AssertionError("the server did not start")

    def kill(self) -> None:
        """As if the power went."""
        assert self.process is not None
        self.process.send_signal(signal.SIGKILL)
        self.process.wait()


def _free_port() -> int:
    with socket.socket() as found:
        found.bind(("127.0.0.1", 0))
        return int(found.getsockname()[1])


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=QUIET)
        yield browser
        browser.close()


@pytest.fixture(scope="session")
def stable() -> Iterator[list[Served]]:
    """New larders being started while other tests run, so that no test waits for its own."""
    waiting: list[Served] = []
    yield waiting
    for each in waiting:
        each.kill()


@pytest.fixture
def served(stable: list[Served], tmp_path_factory: pytest.TempPathFactory) -> Iterator[Served]:
    """A new larder, served."""
    while len(stable) < 2:
        stable.append(Served(tmp_path_factory.mktemp("larder") / "larder.db").launch())
    served = stable.pop(0).ready()
    yield served
    served.kill()


@pytest.fixture(scope="module")
def demo(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Served]:
    """The demo household's larder, served once for the tests that only look."""
    served = Served(tmp_path_factory.mktemp("demo") / "demo.db", "demo").start()
    yield served
    served.kill()


@pytest.fixture
def context(browser: Browser) -> Iterator[BrowserContext]:
    context = browser.new_context(viewport={"width": 1280, "height": 800}, color_scheme="light", locale="en-GB")
    context.set_default_timeout(8000)
    yield context
    context.close()


@pytest.fixture
def page(context: BrowserContext) -> Iterator[Page]:
    """A page that fails the test if anything goes wrong in it unseen."""
    page = context.new_page()
    wrong: list[str] = []
    page.on("pageerror", lambda error: wrong.append(str(error)))
    page.on("console", lambda said: wrong.append(said.text) if _is_mistake(said) else None)
    yield page
    assert wrong == []


def put_on_bench(page: Page, served: Served, line: str) -> None:
    """Type a line on the bench and wait for its plan."""
    page.goto(f"{served.url}/bench")
    page.get_by_role("combobox", name="What is on the bench").fill(line)
    expect(page.get_by_role("region", name="Verdict")).to_be_visible()


def _is_mistake(said: ConsoleMessage) -> bool:
    return said.type == "error" and UNSEEN not in said.text
