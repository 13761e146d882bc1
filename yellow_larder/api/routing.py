"""Routes of the larder: whatever changes something is done once, however often it is sent."""

from __future__ import annotations

import asyncio
from collections.abc import Callable
from functools import lru_cache, partial, wraps
from threading import Event
from typing import Any, TypeVar, get_type_hints

from anyio import CapacityLimiter, create_task_group, to_thread
from fastapi import APIRouter, Depends, Response
from fastapi.routing import APIRoute
from pydantic import TypeAdapter

from yellow_larder.api.guard import ASKED, LEAVING
from yellow_larder.api.known_fields import only_known_fields
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.household.patience import LEFT, GivenUp
from yellow_larder.journal.database import AlreadyAnswered, KeyTaken, answered_once
from yellow_larder.words.errors import Refused

SLOW_AT_ONCE = 2
"""As many as there are cores in a small machine; whatever is quick has its own places."""

Endpoint = TypeVar("Endpoint", bound=Callable[..., Any])

_CHANGES = {"POST", "PUT", "DELETE", "PATCH"}


def asks(endpoint: Endpoint) -> Endpoint:
    """Mark what is sent as a change and is a question: nothing is saved, and it need not wait its turn."""
    endpoint.asks = True  # type: ignore[attr-defined]
    return endpoint


def slow(endpoint: Callable[..., Any]) -> Callable[..., Any]:
    """Mark what may take seconds: two at a time, in their order; dropped once whoever asked has left."""

    @wraps(endpoint)
    async def slowly(**given: Any) -> Any:
        left, leaving = Event(), LEAVING.get()
        token = LEFT.set(left)
        answer: Any = Response(status_code=503)
        failed: Exception | None = None
        try:
            async with create_task_group() as tasks:

                async def watch() -> None:
                    if leaving is not None:
                        await leaving()
                        left.set()
                        tasks.cancel_scope.cancel()

                tasks.start_soon(watch)
                try:
                    answer = await to_thread.run_sync(partial(endpoint, **given), limiter=_slow_ones())
                except GivenUp:
                    pass
                except Exception as error:
                    failed = error  # raised below: a group of tasks would wrap it
                tasks.cancel_scope.cancel()
        finally:
            LEFT.reset(token)
        if failed is not None:
            raise failed
        return answer

    return asks(slowly)


@lru_cache(maxsize=8)
def _limiter(_loop: object) -> CapacityLimiter:
    return CapacityLimiter(SLOW_AT_ONCE)


def _slow_ones() -> CapacityLimiter:
    """The places for slow work in the loop that runs."""
    return _limiter(asyncio.get_running_loop())


class _Route(APIRoute):
    def __init__(self, path: str, endpoint: Callable[..., Any], **how: Any) -> None:
        if _CHANGES & set(how.get("methods") or ()):
            how["dependencies"] = [Depends(only_known_fields), *(how.get("dependencies") or ())]
            if not hasattr(endpoint, "asks"):
                endpoint = _once(endpoint, how.get("status_code") or 200)
        super().__init__(path, endpoint, **how)


def larder_router(**how: Any) -> APIRouter:
    """A router whose changes are answered once if they come with a key (the header `Idempotency-Key`)."""
    return APIRouter(route_class=_Route, **how)


def _once(endpoint: Callable[..., Any], status: int) -> Callable[..., Any]:
    answer: TypeAdapter[Any] = TypeAdapter(get_type_hints(endpoint)["return"])

    @wraps(endpoint)
    def answer_once(**given: Any) -> Any:
        asked, larder = ASKED.get(), given.get("larder")
        if asked is None or not isinstance(larder, Larder):
            return endpoint(**given)
        try:
            with answered_once(larder.engine, asked.key, asked.digest, larder.clock()) as keep:
                value = endpoint(**given)
                keep(status, "" if status == 204 else answer.dump_json(value).decode())
                return value
        except AlreadyAnswered as before:
            said = before.answer
            return Response(said.body, status_code=said.status, media_type="application/json" if said.body else None)
        except KeyTaken as error:
            raise Refused("request", "Another request had this idempotency key: send it with its own") from error

    answer_once.acts = True  # type: ignore[attr-defined]
    # A route that is included elsewhere is made again from its endpoint, which is wrapped already.
    return asks(answer_once)
