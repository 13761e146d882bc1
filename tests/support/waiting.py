"""Waiting for what another process does, however slow the machine."""

from __future__ import annotations

import time
from collections.abc import Callable

LONG_S = 90.0
"""Longer than any machine takes that is not out of order."""


def until(done: Callable[[], bool]) -> None:
    """Wait until it is done.

    Raises:
        AssertionError: it is not done after `LONG_S`.
    """
    ends = time.monotonic() + LONG_S
    while not done():
        assert time.monotonic() < ends, "it was waited for in vain"
        time.sleep(0.01)
