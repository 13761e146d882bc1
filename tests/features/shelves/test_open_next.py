"""Which of each food is opened next."""

from datetime import timedelta

from tests.conftest import Clock
from yellow_larder.core.containers import Closing
from yellow_larder.core.packing import Feel
from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.shelves.inspection import Felt, look_over
from yellow_larder.features.shelves.open_next import Why, open_next
from yellow_larder.features.using.leaving import Leaving, leave
from yellow_larder.features.using.opening import open_packages

RICE = Ask(line="700 g white rice", container="jar-quart")


def following(larder: Larder) -> list[tuple[int, Why, int]]:
    return [(each.number, each.why, each.more) for each in open_next(larder)]


def test_an_empty_larder(larder: Larder) -> None:
    assert open_next(larder) == []


def test_the_open_one_then_the_oldest_then_the_pail(larder: Larder, clock: Clock) -> None:
    """In the order of the trade: what is open; of the closed ones what has the least life left; a pail last of all."""
    pack(larder, Ask(line="12 kg white rice", container="lined-5-gallon"))
    clock.now += timedelta(days=300)
    pack(larder, RICE)
    clock.now += timedelta(days=300)
    pack(larder, RICE)
    pack(larder, Ask(line="1 kg oats", container="bag-gallon"))
    assert following(larder) == [(4, Why.ONLY, 0), (2, Why.LEAST_LIFE, 2)]
    open_packages(larder, [3])
    assert following(larder)[1] == (3, Why.OPEN, 2)
    leave(larder, [3, 2], Leaving.USED_UP)
    assert following(larder)[1] == (1, Why.ONLY, 0)


def test_warmth_counts_and_not_the_date(larder: Larder, clock: Clock) -> None:
    """What has stood in a hot loft goes first, though it was packed later."""
    add_place(larder, NewPlace("Loft", "loft", mean_c=30, warmest_c=38))
    pack(larder, RICE)
    clock.now += timedelta(days=30)
    pack(larder, Ask(line="700 g white rice", container="jar-quart", place=2))
    clock.now += timedelta(days=400)
    (rice,) = open_next(larder)
    assert (rice.number, rice.where) == (2, "Loft, shelf 1")


def test_what_leaks_is_not_offered(larder: Larder) -> None:
    pack(larder, RICE)
    pack(larder, Ask(line="700 g white rice", container="jar-quart", closing=Closing.VACUUM))
    look_over(larder, [Felt(2, Feel.LEAKS)])
    assert following(larder) == [(1, Why.ONLY, 0)]
