"""What rules say: findings, each with its numbers, its reason and its source."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum


class Severity(StrEnum):
    """How much a finding weighs."""

    STOP = "stop"
    MIND = "mind"
    GOOD = "good"


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
    """

    severity: Severity
    code: str
    says: str
    why: str
    source: str
    figures: str = ""


def gravest_first(found: Iterable[Finding]) -> list[Finding]:
    """Findings in the order they are read in: stops before minds before goods."""
    order = list(Severity)
    return sorted(found, key=lambda finding: order.index(finding.severity))
