"""Appending to the journal, folding it into state, and undoing.

Every write goes through `record`: it appends what happened and folds the subjects it touched on from where
they were. An undo appends a change that names another; the entries of a change that is named so no longer
count, and what it had touched is folded again from the last snapshot before it. So state, history and undo
are one mechanism, and nothing that happened is ever rewritten.
"""

from __future__ import annotations

from collections.abc import Collection, Iterator, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, datetime
from functools import cache
from itertools import groupby, islice
from typing import Any, cast

from sqlalchemy import Date, Select, Table, bindparam, delete, func, insert, select
from sqlalchemy.dialects.sqlite import Insert
from sqlalchemy.dialects.sqlite import insert as upsert
from sqlalchemy.orm import Session

from yellow_larder.journal.events import (
    REREAD,
    Event,
    Removed,
    Reserved,
    event_types,
    read_event,
    type_of,
    written,
)
from yellow_larder.journal.history import (
    OPENING,
    Ends,
    Happening,
    ends,
    entries,
    happened_since,
    next_entry,
    next_number,
    standing_of,
    version,
    versions,
)
from yellow_larder.journal.kinds import Happened, Kind, LookUp, Row, all_kinds, fold
from yellow_larder.journal.records import forget, how_many, once, read_records, record_of, records
from yellow_larder.journal.tables import Attachment, Base, Change, Entry, Snapshot

__all__ = [
    "OPENING",
    "REREAD",
    "Act",
    "Ends",
    "Happening",
    "Title",
    "attachments",
    "ends",
    "entries",
    "fold_all",
    "how_many",
    "next_entry",
    "next_number",
    "once",
    "read_records",
    "record",
    "record_of",
    "records",
    "refold",
    "removed",
    "reserved",
    "row_of",
    "standing_of",
    "title",
    "undo",
    "version",
    "versions",
]

SNAPSHOT_EVERY = 100
"""Entries of one subject between snapshots: an undo folds no more than so many again."""

_MOST_BOUND = 500
"""Values bound to one statement; SQLite takes 32,766."""


@dataclass(frozen=True, slots=True)
class Act:
    """Something that happens to one subject.

    Attributes:
        subject: its number.
        event: what happens to it.
        act: which of the acts that are told alike; none means the only one.
    """

    subject: int
    event: Event
    act: str = ""

    @property
    def kind(self) -> str:
        """The kind of subject."""
        return type_of(self.event).kind

    @property
    def name(self) -> str:
        """What the journal calls it.

        Raises:
            ValueError: its event can be several things, and it is not said which; or it is none of them.
        """
        acts = type_of(self.event).acts
        name = self.act or acts[0]
        if name not in acts or (not self.act and len(acts) > 1):
            raise ValueError(f"{self.event} is one of {', '.join(acts)}")
        return name


def removed(kind: str, subject: int) -> Act:
    """A subject is taken away."""
    return Act(subject, Removed(kind))


def reserved(kind: str, subject: int) -> Act:
    """A number is kept for a subject that is still to come."""
    return Act(subject, Reserved(kind))


@dataclass(frozen=True, slots=True)
class Title:
    """What a change is called: a code that has words, and the figures in them, as JSON has them."""

    code: str
    figures: Mapping[str, Any]


def title(code: str, **figures: str | float | Sequence[str]) -> Title:
    """What a change is called."""
    return Title(code, figures)


def row_of(act: Act, change_id: int) -> dict[str, Any]:
    """An act as a row of the journal."""
    return {
        "change_id": change_id,
        "kind": act.kind,
        "subject": act.subject,
        "act": act.name,
        "version": type_of(act.event).version,
        "facts": written(act.event),
    }


def _table(of: type[Base]) -> Table:
    """The table itself: where nothing is wanted of the objects that stand for its rows, it is written to sooner."""
    return cast(Table, of.__table__)


_APPEND = insert(_table(Entry))
_OF_CHANGE = select(_table(Entry)).where(Entry.change_id == bindparam("change"))


def record(session: Session, called: Title, acts: Sequence[Act], *, at: datetime) -> Change:
    """Append a change with its entries, and fold on what it touched."""
    change = Change(at=at, title="", code=called.code, figures=dict(called.figures))
    session.add(change)
    session.flush()
    session.execute(_APPEND, [row_of(act, change.id) for act in acts])
    touched: dict[str, dict[int, list[Happened]]] = {}
    for act in acts:
        happened = Happened(change.id, act.name, act.event)
        touched.setdefault(act.kind, {}).setdefault(act.subject, []).append(happened)
    for kind in all_kinds().values():
        if kind.name in touched:
            # Of what has only just come into the house there is no row yet to be looked for.
            mine = touched[kind.name]
            before = _rows(session, kind, [subject for subject, all_ in mine.items() if all_[0].act not in kind.begins])
            _fold_on(session, kind, before, mine, _looking_up(session))
            _take_snapshots(session, kind, list(before))
    _settle(session, touched)
    return change


def undo(session: Session, change: Change, *, at: datetime) -> Change:
    """Take a change back: append that it is undone, and fold again what it had touched."""
    undoing = Change(at=at, title="", code="undone", figures={}, undoes=change.id)
    session.add(undoing)
    session.flush()
    rows = session.execute(_OF_CHANGE, {"change": change.id}).all()
    touched: dict[str, set[int]] = {}
    for row in rows:
        touched.setdefault(row.kind, set()).add(row.subject)
        attached = read_event(row.kind, row.act, row.version, row.facts).attachment
        if attached is not None:
            session.execute(delete(Attachment).where(Attachment.id == attached))
    first = min((row.id for row in rows), default=0)
    for kind in all_kinds().values():
        look_up = _looking_up(session)
        for subject in sorted(touched.get(kind.name, ())):
            mine = (Snapshot.kind == kind.name, Snapshot.subject == subject)
            session.execute(delete(Snapshot).where(*mine, Snapshot.entry_id >= first))
            kept = session.scalar(select(Snapshot).where(*mine).order_by(Snapshot.entry_id.desc()).limit(1))
            state = _thawed(kind, kept.state) if kept is not None else None
            since = kept.entry_id if kept is not None else 0
            happened = happened_since(session, kind.name, subject, since)
            _fold_on(session, kind, {subject: state}, {subject: happened}, look_up)
    _settle(session, touched)
    return undoing


def fold_all(session: Session) -> Iterator[tuple[Kind, int, Row]]:
    """Every row that follows from the journal, worked out from its beginning; the tables are not looked at.

    Raises:
        UnknownEvent: the journal tells of something that nobody knows.
    """
    looked_up = {name for kind in all_kinds().values() for name in kind.looks_up}
    kept: dict[tuple[str, int], Row] = {}
    for kind in all_kinds().values():
        for subject, happenings in groupby(standing_of(session, kind.name), key=lambda each: each[0]):
            row: Row | None = None
            for _, happened in happenings:
                row = fold(kind, subject, row, happened, lambda name, number: kept[name, number])
            if row is None:
                continue
            if kind.name in looked_up:
                kept[kind.name, subject] = row
            yield kind, subject, row


def refold(session: Session) -> None:
    """Throw all state away and fold it anew from the journal; what is attached to nothing in it is let go."""
    session.execute(delete(Snapshot))
    for table in {kind.table: None for kind in reversed(all_kinds().values())}:
        session.execute(delete(table))
    for kind, folded in groupby(fold_all(session), key=lambda each: each[0]):
        rows = (row for _, _, row in folded)
        while some := list(islice(rows, 2000)):
            session.execute(insert(kind.table), some)
    told = set(attachments(session))
    for attached in session.scalars(select(Attachment.id)).all():
        if attached not in told:
            session.execute(delete(Attachment).where(Attachment.id == attached))
    session.expire_all()
    forget(session)


def attachments(session: Session) -> Iterator[int]:
    """What the journal tells of that is too large for it, by number."""
    kinds = {known.kind for known in event_types() if known.of.attachment is not Event.attachment}
    for kind in sorted(kinds):
        for _, happened in standing_of(session, kind):
            if happened.event.attachment is not None:
                yield happened.event.attachment


def _in_parts(subjects: Sequence[int]) -> Iterator[Sequence[int]]:
    return (subjects[start : start + _MOST_BOUND] for start in range(0, len(subjects), _MOST_BOUND))


def _rows(session: Session, kind: Kind, subjects: Sequence[int]) -> dict[int, Row]:
    """The rows of some subjects; those that are not there are missing."""
    found = {}
    for some in _in_parts(subjects):
        keys = [kind.key(subject) for subject in some]
        # Of the two columns that a record is found by, the kind is the same for all.
        wanted = {name: list({key[name] for key in keys}) for name in keys[0]}
        for row in session.execute(_look(kind, tuple(wanted)), wanted).mappings():
            found[kind.subject(row)] = dict(row)
    return found


@cache
def _look(kind: Kind, by: tuple[str, ...]) -> Select[*tuple[Any, ...]]:
    """What looks for rows of a kind by some columns."""
    return select(*kind.columns).where(*[kind.column(name).in_(bindparam(name, expanding=True)) for name in by])


def _looking_up(session: Session) -> LookUp:
    """What looks up the rows of other kinds, each once: while one kind is folded, those before it stay as they are."""

    @cache
    def look_up(name: str, number: int) -> Row:
        kind = all_kinds()[name]
        held = session.get_one(kind.table, tuple(kind.key(number).values()))
        return {column.name: getattr(held, column.name) for column in kind.columns}

    return look_up


@cache
def _write(kind: Kind) -> Insert:
    """What writes rows of a kind, over those that are there."""
    statement = upsert(_table(kind.table))
    key_columns = [column.name for column in kind.table.__table__.primary_key]
    values = {column.name: statement.excluded[column.name] for column in kind.columns}
    return statement.on_conflict_do_update(index_elements=key_columns, set_=values)


def _fold_on(
    session: Session,
    kind: Kind,
    before: Mapping[int, Row | None],
    touched: Mapping[int, Sequence[Happened]],
    look_up: LookUp,
) -> None:
    """Fold subjects on by what happened to them, and write their rows: every column, or no row."""
    rows, gone = [], []
    for subject, happened in touched.items():
        row = before.get(subject)
        for each in happened:
            row = fold(kind, subject, row, each, look_up)
        if row is None:
            gone.append(kind.key(subject))
        else:
            rows.append({column.name: row[column.name] for column in kind.columns})
    for key in gone:
        session.execute(delete(kind.table).where(*[kind.column(name) == value for name, value in key.items()]))
    if rows:
        session.execute(_write(kind), rows)
    # Rows were written past the objects that this session may hold of them, and past what it has read. The journal
    # itself is never rewritten.
    for held in session.identity_map.values():
        if not isinstance(held, Change | Entry):
            session.expire(held)
    forget(session)


def _settle(session: Session, touched: Mapping[str, Collection[int]]) -> None:
    """What follows in other rows from subjects that changed, worked out anew: folding it all again finds the same."""
    look_up = _looking_up(session)
    for kind in all_kinds().values():
        changed = [subject for name in kind.looks_up for subject in touched.get(name, ())]
        if not changed or kind.settle is None or kind.looks_at is None:
            continue
        found = session.execute(select(*kind.columns).where(kind.looks_at(changed))).mappings().all()
        rows = [dict(row) | kind.settle(dict(row), look_up) for row in found]
        if rows:
            session.execute(_write(kind), rows)
            session.expire_all()
            forget(session)


_SNAPSHOTS = (
    select(Snapshot.subject, func.max(Snapshot.entry_id), Entry.change_id)
    .join(Entry, Entry.id == Snapshot.entry_id)
    .where(Snapshot.kind == bindparam("kind"), Snapshot.subject.in_(bindparam("subjects", expanding=True)))
    .group_by(Snapshot.subject)
)


def _take_snapshots(session: Session, kind: Kind, subjects: Sequence[int]) -> None:
    """Keep the states of subjects to which enough has happened since their last snapshot."""
    for some in _in_parts(subjects):
        # Together with the change that its last entry came with: what came since lies in one stretch of the index,
        # however much there was before.
        kept = {"kind": kind.name, "subjects": some}
        since = {subject: change for subject, _, change in session.execute(_SNAPSHOTS, kept)}
        due = _worn(session, kind.name, [subject for subject in some if subject not in since], 0)
        for subject, change in since.items():
            due |= _worn(session, kind.name, [subject], change)
        rows = _rows(session, kind, list(due))
        session.add_all(
            Snapshot(kind=kind.name, subject=subject, entry_id=entry, state=_frozen(rows.get(subject)))
            for subject, entry in due.items()
        )
    session.flush()


def _worn(session: Session, kind: str, subjects: Sequence[int], since: int) -> dict[int, int]:
    """The last entry of each subject to which enough has happened after a change."""
    if not subjects:
        return {}
    wanted = {"kind": kind, "subjects": subjects, "since": since, "enough": SNAPSHOT_EVERY}
    return {row[0]: row[1] for row in session.execute(_WORN, wanted)}


_WORN = (
    select(Entry.subject, func.max(Entry.id))
    .where(
        Entry.kind == bindparam("kind"),
        Entry.subject.in_(bindparam("subjects", expanding=True)),
        Entry.change_id > bindparam("since"),
    )
    .group_by(Entry.subject)
    .having(func.count() >= bindparam("enough"))
)


def _frozen(row: Row | None) -> dict[str, Any]:
    """A row as JSON can keep it; empty if the subject was not there."""
    return {name: value.isoformat() if isinstance(value, date) else value for name, value in (row or {}).items()}


def _thawed(kind: Kind, kept: dict[str, Any]) -> Row | None:
    days = {column.name for column in kind.columns if isinstance(column.type, Date)}
    thawed = {name: date.fromisoformat(value) if value and name in days else value for name, value in kept.items()}
    return thawed or None
