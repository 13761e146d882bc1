"""The web interface over one larder after the other: making one anew takes half a second, and no test needs that."""

from contextlib import ExitStack
from functools import cache
from pathlib import Path

from anyio.from_thread import BlockingPortal, start_blocking_portal
from fastapi import FastAPI
from fastapi.testclient import TestClient

from yellow_larder.api.app import make_app
from yellow_larder.api.devices import Devices, simulated_devices
from yellow_larder.features.household.larder import Larder

_MADE: dict[Path | None, FastAPI] = {}


def app_over(larder: Larder, web: Path | None = None, instruments: Devices | None = None) -> FastAPI:
    """The application over this larder from now on, with new instruments; whoever holds it sees this one."""
    app = _MADE.get(web) or _MADE.setdefault(web, make_app(larder, web))
    hand_over(app, larder, instruments)
    return app


def hand_over(app: FastAPI, larder: Larder, instruments: Devices | None = None) -> None:
    """Another larder behind the same application, and new instruments beside it."""
    app.state.larder = larder
    app.state.devices = instruments or simulated_devices()


def client_of(
    larder: Larder,
    web: Path | None = None,
    instruments: Devices | None = None,
    host: str = "127.0.0.1",
    raising: bool = True,
) -> TestClient:
    """Whoever asks over the web interface; `raising` what goes wrong inside, or shown the answer that others are."""
    app = app_over(larder, web, instruments)
    client = TestClient(app, base_url=f"http://{host}", raise_server_exceptions=raising)
    client.portal = _portal()
    return client


_OPEN = ExitStack()


@cache
def _portal() -> BlockingPortal:
    # One loop and its threads for all of them, as a server has: a quarter of a small request was starting its own.
    return _OPEN.enter_context(start_blocking_portal())


def close_portal() -> None:
    """The tests are over."""
    _OPEN.close()
