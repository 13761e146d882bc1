"""What stands before every request: where it comes from, how much it is, whether its text can be kept.

And what goes with every answer: headers that keep other pages out, and a plain sentence for whatever went wrong.
"""

from __future__ import annotations

import hashlib
import json
import logging
import math
import time
from collections.abc import Awaitable, Callable, Iterator, Mapping
from contextvars import ContextVar
from dataclasses import dataclass
from typing import Any
from urllib.parse import urlsplit

from starlette.datastructures import Headers, MutableHeaders
from starlette.responses import Response
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from yellow_larder.api.problems import FieldProblem, problem

LARGEST_REQUEST = 8 * 1024 * 1024

LARGEST_LOG = 64 * 1024 * 1024
"""A data logger's file of ten years."""

LARGEST_NUMBER = 1e9
"""Nothing in a household is counted, weighed or numbered higher: a thousand tonnes in grams."""

DEEPEST = 20
"""Brackets within brackets; nothing that is asked here needs more than five."""

LONGEST_KEY = 80

ACTED = "Larder-Acted"
"""On what an act is answered with: the same again at once is the same press; a question may be asked again."""

_HEADERS = {
    "Content-Security-Policy": "frame-ancestors 'none'",
    "Cross-Origin-Resource-Policy": "same-origin",
    "Referrer-Policy": "no-referrer",
    "X-Content-Type-Options": "nosniff",
}

_log = logging.getLogger(__name__)


@dataclass(frozen=True, slots=True)
class Asked:
    """A request that can be sent again and is answered once.

    Attributes:
        key: what it calls itself.
        digest: SHA-256 of what it asks.
    """

    key: str
    digest: str


ASKED: ContextVar[Asked | None] = ContextVar("asked", default=None)
"""The request under way, if it came with a key."""


LEAVING: ContextVar[Callable[[], Awaitable[None]] | None] = ContextVar("leaving", default=None)
"""Waits until whoever asked has left."""


class Guard:
    """The outermost of the application: nothing reaches the rest unread, nothing leaves it without its headers."""

    def __init__(self, app: ASGIApp) -> None:
        self._app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Answer one request."""
        if scope["type"] != "http":
            await self._app(scope, receive, send)
            return
        start, answered = time.perf_counter(), False

        async def send_with_headers(message: Message) -> None:
            nonlocal answered
            if message["type"] == "http.response.start":
                answered = True
                headers = MutableHeaders(scope=message)
                for name, value in _HEADERS.items():
                    headers.setdefault(name, value)
                if getattr(scope.get("endpoint"), "acts", False):
                    headers[ACTED] = "1"
                took = (time.perf_counter() - start) * 1000
                headers["Server-Timing"] = f"app;dur={took:.1f}"
                if scope["method"] not in ("GET", "HEAD"):
                    # An address as Python would write it: nobody makes a second line of his own.
                    _log.info("%s %r: %d in %.1f ms", scope["method"], scope["path"], message["status"], took)
            await send(message)

        try:
            refused = _refused(scope) or await self._pass_on(scope, receive, send_with_headers)
        except Exception:
            # Whatever it is, the person is told that it is the larder's fault, and that nothing was saved.
            _log.critical("%s %r failed", scope["method"], scope["path"], exc_info=True)
            if answered:
                raise
            refused = problem(
                500,
                "Something went wrong in the larder",
                "The larder made a mistake, and nothing was saved. Try again; what happened is in its log",
            )
        if refused is not None:
            await refused(scope, receive, send_with_headers)

    async def _pass_on(self, scope: Scope, receive: Receive, send: Send) -> Response | None:
        """Read the whole body, and pass the request on if it can be kept; what it is answered if not."""
        most = LARGEST_LOG if scope["path"].endswith("/log") else LARGEST_REQUEST
        body = await _whole_body(receive, most)
        if body is None:
            return problem(413, "Request too large", f"That is more than {most // 1024**2} MB")
        headers = Headers(scope=scope)
        is_json = not headers.get("content-type", "").startswith(("image/", "text/csv"))
        wrong = what_is_wrong(body) if body and is_json else None
        key = headers.get("idempotency-key", "")
        if len(key) > LONGEST_KEY:
            wrong = FieldProblem(field="request", message=f"An idempotency key has {LONGEST_KEY} letters at most")
        if wrong is not None:
            return problem(422, "That can't be done", wrong.message, [wrong])
        asked = None
        if key and scope["method"] not in ("GET", "HEAD"):
            what = f"{scope['method']} {scope['path']}?".encode() + scope.get("query_string", b"") + b"\n" + body
            asked = Asked(key, hashlib.sha256(what).hexdigest())

        read = False

        async def left() -> None:
            while (await receive())["type"] != "http.disconnect":
                pass

        async def receive_again() -> Message:
            nonlocal read
            if read:
                return await receive()
            read = True
            return {"type": "http.request", "body": body, "more_body": False}

        tokens = ASKED.set(asked), LEAVING.set(left)
        try:
            await self._app(scope, receive_again, send)
        finally:
            ASKED.reset(tokens[0])
            LEAVING.reset(tokens[1])
        return None


async def _whole_body(receive: Receive, most: int) -> bytes | None:
    """The body, counted as it comes, whatever its header says; none if it is too large."""
    body = bytearray()
    more = True
    while more:
        message = await receive()
        body += message.get("body", b"")
        if len(body) > most:
            return None
        more = message["type"] == "http.request" and message.get("more_body", False)
    return bytes(body)


def _refused(scope: Scope) -> Response | None:
    """What another site's page sends is refused, and an address that cannot be one."""
    headers = Headers(scope=scope)
    origin = headers.get("origin")
    if origin is not None and not _is_here(origin, headers):
        return problem(403, "Not from here", "Only this larder's own pages may change it")
    if "\0" in scope["path"] or b"%00" in scope.get("query_string", b""):
        return problem(404, "Not found", "There is nothing at this address")
    return None


def _is_here(origin: str, headers: Mapping[str, str]) -> bool:
    try:
        said = urlsplit(origin)
        return said.scheme in ("http", "https") and said.netloc == headers.get("host")
    except ValueError:
        return False


def what_is_wrong(body: bytes) -> FieldProblem | None:
    r"""What in a JSON body could not be kept, and where; none if all could, or if it is no JSON at all.

    Example:
        >>> what_is_wrong(b'{"name": "half a pair: \\ud83d"}').field
        'name'
        >>> what_is_wrong(b'{"ask": {"lot": 99999999999999999999}}').field
        'lot'
        >>> what_is_wrong(b'{"line": "2 kg oats"}')
    """
    try:
        said = json.loads(body)
    except RecursionError:
        return FieldProblem(field="request", message="Brackets are nested too deeply")
    except ValueError:
        return None  # said by whoever reads it next
    return next(_wrong_in(said, "request", 0), None)


def _wrong_in(said: Any, field: str, depth: int) -> Iterator[FieldProblem]:
    if depth > DEEPEST:
        yield FieldProblem(field=field, message="Brackets are nested too deeply")
    elif isinstance(said, dict):
        for name, value in said.items():
            yield from _wrong_in(name, field, depth + 1)
            yield from _wrong_in(value, str(name)[:80] if name.isprintable() else field, depth + 1)
    elif isinstance(said, list):
        for value in said:
            yield from _wrong_in(value, field, depth + 1)
    elif isinstance(said, str):
        if not _can_be_kept(said):
            yield FieldProblem(field=field, message="The text holds a character that cannot be saved or printed")
    elif isinstance(said, int | float) and not (math.isfinite(said) and abs(said) <= LARGEST_NUMBER):
        yield FieldProblem(field=field, message="Enter a number of at most 1,000,000,000")


def _can_be_kept(text: str) -> bool:
    """No half of a surrogate pair, which is no text; no control signs but tabs and line breaks."""
    if text.isascii() and text.isprintable():
        return True
    return not any((c < " " and c not in "\t\n\r") or c == "\x7f" or "\ud800" <= c <= "\udfff" for c in text)
