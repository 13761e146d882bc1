"""What happened, as the journal has it: what an undo has named no longer counts."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import datetime
from functools import cache
from typing import Any, TypeVarTuple

from sqlalchemy import Select, bindparam, func, select
from sqlalchemy.orm import Session, aliased

from yellow_larder.journal.events import REREAD, RESERVED, Event, read_event
from yellow_larder.journal.kinds import Happened
from yellow_larder.journal.records import once
from yellow_larder.journal.tables import Change, Entry

OPENING = 1
"""The first change, the larder's opening, cannot be undone: there would be nowhere to stand."""

_Found = TypeVarTuple("_Found")
"""What is looked for: the columns of a select."""


@dataclass(frozen=True, slots=True)
class Happening:
    """Something that happened to a subject and still counts.

    Attributes:
        change_id: the change it came with.
        at: when that was made.
        act: what the journal calls it.
        event: what happened.
    """

    change_id: int
    at: datetime
    act: str
    event: Event


def next_number(session: Session, kind: str) -> int:
    """A number no subject of this kind ever had: an undone one keeps its, for its label may be printed."""
    return (session.scalar(_LAST_NUMBER, {"kind": kind}) or 0) + 1


def next_entry(session: Session) -> int:
    """The number that the next entry will have; none before it ever had it."""
    return (session.scalar(_LAST_ENTRY) or 0) + 1


# Questions are put together once: to put one together takes longer than to answer it.
_KIND = Entry.kind == bindparam("kind")
_SUBJECT = Entry.subject == bindparam("subject")
_LAST_NUMBER = select(func.max(Entry.subject)).where(_KIND)
_LAST_ENTRY = select(func.max(Entry.id))


@dataclass(frozen=True, slots=True)
class Ends:
    """The ends of the journal.

    Attributes:
        last: the newest change that can be undone; none if there is none.
        first_at: when the first change was made; none in a file without a change.
        newest_at: the latest moment that anything was done at, by the clock of then.
    """

    last: Change | None
    first_at: datetime | None
    newest_at: datetime | None


def ends(session: Session) -> Ends:
    """The ends of the journal, read at once."""
    return once(session, "ends", lambda: _ends(session))


def _ends(session: Session) -> Ends:
    row = session.execute(_the_ends()).one()
    return Ends(row[2], row[0], row[1])


@cache
def _the_ends() -> Select[Any]:
    """The question for them, put together once: it is asked with every answer."""
    undo = _undoing()
    last = (
        select(Change.id)
        .where(Change.undoes.is_(None), Change.id != OPENING)
        .where(~select(undo.id).where(undo.undoes == Change.id).exists())
        .order_by(Change.id.desc())
        .limit(1)
        .scalar_subquery()
    )
    moments = select(func.min(Change.at).label("first"), func.max(Change.at).label("newest")).subquery()
    found = aliased(Change)
    return select(moments.c.first, moments.c.newest, found).select_from(moments).outerjoin(found, found.id == last)


@cache
def _undoing() -> type[Change]:
    """Changes as what takes another back; named once, for a new name costs more than the question."""
    return aliased(Change)


def _that_count(found: Select[*_Found]) -> Select[*_Found]:
    """Of entries that are looked for only those whose change is not undone."""
    undo_of = _undoing()
    return found.outerjoin(undo_of, undo_of.undoes == Entry.change_id).where(undo_of.id.is_(None))


def entries(session: Session, kind: str, subject: int) -> list[Happening]:
    """What happened to a subject and still counts, oldest first."""
    rows = session.execute(_the_entries(), {"kind": kind, "subject": subject})
    return [Happening(change, at, act, read_event(kind, act, of, facts)) for change, at, act, of, facts in rows]


@cache
def _the_entries() -> Select[int, datetime, str, int, dict[str, Any]]:
    columns = (Change.id, Change.at, Entry.act, Entry.version, Entry.facts)
    found = select(*columns).select_from(Entry).join(Change, Change.id == Entry.change_id)
    return _that_count(found).where(_KIND, _SUBJECT, Entry.act != RESERVED).order_by(Entry.id)


def version(session: Session, kind: str, subject: int) -> int:
    """Which change a subject stands at: what an edit of it is based on; 0 if nothing was ever said of it."""
    return versions(session, kind, [subject]).get(subject, 0)


def standing_of(session: Session, kind: str) -> Iterator[tuple[int, Happened]]:
    """What happened to all subjects of a kind and still counts, by subject, oldest first."""
    rows = session.execute(_the_standing(), {"kind": kind})
    for subject, change_id, act, of, facts in rows:
        yield subject, Happened(change_id, act, read_event(kind, act, of, facts))


@cache
def _the_standing() -> Select[int, int, str, int, dict[str, Any]]:
    return (
        _that_count(select(Entry.subject, Entry.change_id, Entry.act, Entry.version, Entry.facts))
        .where(_KIND)
        .order_by(Entry.subject, Entry.id)
        # Columns, not objects, and not all at once: a long life has hundreds of thousands of entries.
        .execution_options(yield_per=2000)
    )


def versions(session: Session, kind: str, subjects: Sequence[int] | None = None) -> dict[int, int]:
    """Which change each subject of a kind, or each of some, stands at: what an edit of it is based on.

    Words that were read anew are as they were written, so that an edit is no less based on them.
    """
    some = subjects is not None
    rows = session.execute(_the_versions(some), {"kind": kind} | ({"subjects": subjects} if some else {}))
    return {row[0]: row[1] for row in rows}


@cache
def _the_versions(of_some: bool) -> Select[int, int]:
    of_them = [Entry.subject.in_(bindparam("subjects", expanding=True))] if of_some else []
    newest = _that_count(select(Entry.subject, func.max(Entry.change_id)))
    return newest.where(_KIND, Entry.act != REREAD, *of_them).group_by(Entry.subject)


def happened_since(session: Session, kind: str, subject: int, since: int) -> list[Happened]:
    """What happened to a subject after an entry and still counts, oldest first."""
    rows = session.execute(_what_happened(), {"kind": kind, "subject": subject, "since": since})
    return [Happened(change, act, read_event(kind, act, of, facts)) for change, act, of, facts in rows]


@cache
def _what_happened() -> Select[int, str, int, dict[str, Any]]:
    found = _that_count(select(Entry.change_id, Entry.act, Entry.version, Entry.facts))
    return found.where(_KIND, _SUBJECT, Entry.id > bindparam("since")).order_by(Entry.id)
