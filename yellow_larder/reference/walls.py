"""What walls and closures let through, by kind of container."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from functools import lru_cache

from yellow_larder.core.air import WAX_LETS_PAST, Wall
from yellow_larder.core.containers import Container, Kind
from yellow_larder.core.days import DAYS_PER_YEAR as DAYS_PER_YEAR
from yellow_larder.core.keeping import Walls
from yellow_larder.core.moisture import VaporWall
from yellow_larder.reference.rows import rows


@dataclass(frozen=True, slots=True)
class WallRange:
    """What the wall of a kind of container lets through, from the tightest to the leakiest.

    Attributes:
        kind: of container.
        film_mil: how thick the film is that the figures are for, mil; 0 without film.
        tight: the tightest.
        leaky: the leakiest.
        source: where the figures are from.
    """

    kind: Kind
    film_mil: float
    tight: Wall
    leaky: Wall
    source: str

    @property
    def middle(self) -> Wall:
        """The middle of the range: of figures that span a factor of ten, the geometric one."""
        face = _between(self.tight.face_ml, self.leaky.face_ml)
        return Wall(face, _between(self.tight.closure_ml, self.leaky.closure_ml), self.tight.kj_mol)


def _between(low: float, high: float) -> float:
    return math.sqrt(low * high) if low > 0 else high / 2


@lru_cache
def walls() -> dict[Kind, WallRange]:
    """What walls let through, by kind of container.

    Example:
        >>> walls()[Kind.BAG].middle
        Wall(face_ml=0.01, closure_ml=0.0, kj_mol=30.0)
    """
    return {
        Kind(row["kind"]): WallRange(
            Kind(row["kind"]),
            float(row["film_mil"]),
            Wall(float(row["face_low_ml"]), float(row["closure_low_ml"]), float(row["oxygen_kj_mol"])),
            Wall(float(row["face_high_ml"]), float(row["closure_high_ml"]), float(row["oxygen_kj_mol"])),
            row["source"],
        )
        for row in rows("walls")
    }


@lru_cache
def vapor_walls() -> dict[Kind, tuple[VaporWall, VaporWall]]:
    """What walls let through of water vapour, by kind of container: the tightest and the leakiest.

    Example:
        >>> vapor_walls()[Kind.BAG][0]
        VaporWall(face_g=0.005, closure_g=0.0, kj_mol=30.0)
    """
    return {
        Kind(row["kind"]): (
            VaporWall(float(row["vapor_low_g"]), float(row["vapor_closure_low_g"]), float(row["vapor_kj_mol"])),
            VaporWall(float(row["vapor_high_g"]), float(row["vapor_closure_high_g"]), float(row["vapor_kj_mol"])),
        )
        for row in rows("walls")
    }


def walls_of(container: Container, *, waxed: bool = False) -> Walls:
    """What one container lets through: its film by its thickness, its cap under wax, as a bottle's may be.

    Example:
        Film half as thick lets twice as much through:

        >>> from yellow_larder.reference import containers
        >>> thick, thin = (walls_of(containers()[key]) for key in ("bag-gallon", "bag-gallon-thin"))
        >>> thick.vapor[2].face_g, thin.vapor[2].face_g
        (0.05, 0.1)

    Source: Fick: what goes through a film goes as one over its thickness; of foil that is so of the plastic of its seam
    and around its pinholes, our judgement.
    """
    row, (tight, leaky) = walls()[container.kind], vapor_walls()[container.kind]
    face, closure = _between(tight.face_g, leaky.face_g), _between(tight.closure_g, leaky.closure_g)
    thin = row.film_mil / container.film_mil if container.has_film else 1.0
    past = WAX_LETS_PAST if waxed else 1.0

    def oxygen(wall: Wall) -> Wall:
        return replace(wall, face_ml=wall.face_ml * thin, closure_ml=wall.closure_ml * past)

    def vapor(wall: VaporWall) -> VaporWall:
        return replace(wall, face_g=wall.face_g * thin, closure_g=wall.closure_g * past)

    return Walls(
        (oxygen(row.middle), oxygen(row.tight), oxygen(row.leaky)),
        (vapor(VaporWall(face, closure, tight.kj_mol)), vapor(tight), vapor(leaky)),
    )
