"""Days that people type."""

from __future__ import annotations

from datetime import date

from yellow_larder.larder.refusals import Refused
from yellow_larder.larder.wording import say_day

OLDEST = date(1980, 1, 1)
"""Nothing in a larder was packed before this; earlier is a slip of the pen."""


def check_day(day: date, today: date, field: str, *, earliest: date = OLDEST) -> date:
    """A day that something was done on: not in the future, nor before it could have been."""
    if day > today:
        raise Refused(field, f"{say_day(day)} is still to come; today is {say_day(today)}")
    if day < earliest:
        raise Refused(field, f"{say_day(day)} is too early; {say_day(earliest)} is the first day it could be")
    return day
