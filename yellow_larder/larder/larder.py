"""The larder as a whole: its file, its clock, and who it belongs to."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import asdict, dataclass, field, replace
from datetime import UTC, date, datetime
from pathlib import Path
from typing import Any

from sqlalchemy import Engine, select
from sqlalchemy.orm import Session

from yellow_larder.core.air import pressure_kpa
from yellow_larder.core.errors import OutOfRange, check_range
from yellow_larder.core.shelf_life import School, ageing_rate
from yellow_larder.larder.clock import day_of
from yellow_larder.larder.quantities import Units
from yellow_larder.larder.refusals import NotThere, Refused, in_words
from yellow_larder.reference import packets
from yellow_larder.store import journal
from yellow_larder.store.database import open_database, reading, writing
from yellow_larder.store.models import Change, Household, Place

LONGEST_NAME = 80


@dataclass(frozen=True, slots=True)
class Settings:
    """Who eats here, the room they pack in, and how they like to see things.

    Attributes:
        name: what the household is called.
        people: how many eat, as long as nobody is named.
        kcal_per_person_day: what one of them eats in a day, likewise.
        units: the measures they think in.
        altitude_m: height of the house above the sea.
        room_c: temperature of the room they pack in, °C.
        humidity: relative humidity of that room, 0–1.
        school: whose word they take on shelf life.
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
    school: School = School.CUSTOMARY
    packet_sizes: tuple[int, ...] = (100, 300, 500, 2000)
    currency: str = ""
    kwh_coins: float = 0


@dataclass(frozen=True, slots=True)
class NewPlace:
    """A place to put packages.

    Attributes:
        name: what it is called.
        sort: how it is drawn: cupboard, cellar or loft.
        shelves: how many there are, counted from the top.
        width_mm: how wide they are.
        mean_c: mean temperature of its year, °C.
        warmest_c: the warmest it gets, °C.
        warmest_month: the month it is warmest in, 1–12: July in the north, January in the south.
        humidity: relative humidity, 0–1.
    """

    name: str
    sort: str = "cupboard"
    shelves: int = 3
    width_mm: float = 1200
    mean_c: float = 18
    warmest_c: float = 22
    warmest_month: int = 7
    humidity: float = 0.5


@dataclass(slots=True)
class Larder:
    """One household's larder: a file, and a clock."""

    engine: Engine
    clock: Callable[[], datetime] = field(default=lambda: datetime.now(UTC).replace(tzinfo=None))

    def today(self) -> date:
        """The day it is in the house."""
        return day_of(self.clock())


def open_larder(
    path: Path, clock: Callable[[], datetime] | None = None, *, first_place: NewPlace | None = None
) -> Larder:
    """Open the larder in a file; a new one gets a place to begin with, a pantry unless another is given."""
    engine = open_database(path)
    larder = Larder(engine, clock) if clock else Larder(engine)
    with writing(engine) as session:
        if session.scalar(select(Change.id).limit(1)) is None:
            acts = [
                journal.Act("household", 1, "settled", asdict(Settings())),
                journal.Act("place", 1, "made", _place_facts(first_place or NewPlace("Pantry"))),
            ]
            journal.record(session, "Opened the larder", acts, at=larder.clock())
    return larder


def settings(session: Session) -> Settings:
    """How the household stands now."""
    facts: dict[str, Any] = dict(session.get_one(Household, 1).facts)
    return Settings(
        **facts
        | {
            "units": Units(facts["units"]),
            "school": School(facts["school"]),
            "packet_sizes": tuple(facts["packet_sizes"]),
        }
    )


def current_settings(larder: Larder) -> Settings:
    """How the household stands now, outside of any other reading."""
    with reading(larder.engine) as session:
        return settings(session)


def settle(larder: Larder, new: Settings) -> Settings:
    """Change how the household stands."""
    try:
        pressure_kpa(new.altitude_m)
        check_range("temperature_c", new.room_c, -10, 45, "°C")
        check_range("humidity", new.humidity, 0, 1, "")
        check_range("kcal_per_person_day", new.kcal_per_person_day, 500, 8000, "kcal")
    except OutOfRange as error:
        raise in_words(error) from error
    if not 1 <= new.people <= 100:
        raise Refused("people", "Between 1 and 100 people can eat from one larder")
    unknown = [size for size in new.packet_sizes if size not in packets()]
    if unknown or not new.packet_sizes:
        sizes = ", ".join(str(size) for size in packets())
        raise Refused("packet_sizes", f"Pick the packets you keep from {sizes} mL")
    if not 0 <= new.kwh_coins <= 1000:
        raise Refused("kwh_coins", "A kilowatt-hour costs between 0 and 1,000 of the smallest coin")
    currency = new.currency.strip()
    if len(currency) > 3 or not currency.isprintable():
        raise Refused("currency", "A sign for money has three letters at most")
    tidy = replace(
        new,
        name=tidy_name(new.name, "name"),
        packet_sizes=tuple(sorted(set(new.packet_sizes))),
        currency=currency,
    )
    with writing(larder.engine) as session:
        act = journal.Act("household", 1, "settled", asdict(tidy))
        journal.record(session, "Changed the household", [act], at=larder.clock())
    return tidy


def add_place(larder: Larder, new: NewPlace) -> int:
    """Add a place to put packages; returns its number."""
    facts = _place_facts(new)
    with writing(larder.engine) as session:
        if session.scalar(select(Place.id).where(Place.name == facts["name"])):
            raise Refused("name", f"There is already a place called {facts['name']}")
        number = journal.next_number(session, "place")
        act = journal.Act("place", number, "made", facts)
        journal.record(session, f"Added the place {facts['name']}", [act], at=larder.clock())
    return number


def take_back(larder: Larder) -> str:
    """Undo the last change, whatever it was; returns what was undone."""
    with writing(larder.engine) as session:
        change = journal.last_change(session)
        if change is None:
            raise NotThere("undo", "There is nothing to take back")
        journal.undo(session, change, at=larder.clock())
        return change.title


def tidy_name(name: str, field_name: str) -> str:
    """A name with its spaces tidied; markup is only text, but line breaks and control signs are refused."""
    tidy = " ".join(name.split())
    if not tidy:
        raise Refused(field_name, "Give it a name")
    if len(tidy) > LONGEST_NAME:
        raise Refused(field_name, f"That name has {len(tidy):,} characters; {LONGEST_NAME} is the most a label holds")
    if not tidy.isprintable():
        raise Refused(field_name, "The name holds signs that cannot be printed on a label")
    return tidy


def _place_facts(new: NewPlace) -> dict[str, Any]:
    try:
        ageing_rate(new.mean_c, new.warmest_c - new.mean_c, 2)
        check_range("humidity", new.humidity, 0, 1, "")
    except OutOfRange as error:
        raise in_words(error) from error
    if not 1 <= new.warmest_month <= 12:
        raise Refused("warmest_month", "Months are counted from 1 to 12")
    if new.sort not in ("cupboard", "cellar", "loft"):
        raise Refused("sort", "A place is drawn as a cupboard, a cellar or a loft")
    if not 1 <= new.shelves <= 12:
        raise Refused("shelves", "Between 1 and 12 shelves can be drawn")
    if not 300 <= new.width_mm <= 6000:
        raise Refused("width_mm", "Shelves are between 30 cm and 6 m wide")
    return {
        "name": tidy_name(new.name, "name"),
        "sort": new.sort,
        "shelves": new.shelves,
        "width_mm": new.width_mm,
        "mean_c": new.mean_c,
        "swing_c": new.warmest_c - new.mean_c,
        "warmest_month": new.warmest_month,
        "humidity": new.humidity,
    }
