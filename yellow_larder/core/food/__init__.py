"""What a food is made of."""

from yellow_larder.core.food.food import Food, Trait
from yellow_larder.core.food.nutrition import Composition, Nutrients, dried_mass_g, dried_to, nutrients, person_days

__all__ = [
    "Composition",
    "Food",
    "Nutrients",
    "Trait",
    "dried_mass_g",
    "dried_to",
    "nutrients",
    "person_days",
]
