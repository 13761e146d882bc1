"""What a run packs: its lines, its containers, and the packets shared out over all of them."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from datetime import datetime
from typing import Any

from pydantic import TypeAdapter
from sqlalchemy.orm import Session

from yellow_larder.core.air import Allotment, Kept, NoPacketFits, allot
from yellow_larder.core.containers import Closing
from yellow_larder.features.household.clock import day_of
from yellow_larder.features.packing.pack import gel_in, own_facts, shared_facts, stop_overridden, usual_shelf
from yellow_larder.features.packing.plan import Packed, Plan
from yellow_larder.features.packing.planner import plan_in
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.supplies.stock import Stock
from yellow_larder.journal.tables import Place
from yellow_larder.words.errors import Refused

_ASK = TypeAdapter(Ask)

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


def read_ask(facts: dict[str, Any]) -> Ask:
    """An ask as it was written into the journal."""
    return _ASK.validate_python(dict(facts["ask"]))


def sheet_of(session: Session, facts: dict[str, Any], now: datetime) -> Sheet:
    """The run sheet of a run's lines, planned anew.

    Raises:
        Refused: a line cannot be packed any more, or no packets cover it.
    """
    lines = []
    for number, asked in sorted(facts.get("lines", {}).items(), key=lambda each: int(each[0])):
        ask = read_ask(asked)
        lines.append(Line(int(number), ask, plan_in(session, ask, now=now)))
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
        raise Refused("packets", f"The packets in your supplies do not do: {error}") from error


def with_packets(lines: list[Line]) -> list[tuple[Line, Packed]]:
    """The groups of containers that packets go into, in their order."""
    return [(line, group) for line in lines if line.plan.closing is Closing.ABSORBER for group in line.groups]


def lay_out(session: Session, sheet: Sheet, now: datetime, first: int) -> list[dict[str, Any]]:
    """Every container of a run as its record keeps it, numbered from the first label's number on."""
    ways = {of: iter(each) for of, each in packets_of(sheet).items()}
    containers: list[dict[str, Any]] = []
    for line in sheet.lines:
        place = session.get_one(Place, line.plan.place)
        shelf = usual_shelf(line.plan.draw.kind, place.shelves)
        shared = shared_facts(session, line.ask, line.plan, day_of(now), shelf)
        shared |= {"against": stop_overridden(line.ask, line.plan), "draws_in": line.plan.draws_in}
        del shared["packed_on"]
        for group in line.groups:
            for _ in range(group.count):
                packets = next(ways[line.number, id(group)]) if (line.number, id(group)) in ways else []
                facts = (
                    shared
                    | own_facts(group, line.plan)
                    | {"packets": {str(size): n for size, n in by_size([packets]).items()} | gel_in(line.plan)}
                )
                containers.append(
                    {
                        "package": first + len(containers),
                        "line": line.number,
                        "facts": facts,
                        "planned_g": group.mass_g,
                        "need_ml": group.need_ml,
                        "packets": packets,
                        "lot": line.ask.lot,
                        "headspace": group.headspace,
                        "best_by": line.plan.best_by.text,
                        "ages": line.plan.best_by.chosen is not None,
                    }
                )
    return containers


def by_size(containers: Iterable[Iterable[Sequence[Any]]]) -> dict[int, int]:
    """Packets of some containers by their rating, the largest first."""
    found: Counter[int] = Counter()
    for packets in containers:
        for _, size, count, _ in packets:
            found[size] += count
    return dict(sorted(found.items(), reverse=True))


def packets_of(sheet: Sheet) -> dict[tuple[int, int], list[list[Any]]]:
    """The packets of each container, group by group: supply, rating, count, and whether they are spares."""
    groups = with_packets(sheet.lines)
    if sheet.allotment is None:
        return {
            (line.number, id(group)): [[[None, packet.size_ml, packet.count, False] for packet in group.packets]]
            * group.count
            for line, group in groups
        }
    return {
        (line.number, id(group)): [
            [[supply, kind.size_ml, n, kind.is_loose] for (supply, kind), n in zip(sheet.kept, way, strict=True) if n]
            for way, count in ways
            for _ in range(count)
        ]
        for (line, group), ways in zip(groups, sheet.allotment.ways, strict=True)
    }


def weighed(session: Session, ask: Ask, food_key: str, mass_g: float, now: datetime) -> tuple[dict[str, Any], float]:
    """What a container holds that was filled to a weight, and what its air asks of packets then.

    Raises:
        Refused: more than fits.
    """
    amount = f"{mass_g:.1f} g"
    one = replace(ask, line="", food=food_key, amount=amount, fill=amount, headspace="", headspace_mm=None)
    planned = plan_in(session, one, now=now)
    facts = own_facts(planned.full, planned)
    del facts["packets"]
    return facts, planned.full.need_ml


def short_of_containers(session: Session, lines: list[Line]) -> list[str]:
    """Containers and lids of which there are fewer in the supplies than the run takes."""
    wanted: Counter[str] = Counter()
    for line in lines:
        wanted[line.plan.container] += line.plan.count
    return Stock(session).short_of(wanted)
