"""The six protections of a package: what can still get at the food, and what stands in the way."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import StrEnum

from yellow_larder.core.air import NONE_LEFT
from yellow_larder.core.containers import Closing, Kind, Material
from yellow_larder.core.keeping import THICK_MIL
from yellow_larder.core.packing.case import Case


@dataclass(frozen=True, slots=True)
class Protection:
    """One threat, and whether the package is closed to it.

    Attributes:
        threat: what can get at the food.
        closed: whether something stands in the way for the whole horizon, or there is nothing to get at.
        by: what closes it, or what leaves it open.
    """

    threat: str
    closed: bool
    by: str


_MAKER = "sealed by its maker"


def protections(case: Case) -> list[Protection]:
    """The six protections, in the order they are drawn, read off the course at the time the food is wanted.

    Args:
        case: the packing.

    Returns:
        Insects inside, insects outside, rodents, oxygen, damp, light.

    Source: common practice; `Course`.
    """
    shop = case.container.kind in (Kind.PACKET, Kind.BOX)
    return [
        _insects_inside(case),
        Protection("insects outside", not shop, "sealed" if not shop else "moths bite in"),
        _rodents(case),
        _oxygen(case),
        _damp(case),
        _light(case),
    ]


def _rodents(case: Case) -> Protection:
    """Mice and rats; plastic stops the mice only."""
    if case.outer:
        return Protection("rodents", True, "its outer")
    if case.container.stops_rodents:
        plastic = case.container.made_of not in (Material.GLASS, Material.STEEL)
        return Protection("rodents", True, "mice, not rats" if plastic else "its wall")
    return Protection("rodents", False, "needs an outer")


def _light(case: Case) -> Protection:
    """Light, which a dark wall stops if it is thick enough, and whatever stands round it."""
    thick = not case.container.has_film or case.container.film_mil >= THICK_MIL
    if thick and not case.container.lets_light_in:
        return Protection("light", True, "the wall")
    if case.outer:
        return Protection("light", True, "its outer")
    if case.dark:
        return Protection("light", True, "a dark place")
    return Protection("light", not case.oxygen_harms, "keep it dark" if case.oxygen_harms else "does it no harm")


def _damp(case: Case) -> Protection:
    """Damp: whether it shows before the food is wanted, and what lets it in."""
    if case.course.of.is_as_it_was_made:
        return Protection("damp", True, _MAKER)
    if case.stands_frozen:
        return Protection("damp", True, "the cold")
    lasts = case.moisture_ends[1]
    if lasts >= case.days and not case.is_lively:
        dry = case.course.of.climate.humidity <= case.course.of.texture.limit
        return Protection(
            "damp", True, "gel" if case.gel and case.course.of.gel_g else "a dry place" if dry else "the wall"
        )
    if lasts <= 0 or case.is_lively:
        return Protection("damp", False, "too moist")
    if case.is_opened and case.if_never_opened.moisture_ends[1] >= case.days:
        return Protection("damp", False, "opened too often")
    return Protection("damp", False, "wall lets it in")


def _insects_inside(case: Case) -> Protection:
    """Eggs and larvae that came with the food."""
    threat = "insects inside"
    if case.course.of.is_as_it_was_made:
        return Protection(threat, True, _MAKER)
    if not case.food.carries_insects:
        return Protection(threat, True, "none in it")
    if case.frozen:
        return Protection(threat, True, "frozen through")
    if case.stands_frozen:
        return Protection(threat, True, "the cold")
    if case.earth_is_rinsed_off:
        return Protection(threat, True, "diatomaceous earth")
    if not math.isinf(case.course.kills_in_days):
        return Protection(threat, True, "no oxygen")
    return Protection(threat, False, "freeze it first")


def _oxygen(case: Case) -> Protection:
    """Oxygen inside, and oxygen that comes back."""
    if not case.oxygen_harms:
        return Protection("oxygen", True, "does it no harm")
    if case.course.of.is_as_it_was_made:
        return Protection("oxygen", True, _MAKER)
    if case.closing is Closing.LID:
        return Protection("oxygen", False, "air inside")
    by = "absorbers" if case.closing is Closing.ABSORBER else "vacuum"
    if case.oxygen_back_days > 0 and case.oxygen_back_days >= case.days:
        return Protection("oxygen", True, by)
    return Protection("oxygen", False, _say_gap(case))


class Gap(StrEnum):
    """What leaves oxygen in a package, or lets it back before the food is wanted."""

    OPENINGS = "openings"
    PACKETS = "packets"
    VACUUM = "vacuum"
    WALL = "wall"


def oxygen_gap(case: Case) -> Gap:
    """What leaves oxygen in a package, or lets it back before the food is wanted.

    Source: its course, and the same if it were never opened.
    """
    shut = case.if_never_opened.oxygen_back_days
    if case.is_opened and shut > 0 and shut >= case.days:
        return Gap.OPENINGS
    left = case.course.of.vacuum_share
    if left is not None:
        # What leaves less than one per cent is undone by nothing but what comes in.
        return Gap.WALL if left <= NONE_LEFT or 0 < case.course.little_oxygen_days < case.days else Gap.VACUUM
    covered = case.oxygen_back_days > 0 or shut > 0 or case.packed_ml >= case.need_ml
    return Gap.WALL if covered else Gap.PACKETS


def _say_gap(case: Case) -> str:
    return {
        Gap.OPENINGS: "opened too often",
        Gap.PACKETS: "too few absorbers",
        Gap.VACUUM: f"{(case.course.of.vacuum_share or 0) * 100:.1f} % left in",
        Gap.WALL: "wall lets oxygen in",
    }[oxygen_gap(case)]
