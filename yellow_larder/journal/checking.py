"""Whether a larder's file is whole, and whether its tables are what its journal says."""

from __future__ import annotations

import math
from collections.abc import Iterator
from pathlib import Path
from typing import Any

from sqlalchemy import Connection, Engine, create_engine, select
from sqlalchemy.orm import Session

from yellow_larder.journal import log
from yellow_larder.journal.events import UnknownEvent
from yellow_larder.journal.kinds import Row, all_kinds
from yellow_larder.journal.tables import Attachment, Entry, Record

MOST_NAMED = 50
"""More differences than this are not told one by one."""


def check(engine: Engine) -> list[str]:
    """What is wrong with a larder's file; nothing if all is well.

    The file itself is checked page by page, every reference is followed, and all state is folded again from
    the journal and compared with the tables, row by row and column by column.
    """
    with engine.connect() as connection:
        found = [*_torn(connection), *_dangling(connection)]
    if not found:
        with Session(engine) as session:
            for difference in (*_differences(session), *_lost_attachments(session)):
                found.append(difference)
                if len(found) >= MOST_NAMED:
                    return [*found, "and more"]
    return found


def check_file(path: Path) -> list[str]:
    """What is wrong with a larder's file, in use or not; nothing if all is well."""
    engine = create_engine(f"sqlite:///{path}")
    try:
        return check(engine)
    finally:
        engine.dispose()


def _torn(connection: Connection) -> list[str]:
    rows = connection.exec_driver_sql(f"PRAGMA integrity_check({MOST_NAMED})")
    return [f"The file is damaged: {row[0]}" for row in rows if row[0] != "ok"]


def _dangling(connection: Connection) -> list[str]:
    rows = connection.exec_driver_sql("PRAGMA foreign_key_check")
    return [f"{row[0]}, row {row[1]}, points to something in {row[2]} that is not there" for row in rows]


def _differences(session: Session) -> Iterator[str]:
    kinds = all_kinds()
    expected: dict[str, dict[int, Row]] = {name: {} for name in kinds}
    try:
        for kind, subject, row in log.fold_all(session):
            expected[kind.name][subject] = row
    except UnknownEvent as error:
        # What follows from it nobody can say, and so nothing of the tables.
        yield str(error)
        return
    for name, kind in kinds.items():
        rows = select(*kind.columns).execution_options(yield_per=2000)
        if kind.table is Record:
            rows = rows.where(Record.kind == name)
        there = set()
        for found in session.execute(rows).mappings():
            subject = kind.subject(found)
            there.add(subject)
            yield from _compare(name, subject, dict(found), expected[name].get(subject))
        for subject in sorted(expected[name].keys() - there):
            yield f"{name} {subject}: in the journal, but not in its table"
    for name in sorted(set(session.scalars(select(Entry.kind).distinct())) - kinds.keys()):
        yield f"{name}: a kind of subject that this version does not know"


def _compare(kind: str, subject: int, row: Row, expected: Row | None) -> Iterator[str]:
    if expected is None:
        yield f"{kind} {subject}: in its table, but not in the journal"
        return
    for column, value in row.items():
        wanted = expected[column]
        if not _same(value, wanted):
            yield f"{kind} {subject}, {column}: is {_short(value)}, the journal says {_short(wanted)}"


def _same(value: Any, wanted: Any) -> bool:
    """The same figure; the last digit may differ, since another machine may add otherwise."""
    if isinstance(value, float) and isinstance(wanted, int | float):
        return math.isclose(value, wanted, rel_tol=1e-9, abs_tol=1e-9)
    return bool(value == wanted)


def _short(value: Any) -> str:
    said = str(value)
    return said if len(said) <= 60 else said[:59] + "…"


def _lost_attachments(session: Session) -> Iterator[str]:
    """What the journal tells of that is too large for it and is not there, or the other way round."""
    told = set(log.attachments(session))
    there = set(session.scalars(select(Attachment.id)))
    yield from (f"attachment {number} is not there" for number in sorted(told - there))
    yield from (f"attachment {number} belongs to nothing" for number in sorted(there - told))
