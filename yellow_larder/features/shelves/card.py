"""The card of one package: what is in it, what happened to it, and what of its life is used up."""

from __future__ import annotations

import math
from dataclasses import dataclass
from datetime import date

from yellow_larder.core.containers import Closing
from yellow_larder.core.food import person_days
from yellow_larder.features.catalog.containers import Drawing, called, container_by_key, drawing, say_container
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, places_in, settings
from yellow_larder.features.household.people import appetite
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.contained import Pests
from yellow_larder.features.packages.find import find_package
from yellow_larder.features.packages.life import costs_in_all
from yellow_larder.features.packages.state import Package, row_of
from yellow_larder.features.packages.text import said_pests, say_gone, say_trouble
from yellow_larder.features.packing.request import ways_to_close
from yellow_larder.features.shelves.ageing import SOON_DAYS, lives_left
from yellow_larder.features.shelves.happenings import SAYS_CLOSED, Happening, happening
from yellow_larder.features.shelves.inspection import is_puffed
from yellow_larder.features.shelves.photos import photos_in
from yellow_larder.features.shelves.shelves import Due, on_shelf, say_climate
from yellow_larder.journal import log
from yellow_larder.journal.database import reading
from yellow_larder.journal.events import from_json
from yellow_larder.journal.kinds import Row
from yellow_larder.words.dates import say_about, say_day
from yellow_larder.words.packets import say_packets
from yellow_larder.words.quantities import say_kcal, say_share


@dataclass(frozen=True, slots=True)
class SpentIn:
    """A time spent in one place, closed in one way, and the life it cost."""

    place: str
    climate: str
    closed: str
    """How it was closed then, or that it was open."""
    since: str
    until: str
    days: int
    life_days: int
    share: float
    """What it cost, as a share of all its life."""
    share_text: str
    """The same in words."""


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
    closings: list[Closing]
    """How what it is in can be closed, the usual way first."""
    open_since: str
    """The day it was opened; empty if it is closed."""
    is_bag: bool
    """Whether it is cut open, and closed shorter."""
    may_be_kept_on: bool
    """Whether its best-by is near or over, so that somebody may say that it is good for longer."""
    kept_until: str
    """The day until which it is kept on beyond its best-by; empty if nobody said so."""
    mass: str
    mass_g: float
    kcal_text: str
    person_days: float
    moisture_pct: float
    packets: str
    pests: str
    """What was done against insects; empty if nothing was."""
    level: float
    outer: bool
    place: int
    place_name: str
    shelf: int
    packed_on: str
    best_by: str
    ages: bool
    """Whether it has a best-by: salt that stays dry has none."""
    may_be_emptied: bool
    """Whether it may be opened and packed anew: not what puffed up."""
    band: str
    left: float
    due: Due
    gone_on: str | None
    """The day it left the shelves; none if it is kept."""
    gone: str
    """The same in words; empty if it is kept."""
    override: str
    """The stop it was packed against, and why; empty if there was none."""
    trouble: str
    """What was wrong with it at the last look, and what is to be done; empty if nothing was."""
    photos: list[int]
    journal: list[Happening]
    ledger: list[SpentIn]


def card(larder: Larder, number: int) -> Card:
    """Everything about one package, thrown out or not."""
    with reading(larder.engine) as session:
        household = settings(session)
        package = find_package(session, number)
        places = places_in(session)
        standing = log.entries(session, "package", number)
        eating = appetite(session, larder.today().year)
        food = all_foods(session).get(package.food_key)
    row = row_of(package)
    today = larder.today()
    left, share, band = lives_left([row], places, household.estimate, today)
    container = container_by_key(package.container_key)
    shown = on_shelf(row, float(left[0]), float(share[0]), household.units, today)
    return Card(
        number=number,
        food=package.food_name,
        form=package.form,
        colour=package.colour,
        draw=drawing(container),
        container=called(container, household.units),
        container_size=say_container(container, household.units),
        closing=package.closing,
        closings=ways_to_close(food, container) if food else list(container.closings),
        open_since=say_day(package.open_since) if package.open_since else "",
        is_bag=container.is_flat,
        may_be_kept_on=float(left[0]) < SOON_DAYS and not package.trouble,
        kept_until=say_day(package.kept_until) if package.kept_until and package.kept_until > today else "",
        mass=shown.mass,
        mass_g=package.mass_g,
        kcal_text=say_kcal(package.kcal),
        person_days=person_days(package.kcal, eating.kcal_per_person_day),
        moisture_pct=package.moisture_pct,
        packets=say_packets(package.packets),
        pests=said_pests(from_json(Pests, package.pests)),
        level=package.level,
        outer=package.outer,
        place=package.place_id,
        place_name=places[package.place_id].name,
        shelf=package.shelf,
        packed_on=say_about(package.packed_on, package.unsure_days),
        best_by=shown.best_by,
        ages=math.isfinite(left[0]),
        may_be_emptied=not is_puffed(standing),
        band=band,
        left=shown.left,
        due=shown.due,
        gone_on=say_day(package.gone_on) if package.gone_on else None,
        gone=_gone(package),
        override=package.override,
        trouble=say_trouble(package.trouble),
        photos=photos_in(standing),
        journal=[happening(each, places, household.units) for each in standing],
        ledger=_ledger(row, float(share[0]), household, places, today),
    )


def _gone(package: Package) -> str:
    says = "" if package.gone_on is None else say_gone(package.gone, package.gone_on)
    return f"{says[:1].upper()}{says[1:]}"


def _ledger(row: Row, left: float, household: Settings, places: dict[int, Place], today: date) -> list[SpentIn]:
    """The life ledger: how long it stood where and how it was closed, and what that cost."""
    costs, units = costs_in_all(row, left, household.estimate, places, today), household.units
    found = []
    for n, (each, days, share) in enumerate(costs):
        last = n == len(costs) - 1 and row["gone_on"] is None
        place = places[each.place_id]
        found.append(
            SpentIn(
                place.name,
                say_climate(place, units),
                "open" if each.opened else SAYS_CLOSED[each.closing],
                say_day(date.fromordinal(each.since)),
                "now" if last else say_day(date.fromordinal(each.until)),
                each.until - each.since,
                round(days),
                share,
                say_share(share),
            )
        )
    return [each for n, each in enumerate(found) if each.days or n == 0]
