"""What moisture does to a food: which turns first, its crack, its flow, or mould; and what can grow in it."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

import numpy as np

from yellow_larder.core.arrays import Numbers
from yellow_larder.core.moisture.isotherms import BOTULINUM_GROWS, MOULD_GROWS, NOTHING_GROWS

POISONS_GROW = 0.85
"""Water activity above which germs that poison can grow: up to here, food is not called perishable by law.

Source: FDA 21 CFR 113 and 114 and the FDA Food Code, from memory; Staphylococcus aureus grows from 0.86 (ICMSF).
"""

FROZEN_C = -12.0
"""A place whose warmest is no warmer than this keeps whatever is in it from growing: no mould grows below about −10 °C.

Source: ICMSF, from memory; two degrees to spare.
"""

_MOULDS_AT = (MOULD_GROWS, 0.70, 0.75, 0.80, 0.85, 0.90, 1.0)
_MOULDS_DAYS = (180.0, 120.0, 60.0, 25.0, 10.0, 5.0, 2.0)
"""Days until mould is seen at a water activity that stays, near 20 °C. Source: germination of mould spores on feed at
controlled humidities (Snow, 1944), from memory, and shortened: a promise is to be kept."""


class Spoils(StrEnum):
    """How moisture first shows."""

    SOFT = "soft"
    """Crisp pieces lose their crack."""
    CLUMPS = "clumped"
    """Powder and crystals no longer pour."""
    MOULD = "mouldy"
    """Leather and grain take no harm from moisture before something grows."""


@dataclass(frozen=True, slots=True)
class Texture:
    """What moisture does to a food.

    Attributes:
        name: what it is like, in a word.
        spoils: how moisture first shows.
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


def mould_days_at(water_activity: Numbers) -> Numbers:
    """Days until mould is seen at a water activity that stays.

    Example:
        >>> [round(float(days)) for days in mould_days_at(np.array([0.66, 0.75, 0.9]))]
        [166, 60, 5]

    Source: see `_MOULDS_DAYS`, in between by their logarithms.
    """
    return np.asarray(np.exp(np.interp(water_activity, _MOULDS_AT, np.log(_MOULDS_DAYS))))
