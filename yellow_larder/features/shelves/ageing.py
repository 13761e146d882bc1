"""How much of their life packages have left, over the whole larder at once."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date, timedelta
from functools import cache
from math import isinf
from typing import Any, NamedTuple

import numpy as np
from numpy.typing import NDArray
from sqlalchemy import ColumnElement, Select, bindparam, func, or_, select
from sqlalchemy.orm import Session

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.keeping import Estimate, days_left, rate_band, share_left
from yellow_larder.features.household.larder import places_in, settings
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.ledgers import Ledgers
from yellow_larder.features.packages.state import Package, row_of
from yellow_larder.journal import log
from yellow_larder.words.dates import say_best_by

SOON_DAYS = 90
"""What is best by a date nearer than this is marked as due soon. Source: our judgement, a season's warning."""

LIFE_COLUMNS = [
    Package.__table__.columns[name]
    for name in (
        "place_id",
        "q10",
        "gone_on",
        "stands_since",
        "packed_on",
        "closed_on",
        "past",
        *(f"{estimate.value}_{what}" for estimate in Estimate for what in ("days", "most", "had")),
    )
]
"""What the life of a package is worked out from."""


def kept_rows(
    session: Session, columns: Sequence[ColumnElement[Any]], *only: ColumnElement[bool], most: int | None = None
) -> list[dict[str, Any]]:
    """What is kept, by place and number; or only what meets some conditions, and so many at the most.

    Straight from the connection: thousands of rows need no objects with an identity.
    """
    wanted = select(*columns).where(Package.gone_on.is_(None), *only)
    found = session.connection().execute(wanted.order_by(Package.place_id, Package.number).limit(most))
    names = list(found.keys())
    return [dict(zip(names, row, strict=True)) for row in found.fetchall()]


class DrawnFood(NamedTuple):
    """A food by its name, and how it is drawn."""

    name: str
    form: str
    colour: str


@dataclass(frozen=True, slots=True)
class DueSoon:
    """What is kept and will soon be used up, as columns: there may be tens of thousands.

    Attributes:
        number: their numbers.
        place: the places where they stand.
        food: their foods, as indices into `foods`.
        days: days they have left; negative if past.
        kcal: their energy.
        foods: foods, each with how it is drawn.
    """

    number: NDArray[np.int64]
    place: NDArray[np.int64]
    food: NDArray[np.int64]
    days: Numbers
    kcal: Numbers
    foods: list[DrawnFood]


def due_soon(session: Session, today: date) -> DueSoon:
    """What is kept and has fewer than `SOON_DAYS` left by the household's estimate.

    The file is asked only for what could be due if every day were as warm as the warmest.
    """
    return log.once(session, ("due soon", today), lambda: _due_soon(session, today))


def _due_soon(session: Session, today: date) -> DueSoon:
    estimate = settings(session).estimate
    places = places_in(session)
    asked = {"by": today.toordinal() + SOON_DAYS + 1, "today": today}
    rows = session.connection().execute(_could_be_due(estimate), asked).fetchall()
    foods: dict[tuple[str, str, str], int] = {}
    food = np.array([foods.setdefault(tuple(row[9:]), len(foods)) for row in rows], dtype=np.int64)
    figures = np.array([row[:8] for row in rows], dtype=float).reshape(len(rows), 8)
    lives = np.where(np.isnan(figures[:, 5:7]), np.inf, figures[:, 5:7])
    place, q10 = figures[:, 1].astype(np.int64), figures[:, 2]
    since, closed = (np.round(figures[:, column]) for column in (3, 4))
    until = np.full(len(rows), float(today.toordinal()))
    of = Ledgers([row[8] for row in rows], place, q10, since, until, estimate, places)
    used, over = of.used(lives[:, 0])
    left = days_left(lives[:, 0], used, of.rate(), lives[:, 1], until - closed, over)
    soon = left < SOON_DAYS
    drawn = [DrawnFood(*each) for each in foods]
    return DueSoon(figures[soon, 0].astype(np.int64), place[soon], food[soon], left[soon], figures[soon, 7], drawn)


@cache
def _could_be_due(estimate: Estimate) -> Select[*tuple[Any, ...]]:
    """What asks for it; put together once, for it is asked with every page."""
    base, most, ends = (Package.__table__.columns[f"{estimate.value}_{what}"] for what in ("days", "most", "end"))
    day = [func.julianday(each) - _JULIAN for each in (Package.stands_since, Package.closed_on)]
    drawn = (Package.food_name, Package.form, Package.colour)
    figures = (Package.number, Package.place_id, Package.q10, *day, base, most, Package.kcal)
    return select(*figures, Package.past, *drawn).where(
        ends <= bindparam("by"),
        Package.gone_on.is_(None),
        # What somebody looked at and keeps on is not due before it is looked at again.
        or_(Package.kept_until.is_(None), Package.kept_until <= bindparam("today")),
    )


_JULIAN = 1721424.5
"""What SQLite's day numbers are ahead of those of the common calendar. Source: sqlite.org/lang_datefunc.html."""


def lives_left(
    rows: Sequence[dict[str, Any]], places: dict[int, Place], estimate: Estimate, today: date
) -> tuple[Numbers, Numbers, str]:
    """Days left and share left by the household's estimate, and the band of the first in words."""
    if not rows:
        return np.zeros(0), np.zeros(0), ""
    place = np.array([row["place_id"] for row in rows], dtype=np.int64)
    q10 = np.array([row["q10"] for row in rows], dtype=float)
    ends = [row["gone_on"] or today for row in rows]
    until = np.array([end.toordinal() for end in ends], dtype=float)
    since = np.array([row["stands_since"].toordinal() for row in rows], dtype=float)
    age = until - np.array([row["closed_on"].toordinal() for row in rows], dtype=float)
    of = Ledgers([row["past"] for row in rows], place, q10, since, until, estimate, places)
    base, most = _base(rows, estimate)
    used, over = of.used(base)
    had = np.array([row[f"{estimate.value}_had"] for row in rows], dtype=float)
    left, share = days_left(base, used, of.rate(), most, age, over), share_left(base, used, most, age, had)
    band = "does not age while it is dry"
    if np.isfinite(left[0]):
        band = _band(rows[0], of.only(np.array([0])), age[:1])
    return left, share, band


def _band(row: dict[str, Any], of: Ledgers, age: Numbers) -> str:
    """The soonest and the latest end of one package for all that is unsure: estimates, its place's warmth, its pace."""
    place = of.places[row["place_id"]]
    slow, fast = rate_band(place.mean_c, place.swing_c, row["q10"])
    said = []
    for estimate, rate in ((Estimate.CAUTIOUS, fast), (Estimate.HOPEFUL, slow)):
        base, most = _base([row], estimate)
        used, over = replace(of, estimate=estimate).used(base)
        left = float(days_left(base, used, np.array([rate]), most, age, over)[0])
        said.append(best_by(row, left, date.fromordinal(int(of.until[0]))))
    return f"{said[0]} cautious · {said[1]} hopeful"


def share_left_of(package: Package, places: dict[int, Place], estimate: Estimate, day: date) -> float:
    """The share of its life that one package has left on a day, by an estimate."""
    return float(lives_left([row_of(package)], places, estimate, day)[1][0])


def best_by(row: dict[str, Any], days_left: float, today: date) -> str:
    """The best-by of a package, in words; of one that is gone, what it was on its last day."""
    end = row["gone_on"] or today
    return say_best_by(None if isinf(days_left) else end + timedelta(days=days_left), row["packed_on"])


def _base(rows: Sequence[dict[str, Any]], estimate: Estimate) -> tuple[Numbers, Numbers]:
    """Lives at 21 °C and the most days from closing, by an estimate; infinite where there is no end."""
    columns = (f"{estimate.value}_days", f"{estimate.value}_most")
    base, most = (np.array([np.inf if row[name] is None else row[name] for row in rows]) for name in columns)
    return base, most
