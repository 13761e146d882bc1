"""What is kept is protected from what the Bench said it would be, for another year."""

from dataclasses import replace
from datetime import timedelta

from tests.conftest import Clock
from tests.support.refusals import refused
from yellow_larder.core.containers import Closing
from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.places.places import change_place
from yellow_larder.features.shelves.protected import see_protected
from yellow_larder.features.using.opening import open_packages

ASKS = [
    Ask(line="700 g white rice", container="jar-quart", closing=Closing.VACUUM, horizon_years=1),
    Ask(line="2 kg white rice", container="bag-gallon", closing=Closing.ABSORBER, outer=False, horizon_years=1),
    Ask(line="2 kg rolled oats", container="bag-gallon", closing=Closing.ABSORBER, outer=True, horizon_years=1),
    Ask(line="200 g walnuts", container="jar-quart", closing=Closing.LID, horizon_years=1),
    Ask(line="1 kg white flour", container="packet-1-kg", outer=False, horizon_years=1),
]


def test_on_the_day_it_is_packed_it_is_what_the_bench_says(larder: Larder) -> None:
    wanted = {}
    for ask in ASKS:
        planned = plan(larder, ask)
        lacks = [each.threat for each in planned.protections if not each.closed]
        wanted |= dict.fromkeys(pack(larder, ask).numbers, lacks)
    seen = see_protected(larder, 1)
    assert {each.number: each.lacks for each in seen} == wanted
    assert all(each.closed + len(each.lacks) == 6 for each in seen)
    assert any(each.lacks for each in seen)


def test_opened_it_has_less_and_in_the_dark_light_is_none(larder: Larder, clock: Clock) -> None:
    pack(larder, ASKS[0])
    pack(larder, replace(ASKS[3], outer=False))
    before = {each.number: each.lacks for each in see_protected(larder, 1)}
    assert "light" in before[2]
    change_place(larder, 1, NewPlace("Pantry", dark=True))
    dark = {each.number: each.lacks for each in see_protected(larder, 1)}
    assert dark == {number: [each for each in lacks if each != "light"] for number, lacks in before.items()}
    clock.now += timedelta(days=2)
    open_packages(larder, [1])
    lacks = see_protected(larder, 1)[0].lacks
    assert set(dark[1]) <= set(lacks)
    assert "oxygen" in lacks


def test_a_place_at_a_time(larder: Larder) -> None:
    add_place(larder, NewPlace("Cellar", "cellar"))
    pack(larder, ASKS[0])
    assert see_protected(larder, 2) == []
    with refused("not there any more"):
        see_protected(larder, 9)
