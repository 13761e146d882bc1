"""How long a package keeps, and how much of that life is used up."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import StrEnum

import numpy as np
from numpy.typing import NDArray

from yellow_larder.core.containers import Closing, Container, Kind
from yellow_larder.core.errors import check_range

REFERENCE_C = 21.0
"""The temperature base lives are told for, 70 °F. Source: common practice."""

COOL_STRETCH = 4 / 3
"""However cool the place, no school's word is stretched further than this: what is said to keep 30 years is
never promised for more than 40. Source: common practice, "25–30 years, some say 40"."""

_YEAR_DAYS = 365.2425

Numbers = NDArray[np.float64]


class School(StrEnum):
    """Whose word to take on how long food keeps."""

    CAUTIOUS = "cautious"
    CUSTOMARY = "customary"
    HOPEFUL = "hopeful"


class Packing(StrEnum):
    """How well a closed container keeps air, damp and light from its food: what base lives go by."""

    SHOP = "shop packet"
    AIR = "closed with air"
    VACUUM = "vacuum"
    PLASTIC = "absorber in plastic"
    CLEAR = "absorber in clear or thin film"
    GLASS = "absorber in glass"
    FOIL = "absorber in foil or can"


@dataclass(frozen=True, slots=True)
class Life:
    """Days a food keeps at 21 °C in one packing, by school; infinite for what does not age (sugar, salt)."""

    cautious: float
    customary: float
    hopeful: float

    def by(self, school: School) -> float:
        """The days that one school gives."""
        return float(getattr(self, school.value))


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
        >>> jar = Container("j", "jar", Kind.JAR, capacity_ml=1000, height_mm=160, top_mm=90, base_mm=90)
        >>> packing_class(jar, Closing.VACUUM).value
        'vacuum'

    Source: common practice.
    """
    if container.kind is Kind.PACKET:
        return Packing.SHOP
    if closing is Closing.LID:
        return Packing.AIR
    if closing is Closing.VACUUM:
        return Packing.VACUUM
    if container.kind in (Kind.PAIL, Kind.BOTTLE):
        return Packing.PLASTIC
    if container.kind is Kind.JAR:
        return Packing.GLASS
    if container.kind in (Kind.CLEAR_BAG, Kind.POUCH) or (container.has_film and container.film_mil < THICK_MIL):
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
    return float(steady * np.i0(math.log(q10) / 10 * swing_c))


def life_used_days(
    since: Numbers, until: Numbers, *, mean_c: float, swing_c: float, q10: float, warmest_month: int = 7
) -> Numbers:
    """Life used up in one place between two days, by the season each day falls in.

    Args:
        since: days on which stretches begin, as day numbers of the common calendar (1 January of year 1 is 1).
        until: days on which they end, no earlier than they begin.
        mean_c: mean temperature of the year, °C, −40–60.
        swing_c: how far the warmest lies above the mean, °C, 0–30.
        q10: how many times faster the food ages 10 °C warmer, 1–5.
        warmest_month: month of the warmest day, taken as its middle, 1–12.

    Returns:
        Days at 21 °C that each stretch is worth.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        A summer and a winter of 91 days each, in a loft of 15 °C that swings by 14 °C:

        >>> from datetime import date
        >>> since = np.array([date(2026, 6, 1).toordinal(), date(2026, 12, 1).toordinal()])
        >>> used = life_used_days(since, since + 91, mean_c=15, swing_c=14, q10=2)
        >>> [round(float(days)) for days in used]
        [144, 25]

    Source: Q10 rule, summed day by day over a sinusoid of one year.
    """
    check_range("mean_c", mean_c, -40, 60, "°C")
    check_range("swing_c", swing_c, 0, 30, "°C")
    check_range("q10", q10, 1, 5, "")
    check_range("warmest_month", warmest_month, 1, 12, "")
    first = int(since.min())
    middays = np.arange(first, int(until.max())) + 0.5
    # Day 1 is a 1 January; months are near enough a twelfth of the year for a sinusoid.
    season = np.cos(2 * np.pi * ((middays - 1) / _YEAR_DAYS - (warmest_month - 0.5) / 12))
    rate = q10 ** ((mean_c + swing_c * season - REFERENCE_C) / 10)
    used_by: Numbers = np.concatenate(([0.0], np.cumsum(rate)))
    spent: Numbers = used_by[until.astype(int) - first] - used_by[since.astype(int) - first]
    return spent


def days_left(base_days: Numbers, used_days: Numbers, rate: Numbers, age_days: Numbers) -> Numbers:
    """Days until packages are used up where they stand now, over a whole larder at once.

    Args:
        base_days: life at 21 °C, days; infinite for what does not age.
        used_days: life used so far, days at 21 °C.
        rate: days of life used per day where each stands, above 0.
        age_days: days since each was packed.

    Returns:
        Days from now; negative if past; never beyond a third more than the base life from packing.

    Example:
        >>> days_left(np.array([365.0]), np.array([65.0]), np.array([2.0]), np.array([65.0]))
        array([150.])

    Source: a life ledger: the best-by is when the life used reaches the base life.
    """
    left = (base_days - used_days) / rate
    capped = np.minimum(left, base_days * COOL_STRETCH - age_days)
    return np.where(np.isinf(base_days), np.inf, capped)


def share_left(base_days: Numbers, used_days: Numbers) -> Numbers:
    """Share of life that packages have left, 0–1, over a whole larder at once.

    Example:
        >>> share_left(np.array([100.0, np.inf]), np.array([25.0, 25.0]))
        array([0.75, 1.  ])

    Source: see `days_left`.
    """
    with np.errstate(invalid="ignore"):
        used = np.where(np.isinf(base_days), 0.0, used_days / base_days)
    left: Numbers = np.clip(1 - used, 0, 1)
    return left
