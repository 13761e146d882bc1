"""Drying with warm air: what there is to come off, how long it will take, and when it is dry."""

from __future__ import annotations

import math
from enum import StrEnum

from yellow_larder.core.air import GAS_J_MOL_K, saturation_kpa
from yellow_larder.core.drying.drying_curve import BAND_SD, Hours
from yellow_larder.core.drying.produce import Produce
from yellow_larder.core.errors import check_range

_TABLE_ROOM_C, _TABLE_HUMIDITY = 20.0, 0.5
"""The room that hours in the table of drying are taken to be for. Source: our judgement."""

_THICKNESS_DOUBT = 0.3
"""How much the logarithm of the hours is in doubt for each e-fold of unusual thickness. Source: our judgement: time
goes with the square where water moves inside, and with the first power where it leaves the face."""


def drying_potential_kpa(air_c: float, *, room_c: float, humidity: float) -> float:
    """How much more vapour the warmed air could hold: what pulls the water out.

    Args:
        air_c: air at the food, °C, 0–95.
        room_c: the room it is drawn from, °C, −10–45.
        humidity: relative humidity there, 0–1.

    Returns:
        Vapour pressure missing to saturation, kPa; never below zero.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> round(drying_potential_kpa(57, room_c=20, humidity=0.5), 1)
        16.2

    Source: psychrometrics: warming air leaves its vapour pressure as it is.
    """
    check_range("air_c", air_c, 0, 95, "°C")
    check_range("temperature_c", room_c, -10, 45, "°C")
    check_range("humidity", humidity, 0, 1, "")
    return max(0.0, saturation_kpa(air_c) - humidity * saturation_kpa(room_c))


def humidity_at(air_c: float, *, room_c: float, humidity: float) -> float:
    """Relative humidity of a room's air once it is warmed, 0–1.

    Args and errors as for `drying_potential_kpa`.

    Example:
        >>> round(humidity_at(52, room_c=20, humidity=0.5), 3)
        0.086

    Source: psychrometrics.
    """
    missing = drying_potential_kpa(air_c, room_c=room_c, humidity=humidity)
    return 1 - missing / saturation_kpa(air_c)


_OUTSIDE_MM = 8.0
"""Thickness of a piece whose inside holds its water back as much as the air in front of a fan does. Source: our
judgement from the hours of thin and thick pieces in extension tables."""

_INSIDE_KJ_MOL = 30.0
"""How fast water moves inside food as it warms: activation energy, kJ/mol. Source: 20–40 in the drying literature, from
memory."""

_SKIN = 3.0
"""How many times longer water takes from the inside through a whole skin. Source: our judgement on whole peppers
against chopped ones."""

_BUNCH_MM, _BUNCHED = 2.0, 5.0
"""Leaves and sprigs up to so thick hang in bunches, which dry so many times slower than one by one. Source: bunches
take one to three weeks in a dry room (common practice)."""


def expected_hours(
    produce: Produce,
    *,
    thickness_mm: float,
    air_c: float,
    room_c: float,
    humidity: float,
    slower: float = 1.0,
    opened: bool = True,
    hung: bool = False,
) -> Hours:
    """Hours before anything is weighed, from the table, the thickness and today's air.

    Two resistances stand one behind the other: the air's, which goes with the water there is and against the drying
    potential, and the food's own, which goes with the square of the thickness and falls with warmth.

    Args:
        produce: the food and its row of the table.
        thickness_mm: how thick it is cut, mm, 0.2–60.
        air_c: air at the food, °C, 0–95.
        room_c: the room, °C, −10–45.
        humidity: relative humidity there, 0–1.
        slower: how many times longer this air takes than a fan's, 0.5–20.
        opened: whether a skin was pierced, halved or peeled.
        hung: whether it hangs, leaves and sprigs in bunches.

    Returns:
        The range, with its factors: together they make up how many times longer it takes than the table has it.

    Raises:
        OutOfRange: an argument is outside the range above, or the air is too damp to dry anything.

    Source: hours of the table; resistances in series, see `_OUTSIDE_MM`; diffusion in a slab; Arrhenius.
    """
    check_range("thickness_mm", thickness_mm, 0.2, 60, "mm")
    check_range("slower", slower, 0.5, 20, "")
    here = drying_potential_kpa(air_c, room_c=room_c, humidity=humidity)
    check_range("drying_potential_kpa", here, 0.1, 100, "kPa")
    table = drying_potential_kpa(produce.air_c, room_c=_TABLE_ROOM_C, humidity=_TABLE_HUMIDITY)
    bunched = _BUNCHED if hung and produce.thickness_mm <= _BUNCH_MM else 1.0
    # A skin is as good as so much more of the food.
    deep = produce.thickness_mm * (_SKIN if produce.skin else 1.0)
    outside, inside = _OUTSIDE_MM / (_OUTSIDE_MM + deep), deep / (_OUTSIDE_MM + deep)
    thicker = thickness_mm / produce.thickness_mm
    warm = math.exp(_INSIDE_KJ_MOL * 1000 / GAS_J_MOL_K * (1 / (air_c + 273.15) - 1 / (produce.air_c + 273.15)))
    whole = _SKIN if produce.skin and not opened else 1.0

    def times(air: float, warm: float, still: float, whole: float) -> float:
        return outside * thicker * air * still + inside * thicker**2 * warm * whole

    steps = [
        times(1, 1, 1, 1),
        times(table / here, warm, 1, 1),
        times(table / here, warm, slower * bunched, 1),
        times(table / here, warm, slower * bunched, whole),
    ]
    middle = math.sqrt(produce.hours_low * produce.hours_high) * steps[-1]
    doubt = math.hypot(
        math.log(produce.hours_high / produce.hours_low) / (2 * BAND_SD),
        _THICKNESS_DOUBT * abs(math.log(thicker)),
        0.15 if slower > 1 else 0.0,
    )
    low, high = (middle * math.exp(n * BAND_SD * doubt) for n in (-1, 1))
    return Hours(
        low,
        middle,
        high,
        thickness=steps[0],
        air=steps[1] / steps[0],
        still=steps[2] / steps[1],
        skin=steps[3] / steps[2],
    )


class Believe(StrEnum):
    """What a test at the tray comes to."""

    DRY = "dry"
    WEIGHT = "weight"
    """It feels dry and weighs too much: the weight is right."""
    HAND = "hand"
    """It weighs little enough and feels moist: the hand is right."""
    WET = "wet"


def believe(*, feels_dry: bool, moisture_pct: float, target_pct: float, slack_pct: float = 2.0) -> Believe:
    """Which of hand and scale to believe: whichever says that it is still wet.

    Args:
        feels_dry: whether cooled pieces from the middle feel as they should.
        moisture_pct: moisture by weight, wet basis, %, 0–98.
        target_pct: moisture aimed at, %.
        slack_pct: how far above the target still counts: food differs by about that much in its water.

    Returns:
        What to believe.

    Raises:
        OutOfRange: the moisture is outside the range above.

    Example:
        >>> believe(feels_dry=True, moisture_pct=14, target_pct=8).value
        'weight'

    Source: common practice: dry until dry. Erring to the wet side moulds, erring to the dry side costs nothing.
    """
    check_range("moisture_pct", moisture_pct, 0, 98, "%")
    light = moisture_pct <= target_pct + slack_pct
    if feels_dry:
        return Believe.DRY if light else Believe.WEIGHT
    return Believe.HAND if light else Believe.WET


def energy_kwh(watts: float, duty: float, hours: float) -> float:
    """Energy a dryer uses.

    Args:
        watts: its rating, W, 0–20,000.
        duty: share of the time its heater is on, 0–1.
        hours: how long it runs, 0–2,000.

    Returns:
        kWh.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> energy_kwh(500, 0.6, 10)
        3.0

    Source: proportion.
    """
    check_range("watts", watts, 0, 20_000, "W")
    check_range("duty", duty, 0, 1, "")
    return watts * duty * check_range("hours", hours, 0, 2000, "hours") / 1000


def water_back_g(wet_g: float, dry_g: float) -> float:
    """Water that was taken out of a food, and is put back before it is cooked.

    Args:
        wet_g: weight before drying, g, 0–10,000,000.
        dry_g: weight after it, g, up to that before.

    Returns:
        Grams, or mL.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        A can of beans, 8 oz drained and 2½ oz dried, wants 5½ oz back:

        >>> water_back_g(8 * 28.35, 2.5 * 28.35) / 28.35
        5.5

    Source: weighing wet and dry, common practice.
    """
    check_range("wet_g", wet_g, 0, 1e7, "g")
    return wet_g - check_range("dry_g", dry_g, 0, wet_g, "g")
