"""What a food is made of."""

from yellow_larder.core.food.composing import FIGURES, Mixed, atwater_kcal, completed, mixed
from yellow_larder.core.food.food import JOINS_LIVES, Food, Trait
from yellow_larder.core.food.nutrition import Composition, Nutrients, dried_mass_g, dried_to, nutrients, person_days

__all__ = [
    "FIGURES",
    "JOINS_LIVES",
    "Composition",
    "Food",
    "Mixed",
    "Nutrients",
    "Trait",
    "atwater_kcal",
    "completed",
    "dried_mass_g",
    "dried_to",
    "mixed",
    "nutrients",
    "person_days",
]
