"""What is in the house is put away in one go: read, shown, kept, and taken back."""

from __future__ import annotations

from datetime import date, timedelta

import pytest
from sqlalchemy import select

from tests.conftest import Clock
from tests.support.by_group import by_group
from tests.support.doings import state
from tests.support.refusals import refused
from yellow_larder.core.containers import Closing
from yellow_larder.core.food import Food
from yellow_larder.core.keeping import Estimate
from yellow_larder.features.coming_in.put_away import MOST_LINES, put_away, read_lines
from yellow_larder.features.coming_in.views import LineView, Reading
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.packages.state import Package
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.carrying import move
from yellow_larder.features.shelves.inspection import to_look
from yellow_larder.features.shelves.labels import labels
from yellow_larder.features.shelves.shelves import shelves
from yellow_larder.features.using.opening import open_packages, take
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import reading
from yellow_larder.journal.tables import Entry
from yellow_larder.reference import foods

PASTE = """6 qt jars white rice, absorbers, May 2023
2 five-gallon buckets hard wheat, about 2021
10 tins sardines, best by 2028-03
old: 3 gal bags beans, no idea when"""


@pytest.fixture
def house(larder: Larder) -> Larder:
    add_place(larder, NewPlace("Cellar", "cellar", mean_c=11, warmest_c=14, humidity=0.7))
    add_place(larder, NewPlace("Fridge", "fridge", mean_c=4, warmest_c=5, humidity=0.6))
    add_place(larder, NewPlace("Freezer", "freezer", mean_c=-18, warmest_c=-16, humidity=0.6))
    return larder


def only(larder: Larder, line: str) -> LineView:
    (view,) = read_lines(larder, line).lines
    return view


def package(larder: Larder, number: int) -> Package:
    with reading(larder.engine) as session:
        return session.get_one(Package, number)


def test_what_was_shown_is_what_is_put_away_and_one_undo_takes_it_back(house: Larder) -> None:
    before, shown = state(house), read_lines(house, PASTE)
    assert (shown.packages, shown.unread) == (21, 0)
    came = put_away(house, PASTE)
    assert came.numbers == list(range(1, 22))
    assert came.title == "Put away 21 packages that were there: white rice, hard wheat, sardines and 1 more"
    first = 1
    for line in shown.lines:
        assert line.stock is not None
        kept = card(house, first)
        assert (kept.food, kept.mass, kept.container) == (line.stock.food, line.stock.mass, line.stock.container)
        assert (kept.best_by, kept.band) == (line.stock.best_by, line.stock.band)
        first += line.stock.count
    assert sum(each.kept for each in shelves(house).places) == 21
    assert check(house.engine) == []
    assert take_back(house) == came.title
    assert state(house) == before


def test_it_takes_nothing_from_the_supplies_and_labels_say_about_when(house: Larder) -> None:
    put_away(house, PASTE)
    with reading(house.engine) as session:
        kinds = set(session.scalars(select(Entry.kind)))
    assert "supply" not in kinds
    said = [each.packed for each in labels(house, numbers=[1, 7, 19])]
    assert said == ["Packed May 2023", "Packed about 2021", "Packed some time ago"]
    assert card(house, 7).packed_on == "about 2021"
    assert card(house, 9).journal[0].detail.endswith("best by 31 Mar 2028 on it")


@pytest.mark.parametrize("line", ["=1+1", "6 jars xyzzy", "rice " * 2000, "jar of rice, 2031"])
def test_a_line_that_cannot_be_read_keeps_all_of_them_out(house: Larder, line: str) -> None:
    before = state(house)
    with refused() as refusal:
        put_away(house, f"{PASTE}\n\n{line}")
    assert refusal.value.field == "line.4"
    assert state(house) == before
    view = read_lines(house, f"{PASTE}\n\n{line}").lines[4]
    assert view.reading is Reading.UNREAD
    assert view.wrong == refusal.value.message


def test_no_lines_and_too_many(house: Larder) -> None:
    with refused("Write a line"):
        put_away(house, " \n ")
    with refused(f"{MOST_LINES} is the most"):
        read_lines(house, "salt\n" * 5000)


def test_what_was_packed_today_lasts_as_long_as_if_the_bench_had_packed_it(house: Larder) -> None:
    """The same food, container, closing and place: one figure, whichever way it came."""
    pack(house, Ask(line="700 g white rice", container="jar-quart", closing=Closing.VACUUM))
    put_away(house, "1 quart jar white rice 700 g vac sealed")
    packed, found = package(house, 1), package(house, 2)
    for estimate in Estimate:
        for what in ("days", "most"):
            name = f"{estimate.value}_{what}"
            assert getattr(found, name) == pytest.approx(getattr(packed, name), rel=1e-6), name
    assert (found.kcal, found.level) == pytest.approx((packed.kcal, packed.level))


def test_the_less_is_known_the_wider_the_band(house: Larder) -> None:
    put_away(house, "\n".join(f"1 quart jar white rice, {when}" for when in ("15 Jun 2023", "2023", "about 2023")))
    spans = []
    for number in (1, 2, 3):
        row = package(house, number)
        spans.append((row.hopeful_days or 0) - (row.cautious_days or 0))
        assert abs((row.packed_on - date(2023, 6, 30)).days) < 20
    assert spans == sorted(spans)
    assert len(set(spans)) == 3


def test_what_its_maker_says_counts_when_it_comes_first(house: Larder, clock: Clock) -> None:
    today = house.today()
    near = today + timedelta(days=40)
    put_away(house, f"2 kg pasta, bought this month, best by {near.isoformat()}\n2 kg pasta, bought this month")
    assert package(house, 1).customary_most == pytest.approx((near - package(house, 1).packed_on).days)
    assert card(house, 1).best_by != card(house, 2).best_by
    # Wherever it is carried, the date on it stays.
    move(house, [1], place=2, shelf=1)
    assert package(house, 1).customary_most == pytest.approx((near - package(house, 1).packed_on).days)
    clock.now += timedelta(days=50)
    assert card(house, 1).due.value == "past"
    assert card(house, 2).due.value != "past"


def test_a_tin_keeps_for_years_and_once_it_is_open_for_days(house: Larder) -> None:
    """Source: low-acid tins 2–5 years, opened 3–4 days in the fridge (US government advice, from memory)."""
    put_away(house, "2 tins tuna, fridge")
    closed = package(house, 1)
    assert 2 * 365 <= (closed.customary_days or 0) <= 6 * 365
    open_packages(house, [1])
    opened = package(house, 1)
    assert (opened.customary_days or 0) <= 4
    assert card(house, 2).mass == card(house, 1).mass


@pytest.mark.parametrize(
    ("line", "place", "days"),
    [
        ("2 lb chicken", "Freezer", (180, 365)),
        ("2 lb ground beef", "Freezer", (60, 120)),
        ("1 dozen eggs", "Fridge", (21, 35)),
        ("10 lb onions", "Cellar", (90, 240)),
        ("frozen peas 2 lb", "Freezer", (240, 365)),
        ("1 gallon milk", "Fridge", (4, 7)),
    ],
)
def test_fresh_food_goes_where_it_is_kept_and_lasts_as_it_does_there(
    house: Larder, line: str, place: str, days: tuple[int, int]
) -> None:
    """Source: US government cold-storage chart; extension advice on roots and bulbs; from memory."""
    view = only(house, line)
    assert view.stock is not None
    assert view.stock.place_name == place
    put_away(house, line)
    row = package(house, 1)
    assert days[0] <= (row.cautious_days or 0) <= (row.hopeful_days or 0) <= days[1]


def test_fresh_food_carried_out_of_the_freezer_lasts_for_no_longer_than_there(house: Larder, clock: Clock) -> None:
    put_away(house, "2 lb chicken")
    clock.now += timedelta(days=27)
    move(house, [1], place=3, shelf=1)
    # A tenth of its life went in the freezer; the rest of two days goes in the fridge.
    clock.now += timedelta(days=1)
    assert card(house, 1).due.value != "past"
    clock.now += timedelta(days=2)
    assert card(house, 1).due.value == "past"


def test_what_should_not_be_kept_so_is_said_and_put_away_all_the_same(house: Larder) -> None:
    view = only(house, "3 qt jars jerky, absorbers, last year")
    assert view.reading is Reading.DOUBTFUL
    assert view.stock is not None
    assert any("botulism" in doubt for doubt in view.stock.doubts)
    assert put_away(house, view.text).numbers == [1, 2, 3]


def test_a_bag_that_nobody_knows_counts_for_nothing_and_is_looked_at(house: Larder) -> None:
    put_away(house, "2 gal bags mystery, no idea when")
    assert card(house, 1).kcal_text == "0"
    assert {each.number for each in to_look(house)} >= {1, 2}


def test_what_came_in_is_used_like_anything_else(house: Larder) -> None:
    put_away(house, PASTE)
    assert take(house, 1, "100 g").taken == "100 g"
    assert check(house.engine) == []


@pytest.mark.parametrize("group", by_group(foods().values()))
def test_everything_edible_can_come_in(house: Larder, group: list[Food]) -> None:
    for line in read_lines(house, "\n".join(f"500 g {food.name}" for food in group)).lines:
        assert line.stock is not None, line.wrong
        assert line.stock.count == 1


def test_what_was_canned_at_home_keeps_a_year(house: Larder) -> None:
    """Source: a year, 18 months at the most (US extension advice, from memory)."""
    put_away(house, "6 quart jars home-canned beef stew\n6 tins beef stew")
    home, shop = package(house, 1), package(house, 7)
    assert (home.customary_most, home.hopeful_most) == (365, 548)
    assert (shop.customary_most or 0) > 3 * 365


def test_what_wants_a_place_that_is_not_there_says_which(larder: Larder) -> None:
    text = "2 lb butter, freezer\n2 lb ground beef\n3 kg potatoes\n2 kg rice\n2 jars rice, attic"
    lacks = [line.stock.lacks for line in read_lines(larder, text).lines if line.stock]
    assert lacks == ["freezer", "freezer", "cellar", "", "loft"]
    add_place(larder, NewPlace("Freezer", "freezer", mean_c=-18, warmest_c=-17))
    after = [line.stock for line in read_lines(larder, text).lines if line.stock]
    assert [each.lacks for each in after] == ["", "", "cellar", "", "loft"]
    assert [each.place_name for each in after[:2]] == ["Freezer", "Freezer"]
    assert not after[0].doubts
