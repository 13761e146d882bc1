"""Freeze-drying: what may go in together, how long it takes, when it is dry, and how soon it must be closed."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from yellow_larder.core.errors import OutOfRange, check_range
from yellow_larder.core.finding import MEAT_HEATED, POULTRY_HEATED, Amount, Finding, Severity, Unit, gravest_first

FAT_MIND_PCT, FAT_STOP_PCT = 10.0, 30.0
"""Fat of the food as it goes in: above the first it keeps for less long, above the second it does not dry.

Source: fat holds no water and does not freeze-dry (common practice); where the lines lie is our judgement."""

AGREE_G_PER_KG, AGREE_HOURS = 2.0, 2.0
"""Two weighings this far apart agree within so many grams a kilogram of dry food.

Source: weighed two hours apart, common practice; two grams a kilogram is what the scale at home tells apart."""

_FREEZE_HOURS_FRESH, _FREEZE_HOURS_FROZEN = 9.0, 1.5
_EXTRA_HOURS = 2.0
"""Hours the chamber takes to freeze a fresh load, to chill one that is frozen, and of extra drying that is usual.

Source: common practice."""

_LAYER_HOURS, _BOUND_HOURS = 24.0, 6.0
"""Hours a full layer takes however strong the pump, since vapour has to come through what is dry already; and hours for
the water that never froze, bound to the solids, to leave a full layer. Source: full loads of 20 to 40 hours at home,
common practice; how they are parted is our judgement."""

_UPTAKE_HOURS = 7.0
"""Time constant of dry pieces taking water from still air on a tray, hours.

Source: our judgement, from pieces that go soft within an hour or two of a damp kitchen (common practice)."""

_MAY_RISE_PCT = 1.0
"""Points of moisture that may come back before it is closed. Source: our judgement: 2–3 % becomes 3–4 %, still far
below the ten-per-cent line, and still crisp."""


LAYER_G_M2 = 10_000.0
"""What a square metre of tray carries in a layer that dries through, g. Source: 2–3 kg on four trays of the small
machines, common practice."""


@dataclass(frozen=True, slots=True)
class Tray:
    """What lies of one food: its weight, its water and fat, %, whether it is frozen already, and raw meat or egg."""

    mass_g: float
    water_pct: float
    fat_pct: float
    frozen: bool
    name: str = ""
    raw: bool = False


@dataclass(frozen=True, slots=True)
class Phases:
    """Hours of each phase, and the water that becomes ice on the wall, g."""

    water_g: float
    freezing: float
    drying_low: float
    drying_high: float
    extra: float


def is_mixed(trays: Sequence[Tray]) -> bool:
    """Whether fresh and frozen lie together: the fresh would thaw the frozen, and both boil.

    Example:
        >>> is_mixed([Tray(500, 85, 0, True), Tray(500, 85, 0, False)])
        True

    Source: common practice.
    """
    return len({tray.frozen for tray in trays}) > 1


def judge_freeze_load(trays: Sequence[Tray], *, ice_g: float) -> list[Finding]:
    """What there is to say about a load for the freeze dryer, the gravest first.

    Args:
        trays: what goes in.
        ice_g: ice the chamber's wall holds, g.

    Returns:
        Findings, stops before minds.

    Source: each finding names its own.
    """
    found = [finding for tray in trays for finding in (*_fat(tray), *_raw(tray))]
    if is_mixed(trays):
        found.append(
            Finding(
                Severity.STOP,
                "mixed-load",
                "All frozen or all fresh, never both",
                "The fresh trays thaw the frozen ones while the chamber cools; what thaws boils over in the vacuum. "
                "Freeze the fresh ones overnight, on their trays.",
                "common practice",
            )
        )
    elif trays and not trays[0].frozen:
        found.append(
            Finding(
                Severity.MIND,
                "freeze-first",
                "Freeze it on its trays overnight first",
                "The chamber can freeze it, but takes most of a working day over it, at its full current.",
                "common practice",
            )
        )
    water = water_g(trays)
    if water > ice_g:
        found.append(
            Finding(
                Severity.STOP,
                "too-much-ice",
                "More water than the chamber's wall holds as ice",
                "The drain freezes up and the load stays wet. Take a tray out.",
                "the machine's own figure",
                "{water} of water; {ice} of ice at the most",
                {"water": Amount(water, Unit.GRAM), "ice": Amount(ice_g, Unit.GRAM)},
            )
        )
    return gravest_first(found)


def _fat(tray: Tray) -> list[Finding]:
    check_range("fat_pct", tray.fat_pct, 0, 100, "%")
    if tray.fat_pct <= FAT_MIND_PCT:
        return []
    stop = tray.fat_pct > FAT_STOP_PCT
    return [
        Finding(
            Severity.STOP if stop else Severity.MIND,
            "too-fat" if stop else "fatty",
            f"{tray.name.capitalize()}: {'fat does not freeze-dry' if stop else 'fat shortens its keeping'}",
            "Fat holds no water to draw off; it stays greasy, and turns rancid within months.",
            "common practice",
            f"{tray.fat_pct:.0f} % fat",
        )
    ]


def _raw(tray: Tray) -> list[Finding]:
    if not tray.raw:
        return []
    return [
        Finding(
            Severity.MIND,
            "still-raw",
            f"{tray.name.capitalize()} stays raw: mark it, and cook it through before anybody eats it",
            "Cold and vacuum kill no germs. Meat must reach {meat}, poultry {poultry}. Your local "
            "food-safety authority has the last word.",
            "US extension advice, from memory",
            amounts={"meat": MEAT_HEATED, "poultry": POULTRY_HEATED},
        )
    ]


def water_g(trays: Sequence[Tray], end_pct: float = 2.5) -> float:
    """Water that has to leave, g.

    Args:
        trays: what goes in.
        end_pct: moisture in the end, wet basis, %, 0–10.

    Returns:
        Grams.

    Raises:
        OutOfRange: an argument is outside the range above, or a tray's figures are.

    Example:
        >>> round(water_g([Tray(1000, 85, 0, True)]))
        846

    Source: mass balance on the solids.
    """
    check_range("end_pct", end_pct, 0, 10, "%")
    gone = 0.0
    for tray in trays:
        check_range("mass_g", tray.mass_g, 0, 1e6, "g")
        check_range("water_pct", tray.water_pct, 0, 99.9, "%")
        gone += max(0.0, tray.mass_g - tray.mass_g * (100 - tray.water_pct) / (100 - end_pct))
    return gone


def phases(trays: Sequence[Tray], *, ice_g: float, g_per_hour: float, layer: float = 1.0) -> Phases:
    """Hours from closing the door to extra dry.

    Args:
        trays: what goes in, all frozen or all fresh.
        ice_g: ice the chamber's wall holds, g, above 0.
        g_per_hour: water it draws off in an hour with full trays, g/h, 10–5,000.
        layer: how thick the thickest layer is, as a share of one that dries through, 0–1.

    Returns:
        The phases.

    Raises:
        OutOfRange: there is more water than the wall holds as ice, or a figure is outside the range above.

    Source: water over the rate of sublimation, or the square of the layer where that takes longer; then the bound
        water, in proportion to the layer; 15 % to either side, by our judgement; see the constants.
    """
    check_range("g_per_hour", g_per_hour, 10, 5000, "g/h")
    water = water_g(trays)
    if water > ice_g:
        raise OutOfRange("water_g", round(water), 0, ice_g, "g")
    check_range("layer", layer, 0, 1, "")
    hours = max(water / g_per_hour, _LAYER_HOURS * layer**2) + _BOUND_HOURS * layer
    freezing = _FREEZE_HOURS_FROZEN if trays and all(tray.frozen for tray in trays) else _FREEZE_HOURS_FRESH
    return Phases(water, freezing, hours * 0.85, hours * 1.15, _EXTRA_HOURS)


def agree(first_g: float, second_g: float, hours_apart: float) -> bool:
    """Whether two weighings say that nothing more leaves.

    Args:
        first_g: the earlier weight, g, above 0.
        second_g: the later one, g.
        hours_apart: hours between them.

    Returns:
        True if they are two hours apart and the same but for what the scale does not tell apart.

    Raises:
        OutOfRange: a weight is not above zero.

    Example:
        >>> agree(412, 411.5, 2), agree(412, 411.5, 1), agree(412, 405, 3)
        (True, False, False)

    Source: see `AGREE_G_PER_KG`.
    """
    check_range("first_g", first_g, 0.1, 1e6, "g")
    check_range("second_g", second_g, 0.1, 1e6, "g")
    return hours_apart >= AGREE_HOURS and abs(first_g - second_g) <= max(1.0, AGREE_G_PER_KG * first_g / 1000)


def pack_within_hours(dry_pct: float, *, room_moisture_pct: float) -> float:
    """How long dry food may lie open before it has drunk too much of the room.

    Args:
        dry_pct: its moisture as it comes out, wet basis, %, 0–10.
        room_moisture_pct: moisture it would come to in the room's air, wet basis, %, 0–60.

    Returns:
        Hours; infinite in a room that does not wet it.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        In a kitchen at 55 % humidity, where it would end at 12 %:

        >>> round(pack_within_hours(2.5, room_moisture_pct=12) * 60)
        47

    Source: uptake in proportion to what is missing; see `_UPTAKE_HOURS` and `_MAY_RISE_PCT`.
    """
    check_range("dry_pct", dry_pct, 0, 10, "%")
    check_range("room_moisture_pct", room_moisture_pct, 0, 60, "%")
    missing = room_moisture_pct - dry_pct
    if missing <= _MAY_RISE_PCT:
        return math.inf
    return -_UPTAKE_HOURS * math.log(1 - _MAY_RISE_PCT / missing)


def moisture_after_pct(dry_pct: float, hours: float, *, room_moisture_pct: float) -> float:
    """Moisture after lying open, wet basis, %.

    Args and errors as for `pack_within_hours`; hours 0 or more.

    Example:
        >>> round(moisture_after_pct(2.5, 2, room_moisture_pct=12), 1)
        4.9

    Source: see `pack_within_hours`.
    """
    check_range("dry_pct", dry_pct, 0, 10, "%")
    check_range("room_moisture_pct", room_moisture_pct, 0, 60, "%")
    check_range("hours", hours, 0, 1e5, "hours")
    return room_moisture_pct + (dry_pct - room_moisture_pct) * math.exp(-hours / _UPTAKE_HOURS)
