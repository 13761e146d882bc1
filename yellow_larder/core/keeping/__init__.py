"""What becomes of a package over the years and whatever happens to it, and until when it is good."""

from yellow_larder.core.keeping.best_by_date import Best, Ends, best_by, spoilt
from yellow_larder.core.keeping.course import LITTLE_OXYGEN, Course
from yellow_larder.core.keeping.package import Climate, ComeTo, Package, Room, Walls
from yellow_larder.core.keeping.shelf_life import (
    COOL_STRETCH,
    LONGEST_DAYS,
    REFERENCE_C,
    THICK_MIL,
    Ageing,
    Estimate,
    Life,
    Packing,
    ageing_rate,
    days_left,
    most_days,
    packing_class,
    rate_band,
    share_left,
    soonest_end,
)
from yellow_larder.core.keeping.stretches import share_used
from yellow_larder.core.keeping.ways import Way, usual_way, way_kept

__all__ = [
    "COOL_STRETCH",
    "LITTLE_OXYGEN",
    "LONGEST_DAYS",
    "REFERENCE_C",
    "THICK_MIL",
    "Ageing",
    "Best",
    "Climate",
    "ComeTo",
    "Course",
    "Ends",
    "Estimate",
    "Life",
    "Package",
    "Packing",
    "Room",
    "Walls",
    "Way",
    "ageing_rate",
    "best_by",
    "days_left",
    "most_days",
    "packing_class",
    "rate_band",
    "share_left",
    "share_used",
    "soonest_end",
    "spoilt",
    "usual_way",
    "way_kept",
]
