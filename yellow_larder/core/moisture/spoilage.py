"""What damp does to a food: which turns first, its crack, its flow, or mould; and what can grow in it."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

from yellow_larder.core.moisture.isotherms import BOTULINUM_GROWS, MOULD_GROWS, NOTHING_GROWS

POISONS_GROW = 0.85
"""Water activity above which germs that poison can grow: up to here, food is not called perishable by law.

Source: FDA 21 CFR 113 and 114 and the FDA Food Code, from memory; Staphylococcus aureus grows from 0.86 (ICMSF).
"""

FROZEN_C = -12.0
"""A place whose warmest is no warmer than this keeps whatever is in it from growing: no mould grows below about −10 °C.

Source: ICMSF, from memory; two degrees to spare.
"""


class Spoils(StrEnum):
    """How damp first shows."""

    SOFT = "soft"
    """Crisp pieces lose their crack."""
    CLUMPS = "clumped"
    """Powder and crystals no longer pour."""
    MOULD = "mouldy"
    """Leather and grain take no harm from damp before something grows."""


@dataclass(frozen=True, slots=True)
class Texture:
    """What damp does to a food.

    Attributes:
        name: what it is like, in a word.
        spoils: how damp first shows.
        limit: water activity at which it does, 0.2–0.9.
        takes_pct: for what has no isotherm, water that it takes up before that shows, % of its weight; else 0.
        dry_activity: for what has no isotherm, its water activity as it is sold; else none.
        hard_below: for what is sold moist, humidity in whose air it dries out and sets hard; else 0.
        gives_pct: water that it gives away before it is hard, % of its weight; else 0.
        source: where the figures come from.
    """

    name: str
    spoils: Spoils
    limit: float
    takes_pct: float = 0.0
    dry_activity: float | None = None
    hard_below: float = 0.0
    gives_pct: float = 0.0
    source: str = ""


def can_grow(water_activity: float) -> str:
    """What can grow at a water activity, in a sentence.

    Example:
        >>> can_grow(0.55), can_grow(0.7)
        ('Nothing grows in it.', 'Mould and yeast can grow in it, in time.')

    Source: ICMSF, and FDA 21 CFR 113 and 114, from memory.
    """
    if water_activity > BOTULINUM_GROWS:
        return "Everything grows in it, without air the botulism germ too."
    if water_activity > POISONS_GROW:
        return "Germs that poison can grow in it, with air and without."
    if water_activity > MOULD_GROWS:
        return "Mould and yeast can grow in it, in time."
    if water_activity > NOTHING_GROWS:
        return "Hardly anything grows in it."
    return "Nothing grows in it."
