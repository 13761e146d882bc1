"""Work that takes seconds, and that nobody may be waiting for any more."""

from __future__ import annotations

from contextvars import ContextVar
from threading import Event


class GivenUp(Exception):
    """Whoever asked has left; the answer is not wanted any more."""


LEFT: ContextVar[Event | None] = ContextVar("left", default=None)
"""Is set once whoever asked has left; none if nobody says so."""


def still_wanted() -> None:
    """Go on only if somebody still waits for the answer: called between the steps of long work.

    Raises:
        GivenUp: nobody does.
    """
    left = LEFT.get()
    if left is not None and left.is_set():
        raise GivenUp
