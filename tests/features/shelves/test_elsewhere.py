"""What if it stood elsewhere."""

from datetime import timedelta

import pytest

from tests.conftest import Clock
from tests.support.refusals import refused
from yellow_larder.core.containers import Closing
from yellow_larder.core.keeping import Estimate, Way
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.coming_in.put_away import put_away
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder, NewPlace, add_place, places_in
from yellow_larder.features.packages.state import Package, row_of
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.shelves.ageing import lives_left
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.carrying import move, throw_out
from yellow_larder.features.shelves.elsewhere import elsewhere
from yellow_larder.features.using.opening import open_packages
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import reading
from yellow_larder.reference import ways_of


@pytest.mark.parametrize("opened", [False, True])
def test_what_is_said_is_what_moving_makes_of_it(larder: Larder, clock: Clock, opened: bool) -> None:
    """A law over every place: moved there, its card says the day that was told before."""
    add_place(larder, NewPlace("Cellar", "cellar", mean_c=9, warmest_c=12, humidity=0.7))
    add_place(larder, NewPlace("Loft", "loft", mean_c=20, warmest_c=38, humidity=0.4))
    add_place(larder, NewPlace("Freezer", "freezer", mean_c=-18, warmest_c=-17, humidity=0.6))
    pack(larder, Ask(line="300 g walnuts", container="jar-quart", closing=Closing.VACUUM))
    clock.now += timedelta(days=60)
    if opened:
        open_packages(larder, [1])
        clock.now += timedelta(days=30)
    told = elsewhere(larder, 1)
    assert {each.name for each in told[:2]} == {"Freezer", "Cellar"}
    assert [each.longer for each in told] == [True, True, False]
    assert told[2].difference.endswith("less")
    for each in told:
        move(larder, [1], place=each.place, shelf=1)
        assert card(larder, 1).best_by == each.best_by

        take_back(larder)
    assert check(larder.engine) == []


def test_what_keeps_and_what_is_gone(larder: Larder) -> None:
    add_place(larder, NewPlace("Cellar", "cellar", mean_c=9, warmest_c=12, humidity=0.4))
    pack(larder, Ask(line="2 kg salt", container="jar-half-gallon"))
    assert [(each.best_by, each.difference) for each in elsewhere(larder, 1)] == [("keeps", "as long as here")]
    throw_out(larder, [1], why="spilt")
    with refused("was thrown out"):
        elsewhere(larder, 1)


def days_left(larder: Larder, number: int) -> float:
    with reading(larder.engine) as session:
        row = row_of(session.get_one(Package, number))
        return float(lives_left([row], places_in(session), Estimate.CUSTOMARY, larder.today())[0][0])


FRESH = ["500 g chicken", "500 g fresh berries", "500 g butter", "1 kg potatoes", "1 loaf bread", "1 L milk"]


@pytest.mark.parametrize("line", FRESH)
def test_what_is_not_dry_takes_its_share_along_from_place_to_place(larder: Larder, clock: Clock, line: str) -> None:
    """Half of its life in the fridge is used up: half of its life in the freezer is left, and the other way round.

    Source: cumulative damage, by hand; the lives of the table of ways.
    """
    cold = add_place(larder, NewPlace("Fridge", "fridge", mean_c=4, warmest_c=5, humidity=0.6))
    icy = add_place(larder, NewPlace("Freezer", "freezer", mean_c=-18, warmest_c=-17, humidity=0.6))
    (number,) = put_away(larder, f"{line}, fridge").numbers
    with reading(larder.engine) as session:
        ways = ways_of(all_foods(session)[session.get_one(Package, number).food_key].life)
    fridge, freezer = (ways[way].customary for way in (Way.FRIDGE, Way.FREEZER))
    clock.now += timedelta(days=max(1, round(fridge / 2)))
    left = 1 - max(1, round(fridge / 2)) / fridge
    assert days_left(larder, number) == pytest.approx(left * fridge, abs=0.01)
    told = next(each for each in elsewhere(larder, number) if each.name == "Freezer")
    move(larder, [number], place=icy, shelf=1)
    assert card(larder, number).best_by == told.best_by
    assert days_left(larder, number) == pytest.approx(left * freezer, abs=0.01)
    waited = round(left * freezer / 2)
    clock.now += timedelta(days=waited)
    left -= waited / freezer
    move(larder, [number], place=cold, shelf=1)
    assert days_left(larder, number) == pytest.approx(left * fridge, abs=0.01)
    assert check(larder.engine) == []


def test_an_open_tin_of_fish_is_as_moist_as_it_was_and_keeps_longer_frozen(larder: Larder, clock: Clock) -> None:
    add_place(larder, NewPlace("Freezer", "freezer", mean_c=-18, warmest_c=-17, humidity=0.6))
    (number,) = put_away(larder, "1 tin sardines, best by 2029-06").numbers
    moist = card(larder, number).moisture_pct
    clock.now += timedelta(days=400)
    open_packages(larder, [number])
    assert card(larder, number).moisture_pct == moist
    told = next(each for each in elsewhere(larder, number) if each.name == "Freezer")
    assert told.longer
    assert told.difference.endswith("longer")
