"""What containers are made of, what closes them, and what they held before."""

from __future__ import annotations

from enum import StrEnum


class Material(StrEnum):
    """What a wall is made of; plastics with the number that is stamped into their foot.

    Source of the numbers: ASTM D7611, resin identification codes.
    """

    FOIL = "foil laminate"
    CLEAR_FRONT = "foil with a clear front"
    NYLON = "nylon and polyethylene"
    PAPER = "paper or thin film"
    SLATS = "slats or mesh"
    GLASS = "glass"
    STEEL = "steel"
    PET = "PET (1)"
    HDPE = "HDPE (2)"
    POLYPROPYLENE = "polypropylene (5)"
    OTHER_PLASTIC = "other plastic"

    @property
    def is_clear(self) -> bool:
        """Whether food usually shows through it."""
        return self in _CLEAR

    @property
    def keeps_oxygen_out(self) -> bool:
        """Whether it keeps oxygen out for years.

        Source: table of walls.
        """
        return self in _KEEPS_OXYGEN_OUT

    @property
    def is_plastic(self) -> bool:
        """Whether it is stiff plastic, which takes up smells and what else it held."""
        return self in _PLASTIC


_CLEAR = frozenset({Material.CLEAR_FRONT, Material.NYLON, Material.PAPER, Material.GLASS, Material.PET})
_KEEPS_OXYGEN_OUT = frozenset(
    {Material.FOIL, Material.CLEAR_FRONT, Material.NYLON, Material.GLASS, Material.STEEL},
)
_PLASTIC = frozenset({Material.PET, Material.HDPE, Material.POLYPROPYLENE, Material.OTHER_PLASTIC})


class Lid(StrEnum):
    """What closes a container."""

    HEAT_SEAL = "heat seal"
    ZIP = "heat seal above a zip"
    PRESERVING = "preserving lid"
    """A flat lid with sealing compound, held down by a band: the air inside pulls it down."""
    RING = "rubber ring and clamp"
    SCREW = "screw cap"
    GASKET = "lid with a gasket"
    PRESSED = "lid pressed on"
    SEAM = "double seam"
    NONE = "none"

    @property
    def is_tight(self) -> bool:
        """Whether it keeps air out for months and longer."""
        return self not in (Lid.PRESSED, Lid.NONE)


class Held(StrEnum):
    """What a container held before."""

    NOTHING = "nothing: made for food"
    FOOD = "food"
    STRONG = "pickles, sauce or spices"
    OTHER = "something else, or not known"
