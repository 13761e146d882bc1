"""Foods of one's own as they are typed: what is known of them, and what that comes to."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TypedDict

from yellow_larder.core.food import Food, Trait
from yellow_larder.core.units import ML_PER_CUP
from yellow_larder.features.catalog.events import NewFood
from yellow_larder.features.catalog.foods import (
    add_food,
    change_food,
    own_food,
    own_record,
)
from yellow_larder.features.catalog.weighed import only_mass_g
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.journal import log
from yellow_larder.journal.database import reading
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import Units, read_amount, say_mass

_LITRE_ML = 1000.0


@dataclass(frozen=True, slots=True, kw_only=True)
class AskedFood:
    """A food of one's own as it is typed: a figure that is not known is none.

    Attributes:
        name: what it is called.
        like: key of the food in the table that it is most like.
        kcal: energy of 100 g.
        protein_g: protein in 100 g.
        fat_g: fat in 100 g.
        carbohydrate_g: carbohydrate in 100 g, fibre included.
        fibre_g: fibre in 100 g.
        water_g: water in 100 g.
        measure: how much of it was weighed, poured loosely: "1 cup", "1 L".
        weighs: what that weighs: "185 g"; empty if nobody weighed it.
        traits: what the rules need to know; none means as what it is like.
        fresh_water_g: water in 100 g of what it was dried from; none means as what it is like.
    """

    name: str
    like: str
    kcal: float | None = None
    protein_g: float | None = None
    fat_g: float | None = None
    carbohydrate_g: float | None = None
    fibre_g: float | None = None
    water_g: float | None = None
    measure: str = "1 cup"
    weighs: str = ""
    traits: tuple[Trait, ...] | None = None
    fresh_water_g: float | None = None


def add_own_food(larder: Larder, asked: AskedFood) -> Food:
    """Add a food of one's own to the table, of which only so much is known.

    Raises:
        Refused: a field cannot be read, its figures cannot be those of a food, or one is called so.
    """
    return add_food(larder, _as_told(asked))


@dataclass(frozen=True, slots=True)
class FoodAsTyped:
    """A food of one's own as it is typed, and the version of its record."""

    food: AskedFood
    version: int


def own_food_as_typed(larder: Larder, number: int) -> FoodAsTyped:
    """A food of one's own as it is typed.

    Raises:
        NotThere: it is not in the table.
    """
    with reading(larder.engine) as session:
        told = own_record(session, number)
        asked = AskedFood(
            name=told.name,
            like=told.like,
            kcal=told.kcal,
            protein_g=told.protein_g,
            fat_g=told.fat_g,
            carbohydrate_g=told.carbohydrate_g,
            fibre_g=told.fibre_g,
            water_g=told.water_g,
            **typed_litre(told.litre_g),
            traits=told.traits,
            fresh_water_g=told.fresh_water_g,
        )
        return FoodAsTyped(asked, log.version(session, "food", number))


def change_own_food(larder: Larder, number: int, asked: AskedFood, *, based_on: int | None = None) -> Food:
    """A food of one's own is known better.

    Raises:
        Refused: a field cannot be read, its figures cannot be those of a food, or another is called so.
        Outdated: somebody else changed it meanwhile.
    """
    return change_food(larder, number, _as_told(asked), based_on=based_on)


@dataclass(frozen=True, slots=True)
class OwnFoodView:
    """What a food or a mix of one's own comes to: figures that are not known are those of what it is like.

    Attributes:
        kcal: energy of 100 g.
        protein_g: protein in 100 g.
        fat_g: fat in 100 g.
        carbohydrate_g: carbohydrate in 100 g, fibre included.
        fibre_g: fibre in 100 g.
        water_g: water in 100 g.
        cup: what a cup of it weighs.
        traits: what the rules know it as.
    """

    kcal: int
    protein_g: float
    fat_g: float
    carbohydrate_g: float
    fibre_g: float
    water_g: float
    cup: str
    traits: list[Trait]


def see_own_food(larder: Larder, asked: AskedFood) -> OwnFoodView:
    """What a food as it is typed comes to; nothing is written down.

    Raises:
        Refused: a field cannot be read, or its figures cannot be those of a food.
    """
    with reading(larder.engine) as session:
        return seen_of(read_own_food(asked), settings(session).units)


def seen_of(food: Food, units: Units) -> OwnFoodView:
    """A food of one's own as it is seen while it is typed."""
    of = food.composition
    return OwnFoodView(
        kcal=round(of.kcal),
        protein_g=round(of.protein_g, 1),
        fat_g=round(of.fat_g, 1),
        carbohydrate_g=round(of.carbohydrate_g, 1),
        fibre_g=round(of.fibre_g, 1),
        water_g=round(of.water_g, 1),
        cup=say_mass(food.loose_g_ml * ML_PER_CUP, units),
        traits=sorted(food.traits),
    )


def read_own_food(asked: AskedFood) -> Food:
    """The food that is meant by what is typed.

    Raises:
        Refused: a field cannot be read, or its figures cannot be those of a food.
    """
    return own_food("own", _as_told(asked))


def _as_told(asked: AskedFood) -> NewFood:
    return NewFood(
        name=asked.name,
        like=asked.like,
        kcal=asked.kcal,
        protein_g=asked.protein_g,
        fat_g=asked.fat_g,
        carbohydrate_g=asked.carbohydrate_g,
        fibre_g=asked.fibre_g,
        water_g=asked.water_g,
        litre_g=read_litre_g(asked.measure, asked.weighs),
        traits=asked.traits,
        fresh_water_g=asked.fresh_water_g,
    )


class TypedLitre(TypedDict):
    """A measure, and what it weighs, as they are typed."""

    measure: str
    weighs: str


def typed_litre(litre_g: float | None) -> TypedLitre:
    """What a litre weighs, as it is typed again; see `read_litre_g`."""
    if litre_g is None:
        return {"measure": "1 cup", "weighs": ""}
    return {"measure": "1 L", "weighs": f"{litre_g:.10g} g"}


def read_litre_g(measure: str, weighs: str) -> float | None:
    """What a litre weighs, g, from a measure of it that was weighed; none if nobody weighed it.

    Raises:
        Refused: it cannot be read, or nothing weighs that.

    Example:
        >>> round(read_litre_g("1 cup", "185 g")), read_litre_g("1 cup", "")
        (782, None)
    """
    if not weighs.strip():
        return None
    of, mass = read_amount(measure, "measure"), read_amount(weighs, "weighs")
    if of.mass_g or not of.volume_ml:
        raise Refused("measure", "A measure, such as 1 cup or 1 L")
    litre_g = only_mass_g(mass, "weighs", "185 g or 6.5 oz") / of.volume_ml * _LITRE_ML
    if not 10 <= litre_g <= 3000:
        raise Refused("weighs", f"Then a litre would weigh {litre_g:,.0f} g: 10 to 3,000 is what food weighs")
    # So exactly as it can be shown: what is typed again as it was is the same.
    return round(litre_g, 6)
