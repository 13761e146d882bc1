"""What becomes of packages where they are moved to: their oxygen and their moisture go on from where they are."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import replace
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from yellow_larder.core.food import Food
from yellow_larder.core.keeping import Best, Estimate
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.household.larder import places_in
from yellow_larder.features.household.state import PLACE, Place
from yellow_larder.features.packages.contained import Life
from yellow_larder.features.packages.events import PackageMoved
from yellow_larder.features.packages.life import age_days, limit_days, used_before
from yellow_larder.features.packages.state import PACKAGE, Package, endless
from yellow_larder.features.packing.package_course import bests_of, course_elsewhere
from yellow_larder.features.packing.plan import Lasts
from yellow_larder.journal.kinds import Happened, LookUp, Row
from yellow_larder.reference import ways_of


def lasts_there(
    session: Session, packages: Sequence[Package], target: Place, on: date
) -> dict[int, dict[Estimate, Life]]:
    """How long packages last in another place, by number.

    Of what the wall and the openings let in, a share is used up by the day of the move; the rest goes at the pace of
    the new place. Packages alike are worked out once.

    Args:
        session: where foods are read.
        packages: the packages.
        target: where they go.
        on: the day.
    """
    carried = [package for package in packages if package.place_id != target.id]
    foods = all_foods(session)
    there = bests_there(carried, foods, places_in(session), target)
    return {
        package.number: _goes_on(package, bests, on, is_dry=not ways_of(foods[package.food_key].life))
        for package, bests in there
    }


def lasts_anew(
    packages: Sequence[Package], foods: Mapping[str, Food], places: dict[int, Place], was: Place, now: Place
) -> dict[int, dict[Estimate, Life]]:
    """How long packages last if where they are is, and was all along, another place than was thought, by number.

    What they brought along from elsewhere, and what no place stretches, is as it was.

    Args:
        packages: the packages.
        foods: the foods that are known.
        places: the places as they were thought to be.
        was: where the packages were thought to be.
        now: where they are.
    """
    here = bests_there(packages, foods, places, was)
    there = bests_there(packages, foods, places | {now.id: now}, now)
    return {
        package.number: _put_right(package, before, after)
        for (package, before), (_, after) in zip(here, there, strict=True)
    }


def bests_there(
    packages: Iterable[Package], foods: Mapping[str, Food], places: dict[int, Place], target: Place
) -> Iterator[tuple[Package, dict[Estimate, Best]]]:
    """Until when packages would be good if they had stood in a place since they were closed; alike ones told once.

    Not those whose food is known no more, or of which nobody wrote down how they were closed.
    """
    seen: dict[tuple[Any, ...], dict[Estimate, Best] | None] = {}
    for package in packages:
        food = foods.get(package.food_key)
        if food is None:
            continue
        alike = (package.food_key, package.container_key, package.closing, package.mass_g, package.moisture_pct)
        used = used_before(package, places)
        key = (*alike, *used.values(), *sorted(package.closed.items()))
        if key not in seen:
            course = course_elsewhere(package, food, target)
            seen[key] = None if course is None else bests_of(food, course, used)
        bests = seen[key]
        if bests is not None:
            yield package, bests


def looking_up(places: dict[int, Place]) -> LookUp:
    """What looks up places for a fold that is not written down."""

    def look_up(_kind: str, number: int) -> Row:
        return {column.name: getattr(places[number], column.name) for column in PLACE.columns}

    return look_up


def row_there(session: Session, row: Row, target: Place, on: date) -> Row:
    """A package as it would stand if it were moved to a place."""
    number, places = row["number"], places_in(session)
    lasts = lasts_there(session, [Package(**row)], target, on).get(number)
    moved = PackageMoved(on, target.id, min(row["shelf"], target.shelves), lasts)
    return PACKAGE.step(row, Happened(0, "moved", moved), number, looking_up(places))


def _goes_on(package: Package, bests: Mapping[Estimate, Best], on: date, *, is_dry: bool) -> dict[Estimate, Life]:
    kept, age = {}, age_days(package, on)
    for estimate, there in bests.items():
        base, most = _days_and_most(package, estimate)
        # A place never gives back what a package has lost.
        rest = min(rest_days(most, there.most_days, age), limit_days(package, estimate))
        # What is not dry has a life of its own wherever it is kept: of that it has the share left that it had here.
        of = min(base, there.base_days) if is_dry else there.base_days
        kept[estimate] = _life(package, estimate, replace(there, base_days=of, most_days=rest), age)
    return kept


def _put_right(package: Package, here: Mapping[Estimate, Best], there: Mapping[Estimate, Best]) -> dict[Estimate, Life]:
    kept, came = {}, age_days(package, package.stands_since)
    for estimate, was in here.items():
        now, limit = there[estimate], limit_days(package, estimate)
        base, most = _days_and_most(package, estimate)
        rest = most
        if most > came:
            # What was limited all along would have lasted as long as this place lets it.
            free = (was.most_days if most >= limit else most) - came
            rest = min(limit, came + in_proportion(free, was.most_days, now.most_days))
        of = in_proportion(base, was.base_days, now.base_days)
        kept[estimate] = _life(package, estimate, replace(now, base_days=of, most_days=rest), came)
    return kept


def _days_and_most(package: Package, estimate: Estimate) -> tuple[float, float]:
    """Its life at 21 °C, and the most days from closing that it can last; either may be infinite."""
    days, most = (endless(getattr(package, f"{estimate.value}_{what}")) for what in ("days", "most"))
    return days, most


def _life(package: Package, estimate: Estimate, best: Best, age: float) -> Life:
    """A life of which it has as much left, so many days after it was closed, as of the one that it had."""
    _, most = _days_and_most(package, estimate)
    had = _had(getattr(package, f"{estimate.value}_had"), most, best.most_days, age)
    return replace(Lasts.of(best).life, had=had)


def in_proportion(days: float, was: float, now: float) -> float:
    """Days that were thought to end as something did, in proportion to when it does; any may be infinite.

    Example:
        >>> in_proportion(300, 400, 200), in_proportion(300, math.inf, 200), in_proportion(300, 400, math.inf)
        (150.0, 200, inf)
    """
    if was == now:
        return days
    if math.isinf(was) or was <= 0:
        return min(days, now)
    return days * (now / was)


def _had(had: float, here: float, there: float, age: float) -> float:
    """The share of its life that a package had when it was closed, so that it has as much left there as it has here."""
    left, then = (0.0 if age >= most else 1 - age / most for most in (here, there))
    return had * left / then if then else had


def rest_days(here: float, there: float, age: float) -> float:
    """The most days from closing of a package that is moved at some age, by what it had here and would have had there.

    Args:
        here: the most days from closing where it stood; may be infinite.
        there: the same if it had stood in the new place all along.
        age: days since it was closed, 0 or more.

    Example:
        Half of its oxygen budget is gone after a year of two; where it would have had four, two are left:

        >>> rest_days(2 * 365, 4 * 365, 365) / 365, rest_days(math.inf, 100, 365), rest_days(100, 50, 200)
        (3.0, 465.0, 100)

    Source: what comes in is in proportion to time; our judgement for moisture, which slows down as it comes in.
    """
    if age >= here:
        return here
    left = 1.0 if math.isinf(here) else 1 - age / here
    return age + there * left
