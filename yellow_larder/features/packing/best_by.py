"""How long a food lasts in its packing where it stands, in dates and words."""

from __future__ import annotations

import math
from collections.abc import Mapping
from datetime import date, timedelta

from yellow_larder.core.days import DAYS_PER_YEAR
from yellow_larder.core.finding import Finding, Severity
from yellow_larder.core.food import Food
from yellow_larder.core.keeping import Best, Course, Ends, Estimate, ageing_rate, rate_band
from yellow_larder.features.packing.plan import BestBy
from yellow_larder.reference import life_class
from yellow_larder.words.dates import SHORT_DAYS, say_best_by, say_day

WHY = {
    Ends.AGE: "by then it has aged",
    Ends.OXYGEN: "oxygen is back by then",
    Ends.SOFT: "it goes soft then",
    Ends.CLUMPS: "it clumps then",
    Ends.MOULD: "mould may grow then",
    Ends.NOTHING: "it does not age while it is dry",
}
"""What ends a package, in words that follow its best-by."""


def best_by_of(food: Food, course: Course, bests: Mapping[Estimate, Best], estimate: Estimate, today: date) -> BestBy:
    """The day by which it is best eaten, by the household's estimate, with the band of all that is unsure."""
    chosen = bests[estimate]
    day = _day(today, chosen.days)
    if day is None:
        return BestBy(None, None, None, say_best_by(None, today), WHY[Ends.NOTHING], chosen.ends, WHY[Ends.NOTHING])
    climate, q10 = course.of.climate, life_class(food.life).q10
    rate = ageing_rate(climate.mean_c, climate.swing_c, q10)
    slow, fast = rate_band(climate.mean_c, climate.swing_c, q10)
    soonest = _day(today, _at(bests[Estimate.CAUTIOUS], rate, fast))
    latest = _day(today, _at(bests[Estimate.HOPEFUL], rate, slow))
    ends = (say_end(soonest, today), say_end(latest, today))
    band = f"{ends[0]} cautious, {ends[1]} hopeful" if ends[0] != ends[1] else ""
    return BestBy(day, soonest, latest, say_best_by(day, today), band, chosen.ends, WHY[chosen.ends])


def say_end(day: date | None, today: date) -> str:
    """An end of the band: its year, or its month if that is near, or its day if that is in some weeks.

    Example:
        >>> today = date(2026, 11, 26)
        >>> say_end(date(2052, 1, 1), today), say_end(date(2027, 3, 1), today), say_end(date(2026, 12, 4), today)
        ('2052', 'Mar 2027', '4 Dec')
    """
    if day is None:
        return say_best_by(None, today)
    if (day - today).days <= SHORT_DAYS:
        return say_day(day).rsplit(" ", 1)[0]
    return str(day.year) if (day - today).days > 3 * DAYS_PER_YEAR else say_best_by(day, today)


def keeps_too_short(horizon_years: float, best_by: BestBy, today: date) -> list[Finding]:
    """Whether it is wanted for longer than it keeps."""
    if best_by.chosen is None or (best_by.chosen - today).days + 1 >= horizon_years * DAYS_PER_YEAR:
        return []
    return [
        Finding(
            Severity.MIND,
            "keeps-too-short",
            f"Wanted for {horizon_years:g} year{'' if horizon_years == 1 else 's'}, but best by {best_by.text}: "
            f"{best_by.why}",
            "Better packing, a cooler place or a food that keeps longer would stretch it. "
            + (f"Estimates differ: {best_by.band}." if best_by.band else "All estimates agree."),
            "the least of the table of lives, the return of oxygen and the moisture, see the Guide",
        )
    ]


def _at(best: Best, rate: float, other: float) -> float:
    """Days until it is over at another pace of ageing; what else ends it stays where it is."""
    if best.ends is Ends.AGE:
        return min(best.base_days / other, best.most_days)
    return min(best.days, best.base_days / other) if other > rate else best.days


def _day(today: date, days: float) -> date | None:
    return None if math.isinf(days) else today + timedelta(days=math.floor(days))
