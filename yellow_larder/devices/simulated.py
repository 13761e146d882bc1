"""Stand-ins for instruments: they settle, drift and fail as real ones do."""

from __future__ import annotations

import math
import time
from collections.abc import Callable
from enum import StrEnum
from random import Random

from yellow_larder.core.units import G_PER_OUNCE
from yellow_larder.devices.scale import TARE

_SETTLES_S = 0.35
_LINES_A_SECOND = 5.0
_NOISE_G = 0.12
_DRIFT_G_PER_MINUTE = 0.15
_MOST_G = 5000.0
"""How a kitchen scale of 5 kg behaves. Source: our judgement."""

_DAY_S = 86_400.0


class Trouble(StrEnum):
    """What can be wrong with an instrument."""

    NONE = "none"
    SILENT = "sends nothing"
    NONSENSE = "sends nonsense"


class SimulatedScale:
    """A scale of 5 kg that settles, drifts a little, and can fail.

    Args:
        clock: seconds, going forward.
        seed: for its noise.
        unit: g or oz.
    """

    def __init__(self, clock: Callable[[], float] = time.monotonic, *, seed: int = 1, unit: str = "g") -> None:
        self._clock, self._random = clock, Random(seed)
        self.unit = unit
        self.trouble = Trouble.NONE
        self._on_g = self._before_g = self._zero_g = 0.0
        self._put_at = self._tared_at = clock()

    def put(self, grams: float) -> None:
        """Lay something on it, or take it off."""
        self._before_g, self._on_g, self._put_at = self._shown_g(), grams, self._clock()

    def readline(self) -> bytes:
        """What it sends now."""
        if self.trouble is Trouble.SILENT:
            return b""
        if self.trouble is Trouble.NONSENSE:
            return bytes(self._random.randrange(33, 127) for _ in range(7)) + b"\r\n"
        if self._on_g > _MOST_G:
            return b"OVER\r\n"
        drift = _DRIFT_G_PER_MINUTE * (self._clock() - self._tared_at) / 60
        grams = self._shown_g() - self._zero_g + min(drift, 3.0) + self._random.gauss(0, _NOISE_G)
        if self.unit == "oz":
            return f"{grams / G_PER_OUNCE:+.2f} oz\r\n".encode()
        return f"{round(grams):+d} g\r\n".encode()

    def write(self, data: bytes, /) -> int | None:
        """Take a command: TARE."""
        if data == TARE:
            self._zero_g, self._tared_at = self._on_g, self._clock()
        return len(data)

    def _shown_g(self) -> float:
        """What lies on it, as the pan still swings."""
        gone = self._clock() - self._put_at
        return self._on_g + (self._before_g - self._on_g) * math.exp(-gone / _SETTLES_S)


class SimulatedHygrometer:
    """A room that is warmer and drier by day than by night.

    Args:
        clock: seconds, going forward.
        mean_c: its mean temperature.
        humidity: its mean humidity, 0–1.
    """

    def __init__(self, clock: Callable[[], float] = time.time, *, mean_c: float = 18.5, humidity: float = 0.58) -> None:
        self._clock, self._mean_c, self._humidity = clock, mean_c, humidity
        self.trouble = Trouble.NONE

    def hang_in(self, mean_c: float, humidity: float) -> None:
        """Hang it in a room of another mean temperature, °C, and humidity, 0–1."""
        self._mean_c, self._humidity = mean_c, humidity

    def readline(self) -> bytes:
        """What it sends now."""
        if self.trouble is Trouble.SILENT:
            return b""
        if self.trouble is Trouble.NONSENSE:
            return b"-- C -- %\r\n"
        swing = math.sin(2 * math.pi * (self._clock() % _DAY_S) / _DAY_S - 2.3)
        humidity = min(max(100 * self._humidity - 6 * swing, 2.0), 99.0)
        return f"{self._mean_c + 1.5 * swing:.1f} C {humidity:.0f} %\r\n".encode()

    def write(self, data: bytes, /) -> int | None:
        """It takes no commands."""
        return len(data)


class SimulatedLabelPrinter:
    """A printer with a roll of labels: it keeps what it printed last, to be looked at."""

    def __init__(self, *, roll: int = 60) -> None:
        self.roll = self._full = roll
        self.trouble = Trouble.NONE
        self.last = b""
        self._answer, self._wanted, self._bytes = b"", 0, 0

    def new_roll(self) -> None:
        """Put a full roll in."""
        self.roll = self._full

    def readline(self) -> bytes:
        """Its answer to the last job."""
        answer, self._answer = self._answer, b""
        return answer

    def write(self, data: bytes, /) -> int | None:
        """Take the line before a job, or the job."""
        if self.trouble is not Trouble.NONE:
            self._answer = b"" if self.trouble is Trouble.SILENT else b"?!\r\n"
        elif data.startswith(b"LABELS "):
            self._wanted, self._bytes = (int(each) for each in data.split()[1:3])
        elif len(data) == self._bytes:
            done = min(self._wanted, self.roll)
            self.roll -= done
            short = self._wanted - done
            self.last = data if done else self.last
            self._answer = f"EMPTY {short}\r\n".encode() if short else f"OK {self.roll}\r\n".encode()
        return len(data)
