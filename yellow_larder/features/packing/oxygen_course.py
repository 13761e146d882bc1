"""The oxygen in one container over the time it stands, from the hour it is closed to forty years on."""

from __future__ import annotations

import math

import numpy as np

from yellow_larder.core.air import OXYGEN_SHARE_DRY
from yellow_larder.core.arrays import Numbers
from yellow_larder.core.days import DAYS_PER_YEAR, say_span
from yellow_larder.core.keeping import Course
from yellow_larder.features.packing.plan import AirInside, OxygenPoint
from yellow_larder.reference.walls import source_of
from yellow_larder.words.quantities import say_share

_DAYS = np.geomspace(1 / 24, 40 * DAYS_PER_YEAR, 72)
_LONGEST_YEARS = 40


def air_inside(course: Course) -> AirInside:
    """The oxygen in a package over time: by the middle of what its wall lets through, and the ends as its band."""
    shares = 100 * course.oxygen(_DAYS)
    back, down = float(course.oxygen_back_days[0]), course.down_days
    forever = back > _LONGEST_YEARS * DAYS_PER_YEAR
    holds = None if forever else back
    vacuum = course.of.vacuum_share
    says = _says(course, down, holds) if vacuum is None else _says_vacuum(vacuum, shares[0])
    return AirInside(
        course=[OxygenPoint(*row) for row in np.stack([_DAYS, *shares], axis=1).round(4).tolist()],
        down_days=None if math.isinf(down) else down,
        holds_days=holds,
        says=says,
        source=source_of(course.of.container),
    )


def _says_vacuum(share: float, course: Numbers) -> str:
    """How long a vacuum keeps oxygen under twice what it left, and under half of the room's."""
    half = np.flatnonzero(course >= 50 * OXYGEN_SHARE_DRY)
    if not len(half):
        return f"The vacuum leaves {say_share(share, 1)} oxygen, and the wall keeps the rest out for decades."
    back = say_span(float(_DAYS[half[0]]))
    return f"The vacuum leaves {say_share(share, 1)} oxygen; half of the room's is back after {back}."


def _says(course: Course, down: float, holds: float | None) -> str:
    if course.of.packed_ml <= 0:
        return "No absorbers: the air stays as it is."
    if math.isinf(down) or holds == 0:
        return "The absorbers never get the oxygen down to 1 %."
    first = f"Down to 1 % oxygen in {say_span(down)}"
    if holds is None:
        return f"{first}, and it stays there for more than {_LONGEST_YEARS} years."
    lets = "the openings let" if course.of.opened_a_day else "the wall lets"
    return f"{first}; {lets} it back above that after {say_span(holds)}."
