"""What stands on a container's label, and reading its code back."""

from __future__ import annotations

import math
import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy import or_, select

from yellow_larder.core.containers import Closing
from yellow_larder.core.packing import absorber_ml
from yellow_larder.features.catalog.containers import called, container_by_key
from yellow_larder.features.household.larder import Larder, places_in, settings
from yellow_larder.features.packages.contained import Pests
from yellow_larder.features.packages.state import Package
from yellow_larder.features.packages.text import said_pests
from yellow_larder.features.run.record import the_run
from yellow_larder.features.run.state import Container
from yellow_larder.features.shelves.ageing import best_by, lives_left
from yellow_larder.journal.database import reading
from yellow_larder.journal.events import from_json
from yellow_larder.words.dates import say_about, say_day
from yellow_larder.words.errors import NotThere
from yellow_larder.words.packets import say_packets
from yellow_larder.words.quantities import Units, say_kcal, say_mass

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
    override: str = ""


def labels(larder: Larder, *, batch: int | None = None, numbers: Sequence[int] = ()) -> list[Label]:
    """The labels of a batch, or of some numbers."""
    with reading(larder.engine) as session:
        meant = or_(Package.number.in_(numbers), Package.batch == batch)
        found = session.execute(select(*Package.__table__.columns).where(meant).order_by(Package.number)).mappings()
        rows = {row["number"]: dict(row) for row in found}
        household, places = settings(session), places_in(session)
    wanted = [*numbers, *(number for number, row in rows.items() if row["batch"] == batch)]
    if not wanted:
        raise NotThere("batch", "There is nothing to label: that packing was undone")
    missing = next((number for number in wanted if number not in rows), None)
    if missing is not None:
        raise NotThere("number", f"There is no package number {missing}")
    today = larder.today()
    ordered = [rows[number] for number in wanted]
    left, _, _ = lives_left(ordered, places, household.estimate, today)
    return [
        _label(row, best_by(row, float(days), today), household.units, ages=math.isfinite(days))
        for row, days in zip(ordered, left, strict=True)
    ]


def run_labels(larder: Larder, number: int) -> list[Label]:
    """The labels of a run, which are stuck on before anything is filled: they say what is planned."""
    with reading(larder.engine) as session:
        units, run = settings(session).units, the_run(session, number)
        wanted = [_planned(each, units, larder.today()) for each in run.containers.values()]
    if not wanted:
        raise NotThere("run", "The run has no numbers yet: begin it first")
    return wanted


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


def _label(row: dict[str, Any], best_by: str, units: Units, *, ages: bool) -> Label:
    return _of(
        row["number"],
        row["food_name"],
        mass=say_mass(row["mass_g"], units),
        energy=say_kcal(row["kcal"]),
        packed=say_about(row["packed_on"], row["unsure_days"]),
        best_by=best_by,
        ages=ages,
        packets=row["packets"],
        closing=Closing(row["closing"]),
        container=called(container_by_key(row["container_key"]), units),
        override=row["override"],
        pests=from_json(Pests, row["pests"]),
    )


def _planned(mine: Container, units: Units, today: date) -> Label:
    planned, what = mine.planned, mine.what
    return _of(
        planned.package,
        what.contents[0].food_name,
        mass=say_mass(planned.planned_g, units),
        energy=say_kcal(what.kcal),
        packed=say_day(today),
        best_by=planned.best_by,
        ages=planned.ages,
        packets=what.packets,
        closing=what.closing,
        container=called(container_by_key(what.container_key), units),
        override=what.override,
        pests=what.pests,
    )


def _of(
    number: int,
    food: str,
    *,
    mass: str,
    energy: str,
    packed: str,
    best_by: str,
    ages: bool,
    packets: Mapping[str, int],
    closing: Closing,
    container: str,
    override: str,
    pests: Pests,
) -> Label:
    absorbers = " absorbers" if all(absorber_ml(code) for code in packets) else ""
    inside = f"{say_packets(packets)}{absorbers}: not food" if packets else "no absorbers inside"
    if closing is Closing.VACUUM:
        inside = "closed under vacuum" + (f", {say_packets(packets)}: not food" if packets else "")
    said = said_pests(pests)
    return Label(
        number=number,
        food=food[:1].upper() + food[1:],
        mass=mass,
        energy=f"{energy} kcal",
        packed=f"Packed {packed}",
        best_by=f"Best by {best_by}" if ages else "Keeps while it is dry",
        packets=f"{inside}; {said}" if said else inside,
        container=container,
        code=code_of(number),
        override=override,
    )
