"""What a change was, in words: a code and figures in the household's own measures."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import date
from string import Formatter
from typing import Any

from yellow_larder.words.dates import say_day
from yellow_larder.words.quantities import Units, say_coins, say_length, say_mass

_TITLES: dict[str, str] = {}


def register_titles(titles: Mapping[str, str]) -> None:
    """Register what changes are called, by code.

    What stands in braces is a figure, with how it is said: `mass` of grams, `length` of millimetres, `money` of the
    smallest coin, `day` of a date, `and` of several names, `jar|jars` of a count, plainly of anything else.
    """
    _TITLES.update(titles)


def titles() -> Mapping[str, str]:
    """What changes are called, by code."""
    return _TITLES


def say_title(code: str, figures: Mapping[str, Any], units: Units, currency: str) -> str:
    """What a change was.

    Example:
        >>> register_titles({"test.packed": "Packed {count:jar|jars} of {name}, {mass_g:mass}"})
        >>> say_title("test.packed", {"count": 1, "name": "rice", "mass_g": 2500.0}, Units.METRIC, "")
        'Packed 1 jar of rice, 2.5 kg'
    """
    return _Words(units, currency).vformat(_TITLES[code], (), figures)


class _Words(Formatter):
    def __init__(self, units: Units, currency: str) -> None:
        self._units, self._currency = units, currency

    def format_field(self, value: Any, format_spec: str) -> str:
        match format_spec.split("|"):
            case ["mass"]:
                return say_mass(value, self._units)
            case ["length"]:
                return say_length(value, self._units)
            case ["money"]:
                return say_coins(value, self._currency)
            case ["day"]:
                return say_day(date.fromisoformat(value))
            case ["and"]:
                return say_names(value)
            case [one, many]:
                return f"{value:,} {one if value == 1 else many}"
        return f"{value:g}" if isinstance(value, float) else f"{value}"


def say_names(names: Sequence[str], most: int = 3) -> str:
    """Some names, as a person says them; no more than so many.

    Example:
        >>> say_names(["rice"]), say_names(["rice", "oats", "salt"]), say_names(["a", "b", "c", "d", "e"])
        ('rice', 'rice, oats and salt', 'a, b, c and 2 more')
    """
    shown, more = list(names[:most]), len(names) - most
    if more > 0:
        shown.append(f"{more} more")
    return shown[0] if len(shown) == 1 else f"{', '.join(shown[:-1])} and {shown[-1]}"
