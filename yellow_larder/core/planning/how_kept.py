"""How a food is best kept for as long as it is wanted: the least trouble that reaches."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from yellow_larder.core.errors import check_range
from yellow_larder.core.food import Food, Trait
from yellow_larder.core.keeping import Estimate, Life, Packing, most_days
from yellow_larder.core.packing import moisture_line_pct

_BY_TROUBLE = (Packing.SHOP, Packing.AIR, Packing.VACUUM, Packing.GLASS, Packing.FOIL)
"""From least trouble to most. Bare plastic and thin or clear film with an absorber are left out: they cost as
much as foil and keep for less. Source: our judgement."""

_WITHOUT_OXYGEN = frozenset({Packing.CLEAR, Packing.GLASS, Packing.FOIL})


@dataclass(frozen=True, slots=True)
class Keeping:
    """A packing, the days it keeps the food for, and whether that reaches as far as wanted."""

    packing: Packing
    days: float
    reaches: bool


def may_meet_absorber(food: Food) -> bool:
    """Whether an absorber may be packed with a food as it is usually stored.

    Example:
        >>> from yellow_larder.core.food import Composition
        >>> sugar = Food("s", "sugar", "sugar", "crystal", "#ffffff", "sugar",
        ...              Composition(387, 0, 0, 99.98, 0, 0.02), 0.8, 0.9, 1.6, traits=frozenset({Trait.SUGAR_LIKE}))
        >>> may_meet_absorber(sugar)
        False

    Source: common practice: never with sugar, salt, or anything moist or sticky; see `findings`.
    """
    shy = {Trait.SUGAR_LIKE, Trait.SALT_LIKE, Trait.STICKY} & food.traits
    return not shy and food.composition.water_g <= moisture_line_pct(food)


def best_kept(
    food: Food, lives: Mapping[Packing, Life], frozen: Life, *, wanted_days: float, rate: float, estimate: Estimate
) -> Keeping:
    """The packing of least trouble that keeps a food as long as it is wanted; else the one that keeps longest.

    Args:
        food: the food.
        lives: how long it keeps at 21 °C, by packing.
        frozen: the most days it keeps in a freezer as published.
        wanted_days: how long it is meant to keep, days, 1–15,000.
        rate: days of life used per day in the coolest store there is, 0.000001–20.
        estimate: whose word is taken.

    Returns:
        The packing, how long it keeps the food there, and whether that is long enough.

    Raises:
        OutOfRange: an argument is outside the range above.

    Source: table of lives; see `shelf_life.days_left`.
    """
    check_range("wanted_days", wanted_days, 1, 15_000, "days")
    check_range("rate", rate, 1e-6, 20, "")
    allowed = [each for each in _BY_TROUBLE if each not in _WITHOUT_OXYGEN or may_meet_absorber(food)]
    bases = {each: lives[each].by(estimate) for each in allowed}
    kept = [(each, min(base / rate, most_days(base, frozen.by(estimate)))) for each, base in bases.items()]
    for packing, days in kept:
        if days >= wanted_days:
            return Keeping(packing, days, reaches=True)
    packing, days = max(kept, key=lambda each: each[1])
    return Keeping(packing, days, reaches=False)
