"""Several lots are mixed into one."""

import pytest

from tests.conftest import Clock
from tests.support.refusals import refused
from yellow_larder import reference
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.drying.finished_lots import made_here
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.lots.lots import cupboard_g, lots_left, set_cupboard
from yellow_larder.features.lots.mixing import PartAsked, mix_lots
from yellow_larder.features.lots.state import Lot
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.journal.checking import check
from yellow_larder.journal.database import reading

TABLE = reference.foods()


def cupboard(larder: Larder, **grams: float) -> dict[str, int]:
    """Lots of some foods, by key."""
    for key, each in grams.items():
        set_cupboard(larder, key.replace("_", "-"), f"{each} g")
    with reading(larder.engine) as session:
        return {lot.food_key: number for number, lot in lots_left(session).items()}


def test_two_lots_become_one_of_a_mix(larder: Larder) -> None:
    """Weights, energy and moisture by mass balance, by hand."""
    lots = cupboard(larder, leek_powder=200, carrot_powder=100)
    made = mix_lots(
        larder, "green powder of ours", [PartAsked(lots["leek-powder"], "100 g"), PartAsked(lots["carrot-powder"])]
    )
    assert made.line == "200 g green powder of ours"
    leek, carrot = TABLE["leek-powder"].composition, TABLE["carrot-powder"].composition
    with reading(larder.engine) as session:
        lot = session.get_one(Lot, made.lot)
        food = all_foods(session)[lot.food_key]
        assert food.composition.kcal == pytest.approx((leek.kcal + carrot.kcal) / 2)
        assert lot.moisture_pct == pytest.approx((leek.water_g + carrot.water_g) / 2)
        assert cupboard_g(session) == {"leek-powder": pytest.approx(100), food.key: pytest.approx(200)}
    (shown,) = made_here(larder)
    assert (shown.food, shown.made) == ("green powder of ours", "mixed")
    assert shown.story[0].endswith("mixed of 100 g leek powder and 100 g carrot powder")
    pack(larder, Ask(line="200 g green powder of ours", container="jar-half-pint", lot=made.lot, conditioned=True))
    take_back(larder)
    take_back(larder)
    with reading(larder.engine) as session:
        assert cupboard_g(session) == {"leek-powder": 200, "carrot-powder": 100}
        assert food.key not in all_foods(session)
    assert check(larder.engine) == []


def test_lots_of_one_food_stay_that_food(larder: Larder) -> None:
    cupboard(larder, white_rice=500)
    set_cupboard(larder, "white-rice", "900 g")
    with reading(larder.engine) as session:
        numbers = list(lots_left(session))
    assert len(numbers) == 2
    made = mix_lots(larder, "", [PartAsked(each) for each in numbers])
    with reading(larder.engine) as session:
        assert session.get_one(Lot, made.lot).food_key == "white-rice"
        assert cupboard_g(session) == {"white-rice": pytest.approx(900)}


def test_what_cannot_be(larder: Larder, clock: Clock) -> None:
    lots = cupboard(larder, white_rice=500, red_lentils=500)
    rice, lentils = PartAsked(lots["white-rice"]), PartAsked(lots["red-lentils"])
    for parts in ([], [rice], [rice, rice]):
        with refused("two lots or more"):
            mix_lots(larder, "x", parts)
    with refused("There is 500 g") as told:
        mix_lots(larder, "x", [rice, PartAsked(lentils.lot, "2 kg")])
    assert told.value.field == "amount.1"
    with refused("already"):
        mix_lots(larder, "pearl barley", [rice, lentils])
    with refused("name"):
        mix_lots(larder, " ", [rice, lentils])
    with refused("Nothing is left"):
        mix_lots(larder, "x", [rice, PartAsked(99)])
    with reading(larder.engine) as session:
        assert cupboard_g(session) == {"white-rice": 500, "red-lentils": 500}
