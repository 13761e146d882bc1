"""Meals: what the household cooks, written as people write it, and taken apart into what is in store."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from sqlalchemy import select
from sqlalchemy.orm import Session

from yellow_larder.core.errors import check_range
from yellow_larder.core.food import Food
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.catalog.ingredient_parser import (
    ELSEWHERE,
    LONGEST_LINE,
    SEASONING,
    Ingredient,
    Kitchen,
    Reading,
)
from yellow_larder.features.catalog.names import plain
from yellow_larder.features.household.larder import Larder, settings, tidy_name
from yellow_larder.features.household.people import appetite
from yellow_larder.features.household.versions import check_based_on
from yellow_larder.features.planning.events import DayWritten, MealKept, MealKind, MeaningSaid
from yellow_larder.features.planning.state import DiaryDay, items_of
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import Units, say_kcal, say_mass

MOST_LINES = 60
"""A meal with more ingredients than this is a pasted book, not a meal."""

MOST_TEXT = 100_000


@dataclass(frozen=True, slots=True)
class Meal:
    """A meal as written.

    Attributes:
        name: what it is called.
        text: its ingredients, one a line.
        kind: when it is eaten.
        serves: how many it is written for.
        per_month: how often it is cooked in a month; about once a week is 4.
    """

    name: str
    text: str
    kind: MealKind = MealKind.SUPPER
    serves: float = 4
    per_month: float = 4


@dataclass(frozen=True, slots=True)
class IngredientView:
    """An ingredient as shown: as typed, and what was understood."""

    text: str
    reading: Reading
    food: str
    food_name: str
    form: str
    colour: str
    mass_g: float
    mass: str
    kcal: float
    words: str
    says: str
    nearest: list[str]


@dataclass(frozen=True, slots=True)
class MealRead:
    """What a meal comes to."""

    lines: list[IngredientView]
    kcal: float
    kcal_per_person: float
    kcal_per_person_text: str
    protein_per_person_g: float
    person_day_share: float
    """Part of a mean person's day that one helping covers."""
    asks: int
    unread: int


@dataclass(frozen=True, slots=True)
class MealView:
    """A meal of the household's, and what it comes to."""

    number: int
    version: int
    meal: Meal
    read: MealRead


def meals(larder: Larder) -> list[MealView]:
    """Every meal of the household, by when it is eaten and by name."""
    with reading(larder.engine) as session:
        foods, units = all_foods(session), settings(session).units
        day_kcal = appetite(session, larder.today().year).kcal_per_person_day
        versions = log.versions(session, "meal")
        found = [
            MealView(
                number,
                versions[number],
                _as_typed(kept),
                _read(kept.lines, kept.serves, foods, units, day_kcal),
            )
            for number, kept in log.records(session, MealKept).items()
        ]
    order = list(MealKind)
    return sorted(found, key=lambda each: (order.index(each.meal.kind), each.meal.name.lower()))


def read_meal(larder: Larder, meal: Meal) -> MealRead:
    """What a meal comes to as it is typed; nothing is saved.

    Raises:
        Refused: there are more lines than a meal can have, or nobody to eat it.
    """
    lines = _lines(meal)
    _check(meal)
    with reading(larder.engine) as session:
        foods, units = all_foods(session), settings(session).units
        read = [_kitchen(session, foods).read(line) for line in lines]
        day_kcal = appetite(session, larder.today().year).kcal_per_person_day
    return _read(read, meal.serves, foods, units, day_kcal)


def keep_meal(larder: Larder, meal: Meal, number: int | None = None, *, based_on: int | None = None) -> int:
    """Add a meal, or change the one of that number from the version it was shown in; returns the number.

    Raises:
        Refused: it has no name or nothing in it, nobody eats it, or another meal has its name.
    """
    name = tidy_name(meal.name, "name")
    _check(meal)
    lines = _lines(meal)
    if not lines:
        raise Refused("text", "There is nothing in it yet: write one ingredient a line, “1½ cups barley”")
    for n, line in enumerate(lines, 1):
        if len(line) > LONGEST_LINE:
            raise Refused("text", f"Line {n} has {len(line):,} characters; {LONGEST_LINE} is the most")
    with writing(larder.engine) as session:
        known = log.records(session, MealKept)
        if number is not None and number not in known:
            raise NotThere("number", "That meal is not there any more")
        if number is not None:
            old = known[number]
            check_based_on(session, "meal", number, based_on, lambda: _as_typed(old))
        if any(plain(each.name) == plain(name) for other, each in known.items() if other != number):
            raise Refused("name", f"There is a meal called {name} already")
        kitchen = _kitchen(session, all_foods(session))
        read = tuple(kitchen.read(line) for line in lines)
        kept = MealKept(name, meal.kind, meal.serves, meal.per_month, read)
        title = log.title("meal.changed" if number is not None else "meal.added", name=name)
        number = number if number is not None else log.next_number(session, "meal")
        log.record(session, title, [log.Act(number, kept, "kept")], at=larder.clock())
    return number


def remove_meal(larder: Larder, number: int, *, based_on: int | None = None) -> None:
    """The household cooks a meal no longer."""
    with writing(larder.engine) as session:
        kept = log.record_of(session, MealKept, number)
        if kept is None:
            raise NotThere("number", "That meal is not there any more")
        check_based_on(session, "meal", number, based_on)
        title = log.title("meal.removed", name=kept.name)
        log.record(session, title, [log.removed("meal", number)], at=larder.clock())


def remember(larder: Larder, words: str, means: str) -> None:
    """Say once what words mean: a food by its key, "seasoning", or "elsewhere" for what is not kept here.

    Every meal with those words is read anew, and every day of the diary that waited for it; what a day of the
    diary once counted stays as it was.
    """
    wanted = plain(words)
    if not wanted or len(words) > LONGEST_LINE:
        raise Refused("words", "Say which words are meant")
    with writing(larder.engine) as session:
        foods = all_foods(session)
        if means not in (SEASONING, ELSEWHERE) and means not in foods:
            raise NotThere("means", "Pick a food of the table, a seasoning, or not stored")
        known = log.records(session, MeaningSaid)
        number = next((n for n, each in known.items() if each.words == wanted), None)
        if number is None:
            number = log.next_number(session, "meaning")
        kitchen = Kitchen(foods, _meanings(session) | {wanted: means})
        shown = means if means in (SEASONING, ELSEWHERE) else foods[means].name
        acts = [
            log.Act(number, MeaningSaid(wanted, means)),
            *_meals_anew(session, kitchen, wanted),
            *_days_anew(session, kitchen, wanted),
        ]
        code = "meaning.elsewhere" if means == ELSEWHERE else "meaning.food"
        title = log.title(code, words=words.strip()[:60], name=shown)
        log.record(session, title, acts, at=larder.clock())


def counted_g(read: Sequence[Ingredient], foods: dict[str, Food], *, seasonings: bool) -> dict[str, float]:
    """Grams of each food that some ingredients take from the larder, by key."""
    total: dict[str, float] = {}
    for each in read:
        counts = each.reading is Reading.READ or (seasonings and each.reading is Reading.SEASONING)
        if counts and each.mass_g and each.food in foods:
            total[each.food] = total.get(each.food, 0.0) + each.mass_g
    return total


def view_of(line: Ingredient, foods: dict[str, Food], units: Units) -> IngredientView:
    """An ingredient as shown."""
    food = foods.get(line.food)
    counted = food is not None and line.reading in (Reading.READ, Reading.SEASONING)
    return IngredientView(
        text=line.text,
        reading=line.reading,
        food=line.food,
        food_name=food.name if food else "",
        form=food.form if food else "",
        colour=food.colour if food else "",
        mass_g=line.mass_g,
        mass=say_mass(line.mass_g, units) if line.mass_g else "",
        kcal=food.composition.kcal * line.mass_g / 100 if food and counted else 0.0,
        words=line.words,
        says=line.says if not line.each_g else f"one stands for {say_mass(line.each_g, units)} in store",
        nearest=list(line.nearest),
    )


def kitchen_in(session: Session) -> Kitchen:
    """The kitchen as it reads now, with all foods and all that was remembered."""
    return _kitchen(session, all_foods(session))


def _kitchen(session: Session, foods: dict[str, Food]) -> Kitchen:
    return Kitchen(foods, _meanings(session))


def _meanings(session: Session) -> dict[str, str]:
    return {each.words: each.means for each in log.records(session, MeaningSaid).values()}


def _as_typed(kept: MealKept) -> Meal:
    text = "\n".join(line.text for line in kept.lines)
    return Meal(kept.name, text, kept.kind, kept.serves, kept.per_month)


def _lines(meal: Meal) -> list[str]:
    if len(meal.text) > MOST_TEXT:
        raise Refused("text", f"That is {len(meal.text):,} characters; a meal has at most {MOST_LINES} lines")
    lines = [line.strip() for line in meal.text.splitlines() if line.strip()]
    if len(lines) > MOST_LINES:
        raise Refused("text", f"That is {len(lines):,} lines; a meal has at most {MOST_LINES}")
    return lines


def _check(meal: Meal) -> None:
    if not meal.serves:
        raise Refused("serves", "A meal for nobody feeds nobody: say how many it is written for")
    check_range("serves", meal.serves, 0.5, 200, "")
    check_range("per_month", meal.per_month, 0, 150, "times")


def _read(
    lines: Sequence[Ingredient], serves: float, foods: dict[str, Food], units: Units, day_kcal: float
) -> MealRead:
    shown = [view_of(line, foods, units) for line in lines]
    kcal = sum(line.kcal for line in shown)
    protein = sum(
        foods[line.food].composition.protein_g * line.mass_g / 100 for line in shown if line.kcal and line.food in foods
    )
    return MealRead(
        lines=shown,
        kcal=kcal,
        kcal_per_person=kcal / serves,
        kcal_per_person_text=say_kcal(kcal / serves),
        protein_per_person_g=protein / serves,
        person_day_share=kcal / serves / day_kcal,
        asks=sum(line.reading is Reading.ASK for line in shown),
        unread=sum(line.reading is Reading.UNREAD for line in shown),
    )


def _meals_anew(session: Session, kitchen: Kitchen, words: str) -> list[log.Act]:
    acts = []
    for number, kept in log.records(session, MealKept).items():
        has = [plain(line.words) == words for line in kept.lines]
        if any(has):
            lines = [kitchen.read(line.text) if has_it else line for line, has_it in zip(kept.lines, has, strict=True)]
            acts.append(log.Act(number, replace(kept, lines=tuple(lines)), log.REREAD))
    return acts


def _waits(line: Ingredient | None, words: str) -> bool:
    return line is not None and line.reading is Reading.ASK and plain(line.words) == words


def _days_anew(session: Session, kitchen: Kitchen, words: str) -> list[log.Act]:
    acts = []
    for day in session.scalars(select(DiaryDay)):
        items = items_of(day)
        if not any(_waits(item.line, words) for item in items):
            continue
        anew, used = [], dict(day.used_g)
        for item in items:
            if item.line is not None and _waits(item.line, words):
                read = kitchen.read(item.line.text)
                if read.reading is Reading.READ and read.mass_g:
                    used[read.food] = used.get(read.food, 0.0) + read.mass_g
                anew.append(replace(item, line=read))
            else:
                anew.append(item)
        acts.append(log.Act(day.day.toordinal(), DayWritten(tuple(anew), used), log.REREAD))
    return acts
