from dataclasses import replace

import pytest

from tests.support.refusals import refused
from yellow_larder import reference
from yellow_larder.core.food import Trait
from yellow_larder.features.catalog.events import NewFood
from yellow_larder.features.catalog.foods import add_food, find_food
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask

EINKORN = NewFood("einkorn", "spelt", 338, 14, 2.5, 70, 9, 11, litre_g=700)


@pytest.mark.parametrize(
    ("words", "key"),
    [
        ("pearl barley", "pearl-barley"),
        ("Pearl Barley", "pearl-barley"),
        ("barley", "pearl-barley"),
        ("pearl barly", "pearl-barley"),
        ("oats", "rolled-oats"),
        ("lentil", "brown-lentils"),
        ("milk powder", "skim-milk-powder"),
        (["peas", "split peas"][1], "green-split-peas"),
        ("rice", "white-rice"),
        ("prunes", "dried-plums"),
    ],
)
def test_names_people_use(words: str, key: str) -> None:
    assert find_food(words, reference.foods()).key == key


def test_every_name_in_the_table_finds_its_own_food() -> None:
    for food in reference.foods().values():
        for name in (food.name, *food.aliases):
            assert find_food(name.upper(), reference.foods()) is food


@pytest.mark.parametrize("words", ["unobtainium", "<script>alert(1)</script>", "xx"])
def test_unknown_food_offers_the_nearest(words: str) -> None:
    with refused() as refusal:
        find_food(words, reference.foods())
    assert len(refusal.value.nearest) <= 5
    with refused() as near:
        find_food("perl barlee", reference.foods())
    assert near.value.nearest[0] == "pearl barley"


def test_a_food_of_ones_own_plans_like_any_other(larder: Larder) -> None:
    key = add_food(larder, EINKORN).key
    shown = plan(larder, Ask(line="2 litres einkorn"))
    assert (shown.food.key, shown.amount_g) == (key, pytest.approx(1400))
    assert shown.kcal == pytest.approx(14 * 338)


def test_its_traits_can_be_set(larder: Larder) -> None:
    add_food(larder, replace(EINKORN, name="fudge crumbs", traits=(Trait.SUGAR_LIKE, Trait.STICKY)))
    assert plan(larder, Ask(line="1 kg fudge crumbs")).closing.value == "lid"


def test_undo_takes_the_food_out_again(larder: Larder) -> None:
    add_food(larder, EINKORN)
    assert take_back(larder) == "Added the food einkorn"
    with refused("not in the table"):
        plan(larder, Ask(line="2 kg einkorn"))


@pytest.mark.parametrize(
    ("field", "change"),
    [
        ("name", {"name": "  "}),
        ("name", {"name": "x" * 5_000_000}),
        ("name", {"name": "bar\x00ley"}),
        ("name", {"name": "Pearl  barley"}),
        ("like", {"like": "moon dust"}),
        ("kcal", {"kcal": 2000}),
        ("protein_g", {"protein_g": -1}),
        ("fibre_g", {"fibre_g": 90}),
        ("carbohydrate_g", {"carbohydrate_g": 99}),
        ("water_g", {"water_g": float("nan")}),
        ("loose_g_ml", {"litre_g": 0}),
        ("loose_g_ml", {"litre_g": 9000}),
    ],
)
def test_figures_no_food_has(larder: Larder, field: str, change: dict[str, object]) -> None:
    with refused() as refusal:
        add_food(larder, replace(EINKORN, **change))  # type: ignore[arg-type]
    assert refusal.value.field in (field, "settled_g_ml")
    assert len(refusal.value.message) < 200
    with refused():
        find_food("einkorn", reference.foods())


def test_markup_in_a_name_is_only_text(larder: Larder) -> None:
    name = "<b>bold</b> & 'quoted' barley"
    assert add_food(larder, replace(EINKORN, name=name)).name == name
