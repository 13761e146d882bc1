"""The day it is in the house: moments are kept in UTC, days are those of the machine the larder runs on."""

from __future__ import annotations

from datetime import UTC, date, datetime
from typing import Annotated

from pydantic import PlainSerializer, WithJsonSchema


def say_utc(moment: datetime) -> str:
    """A moment in UTC as it is sent: with its zone, so that nobody takes it for the time in their own house.

    Example:
        >>> say_utc(datetime(2026, 11, 27, 6, 30))
        '2026-11-27T06:30:00Z'
    """
    return f"{moment.isoformat()}Z"


Moment = Annotated[
    datetime,
    PlainSerializer(say_utc, when_used="json"),
    WithJsonSchema({"type": "string", "format": "date-time"}, mode="serialization"),
]
"""A moment in a view, kept in UTC and sent with its zone."""


def utc_now() -> datetime:
    """This moment in UTC."""
    return datetime.now(UTC).replace(tzinfo=None)


def day_of(moment: datetime) -> date:
    """The day in the house at a moment in UTC, as its machine's own clock has it."""
    return on_the_wall(moment).date()


def hour_number(day: date, hour: int) -> int:
    """An hour of a day in the house, counted from midnight before day 0 of the common calendar, as logs count them.

    Example:
        >>> hour_number(date(1, 1, 1), 5)
        29
    """
    return day.toordinal() * 24 + hour


def on_the_wall(moment: datetime) -> datetime:
    """What the clock on the wall shows at a moment in UTC."""
    return moment.replace(tzinfo=UTC).astimezone().replace(tzinfo=None)
