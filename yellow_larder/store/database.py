"""Opening the larder's file so that an acknowledged write survives the power going out."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from alembic import command
from alembic.config import Config
from sqlalchemy import Connection, Engine, create_engine, event
from sqlalchemy.engine.interfaces import DBAPIConnection
from sqlalchemy.orm import Session
from sqlalchemy.pool import ConnectionPoolEntry


def open_database(path: Path) -> Engine:
    """Open the larder's file, making it and bringing its tables up to date if need be.

    Write-ahead log, so that readers never wait; synchronous FULL, so that a commit is on the disk before
    it is acknowledged; foreign keys on.
    """
    path.parent.mkdir(parents=True, exist_ok=True)
    engine = create_engine(f"sqlite:///{path}", connect_args={"timeout": 30})
    event.listen(engine, "connect", _set_pragmas)
    event.listen(engine, "begin", lambda connection: connection.exec_driver_sql(_begin(connection)))
    _migrate(engine)
    return engine


def _set_pragmas(connection: DBAPIConnection, _record: ConnectionPoolEntry) -> None:
    # The driver would begin transactions late and by its own rules; we begin them ourselves below.
    connection.isolation_level = None
    cursor = connection.cursor()
    for pragma in ("journal_mode=WAL", "synchronous=FULL", "foreign_keys=ON"):
        cursor.execute(f"PRAGMA {pragma}")
    cursor.close()


def _begin(connection: Connection) -> str:
    # A writer takes its lock at once, so that what it read is still so when it writes.
    return "BEGIN IMMEDIATE" if connection.get_execution_options().get("writing") else "BEGIN"


def _migrate(engine: Engine) -> None:
    config = Config()
    config.set_main_option("script_location", str(Path(__file__).parent / "migrations"))
    with engine.execution_options(writing=True).begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "head")


@contextmanager
def reading(engine: Engine) -> Iterator[Session]:
    """A session that sees one moment of the larder."""
    with Session(engine) as session:
        yield session


@contextmanager
def writing(engine: Engine) -> Iterator[Session]:
    """A session that commits if all went well and leaves nothing behind if not."""
    with Session(engine.execution_options(writing=True)) as session, session.begin():
        yield session
