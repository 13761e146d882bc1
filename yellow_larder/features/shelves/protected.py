"""What stands in the way of what can get at the food, over all that stands in a place."""

from __future__ import annotations

from collections import defaultdict
from dataclasses import dataclass
from datetime import date
from typing import Any

from yellow_larder.core.air import fill, mass_that_fits_g
from yellow_larder.core.containers import closed_volume_ml
from yellow_larder.core.days import DAYS_PER_YEAR
from yellow_larder.core.food import Food
from yellow_larder.core.packing import Case, protections
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.household.larder import Larder, places_in
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.state import Package
from yellow_larder.features.packing.package_course import course_elsewhere
from yellow_larder.features.shelves.ageing import kept_rows
from yellow_larder.journal.database import reading
from yellow_larder.journal.kinds import Row
from yellow_larder.words.errors import NotThere

_LONGEST_YEARS = 40.0


@dataclass(frozen=True, slots=True)
class Protected:
    """A package, and what it is protected from for another year.

    Attributes:
        number: which.
        closed: from how many of the six threats it is.
        lacks: the others, in the order they are drawn.
    """

    number: int
    closed: int
    lacks: list[str]


def see_protected(larder: Larder, place: int) -> list[Protected]:
    """What each package in a place is protected from, by the rules of the Bench; not one that nobody wrote down.

    Packages alike are judged once.

    Raises:
        NotThere: the place is not there.
    """
    today = larder.today()
    with reading(larder.engine) as session:
        here, foods = places_in(session).get(place), all_foods(session)
        if here is None:
            raise NotThere("place", "That place is not there any more; pick another")
        alike: dict[tuple[Any, ...], list[int]] = defaultdict(list)
        for row in kept_rows(session, _COLUMNS, Package.place_id == place):
            alike[_key(row, today)].append(row["number"])
        found = []
        for numbers in alike.values():
            package = session.get_one(Package, numbers[0])
            lacks = _lacks(package, foods.get(package.food_key), here, today)
            if lacks is not None:
                found += [Protected(number, 6 - len(lacks), lacks) for number in numbers]
    return sorted(found, key=lambda each: each.number)


_SAME = ("food_key", "container_key", "closing", "outer", "mass_g", "moisture_pct")
_COLUMNS = [Package.__table__.columns[name] for name in ("number", "closed_on", "closed", *_SAME)]


def _key(row: Row, today: date) -> tuple[Any, ...]:
    """What packages that are judged alike have in common."""
    return (*(row[name] for name in _SAME), _years(row["closed_on"], today), *row["closed"].values())


def _years(closed_on: date, today: date) -> float:
    """How long it was closed so, and a year more; in whole years, so that many are alike."""
    return min(round((today - closed_on).days / DAYS_PER_YEAR) + 1.0, _LONGEST_YEARS)


def _lacks(package: Package, food: Food | None, place: Place, today: date) -> list[str] | None:
    course = None if food is None else course_elsewhere(package, food, place)
    if food is None or course is None:
        return None
    container = course.of.container
    mass_g = min(package.mass_g, mass_that_fits_g(closed_volume_ml(container), food.settled_g_ml))
    case = Case(
        food=food,
        course=course,
        outer=package.outer,
        horizon_years=_years(package.closed_on, today),
        fill=fill(container, food, mass_g, pressed=False),
        need_ml=course.of.packed_ml,
        gel=course.of.gel_g > 0,
        dark=place.dark,
    )
    return [each.threat for each in protections(case) if not each.closed]
