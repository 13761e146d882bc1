"""The verdict on a packing: what the rules find, what the supplies are short of, and a word for all of it."""

from __future__ import annotations

from collections import Counter
from dataclasses import replace

from yellow_larder.core.containers import Container, Kind, goes_into
from yellow_larder.core.finding import Finding, Severity, gravest_first
from yellow_larder.features.packing.plan import Packed, Verdict
from yellow_larder.features.supplies.stock import Stock, say_short
from yellow_larder.reference import containers
from yellow_larder.words.quantities import Units


def verdict_on(found: list[Finding]) -> Verdict:
    """The findings, what is gravest first, and what they come to."""
    found = gravest_first(found)
    worst = found[0].severity
    minds = sum(finding.severity is Severity.MIND for finding in found)
    if worst is Severity.STOP:
        return Verdict(worst, "Stop", f"{found[0].says}.", found)
    feel = next((f"{finding.says}." for finding in found if finding.code == "pull-down"), "")
    if minds == 1 and any(finding.code == "no-outer" for finding in found):
        return Verdict(worst, "Go", f"once it has a pail, tote or bin round it. {feel}".strip(), found)
    if worst is Severity.MIND:
        things = "one thing" if minds == 1 else f"{minds} things"
        return Verdict(worst, "Careful", f"{things} before you close it. {feel}".strip(), found)
    return Verdict(worst, "Go", feel or "Close it tight and keep it dry.", found)


def with_outer(finding: Finding, container: Container, full: Packed, count: int) -> Finding:
    """A finding; that which asks for an outer says which pails would do."""
    if finding.code != "no-outer":
        return finding
    food_ml = full.solid_ml + full.between_ml
    pails = [each for each in containers().values() if each.kind is Kind.PAIL]
    each_takes = {pail: goes_into(pail, container, food_ml, full.food_height_mm) for pail in pails}
    wanted = {pail: -(-count // takes) for pail, takes in each_takes.items() if takes}
    if not wanted:
        return replace(finding, figures="too big for a pail: a tote or a bin")
    pail, n = min(wanted.items(), key=lambda each: (each[1], each[0].capacity_ml))
    holds = "holds it" if count == 1 else f"hold{'s' if n == 1 else ''} {'both' if count == 2 else f'all {count}'}"
    return replace(finding, figures=f"{'one' if n == 1 else f'{n} ×'} {pail.name} {holds}")


def short_of(stock: Stock, container: Container, count: int, units: Units) -> list[Finding]:
    """Whether there are fewer containers in the house than this takes."""
    short = stock.short_of(Counter({container.key: count}), units)
    if not short:
        return []
    return [
        Finding(
            Severity.MIND,
            "supplies-short",
            say_short(short),
            "Buy more, take another size, or count them anew under Supplies.",
            "your supplies",
        )
    ]
