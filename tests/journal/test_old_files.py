"""A larder written by an earlier version opens, and nothing in it is lost."""

import gzip
import json
import shutil
import sqlite3
from contextlib import suppress
from datetime import datetime
from pathlib import Path

import pytest
from alembic import command
from alembic.config import Config
from sqlalchemy import create_engine, select

from tests.support.old_files import PACKED
from yellow_larder import journal
from yellow_larder.core.keeping import Estimate
from yellow_larder.features.drying.conditioning import see_jars
from yellow_larder.features.drying.finished_lots import made_here
from yellow_larder.features.drying.loads import see_loads
from yellow_larder.features.freeze_drying.loads import see_freeze_loads
from yellow_larder.features.freezer.contents import in_freezer
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import open_larder, places_in
from yellow_larder.features.household.people import Person, keep_person, people
from yellow_larder.features.lots.lots import is_unproven
from yellow_larder.features.lots.state import Lot
from yellow_larder.features.packages.life import stretch_costs
from yellow_larder.features.packages.state import Package, row_of, stretches_of
from yellow_larder.features.planning.diary import month
from yellow_larder.features.planning.master_list import master_list
from yellow_larder.features.planning.meals import meals
from yellow_larder.features.planning.shopping import week_list
from yellow_larder.features.rounds.overview import overview
from yellow_larder.features.rounds.rounds import rounds
from yellow_larder.features.run.view import see_run
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.inspection import to_look
from yellow_larder.features.shelves.labels import labels
from yellow_larder.features.shelves.shelves import shelves
from yellow_larder.features.supplies.view import see_supplies
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import reading
from yellow_larder.journal.events import read_event, type_of, written
from yellow_larder.journal.file import known_versions
from yellow_larder.journal.kinds import all_kinds
from yellow_larder.journal.log import standing_of
from yellow_larder.reference import foods
from yellow_larder.words.errors import Refused

HOUSEHOLD = {
    "name": "An old larder",
    "people": 3,
    "kcal_per_person_day": 2100,
    "units": "US",
    "altitude_m": 120,
    "room_c": 19,
    "humidity": 0.4,
    "estimate": "cautious",
    "packet_sizes": [300, 2000],
}
PLACE = {"name": "Pantry", "sort": "cupboard", "shelves": 3, "width_mm": 1200.0, "mean_c": 18.0, "swing_c": 4.0}


@pytest.fixture
def old_file(tmp_path: Path) -> Path:
    """A file as the first version made it: its tables, an opening, and one package."""
    file = tmp_path / "old.db"
    config = Config()
    config.set_main_option("script_location", str(Path(journal.__file__).parent / "migrations"))
    with create_engine(f"sqlite:///{file}").begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "0001")
    where = PLACE | {"warmest_month": 7, "humidity": 0.5}
    with sqlite3.connect(file) as database:
        for number, title in ((1, "Opened the larder"), (2, "Packed 1 × 2.5 kg pearl barley")):
            database.execute("INSERT INTO changes VALUES (?, '2026-01-05 12:00:00', ?, NULL)", (number, title))
        for change, kind, act, facts in (
            (1, "household", "settled", HOUSEHOLD),
            (1, "place", "made", where),
            (2, "package", "packed", PACKED),
        ):
            row = (change, kind, act, json.dumps(facts))
            database.execute("INSERT INTO journal VALUES (NULL, ?, ?, 1, ?, ?)", row)
        database.execute("INSERT INTO household VALUES (1, ?)", (json.dumps(HOUSEHOLD),))
        columns = ["id", *where]
        marks = ", ".join("?" * len(columns))
        database.execute(f"INSERT INTO places ({', '.join(columns)}) VALUES ({marks})", (1, *where.values()))
        package = PACKED | {"number": 1, "batch": 2, "used_days": 0.0, "stands_since": "2026-01-05"}
        package["packets"] = json.dumps(PACKED["packets"])
        marks = ", ".join("?" * len(package))
        database.execute(f"INSERT INTO packages ({', '.join(package)}) VALUES ({marks})", tuple(package.values()))
    database.close()
    return file


def test_what_was_there_is_there(old_file: Path) -> None:
    larder = open_larder(old_file)
    assert check(larder.engine) == []
    now = overview(larder).settings
    assert (now.name, now.people, now.units.value, now.packet_sizes) == ("An old larder", 3, "US", (300, 2000))
    assert now.currency == ""
    (package,) = shelves(larder).packages
    assert (package.number, package.food, package.mass) == (1, "pearl barley", "5 lb 8 oz")
    assert card(larder, 1).journal[0].what == "Packed with absorbers"


FILES = Path(__file__).parent / "files"


@pytest.fixture
def file_of_0007(tmp_path: Path) -> Path:
    """A file that the version before this one wrote: carrots in a jar, looked at seven times, and that undone."""
    file = tmp_path / "larder.db"
    file.write_bytes(gzip.decompress((FILES / "larder-0007.db.gz").read_bytes()))
    return file


def test_a_false_conditioned_is_gone_once_the_file_is_opened(file_of_0007: Path) -> None:
    database = sqlite3.connect(file_of_0007)
    assert database.execute("SELECT conditioned_on FROM lots WHERE id = 9").fetchone() == ("2026-10-09",)
    database.close()
    with open_larder(file_of_0007) as larder, reading(larder.engine) as session:
        assert session.get_one(Lot, 9).conditioned_on is None
        assert check(larder.engine) == []
        lot = session.get_one(Lot, 9)
        assert is_unproven(foods()[lot.food_key], lot)


def test_a_copy_is_kept_of_before_the_migration(file_of_0007: Path, tmp_path: Path) -> None:
    before = file_of_0007.read_bytes()
    open_larder(file_of_0007).close()
    (kept,) = (tmp_path / "copies").iterdir()
    assert kept.name.startswith("larder-before-version-")
    with sqlite3.connect(kept) as copy:
        assert copy.execute("SELECT version_num FROM alembic_version").fetchone() == ("0007",)
        assert copy.execute("SELECT count(*) FROM journal").fetchone()[0] > 20
    copy.close()
    assert len(kept.read_bytes()) == len(before)
    open_larder(file_of_0007).close()
    assert len(list((tmp_path / "copies").iterdir())) == 1, "once, not each time it is opened"


def test_a_migration_that_fails_leaves_the_file_as_it_was(file_of_0007: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    def fail(_session: object) -> None:
        raise RuntimeError("the power went")

    monkeypatch.setattr("yellow_larder.journal.log.refold", fail)
    with pytest.raises(RuntimeError):
        open_larder(file_of_0007)
    database = sqlite3.connect(file_of_0007)
    assert database.execute("SELECT version_num FROM alembic_version").fetchone() == ("0007",)
    assert database.execute("SELECT count(*) FROM sqlite_master WHERE name = 'snapshots'").fetchone() == (0,)
    database.close()


def test_what_is_new_works_on_it_and_is_undone(old_file: Path) -> None:
    larder = open_larder(old_file)
    assert overview(larder).appetite.people == 3
    keep_person(larder, Person("Grandmother", 1952))
    assert overview(larder).appetite.people == 1
    assert master_list(larder).rows == []
    take_back(larder)
    assert overview(larder).appetite.people == 3
    assert take_back(larder) == "Packed 1 × 2.5 kg pearl barley"
    assert shelves(larder).packages == []


VERSIONS = sorted(path.name.split("-")[1].split(".")[0] for path in FILES.glob("everything-*.db.gz"))
"""Versions of which there is a file with everything in it that could be done then."""

SAME = {
    "packages": "number batch food_key food_name form colour container_key closing outer mass_g kcal moisture_pct "
    "level packed_on place_id shelf q10 cautious_days customary_days hopeful_days stands_since thrown_out_on gone_on "
    "against override look_due",
    "places": "id name sort shelves width_mm mean_c swing_c warmest_month humidity",
    "lots": "id food_key came_g mass_g came_on coins price frozen_on moisture_pct made wet_g wants_conditioning",
    "prices": "id food_key shop pack_g coins seen_on",
    "diary": "day used_g",
}
"""Columns whose figures no version may change."""


RENAMED = {"against": "override", "thrown_out_on": "gone_on"}
"""What is called otherwise since."""


def figures(file: Path) -> dict[str, list[dict[str, object]]]:
    """What stands in a file, as far as its version has it."""
    database = sqlite3.connect(file)
    found = {}
    for table, columns in SAME.items():
        there = [row[1] for row in database.execute(f"PRAGMA table_info({table})")]
        wanted = [name for name in columns.split() if name in there]
        if wanted:
            rows = database.execute(f"SELECT {', '.join(wanted)} FROM {table} ORDER BY 1").fetchall()
            found[table] = [dict(zip(wanted, map(_rounded, row), strict=True)) for row in rows]
    database.close()
    return found


def _rounded(value: object) -> object:
    return float(f"{value:.9g}") if isinstance(value, float) else value


@pytest.fixture(scope="module", params=VERSIONS)
def before(request: pytest.FixtureRequest, tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A file of an earlier version, with everything in it that could be done then."""
    file = tmp_path_factory.mktemp("before") / "larder.db"
    file.write_bytes(gzip.decompress((FILES / f"everything-{request.param}.db.gz").read_bytes()))
    return file


@pytest.fixture(scope="module")
def lifted(before: Path, tmp_path_factory: pytest.TempPathFactory) -> Path:
    """That file once it has been opened."""
    file = Path(shutil.copy(before, tmp_path_factory.mktemp("lifted")))
    open_larder(file).close()
    return file


@pytest.fixture
def everything(lifted: Path, tmp_path: Path) -> Path:
    """A copy of that, for one test to change."""
    return Path(shutil.copy(lifted, tmp_path))


def test_there_is_a_file_of_every_version_but_those_that_no_larder_had() -> None:
    # 0008 and 0009 came together.
    assert {*VERSIONS, "0008", "0015"} == set(known_versions())


def test_a_file_of_any_version_shows_the_same_figures(before: Path, lifted: Path) -> None:
    with open_larder(lifted) as larder:
        assert check(larder.engine) == []
    after = figures(lifted)
    for table, rows in figures(before).items():
        named = [{RENAMED.get(name, name): value for name, value in row.items()} for row in rows]
        kept = [{name: value for name, value in row.items() if name in named[0]} for row in after[table]]
        assert kept == named, table


def test_what_a_package_had_been_through_costs_what_it_did(before: Path, everything: Path) -> None:
    """Until 0012 its life was kept as one sum; since then as the stretches that it was spent in."""
    database = sqlite3.connect(before)
    there = [row[1] for row in database.execute("PRAGMA table_info(packages)")]
    if "past" in there:
        kept = dict(database.execute("SELECT number, past FROM packages").fetchall())
        database.close()
        with open_larder(everything) as larder, reading(larder.engine) as session:
            assert {each.number: each.past for each in session.scalars(select(Package))} == {
                number: json.loads(past) if past else None for number, past in kept.items()
            }
        return
    used = dict(database.execute("SELECT number, used_days FROM packages").fetchall())
    database.close()
    assert any(used.values()), "at least one was moved"
    with open_larder(everything) as larder, reading(larder.engine) as session:
        places = places_in(session)
        for package in session.scalars(select(Package)):
            so_far = stretches_of(row_of(package), package.stands_since)
            costs = stretch_costs(so_far, package.q10, Estimate.CUSTOMARY, places)
            assert sum(days for days, _ in costs) == pytest.approx(used[package.number], abs=1e-9)


def test_every_screen_of_a_file_of_any_version_opens(everything: Path) -> None:
    with open_larder(everything, lambda: datetime(2026, 11, 1, 12)) as larder:
        overview(larder)
        rounds(larder)
        for package in shelves(larder).packages:
            assert card(larder, package.number).journal
            assert labels(larder, numbers=[package.number])
        master_list(larder)
        with suppress(Refused):
            week_list(larder)
        month(larder, 2026, 3)
        for load in see_loads(larder):
            assert load.items
        see_jars(larder)
        made_here(larder)
        in_freezer(larder)
        see_freeze_loads(larder)
        see_supplies(larder)
        see_run(larder)
        to_look(larder, ahead_days=400)
        meals(larder)
        people(larder)


def test_everything_in_a_file_of_any_version_can_be_undone(everything: Path) -> None:
    with open_larder(everything) as larder:
        for _ in range(40):
            take_back(larder)
        assert check(larder.engine) == []


def test_every_event_that_a_file_tells_of_is_read_as_what_it_was(everything: Path) -> None:
    """Lifted, written and read again, it is the same."""
    with open_larder(everything) as larder, reading(larder.engine) as session:
        for kind in all_kinds():
            for _, happened in standing_of(session, kind):
                of, facts = type_of(happened.event), json.loads(json.dumps(written(happened.event)))
                assert read_event(kind, happened.act, of.version, facts) == happened.event
