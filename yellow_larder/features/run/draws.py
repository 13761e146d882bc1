"""Where the absorbers of a run come from, and what waits in its jar."""

from __future__ import annotations

from collections import defaultdict
from dataclasses import dataclass

from sqlalchemy.orm import Session

from yellow_larder.core.packing import OUT_MINUTES
from yellow_larder.features.run.events import (
    HeldPackets,
)
from yellow_larder.features.run.record import Run
from yellow_larder.features.supplies.stock import EXTRAS_MINUTES, Stock
from yellow_larder.words.errors import NotThere, Refused


@dataclass(frozen=True, slots=True)
class Draw:
    """Packets that an opening takes: from the jar of this run, from stock's spares, from fresh packs."""

    supply: int
    size_ml: int
    from_held: int
    from_spares: int
    packs: int
    extras: int


def held_after(run: Run, draws: list[Draw]) -> dict[int, HeldPackets]:
    """The jar of this run once some absorbers were drawn: what it gave, and what goes straight into it."""
    held, found = run.held, {}
    for draw in draws:
        there = held.get(draw.supply, HeldPackets(0, 0.0, draw.size_ml))
        left = there.count - draw.from_held + draw.extras
        minutes = max(there.minutes if there.count > draw.from_held else 0.0, EXTRAS_MINUTES if draw.extras else 0.0)
        if left or there.count:
            found[draw.supply] = HeldPackets(left, minutes, draw.size_ml)
    return found


def draws_for(session: Session, run: Run, chosen: list[int]) -> list[Draw]:
    """Where the packets for some containers come from.

    Raises:
        Refused: there are not enough left.
    """
    wanted: dict[tuple[int, int, bool], int] = defaultdict(int)
    containers = run.containers
    for n in chosen:
        for each in containers[n].packets:
            if each.supply is not None:
                wanted[each.supply, each.size_ml, each.spare] += each.count
    supplies, held = Stock(session).records, run.held
    found: dict[int, Draw] = {}
    for (supply, size, spare), count in sorted(wanted.items()):
        stock = supplies.get(supply)
        if stock is None:
            raise NotThere("packets", f"The {size} mL absorbers are not among the supplies any more")
        before = found.get(supply, Draw(supply, size, 0, 0, 0, 0))
        jar = held.get(supply, HeldPackets(0, 0.0, size))
        # What has been out for too long is not used again.
        usable = jar.count - before.from_held if jar.minutes < OUT_MINUTES else 0
        from_held = min(count, max(0, usable))
        from_spares = min(count - from_held, stock.spares - before.from_spares) if spare else 0
        fresh = count - from_held - from_spares
        packs = -(-fresh // stock.per_pack)
        if packs > stock.count - before.packs:
            raise Refused("packets", f"Out of {size} mL absorbers: count them anew under Supplies, or buy more")
        extras = packs * stock.per_pack - fresh
        found[supply] = Draw(
            supply,
            size,
            before.from_held + from_held,
            before.from_spares + from_spares,
            before.packs + packs,
            before.extras + extras,
        )
    return list(found.values())


def with_back(run: Run, containers: list[int], minutes: float) -> dict[int, HeldPackets]:
    """The jar of this run once the packets of some containers are back in it, after so many minutes out."""
    held: dict[int, HeldPackets] = {}
    laid, before = run.containers, run.held
    for n in containers:
        for each in laid[n].packets:
            if each.supply is None:
                continue
            there = held.get(each.supply) or before.get(each.supply) or HeldPackets(0, 0.0, each.size_ml)
            most = max(there.minutes, minutes)
            held[each.supply] = HeldPackets(there.count + each.count, most, each.size_ml)
    return held
