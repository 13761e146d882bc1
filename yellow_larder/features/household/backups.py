"""Safe copies of the larder: on request, every day by themselves, and back again."""

from __future__ import annotations

import json
import logging
import shutil
import sqlite3
import subprocess
import sys
from contextlib import suppress
from dataclasses import dataclass
from datetime import date, datetime
from pathlib import Path
from threading import Event, Thread

from sqlalchemy.exc import SQLAlchemyError
from sqlalchemy.orm import Session

from yellow_larder.features.household.clock import day_of, on_the_wall
from yellow_larder.features.household.larder import Larder
from yellow_larder.journal import log
from yellow_larder.journal.backups import (
    BadCopy,
    copies_folder,
    copy_file,
    daily_copies,
    daily_path,
    kept_as,
    let_old_go,
)
from yellow_larder.journal.checking import check, check_file
from yellow_larder.journal.database import close_database, open_database, reading
from yellow_larder.journal.file import (
    CannotOpen,
    ExitCode,
    beside,
    check_larder,
    hold,
    known_versions,
    put_in_place,
    remove_database,
    version_of,
)
from yellow_larder.words.dates import say_day
from yellow_larder.words.errors import Refused

OLD_DAYS = 7
"""A newest good copy that is older than this is said on the Rounds. Source: our judgement."""

_log = logging.getLogger(__name__)


@dataclass(frozen=True, slots=True)
class SafeCopy:
    """The newest good copy.

    Attributes:
        on: the day it was made; none if there is none.
        days: how old it is; if there is none, how old the larder is.
        folder: where copies lie.
        old: whether a new one is overdue.
        trouble: why the last one could not be kept; empty if it could.
    """

    on: date | None
    days: int
    folder: str
    old: bool
    trouble: str


def keep_copy(file: Path, to: Path) -> str:
    """Write a safe copy of a larder, in use or not; returns what is in it, in lines.

    Raises:
        CannotOpen: the file is no larder, or the copy would be the file itself.
        BadCopy: what was written is not good; it is removed again.
    """
    check_larder(file)
    target = to / file.name if to.is_dir() else to
    if target.resolve() == file.resolve():
        raise CannotOpen(f"{to} is the larder itself. Name another file for its copy.", ExitCode.CANNOT_CREATE)
    if target.exists():
        check_larder(target)  # an older copy is replaced; anything else is not
    copy_file(file, target)
    return summary_of(target)


def restore_copy(copy: Path, file: Path) -> Path | None:
    """Put a copy in the place of a larder; returns where what was there is kept, or none if nothing was.

    The copy stays as it is. What comes into the larder's place is brought up to date and checked before, and
    takes that place in one step: a power cut leaves the old one or the new one.

    Raises:
        CannotOpen: the copy is no larder, or the larder is in use.
        BadCopy: the copy does not hold what it should.
    """
    check_larder(copy)
    held = hold(file, whatever_it_is=True)
    try:
        new = beside(held.path, ".restored")
        remove_database(new)
        copy_file(copy, new, checked=False)
        engine = open_database(new, keep_before=False)
        try:
            wrong = check(engine)
        finally:
            close_database(engine)
        if wrong:
            remove_database(new)
            raise BadCopy(wrong)
        kept = _set_aside(held.path) if held.path.exists() else None
        put_in_place(new, held.path)
        return kept
    finally:
        held.let_go()


def _set_aside(file: Path) -> Path:
    """Keep what a restored copy replaces; its own name stays until the other takes it."""
    kept = kept_as(file, "replaced")
    with suppress(sqlite3.Error):
        database = sqlite3.connect(file)
        database.execute("PRAGMA wal_checkpoint(TRUNCATE)")
        database.close()
    shutil.copy2(file, kept)
    for suffix in ("-wal", "-shm"):
        # What is left of a log beside a damaged file belongs to it, and must not be read into the new one.
        if beside(file, suffix).exists():
            shutil.copy2(beside(file, suffix), beside(kept, suffix))
            beside(file, suffix).unlink()
    return kept


def summary_of(file: Path, *, whole: bool = True) -> str:
    """What is in a larder's file, in lines; of a file that cannot be read, that it cannot.

    Raises:
        CannotOpen: it is no larder, and `whole` asks for one.
    """
    try:
        check_larder(file)
        return _summary(file)
    except CannotOpen as error:
        if whole:
            raise
        return f"  {error.message}"


def what_is_wrong(file: Path) -> list[str]:
    """What is wrong with a larder's file, in use or not; nothing if all is well.

    Raises:
        CannotOpen: it is no larder.
    """
    check_larder(file)
    version = version_of(file)
    if version != known_versions()[-1]:
        return [f"Its tables are of version {version}: serve it once, which brings it up to date"]
    return check_file(file)


def safe_copy(larder: Larder, session: Session) -> SafeCopy | None:
    """The newest good copy; none if the larder needs none: a demo, or one that is in no file."""
    if larder.file is None or larder.demo:
        return None
    today = larder.today()
    newest = next((copy.day for copy in daily_copies(larder.file) if copy.day <= today), None)
    since = newest or day_of(log.ends(session).first_at or larder.clock())
    days = max(0, (today - since).days)
    return SafeCopy(newest, days, str(copies_folder(larder.file)), days > OLD_DAYS, larder.copy_trouble)


def keep_daily_copy(
    larder: Larder, *, anew: bool = False, apart: bool = False, unless: Event | None = None
) -> SafeCopy:
    """Keep today's copy if it is not there, or anew, and let old ones go.

    Args:
        larder: the larder.
        anew: also if it is there.
        apart: in a process of its own, so that nobody who uses the larder waits for the checking.
        unless: is set when the larder is closed: what is under way is broken off.

    Raises:
        Refused: there is no room for it, or it is not good.
    """
    with reading(larder.engine) as session:
        wanted = safe_copy(larder, session)
    if wanted is None or larder.file is None:
        raise Refused("copy", "A demo is made anew each time: there is nothing to keep")
    to = daily_path(larder.file, larder.today())
    if anew or not to.exists():
        try:
            to.parent.mkdir(exist_ok=True, mode=0o700)
            if apart:
                larder.copy_trouble = _copied_apart(larder.file, to, unless)
            else:
                copy_file(larder.file, to)
                larder.copy_trouble = ""
        except BadCopy as error:
            larder.copy_trouble = f"the larder’s file is not in order: {error.wrong[0]}"
        except (OSError, sqlite3.Error, SQLAlchemyError) as error:
            larder.copy_trouble = f"it could not be written: {getattr(error, 'strerror', None) or error}"
        if larder.copy_trouble:
            raise Refused("copy", f"No copy was kept: {larder.copy_trouble}")
    let_old_go(larder.file)
    with reading(larder.engine) as session:
        return safe_copy(larder, session) or wanted


def _copied_apart(file: Path, to: Path, unless: Event | None) -> str:
    """Copy and check in another process, which yields to all others; what went wrong, if anything did."""
    command = [sys.executable, "-m", "yellow_larder.cli", "backup", str(to), "--data", str(file), "--gently"]
    quiet = {"stdin": subprocess.DEVNULL, "stdout": subprocess.DEVNULL, "stderr": subprocess.PIPE}
    with subprocess.Popen(command, text=True, **quiet) as copying:  # type: ignore[call-overload]
        while copying.poll() is None:
            if unless is not None and unless.wait(0.1):
                copying.kill()
            elif unless is None:
                copying.wait()
        said = copying.stderr.read() if copying.stderr else ""
    return "" if copying.returncode == 0 else " ".join(said.split()[-60:]) or "the copying was stopped"


class Housekeeper:
    """Keeps a copy of the larder each day, as long as it is served; not before whoever opened it has looked around."""

    def __init__(self, larder: Larder, *, first_after_s: float = 20, every_s: float = 900) -> None:
        self._larder, self._first_after_s, self._every_s = larder, first_after_s, every_s
        self._stopped = Event()
        self._thread = Thread(target=self._run, name="copies", daemon=True)

    def __enter__(self) -> Housekeeper:
        self._thread.start()
        return self

    def __exit__(self, *_: object) -> None:
        self._stopped.set()
        self._thread.join(timeout=30)

    def _run(self) -> None:
        with reading(self._larder.engine) as session:
            if safe_copy(self._larder, session) is None:
                return
        self._stopped.wait(self._first_after_s)
        while not self._stopped.is_set():
            try:
                keep_daily_copy(self._larder, apart=True, unless=self._stopped)
            except Refused as error:
                _log.warning("no copy kept: %s", error.message)
            except Exception:
                # This thread must outlive whatever goes wrong once; the Rounds say how old the newest copy is.
                _log.exception("no copy kept")
            self._stopped.wait(self._every_s)


def _summary(file: Path) -> str:
    """What is in a larder's file; only what every version of it has."""
    database = sqlite3.connect(file)
    try:
        changes, newest = database.execute("SELECT count(*), max(at) FROM changes").fetchone()
        (kept,) = database.execute("SELECT count(*) FROM packages WHERE gone_on IS NULL").fetchone()
        held = "SELECT facts FROM records WHERE kind = 'household'"
        (facts,) = database.execute(held if _has_records(database) else "SELECT facts FROM household").fetchone()
    except (sqlite3.Error, TypeError, ValueError) as error:
        return f"  {file}: cannot be read ({error})"
    finally:
        database.close()
    at = on_the_wall(datetime.fromisoformat(newest))
    last = f"the last on {say_day(at.date())} at {at:%H:%M}"
    return f"  {json.loads(facts)['name']}: {kept:,} packages, {changes:,} changes, {last}"


def _has_records(database: sqlite3.Connection) -> bool:
    """Whether the household is a record: it had a table of its own until November 2026."""
    return database.execute("SELECT 1 FROM sqlite_master WHERE name = 'household'").fetchone() is None
