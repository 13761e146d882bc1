"""What was cooked comes off the shelf."""

from datetime import timedelta

import pytest

from tests.conftest import Clock
from tests.features.using.seen import on_hand_g, row
from tests.support.refusals import refused
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.planning.diary import Written, add_to_day, write_day
from yellow_larder.features.shelves.carrying import move
from yellow_larder.features.using.from_shelf import CameFrom, TakenOf, see_from_shelf, take_from_shelf
from yellow_larder.features.using.opening import open_packages
from yellow_larder.journal.checking import check

RICE = Ask(line="700 g white rice", container="jar-quart")


def came_from(larder: Larder) -> list[tuple[int, str, bool, bool]]:
    lines: list[CameFrom] = see_from_shelf(larder, larder.today()).lines
    return [(each.number, each.amount, each.opens, each.empties) for each in lines]


def supper(larder: Larder, *lines: str) -> None:
    write_day(larder, larder.today(), [Written(line=line) for line in lines])


def take_all(larder: Larder) -> str:
    lines = see_from_shelf(larder, larder.today()).lines
    return take_from_shelf(larder, larder.today(), [TakenOf(each.number, each.amount) for each in lines])


def test_a_day_that_is_not_written_took_nothing(larder: Larder) -> None:
    pack(larder, RICE)
    assert came_from(larder) == []
    with refused("Nothing is written on"):
        take_from_shelf(larder, larder.today(), [TakenOf(1, "100 g")])


def test_the_open_one_first_and_another_opened_for_the_rest(larder: Larder, clock: Clock) -> None:
    """In the order of the kitchen: 700 g in the open jar, 100 g more out of the next."""
    for _ in range(3):
        pack(larder, RICE)
    open_packages(larder, [2])
    clock.now += timedelta(days=20)
    supper(larder, "800 g white rice", "1 kg hard red wheat")
    assert came_from(larder) == [(2, "700 g", False, True), (1, "100 g", True, False)]
    seen = see_from_shelf(larder, larder.today())
    assert seen.lacking == ["1 kg of hard red wheat"]
    before = on_hand_g(larder)
    assert take_all(larder) == "700 g white rice, 100 g white rice"
    assert before - on_hand_g(larder) == pytest.approx(800)
    assert (row(larder, 2)["gone"], row(larder, 1)["mass_g"]) == ("used up", 600)
    then = see_from_shelf(larder, larder.today())
    assert (then.lines, then.taken) == ([], "800 g white rice")
    assert take_back(larder) == "Took from 2 packages for 14 Dec 2026"
    assert came_from(larder) == [(2, "700 g", False, True), (1, "100 g", True, False)]
    assert check(larder.engine) == []


def test_nothing_is_taken_twice_and_what_is_added_later_is(larder: Larder) -> None:
    pack(larder, RICE)
    supper(larder, "200 g white rice")
    take_all(larder)
    add_to_day(larder, larder.today(), [Written(line="50 g white rice")])
    assert came_from(larder) == [(1, "50 g", False, False)]
    take_all(larder)
    assert row(larder, 1)["mass_g"] == 450
    supper(larder, "100 g white rice")
    assert came_from(larder) == []
    with refused("Food was taken from the shelves"):
        write_day(larder, larder.today(), [])


def test_wrong_ones_are_put_right_where_they_stand(larder: Larder) -> None:
    """It came out of the other jar, and was less: what is typed is what is taken."""
    pack(larder, RICE)
    pack(larder, RICE)
    supper(larder, "300 g white rice")
    take_from_shelf(larder, larder.today(), [TakenOf(2, "250 g")])
    assert (row(larder, 1)["mass_g"], row(larder, 2)["mass_g"]) == (700, 450)
    assert came_from(larder) == [(2, "50 g", False, False)]


def test_all_or_nothing(larder: Larder) -> None:
    pack(larder, RICE)
    pack(larder, RICE)
    supper(larder, "800 g white rice")
    with refused("There is 700 g in it") as refusal:
        take_from_shelf(larder, larder.today(), [TakenOf(1, "100 g"), TakenOf(2, "2 kg")])
    assert refusal.value.field == "takes.1"
    with refused("named twice"):
        take_from_shelf(larder, larder.today(), [TakenOf(1, "100 g"), TakenOf(1, "1 g")])
    with refused("Choose at least one"):
        take_from_shelf(larder, larder.today(), [])
    with refused("in the future"):
        take_from_shelf(larder, larder.today() + timedelta(days=1), [TakenOf(1, "1 g")])
    assert on_hand_g(larder) == 1400


def test_an_evening_that_is_past(larder: Larder, clock: Clock) -> None:
    """Written a week later; one jar was moved since, and is taken from all the same."""
    add_place(larder, NewPlace("Cellar"))
    pack(larder, RICE)
    evening = larder.today()
    supper(larder, "200 g white rice")
    clock.now += timedelta(days=7)
    move(larder, [1], place=2, shelf=1)
    take_from_shelf(larder, evening, [TakenOf(1, "200 g")])
    assert row(larder, 1)["mass_g"] == 500
    assert check(larder.engine) == []
