"""When a load will be dry, from what was expected and what was weighed since."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
import scipy  # its parts are loaded when they are first used

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.errors import OutOfRange, check_range
from yellow_larder.core.food import dried_mass_g

BAND_SD = 1.6449
"""Standard deviations to either end of a band that nine in ten lie in. Source: normal distribution."""

_SHAPE, _SHAPE_SD = 1.05, 0.15
"""Page's n for sliced food, and how much its logarithm varies. Source: 0.8–1.4 over published fits of fruit and
vegetables in warm air (reviews of thin-layer drying), from memory."""

_WEIGHING_DOUBT = 0.03
"""Standard deviation of the share of water left about Page's curve: pieces move, and food that begins at a constant
rate follows it only roughly. Source: our judgement, by simulation: the band then holds nine in ten of those too."""

_TRAY_SD = 0.06
"""Standard deviation of the logarithm of the hours between the tray that was weighed and all of them: trays differ by a
tenth. Source: our judgement, by simulation."""

_RISE_SHARE, _RISE_G = 0.01, 3.0
"""What a weight may rise by the scale and the hand alone. Source: our judgement."""


@dataclass(frozen=True, slots=True)
class Hours:
    """Hours to the target, as a range that nine in ten lie in, and the factors behind it.

    Attributes:
        low: shortest.
        likely: the middle.
        high: longest.
        thickness: how many times longer for its thickness.
        air: how many times longer for the air's warmth and damp.
        skin: how many times longer for a skin that was not opened.
        still: how many times longer for air that hardly moves.
    """

    low: float
    likely: float
    high: float
    thickness: float = 1.0
    air: float = 1.0
    skin: float = 1.0
    still: float = 1.0

    def times(self, factor: float) -> Hours:
        """The range so many times as long."""
        return replace(self, low=self.low * factor, likely=self.likely * factor, high=self.high * factor)


@dataclass(frozen=True, slots=True)
class Weighing:
    """A weight taken: hours since it went in, and the share of the start weight that is left."""

    hours: float
    share: float


@dataclass(frozen=True, slots=True)
class DryingCurve:
    """How food dries: from its water to the target, towards what the air would leave in it.

    Attributes:
        start_pct: water at the start, wet basis, %.
        target_pct: water when it is dry enough, %.
        floor_pct: water that this air would leave in it in the end, %.

    Raises:
        OutOfRange: there is more water wanted than there is, or the air is too damp to get there.
    """

    start_pct: float
    target_pct: float
    floor_pct: float

    def __post_init__(self) -> None:
        """Refuse a target that cannot be reached."""
        check_range("start_pct", self.start_pct, 1, 98, "%")
        if self.target_pct >= self.start_pct:
            raise OutOfRange("target_pct", self.target_pct, 0, self.start_pct, "%")
        check_range("target_pct", self.target_pct, 0, 60, "%")
        if self.floor_pct >= self.target_pct:
            raise OutOfRange("floor_pct", self.floor_pct, 0, self.target_pct, "%")

    @property
    def target_share(self) -> float:
        """Weight when dry enough, as a share of the start."""
        return dried_mass_g(1, self.start_pct, self.target_pct)

    @property
    def floor_share(self) -> float:
        """Weight it would come to in the end, as a share of the start."""
        return dried_mass_g(1, self.start_pct, self.floor_pct)

    @property
    def left_at_target(self) -> float:
        """Share of the water that can go that is still there at the target."""
        return (self.target_share - self.floor_share) / (1 - self.floor_share)

    def moisture_pct(self, share: float) -> float:
        """Moisture at a share of the start weight, wet basis, %; 0 if it weighs no more than its solids.

        Example:
            >>> round(DryingCurve(85.56, 8, 3).moisture_pct(0.157), 1)
            8.0
        """
        solids = 1 - self.start_pct / 100
        return max(0.0, 100 * (1 - solids / share)) if share > 0 else 0.0


@dataclass(frozen=True, slots=True)
class Forecast:
    """Page's model fitted to what was known before and what was weighed.

    Attributes:
        course: how the food dries.
        log_hours: logarithm of the hours to the target, as estimated.
        shape: Page's n.
        spread: covariance of the logarithms of both.
    """

    course: DryingCurve
    log_hours: float
    shape: float
    spread: Numbers

    def hours(self) -> Hours:
        """Hours from going in until the target, with the band."""
        sd = math.sqrt(float(self.spread[0, 0]))
        low, likely, high = (math.exp(self.log_hours + n * BAND_SD * sd) for n in (-1, 0, 1))
        return Hours(low, likely, high)

    def share(self, hours: Numbers, sd: float = 0.0) -> Numbers:
        """Weight as a share of the start after some hours; so many standard deviations wetter or drier.

        Example:
            >>> prior = forecast(DryingCurve(85.56, 8, 3), Hours(6, 7, 8), [])
            >>> [round(each, 3) for each in prior.share(np.array([0.0, 7.0])).tolist()]
            [1.0, 0.157]
        """
        apart = np.log(np.maximum(hours, 1e-6)) - self.log_hours
        away = np.stack([np.full_like(apart, -self.shape), self.shape * apart])
        doubt = np.sqrt(np.einsum("it,ij,jt->t", away, self.spread, away))
        rate = math.log(-math.log(self.course.left_at_target)) + self.shape * apart - sd * doubt
        left = np.exp(-np.exp(np.minimum(rate, 5.0)))
        share: Numbers = self.course.floor_share + (1 - self.course.floor_share) * left
        return share


def forecast(course: DryingCurve, expected: Hours, weighings: Sequence[Weighing], *, division: float = 0.0) -> Forecast:
    """When it will be dry, from what was expected and what was weighed since.

    Args:
        course: how the food dries.
        expected: hours expected before anything was weighed.
        weighings: what was weighed.
        division: the scale's step, as a share of the start weight, 0–0.2.

    Returns:
        The forecast; before the first weighing, what was expected.

    Raises:
        OutOfRange: a weighing lies before the start or outside 0–1.05 of the start weight.

    Example:
        Half the water is gone sooner than expected, so it will be dry sooner:

        >>> course = DryingCurve(85.56, 8, 3)
        >>> prior = forecast(course, Hours(6, 8, 10), [])
        >>> later = forecast(course, Hours(6, 8, 10), [Weighing(1.5, 0.55), Weighing(3, 0.3)])
        >>> later.hours().likely < prior.hours().likely
        True

    Source: Page (1949), MR = exp(−k·tⁿ), fitted by least squares with the expectation as prior; the spread is that
        of the linearised fit (Laplace).
    """
    check_range("division", division, 0, 0.2, "")
    for each in weighings:
        check_range("hours", each.hours, 0, 2000, "hours")
        check_range("share", each.share, 0, 1.05, "of the start weight")
    mean = np.array([math.log(expected.likely), math.log(_SHAPE)])
    sd = np.array([max(math.log(expected.high / expected.low) / (2 * BAND_SD), 0.02), _SHAPE_SD])
    late = [each for each in weighings if each.hours > 0.05]
    log_t = np.log(np.array([each.hours for each in late]))
    room = 1 - course.floor_share
    left = np.clip((np.array([each.share for each in late]) - course.floor_share) / room, 0.0, 1.0)
    doubt = math.hypot(_WEIGHING_DOUBT, division / room)
    ends = math.log(-math.log(course.left_at_target))

    def off(theta: Numbers) -> Numbers:
        rate = ends + np.exp(theta[1]) * (log_t - theta[0])
        modelled = np.exp(-np.exp(np.minimum(rate, 5.0)))
        return np.concatenate([(theta - mean) / sd, (modelled - left) / doubt])

    found = scipy.optimize.least_squares(off, mean)
    slope = np.asarray(found.jac, dtype=np.float64)
    spread = np.asarray(np.linalg.inv(slope.T @ slope), dtype=np.float64)
    if late:
        spread[0, 0] += _TRAY_SD**2
    return Forecast(course, float(found.x[0]), math.exp(float(found.x[1])), spread)


def slower_for_water(usual: DryingCurve, course: DryingCurve) -> float:
    """How many times longer one course takes than another that differs in its water only.

    Args:
        usual: the course that the hours are known of.
        course: the course they are wanted of.

    Returns:
        The factor; above 1 for wetter food.

    Example:
        >>> round(slower_for_water(DryingCurve(85, 8, 3), DryingCurve(92, 8, 3)), 2)
        1.15

    Source: Page's model with the same k and n, from its logarithm at the target.
    """
    wanted, known = (math.log(each.left_at_target) for each in (course, usual))
    return float((wanted / known) ** (1 / _SHAPE))


def rises(before_g: float, after_g: float) -> bool:
    """Whether a later weight is higher than the scale and the hand can explain.

    Example:
        >>> rises(400, 402), rises(400, 430)
        (False, True)

    Source: see `_RISE_SHARE` and `_RISE_G`.
    """
    return after_g > before_g * (1 + _RISE_SHARE) + _RISE_G


def stands_still(weighings: Sequence[Weighing]) -> bool:
    """Whether the last weights, an hour or more apart, differ by less than half a per cent of the start.

    Example:
        >>> stands_still([Weighing(5, 0.21), Weighing(6.5, 0.207)])
        True

    Source: drying to constant weight, common practice.
    """
    if not weighings:
        return False
    last = weighings[-1]
    earlier = [each for each in weighings if each.hours <= last.hours - 1]
    return bool(earlier) and abs(earlier[-1].share - last.share) < 0.005
