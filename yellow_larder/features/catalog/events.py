"""What can happen to the table of foods."""

from __future__ import annotations

from dataclasses import dataclass

from yellow_larder.core.food import Trait
from yellow_larder.journal.events import Event, event


@event("food", "added")
@dataclass(frozen=True, slots=True)
class NewFood(Event):
    """A food of one's own, per 100 g as it is packed.

    Attributes:
        name: what it is called.
        like: key of the food in the table it keeps and looks most like.
        kcal: energy.
        protein_g: protein.
        fat_g: fat.
        carbohydrate_g: carbohydrate, fibre included.
        fibre_g: fibre.
        water_g: water: its moisture, per cent.
        litre_g: what a litre of it weighs, poured, g.
        traits: what the rules need to know; none means those of the food it is like.
    """

    name: str
    like: str
    kcal: float
    protein_g: float
    fat_g: float
    carbohydrate_g: float
    fibre_g: float
    water_g: float
    litre_g: float
    traits: tuple[Trait, ...] | None = None
