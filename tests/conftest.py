from __future__ import annotations

import gc
import os
import shutil
import sys
import time
from collections.abc import Generator, Iterator
from datetime import datetime
from pathlib import Path
from typing import TYPE_CHECKING, Any

import portalocker
import pytest
from hypothesis import settings

# The one who hands the tests out reads this too, and needs nothing of the program: it is imported where it is used.
if TYPE_CHECKING:
    from fastapi.testclient import TestClient
    from sqlalchemy import Engine

    from yellow_larder.features.household.larder import Larder

# Most tests need no disk: where there is memory to write to, that is quicker. What is durable is tested by killing.
if os.access("/dev/shm", os.W_OK):
    os.environ.setdefault("PYTEST_DEBUG_TEMPROOT", "/dev/shm")

# Days are those of the machine's own clock, which is UTC for every test that does not set another.
os.environ["TZ"] = "UTC"
time.tzset()

# How long an example takes says something of the machine, nothing of the code: `make bench` measures.
settings.register_profile("untimed", deadline=None)
settings.load_profile("untimed")

NOON = datetime(2026, 11, 24, 12)


class Clock:
    """A clock that the test sets."""

    def __init__(self) -> None:
        self.now = NOON

    def __call__(self) -> datetime:
        return self.now


@pytest.hookimpl(wrapper=True)
def pytest_collection() -> Generator[None, object, object]:
    """What is collected stays: to look through it for garbage again and again takes a third of the time to collect.

    And what a test leaves is looked for as seldom as in the program that is served: a sixteenth of the time to test.
    """
    gc.disable()
    gc.set_threshold(50_000, 10, 10)
    try:
        return (yield)
    finally:
        gc.freeze()
        gc.enable()


def pytest_sessionfinish() -> None:
    if "tests.support.apps" in sys.modules:
        sys.modules["tests.support.apps"].close_portal()


@pytest.fixture
def clock() -> Clock:
    return Clock()


@pytest.fixture(scope="session")
def new_file(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """The file of a new larder with its one pantry, opened at noon; made once, and copied for each test."""
    from yellow_larder.features.household.larder import open_larder

    file = tmp_path_factory.mktemp("new") / "larder.db"
    open_larder(file, Clock()).close()
    return file


_COMPILED: dict[Any, Any] = {}


def share_statements(engine: Engine) -> None:
    """Let an engine use the statements that those before it have compiled: a tenth of the time of most tests."""
    engine.dialect = _COMPILED.setdefault("dialect", engine.dialect)
    engine.update_execution_options(compiled_cache=_COMPILED)


@pytest.fixture
def larder(new_file: Path, tmp_path: Path, clock: Clock) -> Iterator[Larder]:
    """A new larder with its one pantry."""
    from yellow_larder.features.household.larder import open_larder

    with open_larder(Path(shutil.copy(new_file, tmp_path / "larder.db")), clock) as larder:
        share_statements(larder.engine)
        yield larder


@pytest.fixture
def client(larder: Larder) -> TestClient:
    """The web interface over that larder."""
    from tests.support.apps import client_of

    return client_of(larder)


@pytest.fixture(scope="session")
def furnished(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """The file of the demo household's larder, made once for all workers."""
    from yellow_larder.demo.household import furnish

    mine = tmp_path_factory.getbasetemp()
    folder = mine.parent if "PYTEST_XDIST_WORKER" in os.environ else mine
    file = folder / "furnished.db"
    with portalocker.Lock(folder / "furnished.lock", timeout=120):
        if not file.exists():
            furnish(folder / "furnishing.db").close()
            (folder / "furnishing.db").rename(file)
    return file
