"""The shelves: what stands where, and how much of its life is left."""

from __future__ import annotations

from collections import Counter
from dataclasses import dataclass
from datetime import date
from enum import StrEnum
from typing import Any

import numpy as np
from sqlalchemy import func, or_, select
from sqlalchemy.orm import Session

from yellow_larder.features.catalog.containers import Drawing, container_by_key, drawing
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, places_in, places_in_use, settings
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.state import Package
from yellow_larder.features.shelves.ageing import (
    LIFE_COLUMNS,
    SOON_DAYS,
    DueSoon,
    best_by,
    due_soon,
    kept_rows,
    lives_left,
)
from yellow_larder.journal.database import reading
from yellow_larder.reference import foods
from yellow_larder.words.quantities import Units, say_kcal, say_mass, say_temperature


class Due(StrEnum):
    """How a package stands: against its best-by, and what its last look found."""

    FINE = "fine"
    SOON = "soon"
    PAST = "past"
    KEPT = "kept on"
    """Past its best-by; somebody looked at it, and it stays until they look again."""
    WRONG = "wrong"
    """Its last look found something: it leaks, or puffed up. What it was to last is said no more."""


@dataclass(slots=True)
class OnShelf:
    """A package as its picture needs it; not frozen, since thousands are made at once and freezing takes longest."""

    number: int
    food: str
    form: str
    colour: str
    container: str
    mass: str
    level: float
    outer: bool
    place: int
    shelf: int
    batch: int
    left: float
    due: Due
    best_by: str
    kcal_text: str
    open: bool


@dataclass(frozen=True, slots=True)
class Kept:
    """One food in one place, added up."""

    food: str
    count: int
    mass: str
    kcal_text: str


@dataclass(frozen=True, slots=True)
class PlaceView:
    """A place, with what it holds in figures."""

    id: int
    name: str
    sort: str
    shelves: int
    width_mm: float
    climate: str
    kept: int
    due: int
    kcal_text: str
    foods: list[Kept]


@dataclass(frozen=True, slots=True)
class ShelvesView:
    """All places, packages kept, and how their containers are drawn."""

    places: list[PlaceView]
    place: int | None
    """Where the packages stand, if they are those of one place."""
    packages: list[OnShelf]
    due: list[OnShelf]
    """The first of what is due, wherever it stands."""
    more_after: int | None
    """The number after which there are more packages; none if these are all."""
    containers: dict[str, Drawing]
    short_names: dict[str, str]
    """What foods are called on a narrow label, by name, where that is shorter."""


@dataclass(frozen=True, slots=True)
class Found:
    """A package that was looked for, and where it stands."""

    number: int
    place: int


_DRAWN = (
    "number",
    "food_name",
    "form",
    "colour",
    "container_key",
    "mass_g",
    "kcal",
    "level",
    "outer",
    "shelf",
    "batch",
)
_COLUMNS = [
    *LIFE_COLUMNS,
    *(Package.__table__.columns[name] for name in (*_DRAWN, "trouble", "open_since", "kept_until")),
]

MOST_DUE = 40
"""More than these are not listed beside the shelves; the Rounds tell of all."""

MOST_FOUND = 1000


def shelves(
    larder: Larder,
    *,
    place: int | None = None,
    beside: int = 0,
    fullest: bool = False,
    after: int = 0,
    most: int | None = None,
) -> ShelvesView:
    """What stands where.

    Args:
        larder: the larder.
        place: only the packages of this place; none means of all.
        beside: with `fullest`, the number of a package that may say where.
        fullest: one place in any case: if there is no such place, the one of that package, or else where most stand.
        after: only packages whose number is above this.
        most: so many packages at the most; none means all.

    Returns:
        All places with their sums, the packages asked for by place and number, and what is due anywhere.
    """
    today = larder.today()
    with reading(larder.engine) as session:
        household = settings(session)
        places = places_in(session)
        soon = due_soon(session, today)
        wrong = _wrong(session)
        sums = _sums(session)
        in_use = places_in_use(session)
        if fullest and place not in in_use:
            place = _begin(session, beside, in_use, sums)
        only = [Package.number > after] if after else []
        if place is not None:
            only.append(Package.place_id == place)
        rows = kept_rows(session, _COLUMNS, *only, most=most)
        first_due = _first_due(session, soon, wrong)
    packages = _on_shelves(rows, places, household, today)
    return ShelvesView(
        places=_place_views(in_use, sums, soon, wrong, household.units),
        place=place,
        packages=packages,
        due=_on_shelves(first_due, places, household, today),
        more_after=packages[-1].number if most is not None and len(packages) == most else None,
        containers={key: drawing(container_by_key(key)) for key in sorted({row["container_key"] for row in rows})},
        short_names=_short_names({row["food_name"] for row in rows}),
    )


def _begin(session: Session, beside: int, in_use: dict[int, Place], sums: dict[int, _Sums]) -> int:
    """Where somebody begins who names no place: where the package stands that they ask for, or where most stand."""
    package = session.get(Package, beside)
    if package is not None and package.place_id in in_use:
        return package.place_id
    return max(in_use, key=lambda each: sum(count for _, count, _, _ in sums.get(each, [])))


def _short_names(names: set[str]) -> dict[str, str]:
    return {food.name: food.short for food in foods().values() if food.name in names and food.short != food.name}


def see_places(larder: Larder) -> list[PlaceView]:
    """All places, with what each holds in figures."""
    with reading(larder.engine) as session:
        in_use = places_in_use(session)
        soon = due_soon(session, larder.today())
        return _place_views(in_use, _sums(session), soon, _wrong(session), settings(session).units)


_NOT_RIGHT = select(Package.number, Package.place_id).where(Package.trouble > "", Package.gone_on.is_(None))


def _wrong(session: Session) -> dict[int, int]:
    """The packages that their last look found something at, with the place of each."""
    return {row.number: row.place_id for row in session.execute(_NOT_RIGHT)}


def _place_views(
    in_use: dict[int, Place], sums: dict[int, _Sums], soon: DueSoon, wrong: dict[int, int], units: Units
) -> list[PlaceView]:
    due = Counter((dict(zip(soon.number.tolist(), soon.place.tolist(), strict=True)) | wrong).values())
    return [_place_view(each, sums.get(each.id, []), due[each.id], units) for each in in_use.values()]


def find_packages(larder: Larder, words: str, number: int | None) -> list[Found]:
    """The packages kept that some words mean: part of a food's name, or a number."""
    wanted = words.strip().lower() if number is None else ""
    with reading(larder.engine) as session:
        kept = Package.gone_on.is_(None)
        foods = session.scalars(select(Package.food_name).where(kept).distinct()).all() if wanted else ()
        names = [name for name in foods if wanted in name.lower()]
        meant = select(Package.number, Package.place_id).where(
            kept, or_(Package.number == number, Package.food_name.in_(names))
        )
        rows = session.execute(meant.order_by(Package.place_id, Package.number).limit(MOST_FOUND))
        return [Found(*row) for row in rows]


def _on_shelves(
    rows: list[dict[str, Any]], places: dict[int, Place], household: Settings, today: date
) -> list[OnShelf]:
    left, share, _ = lives_left(rows, places, household.estimate, today)
    return [
        on_shelf(row, days, part, household.units, today)
        for row, days, part in zip(rows, left.tolist(), share.tolist(), strict=True)
    ]


def _first_due(session: Session, soon: DueSoon, wrong: dict[int, int]) -> list[dict[str, Any]]:
    """Of what is due the first, what is not right before all, as their pictures need them."""
    numbers = list(dict.fromkeys([*wrong, *soon.number[np.argsort(soon.days, kind="stable")].tolist()]))[:MOST_DUE]
    found = {row["number"]: row for row in kept_rows(session, _COLUMNS, Package.number.in_(numbers))}
    return [found[number] for number in numbers]


_Sums = list[tuple[str, int, float, float]]
"""Of each food: how many packages, their weight in g, their energy in kcal."""


_BY_FOOD = (
    select(Package.place_id, Package.food_name, func.count(), func.sum(Package.mass_g), func.sum(Package.kcal))
    .where(Package.gone_on.is_(None))
    .group_by(Package.place_id, Package.food_name)
)


def _sums(session: Session) -> dict[int, _Sums]:
    """What each place holds, by food."""
    rows = session.execute(_BY_FOOD)
    sums: dict[int, _Sums] = {}
    for place, food, count, mass_g, kcal in rows:
        sums.setdefault(place, []).append((food, count, mass_g, kcal))
    return sums


def on_shelf(row: dict[str, Any], days: float, share: float, units: Units, today: date) -> OnShelf:
    """A package as its picture needs it, from its row and what is left of its life."""
    return OnShelf(
        number=row["number"],
        food=row["food_name"],
        form=row["form"],
        colour=row["colour"],
        container=row["container_key"],
        mass=say_mass(row["mass_g"], units),
        level=round(row["level"], 3),
        outer=row["outer"],
        place=row["place_id"],
        shelf=row["shelf"],
        batch=row["batch"],
        left=round(share, 3),
        due=_due(row, days, today),
        best_by=best_by(row, days, today),
        kcal_text=say_kcal(row["kcal"]),
        open=row["open_since"] is not None,
    )


def _due(row: dict[str, Any], days: float, today: date) -> Due:
    if row["trouble"]:
        return Due.WRONG
    if row["kept_until"] is not None and row["kept_until"] > today:
        return Due.KEPT
    return Due.PAST if days < 0 else Due.SOON if days < SOON_DAYS else Due.FINE


def _place_view(place: Place, sums: _Sums, due: int, units: Units) -> PlaceView:
    return PlaceView(
        id=place.id,
        name=place.name,
        sort=place.sort,
        shelves=place.shelves,
        width_mm=place.width_mm,
        climate=say_climate(place, units),
        kept=sum(count for _, count, _, _ in sums),
        due=due,
        kcal_text=say_kcal(sum(kcal for *_, kcal in sums)),
        foods=[
            Kept(food, count, say_mass(mass_g, units), say_kcal(kcal))
            for food, count, mass_g, kcal in sorted(sums, key=lambda each: -each[3])
        ],
    )


def say_climate(place: Place, units: Units) -> str:
    """The year of a place, in words."""
    mean, warmest = (say_temperature(t, units) for t in (place.mean_c, place.mean_c + place.swing_c))
    return f"{mean} over the year, {warmest} at its warmest"
