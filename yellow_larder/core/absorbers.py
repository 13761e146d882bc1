"""Which oxygen absorber packets to drop in."""

from __future__ import annotations

import math
from functools import lru_cache

import numpy as np
from scipy.optimize import Bounds, LinearConstraint, milp

from yellow_larder.core.errors import CoreError, check_range

MOST_PACKETS = 60
"""More packets than this in one container is a wrong size of packet, not a plan. Source: our judgement."""


class NoPacketFits(CoreError):
    """No choice of the packets at hand covers the need."""


@lru_cache(maxsize=4096)
def choose_packets(need_ml: float, sizes_ml: tuple[int, ...]) -> dict[int, int]:
    """Whole packets that cover a need: fewest millilitres wasted, then fewest packets.

    Args:
        need_ml: millilitres of oxygen to take up, 0–1,000,000.
        sizes_ml: ratings of the packets at hand, mL each, 1–10,000.

    Returns:
        How many of each size, largest first; sizes not used are left out.

    Raises:
        OutOfRange: an argument is outside the range above.
        NoPacketFits: there are no packets, or it would take more than 60 of them.

    Example:
        >>> choose_packets(389, (100, 200, 2000))
        {200: 2}
        >>> choose_packets(0, (100,))
        {}

    Source: integer program, solved by HiGHS through `scipy.optimize.milp`.
    """
    check_range("need_ml", need_ml, 0, 1e6, "mL")
    for size in sizes_ml:
        check_range("sizes_ml", size, 1, 10_000, "mL")
    if need_ml == 0:
        return {}
    sizes = np.array(sorted(set(sizes_ml), reverse=True), dtype=float)
    if sizes.size == 0 or need_ml > MOST_PACKETS * sizes[0]:
        raise NoPacketFits(f"{need_ml:.0f} mL takes more than {MOST_PACKETS} of the packets you keep")
    # Packets are whole millilitres, so the need may be too, which keeps the solver away from its tolerance.
    # One weight orders the two aims: a millilitre more always costs more than any number of packets.
    found = milp(
        sizes * (MOST_PACKETS + 1) + 1,
        constraints=[
            LinearConstraint(sizes, lb=math.ceil(need_ml)),
            LinearConstraint(np.ones_like(sizes), ub=MOST_PACKETS),
        ],
        integrality=np.ones_like(sizes),
        bounds=Bounds(0, MOST_PACKETS),
    )
    if found.x is None:
        raise NoPacketFits(f"no {MOST_PACKETS} of the packets you keep make up {need_ml:.0f} mL")
    counts = [round(count) for count in found.x]
    return {int(size): count for size, count in zip(sizes, counts, strict=True) if count}
