"""What was measured in a place: read from a logger's file, or from a thermometer, and written out again."""

from __future__ import annotations

import csv
from dataclasses import asdict, dataclass, replace
from datetime import UTC, date, datetime, timedelta
from io import StringIO
from typing import Any

import numpy as np

from yellow_larder.core.climate import POSSIBLE_C, Year, fit_year, hourly, joined, log_of
from yellow_larder.core.errors import check_range
from yellow_larder.features.household.clock import hour_number, on_the_wall
from yellow_larder.features.household.events import PlaceLogged, PlaceRead, TakenFor
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.features.household.measured import Measured, measured_in, packed
from yellow_larder.features.household.state import Place
from yellow_larder.features.places.log_file import Degrees, LogFile, read_file
from yellow_larder.features.places.log_times import DayOrder
from yellow_larder.features.places.places import calculated_anew, place_in_use
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.journal.tables import Attachment
from yellow_larder.words.dates import check_day, say_day
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import Units, say_temperature

_STEP_C, _STEP_HUMIDITY = 0.5, 0.02
"""What a place is taken for is rounded to these: a few readings more change nothing. Source: our judgement."""

_WIDEST_SWING_C = 30.0


@dataclass(frozen=True, slots=True)
class LogRead:
    """What was read from a logger's file.

    Attributes:
        says: how much, and from when to when.
        marks: what is not believed of it, or was put right.
    """

    says: str
    marks: list[str]


def read_log(
    larder: Larder, number: int, content: bytes, *, degrees: Degrees | None = None, order: DayOrder | None = None
) -> LogRead:
    """Read a logger's file: from then on what it measured counts, hour by hour.

    Args:
        larder: the larder.
        number: the place that it hung in.
        content: the file.
        degrees: what its temperatures are told in; none means that it says so.
        order: which comes first in its dates; none means that it shows.

    Raises:
        NotThere: the place is not there.
        Refused: nothing can be read from the file, or nothing new.
    """
    today = larder.today()
    told = read_file(content, today, degrees=degrees, order=order)
    new = hourly(np.floor(told.hours).astype(np.int64), told.temperature_c, told.humidity)
    with writing(larder.engine) as session:
        place = place_in_use(session, number)
        before = measured_in(session, place)
        _check_new(before, new)
        kept = Attachment(id=log.next_entry(session), subject=number, content=packed(new))
        session.add(kept)
        session.flush()
        year, hours = _taken_for(place, [*before, new]), len(new[0])
        logged = PlaceLogged(today, kept.id, hours, float(np.nanmax(new[1])), year)
        title = log.title("place.logged", name=place.name, count=hours)
        acts = [log.Act(number, logged), *calculated_anew(session, larder, place, year)]
        log.record(session, title, acts, at=larder.clock())
        return LogRead(_says(told, hours), _marks(told, settings(session).units))


def read_thermometer(
    larder: Larder, number: int, temperature_c: float, humidity: float | None = None, *, at: datetime | None = None
) -> None:
    """Somebody read the thermometer in a place, and perhaps the hygrometer.

    Args:
        larder: the larder.
        number: which place.
        temperature_c: what it showed, °C.
        humidity: relative humidity, 0–1; none if nothing showed it.
        at: when, in UTC; none means now.

    Raises:
        NotThere: the place is not there.
        Refused: it is a time to come.
        OutOfRange: no place has such air.
    """
    check_range("temperature_c", temperature_c, *POSSIBLE_C, "°C")
    if humidity is not None:
        check_range("humidity", humidity, 0, 1, "")
    now = larder.clock()
    moment = now if at is None else at.astimezone(UTC).replace(tzinfo=None) if at.tzinfo else at
    if moment > now + timedelta(minutes=5):
        raise Refused("at", "That is in the future")
    shown = on_the_wall(moment)
    check_day(shown.date(), larder.today(), "at")
    hour = hour_number(shown, shown.hour)
    new = (np.array([hour]), np.array([temperature_c]), np.array([np.nan if humidity is None else humidity]))
    with writing(larder.engine) as session:
        place = place_in_use(session, number)
        year = _taken_for(place, [*measured_in(session, place), new])
        read = PlaceRead(shown.date(), shown.hour, temperature_c, humidity, year)
        acts = [log.Act(number, read), *calculated_anew(session, larder, place, year)]
        log.record(session, log.title("place.read", name=place.name), acts, at=now)


def export_log(larder: Larder, number: int) -> str:
    """All that was measured in a place, as CSV that any program reads, this one included.

    Raises:
        NotThere: the place is not there.
        Refused: nothing was measured there.
    """
    with reading(larder.engine) as session:
        parts = measured_in(session, place_in_use(session, number))
    if not parts:
        raise Refused("number", "Nothing was measured there")
    written = StringIO()
    rows = csv.writer(written)
    rows.writerow(["time", "temperature °C", "humidity %"])
    for hour, celsius, humidity in zip(*joined(parts), strict=True):
        day, of_day = divmod(int(hour), 24)
        cells = (
            "" if np.isnan(each) else f"{each * per:.{n}f}" for each, per, n in ((celsius, 1, 2), (humidity, 100, 1))
        )
        rows.writerow([f"{date.fromordinal(day)} {of_day:02d}:00", *cells])
    return written.getvalue()


def _check_new(before: list[Measured], new: Measured) -> None:
    """Refuse a file that was read before: nothing is counted twice."""
    if not before:
        return
    hours, temperature, humidity = joined(before)
    there = np.isin(hours, new[0])
    if len(new[0]) == there.sum() and all(
        np.allclose(old[there], now, atol=0.011, equal_nan=True)
        for old, now in ((temperature, new[1]), (humidity, new[2]))
    ):
        raise Refused("file", "All of that log was read before")


def _taken_for(place: Place, parts: list[Measured]) -> TakenFor:
    """The year that a place is taken for, from what was measured there and what somebody took it for."""
    now = {name: getattr(place, name) for name in ("mean_c", "swing_c", "warmest_month", "humidity")}
    found = fit_year(log_of(*joined(parts)), Year(**(place.typed or now)))
    typed: dict[str, Any] = place.typed or now
    fitted = TakenFor(**asdict(found))
    if asdict(fitted) == typed:
        return fitted
    return replace(
        fitted,
        mean_c=_to(fitted.mean_c, _STEP_C),
        swing_c=min(_to(fitted.swing_c, _STEP_C), _WIDEST_SWING_C),
        humidity=round(_to(fitted.humidity, _STEP_HUMIDITY), 2),
    )


def _to(value: float, step: float) -> float:
    return round(value / step) * step


def _says(told: LogFile, hours: int) -> str:
    first, last = (date.fromordinal(int(told.hours[n] // 24)) for n in (0, -1))
    when = say_day(first) if first == last else f"{say_day(first)} – {say_day(last)}"
    readings = f"{len(told.hours):,} reading{'' if len(told.hours) == 1 else 's'}"
    return f"{readings} in {hours:,} hour{'' if hours == 1 else 's'}, {when}"


def _marks(told: LogFile, units: Units) -> list[str]:
    found = []
    if told.unread:
        found.append(f"{told.unread:,} line{'' if told.unread == 1 else 's'} without a time or a temperature left out")
    if told.impossible:
        cold, hot = (say_temperature(each, units) for each in POSSIBLE_C)
        found.append(f"{told.impossible:,} left out: below {cold} or above {hot} no place is")
    if told.sorted:
        found.append("Readings out of order were sorted")
    for each in told.stuck:
        since, until = (say_day(date.fromordinal(int(hour // 24))) for hour in (each.since, each.until))
        shown = f"{each.temperature_c if units is Units.METRIC else each.temperature_c * 1.8 + 32:.1f}"
        found.append(f"Stuck at {shown} {'°C' if units is Units.METRIC else '°F'}, {since} – {until}: left out")
    return found
