"""How long a package keeps, and how much of that life is used up."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import StrEnum
from functools import lru_cache

import numpy as np

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.climate import ClimateLog, season
from yellow_larder.core.containers import Closing, Container, Material
from yellow_larder.core.days import DAYS_PER_YEAR
from yellow_larder.core.errors import check_range

REFERENCE_C = 21.0
"""The temperature base lives are told for, 70 °F. Source: common practice."""

COOL_STRETCH = 4 / 3
"""However cool the place, a life of decades is stretched no further than this: what is said to keep 30 years is
never promised for more than 40. Source: common practice, "25–30 years, some say 40"."""

LONGEST_DAYS = 1000 * DAYS_PER_YEAR
"""What would end later than in a thousand years has no end: no wall and no isotherm is known well enough to say more,
and a calendar has no such day. Source: our judgement."""

_UNSURE_C, _UNSURE_Q10 = 1.5, 0.2
"""How far off a place's temperature and a food's pace may be. Source: our judgement; paces of 1.8–2.5 are published
(Labuza, 1982, from memory)."""


class Estimate(StrEnum):
    """Whose word to take on how long food keeps."""

    CAUTIOUS = "cautious"
    CUSTOMARY = "customary"
    HOPEFUL = "hopeful"


class Packing(StrEnum):
    """How well a closed container keeps air, damp and light from its food: what base lives go by."""

    SHOP = "shop packet"
    AIR = "closed with air"
    VACUUM = "vacuum"
    CLEAR = "absorber in clear or thin film"
    GLASS = "absorber in glass"
    FOIL = "absorber in foil or can"


@dataclass(frozen=True, slots=True)
class Life:
    """Days a food keeps at 21 °C in one packing, by estimate; infinite for what does not age (sugar, salt)."""

    cautious: float
    customary: float
    hopeful: float

    def by(self, estimate: Estimate) -> float:
        """The days that one estimate gives."""
        return float(getattr(self, estimate.value))


THICK_MIL = 5.0
"""Film of this thickness or more stops air, damp and light for decades. Source: common practice."""


def packing_class(container: Container, closing: Closing) -> Packing:
    """The class of packing that base lives are told for.

    Args:
        container: what the food is in.
        closing: what was done about the air.

    Returns:
        The class.

    Example:
        >>> from yellow_larder.core.containers import Kind
        >>> jar = Container("j", "jar", Kind.JAR, capacity_ml=1000, height_mm=160, top_mm=90, base_mm=90)
        >>> packing_class(jar, Closing.VACUUM).value
        'vacuum'

    Source: common practice.
    """
    if container.from_the_shop:
        return Packing.SHOP
    if closing is Closing.LID:
        return Packing.AIR
    if closing is Closing.VACUUM:
        return Packing.VACUUM
    if container.made_of is Material.GLASS:
        return Packing.GLASS
    # How long plastic keeps oxygen out follows from its wall; while it does, it is as good as clear film.
    like_foil = container.made_of in (Material.FOIL, Material.STEEL)
    if not like_foil or (container.has_film and container.film_mil < THICK_MIL):
        return Packing.CLEAR
    return Packing.FOIL


def ageing_rate(mean_c: float, swing_c: float, q10: float) -> float:
    """Days of life used per day in a place whose temperature swings over the year.

    Args:
        mean_c: mean temperature of the year, °C, −40–60.
        swing_c: how far the warmest lies above the mean, °C, 0–30.
        q10: how many times faster the food ages 10 °C warmer, 1–5.

    Returns:
        Days at 21 °C that one day here is worth.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> ageing_rate(21, 0, 2), ageing_rate(31, 0, 2)
        (1.0, 2.0)
        >>> round(ageing_rate(21, 10, 2), 3)
        1.124

    Source: Q10 rule; its mean over a sinusoid is the modified Bessel function I0 (Abramowitz & Stegun 9.6.16).
    """
    check_range("mean_c", mean_c, -40, 60, "°C")
    check_range("swing_c", swing_c, 0, 30, "°C")
    check_range("q10", q10, 1, 5, "")
    steady = q10 ** ((mean_c - REFERENCE_C) / 10)
    return float(steady * _of_swing(q10, swing_c))


@lru_cache(maxsize=4096)
def _of_swing(q10: float, swing_c: float) -> float:
    """What a swing over the year makes of a rate; a household has few places and few kinds of food, asked of often."""
    return float(np.i0(math.log(q10) / 10 * swing_c))


@dataclass(frozen=True, slots=True, kw_only=True)
class Ageing:
    """How food ages in a place, day by day.

    Attributes:
        mean_c: mean temperature of the year, °C, −40–60.
        swing_c: how far the warmest lies above the mean, °C, 0–30.
        q10: how many times faster the food ages 10 °C warmer, 1–5.
        warmest_month: month of the warmest day, taken as its middle, 1–12.
        log: what was measured there; hours that were not are those of the year.

    Raises:
        OutOfRange: a figure is outside the range above.

    Source: Q10 rule, summed over the hours that were measured, and day by day over a sinusoid of one year.
    """

    mean_c: float
    swing_c: float
    q10: float
    warmest_month: int = 7
    log: ClimateLog | None = None

    def __post_init__(self) -> None:
        check_range("mean_c", self.mean_c, -40, 60, "°C")
        check_range("swing_c", self.swing_c, 0, 30, "°C")
        check_range("q10", self.q10, 1, 5, "")
        check_range("warmest_month", self.warmest_month, 1, 12, "")

    def used_days(self, since: Numbers, until: Numbers) -> Numbers:
        """Life that stretches of days cost.

        Args:
            since: days on which they begin, as day numbers of the common calendar (1 January of year 1 is 1).
            until: days on which they end, no earlier than they begin.

        Returns:
            Days at 21 °C that each is worth.

        Example:
            A summer and a winter of 91 days each, in a loft of 15 °C that swings by 14 °C:

            >>> from datetime import date
            >>> since = np.array([date(2026, 6, 1).toordinal(), date(2026, 12, 1).toordinal()])
            >>> used = Ageing(mean_c=15, swing_c=14, q10=2).used_days(since, since + 91)
            >>> [round(float(days)) for days in used]
            [144, 25]
        """
        first, used_by = self._used_by(since, until)
        spent: Numbers = used_by[until.astype(int) - first] - used_by[since.astype(int) - first]
        return spent

    def used_up_on(self, since: Numbers, until: Numbers, life_days: Numbers) -> Numbers:
        """When stretches of days had cost so much: the other way round from `used_days`.

        Args:
            since: days on which they begin, as day numbers.
            until: days on which they end, no earlier than they begin.
            life_days: days at 21 °C, 0 or more; what a stretch is not worth it has cost at its end.

        Returns:
            Day numbers, with the part of the day.

        Example:
            >>> since, until = np.array([1000.0, 1000.0]), np.array([1100.0, 1100.0])
            >>> Ageing(mean_c=21, swing_c=0, q10=2).used_up_on(since, until, np.array([50.5, 900.0]))
            array([1050.5, 1100. ])
        """
        first, used_by = self._used_by(since, until)
        goal = used_by[since.astype(int) - first] + life_days
        day: Numbers = first + np.interp(goal, used_by, np.arange(len(used_by), dtype=float))
        return np.minimum(until, day)

    def _used_by(self, since: Numbers, until: Numbers) -> tuple[int, Numbers]:
        """The first day of all, and what it costs from then to each later day, the last included."""
        first, end = int(since.min()), int(until.max())
        # Months are near enough a twelfth of the year for a sinusoid.
        warmth = np.cos(season(np.arange(first, end) + 0.5) - 2 * np.pi * (self.warmest_month - 0.5) / 12)
        rate = self.q10 ** ((self.mean_c + self.swing_c * warmth - REFERENCE_C) / 10)
        if self.log is not None:
            shift = self.log.first_day - first
            days, theirs = _overlap(shift, len(self.log.share_measured), end - first)
            measured = self.log.rates(self.q10, REFERENCE_C)[theirs]
            rate[days] = rate[days] * (1 - self.log.share_measured[theirs]) + measured
        used_by: Numbers = np.concatenate(([0.0], np.cumsum(rate)))
        return first, used_by


def _overlap(shift: int, length: int, days: int) -> tuple[slice, slice]:
    """The days that a log which begins some days later has in common with a row of days: in the row, and in the log."""
    start, end = min(max(shift, 0), days), min(max(shift + length, 0), days)
    return slice(start, end), slice(start - shift, end - shift)


def rate_band(mean_c: float, swing_c: float, q10: float) -> tuple[float, float]:
    """The slowest and the fastest pace that a place and a food may have, for all that is known of them.

    Args:
        mean_c: mean temperature of the year, °C, −38–58.
        swing_c: how far the warmest lies above the mean, °C, 0–30.
        q10: how many times faster the food ages 10 °C warmer, 1–4.8; 1 does not age and has no band.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> [round(rate, 2) for rate in rate_band(21, 0, 2)]
        [0.89, 1.13]

    Source: see `_UNSURE_C`.
    """
    paces = [max(1.0, q10 - _UNSURE_Q10), q10 + _UNSURE_Q10] if q10 > 1 else [1.0]
    rates = [ageing_rate(mean_c + off, swing_c, pace) for pace in paces for off in (-_UNSURE_C, _UNSURE_C)]
    return min(rates), max(rates)


def most_days(base_days: float, frozen_days: float) -> float:
    """The longest that a cool place can stretch a life: by a third, or to what is published for the freezer.

    Args:
        base_days: life at 21 °C, days; infinite for what does not age.
        frozen_days: life in a freezer as published, days; 0 where decades are promised anyway.

    Example:
        >>> round(most_days(9131, 0)), most_days(15, 182)
        (12175, 182)

    Source: see `COOL_STRETCH`; the table of lives for the freezer.
    """
    return max(base_days * COOL_STRETCH, frozen_days)


def days_left(
    base_days: Numbers,
    used_days: Numbers,
    rate: Numbers,
    most: Numbers,
    age_days: Numbers,
    over_days: Numbers,
) -> Numbers:
    """Days until packages are used up where they stand now, over a whole larder at once.

    Args:
        base_days: life at 21 °C, days; infinite for what does not age.
        used_days: life used so far, days at 21 °C.
        rate: days of life used per day where each stands, above 0.
        most: the most days it can last from when it was closed, whatever the warmth: see `Best`; may be infinite.
        age_days: days since each was closed so.
        over_days: days since the life of each was used up, 0 or more; of what has some left it counts for nothing.

    Returns:
        Days from now; negative if past; infinite if that is beyond `LONGEST_DAYS`.

    Example:
        A year that goes twice as fast, and one that was over for three weeks when it went into the cold:

        >>> base, used, rate = np.array([365.0, 365.0]), np.array([65.0, 400.0]), np.array([2.0, 0.1])
        >>> days_left(base, used, rate, np.array([480.0, 480.0]), np.array([65.0, 400.0]), np.array([0.0, 21.0]))
        array([150., -21.])

    Source: a life ledger: the best-by is when the life used reaches the base life, or when something else ends it.
    """
    # What was used up elsewhere, or in another season, was not used up at the pace of today.
    ageing = np.where(used_days < base_days, (base_days - used_days) / rate, -over_days)
    left = np.minimum(ageing, most - age_days)
    return np.where(left > LONGEST_DAYS, np.inf, left)


def soonest_end(
    since: int, closed_on: int, base_days: float, used_days: float, peak_rate: float, most: float
) -> int | None:
    """A day before which a package cannot be used up, if it stays where it stands: its end if every day were the worst.

    Args:
        since: the day it came there, as a day number.
        closed_on: the day it was closed as it is now.
        base_days: its life at 21 °C, days; may be infinite.
        used_days: life used until it came there, days at 21 °C.
        peak_rate: days of life used on the warmest day there, above 0.
        most: the most days it can last from when it was closed; may be infinite.

    Returns:
        The day, as a day number, no later than its best-by; none if it has no end.

    Example:
        >>> soonest_end(1000, 900, base_days=365, used_days=65, peak_rate=2, most=480)
        1150

    Source: as for `days_left`, with the warmest day's rate in the place of every day's.
    """
    end = min(since + (base_days - used_days) / peak_rate, closed_on + most)
    return None if math.isinf(end) else math.floor(end)


def share_left(
    base_days: Numbers, used_days: Numbers, most: Numbers, age_days: Numbers, had: Numbers | float = 1.0
) -> Numbers:
    """Share of life that packages have left, 0–1, over a whole larder at once: none when their days are over.

    Args:
        base_days: life at 21 °C, days; infinite for what does not age.
        used_days: life used so far, days at 21 °C.
        most: the most days each can last from when it was closed; may be infinite.
        age_days: days since each was closed so.

        had: share of life that each had left when it was closed so, 0–1: what was used before stays used.

    Example:
        >>> used, most, age = np.array([25.0, 25.0]), np.array([133.0, 50.0]), np.array([20.0, 40.0])
        >>> share_left(np.array([100.0, np.inf]), used, most, age)
        array([0.75, 0.2 ])

    Source: see `days_left`.
    """

    def rest(of: Numbers, gone: Numbers) -> Numbers:
        whole = np.where(np.isinf(of), 1.0, np.maximum(of, 1e-9))
        return np.where(np.isinf(of), 1.0, 1 - gone / whole)

    left: Numbers = np.clip(np.minimum(rest(base_days, used_days), had * rest(most, age_days)), 0, 1)
    return left
