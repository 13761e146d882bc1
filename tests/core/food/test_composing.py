import math

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.support.by_group import by_group
from yellow_larder import reference
from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.food import FIGURES, Composition, Food, Trait, atwater_kcal, completed, mixed

FOODS = list(reference.foods().values())
foods = st.sampled_from(FOODS)
SOLIDS = ("protein_g", "fat_g", "carbohydrate_g")


@pytest.mark.parametrize("group", by_group(FOODS))
def test_of_food_of_which_nothing_is_known_all_is_as_of_what_it_is_like(group: list[Food]) -> None:
    for food in group:
        same = completed({}, food.composition)
        for figure in FIGURES:
            assert getattr(same, figure) == pytest.approx(getattr(food.composition, figure)), food.key


@pytest.mark.parametrize("group", by_group(FOODS))
def test_of_moister_food_there_is_less_of_everything(group: list[Food]) -> None:
    for food in group:
        water = (food.composition.water_g + 100) / 2
        moister = completed({"water_g": water}, food.composition)
        for figure in ("kcal", *SOLIDS, "fibre_g"):
            assert getattr(moister, figure) == pytest.approx(getattr(food.composition, figure) / 2), food.key


@settings(max_examples=300)
@given(foods, st.dictionaries(st.sampled_from(SOLIDS), st.floats(0, 33), max_size=3))
def test_what_is_known_stays_and_the_rest_makes_room(food: Food, known: dict[str, float]) -> None:
    of = food.composition
    if sum(known.values()) + of.water_g > 102:
        with pytest.raises(OutOfRange):
            completed(known, of)
        return
    so = completed(known, of)
    assert all(getattr(so, name) == figure for name, figure in known.items())
    solids = sum(getattr(so, name) for name in SOLIDS)
    assert solids <= max(sum(getattr(of, name) for name in SOLIDS), sum(known.values())) + 1e-6
    assert 0 <= so.fibre_g <= so.carbohydrate_g + 1e-9


def test_energy_follows_from_the_parts() -> None:
    """Source: Atwater's general factors 4, 9, 4, and 2 for fibre (Regulation (EU) 1169/2011, annex XIV), by hand."""
    assert atwater_kcal(12, 5, 60, 10) == 12 * 4 + 5 * 9 + 50 * 4 + 10 * 2
    barley = reference.foods()["pearl-barley"].composition
    fatter = completed({"fat_g": 20}, barley)
    assert fatter.kcal == pytest.approx(
        atwater_kcal(fatter.protein_g, fatter.fat_g, fatter.carbohydrate_g, fatter.fibre_g)
    )
    assert completed({"kcal": 400, "fat_g": 20}, barley).kcal == 400


@pytest.mark.parametrize("key", ["pearl-barley", "red-lentils", "rolled-oats", "white-rice", "skim-milk-powder"])
def test_energy_by_the_parts_is_near_what_the_tables_print(key: str) -> None:
    """Within a tenth. Source: the table's own kcal, which USDA works out with factors of each food."""
    of = reference.foods()[key].composition
    assert atwater_kcal(of.protein_g, of.fat_g, of.carbohydrate_g, of.fibre_g) == pytest.approx(of.kcal, rel=0.1)


@pytest.mark.parametrize(
    "known", [{"water_g": 101}, {"water_g": -1}, {"fat_g": math.nan}, {"fat_g": 60, "protein_g": 60}]
)
def test_figures_no_food_has(known: dict[str, float]) -> None:
    with pytest.raises(OutOfRange):
        completed(known, reference.foods()["pearl-barley"].composition)


parts = st.lists(st.tuples(foods, st.floats(1, 5000)), min_size=1, max_size=8)


@settings(max_examples=200)
@given(parts)
def test_a_mix_holds_what_is_in_it(mix: list[tuple[Food, float]]) -> None:
    """Source: mass balance, added up part by part."""
    so, total = mixed(mix), sum(mass for _, mass in mix)
    for figure in FIGURES:
        added = sum(getattr(food.composition, figure) * mass for food, mass in mix) / total
        assert getattr(so.composition, figure) == pytest.approx(added, abs=1e-4)
    volume = sum(mass / food.loose_g_ml for food, mass in mix)
    assert total / so.loose_g_ml == pytest.approx(volume)
    assert so.loose_g_ml <= so.settled_g_ml <= so.particle_g_ml
    assert set(so.lives) == {food.life for food, _ in mix}


@given(foods, st.floats(1, 5000))
def test_a_mix_of_one_is_that_one(food: Food, mass: float) -> None:
    so = mixed([(food, mass)])
    assert (so.traits, so.lives, so.most) == (food.traits, (food.life,), food)
    assert so.composition.kcal == pytest.approx(food.composition.kcal)


@pytest.mark.parametrize("trait", Trait)
def test_cautions_of_a_part_are_those_of_the_whole(trait: Trait) -> None:
    """Whatever can hurt counts from the first pinch; sugar, salt, oil from a tenth; powder and grain from a half."""
    of = next(food for food in FOODS if trait in food.traits)
    other = next(food for food in FOODS if not food.traits)

    def counts(share: float) -> bool:
        return trait in mixed([(of, share), (other, 1 - share)]).traits

    half = {Trait.COMMODITY, Trait.POWDERY, Trait.SEASONING}
    tenth = {Trait.SUGAR_LIKE, Trait.SALT_LIKE, Trait.STICKY, Trait.OIL_RICH}
    from_share = 1.0 if trait is Trait.RINSEABLE else 0.5 if trait in half else 0.1 if trait in tenth else 0.001
    assert counts(min(0.999, from_share + 0.001)) or from_share == 1.0
    assert from_share == 0.001 or not counts(from_share - 0.001)


def test_insects_come_with_a_spoon_of_grain() -> None:
    leeks, rice = reference.foods()["dried-leeks"], reference.foods()["white-rice"]
    mix = mixed([(leeks, 95), (rice, 5)])
    assert Trait.COMMODITY not in mix.traits
    assert Trait.CARRIER in mix.traits


@pytest.mark.parametrize("mass", [0, -1, math.nan, math.inf])
def test_weights_nothing_has(mass: float) -> None:
    with pytest.raises(OutOfRange):
        mixed([(FOODS[0], mass)])


def test_soup_mix_by_hand() -> None:
    """2 cups of red lentils and one of rice: 63 % lentils. Source: cup weights of the table, by hand."""
    lentils, rice = reference.foods()["red-lentils"], reference.foods()["white-rice"]
    mix = mixed([(lentils, 2 * lentils.loose_g_ml), (rice, rice.loose_g_ml)])
    share = 2 * lentils.loose_g_ml / (2 * lentils.loose_g_ml + rice.loose_g_ml)
    assert mix.composition.kcal == pytest.approx(
        share * lentils.composition.kcal + (1 - share) * rice.composition.kcal, abs=1e-3
    )
    assert mix.most is lentils
    assert isinstance(mix.composition, Composition)
