"""What rules say: findings, each with its numbers, its reason and its source."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace
from enum import StrEnum


class Severity(StrEnum):
    """How much a finding weighs."""

    STOP = "stop"
    MIND = "mind"
    GOOD = "good"


class Unit(StrEnum):
    """What an amount is counted in, in SI or what goes with it; it is said in what the household uses."""

    CELSIUS = "°C"
    MILLIMETRE = "mm"
    GRAM = "g"


@dataclass(frozen=True, slots=True)
class Amount:
    """An amount that a finding names.

    Attributes:
        value: how much.
        unit: of what.
    """

    value: float
    unit: Unit


MEAT_HEATED, POULTRY_HEATED = Amount(71, Unit.CELSIUS), Amount(74, Unit.CELSIUS)
"""What the middle of meat and of poultry has to reach. Source: US advice on dried meat (USDA), from memory."""


@dataclass(frozen=True, slots=True)
class Finding:
    """One thing to know about a packing.

    Attributes:
        severity: stop, mind or good.
        code: stable name of the rule.
        says: one sentence.
        figures: the numbers it rests on, in short; may be empty.
        why: the reason behind it.
        source: where the rule comes from.
        amounts: what stands in braces in its texts, by name: a person reads it in their own measures.
    """

    severity: Severity
    code: str
    says: str
    why: str
    source: str
    figures: str = ""
    amounts: Mapping[str, Amount] = field(default_factory=dict, hash=False)


def with_amounts(found: Iterable[Finding], amounts: Mapping[str, Amount]) -> list[Finding]:
    """Findings that know some amounts more, which their texts may name."""
    return [replace(each, amounts={**amounts, **each.amounts}) for each in found]


def gravest_first(found: Iterable[Finding]) -> list[Finding]:
    """Findings in the order they are read in: stops before minds before goods."""
    order = list(Severity)
    return sorted(found, key=lambda finding: order.index(finding.severity))
