import numpy as np
import psychrolib
import pytest
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder import reference
from yellow_larder.core.air import dew_point_c
from yellow_larder.core.containers import Container, closed_volume_ml
from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.freezing import (
    HOLDS,
    KILLS_C,
    MOVING_AIR,
    WARMEST_FROST_C,
    Freeze,
    Solid,
    Stuff,
    Thaw,
    as_solid,
    holds_at,
    settling_water_g,
)

psychrolib.SetUnitSystem(psychrolib.SI)

RICE = Stuff(conductivity=0.11, heat_capacity=1600, density=870)
FLOUR = Stuff(conductivity=0.08, heat_capacity=1750, density=600)


def filled(key: str, share: float = 0.9) -> Solid:
    container = reference.containers()[key]
    return as_solid(container, closed_volume_ml(container) * share)


@pytest.mark.parametrize("temperature_c", [-10, 0.5, 10, 21, 35])
@pytest.mark.parametrize("humidity", [0.1, 0.5, 0.9])
def test_dew_point_against_psychrolib(temperature_c: float, humidity: float) -> None:
    """Source: psychrolib 2.5, GetTDewPointFromRelHum (ASHRAE Fundamentals 2017)."""
    expected = psychrolib.GetTDewPointFromRelHum(temperature_c, humidity)
    assert dew_point_c(temperature_c, humidity) == pytest.approx(expected, abs=0.02)


def test_a_pail_takes_a_day_and_a_half_only_to_get_cold() -> None:
    """A full 5-gallon pail of rice needs about 38 h, half a kilo of flour about 5 h (our own design's check values)."""
    pail = Freeze(filled("lined-5-gallon", 1.0), RICE, 20, -18)
    assert pail.middle_cold_hours() == pytest.approx(38, rel=0.15)
    half_kilo = Solid((0.094, 0.094, 0.094))
    assert Freeze(half_kilo, FLOUR, 20, -18).middle_cold_hours() == pytest.approx(5, rel=0.15)
    flat = as_solid(reference.containers()["bag-quart"], 500 / 0.6)
    assert Freeze(flat, FLOUR, 20, -18).middle_cold_hours() < 3.5, "spread out flat it is quicker"


def test_a_day_does_not_reach_the_middle_of_a_pail() -> None:
    """Why the guidelines differ: three of them count from the door, and a pail's middle is not cold by then."""
    pail = Freeze(filled("lined-5-gallon"), RICE, 20, -18)
    day, _, _, ours = HOLDS
    assert pail.ends_hours(day) < pail.middle_cold_hours()
    assert pail.ends_hours(ours) == pytest.approx(96 + pail.middle_cold_hours())
    assert float(pail.temperature_c(np.array([pail.middle_cold_hours()]))[0]) == pytest.approx(KILLS_C, abs=0.05)


def test_a_colder_freezer_and_moving_air_are_quicker() -> None:
    slow = Freeze(filled("bag-gallon"), RICE, 20, -18).middle_cold_hours()
    assert Freeze(filled("bag-gallon"), RICE, 20, -25).middle_cold_hours() < slow
    assert Freeze(filled("bag-gallon"), RICE, 20, -18, MOVING_AIR).middle_cold_hours() < slow
    assert Freeze(filled("bag-gallon"), RICE, 4, -18).middle_cold_hours() < slow


@pytest.mark.parametrize(("start_c", "freezer_c"), [(20, 5), (20, -5.5), (20, -60), (90, -18)])
def test_a_freezer_that_does_not_kill(start_c: float, freezer_c: float) -> None:
    with pytest.raises(OutOfRange):
        Freeze(filled("bag-gallon"), RICE, start_c, freezer_c)


@pytest.mark.parametrize(("freezer_c", "days"), [(-15.9, 28), (-11, 56), (-6, 84), (-13.5, 42)])
def test_a_mild_frost_takes_weeks(freezer_c: float, days: float) -> None:
    """Source: Canadian government advice on cold against insects in stored grain, from memory: 4 weeks at −15 °C, 8 at
    −10, 12 at −5; by hand half way between, and a degree warmer in the middle than the air."""
    (hold,) = holds_at(freezer_c)
    frost = Freeze(filled("bag-gallon"), RICE, 20, freezer_c)
    assert hold.hours / 24 == pytest.approx(days, abs=1.2)
    assert frost.ends_hours(hold) == pytest.approx(hold.hours + frost.middle_cold_hours())
    assert float(frost.temperature_c(np.array([frost.middle_cold_hours()]))[0]) == pytest.approx(hold.at_c, abs=0.05)


@given(st.floats(-40, WARMEST_FROST_C), st.floats(-40, WARMEST_FROST_C))
def test_milder_is_never_sooner_done(one: float, other: float) -> None:
    colder, milder = (
        Freeze(filled("bag-gallon"), RICE, 20, each).ends_hours(holds_at(each)[-1])
        for each in (min(one, other), max(one, other))
    )
    assert colder <= milder + 24


def test_thawing_passes_the_dew_point_outside_first() -> None:
    thaw = Thaw(filled("bag-gallon"), RICE, -18, 20, 0.5)
    outside, inside = thaw.dry_hours(at_surface=True), thaw.dry_hours()
    assert 0 < outside < inside
    assert float(thaw.temperature_c(np.array([inside]))[0]) == pytest.approx(thaw.dew_c, abs=0.1)
    damp = Thaw(filled("bag-gallon"), RICE, -18, 20, 0.9)
    assert damp.dry_hours() > inside
    assert np.isfinite(Thaw(filled("bag-gallon"), RICE, -18, 20, 1.0).dry_hours())


def test_a_dry_cold_room_wets_nothing() -> None:
    assert Thaw(filled("bag-gallon"), RICE, -18, 2, 0.05).dry_hours() == 0
    water = settling_water_g(2500, 1700, food_c=15, room_c=20, humidity=0.5, pressure_kpa=101.3)
    assert water == 0


@given(st.floats(-40, 8), st.floats(0.4, 1.0))
def test_settling_water_is_part_of_what_would_warm_the_food_alone(food_c: float, humidity: float) -> None:
    """Bounded by all of the warming to the dew point coming from condensation: m·c·ΔT ÷ 2,500 kJ/kg."""
    water = settling_water_g(1000, 1700, food_c=food_c, room_c=20, humidity=humidity, pressure_kpa=101.3)
    rise = max(0.0, dew_point_c(20, humidity) - food_c)
    assert 0 <= water <= 1.7 * rise / 2500 * 1000 + 1e-9


def test_more_damp_and_colder_food_settle_more() -> None:
    waters = [
        settling_water_g(1000, 1700, food_c=food, room_c=20, humidity=damp, pressure_kpa=101.3)
        for food, damp in ((0, 0.5), (-18, 0.5), (-18, 0.8))
    ]
    assert waters == sorted(waters)
    assert waters[0] > 0


@pytest.mark.parametrize("container", reference.containers().values(), ids=lambda each: each.key)
@pytest.mark.parametrize("share", [0.2, 0.9])
def test_every_container_has_a_shape_for_the_cold(container: Container, share: float) -> None:
    """The block encloses the food's own volume; a bag's faces add up to its film."""
    volume = closed_volume_ml(container) * share
    solid = as_solid(container, volume)
    if container.is_flat:
        thick, width, length = solid.thick_m
        assert thick <= width
        assert thick + width == pytest.approx(container.width_mm / 1000, abs=1e-6)
        assert thick * width * length * 1e6 == pytest.approx(volume, rel=0.25)
    else:
        assert solid.radius_m * 2000 == pytest.approx((container.top_mm + container.base_mm) / 2)


def test_more_than_it_holds_has_no_shape() -> None:
    container = reference.containers()["bag-gallon"]
    with pytest.raises(OutOfRange, match="volume_ml"):
        as_solid(container, 1e5)
