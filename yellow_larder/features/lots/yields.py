"""What a lot that was made here gives: how much of it there is fresh, and the water to put back."""

from __future__ import annotations

from dataclasses import dataclass

from sqlalchemy.orm import Session

from yellow_larder.core.drying import Produce, water_back_g
from yellow_larder.core.food import Food, nutrients
from yellow_larder.core.units import ML_PER_CUP, ML_PER_TABLESPOON
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.catalog.fresh_produce import all_produce
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import settings
from yellow_larder.features.household.money import say_money
from yellow_larder.features.lots.events import Origin
from yellow_larder.features.lots.state import Lot
from yellow_larder.words.quantities import say_kcal, say_mass, say_share


@dataclass(frozen=True, slots=True)
class Gives:
    """What a lot gives, each in a short line; empty where it does not apply."""

    yields: str
    water: str
    cup: str
    unit: str
    spoon: str
    kcal: str
    cost: str
    dry_g: float
    wet_g: float
    water_g: float
    cups: float


def gives_of(session: Session, lot: Lot) -> Gives:
    """What is left of a lot gives.

    Kilocalories are those of the solids: what warmth and air take of them is below what any table tells apart.
    """
    food, household = all_foods(session)[lot.food_key], settings(session)
    row = next((each for each in all_produce(session).values() if each.dried == food.key and each.unit_g), None)
    wet_g = (lot.wet_g or lot.came_g) * lot.mass_g / lot.came_g
    water = water_back_g(wet_g, lot.mass_g) if wet_g > lot.mass_g else 0.0
    cups = lot.mass_g / food.loose_g_ml / ML_PER_CUP
    ground = lot.made == Origin.GROUND
    return Gives(
        yields=_yields(lot, wet_g, household),
        water=f"{say_mass(water, household.units)} of water to put back" if water and not ground else "",
        cup=_cup(cups, water, household) if water and not ground else "",
        unit=_unit(row, wet_g, lot.mass_g, cups, water, household) if row and lot.made == Origin.DRIED else "",
        spoon=_spoon(food, wet_g / lot.mass_g, household) if ground else "",
        kcal=f"{say_kcal(nutrients(food.composition, _at_table(lot, food)).kcal)} kcal, as before",
        cost=say_money(lot.coins * lot.mass_g / lot.came_g, household) if lot.coins else "",
        dry_g=lot.mass_g,
        wet_g=wet_g,
        water_g=water,
        cups=cups,
    )


def _at_table(lot: Lot, food: Food) -> float:
    """What the lot would weigh at the moisture that the table gives its kilocalories for, g."""
    moisture = food.composition.water_g if lot.moisture_pct is None else lot.moisture_pct
    return lot.mass_g * (100 - moisture) / (100 - food.composition.water_g)


def _yields(lot: Lot, wet_g: float, household: Settings) -> str:
    if lot.wet_g is None:
        return ""
    fresh, dry = (say_mass(grams, household.units) for grams in (wet_g, lot.mass_g))
    return f"{fresh} fresh became {dry}: {say_share(lot.mass_g / wet_g)}"


def _cup(cups: float, water: float, household: Settings) -> str:
    each = say_mass(water / cups, household.units)
    return f"{_number(cups)} cups; each cup wants {each} of water back"


def _unit(row: Produce, wet_g: float, dry_g: float, cups: float, water: float, household: Settings) -> str:
    """One can of beans is one cup dried and wants 5½ oz of water."""
    units = wet_g / row.unit_g
    word = f"can of {row.name.removeprefix('cooked ')}" if row.unit == "can" else row.unit
    article = "an" if word[0] in "aeiou" else "a"
    return (
        f"{article} {word} is {say_mass(dry_g / units, household.units)} or {_cups(cups / units)} dried, "
        f"and wants {say_mass(water / units, household.units)} of water"
    )


def _spoon(food: Food, fresh_per_g: float, household: Settings) -> str:
    fresh = ML_PER_TABLESPOON * food.loose_g_ml * fresh_per_g
    return f"a tablespoon stands for {say_mass(fresh, household.units)} fresh; the rule of thumb says a cup"


def _cups(cups: float) -> str:
    return f"{_number(cups)} cup{'s' if cups >= 1.25 else ''}"


def _number(value: float) -> str:
    """To a quarter, in kitchen signs.

    Example:
        >>> _number(1.02), _number(2.5), _number(0.3), _number(0.05)
        ('1', '2½', '¼', '0.05')
    """
    quarters = round(value * 4)
    if quarters < 1:
        return f"{value:.1g}"
    whole, rest = divmod(quarters, 4)
    return f"{whole or ''}{'' if not rest else '¼½¾'[rest - 1]}"
