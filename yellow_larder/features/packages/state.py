"""Packages as they stand, as they follow from the journal."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from datetime import date
from typing import Any, Protocol

import numpy as np
from sqlalchemy import ForeignKey, Index
from sqlalchemy.orm import Mapped, mapped_column

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.keeping import REFERENCE_C, Estimate, life_used_days, soonest_end
from yellow_larder.features.household.state import PLACE, Place
from yellow_larder.features.packages.events import (
    Life,
    PackageEmptied,
    PackageLooked,
    PackageMoved,
    PackagePacked,
    PackagePhotographed,
    PackageThrownOut,
)
from yellow_larder.journal.events import as_json
from yellow_larder.journal.kinds import Happened, Kind, LookUp, Row
from yellow_larder.journal.tables import Base


class Package(Base):
    """A container with food in it, as it stands now."""

    __tablename__ = "packages"
    # What is kept is counted, added up and looked through without reading every package.
    __table_args__ = (
        Index("packages_kept", "thrown_out_on", "place_id", "food_name", "food_key", "kcal", "mass_g"),
        *(
            Index(f"packages_{what}", "thrown_out_on", what)
            for what in ("cautious_end", "customary_end", "hopeful_end", "look_due", "trouble")
        ),
    )

    number: Mapped[int] = mapped_column(primary_key=True)
    batch: Mapped[int] = mapped_column(index=True)
    food_key: Mapped[str] = mapped_column(index=True)
    food_name: Mapped[str]
    form: Mapped[str]
    colour: Mapped[str]
    container_key: Mapped[str]
    closing: Mapped[str]
    outer: Mapped[bool]
    mass_g: Mapped[float]
    kcal: Mapped[float]
    packets: Mapped[dict[str, Any]]
    moisture_pct: Mapped[float]
    level: Mapped[float]
    """Share of the inner height that the food stands at, 0–1."""
    packed_on: Mapped[date]
    place_id: Mapped[int] = mapped_column(ForeignKey("places.id"), index=True)
    shelf: Mapped[int]
    q10: Mapped[float]
    cautious_days: Mapped[float | None]
    customary_days: Mapped[float | None]
    hopeful_days: Mapped[float | None]
    """Life at 21 °C by estimate; none for food that does not age."""
    cautious_most: Mapped[float | None]
    customary_most: Mapped[float | None]
    hopeful_most: Mapped[float | None]
    """The most days from packing that it can last, by estimate: what cold stretches, oxygen, damp; none if endless."""
    cautious_end: Mapped[int | None]
    customary_end: Mapped[int | None]
    hopeful_end: Mapped[int | None]
    """The day, as a day number, before which its life cannot be over where it stands, by estimate."""
    used_days: Mapped[float]
    """Life used up to `stands_since`, days at 21 °C."""
    stands_since: Mapped[date]
    thrown_out_on: Mapped[date | None]
    override: Mapped[str]
    """The stop it was packed against, and why; empty if there was none."""
    look_due: Mapped[date | None]
    """The day it is to be looked over next; none if its looks are done."""
    closed: Mapped[dict[str, Any]]
    """How it was closed, so that what becomes of it elsewhere can be worked out; empty if nobody wrote it."""
    trouble: Mapped[str]
    """What was wrong with it at the last look, by the code of the advice; empty if nothing was."""


class Climate(Protocol):
    """The year of a place."""

    @property
    def mean_c(self) -> float: ...  # noqa: D102
    @property
    def swing_c(self) -> float: ...  # noqa: D102
    @property
    def warmest_month(self) -> int: ...  # noqa: D102


def life_used(place: Climate, q10: float, since: date, until: date) -> float:
    """Life that a stretch in a place cost, days at 21 °C; none if it ends before it begins."""
    return float(life_used_in(place, q10, np.array([since.toordinal()]), np.array([until.toordinal()]))[0])


def life_used_in(place: Climate, q10: float, since: Numbers, until: Numbers) -> Numbers:
    """Life that stretches in one place cost, days at 21 °C, over many packages at once."""
    # A clock that was set back ends a stretch before it began: that uses no life, and gives none back.
    return life_used_days(
        since,
        np.maximum(since, until),
        mean_c=place.mean_c,
        swing_c=place.swing_c,
        q10=q10,
        warmest_month=place.warmest_month,
    )


def endless(days: float | None) -> float:
    """Days as they are kept: none stands for no end."""
    return math.inf if days is None else days


def _package(row: Row | None, happened: Happened, number: int, look_up: LookUp) -> Row:
    def climate(place: int) -> Climate:
        return Place(**look_up(PLACE.name, place))

    new = _after(row, happened, number, climate)
    return new | _soonest_ends(new, climate(new["place_id"]))


def _after(row: Row | None, happened: Happened, number: int, climate: Callable[[int], Climate]) -> Row:
    told = happened.event
    if isinstance(told, PackagePacked):
        return _packed(told, number, happened.change_id)
    assert row is not None
    match told:
        case PackageLooked():
            return row | {"look_due": told.next, "trouble": told.advice.value if told.wrong else ""}
        case PackagePhotographed():
            return row
        case PackageMoved() | PackageThrownOut() | PackageEmptied():
            # A day before the last move (a clock that was set back) makes nothing younger.
            since = row["stands_since"]
            cost = life_used(climate(row["place_id"]), row["q10"], since, told.on)
            new = row | {"used_days": row["used_days"] + cost, "stands_since": max(told.on, since)}
            if isinstance(told, PackageMoved):
                return new | {"place_id": told.place_id, "shelf": told.shelf} | _lasts(told.lasts or {})
            return new | {"thrown_out_on": told.on}
    raise TypeError(f"{told} does not happen to a package")


def _packed(told: PackagePacked, number: int, change_id: int) -> Row:
    what = told.what
    # As long as a container is filled with one food, the first is what its row is looked for by.
    first = what.contents[0]
    return {
        "number": number,
        "batch": change_id if told.batch is None else told.batch,
        "food_key": first.food_key,
        "food_name": first.food_name,
        "form": first.form,
        "colour": first.colour,
        "mass_g": what.mass_g,
        "container_key": what.container_key,
        "closing": what.closing.value,
        "outer": what.outer,
        "kcal": what.kcal,
        "packets": dict(what.packets),
        "moisture_pct": what.moisture_pct,
        "level": what.level,
        "packed_on": told.packed_on,
        "place_id": what.place_id,
        "shelf": what.shelf,
        "q10": what.q10,
        "used_days": 0.0,
        "stands_since": told.packed_on,
        "thrown_out_on": None,
        "override": what.override,
        "look_due": told.look_due,
        "closed": {} if what.closed is None else as_json(what.closed),
        "trouble": "",
    } | _lasts(what.lasts)


def _lasts(lasts: Mapping[Estimate, Life]) -> Row:
    return {
        f"{estimate.value}_{name}": value
        for estimate, each in lasts.items()
        for name, value in (("days", each.days), ("most", each.most))
    }


def _soonest_ends(row: Row, place: Climate) -> Row:
    """The day before which its life cannot be over, by estimate: so that what could be due is found without a sum."""
    peak = row["q10"] ** ((place.mean_c + abs(place.swing_c) - REFERENCE_C) / 10)
    since, packed_on = row["stands_since"].toordinal(), row["packed_on"].toordinal()
    return {
        f"{estimate.value}_end": soonest_end(
            since,
            packed_on,
            endless(row[f"{estimate.value}_days"]),
            row["used_days"],
            peak,
            endless(row[f"{estimate.value}_most"]),
        )
        for estimate in Estimate
    }


PACKAGE = Kind("package", Package, _package, begins=frozenset({"packed"}), looks_up=(PLACE.name,))
