"""The larder's file before it is opened: whether it is one, whether it can be used, and who uses it now.

Whatever is wrong is said in a sentence with what to do, and nothing is touched.
"""

from __future__ import annotations

import json
import os
import sqlite3
from contextlib import closing, suppress
from dataclasses import dataclass
from datetime import datetime
from enum import IntEnum
from pathlib import Path
from typing import IO

import portalocker

_MAGIC = b"SQLite format 3\0"
_OURS = {"changes", "journal"}
"""Tables that every larder ever had."""

VERSIONS = Path(__file__).parent / "migrations" / "versions"


def known_versions() -> list[str]:
    """The versions of the file's tables that this Yellow Larder knows, oldest first."""
    return sorted(path.stem.partition("_")[0] for path in VERSIONS.glob("[0-9]*.py"))


class ExitCode(IntEnum):
    """How a command ends that cannot do its work. Source: BSD sysexits."""

    NOT_A_LARDER = 65
    NO_INPUT = 66
    NO_PAGES = 69
    CANNOT_CREATE = 73
    CANNOT_WRITE = 74
    IN_USE = 75
    NO_ACCESS = 77
    NEWER = 78


class CannotOpen(Exception):
    """The larder's file cannot be used; nothing was touched.

    Attributes:
        message: what is wrong and what to do, in whole sentences.
        code: how the command ends.
    """

    def __init__(self, message: str, code: ExitCode) -> None:
        self.message, self.code = message, code
        super().__init__(message)


@dataclass(slots=True)
class Hold:
    """The larder's file, held for this process alone until it is let go."""

    path: Path
    _lock: IO[str] | None

    def let_go(self) -> None:
        """Let another process have it."""
        if self._lock is not None:
            portalocker.unlock(self._lock)
            self._lock.close()
            self._lock = None


def beside(path: Path, suffix: str) -> Path:
    """A file that belongs to the larder's file and lies beside it."""
    return path.with_name(path.name + suffix)


def put_in_place(new: Path, path: Path) -> None:
    """Give a finished file its name, so that a power cut leaves the old one or the new one, never neither."""
    with new.open("rb") as file:
        os.fsync(file.fileno())
    os.replace(new, path)
    folder = os.open(path.parent, os.O_RDONLY)
    try:
        os.fsync(folder)
    finally:
        os.close(folder)


def remove_database(path: Path) -> None:
    """Remove a larder's file with what belongs to it."""
    for each in (path, beside(path, "-wal"), beside(path, "-shm"), beside(path, "-journal")):
        each.unlink(missing_ok=True)


def hold(path: Path, *, whatever_it_is: bool = False) -> Hold:
    """Look whether a file can be opened as a larder or made, and hold it for this process.

    Args:
        path: the file.
        whatever_it_is: hold it though it may be damaged, since it is to be replaced.

    Raises:
        CannotOpen: it is no larder, is damaged, of a newer version, in use, or cannot be written.
    """
    path = path.resolve()
    try:
        _check_path(path)
        if path.exists():
            if not whatever_it_is:
                check_larder(path)
        elif beside(path, "-wal").exists() and beside(path, "-wal").stat().st_size:
            raise CannotOpen(
                f"{path} is not there, but {path.name}-wal beside it holds changes of it. Put the larder's file back, "
                "or move the other one away to begin a new larder.",
                ExitCode.NOT_A_LARDER,
            )
        else:
            path.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
        return Hold(path, _locked(path))
    except OSError as error:
        raise CannotOpen(
            f"{path} cannot be used: {(error.strerror or str(error)).lower()}. "
            "Name another file with --data or YELLOW_LARDER_DATA.",
            ExitCode.CANNOT_CREATE,
        ) from error


def check_larder(path: Path) -> None:
    """Look whether a file is a larder that this version can open.

    Raises:
        CannotOpen: it is not, or is not there; the sentence says why.
    """
    if not path.exists():
        raise CannotOpen(f"{path} is not there.", ExitCode.NO_INPUT)
    size = path.stat().st_size
    if size == 0:
        raise CannotOpen(
            f"{path} is empty. If it was a larder, restore a copy: yellow-larder restore COPY. "
            "If you want a new larder there, remove the empty file first.",
            ExitCode.NOT_A_LARDER,
        )
    with path.open("rb") as file:
        header = file.read(100)
    if not header.startswith(_MAGIC):
        raise CannotOpen(
            f"{path} is not a larder: it is some other kind of file. Name the larder's own file with --data.",
            ExitCode.NOT_A_LARDER,
        )
    _check_whole(path, header, size)
    try:
        tables, version = _what_is_in(path)
    except sqlite3.DatabaseError as error:
        raise _damaged(path, str(error)) from error
    if not tables:
        raise CannotOpen(
            f"{path} was a larder’s file, but there is nothing in it: its changes were in {path.name}-wal beside it, "
            "and that was not copied along. Copy both, or restore a copy: yellow-larder restore COPY.",
            ExitCode.NOT_A_LARDER,
        )
    if not tables >= _OURS:
        raise CannotOpen(
            f"{path} is the database of another program, not a larder. Name the larder's own file with --data.",
            ExitCode.NOT_A_LARDER,
        )
    if version not in known_versions():
        raise CannotOpen(
            f"{path} was written by a newer Yellow Larder (its tables are of version {version}, this one knows "
            f"up to {known_versions()[-1]}). Install the newer one; nothing was changed.",
            ExitCode.NEWER,
        )


def _check_path(path: Path) -> None:
    if path.is_dir():
        raise CannotOpen(f"{path} is a folder. Name a file in it, such as {path / 'larder.db'}.", ExitCode.NOT_A_LARDER)
    above = next(folder for folder in path.parents if folder.exists())
    if not above.is_dir():
        raise CannotOpen(
            f"{above} is a file, so there can be no folder there for {path.name}. Name another place with --data.",
            ExitCode.CANNOT_CREATE,
        )
    if not os.access(above, os.W_OK | os.X_OK):
        raise CannotOpen(
            f"The folder {above} cannot be written to, and a larder needs its folder: "
            "allow it, or name another file with --data.",
            ExitCode.NO_ACCESS,
        )
    if path.exists() and not os.access(path, os.R_OK | os.W_OK):
        raise CannotOpen(
            f"{path} cannot be read and written: allow it, or name another file with --data.", ExitCode.NO_ACCESS
        )


def _check_whole(path: Path, header: bytes, size: int) -> None:
    """The header says how many pages there are: a file cut short has fewer. Source: sqlite.org/fileformat2.html."""
    page = int.from_bytes(header[16:18], "big")
    page = 65536 if page == 1 else page
    counted = header[24:28] == header[92:96]
    pages = int.from_bytes(header[28:32], "big") if counted else 0
    if len(header) < 100 or (size < pages * page and not _is_whole_with_its_log(path)):
        raise _damaged(path, f"it should have {max(100, pages * page):,} bytes and has {size:,}")


def _is_whole_with_its_log(path: Path) -> bool:
    """Whether the log beside a file has what is missing at its end.

    Carrying changes over begins with the page that counts them all: whoever was killed just then has lost nothing.
    """
    if not beside(path, "-wal").exists():
        return False
    with closing(_to_look_at(path)) as database, suppress(sqlite3.DatabaseError):
        return database.execute("PRAGMA quick_check(1)").fetchall() == [("ok",)]
    return False


def _damaged(path: Path, how: str) -> CannotOpen:
    return CannotOpen(
        f"{path} is damaged ({how}). Keep it as it is, and restore the newest copy: "
        f"look into {path.parent / 'copies'}, then yellow-larder restore COPY.",
        ExitCode.NOT_A_LARDER,
    )


def _to_look_at(path: Path) -> sqlite3.Connection:
    """The file opened so that nothing is written, neither to it nor beside it."""
    # Without a log beside it the file is all there is, and need not be locked to be read.
    how = "mode=ro" if beside(path, "-wal").exists() else "immutable=1"
    return sqlite3.connect(f"{path.resolve().as_uri()}?{how}", uri=True)


def version_of(path: Path) -> str:
    """The version of a larder's tables."""
    return _what_is_in(path)[1]


def _what_is_in(path: Path) -> tuple[set[str], str]:
    """Names of the tables, and their version; empty if there are none. Nothing is written."""
    with closing(_to_look_at(path)) as database:
        tables = {row[0] for row in database.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
        if "alembic_version" not in tables:
            return tables, ""
        row = database.execute("SELECT version_num FROM alembic_version").fetchone()
        return tables, str(row[0]) if row else ""


def is_demo(path: Path) -> bool:
    """Whether a file is a demo's, which may be made anew.

    Raises:
        CannotOpen: it is no larder at all.
    """
    check_larder(path)
    # Versions before demos were marked have no such table.
    with closing(_to_look_at(path)) as database, suppress(sqlite3.OperationalError):
        return database.execute("SELECT value FROM about WHERE name = 'demo'").fetchone() is not None
    return False


def _locked(path: Path) -> IO[str]:
    lock = beside(path, ".lock").open("a+", encoding="utf-8")
    try:
        portalocker.lock(lock, portalocker.LockFlags.EXCLUSIVE | portalocker.LockFlags.NON_BLOCKING)
    except portalocker.LockException as error:
        lock.seek(0)
        who = lock.read()
        lock.close()
        raise CannotOpen(
            f"{path} is in use by another Yellow Larder{_say_who(who)}. Stop that one first, or open its page.",
            ExitCode.IN_USE,
        ) from error
    lock.seek(0)
    lock.truncate()
    json.dump({"pid": os.getpid(), "since": f"{datetime.now():%Y-%m-%d %H:%M:%S}"}, lock)
    lock.flush()
    os.chmod(lock.name, 0o600)
    return lock


def _say_who(who: str) -> str:
    try:
        said = json.loads(who)
        return f" (process {said['pid']}, since {said['since']})"
    except (ValueError, KeyError, TypeError):
        return ""
