"""The six guards of a package: what can still get at the food, and what stands in the way."""

from __future__ import annotations

import math
from dataclasses import dataclass

from yellow_larder.core.case import Case
from yellow_larder.core.containers import Closing, Kind
from yellow_larder.core.days import DAYS_PER_YEAR
from yellow_larder.core.packing_rules import BREATHING_YEARS, breathes
from yellow_larder.core.shelf_life import THICK_MIL


@dataclass(frozen=True, slots=True)
class Guard:
    """One threat, and whether the package is closed to it.

    Attributes:
        threat: what can get at the food.
        closed: whether something stands in the way for the whole horizon.
        by: what closes it, or what would.
    """

    threat: str
    closed: bool
    by: str


def guards(case: Case) -> list[Guard]:
    """The six guards, in the order they are drawn.

    Args:
        case: the packing.

    Returns:
        Insects inside, insects outside, rodents, oxygen, damp, light.

    Source: common practice.
    """
    container = case.container
    shop = container.kind is Kind.PACKET
    tight = container.holds_without_air or case.horizon_years <= BREATHING_YEARS
    return [
        _insects_inside(case),
        Guard("insects outside", not shop, "sealed" if not shop else "moths bite in"),
        Guard(
            "rodents",
            container.stops_rodents or case.outer,
            ("its wall" if container.stops_rodents else "its outer")
            if container.stops_rodents or case.outer
            else "needs an outer",
        ),
        _oxygen(case, tight=tight if case.holds_days is None else not breathes(case)),
        _damp(case, tight=tight and not shop),
        _light(case),
    ]


def _light(case: Case) -> Guard:
    """Light, which a dark wall stops if it is thick enough, and whatever stands round it."""
    thick = not case.container.has_film or case.container.film_mil >= THICK_MIL
    if thick and not case.container.lets_light_in:
        return Guard("light", True, "the wall")
    return Guard("light", case.outer, "its outer" if case.outer else "keep it dark")


def _damp(case: Case, *, tight: bool) -> Guard:
    """Damp, by what comes in over the whole time; where that is not known, by the sort of wall."""
    known = [each for each in (case.softens_days, case.moulds_days) if each is not None]
    holds = min(known) >= case.horizon_years * DAYS_PER_YEAR if known else tight
    if holds:
        return Guard("damp", True, "gel" if case.gel else "the wall" if tight else "a dry place")
    return Guard("damp", False, "opened too often" if tight else "needs foil or glass")


def _insects_inside(case: Case) -> Guard:
    """Eggs and larvae that came with the food."""
    if case.frozen:
        return Guard("insects inside", True, "frozen through")
    if not math.isinf(case.kills_in_days):
        return Guard("insects inside", True, "no oxygen")
    return Guard("insects inside", False, "freeze it first")


def _oxygen(case: Case, *, tight: bool) -> Guard:
    """Oxygen inside, and oxygen that comes back."""
    if case.closing is Closing.VACUUM and tight:
        return Guard("oxygen", True, "vacuum")
    if case.closing is Closing.ABSORBER and case.packed_ml >= case.need_ml and tight:
        return Guard("oxygen", True, "absorbers")
    if case.closing is Closing.ABSORBER and not tight:
        return Guard("oxygen", False, "plastic breathes")
    return Guard("oxygen", False, "air inside")
