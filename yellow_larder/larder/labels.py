"""What stands on a container's label, and reading its code back."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass

from sqlalchemy import select

from yellow_larder.larder.larder import Larder, settings
from yellow_larder.larder.quantities import Units
from yellow_larder.larder.refusals import NotThere
from yellow_larder.larder.shelves import Card, card
from yellow_larder.store.database import reading
from yellow_larder.store.models import Package

_CODE = re.compile(r"^\s*(?:YELLOW LARDER\s+)?(?:No\.?\s*)?(\d{1,9})\s*$", re.IGNORECASE)


@dataclass(frozen=True, slots=True)
class Label:
    """The lines of one label, and what its code says."""

    number: int
    food: str
    mass: str
    energy: str
    packed: str
    best_by: str
    packets: str
    container: str
    code: str
    against: str = ""


def labels(larder: Larder, *, batch: int | None = None, numbers: Sequence[int] = ()) -> tuple[list[Label], Units]:
    """The labels of a batch, or of some numbers, and the units that set the paper."""
    with reading(larder.engine) as session:
        units = settings(session).units
        wanted = list(numbers)
        if batch is not None:
            of_batch = select(Package.number).where(Package.batch == batch).order_by(Package.number)
            wanted += session.scalars(of_batch).all()
    if not wanted:
        raise NotThere("batch", "There is nothing to label: that packing was taken back")
    return [_label(card(larder, number)) for number in wanted], units


def code_of(number: int) -> str:
    """What a container's code says: plain words that any reader shows, and the find box takes."""
    return f"YELLOW LARDER {number}"


def read_code(text: str) -> int | None:
    """The container's number from its code, or from the number typed.

    Example:
        >>> read_code("YELLOW LARDER 17"), read_code("no. 17"), read_code("barley")
        (17, 17, None)
    """
    found = _CODE.match(text)
    return int(found[1]) if found else None


def _label(package: Card) -> Label:
    closed = {"absorber": f"{package.packets} packets: not food", "vacuum": "closed under vacuum"}
    return Label(
        number=package.number,
        food=package.food[:1].upper() + package.food[1:],
        mass=package.mass,
        energy=f"{package.kcal_text} kcal",
        packed=f"Packed {package.packed_on}",
        best_by=f"Best by {package.best_by}" if package.best_by != "keeps" else "Keeps while it is dry",
        packets=closed.get(package.closing, "no packets inside"),
        container=package.container,
        code=code_of(package.number),
        against=package.against,
    )
