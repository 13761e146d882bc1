"""Supplies as the screen shows them."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime

from sqlalchemy.orm import Session

from yellow_larder.core.moisture import OVEN_C, OVEN_HOURS, PAPER_C, full_gel_g
from yellow_larder.features.catalog.containers import (
    Drawing,
    called,
    container_by_key,
    drawing,
    say_container,
)
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.features.household.money import say_money
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.state import SupplyRecord
from yellow_larder.features.supplies.stock import SORT_OF, Stock, is_low, is_trusted, say_count
from yellow_larder.journal import log
from yellow_larder.journal.database import reading
from yellow_larder.words.dates import say_day
from yellow_larder.words.quantities import Units, say_dial, say_mass, say_share


@dataclass(frozen=True, slots=True)
class Supply:
    """Something to pack with, as it stands."""

    number: int
    version: int
    sort: Sort
    key: str
    name: str
    size: str
    count: int
    counted: str
    """How many there are, in words."""
    per_pack: int
    spares: int
    spares_say: str
    """Of packets: how many wait in the jar, and what they are still worth; empty if none do."""
    trusted: bool
    """Whether its spares may still be used."""
    spent: int
    dry_again: str
    """Of gel that is full of water: how it is dried for another use; empty of all else."""
    again: int
    """Of lids: how many were used before."""
    uses: str
    """Of lids: how often they have closed something, in words; empty of all else."""
    cost: str
    low: int
    is_low: bool
    note: str
    draw: Drawing | None


@dataclass(frozen=True, slots=True)
class SuppliesView:
    """Everything there is to pack with, by sort."""

    supplies: list[Supply]
    low: int


def see_supplies(larder: Larder) -> SuppliesView:
    """Everything there is to pack with."""
    with reading(larder.engine) as session:
        household = settings(session)
        versions = log.versions(session, "supply")
        found = [
            _view(number, versions[number], each, household, larder.clock())
            for number, each in Stock(session).records.items()
        ]
    order = list(Sort)
    found.sort(key=lambda each: (order.index(each.sort), _size(each), each.name))
    return SuppliesView(found, sum(each.is_low for each in found))


def _size(each: Supply) -> float:
    if each.draw is not None:
        return each.draw.width_mm * each.draw.height_mm
    return float(each.key) if each.key.replace(".", "", 1).isdigit() else 0.0


def low_supplies(session: Session) -> list[tuple[int, str, str]]:
    """What is running low: its number, its name, and how many there are in words."""
    units = settings(session).units
    low = {number: each for number, each in Stock(session).records.items() if is_low(each)}
    return [(number, supply_called(each, units), say_count(each)) for number, each in low.items()]


def supply_called(supply: SupplyRecord, units: Units) -> str:
    """What a supply is called: containers as everywhere, whatever else by its own name."""
    return called(container_by_key(supply.key), units) if supply.sort in SORT_OF.values() else supply.name


def _say_uses(supply: SupplyRecord) -> str:
    if supply.sort is not Sort.LIDS or not supply.uses:
        return ""
    times = "once" if supply.uses == 1 else f"{supply.uses} times"
    return f"closed {times} so far"


def _say_oven(supply: SupplyRecord, units: Units) -> str:
    if supply.sort is not Sort.DESICCANT or not supply.spent:
        return ""
    dry_g = supply.spent * float(supply.key)
    low, high = OVEN_HOURS
    return (
        f"Spread thin, {low}–{high} hours at {say_dial(OVEN_C, units)}; packets of paper or cloth overnight at "
        f"{say_dial(PAPER_C, units)}. Saturated, the {supply.spent} weigh up to "
        f"{say_mass(full_gel_g(dry_g), units)}; they are dry when they weigh {say_mass(dry_g, units)} again. Into a "
        "closed jar while they are warm, out of children's reach."
    )


def _view(number: int, version: int, supply: SupplyRecord, household: Settings, now: datetime) -> Supply:
    sort = supply.sort
    container = container_by_key(supply.key) if sort in SORT_OF.values() else None
    trusted = is_trusted(supply, now)
    spares = ""
    if supply.spares:
        since = say_day(supply.since) if supply.since else "today"
        worth = (
            f"worth {say_share(supply.worth)} of their rating"
            if trusted
            else "too old or too long out: throw them away"
        )
        spares = f"{supply.spares} loose in the jar since {since}, {worth}"
    return Supply(
        number=number,
        version=version,
        sort=sort,
        key=supply.key,
        name=supply_called(supply, household.units),
        size=say_container(container, household.units) if container else "",
        count=supply.count,
        counted=say_count(supply),
        per_pack=supply.per_pack,
        spares=supply.spares,
        spares_say=spares,
        trusted=trusted,
        spent=supply.spent,
        dry_again=_say_oven(supply, household.units),
        again=supply.again,
        uses=_say_uses(supply),
        cost=say_money(supply.coins, household) if supply.coins is not None else "",
        low=supply.low,
        is_low=is_low(supply),
        note=supply.note,
        draw=drawing(container) if container else None,
    )
