"""A data logger's file: whatever header, separator, decimal sign, order of day and month, and degrees it has."""

from __future__ import annotations

import csv
import math
import re
from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass
from datetime import date
from enum import StrEnum
from io import StringIO
from itertools import islice

import numpy as np
from numpy.typing import NDArray

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.climate import Stuck, possible, stuck
from yellow_larder.features.places.log_times import DayOrder, read_times, time_columns
from yellow_larder.words.dates import say_day
from yellow_larder.words.errors import Refused

MOST_BYTES = 64_000_000
"""More than ten years every five minutes. Source: our judgement."""

_EARLIEST = date(1990, 1, 1)
"""Before this nobody had a logger: its clock was never set. Source: our judgement."""

_TOO_HOT_FOR_C = 45.0
"""A place whose middle reading is above this is told in °F. Source: our judgement."""

_SAMPLE = 200
_BEGINS = 200_000
"""So much of a file is looked at to see what stands in which column: rows, and characters."""


class Degrees(StrEnum):
    """What a file's temperatures are told in."""

    CELSIUS = "°C"
    FAHRENHEIT = "°F"


@dataclass(frozen=True, slots=True)
class LogFile:
    """What a logger's file tells.

    Attributes:
        hours: when each reading was taken, hours from midnight before day 0 of the common calendar, in order.
        temperature_c: °C; not a number where it is not believed.
        humidity: relative humidity, 0–1; not a number where there is none.
        unread: rows that tell no reading.
        impossible: readings that no place in a house can have.
        sorted: readings that stood before an earlier one.
        stuck: where its sensor was stuck.
    """

    hours: Numbers
    temperature_c: Numbers
    humidity: Numbers
    unread: int
    impossible: int
    sorted: int
    stuck: list[Stuck]


def read_file(content: bytes, today: date, *, degrees: Degrees | None = None, order: DayOrder | None = None) -> LogFile:
    """What a logger's file tells.

    Args:
        content: the file.
        today: the day it is read on.
        degrees: what its temperatures are told in; none means that it says so.
        order: which comes first in its dates; none means that it shows.

    Raises:
        Refused: it is no such file, or does not tell which degrees or which order of day and month it has.
    """
    table = _table(_text(content))
    hours = read_times(table.days, table.clocks, order)
    _check_clock(hours, today)
    temperature = _celsius(table, degrees)
    humidity = _humidity(table)
    return _believed(hours, temperature, humidity, unread=table.short)


def _text(content: bytes) -> str:
    if len(content) > MOST_BYTES:
        raise Refused("file", f"That file has {len(content) / 1e6:,.0f} MB: {MOST_BYTES // 10**6} are the most")
    if content[:2] == b"PK":
        raise Refused("file", "That is a spreadsheet: save it as CSV, and read that")
    if content[:2] in (b"\xff\xfe", b"\xfe\xff"):
        return content.decode("utf-16", errors="replace")
    if b"\0" in content[:10_000]:
        raise Refused("file", "That is no text: have the logger’s program save its log as CSV")
    try:
        return content.decode("utf-8-sig")
    except UnicodeDecodeError:
        return content.decode("cp1252", errors="replace")


def _table(text: str) -> _Table:
    """Its columns, by the separator that leaves a time and a number in most of its first rows.

    Rows are not kept: millions of small lists would be looked through again and again for what can be freed.
    """
    begin = "\n".join(line for line in text[:_BEGINS].splitlines()[: 2 * _SAMPLE])
    told = {sign: sum(map(_tells, csv.reader(StringIO(begin), delimiter=sign))) for sign in ";\t,|"}
    best = max(told, key=lambda sign: told[sign])
    if not told[best]:
        raise Refused("file", "No row of that file has a time and a temperature: is it a logger’s log, as CSV?")
    columns = _columns_of([row for row in csv.reader(StringIO(begin), delimiter=best) if row])
    csv.field_size_limit(10_000)
    try:
        return _read_columns((row for row in csv.reader(StringIO(text), delimiter=best) if row), columns)
    except csv.Error as error:
        raise Refused("file", f"That file cannot be read as CSV: {error}") from error


def _tells(row: Sequence[str]) -> bool:
    """Whether a row has a time and a number."""
    at = time_columns(row)
    return at is not None and any(_number(cell) is not None for n, cell in enumerate(row) if n not in at)


_NUMBER = re.compile(r"([-+−]?\d+(?:[.,]\d+)?)\s*(°\s*[CF]|º\s*[CF]|[CF]|%\s*(?:RH|rF)?)?$", re.IGNORECASE)


def _number(cell: str) -> tuple[float, str] | None:
    """A number and what it is counted in; none if a cell has none."""
    found = _NUMBER.match(cell.strip())
    if found is None:
        return None
    return float(found[1].replace(",", ".").replace("−", "-")), (found[2] or "")[-1:].upper()


_TEMPERATURE = re.compile(r"temp|[°º]\s*[cf]|celsius|fahrenheit|^\s*t\s*$", re.IGNORECASE)
_HUMIDITY = re.compile(r"hum|\brh\b|r\.h\.|feucht|humidit|%", re.IGNORECASE)
_OTHER = re.compile(r"dew|tau|ros[ée]e|alarm|limit|batt|press|set ?point", re.IGNORECASE)
_IN_F = re.compile(r"\bf\b|[°º]\s*f|fahrenheit|_f\b", re.IGNORECASE)
_IN_C = re.compile(r"\bc\b|[°º]\s*c|celsius|_c\b", re.IGNORECASE)


@dataclass(frozen=True, slots=True)
class _Columns:
    """What stands where in a file: its first row, its time in one column or two, and what was measured."""

    first: int
    times: tuple[int, ...]
    temperature: int
    humidity: int | None
    head: str


def _columns_of(rows: Sequence[Sequence[str]]) -> _Columns:
    first = next(n for n, row in enumerate(rows) if _tells(row))
    times = time_columns(rows[first])
    assert times is not None
    heads = rows[first - 1] if first and len(rows[first - 1]) >= len(rows[first]) - 1 else []
    named = {n: head for n, head in enumerate(heads) if n not in times and not _OTHER.search(head)}
    numbers = [
        n
        for n, cell in enumerate(rows[first])
        if n > min(times) and n not in times and _number(cell) and not _OTHER.search(heads[n] if n < len(heads) else "")
    ]
    warm = [n for n, head in named.items() if _TEMPERATURE.search(head) and not _HUMIDITY.search(head)]
    warm.sort(key=lambda n: not _IN_C.search(named[n]))
    humidity = [n for n, head in named.items() if _HUMIDITY.search(head)]
    rest = [n for n in numbers if n not in humidity]
    if not warm and not rest:
        raise Refused("file", "No column of that file looks like temperatures")
    temperature = warm[0] if warm else rest[0]
    if not humidity and not warm:
        humidity = [n for n in numbers if n > temperature]
    return _Columns(first, times, temperature, humidity[0] if humidity else None, named.get(temperature, ""))


@dataclass(frozen=True, slots=True)
class _Table:
    """The columns of a file, a cell for each row.

    Attributes:
        days: the day of each row, with its hour if both stand in one column.
        clocks: its hour, if that stands in another.
        warm: what is told of temperature.
        humidity: what is told of humidity.
        head: what the column of temperatures is called.
        short: rows that have no such cells.
    """

    days: list[str]
    clocks: list[str] | None
    warm: list[str]
    humidity: list[str]
    head: str
    short: int


def _read_columns(rows: Iterable[list[str]], columns: _Columns) -> _Table:
    day_at, clock_at, warm_at = columns.times[0], columns.times[-1], columns.temperature
    humidity_at = columns.humidity
    wide = max(*columns.times, warm_at)
    days: list[str] = []
    clocks: list[str] = []
    warm: list[str] = []
    humidity: list[str] = []
    short = 0
    for row in islice(rows, columns.first, None):
        if len(row) <= wide:
            short += 1
            continue
        days.append(row[day_at])
        warm.append(row[warm_at])
        if clock_at != day_at:
            clocks.append(row[clock_at])
        if humidity_at is not None:
            humidity.append(row[humidity_at] if humidity_at < len(row) else "")
    return _Table(days, clocks or None, warm, humidity, columns.head, short)


def _numbers(cells: Sequence[str]) -> tuple[Numbers, NDArray[np.str_]]:
    """The numbers of a column, and what each is counted in; not a number where there is none."""
    known: dict[str, int] = {}
    nth = np.array([known.setdefault(cell, len(known)) for cell in cells], dtype=np.int64)
    told = [_number(cell) or (math.nan, "") for cell in known]
    return np.array([value for value, _ in told])[nth], np.array([unit for _, unit in told])[nth]


def _celsius(table: _Table, degrees: Degrees | None) -> Numbers:
    values, units = _numbers(table.warm)
    if not np.isfinite(values).any():
        raise Refused("file", "No column of that file looks like temperatures")
    whole = degrees or _degrees_of(table.head)
    if whole is None and not np.isin(units, ["C", "F"]).any():
        if float(np.nanmedian(values)) <= _TOO_HOT_FOR_C:
            raise Refused("degrees", "The file does not say whether it has °C or °F: say which")
        whole = Degrees.FAHRENHEIT
    warm = units == "F" if whole is not Degrees.FAHRENHEIT else units != "C"
    return np.where(warm, (values - 32) / 1.8, values)


def _degrees_of(head: str) -> Degrees | None:
    if _IN_C.search(head):
        return Degrees.CELSIUS
    return Degrees.FAHRENHEIT if _IN_F.search(head) else None


def _humidity(table: _Table) -> Numbers:
    if not table.humidity:
        return np.full(len(table.days), np.nan)
    values, _ = _numbers(table.humidity)
    told = values[np.isfinite(values)]
    share = values if len(told) and told.max() <= 1 else values / 100
    return np.where((share >= 0) & (share <= 1), share, np.nan)


def _check_clock(hours: Numbers, today: date) -> None:
    """Refuse a logger whose clock was wrong: what it measured cannot be put to any day."""
    told = hours[np.isfinite(hours)]
    if not len(told):
        raise Refused("file", "No row of that file has a time that there is")
    ends: list[tuple[float, Callable[[date], bool], str]] = [
        (float(told.min()), lambda day: day < _EARLIEST, "begins on"),
        (float(told.max()), lambda day: day > today, "goes on to"),
    ]
    for hour, wrong, says in ends:
        day = date.fromordinal(max(1, int(hour // 24)))
        if wrong(day):
            raise Refused("file", f"The log {says} {say_day(day)}: the logger’s clock was wrong. Set it, and log anew")


def _believed(hours: Numbers, temperature: Numbers, humidity: Numbers, *, unread: int) -> LogFile:
    """What is believed of what was read, in the order of time."""
    told = np.isfinite(hours) & np.isfinite(temperature)
    fits = told & possible(temperature)
    if not fits.any():
        raise Refused("file", "No temperature in that file is one that a place in a house can have")
    hours, temperature, humidity = hours[fits], temperature[fits], humidity[fits]
    earlier = int((np.diff(hours) < 0).sum())
    order = np.argsort(hours, kind="stable")
    hours, temperature, humidity = hours[order], temperature[order], humidity[order]
    held = stuck(hours, temperature)
    for each in held:
        inside = (hours >= each.since) & (hours <= each.until)
        temperature = np.where(inside, np.nan, temperature)
        humidity = np.where(inside, np.nan, humidity)
    if not np.isfinite(temperature).any():
        raise Refused("file", f"The sensor was stuck: all of it says {held[0].temperature_c:.1f} °C")
    return LogFile(
        hours,
        temperature,
        humidity,
        unread=unread + int((~told).sum()),
        impossible=int((told & ~fits).sum()),
        sorted=earlier,
        stuck=held,
    )
