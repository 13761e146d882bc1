from dataclasses import replace
from datetime import timedelta

import pytest

from tests.conftest import NOON, Clock
from yellow_larder.features.drying.conditioning import fill_jar
from yellow_larder.features.drying.finished_lots import made_here
from yellow_larder.features.drying.tray_item import Room
from yellow_larder.features.freeze_drying.loads import (
    FreezeLoad,
    Stage,
    closed_up,
    see_freeze_loads,
    start_freeze_load,
    take_out_freeze_load,
    weigh_freeze_load,
)
from yellow_larder.features.freeze_drying.plan import FreezeItem, FreezeLoadAsk, FreezeLoadPlan, plan_freeze_load
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask
from yellow_larder.words.errors import NotThere, Refused

STEW = FreezeLoadAsk(items=(FreezeItem(line="3 kg fish stew"),))


def only(larder: Larder) -> FreezeLoad:
    (load,) = see_freeze_loads(larder)
    return load


def planned(larder: Larder, *items: FreezeItem, dryer: str = "fd-medium") -> FreezeLoadPlan:
    return plan_freeze_load(larder, FreezeLoadAsk(items=items, dryer=dryer))


def codes(shown: FreezeLoadPlan) -> set[str]:
    return {finding.code for finding in shown.findings}


def test_a_load_as_it_would_run(larder: Larder) -> None:
    """3 kg of stew of 81.6 % water are 552 g of solids, 566 g at 2.5 %: 2.43 kg of water leave (by hand)."""
    shown = planned(larder, FreezeItem(line="3 kg fish stew"))
    assert shown.water == "2.43 kg"
    assert shown.items[0].dry == "566 g"
    assert shown.ice_share == pytest.approx(2.434 / 5, abs=0.001)
    assert shown.takes == "22–30 hours"
    assert shown.findings == []
    assert shown.pack_within.endswith("minutes")


def test_frozen_or_fresh_but_never_both(larder: Larder) -> None:
    mixed = planned(larder, FreezeItem(line="1 kg strawberries"), FreezeItem(line="1 kg peas", frozen=False))
    assert (mixed.stopped, mixed.phases) == (True, None)
    assert "mixed-load" in codes(mixed)
    fresh = planned(larder, FreezeItem(line="1 kg peas", frozen=False))
    assert codes(fresh) == {"freeze-first"}
    with pytest.raises(Refused, match="All frozen or all fresh"):
        start_freeze_load(
            larder, FreezeLoadAsk(items=(FreezeItem(line="1 kg peas"), FreezeItem(line="1 kg apples", frozen=False)))
        )
    assert see_freeze_loads(larder) == []


def test_too_much_water_too_much_food(larder: Larder) -> None:
    assert {"too-much-ice", "too-few-trays"} <= codes(planned(larder, FreezeItem(line="6 kg strawberries")))
    assert "too-few-trays" in codes(planned(larder, FreezeItem(line="3 kg beef stew"), dryer="fd-small"))


def test_raw_stays_raw(larder: Larder) -> None:
    """Source: US extension advice: freeze-drying kills no germs."""
    shown = planned(larder, FreezeItem(line="1 kg raw egg"))
    assert codes(shown) == {"still-raw"}
    assert "71 °C" in shown.findings[0].why


def test_fat_is_warned_of(larder: Larder) -> None:
    shown = planned(larder, FreezeItem(line="1 kg beef stew"), FreezeItem(line="500 g raw egg"))
    assert "fatty" not in codes(shown)
    trays = plan_freeze_load(larder, FreezeLoadAsk(items=(FreezeItem(line="1 kg ground beef"),)))
    assert codes(trays) <= {"fatty"}


def test_dry_when_two_weighings_two_hours_apart_agree(larder: Larder, clock: Clock) -> None:
    number = start_freeze_load(larder, STEW)
    stages = [only(larder).stage]
    for hours in (3, 22, 25):
        clock.now = NOON + timedelta(hours=hours)
        stages.append(only(larder).stage)
    weigh_freeze_load(larder, number, "590 g")
    clock.now += timedelta(hours=1)
    weigh_freeze_load(larder, number, "589 g")
    stages.append(only(larder).stage)
    with pytest.raises(Refused, match="do not agree") as found:
        take_out_freeze_load(larder, number)
    assert found.value.field == "meant"
    clock.now += timedelta(hours=2)
    weigh_freeze_load(larder, number, "588 g")
    stages.append(only(larder).stage)
    assert stages == [Stage.FREEZING, Stage.DRYING, Stage.WEIGHING, Stage.WEIGHING, Stage.WEIGHING, Stage.DRY]
    assert [each.agrees for each in only(larder).weighed] == [False, False, True]
    (lot,) = take_out_freeze_load(larder, number, room=Room(20, 0.6))
    made = made_here(larder)[0]
    assert (made.lot, made.made, made.mass, made.moisture_pct) == (lot, "freeze-dried", "588 g", 2.5)
    assert "two weighings agreed" in made.story[0]
    assert not made.wants_conditioning
    with pytest.raises(Refused, match="absorbs the room"):
        fill_jar(larder, lot)


def test_the_clock_runs_until_it_is_closed(larder: Larder, clock: Clock) -> None:
    number = start_freeze_load(larder, STEW)
    clock.now += timedelta(hours=30)
    (lot,) = take_out_freeze_load(larder, number, meant=True, room=Room(20, 0.8))
    load = only(larder)
    assert load.stage is Stage.OPEN
    assert load.pack_by is not None
    assert timedelta(minutes=10) < load.pack_by - clock.now < timedelta(hours=1)
    clock.now = load.pack_by + timedelta(minutes=1)
    assert only(larder).moisture_now > 3.4
    assert only(larder).next.startswith("It has absorbed moisture")
    shown = plan(larder, Ask(line=load.lines[0], container="bag-gallon", lot=lot))
    # It has lain open past its time: the bench counts what it has taken up since.
    assert shown.food.moisture_pct == pytest.approx(only(larder).moisture_now)
    assert shown.food.moisture_pct > 3.4
    pack(larder, Ask(line=load.lines[0], container="bag-gallon", lot=lot))
    assert see_freeze_loads(larder) == []
    take_back(larder)
    closed_up(larder, number)
    assert see_freeze_loads(larder) == []
    with pytest.raises(NotThere):
        closed_up(larder, number)


def test_bad_input(larder: Larder, clock: Clock) -> None:
    for item, words in (
        (FreezeItem(line="3 kg leeks and ham"), "not in the table"),
        (FreezeItem(line="peas"), "How much"),
        (FreezeItem(line="2 cups peas"), "Weigh it"),
    ):
        with pytest.raises(Refused, match=words) as found:
            planned(larder, item)
        assert found.value.field == "line.0"
    with pytest.raises(NotThere):
        plan_freeze_load(larder, replace(STEW, dryer="kiln"))
    number = start_freeze_load(larder, STEW)
    for weight, words in (("4 kg", "More than the 3 kg"), ("200 g", "Far below"), ("x", "Write an amount")):
        with pytest.raises(Refused, match=words):
            weigh_freeze_load(larder, number, weight)
    with pytest.raises(Refused, match="still"):
        closed_up(larder, number)
    take_out_freeze_load(larder, number, meant=True)
    for act in (lambda: weigh_freeze_load(larder, number, "600 g"), lambda: take_out_freeze_load(larder, number)):
        with pytest.raises(Refused, match="out already"):
            act()


def test_a_freeze_dryer_that_is_shut_says_what_is_in_it(larder: Larder) -> None:
    berries = FreezeItem(line="500 g strawberries")
    assert "dryer-in-use" not in codes(planned(larder, berries))
    number = start_freeze_load(larder, STEW)
    shown = planned(larder, berries, dryer=STEW.dryer)
    assert (shown.findings[0].code, shown.findings[0].says) == ("dryer-in-use", "In it already: fish stew")
    assert not shown.stopped, "there may be two of them"
    take_out_freeze_load(larder, number, meant=True, room=Room(20, 0.6))
    assert "dryer-in-use" not in codes(planned(larder, berries, dryer=STEW.dryer))
