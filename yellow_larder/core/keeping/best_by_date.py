"""Until when a package is good: the least of what can end it, read off its course."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum

import numpy as np

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.keeping.course import MOST_MOISTURE_PCT, Course
from yellow_larder.core.keeping.shelf_life import Estimate, Life, Packing, most_days
from yellow_larder.core.moisture import FROZEN_C, MOULD_GROWS, Spoils

_WALL_OF = {Estimate.CUSTOMARY: 0, Estimate.HOPEFUL: 1, Estimate.CAUTIOUS: 2}
"""Which wall an estimate believes in: the middle one, the tightest, the leakiest."""

_MOULDS_AT = (MOULD_GROWS, 0.70, 0.75, 0.80, 0.85, 0.90, 1.0)
_MOULDS_DAYS = (180.0, 120.0, 60.0, 25.0, 10.0, 5.0, 2.0)
"""Days until mould is seen at a water activity that stays, near 20 °C. Source: germination of mould spores on feed at
controlled humidities (Snow, 1944), from memory, and shortened: a promise is to be kept."""


class Ends(StrEnum):
    """What ends a package first."""

    AGE = "age"
    OXYGEN = "oxygen"
    SOFT = "soft"
    CLUMPS = "clumps"
    MOULD = "mould"
    NOTHING = "nothing"


@dataclass(frozen=True, slots=True)
class Best:
    """Until when one package is good, by one estimate.

    Attributes:
        days: from packing, where it stands; infinite if nothing ends it.
        ends: what ends it.
        base_days: life at 21 °C that it has of the table, days; infinite for what does not age.
        most_days: the most it can last from packing, days: how far cold can stretch it, the day its oxygen is back, the
            day damp shows; may be infinite.
    """

    days: float
    ends: Ends
    base_days: float
    most_days: float


_SHOWS = {Spoils.SOFT: Ends.SOFT, Spoils.CLUMPS: Ends.CLUMPS, Spoils.MOULD: Ends.MOULD}


def best_by(
    course: Course, lives: Mapping[Packing, Life], frozen: Life, packing: Packing, rate: float, estimate: Estimate
) -> Best:
    """Until when a package is good.

    A packing without oxygen keeps as long as the table has it, and no longer than its oxygen stays away; then it keeps
    as one with little oxygen, while there is little, and at the least as one that was closed with air. Whatever that
    comes to, it is over when damp shows.

    Args:
        course: what becomes of it.
        lives: days the food keeps at 21 °C, by packing.
        frozen: the most days it keeps in a freezer as published.
        packing: the class of its packing.
        rate: days of life used a day where it stands, above 0.
        estimate: whose word is taken; it says which wall too.

    Returns:
        Until when, and why.

    Source: table of lives; `Course`.
    """
    wall = _WALL_OF[estimate]
    cold = frozen.by(estimate)

    def by(of: Packing, back_days: float) -> Best:
        base = lives[of].by(estimate)
        most = most_days(base, cold)
        days = min(base / rate, most)
        ends = Ends.NOTHING if math.isinf(days) else Ends.OXYGEN if back_days < days else Ends.AGE
        return Best(min(days, back_days), ends, base, min(most, back_days))

    found = [by(Packing.SHOP if packing is Packing.SHOP else Packing.AIR, math.inf)]
    if packing not in (Packing.SHOP, Packing.AIR):
        found.append(by(Packing.VACUUM, float(course.little_oxygen_back_days[wall])))
    if packing not in (Packing.SHOP, Packing.AIR, Packing.VACUUM):
        found.append(by(packing, float(course.oxygen_back_days[wall])))
    best = max(found, key=lambda each: each.days)
    ends, days = spoilt(course, wall)
    if days > best.days or math.isinf(days):
        return Best(best.days, best.ends, best.base_days, min(best.most_days, days))
    return Best(days, ends, best.base_days, days)


def spoilt(course: Course, wall: int = 0) -> tuple[Ends, float]:
    """What damp does first to a package, and after how many days; infinite if it never does.

    Args:
        course: what becomes of it.
        wall: which of its walls.

    Source: see `Course.spoils_days` and `mould_seen_days`.
    """
    if course.of.climate.warmest_c <= FROZEN_C:
        return Ends.NOTHING, math.inf
    mould = mould_seen_days(course, wall)
    if course.of.texture.spoils is Spoils.MOULD and course.damp is not None:
        return Ends.MOULD, mould
    shows = float(course.spoils_days[wall])
    activity = course.warmest_activity
    if mould <= shows or (activity is not None and activity > MOULD_GROWS):
        return Ends.MOULD, min(mould, shows)
    return _SHOWS[course.of.texture.spoils], shows


def mould_seen_days(course: Course, wall: int = 0) -> float:
    """Days until mould may be seen, by how damp it is on the way and at its place's warmest; infinite if it never is.

    Args:
        course: what becomes of it.
        wall: which of its walls.

    Source: the share of its time that mould has had at each water activity on the way, added up; see `_MOULDS_DAYS`.
    """
    if course.damp is None:
        return _MOULDS_DAYS[-1] if course.of.moisture_pct > MOST_MOISTURE_PCT else math.inf
    days, course_of_all = course.long_run
    activity = course_of_all[wall] + _warmer(course)
    pace = np.where(activity > MOULD_GROWS, 1 / mould_days_at(activity), 0.0)
    had = np.concatenate([[0.0], np.cumsum((pace[1:] + pace[:-1]) / 2 * np.diff(days))])
    seen = math.inf if had[-1] < 1 else float(np.interp(1.0, had, days))
    warmest = course.warmest_activity
    if warmest is None or warmest <= MOULD_GROWS:
        return seen
    # What is moist when it is closed is not saved by gel, which takes weeks to draw it down.
    return min(seen, float(mould_days_at(np.array(warmest))))


def _warmer(course: Course) -> float:
    """How much higher its water activity is at the warmest than at the mean of its place, when it is closed."""
    at_mean, warmest = course.bare_activity, course.warmest_activity
    return 0.0 if at_mean is None or warmest is None else max(0.0, warmest - at_mean)


def mould_days_at(water_activity: Numbers) -> Numbers:
    """Days until mould is seen at a water activity that stays.

    Example:
        >>> [round(float(days)) for days in mould_days_at(np.array([0.66, 0.75, 0.9]))]
        [166, 60, 5]

    Source: see `_MOULDS_DAYS`, in between by their logarithms.
    """
    return np.asarray(np.exp(np.interp(water_activity, _MOULDS_AT, np.log(_MOULDS_DAYS))))
