"""Packages as the core sees them, made from the tables: for the tests of rules, protections and best-bys."""

from __future__ import annotations

from yellow_larder import reference
from yellow_larder.core.air import fill, need_by_air_ml, oxygen_left, oxygen_ml, pressure_kpa
from yellow_larder.core.containers import Closing, volume_below_ml
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
from yellow_larder.core.packing import Case
from yellow_larder.reference.drying import isotherm_of, texture_of
from yellow_larder.reference.walls import walls_of

PANTRY = Climate(18, 4, 0.5)


def case(
    food: str,
    container: str = "bag-gallon",
    closing: Closing = Closing.ABSORBER,
    *,
    moisture: float | None = None,
    years: float = 10,
    outer: bool = True,
    packets: float = 1.0,
    full: float = 0.8,
    left_kpa: float = 18,
    opened: float = 0.0,
    gel_g: float = 0.0,
    climate: Climate = PANTRY,
    altitude_m: float = 0.0,
    frozen: bool = False,
    unproven: bool = False,
) -> Case:
    """A packing: so full, its packets so many times what the air asks for."""
    f, c = reference.foods()[food], reference.containers()[container]
    room = Room(20, 0.5, pressure_kpa(altitude_m))
    mass_g = full * volume_below_ml(c, 0) * f.settled_g_ml
    filled = fill(c, f, mass_g, pressed=True)
    need = need_by_air_ml(
        oxygen_ml(filled.void_ml, pressure_kpa=room.pressure_kpa, temperature_c=20, humidity=room.humidity)
    )
    vacuum = oxygen_left(left_kpa, room.pressure_kpa) if closing is Closing.VACUUM else None
    of = Package(
        container=c,
        closing=closing,
        walls=walls_of(c),
        void_ml=filled.void_ml,
        packed_ml=packets * need if closing is Closing.ABSORBER else 0.0,
        vacuum_share=vacuum,
        mass_g=mass_g,
        moisture_pct=f.composition.water_g if moisture is None else moisture,
        isotherm=isotherm_of(f),
        texture=texture_of(f),
        gel_g=gel_g,
        opened_a_day=opened,
        climate=climate,
        room=room,
    )
    return Case(f, Course(of), outer, years, filled, need, frozen=frozen, unproven=unproven, gel=gel_g > 0)


def best(of: Case, estimate: Estimate = Estimate.CUSTOMARY) -> Best:
    """Until when it is good, by an estimate."""
    climate, life = of.course.of.climate, reference.life_classes()[of.food.life]
    rate = ageing_rate(climate.mean_c, climate.swing_c, life.q10)
    packing = packing_class(of.container, of.closing)
    lives, ways = reference.lives_of(of.food.life), reference.ways_of(of.food.life)
    return best_by(of.course, lives, life.frozen, packing, rate, estimate, ways=ways)
