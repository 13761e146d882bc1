"""Warm spells: the days that cost most."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from yellow_larder.core.climate.log import ClimateLog

BREAK_DAYS = 2
"""As many cooler days do not end a warm spell. Source: our judgement."""


@dataclass(frozen=True, slots=True)
class Spell:
    """Warm days in a row.

    Attributes:
        since: the first day, as a day number of the common calendar.
        until: the day after the last one.
        days: how many of them were warm.
        warmest_c: the warmest hour, °C.
    """

    since: int
    until: int
    days: int
    warmest_c: float


def warm_spells(log: ClimateLog, above_c: float) -> list[Spell]:
    """Days in a row whose warmest hour was above a temperature; a day or two of less between do not end a spell.

    Args:
        log: what was measured.
        above_c: the temperature, °C.

    Returns:
        The spells, the first first.

    Example:
        >>> from yellow_larder.core.climate.log import log_of
        >>> noon = np.array([20.0, 31, 20, 34, 33, 20, 20, 20, 32])
        >>> log = log_of(24 * np.arange(100, 109) + 12, noon, np.full(9, np.nan))
        >>> [(each.since, each.until, each.days, each.warmest_c) for each in warm_spells(log, 30)]
        [(101, 105, 3, 34.0), (108, 109, 1, 32.0)]

    Source: our judgement.
    """
    warmest = np.where(np.isfinite(log.by_day), log.by_day, -np.inf).max(axis=1)
    warm = np.flatnonzero(warmest > above_c)
    runs = np.split(warm, np.flatnonzero(np.diff(warm) > BREAK_DAYS + 1) + 1) if len(warm) else []
    first = log.first_day
    return [Spell(first + int(run[0]), first + int(run[-1]) + 1, len(run), float(warmest[run].max())) for run in runs]
