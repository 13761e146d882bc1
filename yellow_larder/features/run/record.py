"""A run as its record has it: how far it is, and what its clock says. The clock is the server's."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from enum import StrEnum
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from yellow_larder.core.packing import OUT_MINUTES, USUAL_SECONDS, RunForecast, run_forecast
from yellow_larder.journal.tables import Record
from yellow_larder.words.errors import NotThere, Refused


class RunPhase(StrEnum):
    """How far a run is, in the order of the trade."""

    SHEET = "sheet"
    LABELS = "labels"
    SET_OUT = "set out"
    FILL = "fill"
    PLAIN = "close without packets"
    OPEN = "open the packets"
    CLOCK = "against the clock"
    LAST = "put away"
    DONE = "done"


@dataclass(frozen=True, slots=True)
class Opening:
    """Packets out in the room.

    Attributes:
        number: counted from one.
        at: when they were opened.
        before_min: how long the longest of them had been out before, minutes.
        for_: containers they are for.
        usual_s: what a container usually took until then, s.
        ended: when the last was closed, or the rest put back; none while the clock runs.
    """

    number: int
    at: datetime
    before_min: float
    for_: list[int]
    usual_s: float
    ended: datetime | None

    def out_s(self, now: datetime) -> float:
        """How long they have been out by now, s."""
        return max(0.0, ((self.ended or now) - self.at).total_seconds()) + self.before_min * 60


@dataclass(frozen=True, slots=True)
class Run:
    """A run.

    Attributes:
        number: its number.
        facts: its record.
    """

    number: int
    facts: dict[str, Any]

    @property
    def containers(self) -> dict[int, dict[str, Any]]:
        """Its containers, by their place in the row."""
        return {int(n): each for n, each in sorted(self.facts.get("containers", {}).items(), key=lambda e: int(e[0]))}

    @property
    def openings(self) -> list[Opening]:
        """Its openings of packets, the first first."""
        return [
            Opening(
                int(n),
                datetime.fromisoformat(each["at"]),
                each["before_min"],
                each["for"],
                each["usual_s"],
                datetime.fromisoformat(each["ended"]) if each.get("ended") else None,
            )
            for n, each in sorted(self.facts.get("openings", {}).items(), key=lambda e: int(e[0]))
        ]

    @property
    def clock(self) -> Opening | None:
        """The opening whose clock runs; none if no packets are out."""
        last = self.openings[-1] if self.openings else None
        return last if last is not None and last.ended is None else None

    @property
    def held(self) -> dict[int, dict[str, Any]]:
        """Packets of this run that wait in the jar, by supply; 0 stands for those that are not counted."""
        return {int(n): each for n, each in self.facts.get("held", {}).items() if each["count"]}

    def phase(self) -> RunPhase:
        """How far it is."""
        facts, containers = self.facts, self.containers
        left = [each for each in containers.values() if "closed" not in each]
        steps = (
            # A run that was broken off is over, whatever was left of it.
            ("done" in facts, RunPhase.DONE),
            (not containers, RunPhase.SHEET),
            ("labelled" not in facts, RunPhase.LABELS),
            ("set_out" not in facts, RunPhase.SET_OUT),
            (any("filled_g" not in each for each in left), RunPhase.FILL),
            (self.clock is not None, RunPhase.CLOCK),
            (any(not each["packets"] for each in left), RunPhase.PLAIN),
            (bool(left), RunPhase.OPEN),
        )
        return next((phase for here, phase in steps if here), RunPhase.LAST)

    def took_s(self) -> list[float]:
        """What each container took that was closed against the clock, s, in their order."""
        closed = sorted(
            (each for each in self.containers.values() if each.get("took_s") is not None),
            key=lambda each: str(each["closed"]),
        )
        return [float(each["took_s"]) for each in closed]

    def to_close(self) -> list[int]:
        """Containers that are to be closed now, in their order."""
        clock, containers = self.clock, self.containers
        wanted = clock.for_ if clock else [n for n, each in containers.items() if not each["packets"]]
        return [n for n in wanted if "closed" not in containers[n]]

    def waiting(self) -> list[int]:
        """Containers that wait for their packets, in their order."""
        return [n for n, each in self.containers.items() if "closed" not in each and each["packets"]]

    def since_last(self, now: datetime) -> float:
        """How long ago the last of this opening was closed, or its packets opened, s."""
        clock = self.clock
        if clock is None:
            return 0.0
        containers = self.containers
        closed = [containers[n].get("closed") for n in clock.for_]
        last = max([datetime.fromisoformat(each) for each in closed if each] + [clock.at])
        return max(0.0, (now - last).total_seconds())

    def forecast(self, now: datetime) -> RunForecast | None:
        """How this opening will go; none while no clock runs."""
        clock = self.clock
        if clock is None:
            return None
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


def current(session: Session) -> Run | None:
    """The run that is not done; none if there is none."""
    done = Record.facts["done"].as_string()
    row = session.scalar(select(Record).where(_IS_RUN, done.is_(None)).order_by(Record.number.desc()).limit(1))
    return Run(row.number, row.facts) if row is not None else None


def the_run(session: Session, number: int) -> Run:
    """The run of that number."""
    row = session.get(Record, ("run", number))
    if row is None:
        raise NotThere("number", "That run was undone, or never begun")
    return Run(number, row.facts)


def usual_seconds(session: Session) -> float:
    """What a container usually takes here: the mean of the last run, or what is usual anywhere."""
    lately = session.scalars(select(Record).where(_IS_RUN).order_by(Record.number.desc()).limit(20))
    for row in lately:
        took = Run(row.number, row.facts).took_s()
        if len(took) >= 3:
            return min(max(sum(took) / len(took), 5.0), 600.0)
    return USUAL_SECONDS


def is_over(out_s: float) -> bool:
    """Whether packets have been out for longer than they may."""
    return out_s > OUT_MINUTES * 60
