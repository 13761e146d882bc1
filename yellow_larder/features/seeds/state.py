"""Seeds as they stand, as they follow from the journal."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import date

from yellow_larder.features.seeds.events import SeedCounted, SeedKept, SeedStored, SeedTested, Store
from yellow_larder.journal.kinds import Happened, record_kind


@dataclass(frozen=True, slots=True)
class Kept:
    """How seeds are kept from a day on."""

    since: date
    store: Store
    place: int
    moisture_pct: float | None


@dataclass(frozen=True, slots=True)
class Tested:
    """A germination test."""

    on: date
    sown: int
    came: int


@dataclass(frozen=True, slots=True)
class SeedRecord:
    """Seeds of one kind and harvest.

    Attributes:
        name: what they are called.
        kind: key of the kind in the table of seeds.
        harvested: about when.
        unsure_days: how far off that may be.
        own: whether they were saved at home.
        count: how many there are.
        kept: how they were kept, the first first; as long as nobody knew, as they were at first.
        tests: the germination tests, the first first.
    """

    name: str
    kind: str
    harvested: date
    unsure_days: int
    own: bool
    count: int
    kept: tuple[Kept, ...]
    tests: tuple[Tested, ...] = ()


def _seed(before: SeedRecord | None, happened: Happened) -> SeedRecord:
    told = happened.event
    if isinstance(told, SeedKept):
        kept = Kept(told.harvested, told.store, told.place, told.moisture_pct)
        return SeedRecord(told.name, told.kind, told.harvested, told.unsure_days, told.own, told.count, (kept,))
    assert before is not None
    match told:
        case SeedTested():
            tests = sorted((*before.tests, Tested(told.on, told.sown, told.came)), key=lambda each: each.on)
            return replace(before, tests=tuple(tests), count=max(0, before.count - told.sown))
        case SeedStored():
            kept = Kept(told.on, told.store, told.place, told.moisture_pct)
            return replace(before, kept=(*before.kept, kept))
        case SeedCounted():
            return replace(before, count=told.count)
    raise TypeError(f"{told} does not happen to seeds")


SEED = record_kind("seed", SeedRecord, _seed)
"""Seeds for planting."""
