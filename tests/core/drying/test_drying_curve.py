import math
from collections.abc import Callable, Sequence
from itertools import pairwise

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import curve_fit

from yellow_larder.core.drying import BAND_SD, DryingCurve, Hours, Weighing, forecast, rises, stands_still
from yellow_larder.core.errors import OutOfRange

APPLE = DryingCurve(85.56, 8, 2.5)
EXPECTED = Hours(5, 8, 12.8)


def weighed(hours: Sequence[float], to_target: float, shape: float, noise: Sequence[float]) -> list[Weighing]:
    """Weights of a tray that follows Page exactly, but for noise."""
    room = 1 - APPLE.floor_share
    left = np.exp(math.log(APPLE.left_at_target) * (np.array(hours) / to_target) ** shape)
    return [
        Weighing(t, float(APPLE.floor_share + room * share + off))
        for t, share, off in zip(hours, left, noise, strict=True)
    ]


def test_target_weight_is_the_solids_and_a_little_water() -> None:
    """1 kg of apple of 85.56 % water holds 144.4 g of solids: 157 g at 8 % (mass balance, by hand)."""
    assert APPLE.target_share == pytest.approx(0.1444 / 0.92)
    assert APPLE.moisture_pct(APPLE.target_share) == pytest.approx(8)
    assert APPLE.moisture_pct(0.1) == 0


def test_beans_come_to_two_and_a_half_ounces() -> None:
    """Source: common practice: 8 oz drained beans dry to 2½ oz."""
    assert 8 * DryingCurve(70.9, 7, 3).target_share == pytest.approx(2.5, abs=0.01)


def test_before_anything_is_weighed_it_is_as_expected() -> None:
    hours = forecast(APPLE, EXPECTED, []).hours()
    assert (hours.low, hours.likely, hours.high) == pytest.approx((5, 8, 12.8))


def test_page_is_recovered_from_noisy_weights() -> None:
    """Against scipy's own curve fit of Page's model, without any prior, to the same made-up weights."""
    noise = np.random.default_rng(7).normal(0, 0.004, 12)
    times = np.linspace(0.5, 6, 12)
    weights = weighed(times.tolist(), 6.2, 0.95, noise.tolist())
    found = forecast(APPLE, Hours(2, 8, 32), weights)
    assert found.hours().likely == pytest.approx(6.2, rel=0.06)
    assert found.shape == pytest.approx(0.95, abs=0.06)

    left = [(each.share - APPLE.floor_share) / (1 - APPLE.floor_share) for each in weights]
    (k, n), _ = curve_fit(lambda t, k, n: np.exp(-k * t**n), times, left, p0=(0.3, 1.0))
    theirs = (-math.log(APPLE.left_at_target) / k) ** (1 / n)
    assert found.hours().likely == pytest.approx(theirs, rel=0.04)


def falling(hours: float, to_target: float, shape: float) -> float:
    """Share of the water to go that is left, by Page's curve."""
    return math.exp(math.log(APPLE.left_at_target) * (hours / to_target) ** shape)


def constant_at_first(hours: float, to_target: float, _shape: float) -> float:
    """The same for food that loses the first half at a constant rate, and the rest as fast as it is wet."""
    rate = (0.5 + math.log(0.5 / APPLE.left_at_target) / 2) / to_target
    return 1 - rate * hours if rate * hours < 0.5 else 0.5 * math.exp(-2 * rate * (hours - 0.5 / rate))


@pytest.mark.parametrize("seen", [0, 1, 3])
@pytest.mark.parametrize(("curve", "trays_sd"), [(falling, 0.0), (falling, 0.1), (constant_at_first, 0.1)])
def test_the_band_holds_nine_in_ten(seen: int, curve: Callable[[float, float, float], float], trays_sd: float) -> None:
    """By simulation: loads drawn from what is expected, one tray of six weighed each time, with noise; 300 of them.

    Nine in ten or more end in the band, and no more than one in ten later: also where trays differ by a tenth, and
    where food begins at a constant rate, which the curve does not know.
    """
    random = np.random.default_rng(seen)
    sd = math.log(EXPECTED.high / EXPECTED.low) / (2 * BAND_SD)
    hits = late = 0
    for _ in range(300):
        to_target = EXPECTED.likely * math.exp(random.normal(0, sd))
        shape = 1.05 * math.exp(random.normal(0, 0.15))
        trays = to_target * np.exp(random.normal(0, trays_sd, 6))
        weights = []
        for hours in [1.0, 2.5, 4.0][:seen]:
            left = curve(hours, float(trays[random.integers(6)]), shape)
            share = APPLE.floor_share + (1 - APPLE.floor_share) * left + random.normal(0, 0.01)
            weights.append(Weighing(hours, float(np.clip(share, 0, 1))))
        band = forecast(APPLE, EXPECTED, weights).hours()
        ends = float(trays.mean())
        hits += band.low <= ends <= band.high
        late += ends > band.high
    assert hits / 300 > 0.86
    assert late / 300 < 0.12


@given(to_target=st.floats(5, 13), shape=st.floats(0.8, 1.3))
def test_every_weighing_narrows_the_band(to_target: float, shape: float) -> None:
    weights = weighed([1, 2, 3, 4], to_target, shape, [0, 0, 0, 0])
    widths = [forecast(APPLE, EXPECTED, weights[:n]).spread[0, 0] for n in range(5)]
    assert all(later <= before * 1.05 for before, later in pairwise(widths))
    assert widths[-1] < widths[0]


@given(share=st.floats(0.3, 0.9), less=st.floats(0.02, 0.2))
def test_lighter_is_never_later(share: float, less: float) -> None:
    light, heavy = (forecast(APPLE, EXPECTED, [Weighing(3, each)]).hours().likely for each in (share - less, share))
    assert light <= heavy


def test_the_curve_falls_within_its_band() -> None:
    found = forecast(APPLE, EXPECTED, weighed([2, 4], 9, 1.0, [0, 0]))
    hours = np.linspace(0, 20, 60)
    middle, dry, wet = (found.share(hours, sd) for sd in (0.0, -BAND_SD, BAND_SD))
    assert np.all(np.diff(middle) <= 0)
    assert np.all(dry <= middle + 1e-12) or np.all(wet <= middle + 1e-12)
    assert middle[0] == pytest.approx(1)
    assert middle[-1] >= APPLE.floor_share


@pytest.mark.parametrize(("start", "target", "floor"), [(60, 60, 2), (8, 10, 2), (85, 8, 9), (99, 8, 2), (85, 61, 2)])
def test_a_course_that_cannot_be_run(start: float, target: float, floor: float) -> None:
    with pytest.raises(OutOfRange):
        DryingCurve(start, target, floor)


@pytest.mark.parametrize("weight", [Weighing(-1, 0.5), Weighing(2, 1.2), Weighing(2, float("nan"))])
def test_a_weight_that_cannot_be(weight: Weighing) -> None:
    with pytest.raises(OutOfRange):
        forecast(APPLE, EXPECTED, [weight])


def test_rising_and_standing_still() -> None:
    assert not rises(100, 103)
    assert rises(100, 105)
    assert stands_still([Weighing(4, 0.2), Weighing(5.5, 0.198)])
    assert not stands_still([Weighing(4, 0.2), Weighing(4.5, 0.198)])
    assert not stands_still([Weighing(4, 0.3), Weighing(6, 0.2)])
    assert not stands_still([])
