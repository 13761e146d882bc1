"""Conditioning: days in a loosely filled jar, shaken daily, that prove a food dry."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from enum import StrEnum

from yellow_larder.core.errors import check_range

FULLEST = 2 / 3
"""A jar is filled no further than this, so that its pieces move when it is shaken. Source: common practice."""


class Look(StrEnum):
    """What a shake shows."""

    FREE = "free"
    CLUMPED = "clumped"
    STUCK = "stuck"
    DROPLETS = "droplets"


class JarPhase(StrEnum):
    """Where a jar stands."""

    SHAKING = "shaking"
    DRYER = "back in the dryer"
    DONE = "done"


@dataclass(frozen=True, slots=True)
class ConditioningGuideline:
    """One guideline of how long a jar is shaken."""

    days: int
    name: str
    why: str
    source: str


GUIDELINES = (
    ConditioningGuideline(5, "five days", "what most do, with small pieces dried crisp", "common practice"),
    ConditioningGuideline(
        7, "a week", "the middle of what is advised; ours: whole pieces even out slowly", "common practice"
    ),
    ConditioningGuideline(
        10, "ten days", "the longest advised: thick pieces, sugary fruit", "published advice, from memory"
    ),
)
"""The guidelines, the shortest first."""

OURS = GUIDELINES[1]


@dataclass(frozen=True, slots=True)
class Event:
    """Something that happened to a jar: a look, or that it came back from the dryer (look None)."""

    on: date
    look: Look | None


@dataclass(frozen=True, slots=True)
class JarState:
    """How a jar stands.

    Attributes:
        phase: where it stands.
        free_days: days it was found free since the count began.
        wanted: days it has to be.
        counted_from: the day the count began.
        due: the day of the next shake; none if it is not waiting for one.
        overdue_days: how many days too late that is; 0 if it is not.
    """

    phase: JarPhase
    free_days: int
    wanted: int
    counted_from: date
    due: date | None
    overdue_days: int


def standing(began: date, wanted: int, events: Sequence[Event], today: date) -> JarState:
    """How a jar stands today.

    One look a day counts, from the day after it was filled; a day that is missed does not count, and does no harm.
    Anything but free sends it back to the dryer, and the count begins anew on the day it comes back.

    Args:
        began: the day it was filled.
        wanted: days it has to be found free, 1–30.
        events: what happened since, oldest first.
        today: today.

    Returns:
        How it stands.

    Raises:
        OutOfRange: the days wanted are outside the range above.

    Example:
        >>> day = date(2026, 3, 1)
        >>> looks = [Event(day + timedelta(days=n), Look.FREE) for n in (1, 2)]
        >>> now = standing(day, 5, looks, day + timedelta(days=3))
        >>> now.free_days, now.due == day + timedelta(days=3), now.phase.value
        (2, True, 'shaking')

    Source: common practice, and published advice for the ten days.
    """
    check_range("wanted", wanted, 1, 30, "days")
    since, free, last, wet = began, 0, began, False
    for event in events:
        if event.look is None:
            since, free, last, wet = event.on, 0, event.on, False
        elif event.look is Look.FREE:
            if event.on > last and not wet and free < wanted:
                free += 1
                last = event.on
        elif not wet:
            since, free, wet = event.on, 0, True
    if wet:
        return JarState(JarPhase.DRYER, 0, wanted, since, None, 0)
    if free >= wanted:
        return JarState(JarPhase.DONE, free, wanted, since, None, 0)
    due = last + timedelta(days=1)
    return JarState(JarPhase.SHAKING, free, wanted, since, due, max(0, (today - due).days))
