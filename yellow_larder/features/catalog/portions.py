"""What one of a food weighs, by what it is called."""

from __future__ import annotations

from yellow_larder.core.food import Food
from yellow_larder.features.catalog.names import told_apart
from yellow_larder.reference.portions import Portion, portions


def portion_of(food: Food, words: str) -> Portion | None:
    """What a food weighs as it is counted or sold, by the words for it; none if nobody knows."""
    called = told_apart(words)
    return next(
        (
            each
            for each in portions()
            if each.food == food.in_table and (not each.words or called in {told_apart(word) for word in each.words})
        ),
        None,
    )
