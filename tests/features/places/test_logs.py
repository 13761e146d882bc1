"""What was measured in a place counts, hour by hour, and no more than once."""

import gc
from dataclasses import replace
from datetime import date, datetime, timedelta

import numpy as np
import pytest
from sqlalchemy import func, select

from tests.conftest import NOON, Clock
from tests.support.refusals import refused
from yellow_larder.core.climate import ClimateLog
from yellow_larder.core.containers import Closing
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, NewPlace, add_place, places_in, settle
from yellow_larder.features.packages.state import Package, row_of
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.places.climate import PlaceClimate, see_climate
from yellow_larder.features.places.logs import export_log, read_log, read_thermometer
from yellow_larder.features.places.places import change_place, see_place
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.shelves import shelves
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import reading
from yellow_larder.journal.tables import Attachment
from yellow_larder.words.quantities import Units

NUTS = Ask(line="200 g hazelnuts", container="jar-quart", closing=Closing.LID)
PACKED = (NOON - timedelta(days=200)).date()


def csv_of(celsius: object, *, since: date = PACKED, days: int = 200, every: int = 1, humidity: str = "") -> bytes:
    """A log, so many hours apart, of a temperature or of what a function says of the hour."""
    rows = ["time,temp °C" + (",rh %" if humidity else "")]
    for hour in range(0, days * 24, every):
        at = datetime.combine(since, datetime.min.time()) + timedelta(hours=hour)
        warm = celsius(hour) if callable(celsius) else celsius + 0.1 * (hour // every % 3)  # type: ignore[operator]
        rows.append(f"{at:%Y-%m-%d %H:%M},{warm:.2f}{humidity and f',{humidity}'}")
    return "\n".join(rows).encode()


def everything(larder: Larder) -> list[object]:
    with reading(larder.engine) as session:
        packages = [row_of(each) for each in session.scalars(select(Package).order_by(Package.number))]
        places = [
            {column.name: getattr(each, column.name) for column in type(each).__table__.columns}
            for each in places_in(session).values()
        ]
        return [packages, places, session.scalar(select(func.count()).select_from(Attachment))]


@pytest.fixture
def packed(larder: Larder) -> Larder:
    """Nuts that have stood for two hundred days."""
    pack(larder, NUTS, packed_on=PACKED)
    return larder


def figures(seen: PlaceClimate) -> dict[str, str]:
    return {each.what: each.how for each in seen.figures}


def shares(larder: Larder) -> list[float]:
    return [each.share for each in card(larder, 1).ledger]


def test_a_hot_log_makes_what_stood_there_older_and_undo_makes_it_as_it_was(packed: Larder) -> None:
    before, was, stood = everything(packed), card(packed, 1), shares(packed)
    read = read_log(packed, 1, csv_of(31))
    assert read.says.startswith("4,800 readings in 4,800 hours, ")
    assert read.marks == []
    (now,) = shares(packed)
    # Twice as fast as at 21 °C: q10 of what is rich in oil is 2 or more.
    assert now > 1.9 * stood[0]
    assert card(packed, 1).best_by != was.best_by
    assert card(packed, 1).ledger[0].life_days > 390
    assert check(packed.engine) == []
    assert take_back(packed) == "Read a log of Pantry, 4,800 hours"
    assert everything(packed) == before
    assert check(packed.engine) == []


def test_what_was_measured_counts_by_the_hour_that_it_was_measured_in(packed: Larder) -> None:
    """Half of each day at 31 °C and half at 11 °C cost as much as the mean of both rates, and more than 21 °C."""
    read_log(packed, 1, csv_of(lambda hour: 31 if hour % 24 < 12 else 11))
    with reading(packed.engine) as session:
        package = session.get(Package, 1)
        assert package is not None
        q10 = package.q10
    assert card(packed, 1).ledger[0].life_days == pytest.approx(200 * (q10 + 1 / q10) / 2, abs=1)


def test_a_log_counts_once_however_often_and_in_whatever_parts_it_is_read(packed: Larder) -> None:
    whole = csv_of(27)
    read_log(packed, 1, whole)
    once = card(packed, 1).ledger
    for again in (whole, csv_of(27, days=50)):
        with refused("All of that log was read before"):
            read_log(packed, 1, again)
    take_back(packed)
    read_log(packed, 1, csv_of(27, days=120))
    read_log(packed, 1, csv_of(27, since=PACKED + timedelta(days=99), days=101))
    assert card(packed, 1).ledger == once


def test_the_year_is_fitted_to_what_was_measured_and_what_stands_there_lasts_so_long(packed: Larder) -> None:
    pack(
        packed, Ask(line="200 g dried apples", container="bag-gallon-thin", closing=Closing.ABSORBER, conditioned=True)
    )
    lasted = [each.best_by for each in shelves(packed).packages]
    read_log(packed, 1, csv_of(26, humidity="71"))
    place = see_place(packed, 1).place
    assert 22 < place.mean_c < 27
    assert place.humidity == pytest.approx(0.70, abs=0.02)
    assert place.mean_c * 2 == round(place.mean_c * 2), "to half a degree"
    assert [each.best_by for each in shelves(packed).packages] != lasted
    assert see_climate(packed, 1).fitted
    assert check(packed.engine) == []
    change_place(packed, 1, NewPlace("Pantry", mean_c=15, warmest_c=18))
    assert see_place(packed, 1).place.mean_c == 15, "whoever puts it right has the last word"
    assert not see_climate(packed, 1).fitted
    assert check(packed.engine) == []


def test_renamed_it_is_still_taken_for_what_was_measured(packed: Larder) -> None:
    read_log(packed, 1, csv_of(26))
    change_place(packed, 1, replace(see_place(packed, 1).place, name="Understairs", dark=True))
    assert see_climate(packed, 1).fitted
    assert see_climate(packed, 1).name == "Understairs"
    assert check(packed.engine) == []


def test_a_guess_is_not_weighed_twice(packed: Larder) -> None:
    """Read in four parts or at once, a place is taken for the same."""
    parts = [csv_of(25, since=PACKED + timedelta(days=50 * n), days=50) for n in range(4)]
    for part in parts:
        read_log(packed, 1, part)
    found = see_place(packed, 1).place
    for _ in parts:
        take_back(packed)
    read_log(packed, 1, csv_of(25))
    assert see_place(packed, 1).place == found


def test_readings_by_hand_count_as_a_log_if_there_is_one_a_day(packed: Larder, clock: Clock) -> None:
    stood = shares(packed)
    for ago in range(30, 0, -1):
        read_thermometer(packed, 1, 35, 0.4, at=NOON - timedelta(days=ago))
    assert shares(packed) > stood
    seen = see_climate(packed, 1)
    assert figures(seen)["Mean kinetic temperature"] == "35.0 °C"
    assert [each.says.partition(": ")[2] for each in seen.spells] == ["30 days above 30 °C, up to 35.0 °C"]
    assert check(packed.engine) == []
    for _ in range(30):
        assert take_back(packed) == "Read the thermometer in Pantry"
    assert shares(packed) == stood
    with refused("in the future") as refusal:
        read_thermometer(packed, 1, 20, at=clock.now + timedelta(hours=1))
    assert refusal.value.field == "at"
    with refused("too early"):
        read_thermometer(packed, 1, 20, at=NOON - timedelta(days=365 * 200))
    with refused("70 °C"):
        read_thermometer(packed, 1, 171)
    with refused("not there"):
        read_thermometer(packed, 9, 20)


def test_of_each_place_one_log_is_held_however_often_somebody_reads_its_thermometer(packed: Larder) -> None:
    """The hours of ten years are megabytes, and a house that is read every week makes a log every week."""
    add_place(packed, NewPlace("Attic"))
    gc.collect()
    before = {id(each) for each in gc.get_objects() if isinstance(each, ClimateLog)}
    for ago in range(40, 0, -1):
        read_thermometer(packed, 1 + ago % 2, 15, at=NOON - timedelta(days=100 * ago))
        shares(packed)
    gc.collect()
    assert len([each for each in gc.get_objects() if isinstance(each, ClimateLog) and id(each) not in before]) == 2


def test_a_single_reading_changes_nothing_but_the_hour_it_was_read_in(packed: Larder) -> None:
    place, lasted = see_place(packed, 1).place, card(packed, 1).best_by
    read_thermometer(packed, 1, 30)
    assert see_place(packed, 1).place == place
    assert card(packed, 1).best_by == lasted


def test_a_reading_typed_wrong_is_typed_again(packed: Larder) -> None:
    for celsius in (71 - 11.5, 15.9):
        read_thermometer(packed, 1, celsius)
    assert figures(see_climate(packed, 1))["Warmest hour"] == "15.9 °C"
    assert check(packed.engine) == []


def test_what_was_measured_is_written_out_and_read_again(packed: Larder) -> None:
    read_log(packed, 1, csv_of(lambda hour: 18 + 6 * np.sin(hour / 24), humidity="55.5"))
    read_thermometer(packed, 1, 21.4, 0.6)
    other = add_place(packed, NewPlace("Loft", "loft"))
    text = export_log(packed, 1)
    assert text.splitlines()[0] == "time,temperature °C,humidity %"
    read_log(packed, other, text.encode())
    assert export_log(packed, other) == text
    ours, theirs = see_climate(packed, 1), see_climate(packed, other)
    assert ours.figures == theirs.figures
    with refused("Nothing was measured there"):
        export_log(packed, add_place(packed, NewPlace("Cellar", "cellar")))


def test_warm_spells_say_what_they_cost_what_stood_there_then(packed: Larder) -> None:
    pack(packed, Ask(line="300 g white rice", container="jar-quart", closing=Closing.LID))
    cellar = add_place(packed, NewPlace("Cellar", "cellar", mean_c=11, warmest_c=14))
    hot = range(60 * 24, 80 * 24)
    read_log(packed, 1, csv_of(lambda hour: 34 if hour in hot else 20 + hour % 2))
    seen = see_climate(packed, 1)
    (spell,) = seen.spells
    assert spell.says.partition(": ")[2] == "20 days above 30 °C, up to 34.0 °C"
    # The rice came later.
    assert spell.cost.startswith("20 days cost the hazelnuts ")
    assert "rice" not in spell.cost
    assert int(spell.cost.split("hazelnuts ")[1].split()[0]) > 40
    days = {each.name: each.days for each in seen.elsewhere}
    assert seen.elsewhere[0].name == "Cellar"
    assert days["Cellar"] < 365 < days["Pantry"] + 200
    assert see_climate(packed, cellar).elsewhere == [], "nothing stands there"
    assert see_climate(packed, cellar).spells == []


def drawn(seen: PlaceClimate) -> list[tuple[float, float, float]]:
    """The points of it where something was measured."""
    found = [(each.low, each.mean, each.high) for each in seen.points if each.enough]
    return [(low, mean, high) for low, mean, high in found if low is not None and mean is not None and high is not None]


def test_a_log_of_years_is_drawn_in_steps_and_its_gap_is_shown(packed: Larder) -> None:
    first = NOON.date() - timedelta(days=900)
    read_log(packed, 1, csv_of(lambda hour: 15 + hour % 24 / 4, since=first, days=400))
    read_log(packed, 1, csv_of(lambda hour: 15 + hour % 24 / 4, since=first + timedelta(days=450), days=400))
    seen = see_climate(packed, 1)
    assert 100 < len(seen.points) <= 240
    assert len(drawn(seen)) < len(seen.points)
    for low, mean, high in drawn(seen):
        assert (low, high) == (15, 20.75)
        assert mean == pytest.approx(17.875, abs=0.3)
    assert [each.rpartition(", ")[2] for each in seen.gaps] == ["50 days"]
    assert figures(seen)["Measured"] == "94 % of the time"


def test_in_us_units_all_of_it_is_said_in_degrees_fahrenheit(packed: Larder) -> None:
    settle(packed, Settings(units=Units.US))
    read = read_log(packed, 1, csv_of(lambda hour: 20.0 if hour < 24 * 40 else 33 + hour % 5))
    assert read.marks == ["Stuck at 68.0 °F, 12 May 2026 – 20 Jun 2026: left out"] or "68.0 °F" in read.marks[0]
    seen = see_climate(packed, 1)
    words = [seen.warm, seen.taken_for, *(each.says for each in seen.spells), *figures(seen).values()]
    assert not [each for each in words if "°C" in each]
    assert seen.warm == "86 °F"


def test_nothing_is_kept_of_a_file_that_is_refused(packed: Larder) -> None:
    before = everything(packed)
    with refused("is it a logger"):
        read_log(packed, 1, b"nothing\n")
    with refused("not there any more"):
        read_log(packed, 7, csv_of(20))
    assert everything(packed) == before
