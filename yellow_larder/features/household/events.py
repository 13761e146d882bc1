"""What can happen to the household, its places, and who eats here."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

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


@event("place", "made")
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
    """

    name: str
    sort: str
    shelves: int
    width_mm: float
    mean_c: float
    swing_c: float
    warmest_month: int = 7
    humidity: float = 0.5


@event("place", "changed")
@dataclass(frozen=True, slots=True)
class PlaceChanged(Event):
    """It is another than was written: it is so, and was all along."""

    now: PlaceMade


@event("place", "closed")
@dataclass(frozen=True, slots=True)
class PlaceClosed(Event):
    """Nothing stands there any more, and nothing is put there; what stood there keeps it in its history."""

    on: date


@event("eater", "kept", version=2)
@dataclass(frozen=True, slots=True)
class EaterKept(Event):
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
