"""Containers that stand in others: how many bags or jars a pail takes."""

from __future__ import annotations

import math

from yellow_larder.core.containers.container import Container, closed_volume_ml
from yellow_larder.core.errors import check_range

PACKS = 0.75
"""Share of a pail that bags and jars standing in it fill; the rest is gaps. Source: our judgement: cylinders in a
square pattern fill 0.785 of it."""

_GLASS_MM = 7.0
_LID_MM = 15.0
"""What glass and lid add to the inside of a jar. Source: preserving jars, from memory."""


def goes_into(outer: Container, inner: Container, food_ml: float, food_height_mm: float) -> int:
    """How many filled containers an outer takes.

    A bag is as wide as its flat width makes a round one, and as high as its food: its empty top folds over.

    Args:
        outer: the pail they stand in.
        inner: what stands in it.
        food_ml: what one of them holds, air among the food included, mL, 1–250,000.
        food_height_mm: how high the food stands in it, mm, 1–1,500.

    Returns:
        How many; 0 if not even one goes in.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        Four gallon bags of barley, 3.2 L each, in a pail of 20 L:

        >>> from yellow_larder.core.containers.container import Kind
        >>> pail = Container("p", "pail", Kind.PAIL, capacity_ml=20400, height_mm=360, top_mm=285, base_mm=252)
        >>> bag = Container("b", "bag", Kind.BAG, width_mm=254, length_mm=356, seal_mm=25, film_mil=7)
        >>> goes_into(pail, bag, 3200, 250), goes_into(pail, bag, 3200, 400)
        (4, 0)

    Source: see `PACKS`; a bag of flat width w is round at 2w/π.
    """
    check_range("food_ml", food_ml, 1, 250_000, "mL")
    check_range("food_height_mm", food_height_mm, 1, 1500, "mm")
    if inner.is_flat:
        wide, high, takes_ml = 2 * inner.width_mm / math.pi, food_height_mm, food_ml
    else:
        side, high = max(inner.top_mm, inner.base_mm) + _GLASS_MM, inner.height_mm + _LID_MM
        # A square one goes into a round one by its diagonal.
        wide = side * math.sqrt(2) if inner.is_square and not outer.is_square else side
        takes_ml = (1.0 if inner.is_square else math.pi / 4) * side**2 * high / 1000
    if wide > outer.base_mm or high > outer.height_mm:
        return 0
    return max(1, math.floor(PACKS * closed_volume_ml(outer) / takes_ml + 1e-9))
