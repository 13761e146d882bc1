"""The table: who eats, what they eat, and the diary of it."""

from __future__ import annotations

from typing import Annotated

from fastapi import Body

from yellow_larder.api.common import BasedOn, Day, Number, TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import asks, larder_router
from yellow_larder.features.household.people import (
    Need,
    PeopleView,
    Person,
    keep_person,
    need_of,
    people,
    remove_person,
)
from yellow_larder.features.planning.diary import MonthView, Written, add_to_day, month, write_day
from yellow_larder.features.planning.meals import (
    Meal,
    MealRead,
    MealView,
    keep_meal,
    meals,
    read_meal,
    remember,
    remove_meal,
)

router = larder_router(prefix="/table", tags=["table"], responses=REFUSALS)

_PEOPLE = [
    {"name": "Grandmother", "birth_year": 1952, "sex": "female", "height": "158 cm", "weight": "61 kg"},
    {"name": "Cousins", "birth_year": 1990, "count": 3, "weeks": 2},
]
_MEALS = [{"name": "Pea soup", "kind": "supper", "serves": 4, "text": "2 cups split peas\n2 onions\nsalt"}]
APerson = Annotated[Person, Body(examples=_PEOPLE)]
AMeal = Annotated[Meal, Body(examples=_MEALS)]


@router.get("/people")
def see_people(larder: TheLarder) -> PeopleView:
    """Everybody who eats here, what each needs in a day and how that is worked out."""
    return people(larder)


@router.post("/people/need")
@asks
def see_need(larder: TheLarder, person: APerson) -> Need:
    """What somebody needs in a day, as it is typed. Nothing is saved."""
    return need_of(larder, person)


@router.post("/people", status_code=201)
def add_person(larder: TheLarder, person: APerson) -> int:
    """Add somebody who eats here; answers with their number."""
    return keep_person(larder, person)


@router.put("/people/{number}", status_code=204)
def change_person(larder: TheLarder, number: Number, person: APerson, based_on: BasedOn = None) -> None:
    """Change somebody who eats here."""
    keep_person(larder, person, number, based_on=based_on)


@router.delete("/people/{number}", status_code=204)
def drop_person(larder: TheLarder, number: Number, based_on: BasedOn = None) -> None:
    """Somebody eats here no longer."""
    remove_person(larder, number, based_on=based_on)


@router.get("/meals")
def see_meals(larder: TheLarder) -> list[MealView]:
    """Every meal, read and worked out."""
    return meals(larder)


@router.post("/meals/read")
@asks
def see_meal(larder: TheLarder, meal: AMeal) -> MealRead:
    """What a meal comes to, as it is typed. Nothing is saved."""
    return read_meal(larder, meal)


@router.post("/meals", status_code=201)
def add_meal(larder: TheLarder, meal: AMeal) -> int:
    """Add a meal; answers with its number."""
    return keep_meal(larder, meal)


@router.put("/meals/{number}", status_code=204)
def change_meal(larder: TheLarder, number: Number, meal: AMeal, based_on: BasedOn = None) -> None:
    """Change a meal."""
    keep_meal(larder, meal, number, based_on=based_on)


@router.delete("/meals/{number}", status_code=204)
def drop_meal(larder: TheLarder, number: Number, based_on: BasedOn = None) -> None:
    """Take a meal off the menu."""
    remove_meal(larder, number, based_on=based_on)


@router.post("/words", status_code=204)
def remember_words(
    larder: TheLarder,
    words: Annotated[str, Body(examples=["tatties"])],
    means: Annotated[str, Body(examples=["dried-potatoes", "seasoning", "elsewhere"])],
) -> None:
    """Say once what words mean: a food by its key, "seasoning", or "elsewhere" for what is not kept here."""
    remember(larder, words, means)


@router.get("/diary/{year}/{number}")
def see_month(larder: TheLarder, year: Number, number: Number) -> MonthView:
    """A month of the diary: its days, its totals, and the meals to pick from."""
    return month(larder, year, number)


@router.put("/diary/{day}", status_code=204)
def write_a_day(
    larder: TheLarder,
    day: Day,
    items: Annotated[list[Written], Body(embed=True, examples=[[{"meal": 1}, {"line": "2 cups rice"}]])],
    based_on: BasedOn = None,
) -> None:
    """Write a day of the diary in place of what stood there; no items takes it out."""
    write_day(larder, day, items, based_on=based_on)


@router.post("/diary/{day}/lines", status_code=204)
def add_to_a_day(
    larder: TheLarder,
    day: Day,
    items: Annotated[list[Written], Body(embed=True, max_length=30, examples=[[{"line": "2 cups rice"}]])],
) -> None:
    """Add lines to a day of the diary; what others wrote on it stays."""
    add_to_day(larder, day, items)
