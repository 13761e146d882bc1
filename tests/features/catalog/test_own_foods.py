from dataclasses import replace

import pytest

from tests.support.by_group import by_group
from tests.support.refusals import refused
from yellow_larder import reference
from yellow_larder.core.food import FIGURES, Food
from yellow_larder.features.catalog.events import NewFood
from yellow_larder.features.catalog.foods import add_food, all_foods, find_food
from yellow_larder.features.catalog.own_foods import (
    AskedFood,
    add_own_food,
    change_own_food,
    own_food_as_typed,
    read_litre_g,
    read_own_food,
    see_own_food,
)
from yellow_larder.features.catalog.own_mixes import AskedMix, add_mix
from yellow_larder.features.coming_in.put_away import put_away
from yellow_larder.features.guide.guide import guide
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder, settings, settle
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.planning.meals import Meal, keep_meal
from yellow_larder.features.shelves.card import card
from yellow_larder.journal.database import reading
from yellow_larder.reference import stuff_of
from yellow_larder.reference.drying import isotherm_of, texture_of
from yellow_larder.words.errors import NotThere, Outdated
from yellow_larder.words.quantities import Units

TABLE = reference.foods()
SOUP = AskedMix(name="red soup mix", lines="2 cups red lentils\n1 cup white rice\n2 tbsp salt\n50 g dried onions")


@pytest.mark.parametrize("group", by_group(TABLE.values()))
def test_food_of_which_only_the_name_is_known_is_as_what_it_is_like(group: list[Food]) -> None:
    """All of it: what moisture does, what holds it, how it takes heat, how long it keeps, how it is drawn."""
    for food in group:
        own = read_own_food(AskedFood(name="of ours", like=food.key))
        assert own.taken == {*FIGURES, "loose_g_ml"}
        assert (texture_of(own), isotherm_of(own)) == (texture_of(food), isotherm_of(food))
        assert (stuff_of(own), own.life, own.traits) == (stuff_of(food), food.life, food.traits)
        for figure in FIGURES:
            assert getattr(own.composition, figure) == pytest.approx(getattr(food.composition, figure)), food.key
        assert (own.loose_g_ml, own.settled_g_ml) == (food.loose_g_ml, food.settled_g_ml)
        assert "nothing is known of it yet" in own.nutrition_source


@pytest.mark.parametrize("units", list(Units))
def test_a_food_that_is_typed_is_seen_as_it_will_be(larder: Larder, units: Units) -> None:
    """A cup of it in the measures of the household; a cup of water weighs 237 g or 8.35 oz."""
    with reading(larder.engine) as session:
        settle(larder, replace(settings(session), units=units))
    seen = see_own_food(larder, AskedFood(name="bere meal", like="rye-flour", kcal=350, measure="1 L", weighs="1 kg"))
    assert (seen.kcal, seen.cup) == (350, {Units.METRIC: "237 g", Units.US: "8.35 oz"}[units])
    rye = TABLE["rye-flour"]
    assert (seen.fat_g, seen.traits) == (round(rye.composition.fat_g, 1), sorted(rye.traits))


def test_what_is_taken_is_marked(larder: Larder) -> None:
    own = add_own_food(
        larder, AskedFood(name="bere meal", like="rye-flour", kcal=350, protein_g=11, measure="1 cup", weighs="120 g")
    )
    row = guide(larder).foods[-1]
    assert (row.name, row.group, row.kcal, row.protein_g) == ("bere meal", "our own", 350, 11)
    assert row.taken == ["carbohydrate_g", "fat_g", "fibre_g", "water_g"]
    assert row.source == ("the household's own figures; fat, carbohydrate, fibre and water calculated as of rye flour")
    assert own.loose_g_ml == pytest.approx(120 / 236.588, rel=1e-4)


def test_it_is_read_in_lines_packed_and_cooked_like_any_other(larder: Larder) -> None:
    add_own_food(larder, AskedFood(name="sea buckthorn leather", like="dried-apples"))
    assert len(put_away(larder, "3 pint jars sea buckthorn leather, vacuum").numbers) == 3
    numbers = pack(larder, Ask(line="200 g sea buckthorn leather", container="jar-pint", conditioned=True)).numbers
    assert card(larder, numbers[0]).food == "sea buckthorn leather"
    keep_meal(larder, Meal(name="crumble", text="100 g sea buckthorn leather"))


@pytest.mark.parametrize(
    ("measure", "weighs", "field"),
    [
        ("1 cup", "2 cups", "weighs"),
        ("1 kg", "2 kg", "measure"),
        ("a bit", "2 kg", "measure"),
        ("1 cup", "heavy", "weighs"),
        ("1 cup", "5 kg", "weighs"),
        ("1 L", "1 g", "weighs"),
    ],
)
def test_bulk_that_cannot_be(measure: str, weighs: str, field: str) -> None:
    with refused() as told:
        read_litre_g(measure, weighs)
    assert told.value.field == field


def test_foods_told_before_figures_could_be_left_out_stay_as_they_were(larder: Larder) -> None:
    own = add_food(larder, NewFood("einkorn", "spelt", 338, 14, 2.5, 70, 9, 11, litre_g=700))
    assert not own.taken
    assert (own.composition.kcal, own.loose_g_ml) == (338, 0.7)
    assert own.nutrition_source == "the household's own figures"


def test_names_that_a_sheet_would_run_are_only_text(larder: Larder) -> None:
    assert add_mix(larder, replace(SOUP, name="=1+1")).name == "=1+1"
    assert add_own_food(larder, AskedFood(name="=2+2", like="spelt")).name == "=2+2"


def test_what_is_learned_of_it_later_is_written_down(larder: Larder) -> None:
    """Its figures, its name and its likeness; what is packed keeps what it was packed with."""
    add_own_food(larder, AskedFood(name="bere meal", like="rye-flour"))
    pack(larder, Ask(line="1 kg bere meal", container="jar-half-gallon"))
    typed = own_food_as_typed(larder, 1)
    assert (typed.food.name, typed.food.kcal, typed.food.weighs) == ("bere meal", None, "")
    before = card(larder, 1).kcal_text
    change_own_food(
        larder,
        1,
        replace(typed.food, name="bere flour", kcal=350, measure="1 L", weighs="612.5 g"),
        based_on=typed.version,
    )
    with reading(larder.engine) as session:
        food = find_food("bere flour", all_foods(session))
    assert (food.key, food.composition.kcal, food.loose_g_ml) == ("own-1", 350, 0.6125)
    assert card(larder, 1).kcal_text == before
    assert own_food_as_typed(larder, 1).food.weighs == "612.5 g"
    with refused("That is what is written already"):
        change_own_food(larder, 1, own_food_as_typed(larder, 1).food)
    with pytest.raises(Outdated):
        change_own_food(larder, 1, replace(typed.food, kcal=340), based_on=typed.version)
    with refused("is in the table already"):
        change_own_food(larder, 1, replace(typed.food, name="spelt"))
    take_back(larder)
    with reading(larder.engine) as session:
        assert all_foods(session)["own-1"].name == "bere meal"


@pytest.mark.parametrize("number", [2, 99])
def test_a_food_that_is_not_there_is_not_changed(larder: Larder, number: int) -> None:
    add_own_food(larder, AskedFood(name="bere meal", like="rye-flour"))
    for act in (
        lambda: own_food_as_typed(larder, number),
        lambda: change_own_food(larder, number, AskedFood(name="x", like="spelt")),
    ):
        with pytest.raises(NotThere):
            act()
