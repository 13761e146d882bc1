"""What was cooked comes off the shelf: which packages an evening's food came out of, and taking it."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date

import numpy as np
from sqlalchemy.orm import Session

from yellow_larder.features.catalog.containers import called, container_by_key
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.household.larder import Larder, places_in, settings
from yellow_larder.features.packages.state import Package
from yellow_larder.features.planning.events import DayTaken
from yellow_larder.features.planning.state import DiaryDay
from yellow_larder.features.shelves.ageing import LIFE_COLUMNS, kept_rows, lives_left
from yellow_larder.features.shelves.open_next import ORDERED_BY, in_order
from yellow_larder.features.using.in_hand import in_hand
from yellow_larder.features.using.opening import CRUMBS_G, read_taken_g, refuse_puffed, taken, used_up
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.words.dates import check_day, say_day
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import say_mass, type_mass


@dataclass(frozen=True, slots=True)
class CameFrom:
    """What one food of an evening came out of, or part of it.

    Attributes:
        food: what it is called.
        number: the package.
        container: what that is.
        where: where it stands.
        amount: how much, as it could be typed.
        holds: what is in it, in words.
        opens: whether it is opened by this.
        empties: whether nothing is left in it then.
    """

    food: str
    number: int
    container: str
    where: str
    amount: str
    holds: str
    opens: bool
    empties: bool


@dataclass(frozen=True, slots=True)
class FromShelf:
    """What an evening's food came out of.

    Attributes:
        lines: what it came out of, the first food first.
        lacking: what is not on the shelves, in words.
        taken: what was taken for that day already, in words; empty if nothing was.
    """

    lines: list[CameFrom]
    lacking: list[str]
    taken: str


@dataclass(frozen=True, slots=True)
class TakenOf:
    """So much of one package, as typed."""

    number: int
    amount: str


_COLUMNS = [*LIFE_COLUMNS, *(Package.__table__.columns[name] for name in (*ORDERED_BY, "food_key", "shelf"))]


def see_from_shelf(larder: Larder, day: date) -> FromShelf:
    """What an evening's food came out of, as far as it is not taken yet: of each food the one that is next.

    Args:
        larder: the larder.
        day: the day of the diary.
    """
    with reading(larder.engine) as session:
        row = session.get(DiaryDay, day)
        if row is None:
            return FromShelf([], [], "")
        units, foods = settings(session).units, all_foods(session)
        wanted = {key: grams - row.taken_g.get(key, 0.0) for key, grams in row.used_g.items() if key in foods}
        wanted = {key: grams for key, grams in wanted.items() if grams >= CRUMBS_G}
        lines, lacking = [], []
        for key, grams, found in _proposed(session, larder, wanted):
            lines += found
            if grams >= CRUMBS_G:
                lacking.append(f"{say_mass(grams, units)} of {foods[key].name}")
        names = ", ".join(
            f"{say_mass(grams, units)} {foods[key].name}" for key, grams in row.taken_g.items() if key in foods
        )
        return FromShelf(lines, lacking, names)


def _proposed(
    session: Session, larder: Larder, wanted: dict[str, float]
) -> Iterator[tuple[str, float, list[CameFrom]]]:
    """Each food with what of it is on no shelf, and what the rest came out of."""
    units, places = settings(session).units, places_in(session)
    rows = kept_rows(session, _COLUMNS, Package.trouble == "", Package.food_key.in_(list(wanted)))
    days, _, _ = lives_left(rows, places, settings(session).estimate, larder.today())
    keys = np.array([row["food_key"] for row in rows], dtype=object)
    order = in_order(rows, days)
    for key, grams in wanted.items():
        found = []
        for row in (rows[n] for n in order if keys[n] == key):
            if grams < CRUMBS_G:
                break
            taken_g = min(grams, row["mass_g"])
            grams -= taken_g
            found.append(
                CameFrom(
                    food=row["food_name"],
                    number=row["number"],
                    container=called(container_by_key(row["container_key"]), units),
                    where=f"{places[row['place_id']].name}, shelf {row['shelf']}",
                    amount=type_mass(taken_g, units),
                    holds=say_mass(row["mass_g"], units),
                    opens=row["open_since"] is None,
                    empties=row["mass_g"] - taken_g < CRUMBS_G,
                )
            )
        yield key, grams, found


def take_from_shelf(larder: Larder, day: date, takes: Sequence[TakenOf]) -> str:
    """An evening's food is taken from its packages, all at once.

    Args:
        larder: the larder.
        day: the day of the diary.
        takes: of which package how much.

    Returns:
        What was taken, in words.

    Raises:
        NotThere: nothing is written on that day.
        Refused: one holds less than that, is gone, or is named twice; nothing is taken then.
    """
    check_day(day, larder.today(), "day")
    numbers = [each.number for each in takes]
    if not takes:
        raise Refused("takes", "Choose at least one")
    if len(set(numbers)) < len(numbers):
        raise Refused("takes", "One package is named twice")
    with writing(larder.engine) as session:
        if session.get(DiaryDay, day) is None:
            raise NotThere("day", f"Nothing is written on {say_day(day)}")
        units, acts, took = settings(session).units, [], dict[str, float]()
        names = []
        for n, each in enumerate(takes):
            # What came to stand where it is after that day is taken from there all the same.
            since = _since(session, each.number)
            (held,) = in_hand(session, larder, [each.number], max(day, since) if since else day)
            refuse_puffed(held)
            grams = read_taken_g(each.amount, held, f"takes.{n}")
            left_g = held.package.mass_g - grams
            acts += used_up(session, held, "used up") if left_g < CRUMBS_G else taken(held, grams)
            took[held.food.key] = took.get(held.food.key, 0.0) + grams
            names.append(f"{say_mass(grams, units)} {held.package.food_name}")
        acts.append(log.Act(day.toordinal(), DayTaken(took)))
        title = log.title("diary.taken", day=day.isoformat(), count=len(takes))
        log.record(session, title, acts, at=larder.clock())
        return ", ".join(names)


def _since(session: Session, number: int) -> date | None:
    package = session.get(Package, number)
    return package.stands_since if package else None
