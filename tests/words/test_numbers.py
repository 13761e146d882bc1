"""Numbers as people write them."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder.words.numbers import plain_numbers, read_count
from yellow_larder.words.quantities import Units, read_amount, read_length_mm, read_line

PARTS = {
    "½": (1, 2),
    "⅓": (1, 3),
    "⅔": (2, 3),
    "¼": (1, 4),
    "¾": (3, 4),
    "⅛": (1, 8),
    "⅜": (3, 8),
    "⅝": (5, 8),
    "⅞": (7, 8),
}
"""Every fraction that has a sign of its own on a keyboard of a telephone. Source: Unicode, number forms."""


@pytest.mark.parametrize("sign", PARTS)
@pytest.mark.parametrize("whole", [0, 1, 12])
def test_a_fraction_is_the_same_in_every_way_of_writing_it(sign: str, whole: int) -> None:
    above, below = PARTS[sign]
    value = whole + above / below
    ways = [f"{whole}{sign}", f"{whole} {sign}", f"{whole} {above}/{below}", f"{whole}-{above}/{below}"]
    for way in ways if whole else [sign, f"{above}/{below}"]:
        assert read_count(plain_numbers(way)) == pytest.approx(value), way
        assert read_amount(f"{way} kg").mass_g == pytest.approx(value * 1000), way
        assert read_length_mm(f"{way} in", "headspace", units=Units.US) == pytest.approx(value * 25.4), way


@pytest.mark.parametrize(
    ("text", "grams"),
    [
        ("half a kilo of oats", 500),
        ("one and a half kg oats", 1500),
        ("2 and a half kg oats", 2500),
        ("half a dozen 2 kg bags of oats", 12_000),
        ("two dozen 500 g packets oats", 12_000),
        ("a kilo and a half of oats", 1500),
    ],
)
def test_halves_and_dozens(text: str, grams: float) -> None:
    line = read_line(text)
    assert (line.amount.mass_g, line.food) == (pytest.approx(grams), "oats")


@given(st.text(max_size=80))
def test_what_is_plain_stays_so(text: str) -> None:
    once = plain_numbers(text)
    assert plain_numbers(once) == once
