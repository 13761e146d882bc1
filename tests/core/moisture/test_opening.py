"""Air that a container takes in when it is opened, against a column of air worked out step by step."""

from __future__ import annotations

import numpy as np
import pytest
from scipy.integrate import solve_ivp

from yellow_larder.core.containers import closed_volume_ml
from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.moisture import OPEN_MINUTES, aired_ml, mouth_cm2
from yellow_larder.core.moisture.opening import VAPOR_CM2_S
from yellow_larder.reference import containers

EVERY = list(containers().values())


@pytest.mark.parametrize("container", EVERY, ids=lambda each: each.key)
def test_the_longer_it_stands_open_the_more_air_it_meets(container):
    at_once, usual, a_night = (aired_ml(container, minutes=each) for each in (0.0, OPEN_MINUTES, 480.0))
    assert at_once == closed_volume_ml(container) < usual < a_night
    assert (a_night - at_once) == pytest.approx((usual - at_once) * 480 / OPEN_MINUTES)


def test_a_wide_mouth_meets_more_air_than_a_narrow_one():
    by_key = {each.key: each for each in EVERY}
    assert aired_ml(by_key["jar-pint-wide"]) > 1.2 * aired_ml(by_key["jar-pint"])


@pytest.mark.parametrize("minutes", [-1.0, float("nan"), 1e6])
def test_no_container_stands_open_for_less_than_no_time_or_for_ever(minutes):
    with pytest.raises(OutOfRange):
        aired_ml(EVERY[0], minutes=minutes)


def test_damp_sinks_as_fast_as_in_a_column_worked_out_slice_by_slice():
    """Diffusion down a column of still air to dry food, method of lines, once it is steady: an independent sum."""
    jar = next(each for each in EVERY if each.mouth is not None)
    depth_cm, slices = jar.inner_height_mm / 20, 60
    thick = depth_cm / slices

    def spreads(_: float, share: np.ndarray) -> np.ndarray:
        padded = np.concatenate([[2 - share[0]], share, [-share[-1]]])
        return VAPOR_CM2_S * np.diff(padded, 2) / thick**2

    steady = solve_ivp(spreads, (0, 40 * depth_cm**2), np.zeros(slices), method="BDF").y[:, -1]
    into_the_food = VAPOR_CM2_S * steady[-1] / (thick / 2) * mouth_cm2(jar)
    assert aired_ml(jar, minutes=1) - aired_ml(jar, minutes=0) == pytest.approx(into_the_food * 60, rel=0.01)
