"""Ways of keeping food that does not keep dry: in a freezer, a fridge, a cellar, a room."""

from __future__ import annotations

from collections.abc import Mapping
from enum import StrEnum

from yellow_larder.core.containers import Closing
from yellow_larder.core.keeping.shelf_life import Life


class Way(StrEnum):
    """How food that is not dry is kept; its life is told for each."""

    FREEZER = "freezer"
    FRIDGE = "fridge"
    FRIDGE_VACUUM = "fridge, under vacuum"
    CELLAR = "cellar"
    ROOM = "room"


FREEZER_C, FRIDGE_C, CELLAR_C = -12.0, 8.0, 16.0
"""The warmest mean, °C, that still counts as a freezer, a fridge, a cellar. Source: a freezer is held at −18 °C and a
fridge at 4 °C (USDA, FDA, from memory), cellars at 10–16 °C (common practice); the lines between are our judgement."""


def way_kept(mean_c: float, closing: Closing, ways: Mapping[Way, Life]) -> Way:
    """How a food is kept in a place, by how cold it is there and how the food is closed.

    Args:
        mean_c: mean temperature of the place, °C.
        closing: what was done about the air: it counts in a fridge, for what is the better for it.
        ways: the ways that its life is told for.

    Example:
        >>> week = Life(4, 7, 9)
        >>> ways = {Way.FRIDGE: week, Way.FRIDGE_VACUUM: Life(10, 14, 18), Way.ROOM: Life(0.5, 1, 2)}
        >>> [way_kept(4, closing, ways).value for closing in (Closing.LID, Closing.VACUUM)]
        ['fridge', 'fridge, under vacuum']

    Source: see `FREEZER_C`.
    """
    if mean_c <= FREEZER_C:
        return Way.FREEZER
    if mean_c <= FRIDGE_C:
        return Way.FRIDGE_VACUUM if closing is Closing.VACUUM and Way.FRIDGE_VACUUM in ways else Way.FRIDGE
    return Way.CELLAR if mean_c <= CELLAR_C else Way.ROOM


_CELLAR_DAYS, _FRIDGE_DAYS = 30.0, 5.0


def usual_way(ways: Mapping[Way, Life]) -> Way:
    """Where food that is not dry usually stands.

    In a cellar, if that keeps it for a month, and as long as a fridge would; in a freezer, if it would keep for less
    than five days in a fridge; or else in a fridge.

    Example:
        >>> meat = {Way.CELLAR: Life(0.5, 1, 2), Way.FRIDGE: Life(3, 4, 5), Way.FREEZER: Life(120, 240, 365)}
        >>> onions = {Way.CELLAR: Life(90, 150, 240), Way.FRIDGE: Life(30, 60, 120), Way.FREEZER: Life(90, 180, 300)}
        >>> usual_way(meat).value, usual_way(onions).value
        ('freezer', 'cellar')

    Source: our judgement on the table of ways.
    """
    cellar, fridge = ways[Way.CELLAR].customary, ways[Way.FRIDGE].customary
    if cellar >= max(_CELLAR_DAYS, fridge):
        return Way.CELLAR
    return Way.FRIDGE if fridge >= _FRIDGE_DAYS else Way.FREEZER
