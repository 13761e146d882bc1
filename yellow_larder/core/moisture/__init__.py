"""The water in a food: its activity, what dries it, and what it does to it."""

from yellow_larder.core.moisture.desiccant import (
    GEL_START_PCT,
    OVEN_C,
    OVEN_HOURS,
    PAPER_C,
    TESTED_KPA,
    MoistureBalance,
    VaporWall,
    full_gel_g,
    gel_for_g,
    gel_holds_pct,
    standard_units,
)
from yellow_larder.core.moisture.isotherms import (
    MOULD_GROWS,
    NOTHING_GROWS,
    Gab,
    Henderson,
    Isotherm,
    dry_basis_pct,
    wet_basis_pct,
)
from yellow_larder.core.moisture.opening import OPEN_MINUTES, aired_ml, mouth_cm2
from yellow_larder.core.moisture.spoilage import FROZEN_C, POISONS_GROW, Spoils, Texture, can_grow, mould_days_at

__all__ = [
    "FROZEN_C",
    "GEL_START_PCT",
    "MOULD_GROWS",
    "NOTHING_GROWS",
    "OPEN_MINUTES",
    "OVEN_C",
    "OVEN_HOURS",
    "PAPER_C",
    "POISONS_GROW",
    "TESTED_KPA",
    "Gab",
    "Henderson",
    "Isotherm",
    "MoistureBalance",
    "Spoils",
    "Texture",
    "VaporWall",
    "aired_ml",
    "can_grow",
    "dry_basis_pct",
    "full_gel_g",
    "gel_for_g",
    "gel_holds_pct",
    "mould_days_at",
    "mouth_cm2",
    "standard_units",
    "wet_basis_pct",
]
