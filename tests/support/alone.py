"""Asynchronous work in a thread of its own: a browser's tests leave a loop running in the main one."""

from __future__ import annotations

from collections.abc import Awaitable, Callable
from concurrent.futures import ThreadPoolExecutor
from typing import TypeVar

import anyio

_T = TypeVar("_T")


def alone(work: Callable[[], Awaitable[_T]]) -> _T:
    """Run it to its end, and hand back what it came to."""
    with ThreadPoolExecutor(1) as pool:
        return pool.submit(anyio.run, work).result()
