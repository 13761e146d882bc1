"""How much a container holds, and how high a given volume stands in it."""

from __future__ import annotations

import math
from dataclasses import dataclass, field
from enum import StrEnum
from typing import Literal

from yellow_larder.core.containers.making import Held, Lid, Material
from yellow_larder.core.errors import OutOfRange, check_range


class Kind(StrEnum):
    """The sorts of container the trade tells apart."""

    BAG = "bag"
    ZIP_BAG = "zip bag"
    CLEAR_BAG = "clear-front bag"
    POUCH = "vacuum pouch"
    JAR = "jar"
    PAIL = "pail"
    LINED_PAIL = "pail with liner"
    BOTTLE = "bottle"
    CAN = "can"
    TOTE = "tote"
    """A box of stiff plastic or metal with a lid."""
    PACKET = "shop packet"
    TIN = "tin"
    """Sealed and sterilised by its maker, as a tin from the shop is."""
    SHOP_JAR = "shop jar"
    """A jar or bottle closed by its maker."""
    CANNED_JAR = "canned jar"
    """A preserving jar that was canned at home: sealed and sterilised with what is in it."""
    BOX = "box"
    """A box, basket or crate: it holds food together, and keeps nothing out."""


class Mouth(StrEnum):
    """The two widths that preserving jars and their lids come in."""

    REGULAR = "regular"
    WIDE = "wide"


LID_MM = {Mouth.REGULAR: 70.0, Mouth.WIDE: 86.0}
"""Width of the lid that fits a mouth, mm. Source: preserving jars as sold, common practice."""


class Closing(StrEnum):
    """What is done about the air before a container is closed."""

    ABSORBER = "absorber"
    VACUUM = "vacuum"
    LID = "lid"
    """Closed as it is, with room air."""


_FLAT = frozenset({Kind.BAG, Kind.ZIP_BAG, Kind.CLEAR_BAG, Kind.POUCH, Kind.PACKET})
_HAS_FILM = _FLAT | {Kind.LINED_PAIL}
_BY_ITS_MAKER = frozenset({Kind.TIN, Kind.SHOP_JAR, Kind.CANNED_JAR})
_FROM_THE_SHOP = _BY_ITS_MAKER | {Kind.PACKET, Kind.BOX}
_USUALLY = {
    Kind.BAG: (Material.FOIL, Lid.HEAT_SEAL),
    Kind.ZIP_BAG: (Material.FOIL, Lid.ZIP),
    Kind.CLEAR_BAG: (Material.CLEAR_FRONT, Lid.HEAT_SEAL),
    Kind.POUCH: (Material.NYLON, Lid.HEAT_SEAL),
    Kind.JAR: (Material.GLASS, Lid.PRESERVING),
    Kind.PAIL: (Material.HDPE, Lid.GASKET),
    Kind.LINED_PAIL: (Material.FOIL, Lid.HEAT_SEAL),
    Kind.BOTTLE: (Material.PET, Lid.SCREW),
    Kind.CAN: (Material.STEEL, Lid.SEAM),
    Kind.TOTE: (Material.POLYPROPYLENE, Lid.PRESSED),
    Kind.PACKET: (Material.PAPER, Lid.HEAT_SEAL),
    Kind.TIN: (Material.STEEL, Lid.SEAM),
    Kind.SHOP_JAR: (Material.GLASS, Lid.PRESERVING),
    Kind.CANNED_JAR: (Material.GLASS, Lid.PRESERVING),
    Kind.BOX: (Material.SLATS, Lid.NONE),
}
"""What each kind is made of, and closed with, where nothing else is said. Source: common practice."""


@dataclass(frozen=True, slots=True)
class Container:
    """A container, empty.

    A flat one (bag, pouch, packet) is told by its flat size; a stiff one by its brimful volume and inner
    height and width. A pail with liner has both.

    Attributes:
        key: short name used in files and addresses.
        name: what people call it.
        kind: what sort it is.
        width_mm: flat width of the film, mm; 0 without film.
        length_mm: flat length of the film, mm; 0 without film.
        seal_mm: strip of the length given up to the seal, mm.
        film_mil: thickness of one wall of the film, mil (thousandths of an inch); 0 without film.
        capacity_ml: brimful volume of a stiff wall, mL; 0 without one.
        height_mm: inner height of a stiff wall, mm.
        top_mm: inner width at the top of a stiff wall, mm.
        base_mm: inner width at the foot of a stiff wall, mm.
        nominal_qt: the size it is sold as, US quarts, which rules of thumb go by.
        headspace_mm: height left free by custom, mm.
        closings: ways it can be closed, the usual one first.
        sold_in: the measures it is sold in, "US" or "metric"; empty if in either.
        mouth: which preserving lids fit a jar; none of anything else.
        source: where the figures come from.
        material: what it is made of; none means what its kind usually is.
        lid: what closes it; none means what its kind usually has.
        wall_mm: how thick its stiff wall is, mm; 0 if nobody knows.
        is_square: whether it is square seen from above; a round one is as wide as it is deep, too.
        see_through: whether food shows through its wall; none means as its material has it.
        held: what it held before food was packed into it.
    """

    key: str
    name: str
    kind: Kind
    width_mm: float = 0
    length_mm: float = 0
    seal_mm: float = 0
    film_mil: float = 0
    capacity_ml: float = 0
    height_mm: float = 0
    top_mm: float = 0
    base_mm: float = 0
    nominal_qt: float = 1
    sold_in: Literal["", "US", "metric"] = ""
    headspace_mm: float = 0
    closings: tuple[Closing, ...] = field(default=(Closing.LID,))
    mouth: Mouth | None = None
    source: str = ""
    material: Material | None = None
    lid: Lid | None = None
    wall_mm: float = 0
    is_square: bool = False
    see_through: bool | None = None
    held: Held = Held.NOTHING

    def __post_init__(self) -> None:
        """Refuse sizes that no container has."""
        if self.has_film:
            check_range("width_mm", self.width_mm, 50, 1200, "mm")
            check_range("length_mm", self.length_mm, 50, 1500, "mm")
            check_range("film_mil", self.film_mil, 0.5, 20, "mil")
            if self.seal_mm > self.length_mm - 30:
                raise OutOfRange("length_mm", self.length_mm, self.seal_mm + 30, 1500, "mm")
        if not self.is_flat:
            check_range("capacity_ml", self.capacity_ml, 50, 250_000, "mL")
            check_range("height_mm", self.height_mm, 30, 1000, "mm")

    @property
    def is_flat(self) -> bool:
        """Whether it has no stiff wall, so that pressing can drive the air out."""
        return self.kind in _FLAT

    @property
    def has_film(self) -> bool:
        """Whether food lies against film: a bag, or the liner in a pail."""
        return self.kind in _HAS_FILM

    @property
    def made_of(self) -> Material:
        """What stands between the food and the room: of a pail with liner, the liner."""
        return self.material or _USUALLY[self.kind][0]

    @property
    def closed_by(self) -> Lid:
        """What closes it."""
        return self.lid or _USUALLY[self.kind][1]

    @property
    def lets_light_in(self) -> bool:
        """Whether food can be seen through the wall."""
        return self.made_of.is_clear if self.see_through is None else self.see_through

    @property
    def stops_rodents(self) -> bool:
        """Whether mice and rats cannot gnaw in: glass and metal, and the thick plastic of a pail."""
        return self.made_of in (Material.GLASS, Material.STEEL) or self.kind in (Kind.PAIL, Kind.LINED_PAIL)

    @property
    def holds_without_air(self) -> bool:
        """Whether wall and lid keep oxygen out for years."""
        return self.made_of.keeps_oxygen_out and self.closed_by.is_tight

    @property
    def lid_dips(self) -> bool:
        """Whether its lid dips when the air inside grows less, and so shows that it holds."""
        return self.kind is Kind.JAR and self.closed_by is Lid.PRESERVING

    @property
    def closed_by_maker(self) -> bool:
        """Whether its maker closed it, and made what is in it keep so, until it is opened."""
        return self.kind in _BY_ITS_MAKER

    @property
    def is_packed_into(self) -> bool:
        """Whether food is packed into it at home: not what its maker closed, nor what keeps nothing out."""
        return not self.closed_by_maker and self.kind is not Kind.BOX

    @property
    def from_the_shop(self) -> bool:
        """Whether food comes home in it, and is never packed into it."""
        return self.kind in _FROM_THE_SHOP

    @property
    def inner_height_mm(self) -> float:
        """Height the food could stand at most, mm."""
        return self.length_mm - self.seal_mm if self.is_flat else self.height_mm


def flat_bag_volume_ml(width_mm: float, length_mm: float) -> float:
    """Most a bag closed on all four sides can hold, from its flat inner size.

    Args:
        width_mm: flat width inside the seams, mm, 0–1,500.
        length_mm: flat length inside the seams, seal strip left out, mm, 0–1,500.

    Returns:
        Volume when plump, mL.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        A bag of 10 × 14 in holds 309 cubic inches.

        >>> round(flat_bag_volume_ml(254, 355.6) / 16.387)
        309

    Source: Robin, A. C. (2004) "Paper bag problem", Mathematics Today 40, 104–107: an approximation for
    a bag no wider than long; for a wider one the sides change places.
    """
    check_range("width_mm", width_mm, 0, 1500, "mm")
    check_range("length_mm", length_mm, 0, 1500, "mm")
    w, h = sorted((width_mm / 10, length_mm / 10))
    if w == 0:
        return 0.0
    return float(w**3 * (h / (math.pi * w) - 0.142 * (1 - 10 ** (-h / w))))


def closed_volume_ml(container: Container) -> float:
    """Volume inside a closed container, mL: brimful, or the bag at its plumpest.

    A liner in a pail holds no more than the pail.

    Example:
        >>> bag = Container("b", "gallon bag", Kind.BAG, width_mm=254, length_mm=356, seal_mm=25, film_mil=7)
        >>> round(closed_volume_ml(bag), -1)
        4590.0

    Source: see `flat_bag_volume_ml`; a stiff wall as measured.
    """
    return volume_below_ml(container, 0.0)


def volume_below_ml(container: Container, headspace_mm: float) -> float:
    """Volume below a line so far under the seal or the rim.

    A bag whose top is left empty and pressed flat is a shorter bag, and is computed as one.

    Args:
        container: the container.
        headspace_mm: distance of the line from the seal or rim, mm, 0 to its inner height.

    Returns:
        Volume below the line, mL.

    Raises:
        OutOfRange: the line is outside the container.

    Example:
        >>> jar = Container("j", "jar", Kind.JAR, capacity_ml=1000, height_mm=160, top_mm=90, base_mm=90)
        >>> volume_below_ml(jar, 16)
        900.0

    Source: see `flat_bag_volume_ml`; geometry of a cone's frustum.
    """
    height = container.inner_height_mm
    check_range("headspace_mm", headspace_mm, 0, height, "mm")
    if container.is_flat:
        return flat_bag_volume_ml(container.width_mm, height - headspace_mm)
    stiff = container.capacity_ml * _frustum_share(container, height - headspace_mm)
    if not container.has_film:
        return stiff
    return min(stiff, flat_bag_volume_ml(container.width_mm, container.length_mm - container.seal_mm))


def headspace_above_mm(container: Container, volume_ml: float) -> float:
    """Height left free above a volume of food: the inverse of `volume_below_ml`.

    Args:
        container: the container.
        volume_ml: space the food takes up, mL, 0 to the closed volume.

    Returns:
        Distance from the surface of the food to the seal or rim, mm.

    Raises:
        OutOfRange: the food does not fit.

    Example:
        >>> jar = Container("j", "jar", Kind.JAR, capacity_ml=1000, height_mm=160, top_mm=90, base_mm=90)
        >>> round(headspace_above_mm(jar, 900), 3)
        16.0

    Source: bisection on `volume_below_ml`.
    """
    check_range("volume_ml", volume_ml, 0, closed_volume_ml(container) * (1 + 1e-9), "mL")
    low, high = 0.0, container.inner_height_mm
    for _ in range(50):
        middle = (low + high) / 2
        if volume_below_ml(container, middle) > volume_ml:
            low = middle
        else:
            high = middle
    return high


def _frustum_share(container: Container, level_mm: float) -> float:
    """Share of a frustum's volume that lies below a level."""

    def below(y: float) -> float:
        slope = (container.top_mm - container.base_mm) / container.height_mm
        return container.base_mm**2 * y + container.base_mm * slope * y**2 + slope**2 * y**3 / 3

    return below(level_mm) / below(container.height_mm)
