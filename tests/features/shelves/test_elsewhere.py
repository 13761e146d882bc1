"""What if it stood elsewhere."""

from datetime import timedelta

import pytest

from tests.conftest import Clock
from tests.support.refusals import refused
from yellow_larder.core.containers import Closing
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.shelves.card import card
from yellow_larder.features.shelves.elsewhere import elsewhere
from yellow_larder.features.shelves.shelves import move, throw_out
from yellow_larder.features.using.opening import open_packages
from yellow_larder.journal.checking import check


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
