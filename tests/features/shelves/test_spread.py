"""How food is spread, and what goes if a place or a way of keeping fails."""

from __future__ import annotations

import pytest

from yellow_larder.features.coming_in.put_away import put_away
from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.lots.lots import set_cupboard
from yellow_larder.features.rounds.overview import overview
from yellow_larder.features.shelves.carrying import move
from yellow_larder.features.shelves.spread import IN_CUPBOARD, Kept, see_spread
from yellow_larder.features.using.opening import open_packages

HOUSE = """4 quart jars white rice, vac sealed
6 quart jars white rice, vac sealed, cellar
10 kg sack hard red wheat
12 tins tuna
3 lb chicken, freezer
2 lb frozen peas
1 dozen eggs, fridge
20 lb potatoes, cellar"""


@pytest.fixture
def house(larder: Larder) -> Larder:
    add_place(larder, NewPlace("Cellar", "cellar", mean_c=11, warmest_c=14, humidity=0.7))
    add_place(larder, NewPlace("Fridge", "fridge", mean_c=4, warmest_c=5, humidity=0.6))
    add_place(larder, NewPlace("Freezer", "freezer", mean_c=-18, warmest_c=-16, humidity=0.6))
    put_away(larder, HOUSE)
    return larder


def test_if_the_freezer_dies_all_the_meat_is_lost_and_the_peas(house: Larder) -> None:
    spread = see_spread(house)
    freezer = next(each for each in spread.by_place if each.name == "Freezer")
    assert freezer.all_of == ["chicken", "frozen peas"]
    assert next(each for each in spread.by_way if each.name == Kept.FREEZER).days == pytest.approx(freezer.days)
    pantry = next(each for each in spread.by_place if each.name == "Pantry")
    assert "white rice" not in pantry.all_of
    assert set(pantry.all_of) == {"hard red wheat", "tuna"}


def test_each_way_counts_what_is_kept_so(house: Larder) -> None:
    ways = {each.name: each for each in see_spread(house).by_way}
    assert set(ways) == set(Kept)
    assert ways[Kept.SHOP].all_of == ["tuna"]
    assert ways[Kept.FRESH].all_of == ["potatoes"]
    assert ways[Kept.FRIDGE].all_of == ["eggs"]
    assert set(ways[Kept.DRY].all_of) == {"hard red wheat", "white rice"}


def test_the_parts_make_the_whole_that_is_said_elsewhere(house: Larder) -> None:
    spread = see_spread(house)
    assert spread.days == pytest.approx(overview(house).days)
    for parts in (spread.by_place, spread.by_way):
        assert sum(each.share for each in parts) == pytest.approx(1)
        assert sum(each.days for each in parts) == pytest.approx(spread.days)
        assert [each.days for each in parts] == sorted((each.days for each in parts), reverse=True)
    assert spread.foods[0].food == "hard red wheat"


def test_a_food_says_where_it_stands(house: Larder) -> None:
    rice = next(each for each in see_spread(house).foods if each.food == "white rice")
    assert rice.places == ["60 % Cellar", "40 % Pantry"]
    move(house, [1, 2, 3, 4], place=2, shelf=1)
    rice = next(each for each in see_spread(house).foods if each.food == "white rice")
    assert rice.places == ["Cellar"]


def test_a_tin_that_is_open_is_kept_as_what_is_fresh(house: Larder) -> None:
    # Ten jars and a sack came before the tins.
    open_packages(house, [12])
    ways = {each.name: each for each in see_spread(house).by_way}
    assert "tuna" not in ways[Kept.SHOP].all_of


def test_an_empty_larder_is_spread_over_nothing(larder: Larder) -> None:
    assert see_spread(larder).by_place == []
    assert see_spread(larder).foods == []


def test_what_is_bought_and_not_packed_counts_as_it_does_along_the_top(house: Larder) -> None:
    set_cupboard(house, "pearl-barley", "10 kg")
    spread = see_spread(house)
    assert spread.days == pytest.approx(overview(house).days)
    assert next(each for each in spread.by_place if each.name == IN_CUPBOARD).all_of == ["pearl barley"]
