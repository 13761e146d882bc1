"""Days in words, whatever the machine's language, and days that people type."""

from __future__ import annotations

from datetime import date
from functools import lru_cache

from yellow_larder.words.errors import Refused

LONG_MONTHS = [
    "January", "February", "March", "April", "May", "June",
    "July", "August", "September", "October", "November", "December",
]  # fmt: skip
_MONTHS = [month[:3] for month in LONG_MONTHS]


def say_day(day: date) -> str:
    """A day, whatever the machine's language.

    Example:
        >>> say_day(date(2026, 11, 4))
        '4 Nov 2026'
    """
    return f"{day.day} {_MONTHS[day.month - 1]} {day.year}"


SHORT_DAYS = 60
"""What lasts no longer than this has a best-by to the day. Source: our judgement: a month is nothing beside years."""


@lru_cache(maxsize=4096)
def say_best_by(day: date | None, packed_on: date) -> str:
    """A best-by to the month, for of what lasts years nobody knows the day; "keeps" for what does not age.

    Example:
        >>> packed = date(2026, 11, 4)
        >>> say_best_by(date(2050, 11, 4), packed), say_best_by(date(2026, 11, 18), packed), say_best_by(None, packed)
        ('Nov 2050', '18 Nov 2026', 'keeps')
    """
    if day is None:
        return "keeps"
    return say_day(day) if (day - packed_on).days <= SHORT_DAYS else f"{_MONTHS[day.month - 1]} {day.year}"


def say_month(day: date) -> str:
    """The month of a day, written out.

    Example:
        >>> say_month(date(2026, 11, 4))
        'November 2026'
    """
    return f"{LONG_MONTHS[day.month - 1]} {day.year}"


LONG_AGO_DAYS = 3650
"""How long ago what nobody remembers may have been packed, days. Source: our judgement: ten years of a pantry."""


def say_about(day: date, unsure_days: int) -> str:
    """A day that may be off by some days: as exactly as it is known.

    Example:
        >>> [say_about(date(2021, 7, 2), off) for off in (0, 15, 182, 547, 1825)]
        ['2 Jul 2021', 'July 2021', '2021', 'about 2021', 'some time ago']
    """
    if unsure_days == 0:
        return say_day(day)
    if unsure_days <= 16:
        return say_month(day)
    if unsure_days <= 200:
        return str(day.year)
    return f"about {day.year}" if unsure_days < LONG_AGO_DAYS / 2 - 30 else "some time ago"


OLDEST = date(1980, 1, 1)
"""Nothing in a larder was packed before this; earlier is a slip of the pen."""


def check_day(day: date, today: date, field: str, *, earliest: date = OLDEST) -> date:
    """A day that something was done on: not in the future, nor before it could have been."""
    if day > today:
        raise Refused(field, f"{say_day(day)} is in the future; today is {say_day(today)}")
    if day < earliest:
        raise Refused(field, f"{say_day(day)} is too early; {say_day(earliest)} is the first day it could be")
    return day
