"""What things are dried in: the general ones of the table, and the household's own."""

from __future__ import annotations

from dataclasses import dataclass

from sqlalchemy.orm import Session

from yellow_larder.core.drying import Air
from yellow_larder.features.drying.events import MachineAdded
from yellow_larder.features.household.larder import Larder, settings, tidy_name
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.reference.drying import Machine, machines
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import read_length_mm

_DUTY = 0.6
"""Share of the time the heater of a machine of one's own is on. Source: our judgement, as cabinet dryers."""

_SLOWER = {Air.MACHINE: 1.0, Air.OVEN: 1.5, Air.SUN: 3.6, Air.HANGING: 6.0}
"""How many times longer than moving air of the same warmth, by the clock. Source: the table of machines."""


@dataclass(frozen=True, slots=True)
class NewMachine:
    """A dryer of one's own.

    Attributes:
        name: what it is called.
        trays: how many it has.
        width: how wide a tray is, as typed.
        depth: how deep; nothing for a round one.
        watts: its rating.
        low_c: the coolest it holds, °C.
        high_c: the warmest, °C.
        air: what dries the food in it.
    """

    name: str
    trays: int
    width: str
    depth: str = ""
    watts: float = 500
    low_c: float = 35
    high_c: float = 70
    air: Air = Air.MACHINE


def all_machines(session: Session) -> dict[str, Machine]:
    """Every machine of the table and every one of the household's own, by key."""
    own = {f"own-{n}": _own(n, each) for n, each in log.records(session, MachineAdded).items()}
    return machines() | own


def see_machines(larder: Larder) -> list[Machine]:
    """Every machine there is, those of the household first."""
    with reading(larder.engine) as session:
        found = all_machines(session)
    return sorted(found.values(), key=lambda each: not each.key.startswith("own-"))


def find_machine(session: Session, key: str) -> Machine:
    """The machine of that key."""
    machine = all_machines(session).get(key)
    if machine is None:
        raise NotThere("machine", "Pick what it is dried in")
    return machine


def add_machine(larder: Larder, new: NewMachine) -> str:
    """Add a dryer of one's own; returns its key."""
    with writing(larder.engine) as session:
        units = settings(session).units
        name = tidy_name(new.name, "name")
        if any(each.name.casefold() == name.casefold() for each in all_machines(session).values()):
            raise Refused("name", f"There is a “{name}” already")
        if not 1 <= new.trays <= 40:
            raise Refused("trays", "A dryer has between 1 and 40 trays")
        width = read_length_mm(new.width, "width", units=units)
        depth = read_length_mm(new.depth, "depth", units=units) if new.depth.strip() else width
        for field, length in (("width", width), ("depth", depth)):
            if not 80 <= length <= 1500:
                raise Refused(field, "A tray measures between 8 cm and 1.5 m")
        if not 0 <= new.watts <= 10_000:
            raise Refused("watts", "Between 0 and 10,000 W")
        if not 0 <= new.low_c <= new.high_c <= 95:
            raise Refused("high_c", "From the coolest to the warmest it holds, 95 °C at the most")
        number = log.next_number(session, "machine")
        added = MachineAdded(
            name=name,
            trays=new.trays,
            width_mm=width,
            depth_mm=depth,
            is_round=not new.depth.strip(),
            watts=new.watts,
            low_c=new.low_c,
            high_c=new.high_c,
            air=new.air,
        )
        log.record(session, log.title("machine.added", name=name), [log.Act(number, added)], at=larder.clock())
    return f"own-{number}"


def _own(number: int, own: MachineAdded) -> Machine:
    return Machine(
        key=f"own-{number}",
        name=own.name,
        air=own.air,
        trays=own.trays,
        width_mm=own.width_mm,
        depth_mm=own.depth_mm,
        is_round=own.is_round,
        watts=own.watts,
        duty=_DUTY,
        low_c=own.low_c,
        high_c=own.high_c,
        step_c=1.0 if own.air in (Air.MACHINE, Air.OVEN) else 0.0,
        slower=_SLOWER[own.air],
        source="the household's own figures",
    )
