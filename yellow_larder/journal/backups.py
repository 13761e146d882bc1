"""Safe copies of the larder's file: made while it is used, checked after writing, and kept by age."""

from __future__ import annotations

import os
import re
import sqlite3
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date, datetime
from pathlib import Path

from yellow_larder.journal.checking import check_file
from yellow_larder.journal.file import beside, put_in_place

FOLDER = "copies"

DAYS, WEEKS, MONTHS = 7, 4, 12
"""How many daily, weekly and monthly copies are kept. Source: our judgement, of the common grandfather scheme."""

_DAILY = re.compile(r"^(?P<name>.+)-(?P<day>\d{4}-\d{2}-\d{2})\.db$")


@dataclass(frozen=True, slots=True)
class Copy:
    """A daily copy.

    Attributes:
        path: where it is.
        day: the day it was made.
    """

    path: Path
    day: date


def copies_folder(path: Path) -> Path:
    """Where the copies of a larder's file lie: beside it."""
    return path.parent / FOLDER


def daily_copies(path: Path) -> list[Copy]:
    """The daily copies of a larder's file, newest first. Only a copy that was found good has such a name."""
    found = []
    for each in copies_folder(path).glob(f"{path.stem}-*.db"):
        match = _DAILY.match(each.name)
        if match and match["name"] == path.stem:
            try:
                found.append(Copy(each, date.fromisoformat(match["day"])))
            except ValueError:
                continue  # somebody's own file, named alike
    return sorted(found, key=lambda copy: copy.day, reverse=True)


def daily_path(path: Path, day: date) -> Path:
    """Where the copy of a day lies."""
    return copies_folder(path) / f"{path.stem}-{day.isoformat()}.db"


def kept_as(path: Path, why: str) -> Path:
    """Where a larder's file is kept as it is now, for a reason that its name tells; the folder is there."""
    folder = copies_folder(path)
    folder.mkdir(exist_ok=True, mode=0o700)
    return folder / f"{path.stem}-{why}-{datetime.now():%Y%m%d-%H%M%S}.db"


def copy_before(path: Path, what: str) -> Path:
    """Keep a copy of the file as it is before something is done to it; returns where.

    Raises:
        OSError: there is no room for it, or the folder cannot be written.
        sqlite3.Error: the file cannot be read.
    """
    to = kept_as(path, f"before-{what}")
    copy_file(path, to, checked=False)  # of an earlier version: its state was folded by other rules
    return to


class BadCopy(Exception):
    """A copy was written and does not hold what it should.

    Attributes:
        wrong: what is wrong with it.
    """

    def __init__(self, wrong: list[str]) -> None:
        self.wrong = wrong
        super().__init__("; ".join(wrong[:3]))


def copy_file(path: Path, to: Path, *, checked: bool = True) -> None:
    """Copy a larder's file, in use or not, into another one that stands by itself.

    Args:
        path: the larder's file.
        to: the copy; what had that name is replaced once the copy is whole.
        checked: check it after writing, page by page and against its journal.

    Raises:
        BadCopy: what was written is not good; it is removed again.
        sqlite3.Error: it cannot be read, or there is no room.
        OSError: the target cannot be written.

    Source: SQLite's online backup, sqlite.org/backup.html.
    """
    part = beside(to, ".part")
    part.unlink(missing_ok=True)
    os.close(os.open(part, os.O_CREAT | os.O_EXCL, 0o600))
    source, target = sqlite3.connect(path, timeout=30), sqlite3.connect(part)
    try:
        # In one step: a larder is small, and pages copied between two changes would be copied again.
        source.backup(target)
        # One file, without a log beside it, which is easily lost on the way to a stick.
        target.execute("PRAGMA journal_mode=DELETE")
        target.close()
        if checked and (wrong := check_file(part)):
            raise BadCopy(wrong)
        put_in_place(part, to)
    finally:
        source.close()
        target.close()
        part.unlink(missing_ok=True)


def to_keep(days: Iterable[date]) -> set[date]:
    """Which days' copies are kept: the newest seven, the newest of each of four weeks and of twelve months.

    Example:
        >>> from datetime import timedelta
        >>> year = [date(2026, 11, 26) - timedelta(days=n) for n in range(365)]
        >>> kept = sorted(to_keep(year), reverse=True)
        >>> len(kept), str(kept[0]), str(kept[7]), str(kept[-1])
        (20, '2026-11-26', '2026-11-15', '2025-12-31')
    """
    newest = sorted(set(days), reverse=True)
    weeks: dict[tuple[int, int], date] = {}
    months: dict[tuple[int, int], date] = {}
    for day in newest:
        weeks.setdefault(day.isocalendar()[:2], day)
        months.setdefault((day.year, day.month), day)
    return {*newest[:DAYS], *list(weeks.values())[:WEEKS], *list(months.values())[:MONTHS]}


def let_old_go(path: Path) -> list[Path]:
    """Remove the daily copies that are no longer kept; returns which."""
    copies = daily_copies(path)
    kept = to_keep(copy.day for copy in copies)
    old = [copy.path for copy in copies if copy.day not in kept]
    for each in old:
        each.unlink(missing_ok=True)
    return old
