"""What can happen to a lot: food that is in the house and not packed yet."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from enum import StrEnum
from typing import Literal

from yellow_larder.core.drying import Look, Treatment
from yellow_larder.journal.events import Event, Facts, event, lift


class Origin(StrEnum):
    """How a lot was made here."""

    BOUGHT = ""
    """It was not: it was bought, or found in the cupboard."""
    DRIED = "dried"
    FREEZE_DRIED = "freeze-dried"
    GROUND = "ground"
    MIXED = "mixed"


@dataclass(frozen=True, slots=True)
class Dried:
    """It was dried: from what, to what, for how long and how warm."""

    on: date
    hours: float
    air_c: float
    wet_g: float
    dry_g: float
    moisture_pct: float
    treatments: tuple[Treatment, ...] = ()
    what: Literal["dried"] = "dried"


@dataclass(frozen=True, slots=True)
class FreezeDried:
    """It was freeze-dried; whether two weighings agreed before it came out."""

    on: date
    hours: float
    wet_g: float
    dry_g: float
    agreed: bool
    what: Literal["freeze-dried"] = "freeze-dried"


@dataclass(frozen=True, slots=True)
class Conditioned:
    """It moved freely in its jar for so many days."""

    on: date
    days: int
    what: Literal["conditioned"] = "conditioned"


@dataclass(frozen=True, slots=True)
class FoundWet:
    """Its jar showed that it is not dry."""

    on: date
    look: Look
    what: Literal["found wet"] = "found wet"


@dataclass(frozen=True, slots=True)
class DriedAgain:
    """It was dried again after that."""

    on: date
    what: Literal["dried again"] = "dried again"


@dataclass(frozen=True, slots=True)
class GroundUp:
    """It was ground to powder."""

    on: date
    what: Literal["ground"] = "ground"


@dataclass(frozen=True, slots=True)
class MixedPart:
    """What went into a mix, and how much of it."""

    name: str
    mass_g: float


@dataclass(frozen=True, slots=True)
class MixedOf:
    """It was mixed of several lots."""

    on: date
    parts: tuple[MixedPart, ...]
    what: Literal["mixed"] = "mixed"


@dataclass(frozen=True, slots=True)
class TakenOut:
    """It was taken out of a package, to be packed anew; with what was wrong with that, by its code."""

    package: int
    packed_on: date
    trouble: str = ""
    what: Literal["taken out"] = "taken out"


@dataclass(frozen=True, slots=True)
class Told:
    """A line as a version of before wrote it."""

    text: str
    what: Literal["told"] = "told"


HistoryStep = Dried | FreezeDried | Conditioned | FoundWet | DriedAgain | GroundUp | MixedOf | TakenOut | Told
"""Something that was done to a lot."""


@event("lot", "came", version=2)
@dataclass(frozen=True, slots=True)
class LotCame(Event):
    """A batch of one food came into the house.

    Attributes:
        food_key: the food.
        came_g: how much of it.
        came_on: when.
        coins: what it cost, in the smallest coin; none if it was not bought.
        price: the price line that it was bought by.
        moisture_pct: its moisture by weight, wet basis, %; none means that of the table.
        made: how it was made here.
        wet_g: what it weighed fresh, if it was dried here.
        wants_conditioning: whether a jar has to prove it dry.
        frozen_on: the day it came out of the freezer, insects killed.
        history: what was done to it before.
    """

    food_key: str
    came_g: float
    came_on: date
    coins: int | None = None
    price: int | None = None
    moisture_pct: float | None = None
    made: Origin = Origin.BOUGHT
    wet_g: float | None = None
    wants_conditioning: bool = False
    frozen_on: date | None = None
    history: tuple[HistoryStep, ...] = ()


@lift("lot", "came", version=1)
def _with_history(facts: Facts) -> Facts:
    rest = {name: value for name, value in facts.items() if name != "story"}
    return rest | {"history": [{"what": "told", "text": line} for line in facts.get("story", [])]}


@event("lot", "frozen")
@dataclass(frozen=True, slots=True)
class LotFrozen(Event):
    """It was frozen through, and is out again: its insects are dead."""

    on: date


@event("lot", "weighed")
@dataclass(frozen=True, slots=True)
class LotWeighed(Event):
    """There is so much of it."""

    mass_g: float


@event("lot", "packed", "ground", "mixed")
@dataclass(frozen=True, slots=True)
class LotTaken(Event):
    """So much was taken from it, to be packed, ground or mixed."""

    mass_g: float


@event("lot", "conditioned", version=2)
@dataclass(frozen=True, slots=True)
class LotConditioned(Event):
    """Its jar proved it dry."""

    on: date
    step: Conditioned | Told


@event("lot", "damp", version=2)
@dataclass(frozen=True, slots=True)
class LotFoundWet(Event):
    """Its jar showed that it is not dry."""

    step: FoundWet | Told


@event("lot", "dried again", version=2)
@dataclass(frozen=True, slots=True)
class LotDriedAgain(Event):
    """It was dried again after that."""

    step: DriedAgain | Told


@lift("lot", "conditioned", "damp", "dried again", version=1)
def _with_step(facts: Facts) -> Facts:
    rest = {name: value for name, value in facts.items() if name != "story"}
    return rest | {"step": {"what": "told", "text": " ".join(facts["story"])}}


LotEvent = LotCame | LotFrozen | LotWeighed | LotTaken | LotConditioned | LotFoundWet | LotDriedAgain
