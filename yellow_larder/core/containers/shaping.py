"""The shape of a container that nobody has in a table: from its volume and what of its size is known."""

from __future__ import annotations

import math
from dataclasses import dataclass

from yellow_larder.core.containers.container import Kind
from yellow_larder.core.errors import OutOfRange, check_range

WATER_G_ML = 0.998
"""Density of water at 20 °C, g/mL. Source: CRC Handbook of Chemistry and Physics, 0.9982."""

_HIGH_FOR_WIDE = {Kind.JAR: 1.7, Kind.PAIL: 1.2, Kind.TOTE: 0.65, Kind.BOTTLE: 3.3, Kind.CAN: 1.1}
"""How much higher than wide a kind usually is. Source: the mean over the table of containers; totes: as its boxes."""

_NARROWER_AT_THE_FOOT = {Kind.PAIL: 0.88, Kind.TOTE: 0.9}
"""Width at the foot, as a share of that at the top. Source: pails of the table; totes: our judgement."""

_LEAST_FULL, _MOST_FULL = 0.55, 1.1
"""How much of the solid of its height and width a container holds: a bottle has shoulders, and people measure outside.

Source: our judgement; a drinks bottle of the table holds 0.93 of it.
"""


@dataclass(frozen=True, slots=True)
class Shape:
    """The inside of a stiff wall, mm."""

    height_mm: float
    top_mm: float
    base_mm: float


def volume_by_water_ml(full_g: float, empty_g: float) -> float:
    """What a container holds, from what it weighs filled with water to the brim and empty, mL.

    Args:
        full_g: weight full of water, g, 1–400,000.
        empty_g: weight empty, g, 0 to less than that.

    Raises:
        OutOfRange: a weight is outside the range above.

    Example:
        >>> round(volume_by_water_ml(1498, 500))
        1000

    Source: see `WATER_G_ML`.
    """
    check_range("full_g", full_g, 1, 400_000, "g")
    check_range("empty_g", empty_g, 0, full_g, "g")
    return (full_g - empty_g) / WATER_G_ML


def shape_of(
    kind: Kind, volume_ml: float, *, is_square: bool = False, height_mm: float = 0, width_mm: float = 0
) -> Shape:
    """The inner size of a stiff container, from its volume and what of its size was measured.

    What was not measured follows from the volume, or from what is usual for its kind.

    Args:
        kind: jar, pail, tote, bottle or can.
        volume_ml: brimful volume, mL, 50–250,000.
        is_square: whether it is square seen from above.
        height_mm: inner height, mm; 0 if it was not measured.
        width_mm: inner width at the top, mm; 0 if it was not measured.

    Raises:
        OutOfRange: an argument is outside the range above, or no container of that size holds so much; then the
            figure is `capacity_ml`, with what it could hold.

    Example:
        A jar of a litre is drawn as a jar; one that is 20 cm high is narrower:

        >>> shape_of(Kind.JAR, 1000)
        Shape(height_mm=154.4, top_mm=90.8, base_mm=90.8)
        >>> shape_of(Kind.JAR, 1000, height_mm=200).top_mm
        79.8

    Source: geometry of a frustum; see `_HIGH_FOR_WIDE`.
    """
    check_range("capacity_ml", volume_ml, 50, 250_000, "mL")
    share = _NARROWER_AT_THE_FOOT.get(kind, 1.0)
    solid = (1.0 if is_square else math.pi / 4) * (1 + share + share**2) / 3
    volume = volume_ml * 1000
    if height_mm and width_mm:
        could_ml = solid * width_mm**2 * height_mm / 1000
        if not _LEAST_FULL * could_ml <= volume_ml <= _MOST_FULL * could_ml:
            raise OutOfRange("capacity_ml", volume_ml, _LEAST_FULL * could_ml, _MOST_FULL * could_ml, "mL")
    wide = width_mm or (
        math.sqrt(volume / (solid * height_mm)) if height_mm else (volume / (solid * _HIGH_FOR_WIDE[kind])) ** (1 / 3)
    )
    high = height_mm or volume / (solid * wide**2)
    return Shape(round(high, 1), round(wide, 1), round(wide * share, 1))
