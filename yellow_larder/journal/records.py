"""What is read from the file is read once for a session; records as what they hold."""

from __future__ import annotations

import json
from collections.abc import Callable, Hashable
from functools import lru_cache
from typing import Any, TypeVar

from sqlalchemy import Text, bindparam, select, type_coerce
from sqlalchemy.orm import Session

from yellow_larder.journal.events import from_json
from yellow_larder.journal.kinds import all_kinds, kind_of
from yellow_larder.journal.tables import Record

_KNOWN = "known"
"""Where a session keeps what it has read."""

_COLUMNS = Record.__table__.c
_OF_KINDS = (
    # The facts as they stand in the file; columns of the table, for objects and what is known of them are not wanted.
    select(_COLUMNS.kind, _COLUMNS.number, type_coerce(_COLUMNS.facts, Text))
    .where(_COLUMNS.kind.in_(bindparam("kinds", expanding=True)))
    .order_by(_COLUMNS.number)
)

_Read = TypeVar("_Read")


def forget(session: Session) -> None:
    """What a session has read no longer holds: it wrote."""
    session.info.pop(_KNOWN, None)


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


def read_records(session: Session, *of: type[Any]) -> None:
    """Read the records of several kinds in one go, so that what asks for any of them later need not.

    Args:
        session: where they are read.
        of: the classes of what they hold.
    """
    known = session.info.setdefault(_KNOWN, {})
    wanted = {kind_of(record).name: record for record in of if ("records", record) not in known}
    found: dict[type[Any], dict[int, Any]] = {record: {} for record in wanted.values()}
    if not wanted:
        return
    for kind, number, facts in session.execute(_OF_KINDS, {"kinds": list(wanted)}):
        found[wanted[kind]][number] = _held(kind, facts)
    known.update({("records", record): held for record, held in found.items()})


@lru_cache(maxsize=4096)
def _held(kind: str, facts: str) -> Any:
    """What a record of a kind holds: frozen, and mostly the same as when it was last read."""
    of = all_kinds()[kind].record
    assert of is not None
    return from_json(of, json.loads(facts))


def records(session: Session, of: type[_Read]) -> dict[int, _Read]:
    """What every subject of a kind holds that is kept as a record, by number."""
    read_records(session, of)
    return dict(session.info[_KNOWN]["records", of])


def record_of(session: Session, of: type[_Read], number: int) -> _Read | None:
    """What one subject holds that is kept as a record; none if it is not there."""
    if ("records", of) in session.info.get(_KNOWN, {}):
        return records(session, of).get(number)
    row = session.get(Record, (kind_of(of).name, number))
    return None if row is None else from_json(of, row.facts)


def how_many(session: Session, *of: type[Any]) -> int:
    """How many subjects there are of kinds that are kept as records."""
    read_records(session, *of)
    return sum(len(session.info[_KNOWN]["records", record]) for record in of)
