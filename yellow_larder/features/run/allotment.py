"""Packets shared out over everything that is closed together, from what the supplies have."""

from __future__ import annotations

from collections import Counter
from dataclasses import dataclass

from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packing.plan import PacketShape
from yellow_larder.features.packing.planner import plan_in
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.run.events import PacketsIn
from yellow_larder.features.run.run_sheet import Line, Sheet, by_size, packets_of, share_out
from yellow_larder.features.supplies.stock import say_packs
from yellow_larder.journal.database import reading


@dataclass(frozen=True, slots=True)
class SharedWay:
    """Containers that are packed alike: how many, with which packets, spares from the jar told apart."""

    count: int
    mass: str
    packets: list[PacketShape]
    spares: int
    """How many of the packets come from the jar of spares."""


@dataclass(frozen=True, slots=True)
class FromStock:
    """The packets of everything on the bench at once, from what is in the house."""

    ways: list[SharedWay]
    packs: list[str]
    buy: list[str]
    waste: str
    """What is given away: beyond the needs, and by spares that wait."""


def from_stock(larder: Larder, ask: Ask) -> FromStock | None:
    """How the supplies' packets are shared out over what is on the bench; none if none are counted or none are needed.

    Raises:
        Refused: the bench cannot be packed as it is, or no packets cover it.
    """
    now = larder.clock()
    with reading(larder.engine) as session:
        line = Line(1, ask, plan_in(session, ask, now=now))
        sheet = share_out(session, [line], now)
    if sheet.allotment is None:
        return None
    packets = packets_of(sheet)
    found = []
    for group in line.groups:
        alike = Counter(packets.get((line.number, id(group)), []))
        found += [
            SharedWay(
                count,
                group.mass,
                [PacketShape.of(size, n) for size, n in by_size([way]).items()],
                sum(each.count for each in way if each.spare),
            )
            for way, count in alike.items()
        ]
    return FromStock(found, packs_of(sheet), to_buy(sheet), f"{sheet.allotment.waste_ml:,.0f} mL")


def say_ways(packets: list[tuple[PacketsIn, ...]]) -> str:
    """What goes into the containers of a line: "4 × 500 mL", or "3 × (300 + 2 × 100 mL)" where several go into one."""
    ways = Counter(
        tuple((one.size_ml, one.count) for one in sorted(each, key=lambda one: -one.size_ml)) for each in packets
    )
    said = []
    for sizes, count in ways.items():
        each = " + ".join(f"{n} × {size}" if n > 1 else f"{size}" for size, n in sizes)
        alone = len(sizes) == 1 and sizes[0][1] == 1
        said.append(f"{count} × {each} mL" if alone else f"{count} × ({each} mL)")
    return ", ".join(said)


def packs_of(sheet: Sheet) -> list[str]:
    """What a sheet takes from the supplies: packs opened, spares used, what goes back into the jar."""
    if sheet.allotment is None:
        return []
    said = []
    for (_, kind), opened, bought, spare in zip(
        sheet.kept, sheet.allotment.opened, sheet.allotment.buy, sheet.allotment.spares, strict=True
    ):
        if not opened:
            continue
        if kind.is_loose:
            said.append(f"{opened} spare {kind.size_ml} mL from the jar")
        else:
            rest = f", {spare} back into the jar" if spare else ""
            more = f", {bought} of them to buy" if bought else ""
            said.append(f"{say_packs(opened, kind.per_pack, kind.size_ml)}{more}{rest}")
    return said


def to_buy(sheet: Sheet) -> list[str]:
    """Packs that a sheet takes and the supplies have not."""
    if sheet.allotment is None:
        return []
    return [
        say_packs(n, kind.per_pack, kind.size_ml)
        for (_, kind), n in zip(sheet.kept, sheet.allotment.buy, strict=True)
        if n
    ]
