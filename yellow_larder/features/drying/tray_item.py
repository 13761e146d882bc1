"""One food as it lies in a dryer: what there is to come off, how long that takes, and why."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from yellow_larder.core.drying import (
    Air,
    DryingCurve,
    Hours,
    Laid,
    Produce,
    Treatment,
    can_reach,
    expected_hours,
    humidity_at,
    slower_for_water,
)
from yellow_larder.core.food import Food
from yellow_larder.features.household.events import Settings
from yellow_larder.reference.drying import Machine, isotherm_of
from yellow_larder.words.quantities import Units, say_share, say_temperature, say_thickness

_ABOVE_FLOOR_PCT = 1.5
"""How far above its point of rest a food is taken out where the air does not dry it further. Source: our judgement."""


_AIRS = {
    Air.MACHINE: "this dryer",
    Air.OVEN: "an oven with its door ajar",
    Air.SUN: "sun by day only",
    Air.HANGING: "still air",
}
"""What makes drying slower than in front of a fan."""


@dataclass(frozen=True, slots=True)
class Room:
    """The air of the room the dryer stands in, and whether it was measured or is what the household said."""

    temperature_c: float
    humidity: float
    measured: bool = False

    def says(self, units: Units) -> str:
        """Its air in words."""
        return f"{say_temperature(self.temperature_c, units)}, {say_share(self.humidity)} humidity"


def usual_room(household: Settings) -> Room:
    """The room as the household said, where nothing measures it."""
    return Room(household.room_c, max(0.01, household.humidity))


class TrayItem:
    """One food as it lies in a dryer: what there is to come off, and how long that is expected to take."""

    def __init__(
        self,
        produce: Produce,
        food: Food,
        mass_g: float,
        *,
        thickness_mm: float,
        treatments: frozenset[Treatment],
        water_pct: float,
        machine: Machine,
        air_c: float,
        room: Room,
    ) -> None:
        self.produce, self.mass_g, self.thickness_mm = produce, mass_g, thickness_mm
        self.treatments, self.air_c, self.room = treatments, air_c, room
        self.food = food
        self.wanted_pct = self.food.composition.water_g
        isotherm = isotherm_of(self.food)
        humidity = min(0.98, humidity_at(air_c, room_c=room.temperature_c, humidity=room.humidity))
        self.floor_pct = float(isotherm.moisture_pct(np.array(humidity), min(air_c, 70.0))) if isotherm else 0.0
        self.reaches = can_reach(self.floor_pct, self.wanted_pct)
        target = self.wanted_pct if self.reaches else self.floor_pct + _ABOVE_FLOOR_PCT
        self.course = DryingCurve(water_pct, target, self.floor_pct)
        opened = not produce.skin or Treatment.PIERCED in treatments

        def expected(air: Room) -> Hours:
            return expected_hours(
                produce,
                thickness_mm=thickness_mm,
                air_c=air_c,
                room_c=air.temperature_c,
                humidity=air.humidity,
                slower=machine.slower,
                opened=opened,
                hung=machine.air is Air.HANGING,
            )

        self.water_factor = self._wetter(water_pct)
        self.expected: Hours = expected(room).times(self.water_factor)
        in_plain_air = expected(Room(20, 0.5))
        self.humidity_factor = self.expected.likely / self.water_factor / in_plain_air.likely
        self.warmth_factor, self.air = in_plain_air.air, machine.air

    def _wetter(self, water_pct: float) -> float:
        """How many times longer food takes that is wetter, or less wet, than the table has it."""
        usual = DryingCurve(self.produce.fresh_water_pct, self.course.target_pct, self.floor_pct)
        if water_pct == self.produce.fresh_water_pct:
            return 1.0
        return slower_for_water(usual, self.course)

    @property
    def laid(self) -> Laid:
        """As the rules see it."""
        return Laid(self.produce, self.thickness_mm, self.treatments, self.floor_pct, self.wanted_pct)

    @property
    def layer_g_m2(self) -> float:
        """What a square metre of one layer weighs, g; thicker pieces weigh more."""
        return self.produce.load_g_m2 * self.thickness_mm / self.produce.thickness_mm

    def dry_g(self, wet_g: float) -> float:
        """What a wet weight of it comes to."""
        return wet_g * self.course.target_share

    def reasons(self, units: Units) -> list[str]:
        """Why it takes as long as it does."""
        usual = f"{self.produce.name}, {self.produce.cut}: {self.produce.hours_low:g}–{self.produce.hours_high:g} hours"
        found = [f"{usual} at {say_thickness(self.produce.thickness_mm, units)}, as a rule"]
        for factor, words in (
            (self.expected.thickness, f"cut {say_thickness(self.thickness_mm, units)}"),
            (self.warmth_factor, f"air of {say_temperature(self.air_c, units)}"),
            (self.expected.still, _AIRS[self.air]),
            (self.expected.skin, "its skin is whole"),
            (self.water_factor, f"{self.course.start_pct:.0f} % water in it"),
            (self.humidity_factor, f"a room of {say_share(self.room.humidity)} humidity"),
        ):
            if abs(factor - 1) > 0.02:
                found.append(f"{words}: {_times(factor)}")
        return found


def say_range(hours: Hours) -> str:
    """A range of hours in words.

    Example:
        >>> say_range(Hours(6, 7, 8.2)), say_range(Hours(60, 72, 85)), say_range(Hours(2.1, 2.9, 4))
        ('6–8 hours', '2½–3½ days', '2–4 hours')
    """
    unit, size = ("days", 24.0) if hours.low > 36 else ("hours", 1.0)
    coarse = 0.5 if unit == "days" or hours.high < 6 else 1.0
    low = math.floor(hours.low / size / coarse + 0.25) * coarse
    high = math.ceil(hours.high / size / coarse - 0.25) * coarse
    return f"{_half(max(coarse, low))}–{_half(high)} {unit}" if low < high else f"{_half(high)} {unit}"


def _half(value: float) -> str:
    whole, half = divmod(round(value * 2), 2)
    return f"{whole or ''}{'½' if half else ''}" or "0"


def _times(factor: float) -> str:
    if factor >= 1.15:
        return f"{factor:.1f} times as long"
    if factor > 1:
        return f"{say_share(factor - 1)} longer"
    return f"{say_share(1 - factor)} sooner"
