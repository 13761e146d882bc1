"""One thing that is due, and how it stands with the time."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, datetime, time, timedelta
from enum import StrEnum

from yellow_larder.features.household.clock import Moment, day_of


class TaskKind(StrEnum):
    """What sort of thing is due."""

    SHAKE = "shake"
    REDRY = "redry"
    WEIGH = "weigh"
    LOOSEN = "loosen"
    TEST = "test"
    FREEZER_OUT = "freezer-out"
    FREEZER_OPEN = "freezer-open"
    FREEZE_DRYER = "freeze-dryer"
    CLOSE_UP = "close-up"
    CONDITION = "condition"
    EAT = "eat"
    LOOK = "look"
    TROUBLE = "trouble"
    ALARM = "alarm"
    SUPPLY = "supply"
    SEEDS = "seeds"
    COPY = "copy"


class When(StrEnum):
    """How it stands with the time."""

    LATE = "late"
    TODAY = "today"
    AHEAD = "ahead"


@dataclass(slots=True)
class Task:
    """One thing that is due; not frozen, since hundreds are made at once and freezing takes longest.

    Attributes:
        kind: what sort of thing.
        number: of the load, jar, package, lot or place.
        item: the food of a load, the tray to weigh, which of the alarms of a place; 0 otherwise.
        title: what to do, in a short line.
        detail: the rest of it.
        on: the day in the house that it is due on.
        at: the moment on that day; none if only the day matters.
        when: late, today or ahead.
        now: whether it can be done now.
        form: shape of the food, for drawing; empty if there is none.
        colour: colour of the food.
        more_days: on how many days after this one it comes again, one after the other.
    """

    kind: TaskKind
    number: int
    item: int
    title: str
    detail: str
    on: date
    at: Moment | None
    when: When
    now: bool
    form: str = ""
    colour: str = ""
    more_days: int = 0


def whole_day(day: date) -> datetime:
    """Where what is due on a day stands among what is due at an hour of it: before all of that."""
    return datetime.combine(day, time.min)


def by_day(day: date, today: date) -> When:
    """Late, today or ahead of what is due on a day: it is late once the day is over."""
    return When.AHEAD if day > today else When.LATE if day < today else When.TODAY


def by_hour(due: datetime, now: datetime, grace: timedelta) -> When:
    """Late, today or ahead of what is due at an hour: late once its day is over, or the hour by more than its grace."""
    day = by_day(day_of(due), day_of(now))
    return When.LATE if day is When.TODAY and now > due + grace else day
