"""A package found leaking has lost its seal, since the day it was last known to be good."""

from datetime import timedelta

import pytest

from tests.conftest import Clock
from tests.support.doings import state
from yellow_larder.core.containers import Closing
from yellow_larder.core.packing import Feel
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.carrying import move
from yellow_larder.features.shelves.inspection import Felt
from yellow_larder.features.using.inside import see_inside
from yellow_larder.features.using.looks import look_over
from yellow_larder.features.using.opening import open_packages
from yellow_larder.journal.checking import check

BAG = Ask(line="1 kg rolled oats", container="bag-gallon", closing=Closing.ABSORBER)


def test_it_counts_as_open_since_it_was_last_good(larder: Larder, clock: Clock) -> None:
    pack(larder, BAG)
    pack(larder, BAG)
    clock.now += timedelta(days=10)
    look_over(larder, [Felt(1, Feel.FIRM), Felt(2, Feel.FIRM)])
    clock.now += timedelta(days=80)
    before = state(larder)
    look_over(larder, [Felt(1, Feel.LEAKS), Felt(2, Feel.FIRM)])
    assert [(each.closed, each.days) for each in card(larder, 1).ledger] == [
        ("with absorbers", 10),
        ("with room air", 80),
    ]
    assert card(larder, 1).left < card(larder, 2).left
    assert card(larder, 1).trouble
    assert card(larder, 2).ledger[0].days == 90
    inside = see_inside(larder, 1).inside
    assert [each.what for each in inside.marks][-1] == "Found without its seal"
    assert check(larder.engine) == []
    take_back(larder)
    assert state(larder) == before


@pytest.mark.parametrize("feel", [each for each in Feel if each is not Feel.LEAKS])
def test_whatever_else_it_feels_like_its_seal_holds(larder: Larder, clock: Clock, feel: Feel) -> None:
    pack(larder, BAG)
    clock.now += timedelta(days=10)
    look_over(larder, [Felt(1, feel)])
    assert [each.closed for each in card(larder, 1).ledger] == ["with absorbers"]


def test_what_has_no_seal_and_what_was_carried_since_is_only_looked_at(larder: Larder, clock: Clock) -> None:
    pack(larder, BAG)
    pack(larder, BAG)
    open_packages(larder, [1])
    clock.now += timedelta(days=20)
    move(larder, [2], place=1, shelf=1)
    look_over(larder, [Felt(1, Feel.LEAKS)])
    look_over(larder, [Felt(2, Feel.LEAKS)], on=larder.today() - timedelta(days=5))
    happened = [each.what for number in (1, 2) for each in card(larder, number).journal]
    assert "Checked: leaks" in happened
    assert "Found without its seal" not in happened
