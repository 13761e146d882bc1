"""Packages as they stand, as they follow from the journal."""

from __future__ import annotations

import math
from collections.abc import Callable, Collection, Mapping
from dataclasses import replace
from datetime import date
from typing import Any

from sqlalchemy import ColumnElement, ForeignKey, Index, or_
from sqlalchemy.orm import Mapped, mapped_column

from yellow_larder.core.containers import Closing
from yellow_larder.core.keeping import REFERENCE_C, Estimate, soonest_end
from yellow_larder.features.household.state import PLACE
from yellow_larder.features.packages.contained import Closed, Contained, Life, Pests, Portion, Stretch
from yellow_larder.features.packages.events import (
    PackageBecame,
    PackageCalculated,
    PackageClosed,
    PackageCorrected,
    PackageEmptied,
    PackageGone,
    PackageKeptOn,
    PackageLooked,
    PackageMoved,
    PackageOpened,
    PackagePacked,
    PackagePhotographed,
    PackageSealLost,
    PackageTasted,
    PackageThrownOut,
    PackageWeighed,
)
from yellow_larder.journal.events import as_json, from_json
from yellow_larder.journal.kinds import Happened, Kind, LookUp, Row
from yellow_larder.journal.tables import Base


class Package(Base):
    """A container with food in it, as it stands now."""

    __tablename__ = "packages"
    # What is kept is counted, added up and looked through without reading every package.
    __table_args__ = (
        Index("packages_kept", "gone_on", "place_id", "food_name", "food_key", "kcal", "mass_g"),
        *(
            Index(f"packages_{what}", "gone_on", what)
            for what in ("cautious_end", "customary_end", "hopeful_end", "look_due", "trouble")
        ),
        Index("packages_open", "gone_on", "open_since"),
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
    """The most days from `closed_on` that it can last: what cold stretches, oxygen, moisture; none if endless."""
    cautious_had: Mapped[float]
    customary_had: Mapped[float]
    hopeful_had: Mapped[float]
    """The share of its life that it had left when it was closed as it is, by estimate."""
    cautious_end: Mapped[int | None]
    customary_end: Mapped[int | None]
    hopeful_end: Mapped[int | None]
    """The day, as a day number, before which its life cannot be over where it stands, by estimate."""
    past: Mapped[list[Any] | None]
    """The stretches of its life before this one, each as a `Stretch`; none if this is the first."""
    stands_since: Mapped[date]
    """The day this stretch of its life began."""
    closed_on: Mapped[date]
    """The day it was closed as it is now, or opened."""
    open_since: Mapped[date | None]
    """The day it was opened; none if it is closed."""
    kept_until: Mapped[date | None]
    """The day until which it is kept on beyond its best-by; none if nobody said so."""
    gone_on: Mapped[date | None]
    """The day it left the shelves; none if it is kept."""
    gone: Mapped[str]
    """How it left them: the act of the journal; empty if it is kept."""
    override: Mapped[str]
    """The stop it was packed against, and why; empty if there was none."""
    look_due: Mapped[date | None]
    """The day it is to be looked over next; none if its looks are done."""
    closed: Mapped[dict[str, Any]]
    """How it was closed, so that what becomes of it elsewhere can be worked out; empty if nobody wrote it."""
    pests: Mapped[dict[str, Any]]
    """What was done against insects, as a `Pests`; empty if nothing was."""
    trouble: Mapped[str]
    """What was wrong with it at the last look, by the code of the advice; empty if nothing was."""
    unsure_days: Mapped[int]
    """How far off the day may be on which it was packed, days."""
    printed_on: Mapped[date | None]
    """Until when its maker says that it is good; none if nobody read that."""


def endless(days: float | None) -> float:
    """Days as they are kept: none stands for no end."""
    return math.inf if days is None else days


def stretch_now(row: Row, until: date) -> Stretch:
    """The stretch that a package is in, up to some day."""
    since = row["stands_since"]
    return Stretch(
        place_id=row["place_id"],
        since=since.toordinal(),
        # A day before the last one (a clock that was set back) makes nothing younger.
        until=max(until, since).toordinal(),
        closing=Closing(row["closing"]),
        opened=row["open_since"] is not None,
        days={estimate: row[f"{estimate.value}_days"] for estimate in Estimate},
    )


def stretches_of(row: Row, until: date) -> list[Stretch]:
    """All stretches of a package's life up to some day; the last is the one that it is in."""
    past, now = [from_json(Stretch, each) for each in row["past"] or ()], stretch_now(row, until)
    if past and past[-1].goes_on_in(now):
        return [*past[:-1], replace(past[-1], until=now.until)]
    return [*past, now]


def _package(row: Row | None, happened: Happened, number: int, look_up: LookUp) -> Row:
    new = _after(row, happened, number)
    return new | _settled(new, look_up)


def _settled(row: Row, look_up: LookUp) -> Row:
    return _soonest_ends(row, lambda place: peak_c(look_up(PLACE.name, place)))


def _looks_at(places: Collection[int]) -> ColumnElement[bool]:
    """Packages that stand in some places, or perhaps did."""
    return or_(Package.place_id.in_(places), Package.past.is_not(None))


def _after(row: Row | None, happened: Happened, number: int) -> Row:
    told = happened.event
    if isinstance(told, PackagePacked):
        return _packed(told, number, happened.change_id)
    assert row is not None
    match told:
        case PackageLooked():
            return row | {"look_due": told.next, "trouble": told.advice.value if told.wrong else ""}
        case PackagePhotographed() | PackageTasted():
            return row
        case PackageCalculated():
            return row | _lasts(told.lasts)
        case PackageKeptOn():
            return row | {"kept_until": told.until}
        case PackageMoved():
            moved = {"place_id": told.place_id, "shelf": told.shelf} | _lasts(told.lasts or {})
            return _next_stretch(row, told.on) | moved
        case PackageBecame():
            return _became(row, told)
        case PackageThrownOut() | PackageEmptied() | PackageGone():
            return _next_stretch(row, told.on) | {"gone_on": told.on, "gone": happened.act}
    raise TypeError(f"{told} does not happen to a package")


def _became(row: Row, told: PackageBecame) -> Row:
    """A package after something that made it another: what is in it, how it is closed, how long it lasts."""
    match told:
        case PackageWeighed():
            return row | _is(told.what)
        case PackageCorrected(packed_on=day):
            earlier = {} if day == row["packed_on"] else dict.fromkeys(("packed_on", "stands_since", "closed_on"), day)
            return row | _is(told.what) | earlier
        case PackageSealLost(since=since):
            return _since(row, since, told) | _is(told.what)
        case PackageOpened():
            opened = row["open_since"] or told.on
            # Nobody feels for a vacuum in what is open; what its seal was like is history.
            seen_to = {"closed_on": told.on, "open_since": opened, "look_due": None, "trouble": ""}
            return _next_stretch(row, told.on) | _is(told.what) | seen_to
        case PackageClosed():
            closed = {"closed_on": told.on, "open_since": None, "trouble": "", "look_due": told.look_due}
            return _next_stretch(row, told.on) | _is(told.what) | closed
    return _next_stretch(row, told.on) | _is(told.what) | {"closed_on": told.on}


def _next_stretch(row: Row, on: date) -> Row:
    """A package whose stretch ends, and another begins."""
    until = max(on, row["stands_since"])
    if until == row["stands_since"]:
        return dict(row)
    return row | {"past": [as_json(each) for each in stretches_of(row, until)], "stands_since": until}


def _since(row: Row, since: date, told: PackageBecame) -> Row:
    """A package that was as good as open from a day on: whatever stretch that day fell into."""
    day, lost = since.toordinal(), {estimate: life.days for estimate, life in told.what.lasts.items()}
    past: list[Stretch] = []
    for each in (from_json(Stretch, one) for one in row["past"] or ()):
        before, after = replace(each, until=min(each.until, day)), replace(each, since=max(each.since, day))
        as_open = replace(after, closing=told.what.closing, days=lost)
        past += [part for part in (before, as_open) if part.since < part.until]
    new = row | {"past": [as_json(each) for each in past] or None, "closed_on": since}
    return new if since <= row["stands_since"] else _next_stretch(new, since)


def _packed(told: PackagePacked, number: int, change_id: int) -> Row:
    return {
        "number": number,
        "batch": change_id if told.batch is None else told.batch,
        "packed_on": told.packed_on,
        "stands_since": told.packed_on,
        "closed_on": told.packed_on,
        "past": [as_json(each) for each in told.past] or None,
        "open_since": None,
        "kept_until": None,
        "gone_on": None,
        "gone": "",
        "look_due": told.look_due,
        "trouble": "",
        "unsure_days": 0 if told.found is None else told.found.unsure_days,
        "printed_on": None if told.found is None else told.found.printed,
    } | _is(told.what)


def _is(what: Contained) -> Row:
    """What a package is."""
    # As long as a container is filled with one food, the first is what its row is looked for by.
    first = what.contents[0]
    return {
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
        "place_id": what.place_id,
        "shelf": what.shelf,
        "q10": what.q10,
        "override": what.override,
        "pests": as_json(what.pests) if what.pests != Pests() else {},
        "closed": {} if what.closed is None else as_json(what.closed),
    } | _lasts(what.lasts)


def row_of(package: Package) -> Row:
    """The row of a package, as it is folded."""
    return {column.name: getattr(package, column.name) for column in Package.__table__.columns}


def contained_in(package: Package) -> Contained:
    """What a package is, as its events have it."""
    return Contained(
        contents=(Portion(package.food_key, package.food_name, package.form, package.colour, package.mass_g),),
        container_key=package.container_key,
        closing=Closing(package.closing),
        outer=package.outer,
        kcal=package.kcal,
        packets=dict(package.packets),
        moisture_pct=package.moisture_pct,
        level=package.level,
        place_id=package.place_id,
        shelf=package.shelf,
        q10=package.q10,
        lasts={
            estimate: Life(*(getattr(package, f"{estimate.value}_{name}") for name in ("days", "most", "had")))
            for estimate in Estimate
        },
        closed=from_json(Closed, package.closed) if package.closed else None,
        override=package.override,
        pests=from_json(Pests, package.pests),
    )


def _lasts(lasts: Mapping[Estimate, Life]) -> Row:
    return {
        f"{estimate.value}_{name}": value
        for estimate, each in lasts.items()
        for name, value in (("days", each.days), ("most", each.most), ("had", each.had))
    }


def _soonest_ends(row: Row, warmest_c: Callable[[int], float]) -> Row:
    """The day before which its life cannot be over, by estimate: so that what could be due is found without a sum."""
    stretches = stretches_of(row, row["stands_since"])
    stood = {each.place_id for each in stretches}
    peaks = {place: row["q10"] ** ((warmest_c(place) - REFERENCE_C) / 10) for place in stood}
    found = {}
    for estimate in Estimate:
        gone = sum(
            (each.until - each.since) * peaks[each.place_id] / endless(each.days[estimate]) for each in stretches
        )
        base = endless(row[f"{estimate.value}_days"])
        found[f"{estimate.value}_end"] = soonest_end(
            row["stands_since"].toordinal(),
            row["closed_on"].toordinal(),
            base,
            0.0 if math.isinf(base) else base * gone,
            peaks[row["place_id"]],
            endless(row[f"{estimate.value}_most"]),
        )
    return found


def peak_c(place: Row) -> float:
    """The warmest that a place is or ever was, by its row, °C."""
    warmest: float = place["mean_c"] + abs(place["swing_c"])
    return warmest if place["warmest_c"] is None else max(warmest, place["warmest_c"])


PACKAGE = Kind(
    "package",
    Package,
    _package,
    begins=frozenset({"packed"}),
    looks_up=(PLACE.name,),
    settle=_settled,
    looks_at=_looks_at,
)
