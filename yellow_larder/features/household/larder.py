"""The larder as a whole: its file, its clock, and who it belongs to."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace
from datetime import date, datetime, timedelta
from pathlib import Path

from sqlalchemy import Engine, select
from sqlalchemy.orm import Session

from yellow_larder.core.air import pressure_kpa
from yellow_larder.core.errors import check_range
from yellow_larder.core.keeping import ageing_rate
from yellow_larder.features.household.clock import day_of, on_the_wall, utc_now
from yellow_larder.features.household.events import PlaceMade, Settings
from yellow_larder.features.household.measured import kept_log
from yellow_larder.features.household.state import Place
from yellow_larder.features.household.versions import check_based_on
from yellow_larder.journal import log
from yellow_larder.journal.database import close_database, make_database, open_database, reading, writing
from yellow_larder.journal.file import Hold, hold
from yellow_larder.journal.tables import About
from yellow_larder.reference import packets
from yellow_larder.reference.faces import JOINS, cannot_be_printed
from yellow_larder.words.dates import say_day
from yellow_larder.words.errors import NotThere, Refused

LONGEST_NAME = 80

CLOCKS_DIFFER = timedelta(minutes=5)
"""A clock that was set right may go back by this much and nobody need hear of it. Source: our judgement."""


ROOM_C = (1.0, 45.0)
"""The coldest and the warmest room that anybody packs in, °C; all sums hold for it. Source: our judgement."""


SORTS_OF_PLACE = ("cupboard", "cellar", "loft", "fridge", "freezer")
"""How a place can be drawn."""

COLD_SORTS = frozenset({"fridge", "freezer"})
"""Places that a machine keeps cold."""


@dataclass(frozen=True, slots=True)
class NewPlace:
    """A place to put packages.

    Attributes:
        name: what it is called.
        sort: how it is drawn: one of `SORTS_OF_PLACE`.
        shelves: how many there are, counted from the top.
        width_mm: how wide they are.
        mean_c: mean temperature of its year, °C.
        warmest_c: the warmest it gets, °C.
        warmest_month: the month it is warmest in, 1–12: July in the north, January in the south.
        humidity: relative humidity, 0–1.
        dark: whether no daylight comes to the shelves.
    """

    name: str
    sort: str = "cupboard"
    shelves: int = 3
    width_mm: float = 1200
    mean_c: float = 18
    warmest_c: float = 22
    warmest_month: int = 7
    humidity: float = 0.5
    dark: bool = False


@dataclass(slots=True)
class Larder:
    """One household's larder: a file, held for this process alone, and a clock.

    Attributes:
        engine: the database in the file.
        held: the hold on the file; none for a larder that is in no file.
        clock: what tells the moment, in UTC.
        demo: whether it is a demo's, which may be made anew.
        copy_trouble: why the last safe copy could not be kept; empty if it could.
    """

    engine: Engine
    held: Hold | None = None
    clock: Callable[[], datetime] = utc_now
    demo: bool = False
    copy_trouble: str = ""

    def today(self) -> date:
        """The day it is in the house."""
        return day_of(self.clock())

    @property
    def file(self) -> Path | None:
        """The larder's file; none for a larder that is in no file."""
        return self.held.path if self.held else None

    def close(self) -> None:
        """Carry everything over into the one file, close it, and let others have it."""
        close_database(self.engine)
        if self.held is not None:
            self.held.let_go()

    def __enter__(self) -> Larder:
        return self

    def __exit__(self, *_: object) -> None:
        self.close()


def open_larder(
    path: Path,
    clock: Callable[[], datetime] = utc_now,
    *,
    first_place: NewPlace | None = None,
    demo: bool = False,
) -> Larder:
    """Open the larder in a file, or make one there.

    Args:
        path: the file.
        clock: what tells the moment, in UTC.
        first_place: the place that a new larder begins with; none means a pantry.
        demo: mark a new larder as a demo, which may be made anew.

    Raises:
        CannotOpen: the file is no larder, is damaged or in use, or cannot be written; nothing was touched.
    """
    held = hold(path)
    try:
        if not held.path.exists():
            make_database(held.path, lambda engine: _begin(engine, clock(), first_place, demo=demo))
        engine = open_database(held.path)
        with reading(engine) as session:
            return Larder(engine, held, clock, demo=session.get(About, "demo") is not None)
    except BaseException:
        held.let_go()
        raise


def _begin(engine: Engine, at: datetime, first_place: NewPlace | None, *, demo: bool) -> None:
    acts = [
        log.Act(1, Settings()),
        log.Act(1, place_made(first_place or NewPlace("Pantry"))),
    ]
    with writing(engine) as session:
        log.record(session, log.title("household.opened"), acts, at=at)
        if demo:
            session.add(About(name="demo", value="yes"))


def clock_behind(session: Session, now: datetime) -> str:
    """What is to be said if the clock stands behind the newest change; empty if it does not."""
    newest = log.ends(session).newest_at
    if newest is None or newest - now <= CLOCKS_DIFFER:
        return ""
    shows, was = on_the_wall(now), on_the_wall(newest)
    return (
        f"This machine’s clock shows {say_day(shows.date())}, {shows:%H:%M}, but the newest change was made on "
        f"{say_day(was.date())}, {was:%H:%M}. Set the clock: what is done now would get the wrong day."
    )


def settings(session: Session) -> Settings:
    """How the household stands now."""
    return log.once(session, "settings", lambda: _settings(session))


def places_in(session: Session) -> dict[int, Place]:
    """Where packages stand, by number."""
    return log.once(session, "places", lambda: _places(session))


def _places(session: Session) -> dict[int, Place]:
    places = {each.id: each for each in session.scalars(_PLACES)}
    for each in places.values():
        each.log = kept_log(session, each)
    return places


def places_in_use(session: Session) -> dict[int, Place]:
    """Where packages can be put, by number."""
    return {number: each for number, each in places_in(session).items() if each.closed_on is None}


def find_place(session: Session, number: int, field: str = "place") -> Place:
    """Where packages can be put, by its number, as it was picked in a field.

    Raises:
        NotThere: it is not there, or not in use any more.
    """
    place = places_in_use(session).get(number)
    if place is None:
        raise NotThere(field, "That place is not there any more; pick another")
    return place


_PLACES = select(Place).order_by(Place.id)


def _settings(session: Session) -> Settings:
    kept = log.records(session, Settings)[1]
    coldest, warmest = ROOM_C
    # A file of before may have a room that nobody packs in.
    return replace(kept, room_c=min(max(kept.room_c, coldest), warmest))


def current_settings(larder: Larder) -> Settings:
    """How the household stands now, outside of any other reading."""
    with reading(larder.engine) as session:
        return settings(session)


def settings_as_shown(larder: Larder) -> tuple[Settings, int]:
    """How the household stands now, and the version that a change of it is based on."""
    with reading(larder.engine) as session:
        return settings(session), log.version(session, "household", 1)


def settle(larder: Larder, new: Settings, *, based_on: int | None = None) -> Settings:
    """Change how the household stands, from the version it was shown in."""
    pressure_kpa(new.altitude_m)
    check_range("temperature_c", new.room_c, *ROOM_C, "°C")
    check_range("humidity", new.humidity, 0, 1, "")
    check_range("kcal_per_person_day", new.kcal_per_person_day, 500, 8000, "kcal")
    if not 1 <= new.people <= 100:
        raise Refused("people", "Between 1 and 100 people can eat from one larder")
    unknown = [size for size in new.packet_sizes if size not in packets()]
    if unknown or not new.packet_sizes:
        sizes = ", ".join(str(size) for size in packets())
        raise Refused("packet_sizes", f"Choose the absorbers you keep from {sizes} mL")
    if not 0 <= new.kwh_coins <= 1000:
        raise Refused("kwh_coins", "The price per kWh is between 0 and 1,000 of the smallest coin")
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
        check_based_on(session, "household", 1, based_on, lambda: settings(session))
        log.record(session, log.title("household.settled"), [log.Act(1, tidy)], at=larder.clock())
    return tidy


def add_place(larder: Larder, new: NewPlace) -> int:
    """Add a place to put packages; returns its number."""
    made = place_made(new)
    with writing(larder.engine) as session:
        check_place_name(session, made.name)
        number = log.next_number(session, "place")
        log.record(session, log.title("place.made", name=made.name), [log.Act(number, made)], at=larder.clock())
    return number


def check_place_name(session: Session, name: str, *, but: int = 0) -> None:
    """Refuse a name that another place has.

    Raises:
        Refused: there is one.
    """
    if any(each.name == name and each.id != but for each in places_in_use(session).values()):
        raise Refused("name", f"There is already a place called {name}")


def tidy_name(name: str, field_name: str) -> str:
    """A name with its spaces tidied; markup is only text, but line breaks and control signs are refused."""
    tidy = " ".join(name.split())
    if not tidy:
        raise Refused(field_name, "Give it a name")
    if len(tidy) > LONGEST_NAME:
        raise Refused(field_name, f"That name has {len(tidy):,} characters; {LONGEST_NAME} is the most a label holds")
    lacking = cannot_be_printed(tidy)
    if lacking or not all(sign.isprintable() or sign in JOINS for sign in tidy):
        which = f"“{lacking}”" if lacking.isprintable() and lacking else "a control sign"
        raise Refused(field_name, f"No label can print {which}: write the name without it")
    return tidy


def place_made(new: NewPlace) -> PlaceMade:
    """A place as it was typed.

    Raises:
        Refused: a field is wrong.
    """
    ageing_rate(new.mean_c, new.warmest_c - new.mean_c, 2)
    check_range("humidity", new.humidity, 0, 1, "")
    if not 1 <= new.warmest_month <= 12:
        raise Refused("warmest_month", "Months are counted from 1 to 12")
    if new.sort not in SORTS_OF_PLACE:
        raise Refused("sort", "A place is drawn as a cupboard, a cellar, a loft, a fridge or a freezer")
    if not 1 <= new.shelves <= 12:
        raise Refused("shelves", "Between 1 and 12 shelves can be drawn")
    if not 300 <= new.width_mm <= 6000:
        raise Refused("width_mm", "Shelves are between 30 cm and 6 m wide")
    return PlaceMade(
        name=tidy_name(new.name, "name"),
        sort=new.sort,
        shelves=new.shelves,
        width_mm=new.width_mm,
        mean_c=new.mean_c,
        swing_c=new.warmest_c - new.mean_c,
        warmest_month=new.warmest_month,
        humidity=new.humidity,
        dark=new.dark,
    )
