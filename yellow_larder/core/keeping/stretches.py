"""Life is used up stretch by stretch: each in one place, closed in one way."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from yellow_larder.core.arrays import Numbers


def share_used(
    of: Sequence[int] | NDArray[np.int64], used_days: Numbers, base_days: Numbers, *, packages: int
) -> Numbers:
    """Share of life that packages have used up, added up over the stretches of each.

    Opening does not set the clock back, and closing well again does not either: what was used stays used.

    Args:
        of: the package that each stretch belongs to, 0 to `packages` − 1.
        used_days: life that each stretch cost, days at 21 °C, 0 or more.
        base_days: life at 21 °C of the food as it was closed on that stretch, days, above 0; infinite for what does not
            age.
        packages: how many packages there are.

    Returns:
        A share for each package, 0 for those that have no stretch; may be more than 1.

    Example:
        Two years of thirty under foil, and then half a year of one with the lid on; and one that nothing happened to:

        >>> share_used([0, 0], np.array([730.0, 182.5]), np.array([30 * 365.0, 365.0]), packages=2).round(3).tolist()
        [0.567, 0.0]

    Source: cumulative damage (Palmgren and Miner), as time–temperature tolerance of frozen food has it (van Arsdel,
    1957), from memory.
    """
    counted = np.bincount(np.asarray(of, dtype=np.int64), weights=used_days / base_days, minlength=packages)
    return counted.astype(np.float64)
