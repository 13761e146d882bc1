"""What a germination test tells, and how thick to sow."""

from __future__ import annotations

import math
from statistics import NormalDist

import scipy  # its parts are loaded when they are first used

from yellow_larder.core.errors import check_range

_SURE = 0.9
"""How sure one wants to be of as many plants as are wanted. Source: our judgement."""


def germination_band(sown: int, came: int) -> tuple[float, float]:
    """Between what germination lies, by a test, 0–1: nine in ten such bands hold it.

    Args:
        sown: seeds laid out, 1–10,000.
        came: how many of them came, 0 to that.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        Seven of ten say little, seventy of a hundred more:

        >>> [[round(end, 2) for end in germination_band(n, 7 * n // 10)] for n in (10, 100)]
        [[0.44, 0.87], [0.62, 0.77]]

    Source: Wilson, E. B. (1927) J. Am. Stat. Assoc. 22, 209–212: the score interval of a share.
    """
    check_range("sown", sown, 1, 10_000, "seeds")
    check_range("came", came, 0, sown, "seeds")
    share, spread = came / sown, NormalDist().inv_cdf(0.95) ** 2 / sown
    middle = (share + spread / 2) / (1 + spread)
    half = math.sqrt(spread * (share * (1 - share) + spread / 4)) / (1 + spread)
    # At none and at all of them an end is 0 or 1 but for what rounding leaves.
    return max(0.0, middle - half), min(1.0, middle + half)


def sown_thicker(new: float, now: float) -> float:
    """How many times as thick as new seed old seed is sown, for as many plants; infinite if none comes.

    Example:
        >>> sown_thicker(0.8, 0.4), sown_thicker(0.8, 0.9)
        (2.0, 1.0)

    Source: proportion; never thinner than new seed.
    """
    check_range("new", new, 0, 1, "")
    check_range("now", now, 0, 1, "")
    return max(1.0, new / now) if now else math.inf


def seeds_to_sow(plants: int, germination: float) -> int:
    """Seeds to lay out so that nine times in ten as many plants come up as are wanted.

    Args:
        plants: plants wanted, 1–10,000.
        germination: share that comes, 0.01–1.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> seeds_to_sow(12, 0.7), seeds_to_sow(12, 1)
        (21, 12)

    Source: the binomial distribution.
    """
    check_range("plants", plants, 1, 10_000, "plants")
    check_range("germination", germination, 0.01, 1, "")
    low, high = plants, math.ceil(plants / germination * 4) + 60
    while low < high:
        middle = (low + high) // 2
        enough = scipy.special.bdtrc(plants - 1, middle, germination) >= _SURE
        low, high = (low, middle) if enough else (middle + 1, high)
    return low
