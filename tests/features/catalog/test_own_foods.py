from dataclasses import replace

import pytest

from tests.support.by_group import by_group
from tests.support.refusals import refused
from yellow_larder import reference
from yellow_larder.core.containers import Closing
from yellow_larder.core.finding import Severity
from yellow_larder.core.food import FIGURES, Food
from yellow_larder.core.keeping import Estimate, Packing
from yellow_larder.features.catalog.events import NewFood
from yellow_larder.features.catalog.foods import add_food, all_foods, find_food
from yellow_larder.features.catalog.own_foods import (
    AskedFood,
    AskedMix,
    add_mix,
    add_own_food,
    change_own_food,
    own_food_as_typed,
    read_litre_g,
    see_mix,
    see_own_food,
)
from yellow_larder.features.coming_in.put_away import put_away
from yellow_larder.features.guide.guide import guide
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.planning.meals import Meal, keep_meal
from yellow_larder.features.shelves.card import card
from yellow_larder.journal.database import reading
from yellow_larder.reference import life_class, lives_of, stuff_of, ways_of
from yellow_larder.reference.drying import isotherm_of, texture_of
from yellow_larder.words.errors import NotThere, Outdated

TABLE = reference.foods()
DRY = [food for food in TABLE.values() if not ways_of(food.life) and food.group not in ("tins and jars", "unknown")]
SOUP = AskedMix(name="red soup mix", lines="2 cups red lentils\n1 cup white rice\n2 tbsp salt\n50 g dried onions")


@pytest.mark.parametrize("group", by_group(TABLE.values()))
def test_food_of_which_only_the_name_is_known_is_as_what_it_is_like(group: list[Food]) -> None:
    """All of it: what moisture does, what holds it, how it takes heat, how long it keeps, how it is drawn."""
    for food in group:
        own = see_own_food(AskedFood(name="of ours", like=food.key))
        assert own.taken == {*FIGURES, "loose_g_ml"}
        assert (texture_of(own), isotherm_of(own)) == (texture_of(food), isotherm_of(food))
        assert (stuff_of(own), own.life, own.traits) == (stuff_of(food), food.life, food.traits)
        for figure in FIGURES:
            assert getattr(own.composition, figure) == pytest.approx(getattr(food.composition, figure)), food.key
        assert (own.loose_g_ml, own.settled_g_ml) == (food.loose_g_ml, food.settled_g_ml)
        assert "nothing is known of it yet" in own.nutrition_source


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


def test_a_mix_by_amounts(larder: Larder) -> None:
    """Weights by the cup weights of the table, added up by hand."""
    parts = {"red-lentils": 2 * 236.588, "white-rice": 236.588, "salt": 2 * 14.787}
    grams = {key: ml * TABLE[key].loose_g_ml for key, ml in parts.items()} | {"dried-onions": 50.0}
    seen, mix = see_mix(larder, SOUP), add_mix(larder, SOUP)
    total = sum(grams.values())
    assert [line.food for line in seen.lines] == ["red lentils", "white rice", "salt", "dried onions"]
    assert [line.share for line in seen.lines] == pytest.approx([g / total for g in grams.values()], rel=1e-3)
    kcal = sum(TABLE[key].composition.kcal * g for key, g in grams.items()) / total
    assert (seen.kcal, mix.composition.kcal) == (round(kcal), pytest.approx(kcal, rel=1e-3))
    assert mix.name == "red soup mix"
    assert mix.like == "red-lentils"


def test_a_mix_keeps_as_long_as_the_shortest_part(larder: Larder) -> None:
    mix = add_mix(larder, AskedMix(name="rice and nuts", lines="50 % white rice\n50 % walnuts"))
    for packing in Packing:
        both = [lives_of(TABLE[key].life)[packing] for key in ("white-rice", "walnuts")]
        for estimate in Estimate:
            assert lives_of(mix.life)[packing].by(estimate) == min(each.by(estimate) for each in both)
    assert life_class(mix.life).q10 == max(life_class(TABLE[key].life).q10 for key in ("white-rice", "walnuts"))
    assert "as long as its walnut halves" in see_mix(larder, AskedMix(name="x", lines="50 % rice\n50 % walnuts")).keeps


@pytest.mark.parametrize("group", by_group(DRY))
def test_any_dry_food_goes_into_a_mix_that_can_be_planned(larder: Larder, group: list[Food]) -> None:
    for food in group:
        name = f"pearls and {food.key}"
        mix = add_mix(larder, AskedMix(name=name, lines=f"60 % pearl barley\n40 % {food.name}"))
        assert set(mix.lives) == {"hard grain", food.life}
        with reading(larder.engine) as session:
            assert find_food(name, all_foods(session)).key == mix.key
        seen = plan(larder, Ask(line=f"1 kg {name}", container="jar-quart", closing=Closing.LID, conditioned=True))
        assert seen.food.name == name


def test_what_is_not_dry_does_not(larder: Larder) -> None:
    for food in TABLE.values():
        if food in DRY or food.group == "unknown":
            continue
        seen = see_mix(larder, AskedMix(name="x", lines=f"100 g {food.name}"))
        assert "is not dry" in seen.lines[0].wrong


def test_a_mix_with_much_salt_meets_no_absorber(larder: Larder) -> None:
    add_mix(larder, AskedMix(name="seasoned salt", lines="80 % salt\n20 % onion powder"))
    seen = plan(larder, Ask(line="1 kg seasoned salt", container="jar-quart", closing=Closing.ABSORBER))
    assert seen.verdict.severity is Severity.STOP
    assert plan(larder, Ask(line="1 kg seasoned salt", container="jar-quart")).closing is Closing.LID


@pytest.mark.parametrize(
    ("change", "field", "says"),
    [
        ({"name": ""}, "name", "name"),
        ({"name": "pearl barley"}, "name", "already"),
        ({"lines": " \n "}, "lines", "a line each"),
        ({"lines": "60 % rice\n30 % lentils"}, "lines", "these come to 90 %"),
        ({"lines": "60 % rice\n300 g lentils"}, "lines", "all of it as shares"),
        ({"lines": "60 % rice\n40 % moon dust"}, "lines", "moon dust"),
        ({"lines": "rice"}, "lines", "How much"),
        ({"lines": "0 g rice"}, "lines", "zero"),
        ({"lines": "100 g tinned tuna"}, "lines", "not dry"),
        ({"lines": "\n".join(["1 g rice"] * 41)}, "lines", "40 are the most"),
        ({"lines": "1 g " + "x" * 10_000}, "lines", "characters"),
        ({"weighs": "9 kg"}, "weighs", "litre would weigh"),
    ],
)
def test_a_mix_that_cannot_be(larder: Larder, change: dict[str, str], field: str, says: str) -> None:
    with refused(says) as told:
        add_mix(larder, replace(SOUP, **change))
    assert told.value.field == field
    with reading(larder.engine) as session:
        assert not [key for key in all_foods(session) if key.startswith("mix-")]


def test_thirds_are_near_enough(larder: Larder) -> None:
    mix = add_mix(larder, AskedMix(name="thirds", lines="33 % rice\n33 % barley\n33 % red lentils"))
    assert mix.composition.kcal > 300


def test_a_mix_may_be_in_another(larder: Larder) -> None:
    first = add_mix(larder, SOUP)
    second = add_mix(larder, AskedMix(name="rich soup mix", lines="90 % red soup mix\n10 % whole milk powder"))
    assert second.composition.kcal == pytest.approx(
        0.9 * first.composition.kcal + 0.1 * TABLE["whole-milk-powder"].composition.kcal, rel=1e-4
    )
    take_back(larder)
    with refused("not in the table"):
        plan(larder, Ask(line="1 kg rich soup mix"))


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
