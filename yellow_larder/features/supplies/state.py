"""Supplies as they stand, as they follow from the journal."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import date

from yellow_larder.features.supplies.events import (
    DesiccantTurned,
    Sort,
    SparesKept,
    SupplyBack,
    SupplyCame,
    SupplySet,
    SupplyUsed,
)
from yellow_larder.journal.events import Event
from yellow_larder.journal.kinds import Happened, record_kind


@dataclass(frozen=True, slots=True)
class SupplyRecord:
    """Something to pack with.

    Attributes:
        sort: what sort of thing.
        key: of a container, its key; of absorbers, their rating in mL; of lids, the mouth they fit; of desiccant,
            grams in one.
        name: what it is called.
        per_pack: absorbers in one inner pack.
        low: a count at which it is running low; 0 for none.
        note: what is to be known of it.
        count: how many there are; of absorbers, inner packs that are closed.
        coins: what one costs, in the smallest coin; none if nobody said.
        came_on: the day it came; none if nobody said.
        spares: absorbers that wait in the jar.
        worth: what those are still worth of their rating, 0–1.
        since: since when they wait.
        uses: how often lids of it have closed something.
        spent: desiccant that is saturated.
        again: lids that were used before.
    """

    sort: Sort
    key: str = ""
    name: str = ""
    per_pack: int = 1
    low: int = 0
    note: str = ""
    count: int = 0
    coins: float | None = None
    came_on: date | None = None
    spares: int = 0
    worth: float = 1.0
    since: date | None = None
    uses: int = 0
    spent: int = 0
    again: int = 0


def _after(before: SupplyRecord | None, happened: Happened) -> SupplyRecord:
    """Things in stock: their count follows from what came, went and was counted; it is never below nothing."""
    told: Event = happened.event
    if isinstance(told, SupplySet):
        return SupplyRecord(**told.said) if before is None else replace(before, **told.said)
    assert before is not None
    match told:
        case SupplyCame():
            coins = before.coins if told.coins is None else told.coins
            return replace(before, count=before.count + told.count, coins=coins)
        case SupplyUsed():
            return replace(
                before,
                count=max(0, before.count - told.count),
                spares=max(0, before.spares - told.spares),
                again=max(0, before.again - told.again),
                uses=before.uses + told.uses,
            )
        case SupplyBack():
            return replace(before, count=before.count + told.count, again=before.again + told.again)
        case SparesKept():
            return _with_spares(before, told)
        case DesiccantTurned():
            if happened.act == "spent":
                gone = min(before.count, told.count)
                return replace(before, count=before.count - gone, spent=before.spent + gone)
            back = min(before.spent, told.count)
            return replace(before, count=before.count + back, spent=before.spent - back)
    raise TypeError(f"{told} does not happen to a supply")


def _with_spares(before: SupplyRecord, told: SparesKept) -> SupplyRecord:
    """Spares that come to others in the jar: worth what they all are on the mean, and as old as the oldest."""
    together = before.spares + told.spares
    if not together:
        return before
    worth = (before.spares * before.worth + told.spares * told.worth) / together
    return replace(before, spares=together, worth=worth, since=before.since if before.spares else told.since)


SUPPLY = record_kind("supply", SupplyRecord, _after)
