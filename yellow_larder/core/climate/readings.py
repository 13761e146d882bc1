"""What of a logger's readings can be believed."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from yellow_larder.core.arrays import Numbers

POSSIBLE_C = (-40.0, 70.0)
"""No place in a house is colder or warmer: a probe that tells so is broken or unplugged (−127 and 85 °C are what a
common sensor tells then). Source: common practice."""

STUCK_DAYS, STUCK_COARSE_DAYS = 7.0, 28.0
"""A sensor that shows the same figure for so long, to the last digit, is stuck; one of whole or half degrees may
well show the same in a cellar for weeks. Source: our judgement."""

_COARSE_C = 0.3


@dataclass(frozen=True, slots=True)
class Stuck:
    """A time in which a sensor showed the same to the last digit; times are hours, as they came."""

    since: float
    until: float
    temperature_c: float


def possible(temperature_c: Numbers) -> NDArray[np.bool_]:
    """Which of some readings a place in a house can have.

    Example:
        >>> possible(np.array([18.5, -127.0, 85.0, np.nan])).tolist()
        [True, False, False, False]

    Source: see `POSSIBLE_C`.
    """
    coldest, warmest = POSSIBLE_C
    return (temperature_c >= coldest) & (temperature_c <= warmest)


def stuck(hours: Numbers, temperature_c: Numbers) -> list[Stuck]:
    """Where a sensor was stuck.

    Args:
        hours: when each was read, hours from any moment, in order.
        temperature_c: what was read.

    Returns:
        The times, the first first.

    Example:
        >>> hours = np.arange(0.0, 24 * 20, 1)
        >>> shown = np.where((hours >= 100) & (hours < 300), 17.35, 17 + (hours % 24) / 10)
        >>> [(each.since, each.until, each.temperature_c) for each in stuck(hours, shown)]
        [(100.0, 299.0, 17.35)]

    Source: see `STUCK_DAYS`.
    """
    if len(hours) < 2:
        return []
    steps = np.abs(np.diff(temperature_c))
    moved = steps[steps > 1e-6]
    coarse = len(moved) > 0 and float(moved.min()) > _COARSE_C
    longest = 24 * (STUCK_COARSE_DAYS if coarse else STUCK_DAYS)
    starts = np.concatenate([[0], np.flatnonzero(steps > 1e-6) + 1])
    ends = np.concatenate([starts[1:] - 1, [len(hours) - 1]])
    long = np.flatnonzero(hours[ends] - hours[starts] >= longest)
    return [Stuck(*map(float, (hours[starts[n]], hours[ends[n]], temperature_c[starts[n]]))) for n in long]
