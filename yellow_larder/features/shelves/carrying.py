"""Packages are carried to another place, or thrown out."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import date

from sqlalchemy.orm import Session

from yellow_larder.features.household.larder import Larder, find_place, tidy_name
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.events import PackageMoved, PackageThrownOut
from yellow_larder.features.packages.find import all_kept
from yellow_larder.features.packages.state import Package
from yellow_larder.features.shelves.moving import lasts_there
from yellow_larder.features.supplies.stock import Stock
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.words.dates import check_day
from yellow_larder.words.errors import Refused


def move(larder: Larder, numbers: Sequence[int], *, place: int, shelf: int, on: date | None = None) -> None:
    """Move packages to a shelf of a place."""
    with writing(larder.engine) as session:
        target = find_place(session, place)
        if not 1 <= shelf <= target.shelves:
            raise Refused("shelf", f"{target.name} has shelves 1 to {target.shelves}")
        packages = all_kept(session, numbers)
        moving = [package for package in packages if (package.place_id, package.shelf) != (place, shelf)]
        if not moving:
            raise Refused("shelf", "Already there")
        title = title_of("package.moved", "package.moved-many", moving, place=target.name, shelf=shelf)
        day = _day(larder, moving, on)
        move_in(session, larder, moving, target, {each.number: shelf for each in moving}, title, day)


def move_in(
    session: Session,
    larder: Larder,
    packages: Sequence[Package],
    target: Place,
    shelves: Mapping[int, int],
    title: log.Title,
    day: date | None = None,
) -> None:
    """Record that packages went to a place, each to its shelf; a day that each has seen, or today."""
    on = _day(larder, packages, None) if day is None else day
    log.record(session, title, carried(session, packages, target, shelves, on), at=larder.clock())


def carried(
    session: Session, packages: Sequence[Package], target: Place, shelves: Mapping[int, int], on: date
) -> list[log.Act]:
    """Packages stand in a place from a day on, each on its shelf, and last so long there."""
    lasts = lasts_there(session, packages, target, on)
    return [
        log.Act(each.number, PackageMoved(on, target.id, shelves[each.number], lasts.get(each.number)))
        for each in packages
    ]


def throw_out(larder: Larder, numbers: Sequence[int], *, why: str, on: date | None = None) -> None:
    """Throw packages out. They leave the shelves; their journal stays, and jars come back to the supplies."""
    reason = tidy_name(why, "why")
    with writing(larder.engine) as session:
        packages = all_kept(session, numbers)
        day = _day(larder, packages, on)
        title = title_of("package.thrown-out", "package.thrown-out-many", packages)
        log.record(session, title, thrown_out(session, packages, reason, day), at=larder.clock())


def thrown_out(session: Session, packages: Sequence[Package], why: str, on: date) -> list[log.Act]:
    """Packages are thrown out, and what they were in comes back."""
    stock = Stock(session)
    acts = [log.Act(each.number, PackageThrownOut(on, why)) for each in packages]
    for each in packages:
        acts += stock.gives_back(each.container_key, lid_holds=not each.trouble)
    return acts


def _day(larder: Larder, packages: Sequence[Package], on: date | None) -> date:
    """The day of what happens to some packages, which each of them has seen; none means today."""
    today = larder.today()
    return max(check_day(on or today, today, "on", earliest=package.stands_since) for package in packages)


def title_of(one: str, many: str, packages: Sequence[Package], **figures: str | float) -> log.Title:
    """What is done with a package, or with several."""
    names = sorted({package.food_name for package in packages})
    if len(packages) > 1:
        return log.title(many, count=len(packages), names=names, **figures)
    return log.title(one, number=packages[0].number, names=names, **figures)
