"""One closed package and where it stands."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from yellow_larder.core.air import Wall, oxygen_share
from yellow_larder.core.arrays import Numbers
from yellow_larder.core.containers import Closing, Container
from yellow_larder.core.moisture import GEL_START_PCT, Isotherm, Texture, VaporWall


@dataclass(frozen=True, slots=True)
class Climate:
    """Where a package stands.

    Attributes:
        mean_c: mean temperature of the year, °C, −40–60.
        swing_c: how far the warmest lies above it, °C, 0–30.
        humidity: relative humidity, 0.02–0.98.
    """

    mean_c: float
    swing_c: float
    humidity: float

    @property
    def warmest_c(self) -> float:
        """The warmest of the year, °C."""
        return self.mean_c + self.swing_c


@dataclass(frozen=True, slots=True)
class Room:
    """The air of the room that packing is done in.

    Attributes:
        temperature_c: temperature, °C, −10–45.
        humidity: relative humidity, 0–1.
        pressure_kpa: pressure, kPa, 50–110.
    """

    temperature_c: float
    humidity: float
    pressure_kpa: float

    @property
    def oxygen_share(self) -> float:
        """Share of oxygen in its air."""
        return oxygen_share(temperature_c=self.temperature_c, humidity=self.humidity, pressure_kpa=self.pressure_kpa)


@dataclass(frozen=True, slots=True)
class Walls:
    """What a container lets through: as tight and as leaky as such containers are, and in the middle.

    Attributes:
        oxygen: middle, tightest, leakiest.
        vapor: the same.
    """

    oxygen: tuple[Wall, Wall, Wall]
    vapor: tuple[VaporWall, VaporWall, VaporWall]


@dataclass(frozen=True, slots=True)
class ComeTo:
    """What a package has come to by some day: an entry for each wall, the middle one, the tightest, the leakiest.

    Attributes:
        oxygen: share of oxygen in it, 0–0.21.
        packets_ml: what its packets can still take up, mL.
        moisture_pct: moisture of the food, wet basis, %; as it was closed where nothing tells.
        gel_pct: water that its gel holds, % of its dry weight.
    """

    oxygen: Numbers
    packets_ml: Numbers
    moisture_pct: Numbers
    gel_pct: Numbers


@dataclass(frozen=True)
class Package:
    """One closed package and where it stands; `Course` tells what becomes of it.

    Attributes:
        container: what the food is in.
        closing: what was done about the air.
        walls: what it lets through.
        void_ml: air inside, mL in the room it was closed in, 0 or more.
        packed_ml: what its packets take up, mL, 0 or more.
        vacuum_share: oxygen that a vacuum left, as a share of what air of the room would hold in all; none without one.
        mass_g: food, g, above 0.
        moisture_pct: its moisture, wet basis, %, 0–100.
        isotherm: of the food; none for what has none.
        texture: what moisture does to it.
        gel_g: dry gel with it, g, 0 or more.
        opened_a_day: how often it is opened, 0–24.
        climate: where it stands.
        room: the air it was closed in.
        come_to: what it has come to already, if it goes on from there; none if it was closed just now.
    """

    container: Container
    closing: Closing
    walls: Walls
    void_ml: float
    packed_ml: float
    vacuum_share: float | None
    mass_g: float
    moisture_pct: float
    isotherm: Isotherm | None
    texture: Texture
    gel_g: float
    opened_a_day: float
    climate: Climate
    room: Room
    come_to: ComeTo | None = None

    @property
    def is_as_it_was_made(self) -> bool:
        """Whether it is closed as its maker closed it: what is in it neither dries, drinks nor spoils."""
        return self.container.closed_by_maker and not self.opened_a_day

    @property
    def begins_pct(self) -> tuple[Numbers, Numbers]:
        """What the food and its gel hold to begin with, by wall: moisture, wet basis, and % of the dry gel."""
        if self.come_to is not None:
            return self.come_to.moisture_pct, self.come_to.gel_pct
        return np.full(3, self.moisture_pct), np.full(3, GEL_START_PCT)
