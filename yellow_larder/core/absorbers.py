"""Which oxygen absorber packets to drop in."""

from __future__ import annotations

import math
from functools import lru_cache

from yellow_larder.core.errors import CoreError, check_range

MOST_PACKETS = 60
"""More packets than this in one container is a wrong size of packet, not a plan. Source: our judgement."""


_NONE = MOST_PACKETS + 1
"""Stands for a total that no packets make up."""


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

    Source: the coin-change recurrence; the least total at or above the need is the least waste.
    """
    check_range("need_ml", need_ml, 0, 1e6, "mL")
    for size in sizes_ml:
        check_range("sizes_ml", size, 1, 10_000, "mL")
    if not sizes_ml:
        raise NoPacketFits("there are no packets at hand")
    # Counting up in steps of the sizes' common measure: fewest packets for every total, as coins are counted.
    step = math.gcd(*sizes_ml)
    sizes = sorted({size // step for size in sizes_ml}, reverse=True)
    target = -(-math.ceil(need_ml) // step)
    fewest, last = [0], [0]
    for total in range(1, target + sizes[-1]):
        count, size = (
            min((fewest[total - s] + 1, -s) for s in sizes if s <= total) if total >= sizes[-1] else (_NONE, 0)
        )
        fewest.append(count)
        last.append(-size)
    total = next((t for t in range(target, len(fewest)) if fewest[t] <= MOST_PACKETS), -1)
    if total < 0:
        raise NoPacketFits(f"{need_ml:.0f} mL takes more than {MOST_PACKETS} of the packets at hand")
    chosen: dict[int, int] = {}
    while total:
        chosen[last[total] * step] = chosen.get(last[total] * step, 0) + 1
        total -= last[total]
    return dict(sorted(chosen.items(), reverse=True))
