"""The figures along the top edge."""

from __future__ import annotations

from dataclasses import dataclass

from sqlalchemy.orm import Session

from yellow_larder.features.drying.events import JarRecord, LoadRecord
from yellow_larder.features.freeze_drying.events import FreezeLoadRecord
from yellow_larder.features.freezer.events import Freezing
from yellow_larder.features.household.backups import SafeCopy, safe_copy
from yellow_larder.features.household.changes import say_change
from yellow_larder.features.household.events import PersonKept, Settings
from yellow_larder.features.household.larder import Larder, clock_behind, settings
from yellow_larder.features.household.people import Appetite, appetite
from yellow_larder.features.planning.master_list import in_store
from yellow_larder.features.rounds.rounds import RECORDS, due_now
from yellow_larder.features.run.record import RunPhase, current
from yellow_larder.features.shelves.ageing import due_soon
from yellow_larder.features.supplies.view import low_supplies
from yellow_larder.journal import log
from yellow_larder.journal.database import reading


@dataclass(frozen=True, slots=True)
class Undoable:
    """The change that undo would take back."""

    change: int
    title: str


@dataclass(frozen=True, slots=True)
class Overview:
    """What stands here in figures, how the household is set, and what undo would take back."""

    settings: Settings
    appetite: Appetite
    kept: int
    kcal: float
    days: float
    past_days: float
    """How many of these days are of food past its best-by."""
    under_way: int
    """Loads in the dryers, jars being conditioned, and what freezes or thaws: all that stands under Drying."""
    due: int
    """What is late or due today."""
    running: str
    """How far the run is that is on; empty if there is none."""
    low: int
    """Supplies that are running low."""
    can_undo: Undoable | None
    clock_behind: str
    """What is to be said if the machine's clock stands behind the newest change; empty if it does not."""
    copy: SafeCopy | None
    """The newest safe copy; none for a demo, which needs none."""


_UNDER_WAY = (LoadRecord, JarRecord, FreezeLoadRecord, Freezing)


def overview(larder: Larder) -> Overview:
    """The figures along the top edge."""
    with reading(larder.engine) as session:
        log.read_records(session, PersonKept, *RECORDS)
        eats = appetite(session, larder.today().year)
        here = in_store(session, eats)
        soon = due_soon(session, larder.today())
        change = log.ends(session).last
        copy = safe_copy(larder, session)
        return Overview(
            settings=settings(session),
            appetite=eats,
            kept=here.packages,
            kcal=here.kcal,
            days=here.days,
            past_days=float(soon.kcal[soon.days < 0].sum()) / eats.kcal_day,
            under_way=log.how_many(session, *_UNDER_WAY),
            due=due_now(session, larder.clock(), copy),
            running=_running(session),
            low=len(low_supplies(session)),
            can_undo=Undoable(change.id, say_change(session, change)) if change else None,
            clock_behind=clock_behind(session, larder.clock()),
            copy=copy,
        )


def _running(session: Session) -> str:
    run = current(session)
    if run is None:
        return ""
    if run.phase() is RunPhase.SHEET:
        lines = len(run.record.lines)
        return f"{lines} on the sheet" if lines else ""
    closed = sum(each.closed is not None for each in run.containers.values())
    return f"{closed} of {len(run.containers)} closed"
