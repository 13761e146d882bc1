"""Stocktake: what is there, what became of the rest, what is left in the open ones; one change, taken back whole."""

from datetime import timedelta

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from tests.conftest import Clock
from tests.support.doings import state
from tests.support.refusals import refused
from yellow_larder.core.containers import Closing
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.packages.state import Package
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.shelves import shelves
from yellow_larder.features.using.opening import open_packages, take
from yellow_larder.features.using.stocktake import Guess, LeftIn, Missing, Whereabouts, take_stock
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import reading

JAR = Ask(line="700 g white rice", container="jar-quart", closing=Closing.VACUUM)


@pytest.fixture
def stocked(larder: Larder, clock: Clock) -> Larder:
    """Four jars in the pantry, the last of them open; a cellar with a fifth."""
    cellar = add_place(larder, NewPlace("Cellar", "cellar", shelves=2))
    for _ in range(4):
        pack(larder, JAR, shelf=3)
    pack(larder, Ask(line="700 g white rice", container="jar-quart", closing=Closing.VACUUM, place=cellar), shelf=1)
    open_packages(larder, [4])
    clock.now += timedelta(days=30)
    return larder


def test_what_is_there_stays_and_what_is_not_goes_where_it_went(stocked: Larder) -> None:
    before = state(stocked)
    counted = take_stock(
        stocked,
        1,
        [1, 4, 5],
        missing=[
            Missing(number=2, where=Whereabouts.USED_UP),
            Missing(number=3, where=Whereabouts.ELSEWHERE, place=2),
        ],
        left_in=[LeftIn(number=4, guess=Guess.HALF)],
    )
    assert (counted.there, counted.gone, counted.moved, counted.weighed) == (3, 1, 2, 1)
    where = {each.number: (each.place, each.shelf) for each in shelves(stocked).packages}
    assert where == {1: (1, 3), 4: (1, 3), 5: (1, 1), 3: (2, 2)}
    assert card(stocked, 2).gone.startswith("Used up")
    with reading(stocked.engine) as session:
        # Half of what a quart jar holds of rice.
        assert 350 < session.get_one(Package, 4).mass_g < 450
    assert check(stocked.engine) == []
    assert take_back(stocked) == "Counted Pantry: 3 packages there, 1 gone, 2 moved"
    assert state(stocked) == before
    assert check(stocked.engine) == []


def test_of_what_nobody_says_anything_nothing_changes(stocked: Larder) -> None:
    take_stock(stocked, 1, [1])
    assert {each.number for each in shelves(stocked).packages} == {1, 2, 3, 4, 5}


def test_weighed_is_what_was_weighed_and_the_same_is_no_act(stocked: Larder) -> None:
    assert take_stock(stocked, 1, [4], left_in=[LeftIn(number=4, weight="700 g")]).weighed == 0
    assert take_stock(stocked, 1, [4], left_in=[LeftIn(number=4, weight="220 g")]).weighed == 1
    assert card(stocked, 4).mass == "220 g"


@pytest.mark.parametrize("where", [each for each in Whereabouts if each is not Whereabouts.ELSEWHERE])
def test_however_it_went_it_is_gone(stocked: Larder, where: Whereabouts) -> None:
    take_stock(stocked, 1, [1, 3, 4], missing=[Missing(number=2, where=where)])
    assert card(stocked, 2).gone.lower().startswith(where.value)


def test_what_cannot_be(stocked: Larder) -> None:
    before = state(stocked)
    with refused("there and not there"):
        take_stock(stocked, 1, [1], missing=[Missing(number=1, where=Whereabouts.USED_UP)])
    with refused("There is no package number 99"):
        take_stock(stocked, 1, [99])
    with refused("in which other place"):
        take_stock(stocked, 1, [1], missing=[Missing(number=2, where=Whereabouts.ELSEWHERE)])
    with refused("in which other place"):
        take_stock(stocked, 1, [1], missing=[Missing(number=2, where=Whereabouts.ELSEWHERE, place=1)])
    with refused("not there any more"):
        take_stock(stocked, 1, [1], missing=[Missing(number=2, where=Whereabouts.ELSEWHERE, place=8)])
    with refused("not there any more"):
        take_stock(stocked, 8, [1])
    with refused("is closed"):
        take_stock(stocked, 1, [1], left_in=[LeftIn(number=1, guess=Guess.HALF)])
    with refused("used up"):
        take_stock(stocked, 1, [4], left_in=[LeftIn(number=4, weight="0.2 g")])
    with refused("guess how full"):
        take_stock(stocked, 1, [4], left_in=[LeftIn(number=4)])
    with refused("nothing can be left"):
        take_stock(stocked, 1, [1], left_in=[LeftIn(number=4, guess=Guess.HALF)])
    with refused("said twice"):
        take_stock(stocked, 1, [1], missing=[Missing(number=2, where=each) for each in list(Whereabouts)[:2]])
    with refused("said twice"):
        take_stock(stocked, 1, [4], left_in=[LeftIn(number=4, guess=each) for each in list(Guess)[:2]])
    with refused("Tap what is there"):
        take_stock(stocked, 1, [])
    assert state(stocked) == before


def test_what_somebody_else_ate_meanwhile_is_told(stocked: Larder) -> None:
    """Two tablets: on one the last jar is used up while the other still shows it."""
    take(stocked, 4, "the rest")
    with refused("Number 4 was used up"):
        take_stock(stocked, 1, [1, 2, 3, 4])


@settings(max_examples=25, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(st.lists(st.sampled_from([*Whereabouts, "there", "unsaid"]), min_size=4, max_size=4))
def test_any_stocktake_is_taken_back_whole(stocked: Larder, said: list[str]) -> None:
    before = state(stocked)
    there = [n for n, each in enumerate(said, 1) if each == "there"]
    missing = [
        Missing(number=n, where=Whereabouts(each), place=2)
        for n, each in enumerate(said, 1)
        if each in list(Whereabouts)
    ]
    if not there and not missing:
        return
    take_stock(stocked, 1, there, missing=missing)
    kept = {each.number for each in shelves(stocked, place=1).packages}
    assert kept == {n for n, each in enumerate(said, 1) if each in ("there", "unsaid")}
    take_back(stocked)
    assert state(stocked) == before
    assert check(stocked.engine) == []
