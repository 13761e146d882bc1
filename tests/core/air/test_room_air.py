import fluids
import psychrolib
import pytest
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder.core import air
from yellow_larder.core.errors import OutOfRange


@pytest.mark.parametrize("altitude_m", range(0, 2501, 250))
def test_pressure_by_altitude(altitude_m: int) -> None:
    """Source: US Standard Atmosphere 1976, as computed by the library fluids.

    fluids takes height above the sea, the formula geopotential height: 1 m apart at 2,500 m, so 3 in 10,000.
    """
    expected = fluids.ATMOSPHERE_1976(altitude_m).P / 1000
    assert air.pressure_kpa(altitude_m) == pytest.approx(expected, rel=3e-4)


@pytest.mark.parametrize("temperature_c", [-30, -20, -10, -1, 0.5, 5, 11, 20, 27, 40, 60, 80])
def test_saturation_pressure(temperature_c: float) -> None:
    """Source: ASHRAE Fundamentals 2017, as computed by the library psychrolib."""
    psychrolib.SetUnitSystem(psychrolib.SI)
    assert air.saturation_kpa(temperature_c) * 1000 == pytest.approx(psychrolib.GetSatVapPres(temperature_c), rel=1e-6)


def test_moist_air_holds_less_oxygen() -> None:
    """Source: Dalton's law, with 2.339 kPa of saturated vapour at 20 °C (ASHRAE steam table)."""
    saturated = air.oxygen_share(temperature_c=20, humidity=1.0)
    assert saturated == pytest.approx(0.20946 * (1 - 2.339 / 101.325), rel=1e-4)


@given(st.floats(-500, 4999), st.floats(0.5, 1))
def test_higher_is_thinner(altitude_m: float, step: float) -> None:
    assert air.pressure_kpa(altitude_m + step) < air.pressure_kpa(altitude_m)


@pytest.mark.parametrize("altitude_m", [-501, 5001, float("nan"), float("inf"), 384_400_000])
def test_no_packing_on_the_moon(altitude_m: float) -> None:
    with pytest.raises(OutOfRange) as refusal:
        air.pressure_kpa(altitude_m)
    assert (refusal.value.field, refusal.value.low, refusal.value.high) == ("altitude_m", -500, 5000)
