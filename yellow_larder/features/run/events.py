"""What can happen in a run of packing."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime

from yellow_larder.features.packages.contained import Contained, Filling
from yellow_larder.features.packages.events import contained_before, override_named
from yellow_larder.features.packing.request import Ask
from yellow_larder.journal.events import Event, Facts, event, lift


@dataclass(frozen=True, slots=True)
class PacketsIn:
    """Absorbers alike that go into a container.

    Attributes:
        supply: the supply they come from; none if none are counted.
        size_ml: their rating.
        count: how many.
        spare: whether they wait in the jar of spares.
    """

    supply: int | None
    size_ml: int
    count: int
    spare: bool


@dataclass(frozen=True, slots=True)
class PlannedContainer:
    """A container of a run, as it was planned when the run began.

    Attributes:
        package: the number on its label.
        line: the line of the sheet that it is of.
        what: what it will be.
        planned_g: how much goes in.
        need_ml: oxygen that its absorbers must take up, with the margin, mL.
        packets: its absorbers.
        lot: the lot that it comes from; none if it is of no lot.
        headspace: the height left free, as its sheet has it.
        best_by: its best-by, as its label has it.
        ages: whether it has one.
    """

    package: int
    line: int
    what: Contained
    planned_g: float
    need_ml: float
    packets: tuple[PacketsIn, ...]
    lot: int | None = None
    headspace: str = ""
    best_by: str = ""
    ages: bool = True


@dataclass(frozen=True, slots=True)
class HeldPackets:
    """Absorbers of a run that wait in its jar: how many, how long they were out at the most, and their rating."""

    count: int
    minutes: float
    size_ml: int


@event("run", "line", version=3)
@dataclass(frozen=True, slots=True)
class LineAdded(Event):
    """Something that was planned is on the run sheet."""

    line: int
    ask: Ask


@lift("run", "line", version=1)
def _of_one_line(facts: Facts) -> Facts:
    ((line, asked),) = facts["lines"].items()
    return {"line": int(line), "ask": dict(asked["ask"])}


@lift("run", "line", version=2)
def _with_override(facts: Facts) -> Facts:
    return facts | {"ask": override_named(facts["ask"])}


@event("run", "line off", version=2)
@dataclass(frozen=True, slots=True)
class LineRemoved(Event):
    """It is off the sheet again."""

    line: int


@lift("run", "line off", version=1)
def _of_no_line(facts: Facts) -> Facts:
    (line,) = facts["lines"]
    return {"line": int(line)}


@event("run", "begun", version=3)
@dataclass(frozen=True, slots=True)
class RunBegun(Event):
    """Its containers have their numbers, by their place in the row."""

    began: datetime
    containers: dict[int, PlannedContainer]


@lift("run", "begun", version=1)
def _with_what(facts: Facts) -> Facts:
    return facts | {"containers": {n: _planned_before(each) for n, each in facts["containers"].items()}}


@lift("run", "begun", version=2)
def _with_overrides(facts: Facts) -> Facts:
    containers = facts["containers"]
    return facts | {"containers": {n: each | {"what": override_named(each["what"])} for n, each in containers.items()}}


def _planned_before(each: Facts) -> Facts:
    same = ("package", "line", "planned_g", "need_ml", "lot", "headspace", "best_by")
    packets = [
        {"supply": supply, "size_ml": size, "count": count, "spare": spare}
        for supply, size, count, spare in each["packets"]
    ]
    what = contained_before(each["facts"])
    ages = each.get("ages", what["lasts"]["customary"]["days"] is not None)
    return {name: each[name] for name in same if name in each} | {"what": what, "packets": packets, "ages": ages}


@event("run", "labelled", "set_out", version=2)
@dataclass(frozen=True, slots=True)
class StepDone(Event):
    """A step of it is done: its labels are stuck on, or everything lies ready."""

    at: datetime


@lift("run", "labelled", "set_out", version=1)
def _at(facts: Facts) -> Facts:
    (at,) = facts.values()
    return {"at": at}


@event("run", "ticked", version=2)
@dataclass(frozen=True, slots=True)
class Ticked(Event):
    """Something of the set-out list lies ready, or no longer does."""

    code: str
    on: bool


@lift("run", "ticked", version=1)
def _one_tick(facts: Facts) -> Facts:
    ((code, on),) = facts["ticks"].items()
    return {"code": code, "on": bool(on)}


@dataclass(frozen=True, slots=True)
class Fill:
    """How much a container was filled with; what that makes of it, where that is not what was planned."""

    mass_g: float
    filling: Filling | None = None
    need_ml: float | None = None


@event("run", "filled", version=2)
@dataclass(frozen=True, slots=True)
class Filled(Event):
    """Containers were filled, by their place in the row."""

    containers: dict[int, Fill]


@lift("run", "filled", version=1)
def _with_filling(facts: Facts) -> Facts:
    return {"containers": {n: _fill_before(each) for n, each in facts["containers"].items()}}


def _fill_before(each: Facts) -> Facts:
    of = each.get("facts")
    filling = None if of is None else {name: of[name] for name in ("mass_g", "kcal", "level")}
    if of is not None and filling is not None:
        filling["closed"] = of.get("closed") or None
    return {"mass_g": each["filled_g"], "filling": filling, "need_ml": each.get("need_ml")}


@event("run", "opened", version=2)
@dataclass(frozen=True, slots=True)
class PacketsOpened(Event):
    """Absorbers were opened: the clock runs.

    Attributes:
        opening: which opening, counted from one.
        at: when.
        containers: for which containers.
        before_min: how long the longest of them had been out before, minutes.
        usual_s: what a container usually took until then, s.
        held: what waits in the jar of this run from then on, by supply; 0 stands for those that are not counted.
    """

    opening: int
    at: datetime
    containers: tuple[int, ...]
    before_min: float
    usual_s: float
    held: dict[int, HeldPackets]


@lift("run", "opened", version=1)
def _one_opening(facts: Facts) -> Facts:
    ((number, opening),) = facts["openings"].items()
    rest = {name: value for name, value in opening.items() if name != "for"}
    return rest | {"opening": int(number), "containers": opening["for"], "held": facts["held"]}


@event("run", "closed", version=2)
@dataclass(frozen=True, slots=True)
class ContainerClosed(Event):
    """A container was closed.

    Attributes:
        container: its place in the row.
        at: when.
        note: what was noted.
        took_s: how long it took; none if no clock ran.
        late: whether the absorbers were out for too long.
        ends: whether it was the last of its opening.
    """

    container: int
    at: datetime
    note: str = ""
    took_s: float | None = None
    late: bool = False
    ends: bool = False


@lift("run", "closed", version=1)
def _one_closed(facts: Facts) -> Facts:
    ((number, closed),) = facts["containers"].items()
    return {
        "container": int(number),
        "at": closed["closed"],
        "note": closed.get("note") or "",
        "took_s": closed.get("took_s"),
        "late": bool(closed.get("late")),
        "ends": "openings" in facts,
    }


@event("run", "put back", version=2)
@dataclass(frozen=True, slots=True)
class PacketsPutBack(Event):
    """Absorbers went back into the jar.

    Attributes:
        opening: of which opening.
        at: when the clock stopped; none if it runs on for others.
        containers: for which containers it runs on.
        held: what waits in the jar of this run from then on, by supply.
    """

    opening: int
    at: datetime | None
    containers: tuple[int, ...]
    held: dict[int, HeldPackets]


@lift("run", "put back", version=1)
def _one_back(facts: Facts) -> Facts:
    ((number, opening),) = facts["openings"].items()
    return {
        "opening": int(number),
        "at": opening.get("ended"),
        "containers": opening.get("for", []),
        "held": facts["held"],
    }


@event("run", "done", version=2)
@dataclass(frozen=True, slots=True)
class RunDone(Event):
    """It is over; whether it was broken off."""

    at: datetime
    broken_off: bool = False


@lift("run", "done", version=1)
def _done_at(facts: Facts) -> Facts:
    return {"at": facts["done"], "broken_off": facts.get("broken_off", False)}
