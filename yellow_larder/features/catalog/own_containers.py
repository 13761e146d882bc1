"""Containers of one's own: whatever stands in the house, told by what it holds and what it is made of."""

from __future__ import annotations

from dataclasses import dataclass

from sqlalchemy.orm import Session

from yellow_larder.core.containers import Container, Held, Kind, Lid, Material, Mouth, shape_of, volume_by_water_ml
from yellow_larder.core.errors import OutOfRange, check_range
from yellow_larder.features.catalog.containers import container_by_key, key_of
from yellow_larder.features.catalog.events import OwnContainer
from yellow_larder.features.catalog.names import plain
from yellow_larder.features.catalog.weighed import only_mass_g
from yellow_larder.features.household.larder import Larder, settings, tidy_name
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.reference import containers
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import Units, read_amount, read_length_mm, say_length, say_volume

MADE_OF = {
    Kind.JAR: (Material.GLASS, Material.PET, Material.POLYPROPYLENE, Material.OTHER_PLASTIC),
    Kind.PAIL: (Material.HDPE, Material.POLYPROPYLENE, Material.STEEL, Material.OTHER_PLASTIC),
    Kind.TOTE: (Material.POLYPROPYLENE, Material.HDPE, Material.OTHER_PLASTIC, Material.STEEL, Material.GLASS),
    Kind.BOTTLE: (Material.PET, Material.GLASS, Material.HDPE, Material.OTHER_PLASTIC),
    Kind.CAN: (Material.STEEL,),
}
"""What each kind of container of one's own may be made of, the usual first. Source: common practice."""

CLOSED_BY = {
    Kind.JAR: (Lid.PRESERVING, Lid.RING, Lid.SCREW, Lid.GASKET, Lid.PRESSED),
    Kind.PAIL: (Lid.GASKET, Lid.SCREW, Lid.PRESSED),
    Kind.TOTE: (Lid.PRESSED, Lid.GASKET),
    Kind.BOTTLE: (Lid.SCREW, Lid.RING),
    Kind.CAN: (Lid.PRESSED, Lid.GASKET, Lid.SEAM),
}
"""What may close them, the usual first. Source: common practice."""

_THINNEST_MM, _THICKEST_MM = 0.1, 20.0


@dataclass(frozen=True, slots=True, kw_only=True)
class AskedContainer:
    """A container of one's own as it is typed; sizes in any units.

    Attributes:
        name: what the household calls it.
        kind: jar, pail, tote, bottle or can.
        volume: what it holds filled to the brim, "3.5 L"; or else
        full: what it weighs filled with water to the brim, and
        empty: what it weighs empty.
        height: inner height; empty if nobody measured it.
        width: inner width at the top; empty if nobody measured it.
        is_square: whether it is square seen from above.
        material: what it is made of; none means what is usual.
        lid: what closes it; none means what is usual.
        mouth: which preserving lids fit it.
        wall: how thick its wall is; empty if nobody knows.
        see_through: whether food shows through; none means as its material usually is.
        held: what it held before.
    """

    name: str
    kind: Kind = Kind.JAR
    volume: str = ""
    full: str = ""
    empty: str = ""
    height: str = ""
    width: str = ""
    is_square: bool = False
    material: Material | None = None
    lid: Lid | None = None
    mouth: Mouth | None = None
    wall: str = ""
    see_through: bool | None = None
    held: Held = Held.NOTHING


def all_containers(session: Session) -> dict[str, Container]:
    """Every container of the table, and every one of the household's own, by key."""
    return log.once(session, "containers", lambda: containers() | own_containers(session))


def own_numbers(session: Session) -> dict[str, int]:
    """The numbers of the household's own containers, by key."""
    return {key_of(each): n for n, each in log.records(session, OwnContainer).items()}


def own_containers(session: Session) -> dict[str, Container]:
    """The household's own containers, by key."""
    return {key: container_by_key(key) for key in own_numbers(session)}


def read_container(larder: Larder, asked: AskedContainer) -> Container:
    """What a container as it is typed comes to; nothing is written down.

    Raises:
        Refused: a field cannot be read, or no container is so.
    """
    with reading(larder.engine) as session:
        return container_by_key(key_of(_read(asked, settings(session).units)))


def add_container(larder: Larder, asked: AskedContainer) -> Container:
    """Write down a container of one's own.

    Raises:
        Refused: a field cannot be read, no container is so, or one is called so already.
    """
    with writing(larder.engine) as session:
        own = _read(asked, settings(session).units)
        if plain(own.name) in {plain(each.name) for each in all_containers(session).values()}:
            raise Refused("name", f"“{own.name}” is in the table already")
        number = log.next_number(session, "container")
        title = log.title("container.added", name=own.name)
        log.record(session, title, [log.Act(number, own)], at=larder.clock())
    return container_by_key(key_of(own))


def remove_container(larder: Larder, number: int) -> None:
    """Take a container of one's own off the table; what is packed in one keeps it."""
    with writing(larder.engine) as session:
        own = log.record_of(session, OwnContainer, number)
        if own is None:
            raise NotThere("number", "That container is not in the table any more")
        title = log.title("container.removed", name=own.name)
        log.record(session, title, [log.removed("container", number)], at=larder.clock())


def _read(asked: AskedContainer, units: Units) -> OwnContainer:
    name = tidy_name(asked.name, "name")
    if asked.kind not in MADE_OF:
        raise Refused("kind", "A jar, a pail, a tote, a bottle or a can: bags of your own go by their flat size")
    material = asked.material or MADE_OF[asked.kind][0]
    lid = asked.lid or CLOSED_BY[asked.kind][0]
    if material not in MADE_OF[asked.kind]:
        raise Refused("material", f"No {asked.kind.value} is of {material.value}")
    if lid not in CLOSED_BY[asked.kind]:
        raise Refused("lid", f"No {asked.kind.value} has that lid: {lid.value}")
    if lid is Lid.PRESERVING and material is not Material.GLASS:
        raise Refused("lid", "A preserving lid seals on glass only")
    volume_ml, field = _volume_ml(asked)
    height_mm, width_mm = (
        read_length_mm(typed, at, units=units) if typed.strip() else 0.0
        for typed, at in ((asked.height, "height"), (asked.width, "width"))
    )
    for at, mm in (("height", height_mm), ("width", width_mm)):
        if mm and not 20 <= mm <= 1000:
            low, high = say_length(20, units), say_length(1000, units)
            raise Refused(at, f"Between {low} and {high}, measured inside")
    try:
        shape = shape_of(asked.kind, volume_ml, is_square=asked.is_square, height_mm=height_mm, width_mm=width_mm)
    except OutOfRange as error:
        low, high = say_volume(error.low, units), say_volume(error.high, units)
        says = f"Of that height and width it holds {low} to {high}" if height_mm and width_mm else f"{low} to {high}"
        raise Refused(field, f"{says}; {say_volume(max(0.0, volume_ml), units)} does not go with that") from error
    return OwnContainer(
        name=name,
        kind=asked.kind,
        capacity_ml=round(volume_ml, 1),
        height_mm=shape.height_mm,
        top_mm=shape.top_mm,
        base_mm=shape.base_mm,
        is_square=asked.is_square,
        material=material,
        lid=lid,
        mouth=(asked.mouth or Mouth.REGULAR) if lid is Lid.PRESERVING else None,
        wall_mm=_wall_mm(asked.wall, units),
        see_through=asked.see_through,
        held=asked.held,
    )


def _volume_ml(asked: AskedContainer) -> tuple[float, str]:
    """What it holds, mL, and the field that says so."""
    if asked.volume.strip():
        amount = read_amount(asked.volume, "volume")
        if amount.mass_g:
            raise Refused("volume", "A volume, such as 3.5 L or 2 qt; or weigh it filled with water")
        return amount.volume_ml, "volume"
    if not asked.full.strip():
        raise Refused("volume", "What does it hold? Write it, or weigh it filled with water")
    if not asked.empty.strip():
        raise Refused("empty", "And what does it weigh empty?")
    full, empty = read_amount(asked.full, "full"), read_amount(asked.empty, "empty")
    full_g, empty_g = (only_mass_g(amount, at, "4.1 kg or 9 lb") for at, amount in (("full", full), ("empty", empty)))
    if empty_g >= full_g:
        raise Refused("empty", "Empty it weighs less than filled with water")
    check_range("full_g", full_g, 1, 400_000, "g")
    return volume_by_water_ml(full_g, empty_g), "full"


def _wall_mm(typed: str, units: Units) -> float:
    """How thick a wall is, mm: a bare number is millimetres, for nobody measures a wall in centimetres."""
    if not typed.strip():
        return 0.0
    bare = typed.strip().replace(",", ".", 1).replace(".", "", 1).isdigit()
    wall = read_length_mm(f"{typed.strip()} mm" if bare else typed, "wall", units=units)
    if not _THINNEST_MM <= wall <= _THICKEST_MM:
        raise Refused("wall", f"A wall is {_THINNEST_MM:g} to {_THICKEST_MM:g} mm thick")
    return wall
