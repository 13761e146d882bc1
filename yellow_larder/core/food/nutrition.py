"""Energy and nutrients of a weight of food."""

from __future__ import annotations

from dataclasses import dataclass

from yellow_larder.core.errors import OutOfRange, check_range


@dataclass(frozen=True, slots=True)
class Composition:
    """What 100 g of a food holds.

    Carbohydrate is *by difference*: all of it, fibre included, as US food tables print it.

    Attributes:
        kcal: energy, kcal per 100 g, 0–902.
        protein_g: g per 100 g.
        fat_g: g per 100 g.
        carbohydrate_g: g per 100 g, fibre included.
        fibre_g: g per 100 g.
        water_g: g per 100 g: the moisture, wet basis, in per cent.

    Raises:
        OutOfRange: a figure is negative, the parts exceed 100 g (2 g of rounding allowed), or the fibre
            exceeds the carbohydrate it is part of.

    Example:
        >>> Composition(352, 9.9, 1.2, 77.7, 15.6, 10.1).water_g
        10.1
    """

    kcal: float
    protein_g: float
    fat_g: float
    carbohydrate_g: float
    fibre_g: float
    water_g: float

    def __post_init__(self) -> None:
        """Check that the figures can be those of a food."""
        check_range("kcal", self.kcal, 0, 902, "kcal per 100 g")
        for name in ("protein_g", "fat_g", "carbohydrate_g", "water_g"):
            check_range(name, getattr(self, name), 0, 100, "g per 100 g")
        check_range("fibre_g", self.fibre_g, 0, self.carbohydrate_g, "g per 100 g")
        total = self.protein_g + self.fat_g + self.carbohydrate_g + self.water_g
        if total > 102:
            raise OutOfRange("carbohydrate_g", self.carbohydrate_g, 0, 102 - total + self.carbohydrate_g, "g per 100 g")


@dataclass(frozen=True, slots=True)
class Nutrients:
    """Energy and nutrients of some weight of food: kcal, and grams."""

    kcal: float
    protein_g: float
    fat_g: float
    carbohydrate_g: float
    fibre_g: float


def nutrients(composition: Composition, mass_g: float) -> Nutrients:
    """Energy and nutrients of a weight of food.

    Args:
        composition: what 100 g of it holds.
        mass_g: the weight, g, 0–10,000,000.

    Returns:
        kcal and grams in that weight.

    Raises:
        OutOfRange: the weight is outside the range above.

    Example:
        >>> nutrients(Composition(352, 9.9, 1.2, 77.7, 15.6, 10.1), 2500).kcal
        8800.0

    Source: proportion.
    """
    share = check_range("mass_g", mass_g, 0, 1e7, "g") / 100
    return Nutrients(
        kcal=composition.kcal * share,
        protein_g=composition.protein_g * share,
        fat_g=composition.fat_g * share,
        carbohydrate_g=composition.carbohydrate_g * share,
        fibre_g=composition.fibre_g * share,
    )


def dried_to(fresh: Composition, water_pct: float) -> Composition:
    """Composition after drying: the solids stay, the water goes.

    Args:
        fresh: composition before drying.
        water_pct: moisture left, wet basis, %, 0 to that of the fresh food.

    Returns:
        Composition per 100 g of the dried food.

    Raises:
        OutOfRange: the food would have to take up water.

    Example:
        >>> apple = Composition(52, 0.26, 0.17, 13.81, 2.4, 85.56)
        >>> round(dried_to(apple, 8).kcal)
        331

    Source: mass balance on the solids.
    """
    check_range("water_pct", water_pct, 0, fresh.water_g, "%")
    if water_pct == fresh.water_g:
        return fresh
    factor = (100 - water_pct) / (100 - fresh.water_g)
    return Composition(
        kcal=fresh.kcal * factor,
        protein_g=fresh.protein_g * factor,
        fat_g=fresh.fat_g * factor,
        carbohydrate_g=fresh.carbohydrate_g * factor,
        fibre_g=fresh.fibre_g * factor,
        water_g=water_pct,
    )


def dried_mass_g(fresh_g: float, fresh_water_pct: float, water_pct: float) -> float:
    """Weight left when a fresh food is dried: the solids stay, the water goes.

    Args:
        fresh_g: weight before drying, g, 0–10,000,000.
        fresh_water_pct: moisture before, wet basis, %, 0–99.9.
        water_pct: moisture after, wet basis, %, 0 to that before.

    Returns:
        Weight after drying, g.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        A leek of 89 g at 83 % water, dried to 6 %:

        >>> round(dried_mass_g(89, 83, 6), 1)
        16.1

    Source: mass balance on the solids, wet basis.
    """
    check_range("fresh_g", fresh_g, 0, 1e7, "g")
    check_range("fresh_water_pct", fresh_water_pct, 0, 99.9, "%")
    check_range("water_pct", water_pct, 0, fresh_water_pct, "%")
    return fresh_g * (100 - fresh_water_pct) / (100 - water_pct)


def person_days(kcal: float, kcal_per_person_day: float) -> float:
    """Days one person can eat from a store of energy.

    Args:
        kcal: energy in store, kcal, 0–1e10.
        kcal_per_person_day: what one person eats in a day, kcal, 500–8,000.

    Returns:
        Person-days.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> person_days(8800, 2200)
        4.0

    Source: proportion.
    """
    check_range("kcal_per_person_day", kcal_per_person_day, 500, 8000, "kcal")
    return check_range("kcal", kcal, 0, 1e10, "kcal") / kcal_per_person_day
