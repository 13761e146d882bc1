"""What a run packs: its lines, its containers, and the packets shared out over all of them."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable
from dataclasses import dataclass, replace
from datetime import datetime

from sqlalchemy.orm import Session

from yellow_larder.core.air import Allotment, Kept, NoPacketFits, allot
from yellow_larder.core.containers import Closing
from yellow_larder.features.household.state import Place
from yellow_larder.features.packing.pack import contained, filling_of, stop_overridden, usual_shelf
from yellow_larder.features.packing.plan import Packed, Plan
from yellow_larder.features.packing.planner import plan_in
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.run.events import Fill, PacketsIn, PlannedContainer
from yellow_larder.features.run.state import RunRecord
from yellow_larder.features.supplies.stock import Stock, say_short
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import Units

MOST_LINES = 12
MOST_CONTAINERS = 200
"""More than this on one day is two days' work. Source: our judgement."""


@dataclass(frozen=True, slots=True)
class Line:
    """A line of the run sheet: what was on the bench, and the plan of it."""

    number: int
    ask: Ask
    plan: Plan

    @property
    def groups(self) -> list[Packed]:
        """Its containers, those that are alike together."""
        return [self.plan.full, *([self.plan.rest] if self.plan.rest else [])]


@dataclass(frozen=True, slots=True)
class Sheet:
    """All lines planned, and their packets.

    Attributes:
        lines: the lines.
        kept: the packets at hand, each with the number of its supply; none if they are not counted.
        allotment: how they are shared out; none if they are not counted, or nothing takes packets.
    """

    lines: list[Line]
    kept: list[tuple[int, Kept]]
    allotment: Allotment | None


def sheet_of(session: Session, run: RunRecord, now: datetime) -> Sheet:
    """The run sheet of a run's lines, planned anew.

    Raises:
        Refused: a line cannot be packed any more, or no packets cover it.
    """
    lines = [Line(number, ask, plan_in(session, ask, now=now)) for number, ask in sorted(run.lines.items())]
    return share_out(session, lines, now)


def share_out(session: Session, lines: list[Line], now: datetime) -> Sheet:
    """Lines with the packets of all of them, shared out from what is at hand.

    Raises:
        Refused: no packets cover them.
    """
    kept = Stock(session).packets(now)
    needs = [(group.need_ml, group.count) for _, group in with_packets(lines)]
    if not kept or not needs:
        return Sheet(lines, kept, None)
    try:
        return Sheet(lines, kept, allot(needs, [each for _, each in kept]))
    except NoPacketFits as error:
        raise Refused("packets", f"The absorbers in your supplies do not do: {error}") from error


def with_packets(lines: list[Line]) -> list[tuple[Line, Packed]]:
    """The groups of containers that packets go into, in their order."""
    return [(line, group) for line in lines if line.plan.closing is Closing.ABSORBER for group in line.groups]


def lay_out(session: Session, sheet: Sheet, first: int) -> list[PlannedContainer]:
    """Every container of a run, numbered from the first label's number on."""
    ways = {of: iter(each) for of, each in packets_of(sheet).items()}
    containers: list[PlannedContainer] = []
    for line in sheet.lines:
        place = session.get_one(Place, line.plan.place)
        shelf = usual_shelf(line.plan.draw.kind, place.shelves)
        override = stop_overridden(line.ask, line.plan)
        for group in line.groups:
            for _ in range(group.count):
                packets = next(ways[line.number, id(group)]) if (line.number, id(group)) in ways else ()
                inside = by_size([packets])
                what = contained(session, line.ask, line.plan, group, shelf=shelf, override=override, packets=inside)
                containers.append(
                    PlannedContainer(
                        package=first + len(containers),
                        line=line.number,
                        what=what,
                        planned_g=group.mass_g,
                        need_ml=group.need_ml,
                        packets=packets,
                        lot=line.ask.lot,
                        headspace=group.headspace,
                        best_by=line.plan.best_by.text,
                        ages=line.plan.best_by.chosen is not None,
                    )
                )
    return containers


def by_size(containers: Iterable[Iterable[PacketsIn]]) -> dict[int, int]:
    """Packets of some containers by their rating, the largest first."""
    found: Counter[int] = Counter()
    for packets in containers:
        for each in packets:
            found[each.size_ml] += each.count
    return dict(sorted(found.items(), reverse=True))


def packets_of(sheet: Sheet) -> dict[tuple[int, int], list[tuple[PacketsIn, ...]]]:
    """The packets of each container, group by group."""
    groups = with_packets(sheet.lines)
    if sheet.allotment is None:
        return {
            (line.number, id(group)): [
                tuple(PacketsIn(None, packet.size_ml, packet.count, spare=False) for packet in group.packets)
            ]
            * group.count
            for line, group in groups
        }
    return {
        (line.number, id(group)): [
            tuple(
                PacketsIn(supply, kind.size_ml, n, kind.is_loose)
                for (supply, kind), n in zip(sheet.kept, way, strict=True)
                if n
            )
            for way, count in ways
            for _ in range(count)
        ]
        for (line, group), ways in zip(groups, sheet.allotment.ways, strict=True)
    }


def weighed(session: Session, ask: Ask, food_key: str, mass_g: float, now: datetime) -> Fill:
    """What a container is that was filled to a weight, and what its air asks of packets then.

    Raises:
        Refused: more than fits.
    """
    amount = f"{mass_g:.1f} g"
    one = replace(ask, line="", food=food_key, amount=amount, fill=amount, headspace="", headspace_mm=None)
    planned = plan_in(session, one, now=now)
    return Fill(mass_g, filling_of(planned.full, planned), planned.full.need_ml)


def short_of_containers(session: Session, lines: list[Line], units: Units) -> list[str]:
    """Containers and lids of which there are fewer in the supplies than the run takes."""
    wanted: Counter[str] = Counter()
    for line in lines:
        wanted[line.plan.container] += line.plan.count
    short = Stock(session).short_of(wanted, units)
    return [say_short([each]) for each in short]
