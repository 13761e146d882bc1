"""Meals, diary, goal and prices as they stand, as they follow from the journal."""

from __future__ import annotations

from dataclasses import asdict, dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Mapped, mapped_column

from yellow_larder.features.catalog.ingredient_parser import Reading
from yellow_larder.features.planning.events import (
    BudgetSet,
    DayTaken,
    DayWritten,
    DiaryItem,
    FoodTried,
    GoalSet,
    MealKept,
    MeaningSaid,
    PriceSeen,
)
from yellow_larder.journal.events import as_json, from_json
from yellow_larder.journal.kinds import Happened, Kind, LookUp, Row, said_kind
from yellow_larder.journal.tables import Base


@dataclass(frozen=True, slots=True)
class Items:
    """The lines of a day."""

    items: tuple[DiaryItem, ...] = ()


class DiaryDay(Base):
    """A day of the kitchen diary: what was written, and what that used of the larder."""

    __tablename__ = "diary"

    day: Mapped[date] = mapped_column(primary_key=True)
    items: Mapped[dict[str, Any]]
    """What was written, `Items`."""
    used_g: Mapped[dict[str, Any]]
    """Grams used, by key of the food."""
    taken_g: Mapped[dict[str, Any]]
    """Grams of that which were taken from the shelves, by key of the food."""
    waiting: Mapped[int]
    """Lines that are not read yet: a day that has any is not complete, and no average rests on it."""


class Price(Base):
    """A price seen: what a pack cost where, and when."""

    __tablename__ = "prices"

    id: Mapped[int] = mapped_column(primary_key=True)
    food_key: Mapped[str] = mapped_column(index=True)
    shop: Mapped[str]
    pack_g: Mapped[float]
    coins: Mapped[int]
    """In the smallest coin."""
    seen_on: Mapped[date]


def items_of(day: DiaryDay) -> tuple[DiaryItem, ...]:
    """The lines of a day."""
    return from_json(Items, day.items).items


def is_waiting(item: DiaryItem) -> bool:
    """Whether a line of a day is not read yet: nobody knows what was used."""
    return item.line is not None and item.line.reading in (Reading.ASK, Reading.UNREAD)


def _diary_day(row: Row | None, happened: Happened, number: int, _look_up: LookUp) -> Row:
    told = happened.event
    taken: dict[str, float] = row["taken_g"] if row is not None else {}
    if isinstance(told, DayTaken):
        # Only a day that is written is taken for.
        assert row is not None
        return row | {"taken_g": taken | {key: taken.get(key, 0.0) + g for key, g in told.taken_g.items()}}
    assert isinstance(told, DayWritten)
    items, used = told.items, dict(told.used_g)
    if happened.act == "added" and row is not None:
        items = (*from_json(Items, row["items"]).items, *items)
        before = row["used_g"]
        used = before | {food: before.get(food, 0.0) + mass_g for food, mass_g in used.items()}
    waiting = sum(is_waiting(item) for item in items)
    day = date.fromordinal(number)
    return {"day": day, "items": as_json(Items(items)), "used_g": used, "taken_g": taken, "waiting": waiting}


def _price(_row: Row | None, happened: Happened, number: int, _look_up: LookUp) -> Row:
    assert isinstance(happened.event, PriceSeen)
    return {"id": number} | asdict(happened.event)


MEAL = said_kind("meal", MealKept)
MEANING = said_kind("meaning", MeaningSaid)
TRIED = said_kind("tried", FoodTried)
GOAL = said_kind("goal", GoalSet)
BUDGET = said_kind("purse", BudgetSet)
DIARY = Kind("diary", DiaryDay, _diary_day)
PRICE = Kind("price", Price, _price)
