"""Lines about what is in the house, as people type them."""

from __future__ import annotations

import re
import string
from contextlib import suppress
from datetime import date
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.support.by_group import by_group
from tests.support.refusals import refused
from yellow_larder.core.containers import Closing
from yellow_larder.core.errors import Refusal
from yellow_larder.core.food import Food
from yellow_larder.core.units import G_PER_POUND
from yellow_larder.features.catalog.foods import names_of
from yellow_larder.features.coming_in.line import Named, Read, read_stock_line
from yellow_larder.features.packages.contained import PestMeasure
from yellow_larder.reference import containers, foods, ways_of
from yellow_larder.reference.portions import portions
from yellow_larder.words.quantities import Units

TODAY = date(2026, 11, 28)
NAMES = names_of(foods())
PLACES = {"root cellar": 1, "cellar": 1, "chest freezer": 2, "freezer": 2, "fridge": 3, "pantry": 4}
SUITE = [
    line.split(" => ")
    for line in (Path(__file__).parent / "lines.txt").read_text(encoding="utf-8").splitlines()
    if " => " in line
]


def read(text: str, units: Units = Units.US) -> Read:
    return read_stock_line(text, Named(NAMES, PLACES), units, TODAY)


def test_of_three_hundred_lines_nearly_all_are_read_and_none_is_read_wrongly() -> None:
    """The suite of lines is our own, in the trade's words."""
    assert len(SUITE) >= 300
    asked = []
    for text, food in SUITE:
        try:
            assert read(text).food.key == food, text
        except Refusal:
            asked.append(text)
    assert len(asked) <= 0.05 * len(SUITE), asked


@pytest.mark.parametrize("group", by_group(foods().values()))
def test_every_food_is_read_by_each_of_its_names(group: list[Food]) -> None:
    for food in group:
        for name in (food.name, *food.aliases):
            assert read(f"2 lb {name}").food.key == food.key, name


@pytest.mark.parametrize(
    ("text", "count", "container", "each_g", "closing"),
    [
        ("6 qt jars white rice, absorbers", 6, "jar-quart", None, Closing.ABSORBER),
        ("2 five-gallon buckets hard wheat", 2, "pail-5-gallon", None, Closing.LID),
        ("5 gal bucket black beans with mylar, oxygen absorbers", 1, "lined-5-gallon", None, Closing.ABSORBER),
        ("3 2-lb bags brown rice", 3, "bag-quart", 2 * G_PER_POUND, Closing.LID),
        ("6 x 500 g pasta", 6, "packet-1-kg", 500, Closing.LID),
        ("25 kg rice in 2 five gallon buckets", 2, "pail-5-gallon", 12_500, Closing.LID),
        ("half gallon jar oats vac sealed", 1, "jar-half-gallon", None, Closing.VACUUM),
        ("4 half pint jars paprika", 4, "jar-half-pint", None, Closing.LID),
        ("2 #10 cans powdered milk", 2, "can-10", None, Closing.ABSORBER),
        ("2 #10 cans canned peaches", 2, "tin-10", None, Closing.LID),
        ("1 gallon jar of honey", 1, "jar-gallon", None, Closing.LID),
        ("canned black beans x 8", 8, "tin", None, Closing.LID),
        ("2 dozen eggs", 1, "box", 1200, Closing.LID),
        ("a dozen pint jars of pinto beans", 12, "jar-pint", None, Closing.LID),
        ("half a dozen quart jars rice", 6, "jar-quart", None, Closing.LID),
        ("4 ½ pint jars paprika", 4, "jar-half-pint", None, Closing.LID),
        ("half a gallon jar of rice", 1, "jar-half-gallon", None, Closing.LID),
        ("10 lb flour in its bag", 1, "packet-5-kg", 10 * G_PER_POUND, Closing.LID),
        ("flour, 5 lb, still in its paper bag", 1, "packet-5-kg", 5 * G_PER_POUND, Closing.LID),
        ("rice in the original packaging", 1, "packet-1-kg", None, Closing.LID),
        ("50 lb sack wheat", 1, "sack", 50 * G_PER_POUND, Closing.LID),
        ("jar of jam", 1, "shop-jar", None, Closing.LID),
        ("3 quart jars rice, no absorbers", 3, "jar-quart", None, Closing.LID),
        ("wheat, 6 gallon pail, 35 lb", 1, "pail-6-gallon", 35 * G_PER_POUND, Closing.LID),
    ],
)
def test_how_many_in_what(text: str, count: int, container: str, each_g: float | None, closing: Closing) -> None:
    found = read(text)
    by_name = {each.name: key for key, each in containers().items()}
    assert (found.count, found.container.key, found.closing) == (count, by_name.get(container, container), closing)
    if each_g is None:
        assert "full" in found.taken_as
    else:
        assert found.each_g == pytest.approx(each_g, rel=1e-3)


@pytest.mark.parametrize("text", ["half a bucket of oats", "½ bucket oats", "3/4 jar rice", "half-full jar of rice"])
def test_what_is_not_full_stands_open(text: str) -> None:
    found = read(text)
    assert found.count == 1
    assert any("stands open" in doubt for doubt in found.doubts)


def test_what_is_told_by_its_measure_alone_says_what_it_was_taken_to_be_in() -> None:
    """Who says three quarts may mean three jars."""
    assert "taken as a shop packet: say “quart jars” if that is what it is in" in read("three quarts beans").doubts
    assert any("does not say in what" in each for each in read("10 lb beans").taken_as)


def test_where_it_is_said_to_stand() -> None:
    assert read("6 jars rice, cellar").place == 1
    assert read("6 jars rice in the root cellar").place == 1
    assert read("chest freezer: 2 lb peas").place == 2
    assert read("6 jars rice").place is None
    # There is no loft, and no food is called so.
    attic = read("6 jars rice, attic")
    assert attic.place is None
    assert any("attic" in doubt for doubt in attic.doubts)


def test_the_households_own_word_stays_if_the_table_knows_it() -> None:
    assert read("4 jars navy beans").called == "navy beans"
    assert read("4 jars Garbanzo Beans").called == "garbanzo beans"
    # A slip of the pen is not kept.
    assert read("2 jars zuchini").called == "dried courgettes"


@pytest.mark.parametrize(
    ("text", "why"),
    [
        ("rice " * 2000, "200 is the most"),
        ("=1+1", "not in the table"),
        ("6 quart jars", "Of what"),
        ("100000 jars rice", "is the most for one line"),
        ("0 jars rice", "cannot be right"),
        ("0 cases of 12 cans corn", "cannot be right"),
        ("999 cases of 999 cans corn", "is the most for one line"),
        ("0 kg rice", "amount is zero"),
        ("10 kg rice in a pint jar", "does not go into"),
        ("jar of rice, 31 Feb 2024", "There is no 31 Feb 2024"),
        ("jar of rice, May 2031", "in the future"),
        ("jar of rice, packed 2031", "in the future"),
        ("jar of rice, best by 2099", "cannot be right"),
        ("jar of rice, best by 1985-13", "There is no"),
        ("jar of xyzzy", "not in the table"),
        ("one and a half buckets of oats", "what stands open on one of its own"),
        ("2½ jars rice", "what stands open on one of its own"),
    ],
)
def test_what_cannot_be_read_says_why(text: str, why: str) -> None:
    with refused(re.escape(why)):
        read(text)


def test_whoever_is_not_understood_is_offered_what_was_perhaps_meant() -> None:
    assert read("3 jars rosemery").food.key == "rosemary"
    with refused("not in the table") as refusal:
        read("2 jars dried zebra courgettes")
    assert refusal.value.nearest[0] == "dried courgettes"
    assert not any("egg" in name for name in refusal.value.nearest)


TYPED = """
    6 qt jars half gallon of bags rice wheat old about 2021 May 2023 absorbers vac in cellar x 12 lb 500 g #10 can
    = - , ; ( é 米 best by 5 gal bucket mylar each
"""
WORDS = st.sampled_from(TYPED.split())


@given(st.one_of(st.text(max_size=250), st.lists(WORDS, max_size=14).map(" ".join), st.text(string.printable)))
def test_any_line_is_read_or_refused(text: str) -> None:
    with suppress(Refusal):
        found = read(text)
        assert found.count >= 1
        assert found.each_g > 0
        assert found.closing in found.container.closings


def test_what_could_be_dried_canned_or_fresh_is_not_taken_for_dried_in_silence() -> None:
    assert any("taken as dried peaches" in doubt for doubt in read("3 quart jars peaches").doubts)
    assert read("3 quart jars dried peaches").doubts == ()
    assert read("3 quart jars canned peaches").food.key == "tinned-peaches"


def test_what_was_canned_at_home_says_what_is_never_tasted() -> None:
    found = read("6 quart jars home-canned peaches, 2026")
    assert (found.food.key, found.canned_at_home) == ("tinned-peaches", True)
    assert (found.container.key, found.called) == ("canned-quart", "home-canned peaches")
    assert read("pressure-canned chicken, 3 pints").container.key == "canned-pint"
    assert any("never tasted" in doubt for doubt in found.doubts)


@pytest.mark.parametrize(
    ("text", "count", "each_g"),
    [
        ("6 sticks butter", 1, 6 * 113),
        ("2 whole chickens", 2, 1500),
        ("5 lemons", 1, 5 * 84),
        ("4 butternut squash", 4, 1200),
        ("10 sachets yeast", 1, 70),
        ("4 bags frozen broccoli", 4, 450),
        ("2 tubs ice cream", 2, 1000),
        ("2 dozen eggs", 1, 1200),
        ("6 chicken thighs", 1, 720),
        ("2 braids garlic", 2, 600),
        ("48 granola bars", 1, 48 * 25),
        ("50# bag pinto beans", 1, 50 * G_PER_POUND),
        ("3 lb ground beef x 4", 4, 3 * G_PER_POUND),
    ],
)
def test_what_is_counted_weighs_what_it_weighs(text: str, count: int, each_g: float) -> None:
    """By the table of portions: nobody's stick of butter is a basket full."""
    found = read(text)
    assert (found.count, found.each_g) == (count, pytest.approx(each_g, rel=1e-3))


def test_a_pack_of_every_fresh_food_has_a_weight() -> None:
    known = {each.food for each in portions() if each.pack_g and not each.words}
    assert known >= {food.key for food in foods().values() if food.group == "fresh and frozen"}
    assert all(each.food in foods() and each.piece_g < 6000 and each.source for each in portions())


@pytest.mark.parametrize("group", by_group(foods().values()))
def test_two_packs_of_anything_are_no_more_than_two_packs_hold(group: list[Food]) -> None:
    """Law: whatever is not weighed comes to what a person can lift, and what is fresh to a shop's pack of it."""
    for food in group:
        for text in (f"2 packs {food.name}", f"2 boxes {food.name}"):
            with suppress(Refusal):
                found = read(text)
                assert found.each_g <= (3000 if ways_of(food.life) else 7000), text


@pytest.mark.parametrize(
    ("text", "food", "doubt"),
    [
        ("5 lb zyxo white rice", "white-rice", "“zyxo” is not understood"),
        ("2 buckets rolled oats zyxo lid", "rolled-oats", "“zyxo lid” is not understood"),
        ("24 rolls zyxo paper", "bread", "“zyxo paper” is not understood"),
        ("6 bars zyxo black pepper", "black-pepper", "nobody knows what one of them weighs"),
        ("bucket of oats, opened last month", "rolled-oats", "it stands open"),
    ],
)
def test_what_is_left_over_is_told(text: str, food: str, doubt: str) -> None:
    found = read(text)
    assert found.food.key == food
    assert any(doubt in each for each in found.doubts), found.doubts


@pytest.mark.parametrize("text", ["2 lb coconut zyxo", "3 jars rice-free crackers", "2 lb butter substitute"])
def test_what_may_be_another_food_is_not_guessed(text: str) -> None:
    with refused("not in the table"):
        read(text)


@pytest.mark.parametrize(
    ("text", "food", "container"),
    [
        ("10 quarts peaches canned Aug 2023", "tinned-peaches", "quart jar, canned"),
        ("7 pints green beans pressure canned 2024", "tinned-green-beans", "pint jar, canned"),
        ("pickled beetroot 4 jars (homemade)", "pickled-beets", "1 litre jar, canned"),
    ],
)
def test_who_cans_says_pints_and_means_jars(text: str, food: str, container: str) -> None:
    found = read(text, Units.METRIC)
    assert (found.food.key, found.container.name, found.canned_at_home) == (food, container, True)


def test_what_is_in_with_it_against_insects() -> None:
    assert read("3 jars wheat, bay leaves").pest_measures == (PestMeasure.BAY,)
    assert read("3 buckets wheat with diatomaceous earth and bay leaves").pest_measures == tuple(PestMeasure)
    leaves = read("2 jars bay leaves")
    assert (leaves.food.key, leaves.pest_measures) == ("bay", ())
