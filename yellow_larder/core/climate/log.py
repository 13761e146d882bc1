"""What was measured in a place, hour by hour."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from yellow_larder.core.arrays import Numbers

HOURS = 24

BRIDGED_HOURS = 26
"""A gap no longer than this is bridged by a straight line: somebody who reads a thermometer once a day leaves no gap.
Source: our judgement."""

Hours = NDArray[np.int64]


@dataclass(frozen=True, eq=False)
class ClimateLog:
    """What was measured in a place, an hour after the other.

    Attributes:
        first_hour: the first hour, counted from midnight before day 0 of the common calendar: 24 × day + hour.
        temperature_c: mean of each hour, °C; not a number where nothing was measured.
        humidity: relative humidity, 0–1; not a number where nothing was measured.
    """

    first_hour: int
    temperature_c: Numbers
    humidity: Numbers

    @property
    def first_day(self) -> int:
        """The day of the first hour, as a day number of the common calendar."""
        return self.first_hour // HOURS

    @property
    def by_day(self) -> Numbers:
        """Temperatures, °C: a row for each day, a column for each of its hours; made anew each time, being large."""
        before = self.first_hour - self.first_day * HOURS
        after = -(before + len(self.temperature_c)) % HOURS
        whole: Numbers = np.pad(self.temperature_c, (before, after), constant_values=np.nan)
        return whole.reshape(-1, HOURS)

    @cached_property
    def share_measured(self) -> Numbers:
        """The share of each day that was measured, 0–1, from the first day on."""
        share: Numbers = np.isfinite(self.by_day).mean(axis=1)
        return share

    @cached_property
    def _rates(self) -> dict[tuple[float, float], Numbers]:
        # With the log, and gone with it: the hours of ten years are megabytes, and each reading makes another log.
        return {}

    def rates(self, q10: float, reference_c: float) -> Numbers:
        """Days of life used on each day, for the hours that were measured alone.

        Args:
            q10: how many times faster a food ages 10 °C warmer, 1–5.
            reference_c: the temperature at which a day costs a day, °C.

        Returns:
            Days at that temperature, from the first day on; 0 for a day on which nothing was measured.

        Source: Q10 rule, hour by hour.
        """
        known = self._rates.get((q10, reference_c))
        if known is not None:
            return known
        by_hour = q10 ** ((self.by_day - reference_c) / 10)
        by_hour[np.isnan(by_hour)] = 0.0
        return self._rates.setdefault((q10, reference_c), by_hour.sum(axis=1) / HOURS)


def log_of(hours: Hours, temperature_c: Numbers, humidity: Numbers) -> ClimateLog:
    """A log from readings at any time and in any order.

    Args:
        hours: the hour of each reading, counted from midnight before day 0 of the common calendar; at least one.
        temperature_c: what was read, °C; may be not a number where only humidity was.
        humidity: relative humidity, 0–1; not a number where only temperature was read.

    Returns:
        The mean of each hour; gaps of up to `BRIDGED_HOURS` are bridged by a straight line.

    Example:
        Two readings within an hour, one two hours later, and one two days after that:

        >>> at = np.array([24, 24, 26, 74])
        >>> log = log_of(at, np.array([18.0, 20.0, 21.0, 15.0]), np.full(4, np.nan))
        >>> log.first_day, log.temperature_c[:4].tolist(), bool(np.isnan(log.humidity).all())
        (1, [19.0, 20.0, 21.0, nan], True)

    Source: our judgement.
    """
    first = int(hours.min())
    at = hours - first
    return ClimateLog(first, _bridged(_means(at, temperature_c)), _bridged(_means(at, humidity)))


def joined(parts: Sequence[tuple[Hours, Numbers, Numbers]]) -> tuple[Hours, Numbers, Numbers]:
    """Several logs of one place as one; where two have the same hour, the later one's word counts.

    Args:
        parts: hours, temperatures and humidities of each, an entry an hour.

    Returns:
        The same of all of them, by hour.

    Example:
        >>> first = (np.array([1, 2]), np.array([10.0, 11.0]), np.array([0.5, 0.5]))
        >>> second = (np.array([2, 3]), np.array([12.0, 13.0]), np.array([0.6, 0.6]))
        >>> [each.tolist() for each in joined([first, second])]
        [[1, 2, 3], [10.0, 12.0, 13.0], [0.5, 0.6, 0.6]]

    Source: our judgement.
    """
    hours, temperature, humidity = (np.concatenate(column[::-1]) for column in zip(*parts, strict=True))
    at, first = np.unique(hours, return_index=True)
    return at, temperature[first], humidity[first]


def hourly(hours: Hours, temperature_c: Numbers, humidity: Numbers) -> tuple[Hours, Numbers, Numbers]:
    """Readings as the means of the hours in which there were any, by hour; as for `log_of`.

    Example:
        >>> found = hourly(np.array([9, 5, 5]), np.array([1.0, 2.0, 4.0]), np.full(3, 0.5))
        >>> [each.tolist() for each in found]
        [[5, 9], [3.0, 1.0], [0.5, 0.5]]

    Source: our judgement.
    """
    first = int(hours.min())
    temperature, moist = (_means(hours - first, each) for each in (temperature_c, humidity))
    there = np.flatnonzero(np.isfinite(temperature) | np.isfinite(moist))
    return there + first, temperature[there], moist[there]


def _means(at: Hours, values: Numbers) -> Numbers:
    """The mean of each hour from the first on; not a number where there is none."""
    told = np.isfinite(values)
    size = int(at.max()) + 1
    count = np.bincount(at[told], minlength=size)
    total = np.bincount(at[told], weights=values[told], minlength=size)
    mean: Numbers = np.divide(total, count, out=np.full(size, np.nan), where=count > 0)
    return mean


def _bridged(values: Numbers) -> Numbers:
    told = np.flatnonzero(np.isfinite(values))
    if not len(told):
        return values
    every = np.arange(len(values))
    after = np.searchsorted(told, every)
    gap = told[np.minimum(after, len(told) - 1)] - told[np.maximum(after - 1, 0)]
    inside = (every >= told[0]) & (every <= told[-1]) & (gap <= BRIDGED_HOURS)
    line: Numbers = np.interp(every, told, values[told])
    return np.where(inside | np.isfinite(values), line, np.nan)
