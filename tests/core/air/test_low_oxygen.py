import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder.core.air import days_to_kill, oxygen_left
from yellow_larder.core.errors import OutOfRange


@pytest.mark.parametrize(("temperature_c", "low", "high"), [(20, 21, 35), (25, 14, 24), (30, 9, 15)])
def test_against_controlled_atmosphere_storage(temperature_c: float, low: float, high: float) -> None:
    """Weeks at one per cent or less, warm rooms faster. Source: FAO, Annis (1987), from memory; common practice."""
    assert low <= days_to_kill(temperature_c) <= high


@given(st.floats(10, 50), st.floats(0, 5), st.floats(0, 0.03))
def test_warmth_and_less_oxygen_are_never_slower(temperature_c: float, more: float, oxygen: float) -> None:
    warmer = min(temperature_c + more, 50)
    assert days_to_kill(warmer, oxygen) <= days_to_kill(temperature_c, oxygen) + 1e-9
    assert days_to_kill(temperature_c, oxygen / 2) <= days_to_kill(temperature_c, oxygen) + 1e-9


def test_where_they_live_on() -> None:
    assert math.isinf(days_to_kill(4))
    assert math.isinf(days_to_kill(20, 0.04))
    assert days_to_kill(20, 0.03) == pytest.approx(3 * 28)


def test_what_a_vacuum_leaves() -> None:
    """By hand: 25 inHg drawn at sea level leaves 101.3 − 84.7 = 16.7 kPa, a sixth: 3.4 % oxygen."""
    assert oxygen_left(16.67, 101.325) == pytest.approx(0.0345, abs=2e-4)
    for wrong in (-5, 0, 102, math.nan):
        with pytest.raises(OutOfRange):
            oxygen_left(wrong, 101.325)
