"""What was measured in a place: kept by the hour, in a format that any program for arrays reads."""

from __future__ import annotations

from collections.abc import Sequence
from io import BytesIO
from typing import Any
from weakref import WeakKeyDictionary

import numpy as np
from sqlalchemy import select
from sqlalchemy.orm import Session

from yellow_larder.core.arrays import Indices, Numbers
from yellow_larder.core.climate import ClimateLog, joined, log_of
from yellow_larder.features.household.state import Place
from yellow_larder.journal.tables import Attachment

Measured = tuple[Indices, Numbers, Numbers]
"""Hours, counted from midnight before day 0 of the common calendar; °C; relative humidity, 0–1."""

_Readings = tuple[tuple[int, float, float | None], ...]
"""Hour, °C and relative humidity of each, as typed."""

_Kept = tuple[tuple[bytes, ...], _Readings]
"""What was read of loggers, and what was typed."""

_NOTHING = -32768
_STEPS_C, _STEPS_HUMIDITY = 100, 1000
"""Temperatures are kept to a hundredth of a degree, humidity to a tenth of a per cent: finer than loggers are true."""


def packed(measured: Measured) -> bytes:
    """What was measured, as it is kept: a NumPy archive."""
    hours, temperature, humidity = measured
    kept = BytesIO()
    np.savez_compressed(
        kept,
        hours=hours.astype(np.int32),
        temperature=_steps(temperature, _STEPS_C),
        humidity=_steps(humidity, _STEPS_HUMIDITY),
    )
    return kept.getvalue()


def unpacked(content: bytes) -> Measured:
    """The same read back."""
    with np.load(BytesIO(content), allow_pickle=False) as kept:
        hours = kept["hours"].astype(np.int64)
        return hours, _values(kept["temperature"], _STEPS_C), _values(kept["humidity"], _STEPS_HUMIDITY)


def _steps(values: Numbers, steps: int) -> Indices:
    return np.where(np.isfinite(values), np.round(np.nan_to_num(values) * steps), _NOTHING).astype(np.int16)


def _values(kept: Indices, steps: int) -> Numbers:
    return np.where(kept == _NOTHING, np.nan, kept / steps)


def measured_in(session: Session, place: Place) -> list[Measured]:
    """All that was measured in a place: what somebody read, and what loggers told, whose word counts for more."""
    return list(_measured(*_kept(session, place)))


def kept_log(session: Session, place: Place) -> ClimateLog | None:
    """What was measured in a place as one log; none if nothing was."""
    if not place.logs and not place.readings:
        return None
    held, kept = _LOGS.setdefault(session.get_bind(), {}), _kept(session, place)
    found = held.get(place.id)
    if found is None or found[0] != kept:
        found = held[place.id] = kept, _as_log(*kept)
    return found[1]


_LOGS: WeakKeyDictionary[Any, dict[int, tuple[_Kept, ClimateLog | None]]] = WeakKeyDictionary()
"""The log of each place of a file, beside what it was made of: pages ask for it all the time, and it changes a few
times a year. One of each and no more, for ten years of hours are megabytes."""

_HELD: WeakKeyDictionary[Any, dict[int, bytes]] = WeakKeyDictionary()
"""What was read of attachments, by the file they are in: no number is ever given to another, so they do not change."""


def _contents(session: Session, numbers: Sequence[int]) -> tuple[bytes, ...]:
    """Attachments by their numbers; each is asked for once."""
    held = _HELD.setdefault(session.get_bind(), {})
    wanted = [number for number in numbers if number not in held]
    if wanted:
        held |= {each.id: each.content for each in session.scalars(select(Attachment).where(Attachment.id.in_(wanted)))}
    return tuple(held[number] for number in numbers if number in held)


def _kept(session: Session, place: Place) -> _Kept:
    contents = _contents(session, place.logs or ())
    return contents, tuple((hour, celsius, humidity) for hour, celsius, humidity in place.readings or ())


def _as_log(contents: tuple[bytes, ...], readings: _Readings) -> ClimateLog | None:
    parts = _measured(contents, readings)
    return log_of(*joined(parts)) if parts else None


def _measured(contents: tuple[bytes, ...], readings: _Readings) -> tuple[Measured, ...]:
    # Read anew within the hour, the last word counts.
    last = list({reading[0]: reading for reading in readings}.values())
    typed = [np.array([row[n] for row in last], dtype=float) for n in range(3)]
    read = [(typed[0].astype(np.int64), typed[1], typed[2])] if readings else []
    return *read, *map(unpacked, contents)
