"""The air in a packed container, and the oxygen in that air."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from yellow_larder.core.air.room_air import ATMOSPHERE_KPA, at_rating_state, oxygen_share
from yellow_larder.core.containers import Container, closed_volume_ml, headspace_above_mm
from yellow_larder.core.errors import OutOfRange, check_range
from yellow_larder.core.food import Food, Trait

MARGIN = 0.2
"""Share added to the oxygen there is, for packets that fall short and air that comes in.

Source: common practice, "more does no harm, less does".
"""

_AIRY_ML = ((1.0, 500.0), (2.0, 1000.0), (4.0, 1000.0), (20.0, 2500.0))
"""Packets for airy food by the quarts a container is sold as. Source: see `need_by_kind_ml`."""

_AIRY_GROUPS = ("pasta", "pulses")

_ML_PER_QUART = 100.0
"""Packet millilitres per quart. Source: common practice: quart 100, half gallon 200, gallon 400, 5 gallon 2,000."""


@dataclass(frozen=True, slots=True)
class Fill:
    """A container with food in it, closed.

    Attributes:
        mass_g: weight of the food.
        food_ml: space the food takes up, its air included.
        solid_ml: space of the solid alone.
        between_ml: air between and inside the pieces.
        headspace_ml: air above the food, after pressing.
        headspace_mm: height from the food to the seal or rim.
    """

    mass_g: float
    food_ml: float
    solid_ml: float
    between_ml: float
    headspace_ml: float
    headspace_mm: float

    @property
    def void_ml(self) -> float:
        """All the air in the closed container, mL."""
        return self.between_ml + self.headspace_ml


def solid_ml(mass_g: float, particle_g_ml: float) -> float:
    """Space taken by the solid alone.

    Args:
        mass_g: weight of the food, g, 0–10,000,000.
        particle_g_ml: density of the solid, g/mL, 0.5–3.

    Returns:
        Volume, mL.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> round(solid_ml(2500, 1.4))
        1786

    Source: definition of density.
    """
    check_range("particle_g_ml", particle_g_ml, 0.5, 3, "g/mL")
    return check_range("mass_g", mass_g, 0, 1e7, "g") / particle_g_ml


def mass_that_fits_g(space_ml: float, bulk_g_ml: float) -> float:
    """Weight of food that a space holds.

    Args:
        space_ml: the space below the headspace, mL, 0–1,000,000.
        bulk_g_ml: bulk density, between loose and settled, g/mL, 0.01–3.

    Returns:
        Weight, g.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> mass_that_fits_g(1000, 0.8)
        800.0

    Source: definition of bulk density.
    """
    check_range("bulk_g_ml", bulk_g_ml, 0.01, 3, "g/mL")
    return check_range("space_ml", space_ml, 0, 1e6, "mL") * bulk_g_ml


def fill(container: Container, food: Food, mass_g: float, *, pressed: bool) -> Fill:
    """Put a weight of food, shaken down, into a container and close it.

    Args:
        container: what it goes into.
        food: what goes in.
        mass_g: weight, g, above 0, at most what fits brimful.
        pressed: whether the air above the food is pressed out; only film can be pressed.

    Returns:
        The food, the solid, and the air.

    Raises:
        OutOfRange: the weight does not fit.

    Example:
        >>> from yellow_larder.core.food import Composition
        >>> from yellow_larder.core.containers import Kind
        >>> barley = Food("b", "barley", "grains", "grain", "#ddbb77", "hard grain",
        ...               Composition(352, 9.9, 1.2, 77.7, 15.6, 10.1), 0.78, 0.83, 1.40)
        >>> jar = Container("j", "jar", Kind.JAR, capacity_ml=1000, height_mm=160, top_mm=90, base_mm=90)
        >>> f = fill(jar, barley, 700, pressed=False)
        >>> round(f.solid_ml), round(f.between_ml), round(f.headspace_ml), round(f.void_ml)
        (500, 343, 157, 500)

    Source: volumes add; pressing moves only the air above the food.
    """
    closed = closed_volume_ml(container)
    most = mass_that_fits_g(closed, food.settled_g_ml)
    if not 0 < mass_g <= most * (1 + 1e-9):
        raise OutOfRange("mass_g", mass_g, 0, most, "g")
    food_ml = min(mass_g / food.settled_g_ml, closed)
    solid = solid_ml(mass_g, food.particle_g_ml)
    return Fill(
        mass_g=mass_g,
        food_ml=food_ml,
        solid_ml=solid,
        between_ml=food_ml - solid,
        headspace_ml=0.0 if pressed and container.has_film else closed - food_ml,
        headspace_mm=headspace_above_mm(container, food_ml),
    )


def oxygen_ml(
    void_ml: float, *, pressure_kpa: float = ATMOSPHERE_KPA, temperature_c: float = 20.0, humidity: float = 0.0
) -> float:
    """Oxygen in the air of a closed package, at the state packets are rated in.

    Args:
        void_ml: air in the package, mL, 0–1,000,000.
        pressure_kpa: pressure of the room when it was closed, kPa, 50–110.
        temperature_c: temperature of the room, °C, −10–45.
        humidity: relative humidity of the room, 0–1.

    Returns:
        Oxygen, mL at 20 °C and 101.325 kPa.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> round(oxygen_ml(1000))
        209

    Source: dry air is 20.946 % oxygen by volume (US Standard Atmosphere, 1976).
    """
    share = oxygen_share(temperature_c=temperature_c, humidity=humidity, pressure_kpa=pressure_kpa)
    return at_rating_state(void_ml, temperature_c=temperature_c, pressure_kpa=pressure_kpa) * share


def need_by_air_ml(oxygen_ml: float, *, margin: float = MARGIN) -> float:
    """Packet rating asked for by the air actually there.

    Args:
        oxygen_ml: oxygen in the package, mL, 0–1,000,000.
        margin: share added to be safe, 0–3.

    Returns:
        Millilitres of packet.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> need_by_air_ml(300)
        360.0

    Source: mass balance; the margin is common practice.
    """
    check_range("oxygen_ml", oxygen_ml, 0, 1e6, "mL")
    return oxygen_ml * (1 + check_range("margin", margin, 0, 3, ""))


def need_by_container_ml(nominal_qt: float) -> float:
    """Packet rating by the rule of thumb that looks only at the container.

    Args:
        nominal_qt: the size the container is sold as, US quarts, 0.1–250.

    Returns:
        Millilitres of packet.

    Raises:
        OutOfRange: the size is outside the range above.

    Example:
        >>> [need_by_container_ml(quarts) for quarts in (1, 2, 4, 20)]
        [100.0, 200.0, 400.0, 2000.0]

    Source: common practice.
    """
    return _ML_PER_QUART * check_range("nominal_qt", nominal_qt, 0.1, 250, "qt")


def need_by_kind_ml(nominal_qt: float, *, airy: bool) -> float:
    """Packet rating by the rule of thumb that looks at the container and at the kind of food.

    Args:
        nominal_qt: the size the container is sold as, US quarts, 0.1–250.
        airy: whether it is food with much air in it, see `is_airy_kind`.

    Returns:
        Millilitres of packet.

    Raises:
        OutOfRange: the size is outside the range above.

    Example:
        >>> [need_by_kind_ml(quarts, airy=True) for quarts in (1, 2, 4, 20)]
        [500.0, 1000.0, 1000.0, 2500.0]
        >>> need_by_kind_ml(20, airy=False)
        2000.0

    Source: common practice: dense food as by container; airy food 1,000 for the half gallon and the gallon. For the
    quart and for five gallons the custom is not agreed: half of the half gallon's, and 2,500, are our reading of it.
    """
    if not airy:
        return need_by_container_ml(nominal_qt)
    check_range("nominal_qt", nominal_qt, 0.1, 250, "qt")
    sizes, packets = zip(*_AIRY_ML, strict=True)
    if nominal_qt >= sizes[-1]:
        return packets[-1] * nominal_qt / sizes[-1]
    return float(np.interp(nominal_qt, (0.0, *sizes), (0.0, *packets)))


def is_airy_kind(food: Food) -> bool:
    """Whether that custom counts a food as airy: pasta, beans, flakes, and what was dried in pieces.

    Source: common practice.
    """
    return food.group in _AIRY_GROUPS or bool(food.traits & {Trait.FREEZE_DRIED, Trait.HOME_DRIED})
