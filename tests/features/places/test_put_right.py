"""A place that is measured, or was written down wrong: what stands there keeps what it brought."""

from collections.abc import Callable
from dataclasses import replace
from datetime import timedelta

import pytest

from tests.conftest import Clock
from tests.features.using.seen import life
from yellow_larder.core.containers import Closing
from yellow_larder.core.keeping import Estimate
from yellow_larder.features.coming_in.put_away import put_away
from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.packages.life import HOME_CANNED_DAYS
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask, Opened
from yellow_larder.features.places.places import change_place
from yellow_larder.features.shelves.carrying import move
from yellow_larder.features.using.leaving import Correction, correct
from yellow_larder.features.using.opening import open_packages, take

CELLAR = NewPlace("Cellar", "cellar", mean_c=11, warmest_c=14, humidity=0.7)
LOFT = NewPlace("Loft", "loft", mean_c=20, warmest_c=31, humidity=0.75)
PLACES = {2: CELLAR, 3: LOFT, 4: NewPlace("Fridge", "fridge"), 5: NewPlace("Freezer", "freezer")}

CANNED, TINNED = "quart jar tomatoes canned at home", "tin sardines, best by 2027-06"
KINDS: dict[str, str | Ask] = {
    "canned at home": CANNED,
    "with a date printed on it": TINNED,
    "roughly so old": "quart jar white rice, absorbers, about 2022",
    "from the fridge": "500 g bread in the fridge",
    "closed without air": Ask(line="100 g dried apples", container="jar-quart", conditioned=True),
    "that damp gets at": Ask(line="200 g onion powder", container="bag-gallon-thin", closing=Closing.LID),
    "that ages by itself": Ask(line="300 g walnuts", container="jar-quart", closing=Closing.VACUUM),
}

Act = Callable[[Larder], object]
STORIES: dict[str, list[Act]] = {
    "left where it was": [],
    "carried": [lambda larder: move(larder, [1], place=2, shelf=1)],
    "carried twice": [
        lambda larder: move(larder, [1], place=3, shelf=1),
        lambda larder: move(larder, [1], place=2, shelf=1),
    ],
    "carried to and fro": [
        lambda larder: move(larder, [1], place=2, shelf=1),
        lambda larder: move(larder, [1], place=3, shelf=1),
        lambda larder: move(larder, [1], place=2, shelf=1),
    ],
    "opened": [
        lambda larder: move(larder, [1], place=2, shelf=1),
        lambda larder: open_packages(larder, [1], often=Opened.WEEKLY),
    ],
    "opened, and carried": [
        lambda larder: take(larder, 1, "a third"),
        lambda larder: move(larder, [1], place=2, shelf=1),
    ],
}


def told(larder: Larder, clock: Clock, kind: str, story: str) -> None:
    """A package that all of a story happened to, while it lived."""
    for place in PLACES.values():
        add_place(larder, place)
    what = KINDS[kind]
    put_away(larder, what) if isinstance(what, str) else pack(larder, what)
    for act in STORIES[story]:
        act(larder)
        clock.now += timedelta(days=0.8 if kind == "from the fridge" else 70)


@pytest.mark.parametrize("estimate", Estimate)
@pytest.mark.parametrize("story", STORIES)
@pytest.mark.parametrize("kind", KINDS)
def test_a_hair_makes_a_hairs_difference(
    larder: Larder, clock: Clock, kind: str, story: str, estimate: Estimate
) -> None:
    """And a place put right, and wrong again, leaves everything as it was."""
    told(larder, clock, kind, story)
    before = life(larder, 1, estimate)
    for mean_c in (11.1, 11.0):
        change_place(larder, 2, replace(CELLAR, mean_c=mean_c))
        days, left = life(larder, 1, estimate)
        assert left == pytest.approx(before[1], abs=0.015)
        assert days == pytest.approx(before[0], rel=0.03, abs=3)
    assert (days, left) == pytest.approx(before, rel=1e-6)


@pytest.mark.parametrize("warmest_c", [12, 20, 35])
@pytest.mark.parametrize("story", [each for each in STORIES if "opened" not in each])
def test_no_place_stretches_what_is_limited(larder: Larder, clock: Clock, story: str, warmest_c: int) -> None:
    """What its maker printed, and a year for what was canned at home, carried or measured however often."""
    for place in PLACES.values():
        add_place(larder, place)
    put_away(larder, f"{CANNED}\n{TINNED}")
    printed = life(larder, 2, Estimate.HOPEFUL)[0]
    came = clock.now
    for act in STORIES[story]:
        act(larder)
        clock.now += timedelta(days=30)
    move(larder, [2], place=2, shelf=1)
    for measured in (1, 2):
        change_place(larder, 2, replace(CELLAR, mean_c=8 + measured, warmest_c=warmest_c))
        gone = (clock.now - came).days
        for estimate in Estimate:
            assert gone + life(larder, 1, estimate)[0] <= HOME_CANNED_DAYS[estimate] + 1e-6
            assert gone + life(larder, 2, estimate)[0] <= printed + 1e-6


def test_where_it_stood_in_truth_stretches_it_no_further_either(larder: Larder) -> None:
    for place in PLACES.values():
        add_place(larder, place)
    put_away(larder, f"{CANNED}\n{TINNED}")
    before = [life(larder, number, Estimate.CUSTOMARY)[0] for number in (1, 2)]
    for number in (1, 2):
        correct(larder, number, Correction(place=2))
    assert [life(larder, number, Estimate.CUSTOMARY)[0] for number in (1, 2)] == pytest.approx(before)
    correct(larder, 2, Correction(food="tinned tuna"))
    assert life(larder, 2, Estimate.CUSTOMARY)[0] <= before[1] + 1e-6
