"""The kitchen diary: a line an evening of what was cooked, and what a month of it adds up to."""

from __future__ import annotations

import calendar
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

import numpy as np
from sqlalchemy import func, select, true
from sqlalchemy.orm import Session

from yellow_larder.core.arrays import Indices, Numbers
from yellow_larder.core.errors import check_range
from yellow_larder.core.food import Food
from yellow_larder.core.planning import average_g, totals_g
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.catalog.ingredient_parser import LONGEST_LINE, Kitchen
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.features.household.people import appetite
from yellow_larder.features.household.versions import check_based_on
from yellow_larder.features.planning.events import DayWritten, DiaryItem, FoodTried, MealKept, MealKind
from yellow_larder.features.planning.meals import IngredientView, counted_g, kitchen_in, view_of
from yellow_larder.features.planning.state import DiaryDay, items_of
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.words.dates import check_day, say_day, say_month
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import Units, say_kcal, say_mass

MOST_ITEMS = 30


@dataclass(frozen=True, slots=True)
class Written:
    """One line of a day: a meal, for so many; or words such as "2 cups rice". Neither means nothing from the larder.

    Attributes:
        meal: number of the meal; none if it is a line.
        people: how many ate of it; none means everybody who eats here.
        line: what was used, as typed.
    """

    meal: int | None = None
    people: float | None = None
    line: str = ""


@dataclass(frozen=True, slots=True)
class WrittenView:
    """A line of a day as shown."""

    meal: int | None
    meal_name: str
    people: float | None
    line: IngredientView | None


@dataclass(frozen=True, slots=True)
class DayView:
    """A day of the diary; `kept` tells a day on which nothing was used from one that was not written."""

    day: date
    version: int
    weekday: int
    kept: bool
    says: str
    items: list[WrittenView]
    foods: list[str]
    """Keys of the foods used, most energy first, for the day's drawing."""
    kcal: float
    kcal_text: str
    waiting: int


@dataclass(frozen=True, slots=True)
class Eaten:
    """One food over a month, and a day's average of it."""

    food: str
    name: str
    form: str
    colour: str
    mass_g: float
    mass: str
    average: str
    kcal_text: str
    days: int


@dataclass(frozen=True, slots=True)
class ToPick:
    """A meal to pick for a day, those cooked most often first."""

    meal: int
    name: str
    kind: MealKind
    times: int


@dataclass(frozen=True, slots=True)
class MonthView:
    """A month of the diary on one screen."""

    year: int
    month: int
    name: str
    today: date
    days: list[DayView]
    kept: int
    incomplete: int
    """Of the days kept, those that have a line which is not read: no average rests on them."""
    totals: list[Eaten]
    kcal_a_day_text: str
    share_of_need: float
    """Energy of what was written, a day kept, against what the household needs in a day."""
    to_pick: list[ToPick]
    kept_ever: int


def write_day(larder: Larder, day: date, items: Sequence[Written], *, based_on: int | None = None) -> None:
    """Write a day of the diary, in place of what stood there; no items takes the day out.

    Args:
        larder: the larder.
        day: the day.
        items: its lines.
        based_on: the version that the day was shown in; none means that whoever writes it did not look.

    Raises:
        Refused: the day is still to come, a line is empty or too long, or a meal is not there.
        Outdated: somebody else wrote on it since.
    """
    check_day(day, larder.today(), "day")
    _check_many(len(items))
    number = day.toordinal()
    with writing(larder.engine) as session:
        check_based_on(session, "diary", number, based_on)
        if items:
            act = log.Act(number, _written(session, day, items), "wrote")
            title = log.title("diary.written", day=day.isoformat())
        elif (row := session.get(DiaryDay, day)) is None:
            raise NotThere("day", f"Nothing is written on {say_day(day)}")
        elif row.taken_g:
            raise Refused("items", "Food was taken from the shelves for that day: write what was eaten instead")
        else:
            act = log.removed("diary", number)
            title = log.title("diary.removed", day=day.isoformat())
        log.record(session, title, [act], at=larder.clock())


def add_to_day(larder: Larder, day: date, items: Sequence[Written]) -> None:
    """Add lines to a day of the diary; what others wrote on it stays.

    Raises:
        Refused: the day is still to come or full, a line is empty or too long, or a meal is not there.
    """
    check_day(day, larder.today(), "day")
    if not items:
        raise Refused("items", "Write at least one line")
    with writing(larder.engine) as session:
        row = session.get(DiaryDay, day)
        there = [item for item in items_of(row) if item.is_something] if row is not None else []
        _check_many(len(there) + len(items))
        written = _written(session, day, items)
        # A day on which nothing was used, written so, is no longer one: its empty line goes.
        fresh = row is None or not there
        act = log.Act(day.toordinal(), written, "wrote" if fresh else "added")
        log.record(session, log.title("diary.written", day=day.isoformat()), [act], at=larder.clock())


def _check_many(lines: int) -> None:
    if lines > MOST_ITEMS:
        raise Refused("items", f"A day holds {MOST_ITEMS} lines at most")


def _written(session: Session, day: date, items: Sequence[Written]) -> DayWritten:
    """Lines of a day as kept, and what they take from the larder."""
    foods = all_foods(session)
    kitchen = kitchen_in(session)
    meals = log.records(session, MealKept)
    everybody = appetite(session, day.year).people
    used: dict[str, float] = {}
    kept = []
    for item in items:
        one, takes = _item(item, kitchen, foods, meals, everybody)
        kept.append(one)
        for food, mass_g in takes.items():
            used[food] = used.get(food, 0.0) + mass_g
    return DayWritten(tuple(kept), used)


def month(larder: Larder, year: int, number: int) -> MonthView:
    """A month of the diary."""
    if not (1980 <= year <= 2200 and 1 <= number <= 12):
        raise Refused("month", "There is no such month")
    today = larder.today()
    first, last = date(year, number, 1), date(year, number, calendar.monthrange(year, number)[1])
    with reading(larder.engine) as session:
        foods, units = all_foods(session), settings(session).units
        eating = appetite(session, year)
        meals = log.records(session, MealKept)
        rows = {row.day: row for row in session.scalars(select(DiaryDay).where(DiaryDay.day.between(first, last)))}
        kept_ever = session.scalar(select(func.count()).select_from(DiaryDay)) or 0
        to_pick = _to_pick(session, meals)
        versions = log.versions(session, "diary", range(first.toordinal(), last.toordinal() + 1))
    days = [date(year, number, n) for n in range(1, last.day + 1)]
    complete = [row for row in rows.values() if not row.waiting]
    totals = _totals(list(rows.values()), complete, foods, units)
    kcal = sum(_kcal(row.used_g, foods) for row in complete)
    return MonthView(
        year=year,
        month=number,
        name=say_month(first),
        today=today,
        days=[_day(day, versions.get(day.toordinal(), 0), rows.get(day), meals, foods, units) for day in days],
        kept=len(rows),
        incomplete=len(rows) - len(complete),
        totals=totals,
        kcal_a_day_text=say_kcal(kcal / len(complete)) if complete else "0",
        share_of_need=kcal / len(complete) / eating.kcal_day if complete else 0.0,
        to_pick=to_pick,
        kept_ever=kept_ever,
    )


def eaten_in_all(session: Session, since: date) -> tuple[dict[str, float], int]:
    """Grams of each food used since a day, and the number of days on which the diary was kept and is complete."""
    # Added up by the database: ten years of evenings need not come through here one by one.
    use = func.json_each(DiaryDay.used_g).table_valued("key", "value")
    totals = session.execute(
        select(use.c.key, func.sum(use.c.value))
        .select_from(DiaryDay)
        .join(use, true())
        .where(DiaryDay.day >= since, DiaryDay.waiting == 0)
        .group_by(use.c.key)
    )
    complete = select(func.count()).select_from(DiaryDay).where(DiaryDay.day >= since, DiaryDay.waiting == 0)
    kept = session.scalar(complete) or 0
    return {row[0]: row[1] for row in totals}, kept


def ever_eaten(session: Session) -> set[str]:
    """Keys of the foods that the diary ever counted, or that the household said it has tried."""
    use = func.json_each(DiaryDay.used_g).table_valued("key")
    used = session.scalars(select(use.c.key).select_from(DiaryDay).join(use, true()).distinct())
    return set(used) | {each.food for each in log.records(session, FoodTried).values()}


def _item(
    item: Written, kitchen: Kitchen, foods: dict[str, Food], meals: dict[int, MealKept], everybody: float
) -> tuple[DiaryItem, dict[str, float]]:
    """A line of a day as kept, and what it takes from the larder."""
    if item.meal is not None:
        if item.meal not in meals:
            raise NotThere("items", "That meal is not there any more; pick another")
        meal = meals[item.meal]
        people = check_range("people", everybody if item.people is None else item.people, 0.5, 200, "")
        one = counted_g(meal.lines, foods, seasonings=False)
        takes = {food: mass_g * people / meal.serves for food, mass_g in one.items()}
        return DiaryItem(item.meal, meal.name, item.people, None), takes
    if not item.line.strip():
        return DiaryItem(None, "", None, None), {}
    read = kitchen.read(item.line)
    if len(item.line) > LONGEST_LINE:
        raise Refused("line", read.says)
    return DiaryItem(None, "", None, read), counted_g([read], foods, seasonings=False)


def _columns(used: Sequence[dict[str, float]]) -> tuple[list[str], Indices, Numbers]:
    """All uses as columns: names of the foods, and of each use its food and its weight."""
    names: dict[str, int] = {}
    food, mass_g = [], []
    for foods in used:
        for key, grams in foods.items():
            food.append(names.setdefault(key, len(names)))
            mass_g.append(grams)
    return list(names), np.array(food, dtype=np.int64), np.array(mass_g, dtype=float)


def _totals(
    rows: Sequence[DiaryDay], complete: Sequence[DiaryDay], foods: dict[str, Food], units: Units
) -> list[Eaten]:
    """What was used of each food on some days, and a day's average over those that are complete."""
    names, food, mass_g = _columns([row.used_g for row in rows])
    totals = totals_g(np.zeros(len(food), dtype=np.int64), food, mass_g, periods=1, foods=len(names))
    told = np.array([row in complete for row in rows for _ in row.used_g], dtype=bool)
    sure = totals_g(np.zeros(told.sum(), dtype=np.int64), food[told], mass_g[told], periods=1, foods=len(names))
    averages = average_g(sure, np.array([len(complete)]))[0]
    days = np.bincount(food, minlength=len(names))
    found = [
        Eaten(
            food=key,
            name=foods[key].name,
            form=foods[key].form,
            colour=foods[key].colour,
            mass_g=grams,
            mass=say_mass(grams, units),
            average=f"{say_mass(average, units)} a day",
            kcal_text=say_kcal(foods[key].composition.kcal * grams / 100),
            days=int(on),
        )
        for key, grams, average, on in zip(names, totals[0].tolist(), averages.tolist(), days, strict=True)
        if key in foods
    ]
    return sorted(found, key=lambda each: -each.mass_g)


def _kcal(used_g: dict[str, float], foods: dict[str, Food]) -> float:
    return sum(foods[key].composition.kcal * grams / 100 for key, grams in used_g.items() if key in foods)


def _day(
    day: date,
    version: int,
    row: DiaryDay | None,
    meals: dict[int, MealKept],
    foods: dict[str, Food],
    units: Units,
) -> DayView:
    if row is None:
        return DayView(day, version, day.weekday(), False, "", [], [], 0.0, "", 0)
    items = [_shown(item, meals, foods, units) for item in items_of(row)]
    kcal = _kcal(row.used_g, foods)
    by_energy = sorted(row.used_g, key=lambda key: -_kcal({key: row.used_g[key]}, foods))
    return DayView(
        day=day,
        version=version,
        weekday=day.weekday(),
        kept=True,
        says=", ".join(filter(None, (_says(item) for item in items))) or "nothing from the larder",
        items=items,
        foods=by_energy[:5],
        kcal=kcal,
        kcal_text=say_kcal(kcal) if kcal else "",
        waiting=row.waiting,
    )


def _shown(item: DiaryItem, meals: dict[int, MealKept], foods: dict[str, Food], units: Units) -> WrittenView:
    name = meals[item.meal].name if item.meal in meals else item.name
    line = view_of(item.line, foods, units) if item.line else None
    return WrittenView(item.meal, name, item.people, line)


def _says(item: WrittenView) -> str:
    return item.line.text if item.line else item.meal_name


def _to_pick(session: Session, meals: dict[int, MealKept]) -> list[ToPick]:
    """Meals to pick from, those written most often lately first."""
    times: dict[int, int] = dict.fromkeys(meals, 0)
    lately = session.scalars(select(DiaryDay).order_by(DiaryDay.day.desc()).limit(60))
    for day in lately:
        for item in items_of(day):
            if item.meal in times:
                times[item.meal] += 1
    order = sorted(meals, key=lambda number: (-times[number], -meals[number].per_month, meals[number].name))
    return [ToPick(n, meals[n].name, meals[n].kind, times[n]) for n in order]
