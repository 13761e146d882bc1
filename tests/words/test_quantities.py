import pytest
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import (
    Units,
    read_amount,
    read_length_mm,
    read_line,
    read_size_mm,
    say_length,
    say_mass,
    say_temperature,
)

LB, OZ = 453.59237, 28.349523
CUP_ML, QT_ML = 236.588, 946.353
"""Source of all factors: NIST Handbook 44, appendix C."""


@pytest.mark.parametrize(
    ("text", "mass_g", "volume_ml", "food"),
    [
        ("10 kg pearl barley", 10_000, 0, "pearl barley"),
        ("10kg pearl barley", 10_000, 0, "pearl barley"),
        ("  10  KG   of pearl barley ", 10_000, 0, "pearl barley"),
        ("pearl barley 10 kg", 10_000, 0, "pearl barley"),
        ("pearl barley, 10 kg", 10_000, 0, "pearl barley"),
        ("two 7.5 lb bags of oats", 15 * LB, 0, "oats"),
        ("2 7.5 lb bags oats", 15 * LB, 0, "oats"),
        ("3 x 500 g red lentils", 1500, 0, "red lentils"),
        ("3×500g red lentils", 1500, 0, "red lentils"),
        ("a 25 kg sack of wheat", 25_000, 0, "wheat"),
        ("2 lb 4 oz split peas", 2 * LB + 4 * OZ, 0, "split peas"),
        ("2 lbs and 4 ounces split peas", 2 * LB + 4 * OZ, 0, "split peas"),
        ("1½ cups barley", 0, 1.5 * CUP_ML, "barley"),
        ("1 1/2 cups barley", 0, 1.5 * CUP_ML, "barley"),
        ("¾ cup salt", 0, 0.75 * CUP_ML, "salt"),
        ("half cup salt", 0, 0.5 * CUP_ML, "salt"),
        ("5 gal white rice", 0, 20 * QT_ML, "white rice"),
        ("1,5 kg flour", 1500, 0, "flour"),
        ("1,500 g flour", 1500, 0, "flour"),
        ("0.5 tonnes wheat", 500_000, 0, "wheat"),
        ("one 50 lb sack of hard red wheat", 50 * LB, 0, "hard red wheat"),
        ("6 pounds great northern beans", 6 * LB, 0, "great northern beans"),
    ],
)
def test_lines_as_people_write_them(text: str, mass_g: float, volume_ml: float, food: str) -> None:
    line = read_line(text)
    assert line.food == food
    assert line.amount.mass_g == pytest.approx(mass_g, rel=1e-5)
    assert line.amount.volume_ml == pytest.approx(volume_ml, rel=1e-5)


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("", "Nothing is written"),
        ("   ", "Nothing is written"),
        ("pearl barley", "How much pearl barley?"),
        ("10 kg", "of what"),
        ("10", "measured in"),
        # A spoon in one country, a tonne in another.
        ("2 t barley", "measured in"),
        ("0 kg barley", "zero"),
        ("-3 kg barley", "below zero"),
        ("10,000 tonnes barley", "more than 5,000 kg"),
        ("1/0 kg barley", "Say what it is measured in"),
        ("x" * 5_000_000, "5,000,000 characters"),
    ],
)
def test_lines_that_make_no_sense(text: str, says: str) -> None:
    with pytest.raises(Refused) as refusal:
        read_line(text)
    assert refusal.value.field == "line"
    assert says in refusal.value.message
    assert len(refusal.value.message) < 150


@given(st.floats(1, 4_000_000), st.sampled_from(Units))
def test_what_is_said_reads_back(mass_g: float, units: Units) -> None:
    said = say_mass(mass_g, units)
    read = read_amount(said).mass_g
    assert say_mass(read, units) == said
    assert read == pytest.approx(mass_g, rel=0.05)


@given(st.floats(1, 2000), st.sampled_from(Units))
def test_lengths_read_back(length_mm: float, units: Units) -> None:
    said = say_length(length_mm, units)
    assert say_length(read_length_mm(said, "headspace", units=units), units) == said


@pytest.mark.parametrize(
    ("text", "units", "expected"),
    [
        ("25 x 35 cm", Units.METRIC, (250, 350)),
        ("10 × 14 in", Units.METRIC, (254, 355.6)),
        ("10 by 14", Units.US, (254, 355.6)),
        ("25x35", Units.METRIC, (250, 350)),
        ("25 cm x 14 in", Units.US, (250, 355.6)),
    ],
)
def test_flat_sizes(text: str, units: Units, expected: tuple[float, float]) -> None:
    assert read_size_mm(text, "own_bag", units=units) == pytest.approx(expected)


@pytest.mark.parametrize("text", ["wide", "10", "10 x", "10 kg x 5"])
def test_sizes_that_make_no_sense(text: str) -> None:
    with pytest.raises(Refused, match="own_bag"):
        read_size_mm(text, "own_bag", units=Units.METRIC)


@pytest.mark.parametrize("text", ["lots", "10", "10 kg barley", "5 cm"])
def test_amounts_that_make_no_sense(text: str) -> None:
    with pytest.raises(Refused, match="fill"):
        read_amount(text, "fill")


def test_degrees() -> None:
    assert (say_temperature(0, Units.US), say_temperature(-18, Units.METRIC)) == ("32 °F", "−18 °C")
