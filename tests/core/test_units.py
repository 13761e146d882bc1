"""Measures other than SI, against Pint, a library of them, and two factors of NIST Handbook 44, appendix C."""

import pint
import pytest

from yellow_larder.core import units

PINT: pint.UnitRegistry[float] = pint.UnitRegistry(cache_folder=None)


@pytest.mark.parametrize(
    ("factor", "unit", "si"),
    [
        (units.G_PER_OUNCE, "ounce", "gram"),
        (units.G_PER_POUND, "pound", "gram"),
        (units.G_PER_STONE, "stone", "gram"),
        (units.ML_PER_GALLON, "gallon", "milliliter"),
        (units.ML_PER_QUART, "quart", "milliliter"),
        (units.ML_PER_PINT, "pint", "milliliter"),
        (units.ML_PER_CUP, "cup", "milliliter"),
        (units.ML_PER_TABLESPOON, "tablespoon", "milliliter"),
        (units.ML_PER_TEASPOON, "teaspoon", "milliliter"),
        (units.ML_PER_BUSHEL, "bushel", "milliliter"),
        (units.MM_PER_INCH, "inch", "millimeter"),
        (units.MM_PER_FOOT, "foot", "millimeter"),
    ],
)
def test_each_factor_is_pints(factor: float, unit: str, si: str) -> None:
    assert factor == pytest.approx(PINT.Quantity(1, unit).to(si).magnitude, rel=1e-9)


def test_the_handbook() -> None:
    assert pytest.approx(453.59237, rel=1e-12) == units.G_PER_POUND
    assert pytest.approx(236.588, abs=5e-4) == units.ML_PER_CUP
