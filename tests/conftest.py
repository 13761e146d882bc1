from __future__ import annotations

import os
import time
from collections.abc import Iterator
from datetime import datetime
from pathlib import Path

import pytest
from fastapi.testclient import TestClient

from yellow_larder.api.app import make_app
from yellow_larder.larder.larder import Larder, open_larder

# Days are those of the machine's own clock, which is UTC for every test that does not set another.
os.environ["TZ"] = "UTC"
time.tzset()

NOON = datetime(2026, 11, 24, 12)


class Clock:
    """A clock that the test sets."""

    def __init__(self) -> None:
        self.now = NOON

    def __call__(self) -> datetime:
        return self.now


@pytest.fixture
def clock() -> Clock:
    return Clock()


@pytest.fixture
def larder(tmp_path: Path, clock: Clock) -> Iterator[Larder]:
    """A new larder with its one pantry."""
    larder = open_larder(tmp_path / "larder.db", clock)
    yield larder
    larder.engine.dispose()


@pytest.fixture
def client(larder: Larder) -> TestClient:
    """The web interface over that larder."""
    return TestClient(make_app(larder), base_url="http://127.0.0.1")
