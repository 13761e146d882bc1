"""What can happen to something in the freezer."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime

from yellow_larder.journal.events import Event, Facts, event, lift


@event("freezing", "in", "out", version=2)
@dataclass(frozen=True, slots=True)
class Freezing(Event):
    """Something is in the freezer, or thawing beside it.

    Attributes:
        food_key: the food; empty in what was written before its key was, and `line` says which.
        mass_g: how much of it.
        line: what a version of before has: "10 kg white rice".
        container: key of what it is closed in.
        freezer_c: the temperature of the freezer, or of the frost outdoors, that is counted on, °C.
        moving: whether a fan moves the air round it.
        hold: which guideline's hold, counted from the shortest.
        lot: number of the lot it is, if it came from the cupboard.
        went_in: when.
        taken_out: when; none as long as it is in.
        place: number of the place outdoors whose log tells of warmer hours; none of a freezer.
    """

    container: str
    freezer_c: float
    moving: bool
    hold: int
    lot: int | None
    went_in: datetime
    taken_out: datetime | None = None
    food_key: str = ""
    mass_g: float = 0.0
    line: str = ""
    place: int | None = None


@lift("freezing", "in", "out", version=1)
def _as_it_was(facts: Facts) -> Facts:
    return facts
