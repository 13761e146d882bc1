"""How the household, its places and who eats here stand, as they follow from the journal."""

from __future__ import annotations

from dataclasses import asdict
from datetime import date
from typing import Any, cast

from sqlalchemy.orm import Mapped, mapped_column

from yellow_larder.core.climate import ClimateLog
from yellow_larder.features.household.clock import hour_number
from yellow_larder.features.household.events import (
    PersonKept,
    PlaceAlarmed,
    PlaceChanged,
    PlaceClosed,
    PlaceCounted,
    PlaceLogged,
    PlaceMade,
    PlaceRead,
    PlaceSeenTo,
    Settings,
    TakenFor,
)
from yellow_larder.journal.events import Event
from yellow_larder.journal.kinds import Happened, Kind, LookUp, Row, said_kind
from yellow_larder.journal.tables import Base


class Place(Base):
    """Somewhere packages stand."""

    __tablename__ = "places"

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    sort: Mapped[str]
    shelves: Mapped[int]
    width_mm: Mapped[float]
    mean_c: Mapped[float]
    swing_c: Mapped[float]
    warmest_month: Mapped[int]
    humidity: Mapped[float]
    dark: Mapped[bool]
    logs: Mapped[list[Any] | None]
    """Attachments with what was measured there, in the order in which they were read; none if nothing was."""
    readings: Mapped[list[Any] | None]
    """What somebody read there: hour, °C and humidity of each; none if nobody did."""
    warmest_c: Mapped[float | None]
    """The warmest hour that was measured, °C; none if nothing was."""
    typed: Mapped[dict[str, Any] | None]
    """What somebody took its year for, as `TakenFor`; none while that is what it is taken for."""
    alarms: Mapped[dict[str, Any]]
    """What was seen there and not seen to yet: the day of each, in ISO 8601."""
    counted_on: Mapped[date | None]
    """The day somebody last went along its shelves; none if nobody did."""
    closed_on: Mapped[date | None]
    """The day since which nothing is put there; none while it is in use."""

    log = cast("ClimateLog | None", None)
    """What was measured there, as one log; it is put here by whoever reads places to work out lives."""


def _place(row: Row | None, happened: Happened, number: int, _look_up: LookUp) -> Row:
    match happened.event:
        case PlaceMade() as made:
            return {"id": number} | _FRESH | asdict(made)
        case told:
            return _after(row or {}, told)


_FRESH: Row = {
    "logs": None,
    "readings": None,
    "warmest_c": None,
    "typed": None,
    "alarms": {},
    "counted_on": None,
    "closed_on": None,
}


def _after(row: Row, told: Event) -> Row:
    match told:
        case PlaceChanged(now=now):
            # Whoever puts its year right has the last word, until something is measured again.
            same = row["typed"] and all(row[name] == getattr(now, name) for name in row["typed"])
            return row | asdict(now) | {"typed": row["typed"] if same else None}
        case PlaceLogged(log=log):
            return _measured(row, told.warmest_c, told.year) | {"logs": [*(row["logs"] or ()), log]}
        case PlaceRead():
            reading = [hour_number(told.on, told.hour), told.temperature_c, told.humidity]
            return _measured(row, told.temperature_c, told.year) | {"readings": [*(row["readings"] or ()), reading]}
        case PlaceAlarmed(on=on, what=what):
            return row | {"alarms": row["alarms"] | {what.value: on.isoformat()}}
        case PlaceSeenTo(what=what):
            return row | {"alarms": {name: on for name, on in row["alarms"].items() if name != what.value}}
        case PlaceCounted(on=on):
            return row | {"counted_on": on}
        case PlaceClosed(on=on):
            return row | {"closed_on": on}
    raise TypeError(f"{told} does not happen to a place")


def _measured(row: Row, warmest_c: float, year: TakenFor) -> Row:
    """A place with something measured there: what somebody took it for is kept beside what it is taken for now."""
    typed = row["typed"] or {name: row[name] for name in asdict(year)}
    warmest = warmest_c if row["warmest_c"] is None else max(warmest_c, row["warmest_c"])
    return row | asdict(year) | {"typed": typed, "warmest_c": warmest}


HOUSEHOLD = said_kind("household", Settings)
PLACE = Kind("place", Place, _place)
PERSON = said_kind("eater", PersonKept)
