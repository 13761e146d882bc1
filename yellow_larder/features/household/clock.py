"""The day it is in the house: moments are kept in UTC, days are those of the machine the larder runs on."""

from __future__ import annotations

from datetime import UTC, date, datetime


def utc_now() -> datetime:
    """This moment in UTC."""
    return datetime.now(UTC).replace(tzinfo=None)


def day_of(moment: datetime) -> date:
    """The day in the house at a moment in UTC, as its machine's own clock has it."""
    return on_the_wall(moment).date()


def on_the_wall(moment: datetime) -> datetime:
    """What the clock on the wall shows at a moment in UTC."""
    return moment.replace(tzinfo=UTC).astimezone().replace(tzinfo=None)
