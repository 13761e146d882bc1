"""Where a line says that something stands."""

from __future__ import annotations

import re
from collections.abc import Mapping

from yellow_larder.features.coming_in.rest import Rest

CALLED = {
    "cellar": ("cellar", "basement", "root cellar", "cold room", "cold store"),
    "cupboard": ("pantry", "cupboard", "kitchen", "larder", "closet", "kitchen cupboard", "store room", "storeroom"),
    "freezer": ("freezer", "deep freeze", "chest freezer", "deep freezer", "upright freezer"),
    "fridge": ("fridge", "refrigerator"),
    "loft": ("loft", "attic", "garage", "shed"),
}
"""What people call a place of some sort, besides its own name. Source: common practice."""

SORTS_CALLED = frozenset(word for words in CALLED.values() for word in words)

_SHELF = re.compile(
    r"(?:^|[,;]|\b(?:on|in)\b)\s*(?:the\s+)?(?:(?:top|bottom|middle|lower|upper|back|left|right|first|second|third)\s+)?"
    r"(?:shel(?:f|ves)|rack)(?:\s*#?\s*\d+)?\s*(?=$|[,;])",
    re.IGNORECASE,
)
"""On which shelf: where its sort of container usually stands is where it is put."""


def take_place(line: Rest, places: Mapping[str, int]) -> int | None:
    """The place that a line names, and which shelf of it; none if it names none that is there."""
    found = _place(line, places)
    line.take(_SHELF)
    return found


def _place(line: Rest, places: Mapping[str, int]) -> int | None:
    for name in sorted({*places, *SORTS_CALLED}, key=len, reverse=True):
        words = r"[\s-]+".join(map(re.escape, name.split()))
        found = line.take(
            re.compile(
                rf"(?:^|,|;|\bin\b|\bfrom\b|\bat\b|\bon\b|(?<=\w))\s*(?:the\s+|our\s+)?\b{words}\b"
                r"(?:\s+(?:(?:top|bottom|middle)\s+)?(?:shel(?:f|ves)|rack)(?:\s*#?\s*\d+)?)?\s*:?\s*(?=$|,|;|\s)",
                re.I,
            )
        )
        if found is not None and name in places:
            return places[name]
        if found is not None:
            line.lacks_place = next(sort for sort, called in CALLED.items() if name in called)
            line.doubts.append(f"there is no {name} yet, or more than one: add the place, or say which")
            return None
    return None
