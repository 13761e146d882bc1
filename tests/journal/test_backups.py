"""Safe copies: whole, checked, kept by age, and put back."""

import sqlite3
import sys
import threading
from datetime import date, timedelta
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import Clock
from tests.support.doings import state
from tests.support.waiting import until
from yellow_larder.features.household.backups import (
    Housekeeper,
    keep_copy,
    keep_daily_copy,
    restore_copy,
    safe_copy,
    summary_of,
    what_is_wrong,
)
from yellow_larder.features.household.larder import Larder, open_larder
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.rounds.rounds import rounds
from yellow_larder.features.rounds.tasks import TaskKind
from yellow_larder.journal.backups import BadCopy, copy_file, daily_copies, let_old_go, to_keep
from yellow_larder.journal.database import reading, writing
from yellow_larder.journal.file import CannotOpen
from yellow_larder.journal.tables import Record
from yellow_larder.words.errors import Refused


def test_a_copy_made_while_it_is_used_is_the_same_larder(larder: Larder, tmp_path: Path) -> None:
    pack(larder, Ask(line="10 kg pearl barley"))
    assert "Our larder: 4 packages, 2 changes" in keep_copy(tmp_path / "larder.db", tmp_path / "copy.db")
    pack(larder, Ask(line="10 kg pearl barley"))
    keep_copy(tmp_path / "larder.db", tmp_path / "copy.db")
    with open_larder(tmp_path / "copy.db") as copied:
        assert state(copied) == state(larder)
    (tmp_path / "stick").mkdir()
    keep_copy(tmp_path / "larder.db", tmp_path / "stick")
    assert what_is_wrong(tmp_path / "stick" / "larder.db") == []


def test_a_copy_replaces_nothing_that_is_no_copy(larder: Larder, tmp_path: Path) -> None:
    (tmp_path / "letter.txt").write_text("dear")
    with pytest.raises(CannotOpen, match="not a larder"):
        keep_copy(tmp_path / "larder.db", tmp_path / "letter.txt")
    assert (tmp_path / "letter.txt").read_text() == "dear"
    with pytest.raises(CannotOpen, match="is the larder itself"):
        keep_copy(tmp_path / "larder.db", tmp_path / "larder.db")
    with pytest.raises(CannotOpen, match="is not there"):
        keep_copy(tmp_path / "nowhere.db", tmp_path / "copy.db")


def test_a_copy_that_is_not_good_is_not_kept(larder: Larder, tmp_path: Path) -> None:
    """The table was changed behind the journal's back: what is copied contradicts itself."""
    pack(larder, Ask(line="10 kg pearl barley"))
    with writing(larder.engine) as session:
        session.connection().exec_driver_sql("UPDATE packages SET shelf = 3 WHERE number = 2")
    with pytest.raises(BadCopy, match="package 2, shelf: is 3, the journal says 2"):
        copy_file(tmp_path / "larder.db", tmp_path / "copy.db")
    assert [each.name for each in tmp_path.iterdir() if each.name.startswith("copy")] == []


def test_restoring_keeps_what_it_replaces(larder: Larder, tmp_path: Path) -> None:
    file, copy = tmp_path / "larder.db", tmp_path / "copy.db"
    pack(larder, Ask(line="10 kg pearl barley"))
    then = state(larder)
    keep_copy(file, copy)
    pack(larder, Ask(line="2 kg red lentils"))
    later = state(larder)
    with pytest.raises(CannotOpen, match="in use"):
        restore_copy(copy, file)
    larder.close()
    kept = restore_copy(copy, file)
    assert kept is not None
    with open_larder(file) as restored, open_larder(kept) as replaced:
        assert state(restored) == then
        assert state(replaced) == later


def test_restoring_over_a_damaged_file_with_a_log_beside_it(larder: Larder, tmp_path: Path) -> None:
    file, copy = tmp_path / "larder.db", tmp_path / "copy.db"
    pack(larder, Ask(line="10 kg pearl barley"))
    then = state(larder)
    keep_copy(file, copy)
    larder.close()
    file.write_bytes(file.read_bytes()[:9000])
    (tmp_path / "larder.db-wal").write_bytes(b"what was in the log")
    kept = restore_copy(copy, file)
    assert kept is not None
    assert kept.stat().st_size == 9000
    assert kept.with_name(kept.name + "-wal").read_bytes() == b"what was in the log"
    with open_larder(file) as restored:
        assert state(restored) == then


def test_a_bad_copy_is_not_restored(larder: Larder, tmp_path: Path) -> None:
    file, copy = tmp_path / "larder.db", tmp_path / "copy.db"
    pack(larder, Ask(line="10 kg pearl barley"))
    keep_copy(file, copy)
    larder.close()
    database = sqlite3.connect(copy)
    database.execute("DELETE FROM packages WHERE number = 1")
    database.commit()
    database.close()
    with pytest.raises(BadCopy, match="package 1: in the journal, but not in its table"):
        restore_copy(copy, file)
    assert "4 packages" in summary_of(file)
    assert sorted(each.name for each in tmp_path.iterdir()) == ["copy.db", "larder.db", "larder.db.lock"]


def test_each_day_a_copy_and_the_rounds_say_if_none_was_kept(larder: Larder, clock: Clock, tmp_path: Path) -> None:
    def due() -> list[str]:
        return [task.title for task in rounds(larder).due if task.kind is TaskKind.COPY]

    assert due() == []
    clock.now += timedelta(days=8)
    assert due() == ["Keep a safe copy of the larder"]
    assert keep_daily_copy(larder).days == 0
    assert due() == []
    assert [copy.path.name for copy in daily_copies(tmp_path / "larder.db")] == ["larder-2026-12-02.db"]
    clock.now += timedelta(days=8)
    with reading(larder.engine) as session:
        found = safe_copy(larder, session)
    assert found is not None
    assert (found.on, found.days, found.old) == (date(2026, 12, 2), 8, True)


def test_a_copy_that_cannot_be_kept_is_said(larder: Larder, clock: Clock) -> None:
    with writing(larder.engine) as session:
        household = session.get_one(Record, ("household", 1))
        household.facts = household.facts | {"name": "Somebody else"}
    with pytest.raises(Refused, match="not in order: household 1, facts"):
        keep_daily_copy(larder)
    (task,) = (task for task in rounds(larder).due if task.kind is TaskKind.COPY)
    assert "not in order" in task.detail


def test_the_housekeeper_keeps_one_and_stops(larder: Larder, tmp_path: Path) -> None:
    with Housekeeper(larder, first_after_s=0, every_s=0.01):
        until(lambda: bool(daily_copies(tmp_path / "larder.db")))
    assert len(daily_copies(tmp_path / "larder.db")) == 1


@pytest.mark.parametrize("copying", [True, False], ids=["while it copies", "before it copies"])
def test_a_larder_that_is_closed_does_not_wait_for_its_copy(
    larder: Larder, tmp_path: Path, monkeypatch: pytest.MonkeyPatch, copying: bool
) -> None:
    """Its copier would be at it for an hour, and its first turn comes in an hour: it is gone when the larder is."""
    begun = tmp_path / "begun"
    copier = tmp_path / "copier"
    copier.write_text(f"#!/bin/sh\ntouch {begun}\nexec sleep 3600\n")
    copier.chmod(0o700)
    monkeypatch.setattr(sys, "executable", str(copier))
    with Housekeeper(larder, first_after_s=0 if copying else 3600):
        until(lambda: begun.exists() or not copying)
    assert "copies" not in {thread.name for thread in threading.enumerate()}
    assert begun.exists() is copying
    assert larder.copy_trouble == ("the copying was stopped" if copying else "")


def test_a_demo_keeps_none(tmp_path: Path, clock: Clock) -> None:
    with open_larder(tmp_path / "demo.db", clock, demo=True) as larder:
        clock.now += timedelta(days=30)
        with reading(larder.engine) as session:
            assert safe_copy(larder, session) is None
        with pytest.raises(Refused, match="demo"):
            keep_daily_copy(larder)


@given(st.integers(0, 800))
def test_copies_kept_by_age(days: int) -> None:
    """Seven days, four weeks, twelve months, whenever one looks; the newest is always there."""
    kept: set[date] = set()
    for n in range(days + 1):
        today = date(2026, 1, 1) + timedelta(days=n)
        kept = to_keep({*kept, today})
        assert today in kept
    assert len(kept) <= 7 + 4 + 12
    assert {today - timedelta(days=n) for n in range(min(7, days + 1))} <= kept
    assert len({(day.year, day.month) for day in kept}) == min(12, len(_months(days)))


def _months(days: int) -> set[tuple[int, int]]:
    dates = (date(2026, 1, 1) + timedelta(days=n) for n in range(days + 1))
    return {(day.year, day.month) for day in dates}


def test_old_ones_go_and_others_files_stay(tmp_path: Path) -> None:
    folder = tmp_path / "copies"
    folder.mkdir()
    for n in range(40):
        (folder / f"larder-{date(2026, 10, 1) + timedelta(days=n)}.db").touch()
    (folder / "larder-before-version-0008-20261001-120000.db").touch()
    (folder / "larder-2026-99-99.db").touch()
    gone = let_old_go(tmp_path / "larder.db")
    left = sorted(each.name for each in folder.iterdir())
    assert len(gone) == 40 - (len(left) - 2)
    assert "larder-before-version-0008-20261001-120000.db" in left
    assert "larder-2026-99-99.db" in left
