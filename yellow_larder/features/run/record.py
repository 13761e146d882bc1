"""A run as its record has it: how far it is, and what its clock says. The clock is the server's."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from enum import StrEnum

from sqlalchemy import select
from sqlalchemy.orm import Session

from yellow_larder.core.packing import OUT_MINUTES, USUAL_SECONDS, RunForecast, run_forecast
from yellow_larder.features.run.events import HeldPackets
from yellow_larder.features.run.state import Container, Opening, RunRecord
from yellow_larder.journal import log
from yellow_larder.journal.events import from_json
from yellow_larder.journal.tables import Record
from yellow_larder.words.errors import NotThere, Refused


class RunPhase(StrEnum):
    """How far a run is, in the order of the trade."""

    SHEET = "sheet"
    LABELS = "labels"
    SET_OUT = "set out"
    FILL = "fill"
    PLAIN = "close without absorbers"
    OPEN = "open the absorbers"
    CLOCK = "against the clock"
    LAST = "put away"
    DONE = "done"


@dataclass(frozen=True, slots=True)
class Run:
    """A run.

    Attributes:
        number: its number.
        record: how it stands.
    """

    number: int
    record: RunRecord

    @property
    def containers(self) -> dict[int, Container]:
        """Its containers, by their place in the row."""
        return dict(sorted(self.record.containers.items()))

    @property
    def clock(self) -> tuple[int, Opening] | None:
        """The opening whose clock runs, with its number; none if no packets are out."""
        number = max(self.record.openings, default=0)
        last = self.record.openings.get(number)
        return (number, last) if last is not None and last.ended is None else None

    @property
    def held(self) -> dict[int, HeldPackets]:
        """Packets of this run that wait in the jar, by supply; 0 stands for those that are not counted."""
        return {n: each for n, each in self.record.held.items() if each.count}

    def phase(self) -> RunPhase:
        """How far it is."""
        record, containers = self.record, self.record.containers
        left = [each for each in containers.values() if each.closed is None]
        steps = (
            # A run that was broken off is over, whatever was left of it.
            (record.done is not None, RunPhase.DONE),
            (not containers, RunPhase.SHEET),
            (record.labelled is None, RunPhase.LABELS),
            (record.set_out is None, RunPhase.SET_OUT),
            (any(each.filled_g is None for each in left), RunPhase.FILL),
            (self.clock is not None, RunPhase.CLOCK),
            (any(not each.packets for each in left), RunPhase.PLAIN),
            (bool(left), RunPhase.OPEN),
        )
        return next((phase for here, phase in steps if here), RunPhase.LAST)

    def took_s(self) -> list[float]:
        """What each container took that was closed against the clock, s, in their order."""
        closed = [(each.closed, each.took_s) for each in self.record.containers.values() if each.closed]
        return [took_s for _, took_s in sorted(closed, key=lambda each: each[0]) if took_s is not None]

    def to_close(self) -> list[int]:
        """Containers that are to be closed now, in their order."""
        clock, containers = self.clock, self.containers
        wanted = clock[1].containers if clock else [n for n, each in containers.items() if not each.packets]
        return [n for n in wanted if containers[n].closed is None]

    def waiting(self) -> list[int]:
        """Containers that wait for their packets, in their order."""
        return [n for n, each in self.containers.items() if each.closed is None and each.packets]

    def since_last(self, now: datetime) -> float:
        """How long ago the last of this opening was closed, or its packets opened, s."""
        if self.clock is None:
            return 0.0
        _, clock = self.clock
        closed = [self.record.containers[n].closed for n in clock.containers]
        last = max([at for at in closed if at is not None] + [clock.at])
        return max(0.0, (now - last).total_seconds())

    def forecast(self, now: datetime) -> RunForecast | None:
        """How this opening will go; none while no clock runs."""
        if self.clock is None:
            return None
        _, clock = self.clock
        out, since = clock.out_s(now), self.since_last(now)
        return run_forecast(self.took_s(), len(self.to_close()), out_s=out, since_last_s=since, usual_s=clock.usual_s)

    def check(self, *phases: RunPhase) -> None:
        """Refuse what does not belong to where it is.

        Raises:
            Refused: it is further, or not so far yet.
        """
        now = self.phase()
        if now not in phases:
            raise Refused("phase", f"The run is at “{now.value}” now; another screen may have been ahead of this one")


_IS_RUN = Record.kind == "run"
_NOT_DONE = Record.facts["done"].as_string().is_(None)
_CURRENT = select(Record).where(_IS_RUN, _NOT_DONE).order_by(Record.number.desc()).limit(1)


def current(session: Session) -> Run | None:
    """The run that is not done; none if there is none."""
    row = session.scalar(_CURRENT)
    return Run(row.number, from_json(RunRecord, row.facts)) if row is not None else None


def the_run(session: Session, number: int) -> Run:
    """The run of that number."""
    record = log.record_of(session, RunRecord, number)
    if record is None:
        raise NotThere("number", "That run was undone, or never begun")
    return Run(number, record)


def usual_seconds(session: Session) -> float:
    """What a container usually takes here: the mean of the last run, or what is usual anywhere."""
    lately = session.scalars(select(Record).where(_IS_RUN).order_by(Record.number.desc()).limit(20))
    for row in lately:
        took = Run(row.number, from_json(RunRecord, row.facts)).took_s()
        if len(took) >= 3:
            return min(max(sum(took) / len(took), 5.0), 600.0)
    return USUAL_SECONDS


def is_over(out_s: float) -> bool:
    """Whether packets have been out for longer than they may."""
    return out_s > OUT_MINUTES * 60
