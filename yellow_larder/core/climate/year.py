"""The year of a place: what its temperatures are taken for on a day on which nobody measured them."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.climate.log import ClimateLog

YEAR_DAYS = 365.2425

_WEEK = 7
_GUESS_C = 3.0
"""How far off the year that somebody wrote from memory may be. Source: our judgement."""
_WEEK_C = 2.0
"""How far a week of a place is from its year: one summer is hot and another cool. Source: our judgement."""
_GUESS_HUMIDITY = 0.10
_WEEK_HUMIDITY = 0.08


@dataclass(frozen=True, slots=True)
class Year:
    """The year of a place.

    Attributes:
        mean_c: mean temperature, °C.
        swing_c: how far the warmest lies above it, °C, 0 or more.
        warmest_month: month of the warmest day, taken as its middle, 1–12.
        humidity: relative humidity, 0–1.
    """

    mean_c: float
    swing_c: float
    warmest_month: int
    humidity: float


def season(days: NDArray[np.floating[Any]]) -> Numbers:
    """Where days lie in the year, in radians from its first of January.

    Args:
        days: day numbers of the common calendar, of which day 1 is a first of January.

    Source: a sinusoid of one year.
    """
    return np.asarray(2 * np.pi * (days - 1) / YEAR_DAYS, dtype=np.float64)


def fit_year(log: ClimateLog, guess: Year) -> Year:
    """The year of a place from what was measured there and what somebody took it for.

    A few weeks change it a little, and a year or more hardly listens to the guess. Each week counts as one
    measurement, since its days are alike.

    Args:
        log: what was measured.
        guess: what the place was taken for before.

    Returns:
        The year; as it was guessed if there is not a week that was measured for the better part.

    Example:
        >>> guess = Year(15, 5, 7, 0.5)
        >>> day = np.repeat(np.arange(739_000, 739_000 + 3 * 365), 24)
        >>> warm = 18 + 9 * np.cos(season(day) - 2 * np.pi * 7.5 / 12)
        >>> log = ClimateLog(739_000 * 24, warm, np.full(len(warm), 0.6))
        >>> found = fit_year(log, guess)
        >>> round(found.mean_c), round(found.swing_c), found.warmest_month, round(found.humidity, 2)
        (18, 9, 8, 0.6)

    Source: linear regression on one harmonic with a normal prior (Bishop, Pattern Recognition and Machine Learning,
    2006, 3.3.1, from memory).
    """
    days, weeks = _by_week(log)
    if not len(days):
        return guess
    angle = season(days)
    phase = 2 * np.pi * (guess.warmest_month - 0.5) / 12
    prior = np.array([guess.mean_c, guess.swing_c * math.cos(phase), guess.swing_c * math.sin(phase)])
    each = np.stack([np.ones(len(days)), np.cos(angle), np.sin(angle)], axis=1)
    sure, unsure = 1 / _WEEK_C**2, 1 / _GUESS_C**2
    mean, cosine, sine = np.linalg.solve(
        each.T @ each * sure + np.eye(3) * unsure, each.T @ weeks[:, 0] * sure + prior * unsure
    ).tolist()
    month = math.floor(math.atan2(sine, cosine) / (2 * math.pi) * 12) % 12 + 1
    swing = math.hypot(cosine, sine)
    return Year(mean, swing, month, _humidity(weeks[:, 1], guess.humidity))


def _humidity(weeks: Numbers, guess: float) -> float:
    told = weeks[np.isfinite(weeks)]
    sure, unsure = 1 / _WEEK_HUMIDITY**2, 1 / _GUESS_HUMIDITY**2
    return float((told.sum() * sure + guess * unsure) / (len(told) * sure + unsure))


def _by_week(log: ClimateLog) -> tuple[Numbers, Numbers]:
    """The middle day of each week that was measured for the better part, and the means of both measures in it."""
    size = _WEEK * 24
    columns = []
    for values in (log.temperature_c, log.humidity):
        whole = np.pad(values, (0, -len(values) % size), constant_values=np.nan).reshape(-1, size)
        told = np.isfinite(whole)
        total = np.where(told, whole, 0.0).sum(axis=1)
        columns.append(
            np.divide(total, told.sum(axis=1), out=np.full(len(whole), np.nan), where=told.mean(axis=1) > 0.5)
        )
    weeks = np.stack(columns, axis=1)
    days = log.first_hour / 24 + _WEEK * (np.arange(len(weeks)) + 0.5)
    measured = np.isfinite(weeks[:, 0])
    return days[measured], weeks[measured]
