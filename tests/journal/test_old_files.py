"""A larder written by an earlier version opens, and nothing in it is lost."""

import gzip
import json
import sqlite3
from pathlib import Path

import pytest
from alembic import command
from alembic.config import Config
from sqlalchemy import create_engine

from yellow_larder import journal
from yellow_larder.features.household.larder import open_larder, take_back
from yellow_larder.features.household.people import Eater, keep_eater
from yellow_larder.features.lots.lots import is_unproven
from yellow_larder.features.planning.master_list import master_list
from yellow_larder.features.rounds.overview import overview
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.shelves import shelves
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import reading
from yellow_larder.journal.tables import Lot
from yellow_larder.reference import foods

HOUSEHOLD = {
    "name": "An old larder",
    "people": 3,
    "kcal_per_person_day": 2100,
    "units": "US",
    "altitude_m": 120,
    "room_c": 19,
    "humidity": 0.4,
    "school": "cautious",
    "packet_sizes": [300, 2000],
}
PLACE = {"name": "Pantry", "sort": "cupboard", "shelves": 3, "width_mm": 1200.0, "mean_c": 18.0, "swing_c": 4.0}
PACKED = {
    "food_key": "pearl-barley",
    "food_name": "pearl barley",
    "form": "grain",
    "colour": "#d9b56a",
    "container_key": "bag-gallon",
    "closing": "absorber",
    "outer": True,
    "mass_g": 2500.0,
    "kcal": 8800.0,
    "packets": {"300": 1},
    "moisture_pct": 10.1,
    "level": 0.6,
    "packed_on": "2026-01-05",
    "place_id": 1,
    "shelf": 2,
    "q10": 2.0,
    "cautious_days": 5479.0,
    "customary_days": 9131.0,
    "hopeful_days": 10958.0,
}


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
    keep_eater(larder, Eater("Grandmother", 1952))
    assert overview(larder).appetite.people == 1
    assert master_list(larder).rows == []
    take_back(larder)
    assert overview(larder).appetite.people == 3
    assert take_back(larder) == "Packed 1 × 2.5 kg pearl barley"
    assert shelves(larder).packages == []
