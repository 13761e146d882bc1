"""Runs as they stand, as they follow from the journal."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from datetime import datetime

from yellow_larder.features.packages.contained import Contained
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.run.events import (
    ContainerClosed,
    Filled,
    HeldPackets,
    LineAdded,
    LineRemoved,
    PacketsIn,
    PacketsOpened,
    PacketsPutBack,
    PlannedContainer,
    RunBegun,
    RunDone,
    StepDone,
    Ticked,
)
from yellow_larder.journal.events import Event
from yellow_larder.journal.kinds import Happened, record_kind


@dataclass(frozen=True, slots=True)
class Container:
    """A container of a run, as it stands.

    Attributes:
        planned: as it was planned.
        what: what it is, or will be, by what it was filled with.
        need_ml: oxygen that its absorbers must take up by that, with the margin, mL.
        filled_g: what it was filled with; none if it is not.
        closed: when it was closed; none if it is not.
        took_s: how long that took; none if no clock ran.
        late: whether its absorbers were out for too long.
        note: what was noted.
    """

    planned: PlannedContainer
    what: Contained
    need_ml: float
    filled_g: float | None = None
    closed: datetime | None = None
    took_s: float | None = None
    late: bool = False
    note: str = ""

    @property
    def package(self) -> int:
        """The number on its label."""
        return self.planned.package

    @property
    def packets(self) -> tuple[PacketsIn, ...]:
        """Its absorbers."""
        return self.planned.packets


@dataclass(frozen=True, slots=True)
class Opening:
    """Absorbers out in the room.

    Attributes:
        at: when they were opened.
        before_min: how long the longest of them had been out before, minutes.
        containers: the containers they are for.
        usual_s: what a container usually took until then, s.
        ended: when the last was closed, or the rest put back; none while the clock runs.
    """

    at: datetime
    before_min: float
    containers: tuple[int, ...]
    usual_s: float
    ended: datetime | None = None

    def out_s(self, now: datetime) -> float:
        """How long they have been out by now, s."""
        return max(0.0, ((self.ended or now) - self.at).total_seconds()) + self.before_min * 60


@dataclass(frozen=True, slots=True)
class RunRecord:
    """A run.

    Attributes:
        lines: the lines of its sheet, by number.
        began: when its containers got their numbers.
        containers: its containers, by their place in the row.
        labelled: when their labels were stuck on.
        set_out: when everything lay ready.
        ticks: what lies ready, by code.
        openings: its openings of absorbers, counted from one.
        held: absorbers of it that wait in its jar, by supply; 0 stands for those that are not counted.
        done: when it was over.
        broken_off: whether it was broken off.
    """

    lines: dict[int, Ask] = field(default_factory=dict)
    began: datetime | None = None
    containers: dict[int, Container] = field(default_factory=dict)
    labelled: datetime | None = None
    set_out: datetime | None = None
    ticks: tuple[str, ...] = ()
    openings: dict[int, Opening] = field(default_factory=dict)
    held: dict[int, HeldPackets] = field(default_factory=dict)
    done: datetime | None = None
    broken_off: bool = False


def _after(before: RunRecord | None, happened: Happened) -> RunRecord:
    run, told = before or RunRecord(), happened.event
    match told:
        case LineAdded():
            return replace(run, lines=run.lines | {told.line: told.ask})
        case LineRemoved():
            return replace(run, lines={n: ask for n, ask in run.lines.items() if n != told.line})
        case RunBegun():
            laid = {n: Container(each, each.what, each.need_ml) for n, each in told.containers.items()}
            return replace(run, began=told.began, containers=laid)
        case StepDone():
            return replace(run, labelled=told.at) if happened.act == "labelled" else replace(run, set_out=told.at)
        case Ticked():
            others = tuple(code for code in run.ticks if code != told.code)
            return replace(run, ticks=(*others, told.code) if told.on else others)
        case RunDone():
            return replace(run, done=told.at, broken_off=told.broken_off)
        case _:
            return _packing(run, told)


def _packing(run: RunRecord, told: Event) -> RunRecord:
    """A run after its containers were filled or closed, or its absorbers came out or went back."""
    match told:
        case Filled():
            return _with(run, {n: _filled(run.containers[n], told, n) for n in told.containers})
        case PacketsOpened():
            opening = Opening(told.at, told.before_min, told.containers, told.usual_s)
            return replace(run, openings=run.openings | {told.opening: opening}, held=run.held | told.held)
        case ContainerClosed():
            return _closed(run, told)
        case PacketsPutBack():
            opening = run.openings[told.opening]
            on = replace(opening, containers=told.containers) if told.at is None else replace(opening, ended=told.at)
            return replace(run, openings=run.openings | {told.opening: on}, held=run.held | told.held)
    raise TypeError(f"{told} does not happen to a run")


def _with(run: RunRecord, containers: Mapping[int, Container]) -> RunRecord:
    return replace(run, containers={**run.containers, **containers})


def _filled(container: Container, told: Filled, n: int) -> Container:
    fill = told.containers[n]
    what = container.what if fill.filling is None else fill.filling.of(container.what)
    need_ml = container.need_ml if fill.need_ml is None else fill.need_ml
    return replace(container, filled_g=fill.mass_g, what=what, need_ml=need_ml)


def _closed(run: RunRecord, told: ContainerClosed) -> RunRecord:
    mine = run.containers[told.container]
    closed = replace(mine, closed=told.at, note=told.note, took_s=told.took_s, late=told.late)
    after = _with(run, {told.container: closed})
    if not told.ends:
        return after
    last = max(run.openings)
    return replace(after, openings=run.openings | {last: replace(run.openings[last], ended=told.at)})


RUN = record_kind("run", RunRecord, _after)
