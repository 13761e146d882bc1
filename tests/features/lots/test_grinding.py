"""Any dry lot of pieces can be ground, into a powder of the table or one of the household's own."""

import pytest

from tests.support.by_group import by_group
from tests.support.refusals import refused
from yellow_larder import reference
from yellow_larder.core.containers import Closing
from yellow_larder.core.food import FIGURES, Food, Trait
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.lots.grinding import can_be_ground, grind
from yellow_larder.features.lots.lots import lots_left, set_cupboard
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import reading
from yellow_larder.reference.drying import powders

FOODS = list(reference.foods().values())
PIECES = [food for food in FOODS if can_be_ground(food) and food.composition.water_g <= 9]


def in_cupboard(larder: Larder, food: Food) -> int:
    """The lot of a food that comes into the cupboard."""
    set_cupboard(larder, food.key, "1 kg")
    with reading(larder.engine) as session:
        return max(lots_left(session))


def ground(larder: Larder, food: Food) -> Food:
    told = grind(larder, in_cupboard(larder, food))
    with reading(larder.engine) as session:
        left = lots_left(session)
        return all_foods(session)[left[told.lot].food_key]


@pytest.mark.parametrize("group", by_group(PIECES))
def test_what_is_ground_is_as_much_food_as_before(larder: Larder, group: list[Food]) -> None:
    for food in group:
        powder = ground(larder, food)
        if food.key in powders():
            assert powder.key == powders()[food.key]
            continue
        assert powder.name == f"{food.name}, ground"
        assert Trait.POWDERY in powder.traits
        assert not powder.taken - {"loose_g_ml"}
        for figure in FIGURES:
            assert getattr(powder.composition, figure) == pytest.approx(getattr(food.composition, figure)), food.key
        ask = Ask(line=f"200 g {powder.name}", container="jar-pint", closing=Closing.LID, conditioned=True)
        assert plan(larder, ask).food.name == powder.name
    assert check(larder.engine) == []


@pytest.mark.parametrize("group", by_group(each for each in FOODS if not can_be_ground(each)))
def test_what_is_not_pieces_is_not_ground(larder: Larder, group: list[Food]) -> None:
    for food in group:
        lot = in_cupboard(larder, food)
        with refused("are not ground"):
            grind(larder, lot)


def test_the_second_time_it_is_the_same_powder_and_undo_takes_it_out(larder: Larder) -> None:
    first = ground(larder, reference.foods()["fd-peas"])
    with reading(larder.engine) as session:
        before = set(all_foods(session))
    set_cupboard(larder, "fd-peas", "500 g")
    with reading(larder.engine) as session:
        lot = max(number for number, each in lots_left(session).items() if each.food_key == "fd-peas")
    grind(larder, lot)
    with reading(larder.engine) as session:
        assert set(all_foods(session)) == before
    for _ in range(3):
        take_back(larder)
    with reading(larder.engine) as session:
        assert first.key not in all_foods(session)
