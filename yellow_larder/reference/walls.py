"""What walls and closures let through, by what containers are made of and closed with."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache

from yellow_larder.core.air import WAX_LETS_PAST, Wall
from yellow_larder.core.containers import Container, Lid, Material
from yellow_larder.core.days import DAYS_PER_YEAR as DAYS_PER_YEAR
from yellow_larder.core.keeping import Walls
from yellow_larder.core.moisture import VaporWall
from yellow_larder.reference.rows import rows

_MM_PER_MIL = 0.0254

Range = tuple[float, float]
"""The least and the most that something lets through."""


@dataclass(frozen=True, slots=True)
class Lets:
    """What a material lets through, or a lid lets past it, from the tightest to the leakiest.

    Attributes:
        oxygen: of a wall, mL/m²·day·atm at 23 °C; past a lid, mL/day·atm.
        vapor: of a wall, g/m²·day at 38 °C and 90 % humidity; past a lid, g/day.
        source: where the figures are from.
        thick_mm: how thick a wall they are for, mm; 0 where thickness does not matter, and of a lid.
        oxygen_kj_mol: how much more oxygen comes in warmth, kJ/mol.
        vapor_kj_mol: how much more water vapour comes in warmth, kJ/mol.
    """

    oxygen: Range
    vapor: Range
    source: str
    thick_mm: float = 0
    oxygen_kj_mol: float = 0
    vapor_kj_mol: float = 0


def _between(low: float, high: float) -> float:
    """The middle of what lies between: of figures that span a factor of ten, the geometric one."""
    return math.sqrt(low * high) if low > 0 else high / 2


def _range(row: dict[str, str], figure: str, unit: str) -> Range:
    return float(row[f"{figure}_low_{unit}"]), float(row[f"{figure}_high_{unit}"])


@lru_cache
def materials() -> dict[Material, Lets]:
    """What walls let through, by what they are made of.

    Example:
        >>> materials()[Material.FOIL].oxygen
        (0.002, 0.05)
    """
    return {
        Material(row["material"]): Lets(
            _range(row, "face", "ml"),
            _range(row, "vapor", "g"),
            row["source"],
            float(row["thick_mm"]),
            float(row["oxygen_kj_mol"]),
            float(row["vapor_kj_mol"]),
        )
        for row in rows("materials")
    }


@lru_cache
def lids() -> dict[Lid, Lets]:
    """What lids and seams let past them.

    Example:
        >>> lids()[Lid.PRESERVING].oxygen
        (0.002, 0.05)
    """
    return {
        Lid(row["lid"]): Lets(_range(row, "closure", "ml"), _range(row, "vapor", "g"), row["source"])
        for row in rows("lids")
    }


def walls_of(container: Container, *, waxed: bool = False) -> Walls:
    """What one container lets through: its wall by its thickness, its cap under wax, as a bottle's may be.

    Example:
        Film half as thick lets twice as much through:

        >>> from yellow_larder.reference import containers
        >>> thick, thin = (walls_of(containers()[key]) for key in ("bag-gallon", "bag-gallon-thin"))
        >>> round(thick.vapor[2].face_g, 6), round(thin.vapor[2].face_g, 6)
        (0.05, 0.1)

    Source: Fick: what goes through a film goes as one over its thickness; of foil that is so of the plastic of its seam
    and around its pinholes, our judgement.
    """
    wall, lid = materials()[container.made_of], lids()[container.closed_by]
    thick_mm = container.film_mil * _MM_PER_MIL if container.has_film else container.wall_mm
    thin = wall.thick_mm / thick_mm if thick_mm and wall.thick_mm else 1.0
    past = WAX_LETS_PAST if waxed else 1.0

    def three(each: Range) -> tuple[float, float, float]:
        return (_between(*each), *each)

    oxygen = tuple(
        Wall(face * thin, closure * past, wall.oxygen_kj_mol)
        for face, closure in zip(three(wall.oxygen), three(lid.oxygen), strict=True)
    )
    vapor = tuple(
        VaporWall(face * thin, closure * past, wall.vapor_kj_mol)
        for face, closure in zip(three(wall.vapor), three(lid.vapor), strict=True)
    )
    return Walls((oxygen[0], oxygen[1], oxygen[2]), (vapor[0], vapor[1], vapor[2]))


def source_of(container: Container) -> str:
    """Where the figures of a container's wall and lid are from."""
    material, lid = container.made_of, container.closed_by
    parts = {material.value: materials()[material].source, lid.value: lids()[lid].source}
    return "; ".join(f"{name}: {source}" for name, source in parts.items() if name != Lid.NONE.value)
