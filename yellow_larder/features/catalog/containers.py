"""Containers as people name them: from the table, or a bag of one's own by its flat size; and how they are drawn."""

from __future__ import annotations

from dataclasses import dataclass, replace
from functools import lru_cache
from urllib.parse import parse_qsl, urlencode

from yellow_larder.core.containers import (
    LID_MM,
    Closing,
    Container,
    Kind,
    Lid,
    closed_volume_ml,
    flat_bag_volume_ml,
)
from yellow_larder.core.errors import Refusal
from yellow_larder.core.units import ML_PER_QUART
from yellow_larder.features.catalog.events import OwnContainer
from yellow_larder.journal.events import as_json, from_json
from yellow_larder.reference import containers
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import Units, read_size_mm, say_length, say_volume

_OWN = "own:"
_SEAL_MM = 25.0
"""Strip given up to the seal of a bag closed with an iron. Source: common practice, about an inch."""

_LEAST_LEFT_MM = 30.0
_STIFF_HEADSPACE_MM = {Kind.PAIL: 50.0, Kind.TOTE: 40.0, Kind.BOTTLE: 30.0, Kind.CAN: 10.0}
"""Height left free by custom. Source: as the table of containers; a jar: 20 mm; totes: our judgement."""

_OTHER_MOUTH = 0.75
"""Width of the lid of a jar that takes no preserving lid, as a share of its own. Source: a gallon jar, 110 of 150."""

_HAND_MM = 50.0
"""A hand's width left at the top of a bag. Source: common practice, about 5 cm."""


USUAL: dict[Kind, dict[Units, str]] = {
    Kind.JAR: {Units.US: "jar-quart", Units.METRIC: "jar-1-litre"},
    Kind.BAG: {Units.US: "bag-gallon", Units.METRIC: "bag-3-litre"},
    Kind.PAIL: {Units.US: "pail-5-gallon", Units.METRIC: "pail-10-litre"},
    Kind.LINED_PAIL: {Units.US: "lined-5-gallon", Units.METRIC: "lined-20-litre"},
    Kind.SHOP_JAR: dict.fromkeys(Units, "shop-jar"),
    Kind.TIN: dict.fromkeys(Units, "tin"),
    Kind.CANNED_JAR: {Units.US: "canned-quart", Units.METRIC: "canned-1-litre"},
    Kind.PACKET: dict.fromkeys(Units, "packet-1-kg"),
}
"""What is meant by a jar, a bag, a pail that nobody measured. Source: common practice."""


@dataclass(frozen=True, slots=True)
class Drawing:
    """What a container's picture needs to know, in mm: outlines, not rules.

    Attributes:
        kind: what sort it is, which sets the hand it is drawn in.
        width_mm: greatest width.
        height_mm: height, seal and lid included.
        inner_mm: height the food could stand at most.
        seal_mm: strip of the seal.
        top_mm: width at the top.
        base_mm: width at the foot.
        clear: whether food shows through.
        mouth_mm: width of a jar's lid; 0 of anything else.
    """

    kind: Kind
    width_mm: float
    height_mm: float
    inner_mm: float
    seal_mm: float
    top_mm: float
    base_mm: float
    clear: bool
    mouth_mm: float


def drawing(container: Container) -> Drawing:
    """How a container is drawn."""
    flat = container.is_flat
    width = container.width_mm if flat else max(container.top_mm, container.base_mm)
    return Drawing(
        kind=container.kind,
        width_mm=width,
        height_mm=container.length_mm if flat else container.height_mm,
        inner_mm=container.inner_height_mm,
        seal_mm=container.seal_mm if flat else 0,
        top_mm=width if flat else container.top_mm,
        base_mm=width if flat else container.base_mm,
        # A paper packet lets light in, yet nobody sees through it.
        clear=container.lets_light_in and container.kind is not Kind.PACKET,
        mouth_mm=_mouth_mm(container),
    )


def _mouth_mm(container: Container) -> float:
    if container.mouth is not None:
        return LID_MM[container.mouth]
    return _OTHER_MOUTH * container.top_mm if container.kind in (Kind.JAR, Kind.SHOP_JAR) else 0.0


def own_bag(size: str, film_mil: float, units: Units, *, field: str = "own_bag") -> Container:
    """A bag of one's own from its flat size as typed, say one cut down for another use.

    Raises:
        Refused: the size cannot be read, or no bag has it.
    """
    width, length = read_size_mm(size, field, units=units)
    if length < _SEAL_MM + _LEAST_LEFT_MM:
        raise Refused(
            field,
            f"Too short to close: the seal alone takes {say_length(_SEAL_MM, units)}, "
            f"so it must be {say_length(_SEAL_MM + _LEAST_LEFT_MM, units)} long or more",
        )
    return container_by_key(f"{_OWN}{width:.0f}x{length:.0f}x{film_mil:g}")


def cut_shorter(bag: Container, by_mm: float) -> Container:
    """A bag that was cut open under its seal: one of the household's own, so much shorter.

    Raises:
        Refused: it would be too short to be closed again, or not shorter.
    """
    length = bag.length_mm - by_mm
    if by_mm < 1:
        raise Refused("by", "Cutting takes something off: write how much, such as 3 cm")
    if length < _SEAL_MM + _LEAST_LEFT_MM:
        raise Refused("by", "Too short to close after that: throw it away, or cut less")
    return container_by_key(f"{_OWN}{bag.width_mm:.0f}x{length:.0f}x{bag.film_mil:g}")


@lru_cache(maxsize=512)
def container_by_key(key: str) -> Container:
    """A container of the table, or one of the household's own, which its key alone tells.

    So what is packed keeps the container it was packed in, whatever becomes of the table.

    Raises:
        NotThere: there is none of that key.
        Refused: no bag has that size.
    """
    if key in containers():
        return containers()[key]
    return _own_stiff(key) if "=" in key else _own_bag(key)


def key_of(own: OwnContainer) -> str:
    """The key that tells a container of one's own: "own:" and all that was said of it.

    Example:
        >>> from yellow_larder.core.containers import Held, Lid, Material
        >>> tub = OwnContainer(
        ...     "tub", Kind.PAIL, 4000, 150, 200, 180, False, Material.HDPE, Lid.PRESSED, Held.FOOD
        ... )
        >>> key_of(tub)[:43], container_by_key(key_of(tub)).capacity_ml
        ('own:name=tub&kind=pail&capacity_ml=4000.0&h', 4000.0)
    """
    return _OWN + urlencode({name: value for name, value in as_json(own).items() if value is not None})


def _own_stiff(key: str) -> Container:
    """A container with a stiff wall, told by its key."""
    try:
        own = from_json(OwnContainer, dict(parse_qsl(key.removeprefix(_OWN))))
        return Container(
            key=key,
            name=own.name,
            kind=own.kind,
            capacity_ml=own.capacity_ml,
            height_mm=own.height_mm,
            top_mm=own.top_mm,
            base_mm=own.base_mm,
            nominal_qt=max(0.1, round(own.capacity_ml / ML_PER_QUART, 2)),
            headspace_mm=min(_STIFF_HEADSPACE_MM.get(own.kind, 20.0), own.height_mm / 8),
            closings=_closings(own),
            mouth=own.mouth,
            source="the household's own measure",
            material=own.material,
            lid=own.lid,
            wall_mm=own.wall_mm,
            is_square=own.is_square,
            see_through=own.see_through,
            held=own.held,
        )
    except (ValueError, Refusal) as error:
        raise NotThere("container", "That container is not in the table") from error


def _own_bag(key: str) -> Container:
    """A bag of one's own, told by its key, "own:254x356x7"."""
    try:
        width, length, film = (float(part) for part in key.removeprefix(_OWN).split("x"))
    except ValueError as error:
        raise NotThere("container", "That container is not in the table") from error
    # The bag's own check comes first, so that an absurd size is refused in its words.
    bag = Container(
        key=key,
        name="foil bag of your own size",
        kind=Kind.BAG,
        width_mm=width,
        length_mm=length,
        seal_mm=_SEAL_MM,
        film_mil=film,
        nominal_qt=1,
        headspace_mm=min(_HAND_MM, (length - _SEAL_MM) / 6),
        closings=(Closing.ABSORBER, Closing.LID),
        source="the household's own measure",
    )
    return _sold_as(bag, flat_bag_volume_ml(width, length - _SEAL_MM - bag.headspace_mm) / ML_PER_QUART)


def called(container: Container, units: Units) -> str:
    """What a container is called: by the name it is sold under, or a bag of one's own by its size.

    Example:
        >>> bag = container_by_key("own:254x355.6x7")
        >>> called(bag, Units.US), called(bag, Units.METRIC), called(container_by_key("bag-gallon"), Units.METRIC)
        ('10 × 14 in foil bag', '25.4 × 35.6 cm foil bag', '1 gal foil bag')
    """
    if not (is_own(container) and container.is_flat):
        return container.name
    width, length = say_length(container.width_mm, units), say_length(container.length_mm, units)
    return f"{width.partition(' ')[0]} × {length} foil bag"


def _closings(own: OwnContainer) -> tuple[Closing, ...]:
    """The ways a container of one's own can be closed: a vacuum is drawn through a preserving lid."""
    if own.lid is Lid.PRESERVING:
        return (Closing.ABSORBER, Closing.VACUUM, Closing.LID)
    first = Closing.ABSORBER if own.material.keeps_oxygen_out and own.lid.is_tight else Closing.LID
    return (first, Closing.LID if first is Closing.ABSORBER else Closing.ABSORBER)


def is_own(container: Container) -> bool:
    """Whether it is the household's own, and so not to be bought."""
    return container.key.startswith(_OWN)


def say_container(container: Container, units: Units) -> str:
    """A container's size in the household's units: flat size and film, or what it holds."""
    if container.is_flat:
        size = f"{say_length(container.width_mm, units)} × {say_length(container.length_mm, units)}"
        return f"{size}, {container.film_mil:g} mil"
    holds = say_volume(closed_volume_ml(container), units)
    liner = f", liner {container.film_mil:g} mil" if container.has_film else ""
    mouth = f", {container.mouth} mouth" if container.mouth else ""
    made = f", {container.made_of.value}, {container.closed_by.value}" if is_own(container) else ""
    return f"holds {holds}{liner}{mouth}{made}"


def _sold_as(bag: Container, quarts: float) -> Container:
    return replace(bag, nominal_qt=max(0.1, round(quarts, 2)))
