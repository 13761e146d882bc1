"""Insects without oxygen: how long until every stage is dead, and what a vacuum leaves."""

from __future__ import annotations

import math

import numpy as np

from yellow_larder.core.air.oxygen_course import NONE_LEFT, Breathing
from yellow_larder.core.air.room_air import OXYGEN_SHARE_DRY
from yellow_larder.core.errors import check_range

_AT_C = (10.0, 15.0, 20.0, 25.0, 30.0, 35.0)
_DAYS = (120.0, 60.0, 28.0, 20.0, 12.0, 7.0)
"""Days at one per cent of oxygen or less that kill every stage of the hardiest grain insects, by temperature.

Source: controlled-atmosphere storage of grain, FAO and Annis (1987), from memory: four weeks at 20 °C, twenty days at
25, ten to fourteen at 30; the colder ends by our judgement.
"""

_STILL_KILLS = 0.03
"""Share of oxygen above which eggs live through it. Source: controlled-atmosphere literature, from memory: two to three
per cent takes several times as long, more does not kill."""

_LEVELS = np.linspace(NONE_LEFT, _STILL_KILLS, 9)
"""Levels of oxygen between one and three per cent that are looked at."""


def days_to_kill(temperature_c: float, oxygen_share: float = 0.0) -> float:
    """How long a package must stay without oxygen until nothing that came with the food lives.

    Args:
        temperature_c: of the store, °C, −20–50.
        oxygen_share: share of oxygen left, 0–0.21.

    Returns:
        Days; infinite where it is too cold for them to breathe, or too much oxygen is left.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> round(days_to_kill(20)), round(days_to_kill(11)), days_to_kill(20, 0.05)
        (28, 104, inf)

    Source: see `_DAYS`; in between by their logarithms. Between one and three per cent up to three times as long.
    """
    check_range("temperature_c", temperature_c, -20, 50, "°C")
    check_range("oxygen_share", oxygen_share, 0, 0.21, "")
    if oxygen_share > _STILL_KILLS or temperature_c < _AT_C[0]:
        return math.inf
    days = float(np.exp(np.interp(temperature_c, _AT_C, np.log(_DAYS))))
    if oxygen_share <= NONE_LEFT:
        return days
    return days * (1 + 2 * (oxygen_share - NONE_LEFT) / (_STILL_KILLS - NONE_LEFT))


def kills_within_days(air: Breathing, temperature_c: float) -> float:
    """Days after closing until nothing that came with the food lives, by the course of its oxygen.

    Down to one per cent and kept there is quickest; up to three per cent does, if it is kept for longer.

    Args:
        air: the oxygen in one package, a row for each wall; the first is looked at.
        temperature_c: of the store, °C, −20–50.

    Returns:
        Days; infinite if they live through it.

    Raises:
        OutOfRange: the temperature is outside the range above.

    Example:
        >>> jar = Breathing(np.array([1000.0]), np.array([0.207]), np.array([300.0]), np.array([0.0]))
        >>> round(kills_within_days(jar, 20)), kills_within_days(jar, 5)
        (29, inf)

    Source: see `days_to_kill`.
    """
    needs = np.array([days_to_kill(temperature_c, level) for level in _LEVELS.tolist()])
    down, back = (np.atleast_2d(each)[0] for each in (air.down_days(_LEVELS), air.holds_days(_LEVELS)))
    with np.errstate(invalid="ignore"):
        kept = back - down >= needs
    return float(np.min(np.where(kept & np.isfinite(needs), down + needs, np.inf)))


def oxygen_left(left_kpa: float, outside_kpa: float) -> float:
    """Oxygen that a vacuum leaves, as a share of what the same room holds of ordinary air.

    Args:
        left_kpa: pressure left in the container, kPa, 0.5 to that outside.
        outside_kpa: pressure of the room, kPa, 50–110.

    Returns:
        Share, 0–0.21.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        A pump that draws to a fifth of an atmosphere leaves a fifth of the oxygen:

        >>> round(oxygen_left(20.265, 101.325), 3)
        0.042

    Source: Dalton.
    """
    check_range("outside_kpa", outside_kpa, 50, 110, "kPa")
    check_range("left_kpa", left_kpa, 0.5, outside_kpa, "kPa")
    return OXYGEN_SHARE_DRY * left_kpa / outside_kpa
