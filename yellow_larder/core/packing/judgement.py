"""The verdict on a packing: everything the rules have to say about it."""

from __future__ import annotations

from yellow_larder.core.finding import Finding, gravest_first, with_amounts
from yellow_larder.core.packing.case import Case
from yellow_larder.core.packing.food_rules import about_food
from yellow_larder.core.packing.packing_rules import about_packing


def judge(case: Case) -> list[Finding]:
    """Everything there is to say about a packing, the gravest first.

    Args:
        case: the packing.

    Returns:
        Findings, stops before minds before goods.

    Source: each finding names its own.
    """
    return with_amounts(gravest_first([*about_food(case), *about_packing(case)]), case.amounts)
