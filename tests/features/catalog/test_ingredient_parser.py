"""Ingredients as people write them."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder import reference
from yellow_larder.core.food import dried_mass_g
from yellow_larder.features.catalog.ingredient_parser import Ingredient, Kitchen, Reading
from yellow_larder.journal.events import as_json, from_json

LB, OZ, CUP_ML = 453.59237, 28.349523, 236.588
"""Source: NIST Handbook 44, appendix C."""

FOODS = reference.foods()
KITCHEN = Kitchen(FOODS, {"tatties": "dried-potatoes", "knobs": "seasoning", "marge": "elsewhere"})


def cups(food: str, n: float) -> float:
    return FOODS[food].loose_g_ml * CUP_ML * n


@pytest.mark.parametrize(
    ("text", "food", "mass_g"),
    [
        ("2 lb 4 oz split peas", "green-split-peas", 2 * LB + 4 * OZ),
        ("1½ cups barley", "pearl-barley", cups("pearl-barley", 1.5)),
        ("- 1 1/2 cups red lentils, rinsed", "red-lentils", cups("red-lentils", 1.5)),
        ("½ cup milk powder (skimmed)", "skim-milk-powder", cups("skim-milk-powder", 0.5)),
        ("a can of beans", "pinto-beans", 71),
        ("two 15 oz cans kidney beans", "kidney-beans", 142),
        ("2 cans of haricot beans", "navy-beans", 142),
        ("500 g tatties", "dried-potatoes", 500),
        ("three 500 g bags of macaroni", "macaroni", 1500),
        ("Rolled Oats 200 g", "rolled-oats", 200),
    ],
)
def test_as_people_write_them(text: str, food: str, mass_g: float) -> None:
    """A can of beans is 2½ oz dry (common practice); cups by the food's own bulk density."""
    read = KITCHEN.read(text)
    assert (read.reading, read.food) == (Reading.READ, food)
    assert read.mass_g == pytest.approx(mass_g, rel=0.002)
    assert read.text == text.lstrip("- ")


@pytest.mark.parametrize(
    ("text", "food", "fresh_g", "water_pct"),
    [
        ("2 onions", "dried-onions", 220, 89.11),
        ("half an onion", "dried-onions", 55, 89.11),
        ("a large leek, sliced", "dried-leeks", 89, 83.0),
        ("200 g fresh leeks", "dried-leeks", 200, 83.0),
    ],
)
def test_fresh_things_by_their_solids(text: str, food: str, fresh_g: float, water_pct: float) -> None:
    """Source: mass balance; water of raw onions and leeks, USDA SR Legacy 11282, 11246, from memory."""
    read = KITCHEN.read(text)
    assert (read.reading, read.food) == (Reading.READ, food)
    assert read.mass_g == pytest.approx(dried_mass_g(fresh_g, water_pct, FOODS[food].composition.water_g), rel=0.01)
    assert read.each_g or "solids" in read.says


@pytest.mark.parametrize(
    ("text", "food", "mass_g"),
    [
        ("2 T oil", "vegetable-oil", cups("vegetable-oil", 2 / 16)),
        ("1 T. sugar", "white-sugar", cups("white-sugar", 1 / 16)),
        ("3 Tbs honey", "honey", cups("honey", 3 / 16)),
        ("1½ c rolled oats", "rolled-oats", cups("rolled-oats", 1.5)),
        ("1-1/2 cups rice", "white-rice", cups("white-rice", 1.5)),
        ("a cup and a half of rice", "white-rice", cups("white-rice", 1.5)),
        ("1 (15 oz) can black beans, drained", "black-beans", 71),
        ("1 can (15-ounce) black beans", "black-beans", 71),
        ("2 x 400 g tins chickpeas", "chickpeas", 2 * 71 * 400 / 425),
        ("one 28-oz can crushed tomatoes", "tinned-tomatoes", 28 * OZ),
        ("400g tin chopped tomatoes", "tinned-tomatoes", 400),
        ("1 pkg (12 oz) egg noodles", "egg-noodles", 12 * OZ),
        ("200 g (7 oz) pasta", "macaroni", 200),
        ("1 cup dry black beans, soaked overnight", "black-beans", cups("black-beans", 1)),
        ("1 stick butter", "butter", 113),
        ("4 chicken breasts", "chicken-raw", 800),
        ("1 dozen eggs", "egg-powder", 12 * 12.3),
        ("2-3 eggs", "egg-powder", 3 * 12.3),
        ("1 box mac and cheese", "boxed-macaroni-cheese", 206),
    ],
)
def test_as_recipes_are_written(text: str, food: str, mass_g: float) -> None:
    """T is a tablespoon, a sixteenth of a cup (NIST Handbook 44, appendix C); what one weighs is of the portions."""
    read = KITCHEN.read(text)
    assert (read.reading, read.food) == (Reading.READ, food)
    assert read.mass_g == pytest.approx(mass_g, rel=0.005)
    assert read.text == text


SEASONED = ["salt", "a pinch of thyme", "pepper to taste", "1 tsp cumin", "3 oz knobs", "salt and pepper to taste"]
SEASONED += ["1 t. salt", "2 t cumin", "3 cloves garlic, minced", "2 bouillon cubes"]


@pytest.mark.parametrize("text", SEASONED)
def test_seasonings_are_known_as_such(text: str) -> None:
    assert KITCHEN.read(text).reading is Reading.SEASONING


@pytest.mark.parametrize("text", ["water", "1 litre water", "2 oz marge"])
def test_what_is_not_kept_here(text: str) -> None:
    assert KITCHEN.read(text).reading is Reading.ELSEWHERE


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("barley", "How much barley?"),
        ("handful of barley", "How much barley?"),
        ("lots of love", "How much lots of love?"),
        ("2 dollops", "Say what it is measured in"),
        ("0 g oats", "zero"),
        ("9,000 kg oats", "more than 5,000 kg"),
        ("a can of oats", "What a can of rolled oats gives dry is not known"),
        ("x" * 300, "300 characters"),
        ("<b>1 cup</b>", "How much <b>1 cup</b>?"),
    ],
)
def test_what_cannot_be_read_stays_as_typed_and_says_why(text: str, says: str) -> None:
    read = KITCHEN.read(text)
    assert read.reading is Reading.UNREAD
    assert read.text == text
    assert says in read.says
    assert (read.food, read.mass_g) == ("", 0)


def test_an_unknown_food_is_asked_about_with_the_nearest_names() -> None:
    read = KITCHEN.read("2 cups perl barlee")
    assert (read.reading, read.words, read.food) == (Reading.ASK, "perl barlee", "")
    assert read.nearest[0] == "pearl barley"


@given(st.text(max_size=250))
def test_nothing_is_dropped_and_nothing_breaks(text: str) -> None:
    read = KITCHEN.read(text)
    assert read.mass_g >= 0
    assert read.reading is not Reading.READ or read.food in FOODS
    assert read.reading not in (Reading.UNREAD, Reading.ASK) or read.says
    assert from_json(Ingredient, as_json(read)) == read


@given(st.sampled_from(sorted(FOODS)), st.integers(1, 4000))
def test_every_food_reads_by_its_name(key: str, grams: int) -> None:
    read = KITCHEN.read(f"{grams} g {FOODS[key].name}")
    assert read.food == key
    assert read.mass_g == pytest.approx(grams)


def test_every_kitchen_measure_stands_for_a_food_of_the_table() -> None:
    for row in reference.kitchen():
        assert row.source
        if row.measure in ("piece", "can"):
            assert 0.5 < row.mass_g(FOODS[row.food]) < 250, row.words
            for words in row.words:
                text = f"a can of {words}" if row.measure == "can" else f"2 {words}"
                assert KITCHEN.read(text).food == row.food, text


@pytest.mark.parametrize(("age", "height_cm", "weight_kg"), [(0, 71, 9), (3, 86, 12), (8, 115, 20), (30, 170, 63.5)])
def test_usual_bodies(age: int, height_cm: float, weight_kg: float) -> None:
    """Source: Institute of Medicine (2005), table 1-1, from memory; grown-ups the mean of both sexes."""
    from yellow_larder.core.planning import Body, Sex

    assert reference.usual_body(age, Sex.UNSAID) == Body(height_cm, weight_kg)


@pytest.mark.parametrize("text", ["two cans of black beans", "half a can of black beans", "0 cans of black beans"])
def test_one_can_stands_for_the_same_however_many_there_are(text: str) -> None:
    assert KITCHEN.read(text).each_g == KITCHEN.read("1 can of black beans").each_g > 0
