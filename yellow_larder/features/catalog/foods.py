"""Finding the food a person means, and adding one's own."""

from __future__ import annotations

from collections import ChainMap
from collections.abc import Mapping
from dataclasses import replace
from functools import lru_cache
from typing import Protocol, TypeVar

from sqlalchemy.orm import Session

from yellow_larder.core.errors import check_range
from yellow_larder.core.food import FIGURES, JOINS_LIVES, Food, completed, mixed
from yellow_larder.features.catalog.events import NewFood, NewMix
from yellow_larder.features.catalog.names import Names, plain
from yellow_larder.features.household.larder import Larder, tidy_name
from yellow_larder.features.household.versions import check_based_on
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.reference import foods as table
from yellow_larder.words.errors import UNKNOWN_FOOD, NotThere, Refused
from yellow_larder.words.quantities import read_line
from yellow_larder.words.titles import say_names

_SHAKEN = 1.07
"""How much denser food lies once shaken down, where only the poured weight is known.

Source: mean over the grains and pulses of the table.
"""


def all_foods(session: Session) -> dict[str, Food]:
    """Every food of the table and every one of the household's own, by key."""
    return log.once(session, "foods", lambda: table() | _own_foods(session))


def _own_foods(session: Session) -> dict[str, Food]:
    own = {f"own-{n}": own_food(f"own-{n}", own) for n, own in log.records(session, NewFood).items()}
    # A mix may be in a later one.
    known = ChainMap(own, table())
    for n, mix in sorted(log.records(session, NewMix).items()):
        own[f"mix-{n}"] = mix_of(mix, known, f"mix-{n}")
    return own


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
    if meant is None:
        raise not_in_the_table(words, names)
    return meant


def not_in_the_table(words: str, names: Names[_T]) -> Refused:
    """That nothing is called so; the nearest names go with it."""
    shown = words if len(words) <= 40 else f"{words[:40]}…"
    nearest = tuple(dict.fromkeys(each.name for each in names.nearest(words)))
    return Refused("line", f"“{shown}” is not in the table", words=words, nearest=nearest, code=UNKNOWN_FOOD)


def add_food(larder: Larder, new: NewFood) -> Food:
    """Add a food of one's own to the table.

    Raises:
        Refused: it is called as another is, or its figures cannot be those of a food.
    """
    added = replace(new, name=tidy_name(new.name, "name"))
    food = own_food("own", added)
    with writing(larder.engine) as session:
        check_name(session, added.name)
        number = log.next_number(session, "food")
        title = log.title("food.added", name=added.name)
        log.record(session, title, [log.Act(number, added, "added")], at=larder.clock())
    return replace(food, key=f"own-{number}")


def change_food(larder: Larder, number: int, now: NewFood, *, based_on: int | None = None) -> Food:
    """A food of one's own is known better: it is so from now on; what is packed keeps the figures it was packed with.

    Raises:
        NotThere: it is not in the table.
        Refused: it is called as another is, its figures cannot be those of a food, or that is what is written already.
        Outdated: somebody else changed it meanwhile.
    """
    changed = replace(now, name=tidy_name(now.name, "name"))
    food = own_food(f"own-{number}", changed)
    with writing(larder.engine) as session:
        before = own_record(session, number)
        check_based_on(session, "food", number, based_on)
        check_name(session, changed.name, but=food.key)
        if changed == before:
            raise Refused("request", "That is what is written already")
        title = log.title("food.changed", name=changed.name)
        log.record(session, title, [log.Act(number, changed, "changed")], at=larder.clock())
    return food


def own_record(session: Session, number: int) -> NewFood:
    """A food of one's own as it was told.

    Raises:
        NotThere: it is not in the table.
    """
    found = log.record_of(session, NewFood, number)
    if found is None:
        raise NotThere("number", "That food is not in the table any more")
    return found


def check_name(session: Session, name: str, field: str = "name", *, but: str = "") -> None:
    """No food is called so yet, but perhaps the one by that key.

    Raises:
        Refused: one is.
    """
    called_so = names_of(all_foods(session)).called.get(plain(name))
    if called_so is not None and called_so.key != but:
        raise Refused(field, f"“{name}” is in the table already")


def own_food(key: str, own: NewFood) -> Food:
    """A food of one's own: what is not known of it is taken from what it is like.

    Raises:
        Refused: it is like nothing in the table.
        OutOfRange: its figures cannot be those of a food.
    """
    like = table().get(own.like)
    if like is None:
        raise Refused("like", "Pick the food in the table that it is most like")
    known = {name: figure for name in FIGURES if (figure := getattr(own, name)) is not None}
    composition = completed(known, like.composition)
    taken = frozenset(FIGURES).difference(known)
    loose, settled = _bulk(own.litre_g, like)
    if own.fresh_water_g is not None:
        check_range("fresh_water_g", own.fresh_water_g, composition.water_g, 98, "%")
    return replace(
        like,
        key=key,
        name=own.name,
        aliases=(),
        short=own.name,
        like=like.key,
        taken=taken if own.litre_g is not None else taken | {"loose_g_ml"},
        traits=like.traits if own.traits is None else frozenset(own.traits),
        composition=composition,
        loose_g_ml=loose,
        settled_g_ml=settled,
        nutrition_source=_whose(taken, like),
        density_source=f"as {like.name}"
        if own.litre_g is None
        else f"the household's own weight of a litre; pieces as {like.name}",
        fresh_water_g=own.fresh_water_g or max(composition.water_g, like.fresh_water_g),
    )


def _bulk(litre_g: float | None, like: Food) -> tuple[float, float]:
    """Bulk densities poured and shaken down, g/mL, of food of which a litre was weighed, or else as what it is like."""
    if litre_g is None:
        return like.loose_g_ml, like.settled_g_ml
    loose = litre_g / 1000
    return loose, min(loose * _SHAKEN, like.particle_g_ml)


_CALLED = {
    "kcal": "energy",
    "protein_g": "protein",
    "fat_g": "fat",
    "carbohydrate_g": "carbohydrate",
    "fibre_g": "fibre",
    "water_g": "water",
}


def _whose(taken: frozenset[str], like: Food) -> str:
    """Whose figures they are: the household's own, or taken."""
    if not taken:
        return "the household's own figures"
    if taken == frozenset(FIGURES):
        return f"taken from {like.name}: nothing is known of it yet"
    said = say_names([_CALLED[name] for name in FIGURES if name in taken], most=6)
    return f"the household's own figures; {said} calculated as of {like.name}"


def mix_of(mix: NewMix, foods: Mapping[str, Food], key: str = "mix") -> Food:
    """A mix as a food: its figures follow from what is in it.

    Raises:
        OutOfRange: a share is not above 0.
    """
    so = mixed([(foods[part.food_key], part.share) for part in mix.parts])
    loose, settled = so.loose_g_ml, so.settled_g_ml
    if mix.litre_g is not None:
        loose = mix.litre_g / 1000
        settled = min(loose * _SHAKEN, so.particle_g_ml)
    return replace(
        so.most,
        key=key,
        name=mix.name,
        aliases=(),
        short=mix.name,
        like=so.most.in_table,
        taken=frozenset() if mix.litre_g is not None else frozenset({"loose_g_ml"}),
        life=JOINS_LIVES.join(so.lives),
        traits=so.traits,
        composition=so.composition,
        loose_g_ml=loose,
        settled_g_ml=settled,
        particle_g_ml=so.particle_g_ml,
        nutrition_source="calculated from what is in it",
        density_source="volumes of what is in it added up: weigh a litre to know better"
        if mix.litre_g is None
        else "the household's own weight of a litre",
        fresh_water_g=so.composition.water_g,
    )


def read_food_line(line: str, foods: dict[str, Food]) -> tuple[Food, float]:
    """The food of a line such as "10 kg pearl barley", and its weight, g."""
    read = read_line(line)
    food = find_food(read.food, foods)
    return food, read.amount.weighs_g(food.loose_g_ml)
