"""Cold that kills insects: how it gets to the middle, and how long it must stay."""

from yellow_larder.core.freezing.heat import Solid, Stuff, hours_until, still_to_go
from yellow_larder.core.freezing.pests import (
    HOLDS,
    KILLS_C,
    MOVING_AIR,
    STILL_AIR,
    WARMEST_FREEZER_C,
    WARMEST_FROST_C,
    Freeze,
    Hold,
    Thaw,
    as_solid,
    holds_at,
    settling_water_g,
)

__all__ = [
    "HOLDS",
    "KILLS_C",
    "MOVING_AIR",
    "STILL_AIR",
    "WARMEST_FREEZER_C",
    "WARMEST_FROST_C",
    "Freeze",
    "Hold",
    "Solid",
    "Stuff",
    "Thaw",
    "as_solid",
    "holds_at",
    "hours_until",
    "settling_water_g",
    "still_to_go",
]
