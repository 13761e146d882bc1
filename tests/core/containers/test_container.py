import pytest
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder import reference
from yellow_larder.core.containers import (
    Container,
    Kind,
    closed_volume_ml,
    flat_bag_volume_ml,
    headspace_above_mm,
    volume_below_ml,
)
from yellow_larder.core.errors import OutOfRange

ALL = list(reference.containers().values())
ML_PER_CUBIC_INCH = 16.387
ML_PER_QUART = 946.35


def test_bag_volume_worked_example() -> None:
    """Source: the paper-bag approximation worked by hand for 10 × 14 in: 309 cubic inches."""
    assert flat_bag_volume_ml(254, 355.6) / ML_PER_CUBIC_INCH == pytest.approx(309, abs=0.5)


def test_square_teabag() -> None:
    """Source: the greatest volume known for a square bag of side 1 is 0.2 to 0.22 (the "teabag problem")."""
    assert 0.19 < flat_bag_volume_ml(100, 100) / 1000 < 0.22


def test_long_bag_tends_to_a_tube() -> None:
    """Source: a very long bag is a cylinder of circumference 2w, of volume w²·h/π."""
    width, length = 10.0, 1000.0
    assert flat_bag_volume_ml(width * 10, length) == pytest.approx(width**2 * length / 10 / 3.14159, rel=0.05)


@given(st.floats(50, 700), st.floats(50, 700), st.floats(1, 100))
def test_more_film_holds_more(width: float, length: float, more: float) -> None:
    volume = flat_bag_volume_ml(width, length)
    assert flat_bag_volume_ml(width + more, length) > volume
    assert flat_bag_volume_ml(width, length + more) > volume
    assert flat_bag_volume_ml(length, width) == volume


@pytest.mark.parametrize("container", ALL, ids=lambda c: c.key)
def test_holds_about_what_it_is_sold_as(container: Container) -> None:
    """A bag is sold by what it holds with room left to seal; stiff walls to a few per cent."""
    nominal = container.nominal_qt * ML_PER_QUART
    if container.is_flat:
        # Liners are sold by the pail they fold into, so they hold far more than their name says.
        high = 2.0 if container.nominal_qt >= 10 else 1.6
        assert 0.75 * nominal < closed_volume_ml(container) < high * nominal
    else:
        assert 0.95 * nominal < closed_volume_ml(container) < 1.1 * nominal


@given(st.sampled_from(ALL), st.floats(0, 1), st.floats(0, 1))
def test_lower_line_holds_less(container: Container, a: float, b: float) -> None:
    low, high = sorted((a, b))
    height = container.inner_height_mm
    assert volume_below_ml(container, high * height) <= volume_below_ml(container, low * height) + 1e-9


@given(st.sampled_from(ALL), st.floats(0.02, 1))
def test_headspace_is_the_inverse_of_volume(container: Container, share: float) -> None:
    volume = share * closed_volume_ml(container)
    back = volume_below_ml(container, headspace_above_mm(container, volume))
    assert back == pytest.approx(volume, rel=1e-6, abs=1e-3)


def test_a_bag_cut_down_is_a_shorter_bag() -> None:
    """Half the length left flat under the seal leaves exactly the bag of half the length."""
    bag = Container("b", "bag", Kind.BAG, width_mm=200, length_mm=425, seal_mm=25, film_mil=7)
    cut = Container("c", "bag", Kind.BAG, width_mm=200, length_mm=225, seal_mm=25, film_mil=7)
    assert volume_below_ml(bag, 200) == closed_volume_ml(cut)


def test_a_liner_cannot_outgrow_its_pail() -> None:
    lined, bare = reference.containers()["lined-5-gallon"], reference.containers()["pail-5-gallon"]
    assert closed_volume_ml(lined) == closed_volume_ml(bare)


@pytest.mark.parametrize(
    ("field", "sizes"),
    [
        ("length_mm", {"width_mm": 100, "length_mm": 52, "seal_mm": 25, "film_mil": 7}),
        ("width_mm", {"width_mm": 4, "length_mm": 300, "seal_mm": 25, "film_mil": 7}),
        ("film_mil", {"width_mm": 100, "length_mm": 300, "seal_mm": 25, "film_mil": 0}),
    ],
)
def test_impossible_bags_name_their_field(field: str, sizes: dict[str, float]) -> None:
    with pytest.raises(OutOfRange) as refusal:
        Container("x", "x", Kind.BAG, **sizes)  # type: ignore[arg-type]
    assert refusal.value.field == field


def test_headspace_beyond_the_bag() -> None:
    with pytest.raises(OutOfRange, match="headspace_mm"):
        volume_below_ml(reference.containers()["bag-gallon"], 400)


def test_the_shortest_bag_that_can_be_closed() -> None:
    """Three centimetres of food room under the seal is the least; the bound itself is allowed."""
    sizes = {"width_mm": 100.0, "seal_mm": 25.0, "film_mil": 7.0}
    assert Container("x", "x", Kind.BAG, length_mm=55, **sizes).inner_height_mm == 30
    with pytest.raises(OutOfRange) as refusal:
        Container("x", "x", Kind.BAG, length_mm=54.9, **sizes)
    assert refusal.value.low == 55
