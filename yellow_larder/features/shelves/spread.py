"""How food is spread over places and ways of keeping, and what goes if one of them fails."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum

from sqlalchemy import func, select

from yellow_larder.core.containers import Container
from yellow_larder.core.food import Food, nutrients
from yellow_larder.core.keeping import Way, way_kept
from yellow_larder.features.catalog.containers import container_by_key
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.household.larder import Larder, places_in, settings
from yellow_larder.features.household.people import appetite
from yellow_larder.features.household.state import Place
from yellow_larder.features.lots.lots import cupboard_g
from yellow_larder.features.packages.state import Package
from yellow_larder.journal.database import reading
from yellow_larder.reference import ways_of
from yellow_larder.words.quantities import say_kcal, say_mass, say_share

IN_CUPBOARD = "bought, and not packed yet"
"""What is in the cupboard stands in no place: nobody said where."""


class Kept(StrEnum):
    """The ways that food is kept, as a household counts them."""

    DRY = "dry"
    SHOP = "in tins and jars of the shop"
    FREEZER = "frozen"
    FRIDGE = "chilled"
    FRESH = "fresh, in a cellar or a room"


@dataclass(frozen=True, slots=True)
class Part:
    """What stands in one place, or is kept in one way, and would go with it.

    Attributes:
        name: the place or the way.
        days: days that it feeds the household.
        share: share of all energy that is kept, 0–1.
        share_text: the same in words.
        kcal_text: its energy.
        all_of: foods of which there is nothing anywhere else, those with most energy first.
    """

    name: str
    days: float
    share: float
    share_text: str
    kcal_text: str
    all_of: list[str]


@dataclass(frozen=True, slots=True)
class SpreadFood:
    """One food, and where it stands.

    Attributes:
        food: the food.
        mass: what there is of it.
        kcal_text: its energy.
        places: the places it stands in, with the share of its weight, the largest first.
    """

    food: str
    mass: str
    kcal_text: str
    places: list[str]


@dataclass(frozen=True, slots=True)
class Spread:
    """How all that is kept is spread.

    Attributes:
        days: days that all of it feeds the household.
        by_place: what goes with each place, the most first.
        by_way: what goes with each way of keeping, the most first.
        foods: each food, those with most energy first.
    """

    days: float
    by_place: list[Part]
    by_way: list[Part]
    foods: list[SpreadFood]


@dataclass(frozen=True, slots=True)
class _Lot:
    """What there is of one food in one place, kept in one way."""

    food: str
    place: str
    way: str
    mass_g: float
    kcal: float


def see_spread(larder: Larder) -> Spread:
    """How food is spread, and what goes if a place or a way of keeping fails.

    The figures are those of the household's need of energy: days are all of it eaten at once by everybody.
    """
    sums = (func.sum(Package.mass_g), func.sum(Package.kcal))
    alike = (Package.food_key, Package.food_name, Package.place_id, Package.container_key, Package.closing)
    open_or_not = Package.open_since.is_(None)
    with reading(larder.engine) as session:
        eats, units = appetite(session, larder.today().year).kcal_day, settings(session).units
        places, foods, cupboard = places_in(session), all_foods(session), cupboard_g(session)
        rows = session.execute(
            select(*alike, open_or_not, *sums).where(Package.gone_on.is_(None)).group_by(*alike, open_or_not)
        ).all()
    lots = [
        _Lot(
            name,
            places[place].name,
            kept_how(foods.get(key), container_by_key(container), places[place], is_closed=closed),
            mass_g,
            kcal,
        )
        for key, name, place, container, _, closed, mass_g, kcal in rows
    ]
    lots += [
        _Lot(foods[key].name, IN_CUPBOARD, Kept.DRY, mass_g, nutrients(foods[key].composition, mass_g).kcal)
        for key, mass_g in cupboard.items()
        if key in foods
    ]
    by_food = _summed(lots, "food")
    return Spread(
        sum(each.kcal for each in lots) / eats,
        _parts(lots, "place", eats),
        _parts(lots, "way", eats),
        [
            SpreadFood(food, say_mass(mass_g, units), say_kcal(kcal), _where(lots, food, mass_g))
            for food, (mass_g, kcal) in sorted(by_food.items(), key=lambda each: (-each[1][1], each[0]))
        ],
    )


def kept_how(food: Food | None, container: Container, place: Place, *, is_closed: bool) -> Kept:
    """The way that something is kept: by the cold first, then by who closed it, then by what it is."""
    ways = ways_of(food.life) if food else {}
    way = way_kept(place.mean_c, container.closings[0], ways)
    if way is Way.FREEZER:
        return Kept.FREEZER
    if way in (Way.FRIDGE, Way.FRIDGE_VACUUM):
        return Kept.FRIDGE
    if container.closed_by_maker and is_closed:
        return Kept.SHOP
    return Kept.FRESH if ways else Kept.DRY


def _summed(lots: list[_Lot], by: str) -> Mapping[str, tuple[float, float]]:
    found: dict[str, tuple[float, float]] = defaultdict(lambda: (0.0, 0.0))
    for each in lots:
        mass_g, kcal = found[getattr(each, by)]
        found[getattr(each, by)] = (mass_g + each.mass_g, kcal + each.kcal)
    return found


def _parts(lots: list[_Lot], by: str, eats: float) -> list[Part]:
    """What goes with each place or way."""
    whole = sum(each.kcal for each in lots)
    stands: dict[str, set[str]] = defaultdict(set)
    for each in lots:
        stands[each.food].add(getattr(each, by))
    kcal_of = {food: kcal for food, (_, kcal) in _summed(lots, "food").items()}
    parts = []
    for name, (_, kcal) in _summed(lots, by).items():
        only_here = [food for food, where in stands.items() if where == {name}]
        share = kcal / whole if whole else 0.0
        all_of = sorted(only_here, key=lambda food: (-kcal_of[food], food))
        parts.append(Part(name, kcal / eats, share, say_share(share), say_kcal(kcal), all_of))
    return sorted(parts, key=lambda part: (-part.days, part.name))


def _where(lots: list[_Lot], food: str, mass_g: float) -> list[str]:
    here = _summed([each for each in lots if each.food == food], "place")
    ordered = sorted(here.items(), key=lambda each: (-each[1][0], each[0]))
    if len(ordered) == 1:
        return [ordered[0][0]]
    return [f"{say_share(mass / mass_g)} {name}" for name, (mass, _) in ordered]
