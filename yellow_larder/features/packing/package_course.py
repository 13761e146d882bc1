"""A package as it would stand in a place: put together once for all that is judged, promised and drawn of it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

from yellow_larder.core.air import oxygen_left, pressure_kpa
from yellow_larder.core.containers import Closing, Container, Kind
from yellow_larder.core.food import Food
from yellow_larder.core.keeping import (
    Best,
    Climate,
    Course,
    Estimate,
    Package,
    Room,
    ageing_rate,
    best_by,
    packing_class,
)
from yellow_larder.features.catalog.containers import container_by_key
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.contained import Closed
from yellow_larder.features.packages.state import Package as StoredPackage
from yellow_larder.features.packing.request import LEAVES_KPA, Ask, Opened
from yellow_larder.journal.events import from_json
from yellow_larder.reference import life_class, lives_of, ways_of
from yellow_larder.reference.drying import isotherm_of, texture_of
from yellow_larder.reference.walls import walls_of

OPENINGS_A_DAY = {Opened.NEVER: 0.0, Opened.WEEKLY: 1 / 7, Opened.DAILY: 1.0}


def climate_of(place: Place) -> Climate:
    """The climate of a place, for the core."""
    return Climate(place.mean_c, place.swing_c, min(max(place.humidity, 0.02), 0.98))


def room_of(household: Settings) -> Room:
    """The air of the room that packing is done in, for the core."""
    return Room(household.room_c, household.humidity, pressure_kpa(household.altitude_m))


def left_kpa(ask: Ask) -> float:
    """Pressure that the vacuum leaves: by its gauge, or what is usual for its pump."""
    return LEAVES_KPA[ask.pull] if ask.left_kpa is None else ask.left_kpa


def vacuum_share(ask: Ask, closing: Closing, household: Settings) -> float | None:
    """Oxygen that a vacuum leaves, as a share of what the room's air would hold; none if none is drawn."""
    if closing is not Closing.VACUUM:
        return None
    return oxygen_left(left_kpa(ask), pressure_kpa(household.altitude_m))


def course_of(
    ask: Ask,
    food: Food,
    container: Container,
    closing: Closing,
    place: Place,
    household: Settings,
    *,
    mass_g: float,
    void_ml: float,
    packed_ml: float,
    moisture_pct: float,
    gel_g: float = 0.0,
) -> Course:
    """What becomes of one container as it was asked for, where it would stand."""
    room = room_of(household)
    closed = Closed(
        void_ml=void_ml,
        packed_ml=packed_ml,
        opened_a_day=OPENINGS_A_DAY[ask.opened],
        gel_g=gel_g,
        waxed=ask.waxed and container.kind is Kind.BOTTLE,
        room_c=room.temperature_c,
        room_humidity=room.humidity,
        room_kpa=room.pressure_kpa,
        vacuum_share=vacuum_share(ask, closing, household),
    )
    return course_as_closed(food, container, closing, place, closed, mass_g=mass_g, moisture_pct=moisture_pct)


def closed_of(course: Course, *, waxed: bool) -> Closed:
    """How a package was closed, as it is kept with it."""
    of = course.of
    return Closed(
        void_ml=of.void_ml,
        packed_ml=of.packed_ml,
        vacuum_share=of.vacuum_share,
        opened_a_day=of.opened_a_day,
        gel_g=of.gel_g,
        waxed=waxed and of.container.kind is Kind.BOTTLE,
        room_c=of.room.temperature_c,
        room_humidity=of.room.humidity,
        room_kpa=of.room.pressure_kpa,
    )


def course_elsewhere(package: StoredPackage, food: Food, place: Place) -> Course | None:
    """What becomes of a package that is kept, if it stood in a place from the day it was closed as it is.

    None if nobody wrote down how it was closed.
    """
    if not package.closed:
        return None
    return course_as_closed(
        food,
        container_by_key(package.container_key),
        Closing(package.closing),
        place,
        from_json(Closed, package.closed),
        mass_g=package.mass_g,
        moisture_pct=package.moisture_pct,
    )


def carried(course: Course, before: Course, days: float) -> Course:
    """What becomes of a package where it is carried to: oxygen, packets and moisture go on from where they were.

    Args:
        course: what would become of it there.
        before: what became of it where it was.
        days: days since it was closed as it is, or since it came where it was.
    """
    return Course(replace(course.of, come_to=before.comes_to(days)))


def course_as_it_stood(
    package: StoredPackage, food: Food, stood: Sequence[tuple[int, Place]]
) -> tuple[int, Course] | None:
    """What becomes of a package in the last of the places that it has stood in since it was closed as it is.

    Args:
        package: the package.
        food: what is in it.
        stood: where, each with the day it came there, as a day number; the first first.

    Returns:
        The day from which it is counted, and the course; none if nobody wrote down how it was closed.
    """
    found: tuple[int, Course] | None = None
    for since, place in stood:
        course = course_elsewhere(package, food, place)
        if course is None:
            return None
        found = (since, course if found is None else carried(course, found[1], since - found[0]))
    return found


def course_as_closed(
    food: Food,
    container: Container,
    closing: Closing,
    place: Place,
    closed: Closed,
    *,
    mass_g: float,
    moisture_pct: float,
) -> Course:
    """What becomes of a package that was closed in some way, in a place."""
    return Course(
        Package(
            container=container,
            closing=closing,
            walls=walls_of(container, waxed=closed.waxed),
            void_ml=closed.void_ml,
            packed_ml=closed.packed_ml,
            vacuum_share=closed.vacuum_share,
            mass_g=mass_g,
            moisture_pct=moisture_pct,
            isotherm=isotherm_of(food),
            texture=texture_of(food),
            gel_g=closed.gel_g,
            opened_a_day=closed.opened_a_day,
            climate=climate_of(place),
            room=Room(closed.room_c, closed.room_humidity, closed.room_kpa),
        )
    )


def bests_of(food: Food, course: Course, used: Mapping[Estimate, float] | None = None) -> dict[Estimate, Best]:
    """Until when a package is good, by each estimate; `used` is the share of life it had used up when it was closed."""
    of, life = course.of, life_class(food.life)
    rate = ageing_rate(of.climate.mean_c, of.climate.swing_c, life.q10)
    packing, table, ways = packing_class(of.container, of.closing), lives_of(food.life), ways_of(food.life)
    return {
        estimate: best_by(
            course, table, life.frozen, packing, rate, estimate, used=(used or {}).get(estimate, 0.0), ways=ways
        )
        for estimate in Estimate
    }
