"""Rodents, insects or water in a place: what stands there is to be looked at, and which of it first."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from datetime import date

from sqlalchemy import select
from sqlalchemy.orm import Session

from yellow_larder.core.containers import Closing, Kind
from yellow_larder.features.catalog.containers import container_by_key
from yellow_larder.features.household.events import Alarm, PlaceAlarmed, PlaceSeenTo
from yellow_larder.features.household.larder import Larder, places_in_use
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.state import Package
from yellow_larder.features.places.places import place_in_use
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.words.dates import check_day, say_day
from yellow_larder.words.errors import Refused

SAYS = {Alarm.RODENTS: "mice or rats", Alarm.INSECTS: "insects", Alarm.FLOOD: "water"}
"""What was seen, in words."""

_TO_DO = {
    Alarm.RODENTS: "Look for gnawing and droppings, and put these into a pail, tote or bin. What was gnawed or fouled "
    "is thrown out, not cleaned. Droppings are taken up wet, with gloves: their dust makes ill.",
    Alarm.INSECTS: "Look for webs, larvae and small holes. What has them is thrown out or frozen through at once; "
    "sieve and close anew what has none.",
    Alarm.FLOOD: "Take these out of the wet. What floodwater touched is thrown out unless it is a tin or can without a "
    "dent, which is washed and disinfected: ask the food-safety authority where you live.",
}
"""What is done about it. Source: common practice; US advice after floods (USDA, FDA) and on rodents (CDC), from
memory."""


@dataclass(frozen=True, slots=True)
class AlarmView:
    """Something that was seen in a place and not seen to yet.

    Attributes:
        what: what.
        says: the same in words, and since when.
        to_do: what is done about it.
        first: the packages that are to be looked at, by number: those that it can get at.
        on: the day it was seen.
    """

    what: Alarm
    says: str
    to_do: str
    first: list[int]
    on: date


def alarm(larder: Larder, number: int, what: Alarm, *, on: date | None = None) -> AlarmView:
    """Something was seen in a place: what it can get at there is to be looked at.

    Raises:
        NotThere: the place is not there.
        Refused: it was said already, or on a day to come.
    """
    day = check_day(on or larder.today(), larder.today(), "on")
    with writing(larder.engine) as session:
        place = place_in_use(session, number)
        if what.value in place.alarms:
            since = say_day(date.fromisoformat(place.alarms[what.value]))
            raise Refused("what", f"That was said on {since} and is not seen to yet")
        title = log.title("place.alarmed", name=place.name, what=SAYS[what])
        log.record(session, title, [log.Act(number, PlaceAlarmed(day, what))], at=larder.clock())
        return _view(session, place, what, day)


def seen_to(larder: Larder, number: int, what: Alarm) -> None:
    """What stands in a place was looked at, and what was to be done is done.

    Raises:
        NotThere: the place is not there.
        Refused: nothing of the kind was seen there.
    """
    with writing(larder.engine) as session:
        place = place_in_use(session, number)
        if what.value not in place.alarms:
            raise Refused("what", f"No {SAYS[what]} were seen there, or it is seen to")
        title = log.title("place.seen-to", name=place.name, what=SAYS[what])
        log.record(session, title, [log.Act(number, PlaceSeenTo(larder.today(), what))], at=larder.clock())


def see_alarms(larder: Larder, number: int) -> list[AlarmView]:
    """What was seen in a place and is not seen to yet.

    Raises:
        NotThere: the place is not there.
    """
    with reading(larder.engine) as session:
        return alarms_in(session, place_in_use(session, number))


def alarms_in(session: Session, place: Place) -> list[AlarmView]:
    """What was seen in a place and is not seen to yet, the oldest first."""
    found = [_view(session, place, Alarm(what), date.fromisoformat(on)) for what, on in place.alarms.items()]
    return sorted(found, key=lambda each: each.on)


def all_alarms(session: Session) -> list[tuple[Place, AlarmView]]:
    """What was seen in any place and is not seen to yet."""
    return [(place, each) for place in places_in_use(session).values() for each in alarms_in(session, place)]


def _view(session: Session, place: Place, what: Alarm, on: date) -> AlarmView:
    standing = select(Package).where(Package.place_id == place.id, Package.gone_on.is_(None)).order_by(Package.number)
    first = [each.number for each in session.scalars(standing) if _GETS_AT[what](each, place)]
    return AlarmView(what, f"{SAYS[what].capitalize()} seen, {say_day(on)}", _TO_DO[what], first, on)


def _rodents(package: Package, _place: Place) -> bool:
    return not package.outer and not container_by_key(package.container_key).stops_rodents


def _insects(package: Package, _place: Place) -> bool:
    """What is open, or in what moths bite through, or closed with the air that they need."""
    shop = container_by_key(package.container_key).kind in (Kind.PACKET, Kind.BOX)
    return shop or package.open_since is not None or package.closing == Closing.LID


def _flood(package: Package, place: Place) -> bool:
    return package.shelf == place.shelves


_GETS_AT: dict[Alarm, Callable[[Package, Place], bool]] = {
    Alarm.RODENTS: _rodents,
    Alarm.INSECTS: _insects,
    Alarm.FLOOD: _flood,
}


def say_first(first: Sequence[int]) -> str:
    """Which packages are to be looked at, in words.

    Example:
        >>> say_first([3, 5]), say_first([7]), say_first([])
        ('2 packages, number 3 first', 'number 7', 'nothing there that it can get at')
    """
    if not first:
        return "nothing there that it can get at"
    return f"number {first[0]}" if len(first) == 1 else f"{len(first)} packages, number {first[0]} first"
