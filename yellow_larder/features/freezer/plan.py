"""What the cold does to a package that goes into the freezer, from the door closing to the bag opened."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date

import numpy as np
from sqlalchemy.orm import Session

from yellow_larder.core.air import mass_that_fits_g, pressure_kpa
from yellow_larder.core.containers import Container, Kind, volume_below_ml
from yellow_larder.core.food import Food
from yellow_larder.core.freezing import (
    HOLDS,
    MOVING_AIR,
    STILL_AIR,
    WARMEST_FREEZER_C,
    Freeze,
    Hold,
    Solid,
    Thaw,
    as_solid,
    holds_at,
    settling_water_g,
)
from yellow_larder.features.catalog.containers import Drawing, called, container_by_key, drawing
from yellow_larder.features.catalog.foods import all_foods, read_food_line
from yellow_larder.features.freezer.frost import frost_in
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import settings
from yellow_larder.features.supplies.usual import usual_container
from yellow_larder.reference import stuff_of
from yellow_larder.words.durations import say_hours
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import Units, say_length, say_mass, say_temperature

MOST_PACKAGES = 60
"""More packages than this do not go into a freezer at home at once."""

_POINTS = 80


@dataclass(frozen=True, slots=True, kw_only=True)
class FreezeAsk:
    """What goes into the freezer.

    Attributes:
        line: "10 kg white rice".
        container: what it is closed in.
        freezer_c: the temperature of the freezer, or of the frost outdoors, °C.
        moving: whether a fan moves the air round it.
        hold: which guideline's hold, counted from the shortest; the last is ours.
        lot: number of the lot it is, if it came from the cupboard.
        place: number of the place outdoors whose log says how cold it is; none goes by what is typed.
    """

    line: str
    container: str = "bag-gallon"
    freezer_c: float = -18
    moving: bool = False
    hold: int = len(HOLDS) - 1
    lot: int | None = None
    place: int | None = None


@dataclass(frozen=True, slots=True)
class HoldView:
    """What one guideline asks of this package."""

    name: str
    why: str
    source: str
    ends_hours: float
    ends: str
    reaches: bool
    """Whether the middle is cold by then at all."""


@dataclass(frozen=True, slots=True)
class Point:
    """A point of the curve: hours, and the temperatures of middle and surface."""

    hours: float
    middle_c: float
    surface_c: float


def _why(hold: Hold, units: Units) -> str:
    return hold.why if hold.at_c is None else f"at {say_temperature(hold.at_c, units)}, {hold.why}"


@dataclass(frozen=True, slots=True)
class FreezePlan:
    """What the freezer does to a package, from the door closing to the bag opened."""

    food: str
    form: str
    colour: str
    count: int
    each: str
    container: str
    container_name: str
    draw: Drawing
    level: float
    thick: str
    middle_cold_hours: float
    middle_cold: str
    holds: list[HoldView]
    chosen: int
    out_hours: float
    thaw_surface_hours: float
    thaw_hours: float
    thaw: str
    open_hours: float
    dew_c: float
    dew: str
    room_c: float
    freezer_c: float
    kills_c: float
    """From here down eggs and larvae die, °C."""
    early_water_g: float
    early_water: str
    """Water that would settle on it, opened straight from the freezer."""
    curve: list[Point]
    cautions: list[str]


class Cold:
    """An ask read against the larder: the food, its packages, and the cold they meet."""

    def __init__(
        self, session: Session, ask: FreezeAsk, today: date, content: tuple[Food, float] | None = None
    ) -> None:
        """Read an ask, or what is in already: then its food, and how much of it, g."""
        # What is in already goes by the cold that was counted on when it went in.
        freezer_c = ask.freezer_c if content or ask.place is None else frost_in(session, ask.place, today).warmest_c
        ask = self.ask = replace(ask, container=ask.container or usual_container(session), freezer_c=freezer_c)
        self.household: Settings = settings(session)
        self.food: Food
        self.food, self.amount_g = content or read_food_line(ask.line, all_foods(session))
        self.container: Container = container_by_key(ask.container)
        if not 0 <= ask.hold < len(HOLDS):
            raise Refused("hold", "Choose one of the guidelines")
        most_g = mass_that_fits_g(volume_below_ml(self.container, self.container.headspace_mm), self.food.settled_g_ml)
        self.count = max(1, math.ceil(self.amount_g / most_g - 1e-9))
        if self.count > MOST_PACKAGES:
            raise Refused("container", f"That would be {self.count:,} packages; freeze it in parts, or in larger ones")
        self.each_g = self.amount_g / self.count
        self.solid: Solid = as_solid(self.container, self.each_g / self.food.settled_g_ml)
        self.stuff = stuff_of(self.food)
        surface = MOVING_AIR if ask.moving else STILL_AIR
        # Of a mild frost there is one hold only: whichever was chosen for a freezer, it is that.
        self.holds = holds_at(ask.freezer_c)
        self.hold: Hold = self.holds[min(ask.hold, len(self.holds) - 1)]
        self.freeze = Freeze(self.solid, self.stuff, self.household.room_c, ask.freezer_c, surface)
        self.thaw = Thaw(
            self.solid, self.stuff, ask.freezer_c, self.household.room_c, max(0.01, self.household.humidity)
        )

    def early_water_g(self, food_c: float) -> float:
        """Water that would settle on all of it, opened at a temperature, g."""
        return settling_water_g(
            self.amount_g,
            self.stuff.heat_capacity,
            food_c=food_c,
            room_c=self.household.room_c,
            humidity=max(0.01, self.household.humidity),
            pressure_kpa=pressure_kpa(self.household.altitude_m),
        )

    def plan(self) -> FreezePlan:
        """Everything the screen shows of it."""
        cold, thaw = self.freeze.middle_cold_hours(), self.thaw.dry_hours()
        out = self.freeze.ends_hours(self.hold)
        units = self.household.units
        early_g = self.early_water_g(self.ask.freezer_c)
        return FreezePlan(
            food=self.food.name,
            form=self.food.form,
            colour=self.food.colour,
            count=self.count,
            each=say_mass(self.each_g, units),
            container=self.ask.container,
            container_name=called(self.container, units),
            draw=drawing(self.container),
            level=min(1.0, self.each_g / self.food.settled_g_ml / volume_below_ml(self.container, 0)),
            thick=say_length(self.solid.thinnest_m * 1000, units),
            middle_cold_hours=cold,
            middle_cold=say_hours(cold),
            holds=[
                HoldView(
                    each.name,
                    _why(each, units),
                    each.source,
                    self.freeze.ends_hours(each),
                    say_hours(self.freeze.ends_hours(each)),
                    self.freeze.ends_hours(each) >= cold,
                )
                for each in self.holds
            ],
            chosen=self.holds.index(self.hold),
            out_hours=out,
            thaw_surface_hours=self.thaw.dry_hours(at_surface=True),
            thaw_hours=thaw,
            thaw=say_hours(thaw),
            open_hours=out + thaw,
            dew_c=self.thaw.dew_c,
            dew=say_temperature(self.thaw.dew_c, units),
            room_c=self.household.room_c,
            freezer_c=self.ask.freezer_c,
            kills_c=self.freeze.kills_c,
            early_water_g=early_g,
            early_water=say_mass(early_g, units),
            curve=self._curve(out, thaw),
            cautions=self._cautions(),
        )

    def _curve(self, out: float, thaw: float) -> list[Point]:
        cooling, warming = np.linspace(0, out, _POINTS), np.linspace(0, max(thaw * 1.25, 2), _POINTS // 2)
        hours = np.concatenate([cooling, out + warming])
        middle, surface = (
            np.concatenate(
                [
                    self.freeze.temperature_c(cooling, at_surface=outside),
                    self.thaw.temperature_c(warming, at_surface=outside),
                ]
            )
            for outside in (False, True)
        )
        rows: Sequence[Sequence[float]] = np.stack([hours, middle, surface], axis=1).round(2).tolist()
        return [Point(*row) for row in rows]

    def _cautions(self) -> list[str]:
        found = ["Leave a hand's width of air round each package: packed tight, they cool as one."]
        if self.container.kind in (Kind.JAR, Kind.BOTTLE):
            found.append("Glass and thin plastic crack at a knock when they are cold: lift them out gently.")
        if self.ask.freezer_c > WARMEST_FREEZER_C:
            found.append(
                "A frost comes and goes: hours that are warmer than this do not count. Keep it out of the sun."
            )
        if not self.container.holds_without_air:
            found.append("Close it in something that keeps the room's moisture out before it comes out of the freezer.")
        return found
