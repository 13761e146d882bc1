"""A kitchen scale: lines such as "+412.6 g" read until they stand still."""

from __future__ import annotations

import math
import re
from collections import deque
from dataclasses import dataclass
from enum import StrEnum
from threading import Lock

from yellow_larder.core.units import G_PER_OUNCE, G_PER_POUND
from yellow_larder.devices.wire import Wire

TARE = b"TARE\r\n"

_GRAMS = {"g": 1.0, "kg": 1000.0, "oz": G_PER_OUNCE, "lb": G_PER_POUND}
"""Grams in a unit. Source: NIST Handbook 44, appendix C."""

_LINE = re.compile(rb"^\s*([+-]?\s*\d{1,6}(?:\.\d{1,4})?)\s*(kg|g|oz|lb)\s*$", re.IGNORECASE)
_OVER = re.compile(rb"^\s*OVER\s*$", re.IGNORECASE)

_STILL = 4
"""Lines in a row that have to agree. Source: our judgement, under a second of a scale that sends five a second."""

_LINES_A_LOOK = 2
_MOST_G = 60_000.0


class State(StrEnum):
    """What a look at the scale shows."""

    SETTLED = "settled"
    MOVING = "moving"
    SILENT = "no reading"
    NONSENSE = "nonsense"
    OVER = "overloaded"


@dataclass(frozen=True, slots=True)
class Reading:
    """A look at the scale: its state, and the weight if there is one, g."""

    state: State
    grams: float | None


def parse_weight(line: bytes) -> float | None:
    """The weight a line tells, g; none if it tells none.

    Example:
        >>> parse_weight(b"+412.6 g"), parse_weight(b" 1.5 lb "), parse_weight(b"4x2 g")
        (412.6, 680.388555, None)
    """
    found = _LINE.match(line)
    if found is None:
        return None
    grams = float(found[1].replace(b" ", b"")) * _GRAMS[found[2].decode().lower()]
    return grams if math.isfinite(grams) and abs(grams) <= _MOST_G else None


class Scale:
    """A scale on a wire.

    Args:
        wire: what it hangs on.
        division: what it tells apart, g.
    """

    def __init__(self, wire: Wire, *, division: float = 1.0) -> None:
        self._wire, self._division = wire, division
        self._seen: deque[float] = deque(maxlen=_STILL)
        self._lock = Lock()

    def look(self) -> Reading:
        """Read what it sent since; nonsense and silence are told as such, and no old weight is kept."""
        with self._lock:
            for _ in range(_LINES_A_LOOK):
                state = self._take(self._wire.readline())
                if state is not None:
                    self._seen.clear()
                    return Reading(state, None)
            last = self._seen[-1]
            still = len(self._seen) == _STILL and max(self._seen) - min(self._seen) <= self._division * 1.001
            return Reading(State.SETTLED if still else State.MOVING, last)

    def tare(self) -> None:
        """Call what lies on it nothing."""
        with self._lock:
            self._seen.clear()
            self._wire.write(TARE)

    def _take(self, line: bytes) -> State | None:
        if not line.strip():
            return State.SILENT
        if _OVER.match(line):
            return State.OVER
        grams = parse_weight(line)
        if grams is None:
            return State.NONSENSE
        self._seen.append(grams)
        return None
