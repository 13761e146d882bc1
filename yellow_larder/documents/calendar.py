"""The round as a calendar that other programs can follow."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta

from icalendar import Calendar, Event

from yellow_larder.features.rounds.rounds import Rounds
from yellow_larder.features.rounds.tasks import Task, When

_LASTS = timedelta(minutes=15)
"""How long a thing at an hour takes in the calendar. Source: our judgement."""


def rounds_calendar(rounds: Rounds, *, name: str, made: datetime) -> bytes:
    """What is due, as iCalendar (RFC 5545).

    Args:
        rounds: the round.
        name: what the household is called.
        made: when the calendar is made, UTC.

    Returns:
        The calendar. What is late stands on today, so that it is not missed; every entry keeps its identity from
        one reading to the next.
    """
    calendar = Calendar()
    calendar.add("prodid", "-//Yellow Larder//Rounds//EN")
    calendar.add("version", "2.0")
    calendar.add("method", "PUBLISH")
    calendar.add("x-wr-calname", f"Rounds · {name}")
    calendar.add("refresh-interval", timedelta(hours=1), parameters={"VALUE": "DURATION"})
    for due in rounds.due:
        for ahead in range(due.more_days + 1):
            calendar.add_component(_event(due, rounds, ahead, made))
    return bytes(calendar.to_ical())


def _event(due: Task, rounds: Rounds, ahead: int, made: datetime) -> Event:
    event = Event()
    day = max(due.on, rounds.day) + timedelta(days=ahead)
    # A day tells apart what comes again, its food what happens at one load.
    apart = day.isoformat() if due.at is None else str(due.item)
    event.add("uid", f"{due.kind}-{due.number}-{apart}@yellow-larder")
    event.add("dtstamp", made.replace(tzinfo=UTC))
    event.add("summary", due.title)
    event.add("description", due.detail if not ahead else "")
    if due.at is None or due.when is When.LATE:
        event.add("dtstart", day)
        event.add("dtend", day + timedelta(days=1))
        event.add("transp", "TRANSPARENT")
    else:
        event.add("dtstart", due.at.replace(tzinfo=UTC))
        event.add("dtend", due.at.replace(tzinfo=UTC) + _LASTS)
    return event
