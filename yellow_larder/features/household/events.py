"""What can happen to the household, its places, and who eats here."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from enum import StrEnum

from yellow_larder.core.keeping import Estimate
from yellow_larder.core.planning import Activity, Sex
from yellow_larder.journal.events import Event, Facts, event, lift
from yellow_larder.words.quantities import Units


@event("household", "settled", version=2)
@dataclass(frozen=True, slots=True)
class Settings(Event):
    """Who eats here, the room they pack in, and how they like to see things.

    Attributes:
        name: what the household is called.
        people: how many eat, as long as nobody is named.
        kcal_per_person_day: what one of them eats in a day, likewise.
        units: the measures they think in.
        altitude_m: height of the house above the sea.
        room_c: temperature of the room they pack in, °C.
        humidity: relative humidity of that room, 0–1.
        estimate: which estimate of shelf life they go by.
        packet_sizes: ratings of the absorber packets they keep, mL.
        currency: the sign put before sums of money; may be empty.
        kwh_coins: what a kilowatt-hour costs, in the smallest coin; 0 if it is not said.
    """

    name: str = "Our larder"
    people: int = 2
    kcal_per_person_day: float = 2200
    units: Units = Units.METRIC
    altitude_m: float = 0
    room_c: float = 20
    humidity: float = 0.5
    estimate: Estimate = Estimate.CUSTOMARY
    packet_sizes: tuple[int, ...] = (100, 300, 500, 2000)
    currency: str = ""
    kwh_coins: float = 0


@lift("household", "settled", version=1)
def _with_estimate(facts: Facts) -> Facts:
    return {"estimate" if name == "school" else name: value for name, value in facts.items()}


@event("place", "made", version=2)
@dataclass(frozen=True, slots=True)
class PlaceMade(Event):
    """There is a place to put packages.

    Attributes:
        name: what it is called.
        sort: how it is drawn: cupboard, cellar or loft.
        shelves: how many there are, counted from the top.
        width_mm: how wide they are.
        mean_c: mean temperature of its year, °C.
        swing_c: how much warmer its warmest month is, K.
        warmest_month: 1–12.
        humidity: relative humidity, 0–1.
        dark: whether no daylight comes to the shelves.
    """

    name: str
    sort: str
    shelves: int
    width_mm: float
    mean_c: float
    swing_c: float
    warmest_month: int = 7
    humidity: float = 0.5
    dark: bool = False


@lift("place", "made", version=1)
def _with_light(facts: Facts) -> Facts:
    """Until then nobody said whether a place is dark."""
    return facts


@event("place", "changed", version=2)
@dataclass(frozen=True, slots=True)
class PlaceChanged(Event):
    """It is another than was written: it is so, and was all along."""

    now: PlaceMade


@lift("place", "changed", version=1)
def _now_with_light(facts: Facts) -> Facts:
    return facts


@dataclass(frozen=True, slots=True)
class TakenFor:
    """The year that a place is taken for: see `Place`."""

    mean_c: float
    swing_c: float
    warmest_month: int
    humidity: float


@event("place", "logged")
@dataclass(frozen=True, slots=True)
class PlaceLogged(Event):
    """What a logger measured there was read from its file.

    Attributes:
        on: when it was read.
        log: the attachment that holds it, by hour.
        hours: how many hours.
        warmest_c: the warmest hour, °C.
        year: what the place is taken for since.
    """

    on: date
    log: int
    hours: int
    warmest_c: float
    year: TakenFor

    @property
    def attachment(self) -> int:
        """The log."""
        return self.log


@event("place", "read")
@dataclass(frozen=True, slots=True)
class PlaceRead(Event):
    """Somebody read the thermometer there.

    Attributes:
        on: the day.
        hour: the hour of it, 0–23.
        temperature_c: what it showed, °C.
        humidity: relative humidity, 0–1; none if nothing showed it.
        year: what the place is taken for since.
    """

    on: date
    hour: int
    temperature_c: float
    humidity: float | None
    year: TakenFor


class Alarm(StrEnum):
    """What can be seen in a place that everything in it is to be looked at for."""

    RODENTS = "rodents"
    INSECTS = "insects"
    FLOOD = "flood"


@event("place", "alarmed")
@dataclass(frozen=True, slots=True)
class PlaceAlarmed(Event):
    """Something was seen there."""

    on: date
    what: Alarm


@event("place", "seen to")
@dataclass(frozen=True, slots=True)
class PlaceSeenTo(Event):
    """What stands there was looked at, and what was to be done is done."""

    on: date
    what: Alarm


@event("place", "counted")
@dataclass(frozen=True, slots=True)
class PlaceCounted(Event):
    """Somebody went along its shelves: so many packages are there."""

    on: date
    there: int


@event("place", "closed")
@dataclass(frozen=True, slots=True)
class PlaceClosed(Event):
    """Nothing stands there any more, and nothing is put there; what stood there keeps it in its history."""

    on: date


@event("eater", "kept", version=2)
@dataclass(frozen=True, slots=True)
class PersonKept(Event):
    """Somebody eats here, or several who are alike.

    Attributes:
        name: a name or a role.
        birth_year: the year they were born.
        sex: whose energy equation holds.
        activity: how much they move.
        height_cm: none means what is usual for the age.
        weight_kg: the same.
        count: how many there are of them, alike.
        weeks: guests: how many weeks of the time ahead they are here; none means always.
        kcal: a figure of their own for the day; none means the equation's.
    """

    name: str
    birth_year: int
    sex: Sex
    activity: Activity
    height_cm: float | None
    weight_kg: float | None
    count: int
    weeks: float | None
    kcal: float | None


@lift("eater", "kept", version=1)
def _with_units_named(facts: Facts) -> Facts:
    rest = {name: value for name, value in facts.items() if name not in ("height", "weight")}
    return rest | {"height_cm": facts["height"], "weight_kg": facts["weight"]}
