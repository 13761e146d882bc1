"""Refusals of the core as a person reads them."""

import re

import pytest

from yellow_larder.core.air import NoPacketFits
from yellow_larder.core.errors import CoreError, OutOfRange, Refusal
from yellow_larder.core.packing import NothingFits
from yellow_larder.words.errors import NotThere, Outdated, Refused
from yellow_larder.words.quantities import Units
from yellow_larder.words.refusals import in_words


@pytest.mark.parametrize(
    ("error", "metric", "us"),
    [
        (OutOfRange("freezer_c", 5, -40, -16, "°C"), "between −40 and −16 °C; 5", "between −40 and 3.2 °F; 41"),
        (OutOfRange("headspace_mm", 900, 0, 254, "mm"), "between 0 and 254 mm; 900", "between 0 and 10 in; 35.4"),
        (OutOfRange("altitude_m", 9000, -500, 5000, "m"), "−500 and 5,000 m; 9,000", "−1,640 and 16,404 ft"),
        (OutOfRange("weight_kg", 900, 2, 300, "kg"), "between 2 and 300 kg", "between 4.4 and 661 lb"),
        (OutOfRange("humidity", 1.4, 0, 1, ""), "between 0 and 100 %; 140", "between 0 and 100 %; 140"),
        (OutOfRange("kcal", 2000, 0, 902, "kcal per 100 g"), "between 0 and 902", "between 0 and 902"),
    ],
)
def test_a_range_is_said_in_the_measures_of_the_house(error: OutOfRange, metric: str, us: str) -> None:
    for units, wanted in ((Units.METRIC, metric), (Units.US, us)):
        said = in_words(error, units)
        assert wanted in said.message
        assert said.code == "out-of-range"
    assert not re.search(r"\d ?(kg|mm|cm|°C|m)\b", in_words(error, Units.US).message)


def test_what_is_in_words_stays_as_it_is() -> None:
    error = NotThere("food", "That food is not in the table")
    assert in_words(error, Units.US) is error


def test_one_tree_and_each_branch_has_its_code() -> None:
    assert {CoreError, Refused} <= set(Refusal.__subclasses__())
    assert {OutOfRange, NoPacketFits, NothingFits} <= set(CoreError.__subclasses__())
    assert {NotThere, Outdated} <= set(Refused.__subclasses__())
    codes = [each.code for each in (Refusal, OutOfRange, NotThere, Outdated)]
    assert len(set(codes)) == len(codes)
    assert Refused("line", "no", code="unknown-food").code == "unknown-food"
