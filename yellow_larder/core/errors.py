"""What is raised when something cannot be done, in one tree.

    Refusal                what a person asked for cannot be done; nothing was saved
    ├── CoreError          a rule cannot answer that
    │   ├── OutOfRange     a value lies outside the range that a rule holds for
    │   ├── NoPacketFits   no absorber there is covers the need
    │   └── NothingFits    nothing that there is to pack with takes this
    └── Refused            a field, and what would be right, in words (`words/errors.py`)
        ├── NotThere       it does not exist, or no longer
        └── Outdated       it was changed since it was shown

Each has a code. The API turns all of them into problem details, in one place.
"""

from __future__ import annotations

import math


class Refusal(Exception):
    """Something that was asked for cannot be done; catch this to catch them all."""

    code = "refused"


class CoreError(Refusal, ValueError):
    """A rule cannot answer that."""


class OutOfRange(CoreError):
    """A value lies outside the range a rule holds for.

    Attributes:
        field: name of the argument, with its unit suffix.
        value: what was given.
        low: smallest value allowed.
        high: largest value allowed.
        unit: the unit of all three.
    """

    code = "out-of-range"

    def __init__(self, field: str, value: float, low: float, high: float, unit: str) -> None:
        self.field, self.value, self.low, self.high, self.unit = field, value, low, high, unit
        super().__init__(f"{field} is {value:g} {unit}; it must lie between {low:g} and {high:g} {unit}".strip())


def check_range(field: str, value: float, low: float, high: float, unit: str) -> float:
    """Return the value if it is a number from low to high, else refuse it.

    Args:
        field: name of the argument, for the message.
        value: the number to check.
        low: smallest value allowed.
        high: largest value allowed.
        unit: unit of the value, for the message.

    Raises:
        OutOfRange: the value is not a finite number from low to high.

    Example:
        >>> check_range("headspace_mm", 50.0, 0.0, 300.0, "mm")
        50.0
    """
    if not math.isfinite(value) or not low <= value <= high:
        raise OutOfRange(field, value, low, high, unit)
    return value
