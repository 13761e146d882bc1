"""Appending to the journal, folding it into state, and undoing.

Every write goes through `record`: it appends what happened and folds the subjects it touched on from where
they were. An undo appends a change that names another; the entries of a change that is named so no longer
count, and what it had touched is folded again from the last snapshot before it. So state, history and undo
are one mechanism, and nothing that happened is ever rewritten.
"""

from __future__ import annotations

from collections.abc import Callable, Hashable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, datetime
from itertools import groupby, islice
from typing import Any, TypeVar, TypeVarTuple

from sqlalchemy import Date, Select, delete, func, insert, select
from sqlalchemy.dialects.sqlite import insert as upsert
from sqlalchemy.orm import Session, aliased

from yellow_larder.journal.projections import FOLDS, GONE, REREAD, RESERVED, Climate, Fold, Happened, State, fold
from yellow_larder.journal.tables import Change, Entry, Photo, Place, Record, Snapshot

__all__ = [
    "GONE",
    "OPENING",
    "REREAD",
    "RESERVED",
    "Act",
    "entries",
    "fold_all",
    "how_many",
    "last_change",
    "newest_at",
    "next_entry",
    "next_number",
    "once",
    "read_records",
    "record",
    "records",
    "refold",
    "standing_of",
    "undo",
    "version",
    "versions",
]

OPENING = 1
"""The first change, the larder's opening, cannot be undone: there would be nowhere to stand."""

SNAPSHOT_EVERY = 100
"""Entries of one subject between snapshots: an undo folds no more than so many again."""

_MOST_BOUND = 500
"""Values bound to one statement; SQLite takes 32,766."""


_KNOWN = "known"
"""Where a session keeps what it has read."""

_Read = TypeVar("_Read")

_Found = TypeVarTuple("_Found")
"""What is looked for: the columns of a select."""


@dataclass(frozen=True, slots=True)
class Act:
    """Something that happened to one subject."""

    kind: str
    subject: int
    act: str
    facts: dict[str, Any]


def next_number(session: Session, kind: str) -> int:
    """A number no subject of this kind ever had: an undone one keeps its, for its label may be printed."""
    last = session.scalar(select(func.max(Entry.subject)).where(Entry.kind == kind))
    return (last or 0) + 1


def next_entry(session: Session) -> int:
    """The number that the next entry will have; none before it ever had it."""
    return (session.scalar(select(func.max(Entry.id))) or 0) + 1


def record(session: Session, title: str, acts: Sequence[Act], *, at: datetime) -> Change:
    """Append a change with its entries, and fold on what it touched."""
    change = Change(at=at, title=title)
    session.add(change)
    session.flush()
    session.execute(
        insert(Entry),
        [
            {"change_id": change.id, "kind": act.kind, "subject": act.subject, "act": act.act, "facts": act.facts}
            for act in acts
        ],
    )
    touched: dict[str, dict[int, list[Happened]]] = {}
    for act in acts:
        happened = Happened(change.id, act.act, act.facts)
        touched.setdefault(act.kind, {}).setdefault(act.subject, []).append(happened)
    for kind in FOLDS:
        if kind in touched:
            # Of what has only just come into the house there is no row yet to be looked for.
            known = [subject for subject, all_ in touched[kind].items() if all_[0].act not in FOLDS[kind].begins]
            before = _states(session, kind, known)
            _fold_on(session, kind, before, touched[kind])
            _take_snapshots(session, kind, list(before))
    return change


def last_change(session: Session) -> Change | None:
    """The newest change that can be undone."""
    undo = aliased(Change)
    return session.scalar(
        select(Change)
        .where(Change.undoes.is_(None), Change.id != OPENING)
        .where(~select(undo.id).where(undo.undoes == Change.id).exists())
        .order_by(Change.id.desc())
        .limit(1)
    )


def newest_at(session: Session) -> datetime | None:
    """The latest moment that anything was done at, by the clock of then; none in a file without a change."""
    return session.scalar(select(func.max(Change.at)))


def undo(session: Session, change: Change, *, at: datetime) -> Change:
    """Take a change back: append that it is undone, and fold again what it had touched."""
    undoing = Change(at=at, title=f"Undid: {change.title}"[:300], undoes=change.id)
    session.add(undoing)
    session.flush()
    rows = session.execute(
        select(Entry.kind, Entry.subject, Entry.act, Entry.facts, Entry.id).where(Entry.change_id == change.id)
    ).all()
    touched: dict[str, set[int]] = {}
    for row in rows:
        touched.setdefault(row.kind, set()).add(row.subject)
        if row.act == "photographed":
            session.execute(delete(Photo).where(Photo.id == row.facts["photo"]))
    first = min((row.id for row in rows), default=0)
    for kind in FOLDS:
        for subject in sorted(touched.get(kind, ())):
            mine = (Snapshot.kind == kind, Snapshot.subject == subject)
            session.execute(delete(Snapshot).where(*mine, Snapshot.entry_id >= first))
            kept = session.scalar(select(Snapshot).where(*mine).order_by(Snapshot.entry_id.desc()).limit(1))
            state = _thawed(FOLDS[kind], kept.state) if kept is not None else None
            since = kept.entry_id if kept is not None else 0
            _fold_on(session, kind, {subject: state}, {subject: _happened(session, kind, subject, since)})
    return undoing


def once(session: Session, what: Hashable, read: Callable[[], _Read]) -> _Read:
    """Something read from the file: once for a session, until that session writes.

    A page asks a dozen questions that all want the household, the foods, the supplies. Each asks for itself, and
    the file is asked once.
    """
    known: dict[Hashable, Any] = session.info.setdefault(_KNOWN, {})
    if what not in known:
        known[what] = read()
    found: _Read = known[what]
    return found


def read_records(session: Session, *kinds: str) -> None:
    """Read the records of several kinds in one go, so that what asks for any of them later need not."""
    wanted = [kind for kind in kinds if ("records", kind) not in session.info.get(_KNOWN, {})]
    found: dict[str, dict[int, dict[str, Any]]] = {kind: {} for kind in wanted}
    rows = select(Record.kind, Record.number, Record.facts).where(Record.kind.in_(wanted)).order_by(Record.number)
    for kind, number, facts in session.execute(rows) if wanted else ():
        found[kind][number] = facts
    session.info.setdefault(_KNOWN, {}).update({("records", kind): facts for kind, facts in found.items()})


def records(session: Session, kind: str) -> dict[int, dict[str, Any]]:
    """What was last said of every subject of a kind that is kept as a record, by number."""
    read_records(session, kind)
    return dict(session.info[_KNOWN]["records", kind])


def how_many(session: Session, *kinds: str) -> int:
    """How many subjects there are of kinds that are kept as records."""
    read_records(session, *kinds)
    return sum(len(session.info[_KNOWN]["records", kind]) for kind in kinds)


def _that_count(found: Select[*_Found]) -> Select[*_Found]:
    """Of entries that are looked for only those whose change is not undone."""
    undo_of = aliased(Change)
    return found.outerjoin(undo_of, undo_of.undoes == Entry.change_id).where(undo_of.id.is_(None))


def entries(session: Session, kind: str, subject: int) -> list[tuple[Entry, Change]]:
    """What happened to a subject and still counts, oldest first."""
    found = select(Entry, Change).join(Change, Change.id == Entry.change_id)
    mine = (Entry.kind == kind, Entry.subject == subject, Entry.act != RESERVED)
    rows = session.execute(_that_count(found).where(*mine).order_by(Entry.id))
    return [(entry, change) for entry, change in rows]


def version(session: Session, kind: str, subject: int) -> int:
    """Which change a subject stands at: what an edit of it is based on; 0 if nothing was ever said of it."""
    return versions(session, kind, [subject]).get(subject, 0)


def standing_of(session: Session, kind: str) -> Iterator[tuple[int, Happened]]:
    """What happened to all subjects of a kind and still counts, by subject, oldest first."""
    rows = session.execute(
        _that_count(select(Entry.subject, Entry.change_id, Entry.act, Entry.facts))
        .where(Entry.kind == kind)
        .order_by(Entry.subject, Entry.id)
        # Columns, not objects, and not all at once: a long life has hundreds of thousands of entries.
        .execution_options(yield_per=2000)
    )
    for subject, change_id, act, facts in rows:
        yield subject, Happened(change_id, act, facts)


def versions(session: Session, kind: str, subjects: Sequence[int] | None = None) -> dict[int, int]:
    """Which change each subject of a kind, or each of some, stands at: what an edit of it is based on.

    Words that were read anew are as they were written, so that an edit is no less based on them.
    """
    of_them = [] if subjects is None else [Entry.subject.in_(subjects)]
    newest = _that_count(select(Entry.subject, func.max(Entry.change_id)))
    written = newest.where(Entry.kind == kind, Entry.act != REREAD, *of_them)
    rows = session.execute(written.group_by(Entry.subject))
    return {row[0]: row[1] for row in rows}


def fold_all(session: Session) -> Iterator[tuple[str, int, State]]:
    """Every state that follows from the journal, worked out from its beginning; the tables are not looked at."""
    climates: dict[int, Climate] = {}
    for kind in FOLDS:
        for subject, happenings in groupby(standing_of(session, kind), key=lambda each: each[0]):
            state: State | None = None
            for _, happened in happenings:
                state = fold(kind, subject, state, happened, climates.__getitem__)
            if state is None:
                continue
            if kind == "place":
                climates[subject] = Place(**state)
            yield kind, subject, state


def refold(session: Session) -> None:
    """Throw all state away and fold it anew from the journal; photographs that it does not tell of are let go."""
    session.execute(delete(Snapshot))
    for model in {of.model: None for of in reversed(FOLDS.values())}:
        session.execute(delete(model))
    for kind, folded in groupby(fold_all(session), key=lambda each: each[0]):
        states = (state for _, _, state in folded)
        while some := list(islice(states, 2000)):
            session.execute(insert(FOLDS[kind].model), some)
    told = set(photographs(session))
    for photo in session.scalars(select(Photo.id)).all():
        if photo not in told:
            session.execute(delete(Photo).where(Photo.id == photo))
    session.expire_all()
    session.info.pop(_KNOWN, None)


def photographs(session: Session) -> Iterator[int]:
    """The photographs that the journal tells of."""
    for _, happened in standing_of(session, "package"):
        if happened.act == "photographed":
            yield happened.facts["photo"]


def _in_parts(subjects: Sequence[int]) -> Iterator[Sequence[int]]:
    return (subjects[start : start + _MOST_BOUND] for start in range(0, len(subjects), _MOST_BOUND))


def _states(session: Session, kind: str, subjects: Sequence[int]) -> dict[int, State]:
    """The states of some subjects as their rows have them; those that are not there are missing."""
    of = FOLDS[kind]
    found = {}
    for some in _in_parts(subjects):
        keys = [of.key(kind, subject) for subject in some]
        # Of the two columns that a record is found by, the kind is the same for all.
        wanted = [of.column(name).in_({key[name] for key in keys}) for name in keys[0]]
        for row in session.execute(select(*of.columns).where(*wanted)).mappings():
            found[of.subject(row)] = dict(row)
    return found


def _fold_on(
    session: Session, kind: str, states: Mapping[int, State | None], touched: Mapping[int, Sequence[Happened]]
) -> None:
    """Fold subjects on by what happened to them, and write their rows: every column, or no row."""
    of = FOLDS[kind]
    rows, gone = [], []
    for subject, happened in touched.items():
        state = states.get(subject)
        for each in happened:
            state = fold(kind, subject, state, each, lambda place: session.get_one(Place, place))
        if state is None:
            gone.append(of.key(kind, subject))
        else:
            rows.append({column.name: state[column.name] for column in of.columns})
    for key in gone:
        session.execute(delete(of.model).where(*[of.column(name) == value for name, value in key.items()]))
    if rows:
        statement = upsert(of.model)
        key_columns = [column.name for column in of.model.__table__.primary_key]
        values = {column.name: statement.excluded[column.name] for column in of.columns}
        session.execute(statement.on_conflict_do_update(index_elements=key_columns, set_=values), rows)
    # Rows were written past the objects that this session may hold of them, and past what it has read. The journal
    # itself is never rewritten.
    for held in session.identity_map.values():
        if not isinstance(held, Change | Entry):
            session.expire(held)
    session.info.pop(_KNOWN, None)


def _happened(session: Session, kind: str, subject: int, since: int) -> list[Happened]:
    """What happened to a subject after an entry and still counts, oldest first."""
    found = _that_count(select(Entry.change_id, Entry.act, Entry.facts))
    mine = (Entry.kind == kind, Entry.subject == subject, Entry.id > since)
    rows = session.execute(found.where(*mine).order_by(Entry.id))
    return [Happened(*row) for row in rows]


def _take_snapshots(session: Session, kind: str, subjects: Sequence[int]) -> None:
    """Keep the states of subjects to which enough has happened since their last snapshot."""
    for some in _in_parts(subjects):
        mine = (Snapshot.kind == kind, Snapshot.subject.in_(some))
        # Together with the change that its last entry came with: what came since lies in one stretch of the index,
        # however much there was before.
        last = session.execute(
            select(Snapshot.subject, func.max(Snapshot.entry_id), Entry.change_id)
            .join(Entry, Entry.id == Snapshot.entry_id)
            .where(*mine)
            .group_by(Snapshot.subject)
        )
        since = {subject: change for subject, _, change in last}
        due = _worn(session, kind, [subject for subject in some if subject not in since], 0)
        for subject, change in since.items():
            due |= _worn(session, kind, [subject], change)
        states = _states(session, kind, list(due))
        session.add_all(
            Snapshot(kind=kind, subject=subject, entry_id=entry, state=_frozen(states.get(subject)))
            for subject, entry in due.items()
        )
    session.flush()


def _worn(session: Session, kind: str, subjects: Sequence[int], since: int) -> dict[int, int]:
    """The last entry of each subject to which enough has happened after a change."""
    if not subjects:
        return {}
    rows = session.execute(
        select(Entry.subject, func.max(Entry.id))
        .where(Entry.kind == kind, Entry.subject.in_(subjects), Entry.change_id > since)
        .group_by(Entry.subject)
        .having(func.count() >= SNAPSHOT_EVERY)
    )
    return {row[0]: row[1] for row in rows}


def _frozen(state: State | None) -> dict[str, Any]:
    """A state as JSON can keep it; empty if the subject was not there."""
    return {name: value.isoformat() if isinstance(value, date) else value for name, value in (state or {}).items()}


def _thawed(of: Fold, kept: dict[str, Any]) -> State | None:
    days = {column.name for column in of.columns if isinstance(column.type, Date)}
    thawed = {name: date.fromisoformat(value) if value and name in days else value for name, value in kept.items()}
    return thawed or None
