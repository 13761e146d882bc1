"""What can happen to the tables of foods and of containers."""

from __future__ import annotations

from dataclasses import dataclass

from yellow_larder.core.containers import Held, Kind, Lid, Material, Mouth
from yellow_larder.core.food import Trait
from yellow_larder.journal.events import Event, event


@event("food", "added", "changed")
@dataclass(frozen=True, slots=True)
class NewFood(Event):
    """A food of one's own, per 100 g as it is packed. What is none is taken from the food that it is like.

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
        traits: what the rules need to know.
        fresh_water_g: water in 100 g of what it was dried from; none if it was not dried here.
    """

    name: str
    like: str
    kcal: float | None = None
    protein_g: float | None = None
    fat_g: float | None = None
    carbohydrate_g: float | None = None
    fibre_g: float | None = None
    water_g: float | None = None
    litre_g: float | None = None
    traits: tuple[Trait, ...] | None = None
    fresh_water_g: float | None = None


@event("produce", "added", "changed")
@dataclass(frozen=True, slots=True)
class NewProduce(Event):
    """A fresh food of one's own that is dried. What is none is taken from the fresh food that it is like.

    Attributes:
        name: what it is called, fresh.
        like: key of the fresh food in the table of drying it is most like.
        cut: how it is cut; empty for as what it is like.
        dried: key of the food it becomes.
        fresh_water_pct: water in it, %.
        thickness_mm: how thick it is cut, mm.
        air_c: air that suits it, °C.
        hours_low: the shortest it takes, cut so and dried so.
        hours_high: the longest.
        unit_g: what one piece weighs, g.
    """

    name: str
    like: str
    cut: str
    dried: str
    fresh_water_pct: float | None = None
    thickness_mm: float | None = None
    air_c: float | None = None
    hours_low: float | None = None
    hours_high: float | None = None
    unit_g: float | None = None


@dataclass(frozen=True, slots=True)
class MixPart:
    """A food in a mix, and its share of the weight, above 0."""

    food_key: str
    share: float


@event("mix", "added", "changed")
@dataclass(frozen=True, slots=True)
class NewMix(Event):
    """A mix of one's own.

    Attributes:
        name: what it is called.
        parts: what is in it, by weight.
        litre_g: what a litre of it weighs, poured, g; none means that it follows from the parts.
    """

    name: str
    parts: tuple[MixPart, ...]
    litre_g: float | None = None


@event("container", "added")
@dataclass(frozen=True, slots=True)
class OwnContainer(Event):
    """A container of one's own, with a stiff wall.

    Attributes:
        name: what the household calls it.
        kind: what sort it is.
        capacity_ml: brimful volume, mL.
        height_mm: inner height, mm.
        top_mm: inner width at the top, mm.
        base_mm: inner width at the foot, mm.
        is_square: whether it is square seen from above.
        material: what it is made of.
        lid: what closes it.
        held: what it held before.
        wall_mm: how thick its wall is, mm; 0 if nobody knows.
        mouth: which preserving lids fit it; none of any other lid.
        see_through: whether food shows through; none as its material usually is.
    """

    name: str
    kind: Kind
    capacity_ml: float
    height_mm: float
    top_mm: float
    base_mm: float
    is_square: bool
    material: Material
    lid: Lid
    held: Held
    wall_mm: float = 0
    mouth: Mouth | None = None
    see_through: bool | None = None
