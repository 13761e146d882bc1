"""How much of their life packages have left, over the whole larder at once."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date, timedelta
from typing import Any

import numpy as np
from sqlalchemy import ColumnElement, func, or_, select
from sqlalchemy.orm import Session

from yellow_larder.core.shelf_life import COOL_STRETCH, Numbers, School, ageing_rate, days_left, share_left
from yellow_larder.larder.larder import settings
from yellow_larder.larder.wording import say_best_by
from yellow_larder.reference import life_classes
from yellow_larder.store import journal
from yellow_larder.store.models import Package, Place

SOON_DAYS = 90
"""What is best by a date nearer than this is marked as due soon. Source: our judgement, a season's warning."""

_NEEDED = [
    Package.__table__.columns[name]
    for name in (
        "number",
        "food_name",
        "form",
        "colour",
        "place_id",
        "q10",
        "thrown_out_on",
        "stands_since",
        "packed_on",
        "used_days",
        "cautious_days",
        "customary_days",
        "hopeful_days",
    )
]


def kept_rows(
    session: Session, columns: Sequence[ColumnElement[Any]], *only: ColumnElement[bool]
) -> list[dict[str, Any]]:
    """What is kept, by place and number; or only what meets some conditions.

    Straight from the connection: thousands of rows need no objects with an identity.
    """
    found = session.connection().execute(
        select(*columns).where(Package.thrown_out_on.is_(None), *only).order_by(Package.place_id, Package.number)
    )
    names = list(found.keys())
    return [dict(zip(names, row, strict=True)) for row in found.fetchall()]


def due_within(session: Session, today: date, days: float) -> tuple[list[dict[str, Any]], Numbers]:
    """What is kept and has fewer than so many days left by the household's school, and how many.

    The file is asked only for what could be due: what would be if it aged all the time as fast as the warmest day of
    the warmest place makes the tenderest food age.
    """
    school = settings(session).school
    places = {place.id: place for place in session.scalars(select(Place))}
    steepest = max(row.q10 for row in life_classes().values())
    fastest = max(1.0, *(steepest ** ((place.mean_c + abs(place.swing_c) - 21) / 10) for place in places.values()))
    base = Package.__table__.columns[f"{school.value}_days"]
    stood = func.julianday(today.isoformat()) - func.julianday(Package.stands_since)
    age = func.julianday(today.isoformat()) - func.julianday(Package.packed_on)
    could_be = or_(
        base - Package.used_days - fastest * (stood + days) < 0,
        base * COOL_STRETCH - age < days,
    )
    rows = kept_rows(session, _NEEDED, could_be)
    left, _, _ = lives_left(rows, places, school, today)
    soon = np.flatnonzero(left < days)
    return [rows[n] for n in soon.tolist()], left[soon]


def lives_left(
    rows: Sequence[dict[str, Any]], places: dict[int, Place], school: School, today: date
) -> tuple[Numbers, Numbers, str]:
    """Days left and share left by the household's school, and the band of the first in words."""
    if not rows:
        return np.zeros(0), np.zeros(0), ""
    # Few places and few paces: one table of the year's days for each pair of them, looked up by each package.
    pairs = [(row["place_id"], row["q10"]) for row in rows]
    ends = [row["thrown_out_on"] or today for row in rows]
    until = np.array([end.toordinal() for end in ends])
    since = np.array([row["stands_since"].toordinal() for row in rows])
    age = until - np.array([row["packed_on"].toordinal() for row in rows], dtype=float)
    used = np.array([row["used_days"] for row in rows])
    rate = np.empty(len(rows))
    for place_id, q10 in set(pairs):
        of_pair = np.array([pair == (place_id, q10) for pair in pairs])
        place = places[place_id]
        used[of_pair] += journal.life_used_in(place, q10, since[of_pair], until[of_pair])
        rate[of_pair] = ageing_rate(place.mean_c, place.swing_c, q10)
    base = _base(rows, school)
    band = "does not age while it is dry"
    if np.isfinite(base[0]):
        ends_by = [
            ends[0] + timedelta(days=float(days_left(_base(rows[:1], each), used[:1], rate[:1], age[:1])[0]))
            for each in (School.CAUTIOUS, School.HOPEFUL)
        ]
        band = f"{say_best_by(ends_by[0])} cautious · {say_best_by(ends_by[1])} hopeful"
    return days_left(base, used, rate, age), share_left(base, used), band


def _base(rows: Sequence[dict[str, Any]], school: School) -> Numbers:
    column = f"{school.value}_days"
    return np.array([np.inf if row[column] is None else row[column] for row in rows])
