"""What can happen to meals, the diary, the goal, prices and the money for the store."""

from __future__ import annotations

import re
from dataclasses import dataclass
from datetime import date
from enum import StrEnum

from yellow_larder.features.catalog.ingredient_parser import Ingredient
from yellow_larder.journal.events import REREAD, Event, Facts, event, lift
from yellow_larder.words.numbers import read_count


class MealKind(StrEnum):
    """When it is eaten."""

    BREAKFAST = "breakfast"
    LUNCH = "lunch"
    SUPPER = "supper"
    OTHER = "other"


@event("meal", "kept", REREAD, version=2)
@dataclass(frozen=True, slots=True)
class MealKept(Event):
    """A meal is on the menu.

    Attributes:
        name: what it is called.
        kind: when it is eaten.
        serves: how many it is written for.
        per_month: how often it is cooked in a month.
        lines: its ingredients, as typed and as understood.
    """

    name: str
    kind: MealKind
    serves: float
    per_month: float
    lines: tuple[Ingredient, ...]


@lift("meal", "kept", REREAD, version=1)
def _serves(facts: Facts) -> Facts:
    """How many it is written for was called otherwise."""
    rest = {name: value for name, value in facts.items() if name != "eaters"}
    return rest | {"serves": facts["eaters"]}


@event("meaning", "said")
@dataclass(frozen=True, slots=True)
class MeaningSaid(Event):
    """Some words mean a food, by its key, a seasoning, or what is not kept here."""

    words: str
    means: str


@event("tried", "said")
@dataclass(frozen=True, slots=True)
class FoodTried(Event):
    """The household has tried a food and likes it."""

    food: str


class Basis(StrEnum):
    """What the master list rests on."""

    PLANNED = "planned"
    DIARY = "diary"
    BOTH = "both"
    """Of each meal and food the larger: neither a plan nor a habit is left out."""


class Period(StrEnum):
    """What a goal is counted in."""

    DAY = "day"
    WEEK = "week"
    MONTH = "month"
    YEAR = "year"


@event("goal", "set", version=2)
@dataclass(frozen=True, slots=True)
class GoalSet(Event):
    """What the household wants to be ready for.

    Attributes:
        count: for how many periods.
        period: which.
        meals: numbers of the meals that count; none means all.
        basis: what the list rests on.
        keep_years: how long what is stored should keep.
        seasonings: whether seasonings are counted.
    """

    count: float
    period: Period
    meals: tuple[int, ...]
    basis: Basis
    keep_years: float
    seasonings: bool


@lift("goal", "set", version=1)
def _counted(facts: Facts) -> Facts:
    """The length stood there as it was typed, "3 months"."""
    typed = re.fullmatch(r"\s*(.+?)\s*(day|week|month|year)s?\s*", facts["length"], re.IGNORECASE)
    assert typed is not None, "it could be read when it was written"
    rest = {name: value for name, value in facts.items() if name != "length"}
    return rest | {"count": read_count(typed[1]), "period": typed[2].lower()}


@event("price", "seen")
@dataclass(frozen=True, slots=True)
class PriceSeen(Event):
    """A price was seen: what a pack cost where, in the smallest coin."""

    food_key: str
    shop: str
    pack_g: float
    coins: int
    seen_on: date


@event("purse", "set")
@dataclass(frozen=True, slots=True)
class BudgetSet(Event):
    """Money for the store.

    Attributes:
        weekly_coins: what comes in every week.
        since: the day the first of those weeks began.
        carried_coins: what was over from before.
    """

    weekly_coins: int
    since: date
    carried_coins: int = 0


@dataclass(frozen=True, slots=True)
class DiaryItem:
    """A line of a day: a meal, for so many; or what was typed, as understood. Neither: nothing from the larder.

    Attributes:
        meal: number of the meal; none if it is no meal.
        name: what the meal was called.
        people: how many ate of it; none means everybody who eats here.
        line: what was typed; none if it is no line.
    """

    meal: int | None
    name: str
    people: float | None
    line: Ingredient | None

    @property
    def is_something(self) -> bool:
        """Whether anything was used."""
        return self.meal is not None or self.line is not None or bool(self.name)


@event("diary", "taken")
@dataclass(frozen=True, slots=True)
class DayTaken(Event):
    """What was cooked on that day was taken from the shelves: g of each food, by key."""

    taken_g: dict[str, float]


@event("diary", "wrote", "added", REREAD, version=2)
@dataclass(frozen=True, slots=True)
class DayWritten(Event):
    """Lines of a day of the diary, and the grams of each food that they take from the larder, by key."""

    items: tuple[DiaryItem, ...]
    used_g: dict[str, float]


@lift("diary", "wrote", "added", REREAD, version=1)
def _by_people(facts: Facts) -> Facts:
    """How many ate of it was called otherwise."""
    items = [
        {name: value for name, value in item.items() if name != "eaters"} | {"people": item["eaters"]}
        for item in facts["items"]
    ]
    return facts | {"items": items}
