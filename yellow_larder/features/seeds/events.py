"""What can happen to seeds for planting."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from enum import StrEnum

from yellow_larder.journal.events import Event, event


class Store(StrEnum):
    """What seeds are kept in."""

    PACKET = "paper packet"
    """Paper: they are as moist as the air where they stand makes them."""
    JAR = "closed jar"
    """A jar or sealed bag: they stay as they were when it was closed."""
    GEL = "closed jar with silica gel"
    """They are dried by it, and stay so."""


@event("seed", "kept")
@dataclass(frozen=True, slots=True)
class SeedKept(Event):
    """There are seeds of some kind.

    Attributes:
        name: what they are called.
        kind: key of the kind in the table of seeds.
        harvested: about when.
        unsure_days: how far off that may be.
        own: whether they were saved at home.
        count: how many there are.
        store: what they are kept in.
        place: number of the place where they stand.
        moisture_pct: their moisture as measured, %; none means that it follows from the store.
        on: since when they are kept so.
    """

    name: str
    kind: str
    harvested: date
    unsure_days: int
    own: bool
    count: int
    store: Store
    place: int
    moisture_pct: float | None
    on: date


@event("seed", "tested")
@dataclass(frozen=True, slots=True)
class SeedTested(Event):
    """So many were laid on damp paper, and so many came.

    Attributes:
        on: the day they were counted.
        sown: how many were laid out.
        came: how many of them came.
    """

    on: date
    sown: int
    came: int


@event("seed", "stored")
@dataclass(frozen=True, slots=True)
class SeedStored(Event):
    """They are kept otherwise from a day on."""

    on: date
    store: Store
    place: int
    moisture_pct: float | None


@event("seed", "counted")
@dataclass(frozen=True, slots=True)
class SeedCounted(Event):
    """There are so many of them."""

    count: int
