"""What foods weigh as they are counted or sold, where nobody weighed them."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache

from yellow_larder.reference.rows import rows, words


@dataclass(frozen=True, slots=True)
class Portion:
    """What a food weighs as it is counted or sold, where nobody weighed it.

    Attributes:
        food: key of the food.
        words: what it is called for this to hold; none of them for all else that is that food.
        piece_g: what one of it weighs, g; 0 if it is not counted.
        pack_g: what is in a pack as the shop usually sells it, g.
        source: where the weights come from.
    """

    food: str
    words: tuple[str, ...]
    piece_g: float
    pack_g: float
    source: str


@lru_cache
def portions() -> list[Portion]:
    """What foods weigh as they are counted or sold; of one food, what goes by a word of its own comes first.

    Example:
        >>> next(each.piece_g for each in portions() if each.food == "butter")
        113.0
    """
    found = [
        Portion(row["food"], words(row["words"]), float(row["piece_g"] or 0), float(row["pack_g"] or 0), row["source"])
        for row in rows("portions")
    ]
    return sorted(found, key=lambda each: not each.words)
