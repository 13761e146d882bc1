"""Which of each food to open next: the open one, then the one with the least life left, then the one nearly empty."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from typing import Any

import numpy as np

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.containers import Kind
from yellow_larder.features.catalog.containers import called, container_by_key
from yellow_larder.features.household.larder import Larder, places_in, settings
from yellow_larder.features.packages.state import Package
from yellow_larder.features.shelves.ageing import LIFE_COLUMNS, kept_rows, lives_left
from yellow_larder.journal.database import reading
from yellow_larder.words.quantities import say_mass

ORDERED_BY = ("number", "food_name", "container_key", "mass_g", "open_since")
"""What of a package its turn goes by, beside its life."""

_COLUMNS = [*LIFE_COLUMNS, *(Package.__table__.columns[name] for name in (*ORDERED_BY, "shelf"))]

_LARGE = frozenset({Kind.PAIL, Kind.LINED_PAIL, Kind.TOTE})
"""A whole pail is opened when its smaller ones are gone, or to be shared out. Source: common practice."""


class Why(StrEnum):
    """Why this one of a food."""

    OPEN = "open"
    LEAST_LIFE = "least life left"
    ONLY = "the only one"


@dataclass(frozen=True, slots=True)
class OpenNext:
    """The one of a food to take from, or to open, next.

    Attributes:
        food: the food.
        number: the package.
        container: what it is in.
        mass: what is in it.
        place: where it stands.
        where: that in words, with its shelf.
        why: why this one.
        more: how many more there are of that food.
    """

    food: str
    number: int
    container: str
    mass: str
    place: int
    where: str
    why: Why
    more: int


def in_order(rows: Sequence[dict[str, Any]], days_left: Numbers) -> list[int]:
    """Which packages to take from first, as indices: the open, no pail, what has the least life left, the emptiest."""
    large = np.array([container_by_key(row["container_key"]).kind in _LARGE for row in rows], dtype=bool)
    closed = np.array([row["open_since"] is None for row in rows], dtype=bool)
    mass = np.array([row["mass_g"] for row in rows], dtype=float)
    order: list[int] = np.lexsort((mass, days_left, large, closed)).tolist()
    return order


def open_next(larder: Larder) -> list[OpenNext]:
    """Of each food that is kept the one to open next, by food.

    What was not right at its last look is never offered.
    """
    today = larder.today()
    with reading(larder.engine) as session:
        household, places = settings(session), places_in(session)
        rows = kept_rows(session, _COLUMNS, Package.trouble == "")
    days, _, _ = lives_left(rows, places, household.estimate, today)
    order = in_order(rows, days)
    food = np.array([row["food_name"] for row in rows], dtype=object)
    first: dict[str, int] = {}
    for n in order:
        first.setdefault(food[n], int(n))
    counts = {name: int(count) for name, count in zip(*np.unique(food.astype(str), return_counts=True), strict=True)}
    found = []
    for name, n in sorted(first.items()):
        row, more = rows[n], counts[name] - 1
        why = Why.OPEN if row["open_since"] is not None else Why.LEAST_LIFE if more else Why.ONLY
        found.append(
            OpenNext(
                food=name,
                number=row["number"],
                container=called(container_by_key(row["container_key"]), household.units),
                mass=say_mass(row["mass_g"], household.units),
                place=row["place_id"],
                where=f"{places[row['place_id']].name}, shelf {row['shelf']}",
                why=why,
                more=more,
            )
        )
    return found
