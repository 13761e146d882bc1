import shutil
import subprocess
import sys
import time
from contextlib import suppress
from datetime import date, timedelta
from pathlib import Path

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from sqlalchemy import select, text
from sqlalchemy.exc import IntegrityError

from tests.conftest import NOON, Clock
from tests.support.doings import ACTS, do, newest, run_on, state
from yellow_larder.core.containers import Closing
from yellow_larder.core.drying import Look
from yellow_larder.features.drying.conditioning import fill_jar, look_at_jar
from yellow_larder.features.drying.dryness_test import take_out
from yellow_larder.features.drying.load_plan import Item, LoadAsk
from yellow_larder.features.drying.loads import see_loads, start_load
from yellow_larder.features.freezer import contents
from yellow_larder.features.freezer.contents import open_it, put_in
from yellow_larder.features.freezer.plan import FreezeAsk
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder, NewPlace, add_place, open_larder
from yellow_larder.features.lots.events import LotCame
from yellow_larder.features.lots.state import Lot
from yellow_larder.features.packages.state import Package
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.run import steps
from yellow_larder.features.shelves.carrying import move, throw_out
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.state import SupplyRecord
from yellow_larder.features.supplies.supplies import (
    NewSupply,
    add_supply,
    more_of,
)
from yellow_larder.journal import history, log
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import reading, writing
from yellow_larder.journal.tables import Base, Change
from yellow_larder.words.errors import NotThere, Refused

doing = st.tuples(st.integers(0, ACTS - 1), st.integers(0, 3))
LAW = settings(max_examples=40, suppress_health_check=[HealthCheck.function_scoped_fixture])


def another(new_file: Path, tmp_path: Path, clock: Clock) -> Larder:
    """A new larder for one example of a law."""
    clock.now = NOON
    return open_larder(Path(shutil.copy(new_file, tmp_path / f"{time.monotonic_ns()}.db")), clock)


@LAW
@given(doings=st.lists(doing, min_size=1, max_size=14))
def test_undo_is_exact(new_file: Path, tmp_path: Path, clock: Clock, doings: list[tuple[int, int]]) -> None:
    """After any doings, undoing them one by one passes through the very same states backwards."""
    with another(new_file, tmp_path, clock) as larder:
        seen = [state(larder)]
        for act, n in doings:
            try:
                do(larder, act, n)
            except Refused:
                continue
            seen.append(state(larder))
        while len(seen) > 1:
            assert state(larder) == seen.pop()
            take_back(larder)
        assert state(larder) == seen[0]


@LAW
@given(
    doings=st.lists(st.one_of(doing, st.just("undo")), min_size=1, max_size=25),
    every=st.sampled_from([1, 2, 100]),
    hours=st.integers(0, 30),
)
def test_after_any_acts_and_undos_the_tables_are_a_refold(
    new_file: Path,
    tmp_path: Path,
    clock: Clock,
    monkeypatch: pytest.MonkeyPatch,
    doings: list[tuple[int, int] | str],
    every: int,
    hours: int,
) -> None:
    """Whether folding goes on from rows, from snapshots or from the beginning, it comes to the same."""
    monkeypatch.setattr(log, "SNAPSHOT_EVERY", every)
    with another(new_file, tmp_path, clock) as larder:
        for each in doings:
            clock.now += timedelta(hours=hours)
            with suppress(Refused):
                if isinstance(each, str):
                    take_back(larder)
                else:
                    do(larder, *each)
        assert check(larder.engine) == []


def test_every_act_is_done_and_undone_somewhere(larder: Larder) -> None:
    """The laws above would say nothing of an act that is always refused."""
    done: set[int] = set()
    a_run = [50, *[51] * 5, 54, 56, 51, 55, 57]
    for act in [*a_run, *[*range(ACTS), *reversed(range(ACTS))] * 3]:
        if len(done) == ACTS:
            break
        for n in (3, 1, 2, 0):
            with suppress(Refused):
                do(larder, act, n)
                done.add(act)
                break
    assert done == set(range(ACTS))
    assert check(larder.engine) == []
    while True:
        try:
            take_back(larder)
        except NotThere:
            break
    assert check(larder.engine) == []


def test_undoing_looks_brings_the_stop_back(larder: Larder, clock: Clock) -> None:
    """Seven looks, seven undos: the carrots are not conditioned, and no absorber may come to them."""
    lot = _dried_carrots(larder, clock)
    ask = Ask(line="400 g dried carrots", lot=lot, container="jar-quart", closing=Closing.ABSORBER)
    with pytest.raises(Refused, match="Not conditioned yet"):
        pack(larder, ask)
    number = fill_jar(larder, lot, days=7)
    for _ in range(7):
        clock.now += timedelta(days=1)
        look_at_jar(larder, number, Look.FREE)
    with reading(larder.engine) as session:
        assert session.get_one(Lot, lot).conditioned_on == clock.now.date()
    for _ in range(7):
        take_back(larder)
    with reading(larder.engine) as session:
        assert session.get_one(Lot, lot).conditioned_on is None
    with pytest.raises(Refused, match="Not conditioned yet"):
        pack(larder, ask)


def _dried_carrots(larder: Larder, clock: Clock) -> int:
    start_load(larder, LoadAsk(items=(Item(line="1 kg carrots"),)))
    clock.now += timedelta(hours=14)
    trays = tuple(tray.number for tray in see_loads(larder)[0].trays)
    return take_out(larder, 1, trays, "110 g", feels_dry=True, meant=True).lot


def test_undoing_the_opening_of_a_frozen_bag_leaves_no_sign_of_it(larder: Larder, clock: Clock) -> None:
    came = log.Act(1, LotCame("pearl-barley", 3000.0, date(2026, 11, 1)))
    with writing(larder.engine) as session:
        log.record(session, log.title("household.settled"), [came], at=clock.now)
    number = put_in(larder, FreezeAsk(line="3 kg pearl barley", lot=1))
    clock.now += timedelta(days=9)
    contents.take_out(larder, number)
    clock.now += timedelta(days=2)
    open_it(larder, number)
    with reading(larder.engine) as session:
        assert session.get_one(Lot, 1).frozen_on is not None
    take_back(larder)
    with reading(larder.engine) as session:
        assert session.get_one(Lot, 1).frozen_on is None


def test_an_undo_folds_on_from_the_last_snapshot(larder: Larder, monkeypatch: pytest.MonkeyPatch) -> None:
    """However often a supply was used, an undo reads no more of its story than since the last snapshot."""
    monkeypatch.setattr(log, "SNAPSHOT_EVERY", 10)
    number = add_supply(larder, NewSupply(sort=Sort.BAGS, key="bag-gallon", count=500))
    for _ in range(57):
        more_of(larder, number, 1)
    read: list[int] = []
    really = history.happened_since
    monkeypatch.setattr(
        log,
        "happened_since",
        lambda *of: read.append(len(found := list(really(*of)))) or found,  # type: ignore[func-returns-value]
    )
    take_back(larder)
    assert read
    assert max(read) <= 10
    assert check(larder.engine) == []
    with reading(larder.engine) as session:
        assert log.records(session, SupplyRecord)[number].count == 556


def test_a_whole_run_is_taken_back_step_by_step(larder: Larder) -> None:
    add_supply(larder, NewSupply(sort=Sort.PACKETS, key="300", count=9, per_pack=4))
    add_supply(larder, NewSupply(sort=Sort.BAGS, key="bag-gallon", count=20))
    steps.add_line(larder, Ask(line="5 kg red lentils"))
    steps.add_line(larder, Ask(line="1 kg white sugar", container="jar-quart"))
    seen = [state(larder)]
    while run_on(larder):
        seen.append(state(larder))
    assert len(seen) > 8
    assert len(seen[-1]["packages"]) == 4
    while len(seen) > 1:
        assert state(larder) == seen.pop()
        take_back(larder)
    assert state(larder) == seen[0]


def test_state_follows_from_the_journal_alone(larder: Larder) -> None:
    """Whatever was folded can be thrown away and folded again from the entries."""
    for act in range(ACTS):
        try:
            do(larder, act, 1)
        except Refused:
            continue
    pack(larder, Ask(line="10 kg pearl barley"))
    throw_out(larder, [newest(larder, 0)], why="Puffed up")
    add_place(larder, NewPlace("Cellar"))
    move(larder, [newest(larder, 0), newest(larder, 1)], place=2, shelf=1)
    take_back(larder)
    before = state(larder)
    with writing(larder.engine) as session:
        log.refold(session)
    assert state(larder) == before


@pytest.mark.parametrize("statement", ["UPDATE journal SET act = 'x'", "DELETE FROM journal", "DELETE FROM changes"])
def test_what_happened_cannot_be_rewritten(larder: Larder, statement: str) -> None:
    with pytest.raises(IntegrityError, match="never rewritten"), writing(larder.engine) as session:
        session.execute(text(statement))


def test_migration_makes_the_tables_of_the_models(tmp_path: Path) -> None:
    from alembic.autogenerate import compare_metadata
    from alembic.migration import MigrationContext

    with open_larder(tmp_path / "new.db") as larder, larder.engine.connect() as connection:
        assert compare_metadata(MigrationContext.configure(connection), Base.metadata) == []


def test_pragmas(larder: Larder) -> None:
    """Source: sqlite.org/pragma.html: synchronous 2 is FULL."""
    with larder.engine.connect() as connection:
        found = [
            connection.exec_driver_sql(f"PRAGMA {name}").scalar()
            for name in ("journal_mode", "synchronous", "foreign_keys")
        ]
    assert found == ["wal", 2, 1]


def test_opening_again_changes_nothing(larder: Larder, tmp_path: Path) -> None:
    pack(larder, Ask(line="10 kg pearl barley"))
    before = state(larder)
    larder.close()
    with open_larder(tmp_path / "larder.db") as again:
        assert state(again) == before
        with reading(again.engine) as session:
            assert len(session.scalars(select(Change)).all()) == 2


WRITER = """
import sys
from pathlib import Path
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.household.larder import open_larder
from yellow_larder.features.packing.pack import pack
larder = open_larder(Path(sys.argv[1]))
while True:
    print(pack(larder, Ask(line="2 kg pearl barley")).numbers[-1], flush=True)
"""


def test_an_acknowledged_write_survives_kill_9(tmp_path: Path) -> None:
    """The file is copied as the killed writer left it, and holds all it said was done, whole."""
    file = tmp_path / "larder.db"
    writer = subprocess.Popen([sys.executable, "-c", WRITER, str(file)], stdout=subprocess.PIPE, text=True)
    assert writer.stdout is not None
    acknowledged = [int(writer.stdout.readline()) for _ in range(15)]
    writer.kill()
    acknowledged += [int(line) for line in writer.stdout.read().split("\n") if line.strip()]
    writer.wait()
    after = tmp_path / "after"
    after.mkdir()
    for each in tmp_path.glob("larder.db*"):
        shutil.copy(each, after)
    larder = open_larder(after / "larder.db")
    with reading(larder.engine) as session:
        numbers = set(session.scalars(select(Package.number)))
        assert session.execute(text("PRAGMA integrity_check")).scalar() == "ok"
    assert set(acknowledged) <= numbers
    assert len(numbers) <= len(acknowledged) + 1


def test_what_this_version_knows_nothing_of_is_an_error_and_no_silence(larder: Larder) -> None:
    number = add_supply(larder, NewSupply(sort=Sort.BAGS, key="bag-gallon", count=5))
    with larder.engine.begin() as connection:
        change = connection.exec_driver_sql("SELECT max(id) FROM changes").scalar_one()
        connection.exec_driver_sql(
            "INSERT INTO journal (change_id, kind, subject, act, facts) VALUES (?, 'supply', ?, 'lent', '{}')",
            (change, number),
        )
    (found,) = check(larder.engine)
    assert found == "supply: “lent”, version 1, is nothing that this version knows of; a newer one wrote it"
