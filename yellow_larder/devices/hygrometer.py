"""A thermo-hygrometer: lines such as "18.4 C 56 %"."""

from __future__ import annotations

import re
from dataclasses import dataclass

from yellow_larder.devices.wire import Wire

_LINE = re.compile(rb"^\s*(-?\d{1,3}(?:\.\d{1,2})?)\s*(C|F)\s+(\d{1,3}(?:\.\d{1,2})?)\s*%\s*$", re.IGNORECASE)
_COLDEST_C, _WARMEST_C = -10.0, 45.0
"""A room outside this is a broken probe, not a room. Source: our judgement."""


@dataclass(frozen=True, slots=True)
class Climate:
    """The air of a room: its temperature, °C, and relative humidity, 0–1."""

    temperature_c: float
    humidity: float


def parse_climate(line: bytes) -> Climate | None:
    """The climate a line tells; none if it tells none, or one that no room has.

    Example:
        >>> parse_climate(b"18.4 C 56 %"), parse_climate(b"180 C 56 %")
        (Climate(temperature_c=18.4, humidity=0.56), None)
    """
    found = _LINE.match(line)
    if found is None:
        return None
    degrees, humidity = float(found[1]), float(found[3]) / 100
    celsius = (degrees - 32) / 1.8 if found[2].upper() == b"F" else degrees
    if not _COLDEST_C <= celsius <= _WARMEST_C or not 0.01 <= humidity <= 1:
        return None
    return Climate(celsius, humidity)


class Hygrometer:
    """A thermo-hygrometer on a wire."""

    def __init__(self, wire: Wire) -> None:
        self._wire = wire

    def look(self) -> Climate | None:
        """The room's air now; none if the probe sends nothing, or nonsense."""
        return parse_climate(self._wire.readline())
