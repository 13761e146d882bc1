"""What the household wants to be ready for, and what that asks for, as arrays."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import asdict, dataclass
from datetime import date, timedelta
from enum import StrEnum
from typing import Any

import numpy as np
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.errors import OutOfRange, check_range
from yellow_larder.core.food import Food
from yellow_larder.core.planning import DAYS_PER_MONTH, eaten_g, gap_g, need_g, occasions, per_table_g
from yellow_larder.core.planning.buying import Table
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.household.people import appetite, at_table
from yellow_larder.features.household.versions import check_based_on
from yellow_larder.features.lots.lots import cupboard_g
from yellow_larder.features.planning.diary import eaten_in_all
from yellow_larder.features.planning.meals import counted_g, ingredients
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.journal.tables import DiaryDay, Package
from yellow_larder.words.errors import NotThere, Refused, in_words
from yellow_larder.words.quantities import COUNT, read_count

_LENGTH = re.compile(rf"^(?P<count>{COUNT})\s*(?P<unit>days?|weeks?|months?|years?)$", re.IGNORECASE)
_DAYS = {"day": 1.0, "week": 7.0, "month": DAYS_PER_MONTH, "year": 12 * DAYS_PER_MONTH}
_LONGEST_DAYS = 7305.0
"""Twenty years."""

_DIARY_DAYS = 366
"""The master list rests on the last year of the diary: what was eaten longer ago says little of next month."""


class Basis(StrEnum):
    """What the master list rests on."""

    PLANNED = "planned"
    DIARY = "diary"
    BOTH = "both"
    """Of each meal and food the larger: neither a plan nor a habit is left out."""


@dataclass(frozen=True, slots=True)
class Goal:
    """What the household wants to be ready for.

    Attributes:
        length: for how long, "3 months", as typed.
        meals: numbers of the meals that count; none means all.
        basis: what the list rests on.
        keep_years: how long what is stored should keep.
        seasonings: whether seasonings are counted too.
    """

    length: str = "1 month"
    meals: tuple[int, ...] = ()
    basis: Basis = Basis.PLANNED
    keep_years: float = 2
    seasonings: bool = False


@dataclass(frozen=True, slots=True)
class WantedMeal:
    """A meal that counts towards the goal."""

    number: int
    name: str
    kind: str


@dataclass(frozen=True, slots=True)
class Wanted:
    """What the goal asks for, and what is here: one column a food.

    Attributes:
        goal: the goal.
        days: how long it is.
        foods: the foods, by column.
        meals: the meals, by row of the table.
        table: recipes for the whole table, times, what is here, and what is wanted beside.
        shelves_g: grams packed on the shelves, by column.
        cupboard_g: grams in the cupboard, by column.
        at_table: how many sit down to a meal on average.
        diary_days: days of the diary that it rests on.
    """

    goal: Goal
    days: float
    foods: list[Food]
    meals: list[WantedMeal]
    table: Table
    shelves_g: Numbers
    cupboard_g: Numbers
    at_table: float
    diary_days: int = 0


def goal_in(session: Session) -> Goal:
    """The goal as it stands: a month of every meal, until another is set."""
    facts = log.records(session, "goal").get(1)
    if facts is None:
        return Goal()
    return Goal(**facts | {"basis": Basis(facts["basis"]), "meals": tuple(facts["meals"])})


def set_goal(larder: Larder, goal: Goal, *, based_on: int | None = None) -> None:
    """Set what the household wants to be ready for, from the version it was shown in."""
    read_days(goal.length)
    try:
        check_range("keep_years", goal.keep_years, 0.1, 40, "years")
    except OutOfRange as error:
        raise in_words(error) from error
    with writing(larder.engine) as session:
        check_based_on(session, "goal", 1, based_on, lambda: goal_in(session))
        known = log.records(session, "meal")
        if any(number not in known for number in goal.meals):
            raise NotThere("meals", "One of those meals is not there any more")
        act = log.Act("goal", 1, "set", asdict(goal) | {"meals": sorted(goal.meals)})
        log.record(session, f"The goal is {goal.length.strip()}", [act], at=larder.clock())


def read_days(length: str) -> float:
    """Days in a length of time as typed, "3 months", "6 weeks".

    Example:
        >>> read_days("6 weeks"), round(read_days("3 months"), 1)
        (42.0, 91.3)
    """
    found = _LENGTH.match(" ".join(length.split()))
    if found is None:
        raise Refused("length", "Write how long, such as 6 weeks or 3 months")
    days = read_count(found["count"]) * _DAYS[found["unit"].lower().rstrip("s")]
    if not 1 <= days <= _LONGEST_DAYS:
        raise Refused("length", "A goal lies between a day and 20 years")
    return days


def wanted_in(session: Session, today: date) -> Wanted:
    """What the goal asks for, and what is here."""
    goal = goal_in(session)
    days = read_days(goal.length)
    foods = all_foods(session)
    chosen = {
        number: facts
        for number, facts in log.records(session, "meal").items()
        if not goal.meals or number in goal.meals
    }
    recipes = [counted_g(ingredients(facts), foods, seasonings=goal.seasonings) for facts in chosen.values()]
    since = today - timedelta(days=_DIARY_DAYS)
    eaten, diary_days = eaten_in_all(session, since) if goal.basis is not Basis.PLANNED else ({}, 0)
    here, cupboard = _on_shelves(session), cupboard_g(session)
    keys = [key for key in dict.fromkeys([*(key for recipe in recipes for key in recipe), *eaten]) if key in foods]
    column = {key: n for n, key in enumerate(keys)}
    people = at_table(session, days)
    recipe_g = np.zeros((len(recipes), len(keys)))
    for row, recipe in enumerate(recipes):
        for key, mass_g in recipe.items():
            recipe_g[row, column[key]] = mass_g
    for_eaters = np.array([facts["eaters"] for facts in chosen.values()], dtype=float)
    per_table = per_table_g(recipe_g, for_eaters, people)
    planned = occasions(np.array([facts["per_month"] for facts in chosen.values()], dtype=float), days / DAYS_PER_MONTH)
    cooked = _cooked(session, since, list(chosen), diary_days, days)
    times = {Basis.PLANNED: planned, Basis.DIARY: cooked, Basis.BOTH: np.maximum(planned, cooked)}[goal.basis]
    whole = eaten_g(np.array([eaten.get(key, 0.0) for key in keys]), diary_days, days)
    growth = people / appetite(session, today.year).people
    shelves_g, in_cupboard_g = (np.array([each.get(key, 0.0) for key in keys]) for each in (here, cupboard))
    return Wanted(
        goal=goal,
        days=days,
        foods=[foods[key] for key in keys],
        meals=[WantedMeal(number, facts["name"], facts["kind"]) for number, facts in chosen.items()],
        table=Table(
            recipe_g=per_table,
            times=times,
            here_g=shelves_g + in_cupboard_g,
            kcal_per_g=np.array([foods[key].composition.kcal / 100 for key in keys]),
            # What was used beside the meals: lines typed by themselves, and meals that are off the menu.
            extra_g=gap_g(whole * growth, need_g(per_table, cooked)),
        ),
        shelves_g=shelves_g,
        cupboard_g=in_cupboard_g,
        at_table=people,
        diary_days=diary_days,
    )


def _on_shelves(session: Session) -> dict[str, float]:
    rows = session.execute(
        select(Package.food_key, func.sum(Package.mass_g))
        .where(Package.thrown_out_on.is_(None))
        .group_by(Package.food_key)
    )
    return {row[0]: row[1] for row in rows}


def _cooked(session: Session, since: date, meals: Sequence[int], diary_days: int, days: float) -> Numbers:
    """How often each meal would be cooked over the days ahead, if it goes on as in the diary."""
    row = {number: n for n, number in enumerate(meals)}
    counts = np.zeros(len(meals))
    if not diary_days:
        return counts
    items: Sequence[dict[str, Any]] = (
        session.execute(select(DiaryDay.items).where(DiaryDay.day >= since)).scalars().all()
    )
    for day in items:
        for item in day["items"]:
            if item["meal"] in row:
                counts[row[item["meal"]]] += 1
    return occasions(counts / diary_days * DAYS_PER_MONTH, days / DAYS_PER_MONTH)
