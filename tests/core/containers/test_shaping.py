import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder import reference
from yellow_larder.core.air import wall_m2
from yellow_larder.core.containers import (
    Container,
    Kind,
    Lid,
    Material,
    closed_volume_ml,
    shape_of,
    volume_below_ml,
    volume_by_water_ml,
)
from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.moisture import mouth_cm2

OWN = (Kind.JAR, Kind.PAIL, Kind.TOTE, Kind.BOTTLE, Kind.CAN)
kinds = st.sampled_from(OWN)
volumes = st.floats(50, 250_000)
ML_PER_GALLON = 3785.41


def _frustum_ml(high: float, top: float, base: float, *, is_square: bool) -> float:
    """Volume of a frustum, from the areas of its ends. Source: Euclid's prismoid, by hand."""
    ends = [width**2 * (1 if is_square else math.pi / 4) for width in (top, base)]
    return high / 3 * (ends[0] + ends[1] + math.sqrt(ends[0] * ends[1])) / 1000


@given(kinds, volumes, st.booleans())
def test_a_shape_holds_the_volume_it_is_made_from(kind: Kind, volume: float, is_square: bool) -> None:
    shape = shape_of(kind, volume, is_square=is_square)
    held = _frustum_ml(shape.height_mm, shape.top_mm, shape.base_mm, is_square=is_square)
    assert held == pytest.approx(volume, rel=0.01)


@given(kinds, volumes, st.floats(30, 1000), st.booleans())
def test_what_was_measured_is_kept(kind: Kind, volume: float, measured: float, is_square: bool) -> None:
    assert shape_of(kind, volume, is_square=is_square, height_mm=measured).height_mm == pytest.approx(measured, abs=0.1)
    assert shape_of(kind, volume, is_square=is_square, width_mm=measured).top_mm == pytest.approx(measured, abs=0.1)


@pytest.mark.parametrize("key", ["jar-quart", "jar-half-gallon", "pail-5-gallon", "pail-2-gallon", "can-10"])
def test_guessed_shapes_look_like_those_of_the_table(key: str) -> None:
    """From the volume alone, within a fifth of the size in the table of containers."""
    known = reference.containers()[key]
    guessed = shape_of(known.kind, known.capacity_ml)
    assert guessed.height_mm == pytest.approx(known.height_mm, rel=0.2)
    assert guessed.top_mm == pytest.approx(known.top_mm, rel=0.2)


def test_height_and_width_that_hold_something_else_are_refused() -> None:
    """A cylinder of 10 × 10 cm holds 785 mL: 5 L do not go in, 700 do, as shoulders take some."""
    with pytest.raises(OutOfRange) as refused:
        shape_of(Kind.JAR, 5000, height_mm=100, width_mm=100)
    assert refused.value.high == pytest.approx(785.4 * 1.1, rel=1e-3)
    assert shape_of(Kind.JAR, 700, height_mm=100, width_mm=100).top_mm == 100


@pytest.mark.parametrize("volume", [0, 49, 250_001, math.nan, math.inf])
def test_volumes_no_container_has(volume: float) -> None:
    with pytest.raises(OutOfRange):
        shape_of(Kind.PAIL, volume)


def test_a_gallon_by_its_water() -> None:
    """A US gallon of water weighs 8.33 lb at 20 °C. Source: NIST Handbook 44, appendix C."""
    full_g, empty_g = (8.33 + 2) * 453.592, 2 * 453.592
    assert volume_by_water_ml(full_g, empty_g) == pytest.approx(ML_PER_GALLON, rel=1e-3)
    with pytest.raises(OutOfRange):
        volume_by_water_ml(500, 501)


def _tote(*, is_square: bool) -> Container:
    return Container("t", "t", Kind.TOTE, capacity_ml=8000, height_mm=200, top_mm=200, base_mm=200, is_square=is_square)


def test_square_walls_and_mouths_are_larger_than_round_ones() -> None:
    """A cube of 20 cm has 24 dm² of wall and 4 dm² of mouth; a cylinder in it π/4 of either."""
    square, round_one = _tote(is_square=True), _tote(is_square=False)
    assert (wall_m2(square), mouth_cm2(square)) == (pytest.approx(0.24), pytest.approx(400))
    assert wall_m2(round_one) / wall_m2(square) == pytest.approx(math.pi / 4)
    assert mouth_cm2(round_one) / mouth_cm2(square) == pytest.approx(math.pi / 4)
    assert volume_below_ml(square, 100) == volume_below_ml(round_one, 100) == closed_volume_ml(square) / 2


@pytest.mark.parametrize("kind", Kind)
def test_every_kind_says_what_it_is_made_of(kind: Kind) -> None:
    """Source: common practice, as in the table of walls."""
    size = {"width_mm": 200.0, "length_mm": 300.0, "film_mil": 5.0, "capacity_ml": 1000.0, "height_mm": 100.0}
    container = Container("c", "c", kind, top_mm=100, base_mm=100, **size)
    assert isinstance(container.made_of, Material)
    assert isinstance(container.closed_by, Lid)
    assert container.lid_dips == (kind is Kind.JAR)
    airtight = {Kind.PAIL, Kind.BOTTLE, Kind.TOTE, Kind.PACKET, Kind.BOX}
    assert container.holds_without_air == (kind not in airtight)
