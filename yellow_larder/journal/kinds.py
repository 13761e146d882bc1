"""Kinds of subjects: how what happened to one becomes what is, each with its table and the step one event makes.

A row is a mapping of every column of the subject's table, or nothing if the subject is not there. A step takes the row
before an event to the row after it, and changes neither of its arguments: so a row can be kept, and folding can go on
from it. Features register their kinds; the journal knows none by name.
"""

from __future__ import annotations

from collections.abc import Callable, Collection
from dataclasses import dataclass
from datetime import date
from functools import cached_property
from typing import Any, TypeVar

from sqlalchemy import Column, ColumnElement, Date, RowMapping

from yellow_larder.journal.events import Event, Removed, Reserved, as_json, from_json
from yellow_larder.journal.tables import Base, Record

Row = dict[str, Any]
"""Every column of a subject's table, by name."""

LookUp = Callable[[str, int], Row]
"""The row of a subject of another kind, which is folded before this one."""


@dataclass(frozen=True, slots=True)
class Happened:
    """One entry of the journal, as far as folding needs it."""

    change_id: int
    act: str
    event: Event


Step = Callable[[Row | None, Happened, int, LookUp], Row]
"""Takes the row before, what happened, the subject's number, and what looks up other rows, to the row after."""


@dataclass(frozen=True)
class Kind:
    """How one kind of subject is folded.

    Attributes:
        name: what it is called in the journal.
        table: the table its state is kept in.
        step: what one event does to the row.
        record: of a kind that is kept as a record, the class of what its row holds.
        begins: acts that are always the first: of what has just come there is no row yet to be looked for.
        looks_up: kinds whose rows its step looks up.
        settle: what of a row follows from the rows looked up; of a kind that looks none up, nothing.
        looks_at: the rows that look up some subjects of those kinds: they are settled anew when one of them changes.
    """

    name: str
    table: type[Base]
    step: Step
    record: type[Any] | None = None
    begins: frozenset[str] = frozenset()
    looks_up: tuple[str, ...] = ()
    settle: Callable[[Row, LookUp], Row] | None = None
    looks_at: Callable[[Collection[int]], ColumnElement[bool]] | None = None

    @cached_property
    def columns(self) -> list[Column[Any]]:
        """The columns of its table."""
        return list(self.table.__table__.columns)  # type: ignore[arg-type]

    def column(self, name: str) -> ColumnElement[Any]:
        """A column of its table, by name."""
        return self.table.__table__.columns[name]

    @cached_property
    def _by_day(self) -> bool:
        (first, *_) = self.table.__table__.primary_key
        return isinstance(first.type, Date)

    def key(self, subject: int) -> Row:
        """The columns that the row of a subject is found by, with their values."""
        if self.table is Record:
            return {"kind": self.name, "number": subject}
        (name,) = (column.name for column in self.table.__table__.primary_key)
        return {name: date.fromordinal(subject) if self._by_day else subject}

    def subject(self, row: Row | RowMapping) -> int:
        """The number of the subject that a row is the state of."""
        if self.table is Record:
            return int(row["number"])
        (name,) = (column.name for column in self.table.__table__.primary_key)
        return int(row[name].toordinal() if self._by_day else row[name])


_S = TypeVar("_S")


def record_kind(name: str, record: type[_S], after: Callable[[_S | None, Happened], _S]) -> Kind:
    """A kind that is kept as a record: what it holds follows from what it held before.

    Args:
        name: what it is called in the journal.
        record: the class of what it holds.
        after: what it holds after something happened; before the first thing did, it holds nothing.
    """

    def step(row: Row | None, happened: Happened, number: int, _look_up: LookUp) -> Row:
        held = None if row is None else from_json(record, row["facts"])
        return {"kind": name, "number": number, "facts": as_json(after(held, happened))}

    return Kind(name, Record, step, record)


def said_kind(name: str, record: type[Event]) -> Kind:
    """A kind of which the last word counts: each of its events is the whole record."""

    def step(_row: Row | None, happened: Happened, number: int, _look_up: LookUp) -> Row:
        return {"kind": name, "number": number, "facts": as_json(happened.event)}

    return Kind(name, Record, step, record)


_KINDS: dict[str, Kind] = {}


def register(*kinds: Kind) -> None:
    """Register kinds, in the order in which they are folded: what is looked up comes before who looks it up."""
    for kind in kinds:
        _KINDS[kind.name] = kind


def all_kinds() -> dict[str, Kind]:
    """Every kind of subject, by name, in the order in which they are folded."""
    return _KINDS


def kind_of(record: type[Any]) -> Kind:
    """The kind whose record is of some class."""
    return next(kind for kind in _KINDS.values() if kind.record is record)


def fold(kind: Kind, subject: int, row: Row | None, happened: Happened, look_up: LookUp) -> Row | None:
    """The row of a subject after one more event."""
    if isinstance(happened.event, Reserved):
        return row
    return None if isinstance(happened.event, Removed) else kind.step(row, happened, subject, look_up)
