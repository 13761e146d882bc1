"""Places: put right, emptied into another, and closed once nothing stands there."""

from __future__ import annotations

from dataclasses import asdict, dataclass

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.household.events import PlaceChanged, PlaceClosed, PlaceMade, TakenFor
from yellow_larder.features.household.larder import (
    Larder,
    NewPlace,
    check_place_name,
    find_place,
    place_made,
    places_in,
    places_in_use,
)
from yellow_larder.features.household.state import Place
from yellow_larder.features.household.versions import check_based_on
from yellow_larder.features.packages.events import PackageCalculated
from yellow_larder.features.packages.state import Package
from yellow_larder.features.run.record import current
from yellow_larder.features.shelves.carrying import move_in
from yellow_larder.features.shelves.moving import lasts_anew
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.words.errors import NotThere, Refused


@dataclass(frozen=True, slots=True)
class PlaceAsTyped:
    """A place as it is typed, and the version that a change of it is based on."""

    place: NewPlace
    version: int


def see_place(larder: Larder, number: int) -> PlaceAsTyped:
    """A place as it is typed.

    Raises:
        NotThere: it is not there.
    """
    with reading(larder.engine) as session:
        return PlaceAsTyped(_typed(place_in_use(session, number)), log.version(session, "place", number))


def change_place(larder: Larder, number: int, so: NewPlace, *, based_on: int | None = None) -> None:
    """A place was written down wrong: it is so, and was all along. What stands there is calculated anew.

    Args:
        larder: the larder.
        number: which.
        so: what it is.
        based_on: the version it was shown in; none means that whoever changes it did not look.

    Raises:
        Refused: a field is wrong, or something stands on a shelf that would not be there.
        Outdated: somebody else changed it meanwhile.
    """
    now = place_made(so)
    with writing(larder.engine) as session:
        place = place_in_use(session, number)
        check_based_on(session, "place", number, based_on, lambda: asdict(_typed(place)))
        check_place_name(session, now.name, but=number)
        if all(getattr(place, name) == value for name, value in asdict(now).items()):
            raise Refused("request", "That is what is written already")
        lowest = session.scalar(
            select(func.max(Package.shelf)).where(Package.place_id == number, Package.gone_on.is_(None))
        )
        if lowest is not None and lowest > now.shelves:
            raise Refused("shelves", f"Something stands on shelf {lowest}: move it first")
        acts = [log.Act(number, PlaceChanged(now)), *calculated_anew(session, larder, place, now)]
        log.record(session, log.title("place.changed", name=now.name), acts, at=larder.clock())


def calculated_anew(session: Session, larder: Larder, place: Place, now: PlaceMade | TakenFor) -> list[log.Act]:
    """How long what stands in a place lasts, if its air is another than was thought."""
    air = ("mean_c", "swing_c", "humidity")
    if all(getattr(place, name) == getattr(now, name) for name in air):
        return []
    so = Place(**{column.name: getattr(place, column.name) for column in Place.__table__.columns} | asdict(now))
    so.log = place.log
    places, known, today = places_in(session), all_foods(session), larder.today()
    standing = select(Package).where(Package.place_id == place.id, Package.gone_on.is_(None)).order_by(Package.number)
    anew = lasts_anew(session.scalars(standing).all(), known, places, place, so)
    return [log.Act(number, PackageCalculated(today, lasts)) for number, lasts in anew.items()]


def close_place(larder: Larder, number: int, *, based_on: int | None = None) -> None:
    """Nothing is put in a place any more; what once stood there keeps it in its history.

    Raises:
        Refused: something stands there, or it is the only place.
        Outdated: somebody else changed it meanwhile.
    """
    with writing(larder.engine) as session:
        place = place_in_use(session, number)
        check_based_on(session, "place", number, based_on, lambda: asdict(_typed(place)))
        kept = session.scalar(select(func.count()).where(Package.place_id == number, Package.gone_on.is_(None)))
        if kept:
            packages = "1 package stands" if kept == 1 else f"{kept:,} packages stand"
            raise Refused("number", f"{packages} there: move all of it first")
        run = current(session)
        if run is not None and any(ask.place == number for ask in run.record.lines.values()):
            raise Refused("number", "What is on the run sheet is to stand there: take it off the sheet first")
        if len(places_in_use(session)) == 1:
            raise Refused("number", "It is the only place there is: add another first")
        act = log.Act(number, PlaceClosed(larder.today()))
        log.record(session, log.title("place.closed", name=place.name), [act], at=larder.clock())


def move_all(larder: Larder, number: int, *, to: int) -> int:
    """Everything that stands in a place goes to another, each to the shelf of the same number if there is one.

    Returns:
        How many packages went.

    Raises:
        Refused: nothing stands there, or it is the same place.
    """
    with writing(larder.engine) as session:
        place_in_use(session, number)
        target = find_place(session, to, "to")
        if to == number:
            raise Refused("to", "It stands there already")
        standing = select(Package).where(Package.place_id == number, Package.gone_on.is_(None)).order_by(Package.number)
        packages = session.scalars(standing).all()
        if not packages:
            raise Refused("number", "Nothing stands there")
        shelves = {each.number: min(each.shelf, target.shelves) for each in packages}
        move_in(
            session, larder, packages, target, shelves, log.title("place.moved", name=target.name, count=len(packages))
        )
        return len(packages)


def place_in_use(session: Session, number: int) -> Place:
    """A place that is in use.

    Raises:
        NotThere: it is not there.
    """
    place = places_in_use(session).get(number)
    if place is None:
        raise NotThere("number", "That place is not there any more")
    return place


def _typed(place: Place) -> NewPlace:
    return NewPlace(
        name=place.name,
        sort=place.sort,
        shelves=place.shelves,
        width_mm=place.width_mm,
        mean_c=place.mean_c,
        warmest_c=place.mean_c + place.swing_c,
        warmest_month=place.warmest_month,
        humidity=place.humidity,
        dark=place.dark,
    )
