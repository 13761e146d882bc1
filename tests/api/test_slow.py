"""What takes seconds goes two at a time, lets what is quick pass, and is dropped once nobody waits for it."""

import threading
from collections.abc import Awaitable, Callable
from functools import partial
from typing import Any

import anyio
import httpx
import pytest
from fastapi import FastAPI

from tests.support.alone import alone
from yellow_larder.api.guard import Guard
from yellow_larder.api.routing import SLOW_AT_ONCE, larder_router, slow
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.household.patience import GivenUp, still_wanted
from yellow_larder.features.packing.proposals import WantedLine, propose_packing
from yellow_larder.words.errors import Refused


class Kitchen:
    """An application with one slow thing to ask for, which is done once the pot is off the fire, and one quick one."""

    def __init__(self) -> None:
        self.now, self.most, self.done, self.given_up = 0, 0, 0, 0
        self.off_the_fire = threading.Event()
        self._lock = threading.Lock()
        router = larder_router()

        @router.get("/slow")
        @slow
        def cook() -> int:
            with self._lock:
                self.now += 1
                self.most = max(self.most, self.now)
            try:
                while not self.off_the_fire.wait(0.01):
                    still_wanted()
                self.done += 1
            except GivenUp:
                self.given_up += 1
                raise
            finally:
                with self._lock:
                    self.now -= 1
            return self.done

        @router.get("/quick")
        def taste() -> str:
            return "salt"

        @router.get("/wrong")
        @slow
        def burn() -> None:
            raise Refused("line", "It is burnt")

        app = FastAPI()
        app.include_router(router)
        self.app = Guard(app)

    async def busy(self, with_as_many: int = SLOW_AT_ONCE) -> None:
        """Until so many are cooked at once."""
        while self.now < with_as_many:
            await anyio.sleep(0.01)


def test_two_at_a_time_and_what_is_quick_passes() -> None:
    kitchen = Kitchen()

    async def run() -> None:
        transport = httpx.ASGITransport(app=kitchen.app)  # type: ignore[arg-type]
        async with (
            httpx.AsyncClient(transport=transport, base_url="http://127.0.0.1") as client,
            anyio.create_task_group() as tasks,
        ):
            for _ in range(10):
                tasks.start_soon(client.get, "/slow")
            await kitchen.busy()
            assert (await client.get("/quick")).json() == "salt"
            assert kitchen.done == 0
            kitchen.off_the_fire.set()

    alone(run)
    assert (kitchen.most, kitchen.done) == (SLOW_AT_ONCE, 10)


def test_a_refusal_of_slow_work_is_a_refusal() -> None:
    kitchen = Kitchen()

    async def run() -> None:
        transport = httpx.ASGITransport(app=kitchen.app)  # type: ignore[arg-type]
        async with httpx.AsyncClient(transport=transport, base_url="http://127.0.0.1") as client:
            # Not a group of errors, which a group of tasks makes of it.
            with pytest.raises(Refused, match="It is burnt"):
                await client.get("/wrong")

    alone(run)


@pytest.mark.parametrize("waiting", [False, True], ids=["while it works", "while it waits for its turn"])
def test_it_is_dropped_when_whoever_asked_has_left(waiting: bool) -> None:
    kitchen = Kitchen()

    async def ask(leaves: Callable[[], Awaitable[None]]) -> None:
        scope = {
            "type": "http",
            "method": "GET",
            "path": "/slow",
            "headers": [],
            "query_string": b"",
            "raw_path": b"/slow",
        }
        came = False

        async def receive() -> dict[str, Any]:
            nonlocal came
            if not came:
                came = True
                return {"type": "http.request", "body": b"", "more_body": False}
            await leaves()
            return {"type": "http.disconnect"}

        async def send(_message: Any) -> None:
            pass

        await kitchen.app(scope, receive, send)  # type: ignore[arg-type]

    async def run() -> None:
        async with anyio.create_task_group() as tasks:
            if waiting:
                for _ in range(SLOW_AT_ONCE):
                    tasks.start_soon(ask, anyio.Event().wait)
                await kitchen.busy()
            # It comes back though the pot is still on the fire.
            await ask(partial(anyio.sleep, 0.1) if waiting else partial(kitchen.busy, 1))
            assert kitchen.done == 0
            kitchen.off_the_fire.set()

    alone(run)
    assert kitchen.given_up == (0 if waiting else 1)
    assert kitchen.done == (SLOW_AT_ONCE if waiting else 0)


def test_proposals_and_weeks_ask_whether_they_are_still_wanted(larder: Larder, monkeypatch: pytest.MonkeyPatch) -> None:
    asked: list[int] = []
    monkeypatch.setattr("yellow_larder.features.packing.proposals.still_wanted", lambda: asked.append(1))
    propose_packing(larder, [WantedLine(line="2 kg pearl barley"), WantedLine(line="2 kg red lentils")])
    assert len(asked) == 2
