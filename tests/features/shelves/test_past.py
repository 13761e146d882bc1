"""What is past its best-by was best by one day, whatever becomes of it afterwards."""

from contextlib import suppress
from datetime import timedelta

import pytest

from tests.conftest import Clock
from yellow_larder.core.containers import Closing
from yellow_larder.core.errors import Refusal
from yellow_larder.core.keeping import LONGEST_DAYS
from yellow_larder.features.coming_in.put_away import put_away
from yellow_larder.features.household.larder import Larder, NewPlace, add_place, places_in
from yellow_larder.features.packages.state import Package
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask, Opened
from yellow_larder.features.rounds.rounds import rounds
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.carrying import move
from yellow_larder.features.shelves.elsewhere import elsewhere
from yellow_larder.features.shelves.shelves import shelves
from yellow_larder.features.using.opening import Reclosing, close_again, open_packages, take
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import reading

LINES = [
    "1 quart jar hazelnuts",
    "1 quart jar walnuts vac sealed",
    "2 lb brown rice",
    "1 quart jar dried apples, absorbers",
    "1 packet rolled oats",
    "500 g chicken, fridge",
    "500 g butter, fridge",
    "1 kg potatoes, cellar",
]


@pytest.fixture
def house(larder: Larder) -> Larder:
    add_place(larder, NewPlace("Fridge", "fridge", mean_c=4, warmest_c=5, humidity=0.6))
    add_place(larder, NewPlace("Freezer", "freezer", mean_c=-18, warmest_c=-17, humidity=0.6))
    add_place(larder, NewPlace("Cellar", "cellar", mean_c=9, warmest_c=12, humidity=0.7))
    add_place(larder, NewPlace("Loft", "loft", mean_c=20, warmest_c=38, humidity=0.5))
    return larder


@pytest.mark.parametrize("opened", [False, True])
@pytest.mark.parametrize("line", LINES)
def test_the_day_it_was_best_by_stays_wherever_it_is_carried(
    house: Larder, clock: Clock, line: str, opened: bool
) -> None:
    """Found past on some day, it says the same ever after: in the freezer, in the loft, and years later."""
    (number,) = put_away(house, line).numbers
    if opened:
        open_packages(house, [number])
    while card(house, number).left:
        clock.now += timedelta(days=97)
    said = card(house, number)
    with reading(house.engine) as session:
        places, at = list(places_in(session)), session.get_one(Package, number).place_id
    for place in [*(each for each in places if each != at), at]:
        assert {each.best_by for each in elsewhere(house, number)} == {said.best_by}
        assert {each.difference for each in elsewhere(house, number)} == {"as long as here"}
        move(house, [number], place=place, shelf=1)
        clock.now += timedelta(days=150)
        now = card(house, number)
        assert (now.best_by, now.left) == (said.best_by, 0)
    assert check(house.engine) == []


@pytest.mark.parametrize("closing", [Closing.LID, Closing.ABSORBER, Closing.VACUUM])
def test_what_does_not_age_has_no_end_that_no_calendar_has(house: Larder, clock: Clock, closing: Closing) -> None:
    """Honey takes up moisture through a wall in ten thousand years, or in a month: either has its words everywhere."""
    foods = ("honey", "white sugar", "salt", "maple syrup")
    jar = Ask(container="jar-1-litre", closing=closing, override="a law is being tried", conditioned=True)
    with reading(house.engine) as session:
        places = places_in(session)
    for food in foods:
        for place in places:
            for opened in Opened:
                ask = Ask(
                    **{name: getattr(jar, name) for name in Ask.__slots__}  # type: ignore[attr-defined]
                    | {"line": f"500 g {food}", "place": place, "opened": opened}
                )
                planned = plan(house, ask)
                (number,) = pack(house, ask).numbers
                assert card(house, number).best_by == planned.best_by.text
                move(house, [number], place=next(each for each in places if each != place), shelf=1)
                chosen = planned.best_by.chosen
                assert chosen is None or (chosen - house.today()).days <= LONGEST_DAYS
    for years in (0, -1, 10, 110):
        clock.now += timedelta(days=365 * years)
        assert sum(each.kept for each in shelves(house).places) == len(foods) * len(places) * len(Opened)
        assert rounds(house)


@pytest.mark.parametrize("line", LINES)
@pytest.mark.parametrize("past", [False, True])
def test_a_clock_that_was_set_back_breaks_nothing(house: Larder, clock: Clock, line: str, past: bool) -> None:
    """A machine whose clock is wrong by a year: it does what it is told or says why not, and nothing is lost by it."""
    (number,) = put_away(house, line.split(",")[0] + ", loft").numbers
    while past and card(house, number).left:
        clock.now += timedelta(days=20)
    open_packages(house, [number])
    now = clock.now
    clock.now -= timedelta(days=400)
    assert elsewhere(house, number)
    for act in (
        lambda: move(house, [number], place=elsewhere(house, number)[0].place, shelf=1),
        lambda: take(house, number, "50 g"),
        lambda: close_again(house, number, Reclosing(Closing.LID)),
    ):
        with suppress(Refusal):
            act()
        assert card(house, number)
    clock.now = now
    assert card(house, number)
    assert sum(each.kept for each in shelves(house).places) == 1
    assert check(house.engine) == []
