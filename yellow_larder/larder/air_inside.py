"""The oxygen in one container over the time it stands, from the hour it is closed to forty years on."""

from __future__ import annotations

import numpy as np

from yellow_larder.core.air import OXYGEN_SHARE_DRY
from yellow_larder.core.breathing import NONE_LEFT, Breathing, Numbers, ingress_ml_day
from yellow_larder.core.containers import Container
from yellow_larder.larder.plan import AirInside, OxygenPoint, Packed
from yellow_larder.reference import DAYS_PER_YEAR, walls

_DAYS = np.geomspace(1 / 24, 40 * DAYS_PER_YEAR, 72)
_LONGEST_YEARS = 40


def air_inside(container: Container, packed: Packed, *, share: float, store_c: float, waxed: bool = False) -> AirInside:
    """The oxygen in a container with its packets over time.

    Args:
        container: the container.
        packed: what is in it.
        share: share of oxygen in the air it was closed in.
        store_c: mean temperature of where it stands, °C.
        waxed: whether its cap is under wax.

    Returns:
        The course by the middle of what its wall lets through, with the tightest and the leakiest as its band.
    """
    row = walls()[container.kind]

    kinds = (row.middle, row.tight, row.leaky)
    ingress = [[ingress_ml_day(container, wall.waxed() if waxed else wall)] for wall in kinds]
    inside = Breathing(
        np.array(max(packed.void_ml, 1.0)),
        np.array(share),
        np.array(packed.packed_ml),
        np.array(ingress),
        store_c,
    )
    shares = 100 * inside.oxygen_share(_DAYS)
    holds = float(inside.holds_days()[0, 0])
    below = np.flatnonzero(shares[0] <= 100 * NONE_LEFT)
    down = float(_DAYS[below[0]]) if len(below) else None
    forever = holds > _LONGEST_YEARS * DAYS_PER_YEAR
    says = _says(down, None if forever else holds) if packed.packed_ml else _says_vacuum(share, shares[0])
    return AirInside(
        course=[OxygenPoint(*row_) for row_ in np.stack([_DAYS, *shares], axis=1).round(4).tolist()],
        down_days=down,
        holds_days=None if forever else holds,
        says=says,
        source=row.source,
    )


def say_span(days: float) -> str:
    """A length of time in hours, days, months or years, as people say it.

    Example:
        >>> say_span(1.1), say_span(12), say_span(300), say_span(960)
        ('26 hours', '12 days', '10 months', '2½ years')
    """
    if days < 2:
        return f"{max(1, round(days * 24))} hours"
    if days < 60:
        return f"{days:.0f} days"
    if days < 1.5 * DAYS_PER_YEAR:
        return f"{days / 30.44:.0f} months"
    halves = round(days / DAYS_PER_YEAR * 2)
    return f"{halves // 2}{'½' if halves % 2 and halves < 20 else ''} years"


def _says_vacuum(share: float, course: Numbers) -> str:
    """How long a vacuum keeps oxygen under twice what it left, and under half of the room's."""
    half = np.flatnonzero(course >= 50 * OXYGEN_SHARE_DRY)
    if not len(half):
        return f"The vacuum leaves {share:.1%} oxygen, and the wall keeps the rest out for decades."
    return f"The vacuum leaves {share:.1%} oxygen; half of the room's is back after {say_span(float(_DAYS[half[0]]))}."


def _says(down: float | None, holds: float | None) -> str:
    if down is None:
        return "The packets never get the oxygen down to 1 %."
    first = f"Down to 1 % oxygen in {say_span(down)}"
    if holds is None:
        return f"{first}, and it stays there for more than {_LONGEST_YEARS} years."
    return f"{first}; the wall lets it back above that after {say_span(holds)}."
