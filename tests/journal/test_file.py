"""Whatever lies where the larder should be: one plain sentence, and nothing is touched."""

import os
import random
import shutil
import sqlite3
from collections.abc import Callable
from pathlib import Path

import pytest
from sqlalchemy import func, select

from tests.conftest import Clock
from yellow_larder.features.household.larder import Larder, clock_behind, open_larder
from yellow_larder.features.packages.state import Package
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import reading
from yellow_larder.journal.file import CannotOpen, ExitCode, beside, hold


def _newer(file: Path) -> None:
    with sqlite3.connect(file) as database:
        database.execute("UPDATE alembic_version SET version_num = '9999'")
    database.close()


def _another_programs(file: Path) -> None:
    file.unlink()
    with sqlite3.connect(file) as database:
        database.execute("CREATE TABLE recipes (id INTEGER PRIMARY KEY)")
    database.close()


def _no_tables(file: Path) -> None:
    """As a copy of a file whose changes were all in the log beside it."""
    file.unlink()
    database = sqlite3.connect(file)
    database.execute("PRAGMA journal_mode=WAL")
    database.execute("CREATE TABLE made (id INTEGER PRIMARY KEY)")
    database.execute("DROP TABLE made")
    database.close()


def _scrambled(file: Path) -> None:
    whole = bytearray(file.read_bytes())
    whole[100:4096] = bytes(3996)
    file.write_bytes(whole)


WRONG: list[tuple[str, Callable[[Path], object], ExitCode, str]] = [
    ("text", lambda file: file.write_text("dear diary"), ExitCode.NOT_A_LARDER, "not a larder"),
    ("random", lambda file: file.write_bytes(os.urandom(9000)), ExitCode.NOT_A_LARDER, "not a larder"),
    ("empty", lambda file: file.write_bytes(b""), ExitCode.NOT_A_LARDER, "is empty"),
    ("cut short", lambda file: os.truncate(file, 20_000), ExitCode.NOT_A_LARDER, "is damaged"),
    ("head only", lambda file: os.truncate(file, 60), ExitCode.NOT_A_LARDER, "is damaged"),
    ("scrambled", _scrambled, ExitCode.NOT_A_LARDER, "is damaged"),
    ("no tables", _no_tables, ExitCode.NOT_A_LARDER, "-wal beside it"),
    ("another program's", _another_programs, ExitCode.NOT_A_LARDER, "another program"),
    ("newer", _newer, ExitCode.NEWER, "newer Yellow Larder"),
]


@pytest.mark.parametrize(("spoil", "code", "says"), [each[1:] for each in WRONG], ids=[each[0] for each in WRONG])
def test_a_file_that_is_no_larder_is_refused_and_left_alone(
    new_file: Path, tmp_path: Path, spoil: Callable[[Path], object], code: ExitCode, says: str
) -> None:
    file = Path(shutil.copy(new_file, tmp_path / "larder.db"))
    spoil(file)
    before = {each.name: each.read_bytes() for each in tmp_path.iterdir()}
    with pytest.raises(CannotOpen, match=says) as refused:
        open_larder(file)
    assert refused.value.code is code
    assert "\n" not in refused.value.message
    assert {each.name: each.read_bytes() for each in tmp_path.iterdir()} == before


def test_a_folder_or_a_file_in_the_way(tmp_path: Path) -> None:
    with pytest.raises(CannotOpen, match="is a folder"):
        open_larder(tmp_path)
    (tmp_path / "notes").write_text("mine")
    with pytest.raises(CannotOpen, match="is a file, so there can be no folder"):
        open_larder(tmp_path / "notes" / "deep" / "larder.db")
    assert (tmp_path / "notes").read_text() == "mine"


def test_a_folder_that_cannot_be_written(tmp_path: Path) -> None:
    """As another user, for root may write anywhere."""
    folder = tmp_path / "shut"
    folder.mkdir()
    (folder / "larder.db").touch()
    folder.chmod(0o555)
    for above in (tmp_path, *tmp_path.parents):
        if os.geteuid() == 0 and above != Path("/"):
            above.chmod(above.stat().st_mode | 0o011)
    assert "cannot be written to" in _said_to_another_user(folder / "new.db")
    assert [each.name for each in folder.iterdir()] == ["larder.db"]
    folder.chmod(0o777)
    (folder / "larder.db").chmod(0o400)
    assert "cannot be read and written" in _said_to_another_user(folder / "larder.db")


def _said_to_another_user(file: Path) -> str:
    """What somebody who is not root is told of a file."""
    read, write = os.pipe()
    child = os.fork()
    if child == 0:
        if os.geteuid() == 0:
            os.setresuid(65534, 65534, 65534)
        try:
            hold(file)
        except CannotOpen as error:
            os.write(write, error.message.encode())
        os._exit(0)
    os.waitpid(child, 0)
    os.close(write)
    with os.fdopen(read) as said:
        return said.read()


def test_a_log_without_its_file(larder: Larder, tmp_path: Path) -> None:
    """A new larder there would read the old one's log as its own."""
    pack(larder, Ask(line="2 kg pearl barley"))
    (tmp_path / "away").mkdir()
    shutil.copy(tmp_path / "larder.db-wal", tmp_path / "away" / "larder.db-wal")
    with pytest.raises(CannotOpen, match="holds changes of it"):
        open_larder(tmp_path / "away" / "larder.db")


def test_killed_between_any_two_pages_of_carrying_over_it_opens_with_all_that_was_acknowledged(
    new_file: Path, tmp_path: Path
) -> None:
    """Page 1, which says how many there are, is carried over first; when the power goes, any of them may have been.

    Source: sqlite.org/fileformat2.html, The Write-Ahead Log.
    """
    file, log = _with_a_log(new_file, tmp_path / "made", jars=40)
    size = int.from_bytes(log[8:12], "big")
    frames = [log[at : at + 24 + size] for at in range(32, len(log), 24 + size)]
    newest = {int.from_bytes(each[:4], "big"): each[24:] for each in frames}
    before = file.read_bytes()
    assert min(newest) == 1
    assert max(newest) * size > len(before), "the file grows"
    chance = random.Random(7)
    in_order = [sorted(newest)[:n] for n in range(len(newest) + 1)]
    for n, carried in enumerate([*in_order, *(chance.sample(sorted(newest), 5) for _ in range(20))]):
        cut = tmp_path / f"cut-{n}.db"
        with cut.open("wb") as half:
            half.write(before)
            for page in carried:
                half.seek((page - 1) * size)
                half.write(newest[page])
        beside(cut, "-wal").write_bytes(log)
        with open_larder(cut, Clock()) as larder, reading(larder.engine) as session:
            assert session.scalar(select(func.count()).select_from(Package)) == 40, carried
            assert check(larder.engine) == []


def test_cut_short_it_is_damaged_though_there_is_a_log_beside_it(new_file: Path, tmp_path: Path) -> None:
    file, log = _with_a_log(new_file, tmp_path / "made", jars=1)
    os.truncate(file, 20_000)
    beside(file, "-wal").write_bytes(log)
    with pytest.raises(CannotOpen, match="is damaged"):
        open_larder(file)


def _with_a_log(new_file: Path, folder: Path, jars: int) -> tuple[Path, bytes]:
    """A larder's file as it was before a packing that is in the log beside it alone; and that log."""
    folder.mkdir()
    file, copy = Path(shutil.copy(new_file, folder / "larder.db")), folder / "copy.db"
    with open_larder(file, Clock()) as larder, larder.engine.connect() as connection:
        # Whoever reads on keeps what is written after from being carried over.
        connection.execute(select(func.count()).select_from(Package))
        shutil.copy(file, copy)
        pack(larder, Ask(line=f"{0.7 * jars} kg pearl barley", container="jar-quart", fill="700 g"))
        return copy, beside(file, "-wal").read_bytes()


def test_in_use_is_said_with_who_and_since_when(larder: Larder, tmp_path: Path) -> None:
    with pytest.raises(
        CannotOpen, match=rf"in use by another Yellow Larder \(process {os.getpid()}, since 20"
    ) as refused:
        open_larder(tmp_path / "larder.db")
    assert refused.value.code is ExitCode.IN_USE
    larder.close()
    open_larder(tmp_path / "larder.db").close()


def test_all_is_in_the_one_file_after_every_change(larder: Larder, tmp_path: Path) -> None:
    """A copy of the file alone, made while the larder is used, holds all that was acknowledged."""
    for count in range(1, 6):
        pack(larder, Ask(line="2 kg pearl barley"))
        copy = tmp_path / f"copy-{count}" / "larder.db"
        copy.parent.mkdir()
        shutil.copy(tmp_path / "larder.db", copy)
        with open_larder(copy) as copied, reading(copied.engine) as session:
            assert session.query(Package).count() == count


def test_a_clean_end_leaves_one_file(larder: Larder, tmp_path: Path) -> None:
    pack(larder, Ask(line="2 kg pearl barley"))
    larder.close()
    assert {each.name for each in tmp_path.iterdir()} == {"larder.db", "larder.db.lock"}


def test_only_its_owner_may_read_it(tmp_path: Path) -> None:
    open_larder(tmp_path / "mine" / "larder.db").close()
    assert (tmp_path / "mine").stat().st_mode & 0o777 == 0o700
    assert (tmp_path / "mine" / "larder.db").stat().st_mode & 0o777 == 0o600


def test_a_beginning_that_was_broken_off_is_begun_again(tmp_path: Path) -> None:
    (tmp_path / "larder.db.new").write_bytes(b"half a be")
    open_larder(tmp_path / "larder.db").close()
    assert not (tmp_path / "larder.db.new").exists()


def behind(larder: Larder) -> str:
    with reading(larder.engine) as session:
        return clock_behind(session, larder.clock())


def test_a_clock_that_was_set_back_is_said(larder: Larder, clock: Clock) -> None:
    assert behind(larder) == ""
    clock.now = clock.now.replace(day=22)
    assert "shows 22 Nov 2026, 12:00, but the newest change was made on 24 Nov 2026" in behind(larder)
    clock.now = clock.now.replace(day=24, hour=11, minute=58)
    assert behind(larder) == ""
