"""Finding the food a person means, and adding one's own."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from functools import lru_cache
from typing import Protocol, TypeVar

from sqlalchemy.orm import Session

from yellow_larder.core.food import Composition, Food
from yellow_larder.features.catalog.events import NewFood
from yellow_larder.features.catalog.names import Names, plain
from yellow_larder.features.household.larder import Larder, tidy_name
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.reference import foods as table
from yellow_larder.words.errors import UNKNOWN_FOOD, Refused
from yellow_larder.words.quantities import read_line

_SHAKEN = 1.07
"""How much denser food lies once shaken down, where only the poured weight is known.

Source: mean over the grains and pulses of the table.
"""


def all_foods(session: Session) -> dict[str, Food]:
    """Every food of the table and every one of the household's own, by key."""
    return log.once(session, "foods", lambda: table() | _own_foods(session))


def _own_foods(session: Session) -> dict[str, Food]:
    return {f"own-{n}": _own(f"own-{n}", own) for n, own in log.records(session, NewFood).items()}


def names_of(foods: Mapping[str, Food]) -> Names[Food]:
    """Every food by every name that it has."""
    return _names(tuple(food for key, food in foods.items() if key not in table()))


@lru_cache(maxsize=8)
def _names(own: tuple[Food, ...]) -> Names[Food]:
    called = {plain(name): food for food in (*table().values(), *own) for name in (food.name, *food.aliases)}
    return Names(called)


def find_food(words: str, foods: Mapping[str, Food]) -> Food:
    """The food that is meant by some words.

    Raises:
        Refused: no food is near enough; the nearest names go with it.
    """
    return find_named(words, names_of(foods))


class Named(Protocol):
    """Anything that has a name."""

    @property
    def name(self) -> str:
        """What it is called."""
        ...


_T = TypeVar("_T", bound=Named)


def find_named(words: str, names: Names[_T]) -> _T:
    """What is meant by some words, of things by name; see `find_food`."""
    meant = names.find(words)
    if meant is not None:
        return meant
    shown = words if len(words) <= 40 else f"{words[:40]}…"
    nearest = tuple(dict.fromkeys(each.name for each in names.nearest(words)))
    raise Refused("line", f"“{shown}” is not in the table", words=words, nearest=nearest, code=UNKNOWN_FOOD)


def add_food(larder: Larder, new: NewFood) -> Food:
    """Add a food of one's own to the table."""
    name = tidy_name(new.name, "name")
    added = replace(new, name=name)
    food = _own("own", added)
    with writing(larder.engine) as session:
        if plain(name) in names_of(all_foods(session)).called:
            raise Refused("name", f"“{name}” is in the table already")
        number = log.next_number(session, "food")
        log.record(session, log.title("food.added", name=name), [log.Act(number, added)], at=larder.clock())
    return replace(food, key=f"own-{number}")


def _own(key: str, own: NewFood) -> Food:
    like = table().get(own.like)
    if like is None:
        raise Refused("like", "Pick the food in the table that it is most like")
    loose = own.litre_g / 1000
    return replace(
        like,
        key=key,
        name=own.name,
        aliases=(),
        short=own.name,
        group="our own",
        traits=like.traits if own.traits is None else frozenset(own.traits),
        composition=Composition(
            kcal=own.kcal,
            protein_g=own.protein_g,
            fat_g=own.fat_g,
            carbohydrate_g=own.carbohydrate_g,
            fibre_g=own.fibre_g,
            water_g=own.water_g,
        ),
        loose_g_ml=loose,
        settled_g_ml=min(loose * _SHAKEN, like.particle_g_ml),
        nutrition_source="the household's own figures",
        density_source=f"the household's own weight of a litre; pieces as {like.name}",
    )


def read_food_line(line: str, foods: dict[str, Food]) -> tuple[Food, float]:
    """The food of a line such as "10 kg pearl barley", and its weight, g."""
    read = read_line(line)
    food = find_food(read.food, foods)
    return food, read.amount.weighs_g(food.loose_g_ml)
