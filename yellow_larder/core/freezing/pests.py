"""Killing insects and their eggs by cold, and bringing the food back without wetting it."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from yellow_larder.core.air import dew_point_c, saturation_kpa
from yellow_larder.core.arrays import Numbers
from yellow_larder.core.containers import Container, closed_volume_ml
from yellow_larder.core.errors import check_range
from yellow_larder.core.freezing.heat import Solid, Stuff, hours_until, still_to_go

KILLS_C = -15.0
"""The hold counts from when the middle is this cold. Source: our judgement: 3 °C above the −18 °C that published
advice holds at, since the last degrees take longest and kill no more."""

WARMEST_FREEZER_C = -16.0
"""A freezer no colder than this hardly gets the middle to the temperature of its holds. Source: our judgement."""

WARMEST_FROST_C = -6.0
"""Frost no colder than this kills too little in a winter. Source: our judgement, by the last row of `_FROST_DAYS`."""

_FROST_C, _FROST_DAYS = (-20.0, -15.0, -10.0, -5.0), (7.0, 28.0, 56.0, 84.0)
"""Days of steady cold that kill every stage of the insects of grain, which harden as it gets cold slowly.

Source: Canadian government advice on cold against insects in stored grain, from memory.
"""

_NEARLY_K = 1.0
"""How much warmer than the air the middle still counts as being as cold as it gets. Source: our judgement."""

STILL_AIR, MOVING_AIR = 8.0, 20.0
"""Heat passing at a surface in a chest freezer and in front of a fan, W/m²·K, radiation included.

Source: ASHRAE Handbook, Fundamentals, surface conductances, from memory.
"""

_LATENT_KJ_KG, _AIR_KJ_KG_K, _WATER_TO_AIR = 2500.0, 1.006, 0.622
"""Heat of condensation, heat capacity of air, mass ratio of water to air. Source: ASHRAE Fundamentals."""


@dataclass(frozen=True, slots=True)
class Hold:
    """One guideline of how long the cold must last.

    Attributes:
        name: what it is called.
        hours: how long it holds.
        from_middle: counted from when the middle is cold, or from when the door closes.
        why: what it rests on.
        source: where it comes from.
        at_c: the cold it counts on, °C; none if it says none.
    """

    name: str
    hours: float
    from_middle: bool
    why: str
    source: str
    at_c: float | None = None


HOLDS = (
    Hold("a day", 24, False, "from when the door closes: enough for a small packet only", "common practice"),
    Hold("two days", 48, False, "from when the door closes, then as long to thaw: flour", "common practice"),
    Hold("three days", 72, False, "from when the door closes: big bags", "common practice"),
    Hold(
        "four days cold",
        96,
        True,
        "counted from when the middle is cold: eggs in the middle are killed too, whatever the size",
        "published extension advice, from memory; counted from the middle by our judgement",
        at_c=-18,
    ),
)
"""The guidelines, the shortest first; the last is ours."""


def holds_at(freezer_c: float) -> tuple[Hold, ...]:
    """The guidelines that there are for a cold: those of freezers, or the one long hold of a milder frost.

    Args:
        freezer_c: the cold, °C, −40 to −6.

    Raises:
        OutOfRange: it is outside the range above.

    Example:
        >>> [hold.name for hold in holds_at(-18)][-1], [hold.name for hold in holds_at(-11)]
        ('four days cold', ['56 days'])

    Source: `HOLDS`; in a milder frost `_FROST_DAYS`, straight lines between them.
    """
    check_range("freezer_c", freezer_c, -40, WARMEST_FROST_C, "°C")
    if freezer_c <= WARMEST_FREEZER_C:
        return HOLDS
    at_c = freezer_c + _NEARLY_K
    days = math.ceil(np.interp(at_c, _FROST_C, _FROST_DAYS))
    why = "counted from when the middle is cold: insects harden in a frost that comes slowly, and die slowly in it"
    source = "Canadian government advice on cold against insects in stored grain, from memory"
    return (Hold(f"{days} days", 24.0 * days, True, why, source, at_c),)


@dataclass(frozen=True, slots=True)
class Freeze:
    """A package and the freezer it goes into.

    Attributes:
        solid: the package.
        stuff: what is in it.
        start_c: its temperature when it goes in, °C, −5–45.
        freezer_c: the freezer, or the frost outdoors, °C, −40 to −6.
        surface: heat passing at its surface there, W/m²·K.

    Raises:
        OutOfRange: a temperature is outside the range above.
    """

    solid: Solid
    stuff: Stuff
    start_c: float
    freezer_c: float
    surface: float = STILL_AIR

    def __post_init__(self) -> None:
        """Refuse a freezer that does not kill."""
        check_range("start_c", self.start_c, -5, 45, "°C")
        check_range("freezer_c", self.freezer_c, -40, WARMEST_FROST_C, "°C")

    @property
    def kills_c(self) -> float:
        """The hold counts from when the middle is this cold, °C."""
        return max(KILLS_C, self.freezer_c + _NEARLY_K)

    def middle_cold_hours(self) -> float:
        """Hours until the middle is as cold as the hold asks for.

        Example:
            A full 5-gallon pail of white rice takes a day and a half only to get there:

            >>> rice = Stuff(conductivity=0.11, heat_capacity=1600, density=870)
            >>> round(Freeze(Solid((0.34,), 0.145), rice, 20, -18).middle_cold_hours())
            38

        Source: see `heat.hours_until`.
        """
        share = (self.kills_c - self.freezer_c) / (self.start_c - self.freezer_c)
        return hours_until(self.solid, self.stuff, surface=self.surface, share=share)

    def ends_hours(self, hold: Hold) -> float:
        """Hours from the door closing until a guideline's hold is over."""
        return hold.hours + (self.middle_cold_hours() if hold.from_middle else 0.0)

    def temperature_c(self, hours: Numbers, *, at_surface: bool = False) -> Numbers:
        """Temperature of the middle, or of the surface, after some hours in the freezer, °C."""
        left = still_to_go(self.solid, self.stuff, surface=self.surface, hours=hours, at_surface=at_surface)
        return self.freezer_c + (self.start_c - self.freezer_c) * left


@dataclass(frozen=True, slots=True)
class Thaw:
    """A closed package brought back into a room.

    Attributes:
        solid: the package.
        stuff: what is in it.
        from_c: its temperature when it comes out, °C, −40–10.
        room_c: the room, °C, 0–45.
        humidity: its relative humidity, 0.01–1.

    Raises:
        OutOfRange: a figure is outside the range above.
    """

    solid: Solid
    stuff: Stuff
    from_c: float
    room_c: float
    humidity: float

    def __post_init__(self) -> None:
        """Check the figures."""
        check_range("from_c", self.from_c, -40, 10, "°C")
        check_range("room_c", self.room_c, 0, 45, "°C")
        check_range("humidity", self.humidity, 0.01, 1, "")

    @property
    def dew_c(self) -> float:
        """Dew point of the room, °C."""
        return dew_point_c(self.room_c, self.humidity)

    def dry_hours(self, *, at_surface: bool = False) -> float:
        """Hours until the middle, or the surface, is warmer than the room's dew point, so that nothing settles on it.

        In air that is all but saturated the food gets to the dew point only in the end: half a degree below counts.

        Example:
            >>> rice = Stuff(conductivity=0.11, heat_capacity=1600, density=870)
            >>> thaw = Thaw(Solid((0.34,), 0.145), rice, -18, 20, 0.5)
            >>> round(thaw.dry_hours(at_surface=True), 1), round(thaw.dry_hours(), 1)
            (1.7, 22.7)

        Source: see `heat.hours_until`.
        """
        share = max(0.5, self.room_c - self.dew_c) / (self.room_c - self.from_c)
        return hours_until(self.solid, self.stuff, surface=STILL_AIR, share=min(1.0, share), at_surface=at_surface)

    def temperature_c(self, hours: Numbers, *, at_surface: bool = False) -> Numbers:
        """Temperature of the middle, or of the surface, after some hours in the room, °C."""
        left = still_to_go(self.solid, self.stuff, surface=STILL_AIR, hours=hours, at_surface=at_surface)
        return self.room_c + (self.from_c - self.room_c) * left


def as_solid(container: Container, volume_ml: float) -> Solid:
    """A filled container as the solid that the cold goes through.

    A stiff one is a cylinder as high as it is filled. A bag lies on its side: what its film spans becomes a block.

    Args:
        container: the container.
        volume_ml: space of the food, mL, 1 to what it holds.

    Returns:
        The solid.

    Raises:
        OutOfRange: the food does not fit.

    Example:
        >>> from yellow_larder.core.containers import Kind
        >>> pail = Container("p", "pail", Kind.PAIL, capacity_ml=20000, height_mm=340, top_mm=290, base_mm=260)
        >>> as_solid(pail, 10000)
        Solid(thick_m=(0.17,), radius_m=0.1375)

    Source: geometry; the film round a block of edges a, b and thickness t spans (a + t) by (b + t) laid flat.
    """
    most = closed_volume_ml(container)
    check_range("volume_ml", volume_ml, 1, most * (1 + 1e-9), "mL")
    if not container.is_flat:
        height_m = container.height_mm / 1000 * min(1.0, volume_ml / container.capacity_ml)
        return Solid((max(height_m, 0.005),), (container.top_mm + container.base_mm) / 4000)
    width, length = container.width_mm / 1000, container.inner_height_mm / 1000
    volume = volume_ml / 1e6
    # Thickness grows with the filling up to the thickest that film of this size can enclose.
    low, high = 0.0, (width + length - math.sqrt(width**2 - width * length + length**2)) / 3
    for _ in range(50):
        middle = (low + high) / 2
        low, high = (middle, high) if (width - middle) * (length - middle) * middle < volume else (low, middle)
    thick = max(high, 0.005)
    return Solid((thick, max(width - thick, 0.005), max(length - thick, 0.005)))


def settling_water_g(
    mass_g: float, heat_capacity: float, *, food_c: float, room_c: float, humidity: float, pressure_kpa: float
) -> float:
    """Water that settles out of the room's air on food that is opened too cold, until it is at the dew point.

    Args:
        mass_g: weight of the food, g, 0–1,000,000.
        heat_capacity: of the food, J/kg·K, 500–4,500.
        food_c: its temperature, °C, −40–45.
        room_c: the room, °C, 0–45.
        humidity: its relative humidity, 0.01–1.
        pressure_kpa: pressure of the room, kPa, 50–110.

    Returns:
        Grams; none if the food is no colder than the dew point.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> round(settling_water_g(2500, 1700, food_c=-18, room_c=20, humidity=0.5, pressure_kpa=101.3), 1)
        13.0

    Source: heat and water come from the air together (Lewis relation); integrated from the food to the dew point.
    """
    check_range("mass_g", mass_g, 0, 1e6, "g")
    check_range("heat_capacity", heat_capacity, 500, 4500, "J/kg·K")
    check_range("food_c", food_c, -40, 45, "°C")
    check_range("room_c", room_c, 0, 45, "°C")
    check_range("pressure_kpa", pressure_kpa, 50, 110, "kPa")
    dew_c = dew_point_c(room_c, humidity)
    if food_c >= dew_c:
        return 0.0

    def ratio(vapour_kpa: float) -> float:
        return _WATER_TO_AIR * vapour_kpa / (pressure_kpa - vapour_kpa)

    in_air = ratio(humidity * saturation_kpa(room_c))
    steps = np.linspace(food_c, dew_c, 101)
    share = []
    for at in steps.tolist():
        latent = _LATENT_KJ_KG * (in_air - ratio(saturation_kpa(at)))
        both = latent + _AIR_KJ_KG_K * (room_c - at)
        share.append(latent / both if both > 0 else 0.0)
    warmed = float(np.trapezoid(share, steps))
    return mass_g * heat_capacity / 1000 * warmed / _LATENT_KJ_KG
