"""The methods of sizing absorbers, side by side over a grid of foods and containers, against the oxygen there is."""

from __future__ import annotations

from dataclasses import dataclass

from yellow_larder.core.air import (
    fill,
    is_airy_kind,
    mass_that_fits_g,
    need_by_air_ml,
    need_by_container_ml,
    need_by_kind_ml,
    oxygen_ml,
)
from yellow_larder.core.containers import Container, volume_below_ml
from yellow_larder.core.food import Food
from yellow_larder.features.catalog.containers import called
from yellow_larder.features.packing.request import SizingMethod
from yellow_larder.words.quantities import Units, say_mass

_FOODS = (
    "white-rice",
    "hard-red-wheat",
    "white-flour",
    "pearl-barley",
    "rolled-oats",
    "brown-lentils",
    "pinto-beans",
    "macaroni",
    "skim-milk-powder",
    "dried-apples",
    "fd-fish-stew",
)
_CONTAINERS = ("jar-quart", "jar-half-gallon", "bag-quart", "bag-gallon", "lined-5-gallon")


def asks_ml(sizing: SizingMethod, food: Food, container: Container, oxygen_there_ml: float) -> float:
    """Packet millilitres that a method asks for.

    Example:
        >>> from yellow_larder.reference import containers, foods
        >>> asks_ml(SizingMethod.KIND, foods()["macaroni"], containers()["bag-gallon"], 457)
        1000.0
    """
    match sizing:
        case SizingMethod.AIR:
            return need_by_air_ml(oxygen_there_ml)
        case SizingMethod.CONTAINER:
            return need_by_container_ml(container.nominal_qt)
        case SizingMethod.KIND:
            return need_by_kind_ml(container.nominal_qt, airy=is_airy_kind(food))


@dataclass(frozen=True, slots=True)
class SizingSays:
    """What a method asks for, and what that comes to."""

    asks_ml: int
    over_ml: int
    """What it has to spare beyond the oxygen that is there; below zero: what it is short by."""


@dataclass(frozen=True, slots=True)
class SizingRow:
    """One food in one container, filled to the customary headspace and shut at sea level."""

    food: str
    container: str
    holds: str
    oxygen_ml: int
    airy: bool
    by_air: SizingSays
    by_container: SizingSays
    by_kind: SizingSays


def sizing_table(foods: dict[str, Food], containers: dict[str, Container], units: Units) -> list[SizingRow]:
    """Every food of the grid in every container of it."""
    return [
        _row(foods[food], containers[container], units)
        for food in _FOODS
        if food in foods
        for container in _CONTAINERS
        if "absorber" in containers[container].closings
    ]


def _row(food: Food, container: Container, units: Units) -> SizingRow:
    mass = mass_that_fits_g(volume_below_ml(container, container.headspace_mm), food.loose_g_ml)
    there = oxygen_ml(fill(container, food, mass, pressed=True).void_ml, humidity=0.5)
    asks = {sizing: round(asks_ml(sizing, food, container, there)) for sizing in SizingMethod}
    says = {sizing: SizingSays(each, each - round(there)) for sizing, each in asks.items()}
    return SizingRow(
        food=food.name,
        container=called(container, units),
        holds=say_mass(mass, units),
        oxygen_ml=round(there),
        airy=is_airy_kind(food),
        by_air=says[SizingMethod.AIR],
        by_container=says[SizingMethod.CONTAINER],
        by_kind=says[SizingMethod.KIND],
    )
