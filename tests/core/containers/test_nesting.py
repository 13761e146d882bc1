import pytest
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder.core.containers import closed_volume_ml, goes_into, volume_below_ml
from yellow_larder.core.errors import OutOfRange
from yellow_larder.reference import containers

ALL = containers()
PAILS = [ALL[f"pail-{size}"] for size in ("1-gallon", "2-gallon", "5-gallon", "6-gallon")]


def test_four_gallon_bags_stand_in_a_five_gallon_pail() -> None:
    """Source: common practice: a 5 gallon pail takes four or five gallon bags."""
    bag = ALL["bag-gallon"]
    food = volume_below_ml(bag, bag.headspace_mm)
    assert goes_into(ALL["pail-5-gallon"], bag, food, bag.inner_height_mm - bag.headspace_mm) in (4, 5)


def test_quart_jars_in_a_pail() -> None:
    """By hand: of jars 94 mm wide four stand in a round of 252 mm at the least, in one layer of 178 mm or two."""
    assert 4 <= goes_into(ALL["pail-5-gallon"], ALL["jar-quart"], 900, 150) <= 12
    # Its lid would stand out of the pail.
    assert goes_into(ALL["pail-1-gallon"], ALL["jar-half-gallon"], 1800, 200) == 0


def test_what_is_too_wide_or_too_high_does_not_go_in() -> None:
    bag = ALL["bag-5-gallon"]
    assert goes_into(ALL["pail-2-gallon"], bag, 6000, 200) == 0
    assert goes_into(ALL["pail-5-gallon"], ALL["bag-gallon"], 3000, 370) == 0


@given(st.sampled_from(sorted(ALL)), st.floats(50, 15_000), st.floats(20, 400), st.sampled_from(PAILS))
def test_what_goes_in_is_never_more_than_the_pail_holds(key: str, food: float, high: float, pail: object) -> None:
    outer = next(each for each in PAILS if each is pail)
    count = goes_into(outer, ALL[key], food, high)
    assert count >= 0
    if ALL[key].is_flat and count > 1:
        assert count * food <= closed_volume_ml(outer)
    # More food in each never makes room for more of them.
    assert goes_into(outer, ALL[key], food * 1.3, high) <= count


@pytest.mark.parametrize(("food", "high"), [(0, 100), (1000, 0), (1000, 2000)])
def test_figures_out_of_range(food: float, high: float) -> None:
    with pytest.raises(OutOfRange):
        goes_into(ALL["pail-5-gallon"], ALL["bag-gallon"], food, high)
