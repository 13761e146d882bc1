"""The times in a data logger's file: however days, hours and zones are written."""

from __future__ import annotations

import math
import re
from collections.abc import Sequence
from datetime import date, datetime
from enum import StrEnum

import numpy as np

from yellow_larder.core.arrays import Numbers
from yellow_larder.features.household.clock import on_the_wall
from yellow_larder.words.errors import Refused


class DayOrder(StrEnum):
    """Which comes first in a file's dates."""

    DAY_FIRST = "day first"
    MONTH_FIRST = "month first"


_DATE = r"(\d{1,4})[-/.](\d{1,2}|[A-Za-z]{3})[-/.](\d{1,4})"
_CLOCK = r"(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*([AaPp]\.?[Mm]\.?)?\s*(Z|[+-]\d{2}:?\d{2})?"
_IS_DATE, _IS_CLOCK = re.compile(rf"{_DATE}$"), re.compile(rf"{_CLOCK}$")
_IS_BOTH = re.compile(rf"{_DATE}[T ,]+{_CLOCK}$")
_IS_EPOCH = re.compile(r"(\d{10})(\d{3})?$")
_MONTHS = ("jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec")


def time_columns(row: Sequence[str]) -> tuple[int, ...] | None:
    """Where a row has its time: in one cell, or a day in one and an hour in another; none if it has none."""
    cells = [cell.strip() for cell in row]
    for n, cell in enumerate(cells):
        if _IS_BOTH.match(cell) or _IS_EPOCH.match(cell):
            return (n,)
    days = [n for n, cell in enumerate(cells) if _IS_DATE.match(cell)]
    clocks = [n for n, cell in enumerate(cells) if _IS_CLOCK.match(cell)]
    return (days[0], clocks[0]) if days and clocks else None


def read_times(days: Sequence[str], clocks: Sequence[str] | None, order: DayOrder | None) -> Numbers:
    """When readings were taken, by the clock on the wall.

    Args:
        days: the day of each, with its hour if there are no clocks; or seconds since 1970.
        clocks: the hour of each; none if it stands with the day.
        order: which comes first in their dates; none means that it shows.

    Returns:
        Hours from midnight before day 0 of the common calendar; not a number where a row has no time.

    Raises:
        Refused: the dates may have the day or the month first.
    """
    if clocks is None:
        days, clocks = _apart(days)
    known: dict[str, int] = {}
    nth = np.array([known.setdefault(day, len(known)) for day in days], dtype=np.int64)
    ordinal = _ordinals([day.strip() for day in known], order)[nth]
    seen: dict[str, int] = {}
    at = np.array([seen.setdefault(clock, len(seen)) for clock in clocks], dtype=np.int64)
    read = [_clock(clock.strip()) for clock in seen]
    found: Numbers = ordinal * 24 + np.array([seconds for seconds, _ in read])[at] / 3600
    if all(ahead is None for _, ahead in read) and not any(_IS_EPOCH.match(day.strip()) for day in known):
        return found
    return _in_the_house(found - np.array([ahead or 0.0 for _, ahead in read])[at])


def _apart(cells: Sequence[str]) -> tuple[list[str], list[str]]:
    """Days and hours that stand together; no hour where there is only one figure for both."""
    cut = re.search(r"(?<=\S)[T ,]", cells[0])
    if cut is None:
        return list(cells), [""] * len(cells)
    parts = [cell.strip().partition(cut[0]) for cell in cells]
    return [day for day, _, _ in parts], [clock for _, _, clock in parts]


def _clock(cell: str) -> tuple[float, float | None]:
    """Seconds since midnight, and hours ahead of UTC; not a number if it is no hour of the day."""
    if not cell:
        return 0.0, None
    found = _IS_CLOCK.match(cell)
    if found is None:
        return math.nan, None
    hour, minute, second = int(found[1]), int(found[2]), int(found[3] or 0)
    if found[4]:
        hour = hour % 12 + (12 if found[4][0] in "pP" else 0)
    if hour > 24 or minute > 59 or second > 60:
        return math.nan, None
    zone = found[5]
    ahead = None if not zone else 0.0 if zone == "Z" else float(f"{zone[0]}1") * (int(zone[1:3]) + int(zone[-2:]) / 60)
    return hour * 3600.0 + minute * 60 + second, ahead


def _in_the_house(hours: Numbers) -> Numbers:
    """Hours in UTC as the clock on the wall had them."""
    whole = np.floor(hours)
    told = np.isfinite(whole)
    ahead = {}
    for hour in np.unique(whole[told]).tolist():
        day, of_day = divmod(int(hour), 24)
        moment = datetime.combine(date.fromordinal(day), datetime.min.time()).replace(hour=of_day)
        ahead[hour] = (on_the_wall(moment) - moment).total_seconds() / 3600
    return np.asarray(hours + np.array([ahead.get(hour, 0.0) for hour in whole.tolist()]))


def _ordinals(days: list[str], order: DayOrder | None) -> Numbers:
    """Days as day numbers; not a number for what is none."""
    read = [_parts(day) for day in days]
    firsts = [each[0] for each in read if each is not None and each[0] <= 31]
    seconds = [each[1] for each in read if each is not None and each[0] <= 31]
    if order is None and firsts:
        if max(firsts) > 12 or any("." in day for day in days[:1]) or any(map(str.isalpha, "".join(days[:1]))):
            order = DayOrder.DAY_FIRST
        elif max(seconds) > 12:
            order = DayOrder.MONTH_FIRST
        else:
            order = _even_order(read)
    return np.array([_ordinal(each, order) for each in read])


_Parts = tuple[int, int, int]


def _even_order(read: list[_Parts | None]) -> DayOrder:
    """The order of day and month that leaves the smaller gaps: a logger does not skip a month every midnight."""
    gaps = {}
    for order in DayOrder:
        days = np.array([_ordinal(each, order) for each in read])
        gaps[order] = float(np.diff(np.sort(days[np.isfinite(days)])).max(initial=0.0))
    day, month = gaps[DayOrder.DAY_FIRST], gaps[DayOrder.MONTH_FIRST]
    if day == month and len(read) > 0 and any(each and each[0] != each[1] for each in read):
        raise Refused("order", "Its dates may have the day or the month first: say which")
    return DayOrder.DAY_FIRST if day <= month else DayOrder.MONTH_FIRST


def _parts(cell: str) -> _Parts | None:
    """The three figures of a date in the order they stand in; the year first if it has four digits there."""
    if epoch := _IS_EPOCH.match(cell):
        return -1, int(epoch[1]), 0
    found = _IS_DATE.match(cell)
    if found is None:
        return None
    middle = found[2].lower()
    if middle.isalpha() and middle not in _MONTHS:
        return None
    return int(found[1]), _MONTHS.index(middle) + 1 if middle.isalpha() else int(middle), int(found[3])


_EPOCH_DAY = date(1970, 1, 1).toordinal()


def _ordinal(parts: _Parts | None, order: DayOrder | None) -> float:
    if parts is None:
        return math.nan
    if parts[0] < 0:
        return _EPOCH_DAY + parts[1] / 86_400
    if parts[0] > 31:
        year, month, day = parts
    elif order is DayOrder.MONTH_FIRST:
        month, day, year = parts
    else:
        day, month, year = parts
    try:
        return float(date(year + 2000 if year < 100 else year, month, day).toordinal())
    except ValueError:
        return math.nan
