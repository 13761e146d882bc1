"""A larder written by an earlier version opens, and nothing in it is lost."""

import json
import sqlite3
from pathlib import Path

import pytest
from alembic import command
from alembic.config import Config
from sqlalchemy import create_engine

from yellow_larder import store
from yellow_larder.larder.eaters import Eater, keep_eater
from yellow_larder.larder.larder import open_larder, take_back
from yellow_larder.larder.overview import overview
from yellow_larder.larder.shelves import card, shelves
from yellow_larder.larder.storing import master_list

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
    config.set_main_option("script_location", str(Path(store.__file__).parent / "migrations"))
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
    now = overview(larder).settings
    assert (now.name, now.people, now.units.value, now.packet_sizes) == ("An old larder", 3, "US", (300, 2000))
    assert now.currency == ""
    (package,) = shelves(larder).packages
    assert (package.number, package.food, package.mass) == (1, "pearl barley", "5 lb 8 oz")
    assert card(larder, 1).journal[0].what == "Packed with absorbers"


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
