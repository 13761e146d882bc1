"""What rules say, in the household's own measures."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterable
from dataclasses import replace

from yellow_larder.core.finding import Amount, Finding, Unit
from yellow_larder.words.quantities import Units, say_mass, say_temperature, say_thickness

_SAY: dict[Unit, Callable[[float, Units], str]] = {
    Unit.CELSIUS: say_temperature,
    Unit.MILLIMETRE: say_thickness,
    Unit.GRAM: say_mass,
}
_NAMED = re.compile(r"\{([a-z0-9 ]+)\}")


def say_amount(amount: Amount, units: Units) -> str:
    """An amount as the household counts.

    Example:
        >>> say_amount(Amount(71, Unit.CELSIUS), Units.US), say_amount(Amount(6, Unit.MILLIMETRE), Units.METRIC)
        ('160 °F', '6 mm')
    """
    return _SAY[amount.unit](amount.value, units)


def in_units(found: Iterable[Finding], units: Units) -> list[Finding]:
    """Findings whose texts name their amounts as the household counts."""
    return [_in_units(each, units) for each in found]


def _in_units(finding: Finding, units: Units) -> Finding:
    # A name that somebody gave may have braces of its own: only what is an amount is one.
    def said(match: re.Match[str]) -> str:
        amount = finding.amounts.get(match[1])
        return match[0] if amount is None else say_amount(amount, units)

    def say(text: str) -> str:
        return _NAMED.sub(said, text)

    return replace(finding, says=say(finding.says), why=say(finding.why), figures=say(finding.figures), amounts={})
