"""A package in somebody's hands: what it is, and what it would be with other contents or closed in another way."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date
from functools import cached_property

from sqlalchemy.orm import Session

from yellow_larder.core.air import fill, mass_that_fits_g
from yellow_larder.core.containers import Closing, Container, closed_volume_ml
from yellow_larder.core.food import Food
from yellow_larder.core.keeping import Course, Estimate
from yellow_larder.core.packing import gel_g
from yellow_larder.features.catalog.containers import called, container_by_key, drawing
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, places_in, settings
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.contained import Contained, Life
from yellow_larder.features.packages.find import find_kept
from yellow_larder.features.packages.life import age_days, used_shares
from yellow_larder.features.packages.state import Package, contained_in, endless, row_of, stretches_of
from yellow_larder.features.packing.package_course import bests_of, closed_of, course_as_it_stood, course_of
from yellow_larder.features.packing.plan import Lasts
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.shelves.ageing import share_left_of
from yellow_larder.features.shelves.moving import rest_days
from yellow_larder.words.dates import check_day
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import say_mass


@dataclass(frozen=True)
class InHand:
    """A package that somebody holds, on the day of what is done with it.

    Attributes:
        package: the package.
        food: what is in it.
        place: where it stands.
        household: whose it is.
        day: the day.
        used: the share of its life used up by then, by estimate.
        left: the share of its life that it has left, by estimate, whatever it is that ends it.
        places: the places of the household.
    """

    package: Package
    food: Food
    place: Place
    household: Settings
    day: date
    used: Mapping[Estimate, float]
    left: Mapping[Estimate, float]
    places: Mapping[int, Place]

    @cached_property
    def what(self) -> Contained:
        """What it is now."""
        return contained_in(self.package)

    @cached_property
    def container(self) -> Container:
        """What it is in."""
        return container_by_key(self.package.container_key)

    @cached_property
    def course(self) -> tuple[int, Course] | None:
        """What becomes of it where it stands, and the day from which that is counted, after all places it has stood in.

        None if nobody wrote down how it was closed.
        """
        closed = self.package.closed_on.toordinal()
        stretches = [each for each in stretches_of(row_of(self.package), self.day) if each.until > closed]
        stood = [(max(each.since, closed), self.places[each.place_id]) for each in stretches if each.since < each.until]
        return course_as_it_stood(self.package, self.food, stood or [(closed, self.place)])

    @cached_property
    def moisture_pct(self) -> float:
        """Its moisture by now."""
        if self.course is None:
            return self.package.moisture_pct
        begun, course = self.course
        days = max(0, self.day.toordinal() - begun)
        return round(min(100.0, max(0.0, course.moisture_after_pct(days))), 4)

    @property
    def stood_without_air(self) -> bool:
        """Whether it was ever closed with absorbers or under vacuum."""
        stretches = stretches_of(row_of(self.package), self.day)
        return any(each.closing is not Closing.LID for each in stretches)

    def most_in_g(self, container: Container) -> float:
        """What a container holds of it, filled to the top, g."""
        return mass_that_fits_g(closed_volume_ml(container), self.food.settled_g_ml)

    def with_mass(self, mass_g: float, field: str) -> Contained:
        """What it is with another weight in it, closed as it is.

        Args:
            mass_g: the weight, g.
            field: the field it was typed in, for the refusal.

        Raises:
            Refused: it holds less.
        """
        filled = fill(self.container, self.food, self._that_fits(mass_g, self.container, field), pressed=False)
        return _of_mass(self.what, mass_g, _level(self.container, filled.headspace_mm))

    def as_closed(
        self, ask: Ask, closing: Closing, mass_g: float, *, packed_ml: float = 0.0
    ) -> tuple[Contained, Course]:
        """What it is from now on, with so much in it, in a container, closed in some way; and what becomes of it.

        Silica gel that stays in it counts no more: it has met the room's air.

        Args:
            ask: the container, and how it is opened from now on.
            closing: what is done about the air.
            mass_g: what is in it, g.
            packed_ml: what its absorbers take up.

        Raises:
            Refused: it does not fit.
        """
        container = container_by_key(ask.container)
        filled = fill(container, self.food, self._that_fits(mass_g, container, "container"), pressed=ask.pressed)
        course = course_of(
            ask,
            self.food,
            container,
            closing,
            self.place,
            self.household,
            mass_g=mass_g,
            void_ml=filled.void_ml,
            packed_ml=packed_ml,
            moisture_pct=self.moisture_pct,
        )
        bests = bests_of(self.food, course, self.used)
        lasts = {estimate: self._from_here(estimate, Lasts.of(best).life, course) for estimate, best in bests.items()}
        is_now = replace(
            _of_mass(self.what, mass_g, _level(container, filled.headspace_mm)),
            container_key=container.key,
            closing=closing,
            moisture_pct=self.moisture_pct,
            lasts=lasts,
            closed=closed_of(course, waxed=False),
        )
        return is_now, course

    def _from_here(self, estimate: Estimate, there: Life, course: Course) -> Life:
        """A life that begins on this day.

        Opening never stretches what oxygen or moisture had left of it; closing it anew may. What has no isotherm keeps
        what it took up of the room's moisture while it was open.
        """
        was, age = self.course and self.course[1], age_days(self.package, self.day)
        most, rest = endless(getattr(self.package, f"{estimate.value}_most")), endless(there.most)
        if was is not None and was.of.opened_a_day and was.moisture is None:
            rest = rest_days(most, rest, age) - age
        had = max(0.0, 1 - self.used[estimate])
        if course.of.opened_a_day:
            rest, had = min(rest, most - age), self.left[estimate]
        return Life(there.days, None if math.isinf(rest) else rest, had)

    def _that_fits(self, mass_g: float, container: Container, field: str) -> float:
        most_g = self.most_in_g(container)
        # Packed to the brim by hand it may hold a little more than it is said to.
        if mass_g > most_g * 1.05:
            units = self.household.units
            name = called(container, units)
            raise Refused(field, f"A {name} holds {say_mass(most_g, units)} of {self.food.name} at the most")
        return min(mass_g, most_g)


def _of_mass(what: Contained, mass_g: float, level: float) -> Contained:
    (only,) = what.contents
    kcal = what.kcal * mass_g / what.mass_g if what.mass_g else 0.0
    return replace(what, contents=(replace(only, mass_g=mass_g),), kcal=kcal, level=level)


def _level(container: Container, headspace_mm: float) -> float:
    return (container.inner_height_mm - headspace_mm) / drawing(container).inner_mm


def without_absorbers(what: Contained) -> dict[str, int]:
    """What stays in a package whose absorbers are taken out: its silica gel."""
    return {code: n for code, n in what.packets.items() if gel_g(code) is not None}


def held_on(package: Package, food: Food, places: dict[int, Place], household: Settings, day: date) -> InHand:
    """A package in somebody's hands on a day, with what is left of its life."""
    used = used_shares(package, day, places)
    left = {each: share_left_of(package, places, each, day) for each in Estimate}
    return InHand(package, food, places[package.place_id], household, day, used, left, places)


def in_hand(
    session: Session, larder: Larder, numbers: Sequence[int], on: date | None, *, field: str = "on"
) -> list[InHand]:
    """Packages that somebody holds: kept, and of a food that is known.

    Args:
        session: where they are read.
        larder: the larder.
        numbers: their numbers; one that is given twice is one package.
        on: the day; none means today.
        field: where the day is refused.

    Raises:
        NotThere: one is not there, or its food is not.
        Refused: one is gone, or the day is before something else that happened to it.
    """
    today, places, known, household = larder.today(), places_in(session), all_foods(session), settings(session)
    found = []
    for number in dict.fromkeys(numbers):
        package = find_kept(session, number)
        if package.food_key not in known:
            raise NotThere("number", f"The table knows no {package.food_name} any more")
        day = check_day(
            on or max(today, package.stands_since),
            max(today, package.stands_since),
            field,
            earliest=package.stands_since,
        )
        found.append(held_on(package, known[package.food_key], places, household, day))
    if not found:
        raise Refused("numbers", "Choose at least one")
    return found
