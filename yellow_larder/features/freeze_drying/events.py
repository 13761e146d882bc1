"""What can happen to a load in a freeze dryer."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime

from yellow_larder.features.drying.events import Weight, weights_before
from yellow_larder.journal.events import Event, Facts, event, lift


@dataclass(frozen=True, slots=True)
class FreezeLoadItem:
    """One food as it went in.

    Attributes:
        food_key: the food; empty in what was written before its key was, and `line` says which.
        mass_g: how much of it.
        frozen: whether it was frozen.
        line: what a version of before has: "2 kg fish stew".
    """

    frozen: bool
    food_key: str = ""
    mass_g: float = 0.0
    line: str = ""


@dataclass(frozen=True, slots=True)
class CameOutAt:
    """When a load came out, as which lots, and into what air."""

    at: datetime
    lots: tuple[int, ...]
    room_c: float
    humidity: float


@event("freeze-load", "began", "weighed", "out", version=2)
@dataclass(frozen=True, slots=True)
class FreezeLoadRecord(Event):
    """A load in a freeze dryer, as it stands after what was done to it.

    Attributes:
        dryer: key of the freeze dryer.
        items: its foods.
        began: when the door closed.
        weighings: of the whole load.
        out: when it came out; none as long as it is in.
    """

    dryer: str
    items: tuple[FreezeLoadItem, ...]
    began: datetime
    weighings: tuple[Weight, ...] = ()
    out: CameOutAt | None = None


@lift("freeze-load", "began", "weighed", "out", version=1)
def _with_weights(facts: Facts) -> Facts:
    return facts | {"weighings": weights_before(facts["weighings"])}
