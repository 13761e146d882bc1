from dataclasses import replace
from datetime import timedelta

import pytest

from tests.conftest import NOON, Clock
from tests.support.refusals import refused
from yellow_larder import reference
from yellow_larder.core.freezing import HOLDS
from yellow_larder.features.freezer.contents import InFreezer, Phase, in_freezer, open_it, plan_freeze, put_in, take_out
from yellow_larder.features.freezer.plan import FreezeAsk
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, settle
from yellow_larder.features.lots.lots import set_cupboard
from yellow_larder.features.packing.pack import IN_FREEZER, pack
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.planning.master_list import master_list
from yellow_larder.features.planning.meals import Meal, keep_meal
from yellow_larder.features.run.steps import add_line
from yellow_larder.words.durations import say_hours
from yellow_larder.words.errors import NotThere
from yellow_larder.words.quantities import Units

RICE = FreezeAsk(line="10 kg white rice", container="bag-gallon")


def only(larder: Larder) -> InFreezer:
    (view,) = in_freezer(larder)
    return view


def test_what_the_cold_does(larder: Larder) -> None:
    shown = plan_freeze(larder, RICE)
    assert (shown.count, shown.each) == (4, "2.5 kg")
    assert 3 < shown.middle_cold_hours < 12
    assert shown.out_hours == pytest.approx(shown.middle_cold_hours + 96)
    assert [hold.name for hold in shown.holds] == [hold.name for hold in HOLDS]
    assert shown.curve[0].middle_c == 20
    assert min(point.middle_c for point in shown.curve) == pytest.approx(-18, abs=0.1)
    assert shown.curve[-1].hours >= shown.open_hours
    assert shown.early_water_g > 20


def test_a_pails_middle_is_not_cold_in_a_day(larder: Larder) -> None:
    shown = plan_freeze(larder, FreezeAsk(line="16 kg white rice", container="lined-5-gallon"))
    flat = plan_freeze(larder, FreezeAsk(line="16 kg white rice", container="bag-gallon"))
    assert shown.middle_cold_hours > 3 * flat.middle_cold_hours
    full = plan_freeze(larder, FreezeAsk(line="14 kg white rice", container="lined-5-gallon"))
    assert [hold.reaches for hold in full.holds] == [False, True, True, True]


def test_through_the_freezer_and_out_again(larder: Larder, clock: Clock) -> None:
    """Cooling, held, done, thawing, ready: and the bench knows that its eggs are dead."""
    shown = plan_freeze(larder, RICE)
    number = put_in(larder, RICE)
    seen = [only(larder).phase]
    for hours in (shown.middle_cold_hours + 1, shown.out_hours + 1):
        clock.now = NOON + timedelta(hours=hours)
        seen.append(only(larder).phase)
    take_out(larder, number)
    seen.append(only(larder).phase)
    clock.now += timedelta(hours=shown.thaw_hours + 0.5)
    seen.append(only(larder).phase)
    assert seen == [Phase.COOLING, Phase.HOLDING, Phase.DONE, Phase.THAWING, Phase.READY]
    lot = open_it(larder, number)
    assert in_freezer(larder) == []
    ask = Ask(line="10 kg white rice", lot=lot)
    on_bench = plan(larder, ask)
    assert on_bench.frozen
    assert not on_bench.food.says_frozen
    assert plan(larder, replace(ask, lot=None)).food.says_frozen
    protections = plan(larder, replace(ask, container="jar-quart")).protections
    inside = next(each for each in protections if "inside" in each.threat)
    assert inside.closed
    take_back(larder)
    assert only(larder).phase is Phase.READY


def test_a_lot_from_the_cupboard_comes_back_frozen(larder: Larder, clock: Clock) -> None:
    set_cupboard(larder, "white-rice", "10 kg")
    number = put_in(larder, replace(RICE, lot=1))
    clock.now += timedelta(days=6)
    take_out(larder, number)
    clock.now += timedelta(days=1)
    assert open_it(larder, number) == 1


def test_too_soon_is_asked_about_and_remembered(larder: Larder, clock: Clock) -> None:
    number = put_in(larder, RICE)
    clock.now += timedelta(hours=10)
    with refused("The hold is not over") as refusal:
        take_out(larder, number)
    assert refusal.value.field == "early"
    take_out(larder, number, early=True)
    with refused("g of water would settle on it"):
        open_it(larder, number)
    lot = open_it(larder, number, early=True)
    missing = plan(larder, Ask(line="10 kg white rice", container="packet-5-kg", lot=lot)).protections
    assert not next(each for each in missing if "inside" in each.threat).closed


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"freezer_c": 5.0}, "freezer_c"),
        ({"freezer_c": -5.0}, "freezer_c"),
        ({"freezer_c": -300.0}, "freezer_c"),
        ({"line": "rice"}, "line"),
        ({"line": "10 kg manna from above"}, "line"),
        ({"line": "900 kg white rice"}, "container"),
        ({"container": "a hat"}, "container"),
        ({"hold": 9}, "hold"),
        ({"lot": 77}, "lot"),
    ],
)
def test_what_cannot_be_frozen(larder: Larder, change: dict[str, object], field: str) -> None:
    with refused() as refusal:
        put_in(larder, replace(RICE, **change))
    assert refusal.value.field == field
    assert in_freezer(larder) == []


def test_a_lot_of_another_food(larder: Larder) -> None:
    set_cupboard(larder, "red-lentils", "10 kg")
    with refused("another food"):
        put_in(larder, replace(RICE, lot=1))


def test_out_of_order(larder: Larder) -> None:
    number = put_in(larder, RICE)
    with refused("in the freezer still"):
        open_it(larder, number)
    take_out(larder, number, early=True)
    with refused("out already"):
        take_out(larder, number)
    with pytest.raises(NotThere):
        open_it(larder, 99)


def test_a_damper_room_makes_the_thaw_longer(larder: Larder) -> None:
    dry = plan_freeze(larder, RICE)
    settle(larder, Settings(humidity=0.85, units=Units.US))
    damp = plan_freeze(larder, RICE)
    assert damp.thaw_hours > dry.thaw_hours
    assert damp.early_water_g > dry.early_water_g
    assert damp.dew.endswith("°F")


@pytest.mark.parametrize(
    ("hours", "said"),
    [
        (0.1, "under half an hour"),
        (0.5, "½ hour"),
        (1, "1 hour"),
        (1.5, "1½ hours"),
        (25, "1 day 1 hour"),
        (96, "4 days"),
    ],
)
def test_hours_in_words(hours: float, said: str) -> None:
    assert say_hours(hours) == said


def test_every_group_of_foods_takes_heat() -> None:
    assert {food.group for food in reference.foods().values()} == set(reference.thermal())
    assert all(row.source for row in reference.thermal().values())
    assert all(0.03 <= reference.stuff_of(food).conductivity <= 0.6 for food in reference.foods().values())


def here(larder: Larder) -> str:
    return next(row.here for row in master_list(larder).rows if row.food == "bread-flour")


def test_what_is_in_the_freezer_is_here(larder: Larder, clock: Clock) -> None:
    """Through the cold, the thaw and the opening it is the same three kilograms, with a record or without."""
    keep_meal(larder, Meal("Bread", "4 cups bread flour", serves=4, per_month=8))
    set_cupboard(larder, "bread-flour", "2 kg")
    number = put_in(larder, FreezeAsk(line="3 kg bread flour", container="bag-half-gallon", freezer_c=-20))
    assert here(larder) == "5 kg"
    clock.now += timedelta(days=8)
    take_out(larder, number)
    assert here(larder) == "5 kg"
    clock.now += timedelta(days=2)
    pack(larder, Ask(line="3 kg bread flour", lot=open_it(larder, number)))
    assert here(larder) == "5 kg"
    for _ in range(4):
        take_back(larder)
    assert here(larder) == "2 kg"


def test_what_is_in_the_freezer_is_nowhere_else(larder: Larder, clock: Clock) -> None:
    """Neither packed, nor put on a run sheet, nor frozen twice, until it is opened; what is beside it is free."""
    set_cupboard(larder, "white-rice", "10 kg")
    number = put_in(larder, replace(RICE, line="6 kg white rice", lot=1))
    for line in ("10 kg white rice", "5 kg white rice"):
        for act in (pack, add_line):
            with refused("lot") as found:
                act(larder, Ask(line=line, lot=1))
            assert found.value.code == IN_FREEZER
            assert "6 kg of that lot is in the freezer" in found.value.message
    with refused("lot") as found:
        pack(larder, Ask(line="10 kg white rice", lot=1, more=True))
    assert found.value.code == IN_FREEZER
    with refused("line"):
        put_in(larder, replace(RICE, line="5 kg white rice", lot=1))
    assert len(pack(larder, Ask(line="4 kg white rice", lot=1)).numbers) == 2
    take_out(larder, number, early=True)
    with refused("lot"):
        pack(larder, Ask(line="6 kg white rice", lot=1))
    open_it(larder, number, early=True)
    assert pack(larder, Ask(line="6 kg white rice", lot=1)).numbers
