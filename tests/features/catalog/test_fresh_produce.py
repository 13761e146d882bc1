"""Fresh food that no table knows, dried and freeze-dried."""

from dataclasses import replace

import pytest

from tests.conftest import Clock
from tests.support.drying import dried
from tests.support.refusals import refused
from yellow_larder.core.drying import Produce, expected_hours
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.catalog.fresh_produce import (
    AskedProduce,
    add_own_produce,
    all_produce,
    change_own_produce,
    fresh_to_pick,
    produce_as_typed,
    see_own_produce,
)
from yellow_larder.features.catalog.own_foods import AskedFood, add_own_food
from yellow_larder.features.drying.load_plan import Item, LoadAsk, plan_load
from yellow_larder.features.drying.loads import see_loads, start_load
from yellow_larder.features.freeze_drying.plan import FreezeItem, FreezeLoadAsk, freeze_dried_to_pick, plan_freeze_load
from yellow_larder.features.guide.guide import guide
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, settle
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import reading
from yellow_larder.reference.drying import freeze_dryers, produce
from yellow_larder.words.errors import NotThere, Outdated
from yellow_larder.words.quantities import Units

LOQUATS = AskedProduce(name="loquats", like="apricots", water=86.7)


@pytest.mark.parametrize("like", produce().values(), ids=lambda each: each.key)
def test_of_which_only_the_name_is_known_dries_as_what_it_is_like(larder: Larder, like: Produce) -> None:
    added = add_own_produce(larder, AskedProduce(name="thing of ours", like=like.key))
    mine, theirs = (
        plan_load(larder, LoadAsk(items=(Item(line=f"1 kg {name}"),))) for name in ("thing of ours", like.name)
    )
    assert replace(mine.items[0], produce="", name="", reasons=[]) == replace(
        theirs.items[0], produce="", name="", reasons=[]
    )
    assert [each.code for each in mine.findings] == [each.code for each in theirs.findings]
    with reading(larder.engine) as session:
        dried = all_foods(session)[added.dried]
    assert (dried.name, dried.like) == ("dried thing of ours", like.dried)


def test_what_is_known_counts(larder: Larder) -> None:
    """2 kg at 86.7 % water are 266 g of solids, by hand: at the table's 18.8 % moisture of dried apricots, 328 g."""
    known = replace(LOQUATS, cut="quarters", thickness="8 mm", air_c=62, hours_low=10, hours_high=16, weighs="16 g")
    add_own_produce(larder, known)
    (item,) = plan_load(larder, LoadAsk(items=(Item(line="100 loquats"),))).items
    assert (item.cut, item.wet_g, item.thickness) == ("quarters", 1600, "8 mm")
    assert item.dry_g == pytest.approx(1600 * 13.3 / (100 - item.target_pct), rel=1e-3)
    with reading(larder.engine) as session:
        row = all_produce(session)["own-1"]
    assert (row.hours_low, row.hours_high, row.air_c) == (10, 16, 62)
    assert not row.taken
    assert row.low_c <= 62 <= row.high_c


def test_hours_go_with_how_thick_it_is_and_how_warm(larder: Larder) -> None:
    """Cut half as thick it dries as soon as the food it is like would, cut so: the table's hours, the same factor."""
    like = produce()["apricots"]
    seen = see_own_produce(larder, replace(LOQUATS, thickness=f"{like.thickness_mm / 2} mm", air_c=like.air_c))
    thin = expected_hours(like, thickness_mm=like.thickness_mm / 2, air_c=like.air_c, room_c=20, humidity=0.5)
    assert float(seen.hours_low) == pytest.approx(like.hours_low * thin.thickness, rel=0.01)
    assert float(seen.hours_low) < like.hours_low * 0.6
    assert "hours_low" in seen.taken
    assert "thickness_mm" not in seen.taken


@pytest.mark.parametrize(("low", "high", "told"), [(10, None, ("10", "16.7")), (None, 20, ("12", "20"))])
def test_one_end_of_the_hours_is_known(larder: Larder, low: float, high: float, told: tuple[str, str]) -> None:
    """Apricots take 18 to 30 hours: five thirds."""
    seen = see_own_produce(larder, replace(LOQUATS, hours_low=low, hours_high=high))
    assert (seen.hours_low, seen.hours_high) == told


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"name": ""}, "name"),
        ({"name": "leek"}, "name"),
        ({"like": ""}, "like"),
        ({"like": "spelt"}, "like"),
        ({"water": 5}, "water"),
        ({"water": 99.5}, "water"),
        ({"thickness": "thin"}, "thickness"),
        ({"thickness": "70 mm"}, "thickness"),
        ({"air_c": 120}, "air_c"),
        ({"hours_low": 0}, "hours_low"),
        ({"hours_low": 12, "hours_high": 6}, "hours_high"),
        ({"weighs": "2 cups"}, "weighs"),
        ({"weighs": "0 g"}, "weighs"),
    ],
)
def test_what_cannot_be(larder: Larder, change: dict[str, object], field: str) -> None:
    with refused() as told:
        add_own_produce(larder, replace(LOQUATS, **change))  # type: ignore[arg-type]
    assert told.value.field == field
    with reading(larder.engine) as session:
        assert len(all_produce(session)) == len(produce())


def test_it_is_dried_and_becomes_a_lot_and_one_undo_takes_it_from_both_tables(larder: Larder, clock: Clock) -> None:
    add_own_produce(larder, replace(LOQUATS, weighs="16 g"))
    came = dried(larder, clock, Item(line="2 kg loquats"))
    assert "dried loquats" in came.line
    assert came.gives.unit.startswith("a piece is")
    before = len(guide(larder).drying)
    add_own_produce(larder, AskedProduce(name="medlars", like="apples"))
    assert [row.becomes for row in guide(larder).drying][-2:] == ["dried loquats", "dried medlars"]
    take_back(larder)
    assert len(guide(larder).drying) == before
    assert not any(row.name == "dried medlars" for row in guide(larder).foods)


def test_what_it_becomes_may_be_in_the_table_already(larder: Larder) -> None:
    own = add_own_food(larder, AskedFood(name="dried loquats", like="raisins", kcal=270))
    assert not see_own_produce(larder, LOQUATS).is_new
    assert add_own_produce(larder, LOQUATS).dried == own.key


def test_us_house_reads_us_measures(larder: Larder) -> None:
    settle(larder, Settings(units=Units.US))
    seen = see_own_produce(larder, LOQUATS)
    assert (seen.air, seen.gives[:18]) == ("135 °F", "2 lb becomes about")


@pytest.mark.parametrize("each", freeze_dried_to_pick(), ids=lambda each: each.key)
def test_goes_into_the_freeze_dryer_like_what_it_is_like(larder: Larder, each: object) -> None:
    key, name = each.key, each.name  # type: ignore[attr-defined]
    add_own_food(larder, AskedFood(name="freeze-dried thing of ours", like=key))
    dryer = next(iter(freeze_dryers()))
    mine, theirs = (
        plan_freeze_load(larder, FreezeLoadAsk(items=(FreezeItem(line=f"1 kg {called}"),), dryer=dryer))
        for called in ("thing of ours", name)
    )
    assert mine.takes == theirs.takes
    assert [each.code for each in mine.findings] == [each.code for each in theirs.findings]
    assert mine.items[0].dry == theirs.items[0].dry


def test_every_likeness_is_offered_once() -> None:
    for offered in (fresh_to_pick(), freeze_dried_to_pick()):
        assert len({each.name for each in offered}) == len(offered) > 30


def test_what_is_learned_of_it_later_is_written_down(larder: Larder) -> None:
    """Its figures and its name; what it becomes stays, and takes the water along that was in it fresh."""
    added = add_own_produce(larder, LOQUATS)
    add_own_produce(larder, AskedProduce(name="medlars", like="apples"))
    typed = produce_as_typed(larder, 1)
    assert replace(typed.produce, dried="") == LOQUATS
    known = replace(typed.produce, name="Loquat", water=82, thickness="6 mm", hours_low=9, weighs="16 g")
    changed = change_own_produce(larder, 1, known, based_on=typed.version)
    assert (changed.key, changed.name, changed.dried) == (added.key, "Loquat", added.dried)
    assert (changed.fresh_water_pct, changed.thickness_mm, changed.hours_low) == (82, 6, 9)
    with reading(larder.engine) as session:
        assert all_foods(session)[added.dried].fresh_water_g == 82
    assert plan_load(larder, LoadAsk(items=(Item(line="1 kg loquat"),))).items[0].produce == added.key
    with refused("That is what is written already"):
        change_own_produce(larder, 1, produce_as_typed(larder, 1).produce)
    with pytest.raises(Outdated):
        change_own_produce(larder, 1, LOQUATS, based_on=typed.version)
    for name in ("leek", "medlars"):
        with refused("can be dried already"):
            change_own_produce(larder, 1, replace(known, name=name))
    take_back(larder)
    with reading(larder.engine) as session:
        assert all_produce(session)[added.key].name == "loquats"
        assert all_foods(session)[added.dried].fresh_water_g == 86.7
    assert check(larder.engine) == []


def test_a_dried_food_that_is_known_by_itself_keeps_its_own_water(larder: Larder) -> None:
    own = add_own_food(larder, AskedFood(name="dried loquats", like="raisins", fresh_water_g=80))
    add_own_produce(larder, LOQUATS)
    change_own_produce(larder, 1, replace(LOQUATS, water=84))
    with reading(larder.engine) as session:
        assert all_foods(session)[own.key].fresh_water_g == 80
    for act in (lambda: produce_as_typed(larder, 7), lambda: change_own_produce(larder, 7, LOQUATS)):
        with pytest.raises(NotThere):
            act()


def test_what_is_in_the_dryer_is_calculated_as_it_is_known_now(larder: Larder) -> None:
    add_own_produce(larder, LOQUATS)
    start_load(larder, LoadAsk(items=(Item(line="2 kg loquats"),)))
    (before,) = see_loads(larder)
    change_own_produce(larder, 1, replace(LOQUATS, name="big loquats", hours_low=40, hours_high=60))
    (after,) = see_loads(larder)
    assert after.items[0].name == "big loquats"
    assert after.items[0].done > before.items[0].done
    assert after.items[0].hours.likely == pytest.approx(2 * before.items[0].hours.likely, rel=0.6)
