"""The shelves: what stands where, how much of its life is left, and what can be done with it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from enum import StrEnum
from math import isinf
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from yellow_larder.core.looks import Eye
from yellow_larder.core.nutrition import person_days
from yellow_larder.larder.ageing import SOON_DAYS, kept_rows, lives_left
from yellow_larder.larder.days import check_day
from yellow_larder.larder.eaters import appetite
from yellow_larder.larder.larder import Larder, settings, tidy_name
from yellow_larder.larder.photos import photos_in
from yellow_larder.larder.quantities import Units, say_kcal, say_mass, say_temperature
from yellow_larder.larder.refusals import NotThere, Refused
from yellow_larder.larder.stock import Stock
from yellow_larder.larder.vessels import Drawing, container_by_key, drawing, say_container
from yellow_larder.larder.wording import say_best_by, say_day, say_packets
from yellow_larder.store import journal
from yellow_larder.store.database import reading, writing
from yellow_larder.store.models import Change, Entry, Package, Place


class Due(StrEnum):
    """How a package stands against its best-by."""

    FINE = "fine"
    SOON = "soon"
    PAST = "past"


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
    """All places, all packages kept, and how their containers are drawn."""

    places: list[PlaceView]
    packages: list[OnShelf]
    containers: dict[str, Drawing]


@dataclass(frozen=True, slots=True)
class Happening:
    """A line of a package's journal."""

    on: str
    what: str
    detail: str


@dataclass(frozen=True, slots=True)
class Stretch:
    """A time spent in one place, and the life it cost."""

    place: str
    climate: str
    since: str
    until: str
    days: int
    life_days: int


@dataclass(frozen=True, slots=True)
class Card:
    """Everything about one package."""

    number: int
    food: str
    form: str
    colour: str
    draw: Drawing
    container: str
    container_size: str
    closing: str
    mass: str
    mass_g: float
    kcal_text: str
    person_days: float
    moisture_pct: float
    packets: str
    level: float
    outer: bool
    place: int
    place_name: str
    shelf: int
    packed_on: str
    best_by: str
    band: str
    left: float
    due: Due
    thrown_out: str | None
    against: str
    """The stop it was packed against, and why; empty if there was none."""
    trouble: str
    """What was wrong with it at the last look, and what is to be done; empty if nothing was."""
    photos: list[int]
    journal: list[Happening]
    ledger: list[Stretch]


_COLUMNS = [column for column in Package.__table__.columns if column.name not in ("packets", "food_key", "closing")]


def shelves(larder: Larder) -> ShelvesView:
    """What stands where."""
    with reading(larder.engine) as session:
        household = settings(session)
        places = list(session.scalars(select(Place).order_by(Place.id)))
        rows = kept_rows(session, _COLUMNS)
    today = larder.today()
    left, share, _ = lives_left(rows, {place.id: place for place in places}, household.school, today)
    keys = {row["container_key"] for row in rows}
    packages = [
        _on_shelf(row, days, part, household.units, today)
        for row, days, part in zip(rows, left.tolist(), share.tolist(), strict=True)
    ]
    return ShelvesView(
        places=[_place_view(place, packages, rows, household.units) for place in places],
        packages=packages,
        containers={key: drawing(container_by_key(key)) for key in sorted(keys)},
    )


def card(larder: Larder, number: int) -> Card:
    """Everything about one package, thrown out or not."""
    with reading(larder.engine) as session:
        household = settings(session)
        package = _get(session, number)
        places = {place.id: place for place in session.scalars(select(Place))}
        standing = journal.entries(session, "package", number)
        eating = appetite(session, larder.today().year)
    row = {column.name: getattr(package, column.name) for column in Package.__table__.columns}
    today = larder.today()
    left, share, band = lives_left([row], places, household.school, today)
    container = container_by_key(package.container_key)
    shown = _on_shelf(row, float(left[0]), float(share[0]), household.units, today)
    return Card(
        number=number,
        food=package.food_name,
        form=package.form,
        colour=package.colour,
        draw=drawing(container),
        container=container.name,
        container_size=say_container(container, household.units),
        closing=package.closing,
        mass=shown.mass,
        mass_g=package.mass_g,
        kcal_text=say_kcal(package.kcal),
        person_days=person_days(package.kcal, eating.kcal_per_person_day),
        moisture_pct=package.moisture_pct,
        packets=say_packets(package.packets),
        level=package.level,
        outer=package.outer,
        place=package.place_id,
        place_name=places[package.place_id].name,
        shelf=package.shelf,
        packed_on=say_day(package.packed_on),
        best_by=shown.best_by,
        band=band,
        left=shown.left,
        due=shown.due,
        thrown_out=say_day(package.thrown_out_on) if package.thrown_out_on else None,
        against=package.against,
        trouble=package.trouble,
        photos=photos_in(standing),
        journal=[_happening(entry, places, household.units) for entry, _ in standing],
        ledger=_ledger(package, standing, places, household.units, today),
    )


def move(larder: Larder, numbers: Sequence[int], *, place: int, shelf: int, on: date | None = None) -> None:
    """Move packages to a shelf of a place."""
    with writing(larder.engine) as session:
        target = session.get(Place, place)
        if target is None:
            raise NotThere("place", "That place is not there any more; pick another")
        if not 1 <= shelf <= target.shelves:
            raise Refused("shelf", f"{target.name} has shelves 1 to {target.shelves}")
        packages = [_kept(session, number) for number in numbers]
        moving = [package for package in packages if (package.place_id, package.shelf) != (place, shelf)]
        if not moving:
            raise Refused("shelf", "It stands there already")
        facts = {"place_id": place, "shelf": shelf}
        title = f"Moved {_say_packages(moving)} to {target.name}, shelf {shelf}"
        journal.record(session, title, _acts(larder, "moved", moving, facts, on), at=larder.clock())


def throw_out(larder: Larder, numbers: Sequence[int], *, why: str, on: date | None = None) -> None:
    """Throw packages out. They leave the shelves; their journal stays, and jars come back to the supplies."""
    reason = tidy_name(why, "why")
    with writing(larder.engine) as session:
        packages = [_kept(session, number) for number in numbers]
        acts = _acts(larder, "thrown out", packages, {"why": reason}, on)
        stock = Stock(session)
        for each in packages:
            acts += stock.gives_back(each.container_key, lid_holds=not each.trouble)
        journal.record(session, f"Threw out {_say_packages(packages)}", acts, at=larder.clock())


def _acts(
    larder: Larder, act: str, packages: Sequence[Package], facts: dict[str, Any], on: date | None
) -> list[journal.Act]:
    """What happens to some packages on a day that each of them has seen."""
    today = larder.today()
    day = max(check_day(on or today, today, "on", earliest=package.stands_since) for package in packages)
    return [journal.Act("package", each.number, act, facts | {"on": day.isoformat()}) for each in packages]


def _say_packages(packages: Sequence[Package]) -> str:
    names = sorted({package.food_name for package in packages})
    numbers = f"number {packages[0].number}" if len(packages) == 1 else f"{len(packages)} packages"
    return f"{numbers} ({', '.join(names[:3])})"


def _get(session: Session, number: int) -> Package:
    package = session.get(Package, number)
    if package is None:
        raise NotThere("number", f"There is no package number {number}")
    return package


def _kept(session: Session, number: int) -> Package:
    package = _get(session, number)
    if package.thrown_out_on is not None:
        raise Refused("number", f"Number {number} was thrown out on {say_day(package.thrown_out_on)}")
    return package


def _on_shelf(row: dict[str, Any], days: float, share: float, units: Units, today: date) -> OnShelf:
    end = row["thrown_out_on"] or today
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
        due=Due.PAST if days < 0 else Due.SOON if days < SOON_DAYS else Due.FINE,
        best_by=say_best_by(None if isinf(days) else end + timedelta(days=days)),
    )


def _place_view(place: Place, packages: list[OnShelf], rows: Sequence[dict[str, Any]], units: Units) -> PlaceView:
    here = [(package, row) for package, row in zip(packages, rows, strict=True) if package.place == place.id]
    by_food: dict[str, list[dict[str, Any]]] = {}
    for package, row in here:
        by_food.setdefault(package.food, []).append(row)
    kcal = {food: sum(row["kcal"] for row in of) for food, of in by_food.items()}
    return PlaceView(
        id=place.id,
        name=place.name,
        sort=place.sort,
        shelves=place.shelves,
        width_mm=place.width_mm,
        climate=_climate(place, units),
        kept=len(here),
        due=sum(package.due is not Due.FINE for package, _ in here),
        kcal_text=say_kcal(sum(kcal.values())),
        foods=[
            Kept(
                food, len(by_food[food]), say_mass(sum(row["mass_g"] for row in by_food[food]), units), say_kcal(energy)
            )
            for food, energy in sorted(kcal.items(), key=lambda each: -each[1])
        ],
    )


def _climate(place: Place, units: Units) -> str:
    mean, warmest = (say_temperature(t, units) for t in (place.mean_c, place.mean_c + place.swing_c))
    return f"{mean} over the year, {warmest} at its warmest"


def _happening(entry: Entry, places: dict[int, Place], units: Units) -> Happening:
    facts = entry.facts
    if entry.act == "packed":
        closing = {"absorber": "with absorbers", "vacuum": "vacuum", "lid": "with room air"}[facts["closing"]]
        return Happening(
            say_day(date.fromisoformat(facts["packed_on"])),
            f"Packed {closing}",
            f"{say_mass(facts['mass_g'], units)}, {facts['moisture_pct']:.1f} % moisture, "
            f"{places[facts['place_id']].name}" + (f"; {facts['note']}" if facts.get("note") else ""),
        )
    on = say_day(date.fromisoformat(facts["on"]))
    if entry.act == "moved":
        return Happening(on, f"Moved to {places[facts['place_id']].name}", f"shelf {facts['shelf']}")
    if entry.act == "looked":
        eye = "" if facts["eye"] == Eye.UNSEEN else f", eye {facts['eye']}"
        return Happening(on, f"Looked over: {facts['feel']}{eye}", facts["says"])
    if entry.act == "photographed":
        return Happening(on, "A picture taken", "")
    if entry.act == "emptied":
        return Happening(on, "Emptied", "to be packed anew")
    return Happening(on, "Thrown out", facts["why"])


def _ledger(
    package: Package, standing: list[tuple[Entry, Change]], places: dict[int, Place], units: Units, today: date
) -> list[Stretch]:
    """The life ledger: how long it stood where, and what that cost."""
    first = standing[0][0].facts
    at, since = first["place_id"], package.packed_on
    found = []
    stops = [(date.fromisoformat(entry.facts["on"]), entry) for entry, _ in standing[1:]]
    for until, entry in [*stops, (package.thrown_out_on or today, None)]:
        leaves = entry is None or entry.facts.get("place_id", at) != at or entry.act in ("thrown out", "emptied")
        if leaves and (until > since or entry is None):
            place = places[at]
            days = (until - since).days
            cost = journal.life_used(place, package.q10, since, until)
            ends = "now" if entry is None and package.thrown_out_on is None else say_day(until)
            found.append(Stretch(place.name, _climate(place, units), say_day(since), ends, days, round(cost)))
            since = until
        if entry is not None:
            at = entry.facts.get("place_id", at)
    return [stretch for n, stretch in enumerate(found) if stretch.days or n == 0]
