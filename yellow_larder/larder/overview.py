"""The figures along the top edge."""

from __future__ import annotations

from dataclasses import dataclass

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from yellow_larder.larder.eaters import Appetite, appetite
from yellow_larder.larder.larder import Larder, Settings, settings
from yellow_larder.larder.rounds import due_now
from yellow_larder.larder.run_record import RunPhase, current
from yellow_larder.larder.storing import in_store
from yellow_larder.larder.supplies import low_supplies
from yellow_larder.store import journal
from yellow_larder.store.database import reading
from yellow_larder.store.models import Package


@dataclass(frozen=True, slots=True)
class Overview:
    """What stands here in figures, how the household is set, and what undo would take back."""

    settings: Settings
    appetite: Appetite
    kept: int
    kcal: float
    days: float
    freezing: int
    drying: int
    """Loads and jars."""
    due: int
    """What is late or due today."""
    running: str
    """How far the run is that is on; empty if there is none."""
    low: int
    """Supplies that are running low."""
    can_undo: str | None


def overview(larder: Larder) -> Overview:
    """The figures along the top edge."""
    year = larder.today().year
    with reading(larder.engine) as session:
        kept = session.scalar(select(func.count()).select_from(Package).where(Package.thrown_out_on.is_(None))) or 0
        here = in_store(session, year)
        change = journal.last_change(session)
        return Overview(
            settings=settings(session),
            appetite=appetite(session, year),
            kept=kept,
            kcal=here.kcal,
            days=here.days,
            freezing=journal.how_many(session, "freezing"),
            drying=journal.how_many(session, "load", "jar", "freeze-load"),
            due=due_now(session, larder.clock()),
            running=_running(session),
            low=len(low_supplies(session)),
            can_undo=change.title if change else None,
        )


def _running(session: Session) -> str:
    run = current(session)
    if run is None:
        return ""
    if run.phase() is RunPhase.SHEET:
        lines = len(run.facts.get("lines", {}))
        return f"{lines} on the sheet" if lines else ""
    closed = sum("closed" in each for each in run.containers.values())
    return f"{closed} of {len(run.containers)} closed"
