"""Opening the larder's file so that an acknowledged write survives the power going out."""

from __future__ import annotations

import os
import sqlite3
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from contextvars import ContextVar
from datetime import datetime, timedelta
from pathlib import Path
from weakref import WeakKeyDictionary

from sqlalchemy import Connection, Engine, create_engine, delete, event, select
from sqlalchemy.engine.interfaces import DBAPIConnection
from sqlalchemy.orm import Session
from sqlalchemy.pool import ConnectionPoolEntry

from yellow_larder.journal import log
from yellow_larder.journal.backups import copy_before
from yellow_larder.journal.fair_lock import FairLock
from yellow_larder.journal.file import (
    VERSIONS,
    beside,
    known_versions,
    put_in_place,
    remove_database,
    version_of,
)
from yellow_larder.journal.tables import About, Answer

FOLDED_BY = "7"
"""The rules that state is folded by. A file whose state was folded by others is folded anew when it is opened."""

ANSWERS_KEPT = timedelta(days=2)
"""How long the answer to a request is kept for one that is sent again. Source: our judgement."""


def make_database(path: Path, begin: Callable[[Engine], None]) -> None:
    """Make a new larder's file, whole or not at all: it has its name only once it holds its beginning.

    Args:
        path: where it is to be; nothing is there yet.
        begin: writes the first change.
    """
    new = beside(path, ".new")
    remove_database(new)
    os.close(os.open(new, os.O_CREAT | os.O_EXCL, 0o600))
    engine = _engine(new)
    _bring_up_to_date(engine, new, fresh=True, keep_before=False)
    begin(engine)
    close_database(engine)
    put_in_place(new, path)


def open_database(path: Path, *, keep_before: bool = True) -> Engine:
    """Open the larder's file, bringing its tables and its state up to date if need be; a copy is kept of before.

    Args:
        path: the file.
        keep_before: keep that copy.

    Write-ahead log, so that readers never wait; synchronous FULL, so that a commit is on the disk before
    it is acknowledged; carried over into the file itself after every commit, so that a copy of the file holds
    everything; foreign keys on.
    """
    os.chmod(path, 0o600)
    engine = _engine(path)
    _bring_up_to_date(engine, path, keep_before=keep_before)
    return engine


def close_database(engine: Engine) -> None:
    """Carry everything over into the one file, and close it."""
    with suppress(sqlite3.Error), engine.connect() as connection:
        raw = connection.connection.driver_connection
        assert isinstance(raw, sqlite3.Connection)
        raw.execute("PRAGMA wal_checkpoint(TRUNCATE)")
    engine.dispose()


def _engine(path: Path) -> Engine:
    engine = create_engine(f"sqlite:///{path}", connect_args={"timeout": 30})
    event.listen(engine, "connect", _set_pragmas)
    event.listen(engine, "begin", lambda connection: connection.exec_driver_sql(_begin(connection)))
    _TURNS[engine] = FairLock()
    return engine


def _set_pragmas(connection: DBAPIConnection, _record: ConnectionPoolEntry) -> None:
    # The driver would begin transactions late and by its own rules; we begin them ourselves below.
    connection.isolation_level = None
    cursor = connection.cursor()
    for pragma in ("journal_mode=WAL", "synchronous=FULL", "foreign_keys=ON", "wal_autocheckpoint=1"):
        cursor.execute(f"PRAGMA {pragma}")
    cursor.close()


def _begin(connection: Connection) -> str:
    # A writer takes its lock at once, so that what it read is still so when it writes.
    return "BEGIN IMMEDIATE" if connection.get_execution_options().get("writing") else "BEGIN"


def _bring_up_to_date(engine: Engine, path: Path, *, fresh: bool = False, keep_before: bool) -> None:
    """Migrate the tables and fold the state anew, in one transaction, if either is of an earlier version."""
    if not fresh and version_of(path) == known_versions()[-1] and _folded_by(engine) == FOLDED_BY:
        return
    if keep_before:
        copy_before(path, f"version-{known_versions()[-1]}")
    # Most starts find the tables up to date, and need neither its time nor its 11 MB.
    from alembic import command
    from alembic.config import Config

    config = Config()
    config.set_main_option("script_location", str(VERSIONS.parent))
    with engine.execution_options(writing=True).begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "head")
        with Session(connection) as session:
            if not fresh:
                log.refold(session)
            session.merge(About(name="folded by", value=FOLDED_BY))
            session.flush()


_FOLDED_BY = select(About.__table__.c.value).where(About.__table__.c.name == "folded by")


def _folded_by(engine: Engine) -> str:
    with engine.connect() as connection:
        return connection.scalar(_FOLDED_BY) or ""


class AlreadyAnswered(Exception):
    """A request came again whose change was made; it is answered as it was then, and changes nothing.

    Attributes:
        answer: what it was answered.
    """

    def __init__(self, answer: Answer) -> None:
        self.answer = answer
        super().__init__(answer.key)


class KeyTaken(Exception):
    """A request came with the key of another one."""


_TURNS: WeakKeyDictionary[Engine, FairLock] = WeakKeyDictionary()
_JOINED: ContextVar[Session | None] = ContextVar("joined", default=None)
"""The session that all reading and writing of a request with a key goes through."""


@contextmanager
def reading(engine: Engine) -> Iterator[Session]:
    """A session that sees one moment of the larder."""
    joined = _JOINED.get()
    if joined is not None:
        yield joined
        return
    with Session(engine) as session:
        yield session


@contextmanager
def writing(engine: Engine) -> Iterator[Session]:
    """A session that commits if all went well and leaves nothing behind if not; writers wait their turn."""
    joined = _JOINED.get()
    if joined is not None:
        yield joined
        return
    with _TURNS[engine], Session(engine.execution_options(writing=True)) as session, session.begin():
        yield session


@contextmanager
def answered_once(engine: Engine, key: str, digest: str, at: datetime) -> Iterator[Callable[[int, str], None]]:
    """All that is written within is one change, and its answer is kept with it, or neither.

    Args:
        engine: the larder's.
        key: what the request calls itself, and calls itself again if it is sent again.
        digest: SHA-256 of what it asks.
        at: when it came.

    Yields:
        What to call with the status and the text of the answer.

    Raises:
        AlreadyAnswered: it was answered before.
        KeyTaken: another request had that key.
    """
    with _TURNS[engine], Session(engine.execution_options(writing=True)) as session, session.begin():
        answer = session.get(Answer, key)
        if answer is not None:
            session.expunge(answer)
            raise KeyTaken if answer.request != digest else AlreadyAnswered(answer)

        def keep(status: int, body: str) -> None:
            session.execute(delete(Answer).where(Answer.at < at - ANSWERS_KEPT))
            session.add(Answer(key=key, request=digest, at=at, status=status, body=body))

        token = _JOINED.set(session)
        try:
            yield keep
        finally:
            _JOINED.reset(token)
