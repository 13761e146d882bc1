"""Frost outdoors as a freezer: how cold it has been out there, as a logger has it."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, datetime, timedelta

import numpy as np
from sqlalchemy.orm import Session

from yellow_larder.core.freezing import WARMEST_FROST_C
from yellow_larder.features.household.clock import hour_number, on_the_wall
from yellow_larder.features.household.larder import Larder, find_place, places_in, settings
from yellow_larder.features.household.measured import kept_log
from yellow_larder.features.household.state import Place
from yellow_larder.journal.database import reading
from yellow_larder.words.dates import say_day
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import say_temperature

_HOURS, _WEEK = 24, 7
"""Hours of a day; days of the log that say how cold it is."""

_STILL_TRUE = timedelta(days=14)
"""How long the last week of a log says how cold it is out there. Source: our judgement."""


@dataclass(frozen=True, slots=True)
class Frost:
    """How cold it is in a place outdoors.

    Attributes:
        place: its number.
        name: what it is called.
        warmest_c: the warmest hour of the last week that its log has, °C.
        says: that in words.
    """

    place: int
    name: str
    warmest_c: float
    says: str


def frosts(larder: Larder) -> list[Frost]:
    """The places that have been cold enough all week to kill insects, as their logs have it."""
    with reading(larder.engine) as session:
        found = [_frost(session, place, larder.today()) for place in places_in(session).values()]
        return [each for each in found if each is not None and each.warmest_c <= WARMEST_FROST_C]


def frost_in(session: Session, number: int, today: date) -> Frost:
    """How cold it is in a place.

    Raises:
        NotThere: it is not there.
        Refused: nothing was measured there of late.
    """
    found = _frost(session, find_place(session, number), today)
    if found is None:
        raise Refused("place", "Nothing was measured there of late: give it a log, or type how cold it is")
    return found


def _frost(session: Session, place: Place, today: date) -> Frost | None:
    """How cold it is in a place; none if less than a day was measured of late."""
    measured = kept_log(session, place)
    if measured is None:
        return None
    last = int(np.flatnonzero(np.isfinite(measured.temperature_c))[-1]) + 1
    week = measured.temperature_c[max(0, last - _WEEK * _HOURS) : last]
    on = date.fromordinal((measured.first_hour + last - 1) // _HOURS)
    if np.isfinite(week).sum() < _HOURS or on < today - _STILL_TRUE:
        return None
    # Never warmer than it says, so that a hold by it is not too short.
    warmest_c = float(np.ceil(np.nanmax(week) * 2) / 2)
    never_above = say_temperature(warmest_c, settings(session).units)
    return Frost(place.id, place.name, warmest_c, f"never above {never_above} in the week to {say_day(on)}")


def hours_too_warm(session: Session, number: int | None, counted_on_c: float, since: datetime, now: datetime) -> int:
    """How many hours since then were warmer in a place than was counted on, as its log has it; 0 without a log."""
    place = places_in(session).get(number) if number is not None else None
    measured = kept_log(session, place) if place is not None else None
    if measured is None:
        return 0
    shown = [on_the_wall(at) for at in (since, now)]
    begin, end = (max(0, hour_number(at, at.hour) - measured.first_hour) for at in shown)
    return int((measured.temperature_c[begin:end] > counted_on_c).sum())
