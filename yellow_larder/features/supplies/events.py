"""What can happen to a supply: something to pack with."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from enum import StrEnum

from typing_extensions import TypedDict

from yellow_larder.journal.events import Event, Facts, event, lift


class Sort(StrEnum):
    """What sort of thing it is."""

    PACKETS = "packets"
    BAGS = "bags"
    POUCHES = "pouches"
    JARS = "jars"
    LIDS = "lids"
    PAILS = "pails"
    BOTTLES = "bottles and cans"
    DESICCANT = "desiccant"
    TOOLS = "tools"


class Said(TypedDict, total=False):
    """What is said of a supply; what is not in it stays as it was."""

    sort: Sort
    key: str
    name: str
    per_pack: int
    low: int
    note: str
    count: int
    coins: float | None
    came_on: date
    spares: int
    worth: float
    since: date
    again: int


@event("supply", "set", version=2)
@dataclass(frozen=True, slots=True)
class SupplySet(Event):
    """It was written down, counted, or something was noted of it."""

    said: Said


@lift("supply", "set", version=1)
def _in_one(facts: Facts) -> Facts:
    return {"said": facts}


@event("supply", "came")
@dataclass(frozen=True, slots=True)
class SupplyCame(Event):
    """More of it came; what one costs, if that was said."""

    count: int
    coins: float | None = None


@event("supply", "used")
@dataclass(frozen=True, slots=True)
class SupplyUsed(Event):
    """Some went: new ones, loose ones from the jar, lids that were used before; and how often lids have closed."""

    count: int = 0
    spares: int = 0
    again: int = 0
    uses: int = 0


@event("supply", "back")
@dataclass(frozen=True, slots=True)
class SupplyBack(Event):
    """Some came back from a package that is empty: a jar, its lid."""

    count: int = 0
    again: int = 0


@event("supply", "spares")
@dataclass(frozen=True, slots=True)
class SparesKept(Event):
    """Absorbers went into the jar of spares: how many, and what they are still worth, 0–1."""

    spares: int
    worth: float
    since: date


@event("supply", "spent", "restored")
@dataclass(frozen=True, slots=True)
class DesiccantTurned(Event):
    """So much desiccant is saturated, or came out of the oven dry again."""

    count: int
