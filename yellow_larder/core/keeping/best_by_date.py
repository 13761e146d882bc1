"""Until when a package is good: the least of what can end it, read off its course."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum

from yellow_larder.core.keeping.course import Course
from yellow_larder.core.keeping.shelf_life import LONGEST_DAYS, Estimate, Life, Packing, most_days
from yellow_larder.core.keeping.ways import Way, way_kept
from yellow_larder.core.moisture import FROZEN_C, MOULD_GROWS, Spoils

_WALL_OF = {Estimate.CUSTOMARY: 0, Estimate.HOPEFUL: 1, Estimate.CAUTIOUS: 2}
"""Which wall an estimate believes in: the middle one, the tightest, the leakiest."""


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
        days: from when it was closed so, where it stands; infinite if nothing ends it.
        ends: what ends it.
        base_days: life at 21 °C that it has of the table, days; infinite for what does not age.
        most_days: the most it can last from then, days: how far cold can stretch it, the day its oxygen is back, the
            day moisture shows; may be infinite.
    """

    days: float
    ends: Ends
    base_days: float
    most_days: float


_SHOWS = {Spoils.SOFT: Ends.SOFT, Spoils.CLUMPS: Ends.CLUMPS, Spoils.MOULD: Ends.MOULD}


def best_by(
    course: Course,
    lives: Mapping[Packing, Life],
    frozen: Life,
    packing: Packing,
    rate: float,
    estimate: Estimate,
    *,
    used: float = 0.0,
    ways: Mapping[Way, Life] | None = None,
) -> Best:
    """Until when a package is good.

    A packing without oxygen keeps as long as the table has it, and no longer than its oxygen stays away; then it keeps
    as one with little oxygen, while there is little, and at the least as one that was closed with air. Whatever that
    comes to, it is over when moisture shows. What is not kept dry goes by how it is kept: frozen, chilled, in a cellar;
    but closed as its maker closed it, it goes by the table of packings.

    Args:
        course: what becomes of it.
        lives: days the food keeps at 21 °C, by packing.
        frozen: the most days it keeps in a freezer as published.
        packing: the class of its packing.
        rate: days of life used a day where it stands, above 0.
        estimate: whose word is taken; it says which wall too.
        used: share of its life that was used up before it was closed so, 0 or more: what was used stays used.
        ways: days of a food that is not kept dry, by how it is kept; none for dry food.

    Returns:
        Until when, and why.

    Source: table of lives; `Course`.
    """
    wall = _WALL_OF[estimate]
    cold = frozen.by(estimate)
    left = max(0.0, 1 - used)
    if ways and not course.of.is_as_it_was_made:
        days = ways[way_kept(course.of.climate.mean_c, course.of.closing, ways)].by(estimate)
        return Best(days * left, Ends.AGE, days, days * left)

    def by(of: Packing, back_days: float) -> Best:
        base = lives[of].by(estimate)
        most = most_days(base, cold) * left if left else 0.0
        days = min(base * left / rate, most) if left else 0.0
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
    """What moisture does first to a package, and after how many days; infinite if it never does in `LONGEST_DAYS`.

    Args:
        course: what becomes of it.
        wall: which of its walls.

    Source: see `Course.spoils_days` and `Course.mould_seen_days`.
    """
    if course.of.climate.warmest_c <= FROZEN_C or course.of.is_as_it_was_made:
        return Ends.NOTHING, math.inf
    mould = _dated(course.mould_seen_days[wall])
    if course.of.texture.spoils is Spoils.MOULD and course.moisture is not None:
        return Ends.MOULD, mould
    shows = _dated(course.spoils_days[wall])
    activity = course.warmest_activity
    if mould <= shows or (activity is not None and activity > MOULD_GROWS):
        return Ends.MOULD, min(mould, shows)
    return _SHOWS[course.of.texture.spoils], shows


def _dated(days: float) -> float:
    return math.inf if days > LONGEST_DAYS else float(days)
