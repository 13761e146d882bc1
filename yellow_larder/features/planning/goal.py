"""What the household wants to be ready for, and what that asks for, as arrays."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta

import numpy as np
from sqlalchemy import func, select, true
from sqlalchemy.orm import Session

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.errors import check_range
from yellow_larder.core.food import Food
from yellow_larder.core.planning import DAYS_PER_MONTH, eaten_g, gap_g, need_g, occasions, per_table_g
from yellow_larder.core.planning.buying import Table
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.household.people import appetite, at_table
from yellow_larder.features.household.versions import check_based_on
from yellow_larder.features.lots.lots import cupboard_g
from yellow_larder.features.packages.state import Package
from yellow_larder.features.planning.diary import eaten_in_all
from yellow_larder.features.planning.events import Basis, GoalSet, MealKept, Period
from yellow_larder.features.planning.meals import counted_g
from yellow_larder.features.planning.state import DiaryDay
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.numbers import COUNT, read_count

_LENGTH = re.compile(rf"^(?P<count>{COUNT})\s*(?P<unit>days?|weeks?|months?|years?)$", re.IGNORECASE)
_DAYS = {Period.DAY: 1.0, Period.WEEK: 7.0, Period.MONTH: DAYS_PER_MONTH, Period.YEAR: 12 * DAYS_PER_MONTH}
_LONGEST_DAYS = 7305.0
"""Twenty years."""

_DIARY_DAYS = 366
"""The master list rests on the last year of the diary: what was eaten longer ago says little of next month."""


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
    kept = log.records(session, GoalSet).get(1)
    if kept is None:
        return Goal()
    length = f"{kept.count:g} {kept.period.value}{'' if kept.count == 1 else 's'}"
    return Goal(length, kept.meals, kept.basis, kept.keep_years, kept.seasonings)


def set_goal(larder: Larder, goal: Goal, *, based_on: int | None = None) -> None:
    """Set what the household wants to be ready for, from the version it was shown in."""
    count, period = _read_length(goal.length)
    check_range("keep_years", goal.keep_years, 0.1, 40, "years")
    with writing(larder.engine) as session:
        check_based_on(session, "goal", 1, based_on, lambda: goal_in(session))
        known = log.records(session, MealKept)
        if any(number not in known for number in goal.meals):
            raise NotThere("meals", "One of those meals is not there any more")
        kept = GoalSet(count, period, tuple(sorted(goal.meals)), goal.basis, goal.keep_years, goal.seasonings)
        log.record(session, log.title("goal.set", length=goal.length.strip()), [log.Act(1, kept)], at=larder.clock())


def read_days(length: str) -> float:
    """Days in a length of time as typed, "3 months", "6 weeks".

    Example:
        >>> read_days("6 weeks"), round(read_days("3 months"), 1)
        (42.0, 91.3)
    """
    count, period = _read_length(length)
    return count * _DAYS[period]


def _read_length(length: str) -> tuple[float, Period]:
    found = _LENGTH.match(" ".join(length.split()))
    if found is None:
        raise Refused("length", "Write how long, such as 6 weeks or 3 months")
    count, period = read_count(found["count"]), Period(found["unit"].lower().rstrip("s"))
    if not 1 <= count * _DAYS[period] <= _LONGEST_DAYS:
        raise Refused("length", "A goal lies between a day and 20 years")
    return count, period


def wanted_in(session: Session, today: date) -> Wanted:
    """What the goal asks for, and what is here."""
    goal = goal_in(session)
    days = read_days(goal.length)
    foods = all_foods(session)
    chosen = {
        number: meal
        for number, meal in log.records(session, MealKept).items()
        if not goal.meals or number in goal.meals
    }
    recipes = [counted_g(meal.lines, foods, seasonings=goal.seasonings) for meal in chosen.values()]
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
    serves = np.array([meal.serves for meal in chosen.values()], dtype=float)
    per_table = per_table_g(recipe_g, serves, people)
    planned = occasions(np.array([meal.per_month for meal in chosen.values()], dtype=float), days / DAYS_PER_MONTH)
    cooked = _cooked(session, since, list(chosen), diary_days, days)
    times = {Basis.PLANNED: planned, Basis.DIARY: cooked, Basis.BOTH: np.maximum(planned, cooked)}[goal.basis]
    whole = eaten_g(np.array([eaten.get(key, 0.0) for key in keys]), diary_days, days)
    growth = people / appetite(session, today.year).people
    shelves_g, in_cupboard_g = (np.array([each.get(key, 0.0) for key in keys]) for each in (here, cupboard))
    return Wanted(
        goal=goal,
        days=days,
        foods=[foods[key] for key in keys],
        meals=[WantedMeal(number, meal.name, meal.kind) for number, meal in chosen.items()],
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
        select(Package.food_key, func.sum(Package.mass_g)).where(Package.gone_on.is_(None)).group_by(Package.food_key)
    )
    return {row[0]: row[1] for row in rows}


def _cooked(session: Session, since: date, meals: Sequence[int], diary_days: int, days: float) -> Numbers:
    """How often each meal would be cooked over the days ahead, if it goes on as in the diary."""
    row = {number: n for n, number in enumerate(meals)}
    counts = np.zeros(len(meals))
    if not diary_days:
        return counts
    # Ten years of evenings are looked through for the meals alone.
    item = func.json_each(DiaryDay.items, "$.items").table_valued("value")
    meal = func.json_extract(item.c.value, "$.meal")
    cooked = (
        select(meal, func.count())
        .select_from(DiaryDay)
        .join(item, true())
        .where(DiaryDay.day >= since, meal.is_not(None))
    )
    for number, times in session.execute(cooked.group_by(meal)):
        if number in row:
            counts[row[number]] += times
    return occasions(counts / diary_days * DAYS_PER_MONTH, days / DAYS_PER_MONTH)
