"""What can only be weighed, as it is typed."""

from __future__ import annotations

from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import Amount


def only_mass_g(amount: Amount, field: str, such_as: str) -> float:
    """The weight of an amount that can only be weighed, g.

    Args:
        amount: the amount as it was read.
        field: where it was typed.
        such_as: a weight that would be right there, in both measures.

    Raises:
        Refused: it is a volume, or partly so.

    Example:
        >>> only_mass_g(Amount(140.0, 0.0), "weighs", "140 g or 5 oz")
        140.0
    """
    if amount.volume_ml:
        raise Refused(field, f"A weight, such as {such_as}")
    return amount.mass_g
