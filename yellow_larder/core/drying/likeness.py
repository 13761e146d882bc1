"""Fresh food that no table has: what is known of it, and the rest as of what it is most like."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from yellow_larder.core.drying.drying_time import expected_hours
from yellow_larder.core.drying.produce import Produce
from yellow_larder.core.errors import check_range

KNOWN_OF_PRODUCE = {
    "fresh_water_pct": (20.0, 98.0, "%"),
    "thickness_mm": (0.5, 60.0, "mm"),
    "air_c": (20.0, 80.0, "°C"),
    "hours_low": (0.5, 400.0, "hours"),
    "hours_high": (0.5, 400.0, "hours"),
    "unit_g": (0.1, 20_000.0, "g"),
}
"""Figures of a fresh food that a person may know, and what they can be: least, most, unit.

Source: our judgement, wider than every row of the table.
"""


def likened(like: Produce, known: Mapping[str, float], *, key: str, name: str, cut: str, dried: str) -> Produce:
    """A fresh food from what is known of it and what it is most like.

    Hours that are not known follow from those of its likeness, cut as thick and dried as warm as this one is. A warmth
    that its likeness would not have widens the warmth that suits it by as much and no more.

    Args:
        like: what it is most like.
        known: figures that are known, by the names and in the ranges of `KNOWN_OF_PRODUCE`.
        key: short name.
        name: what it is called.
        cut: how it is cut; empty for as its likeness.
        dried: key of the food it becomes.

    Returns:
        The fresh food, with the names of the figures that were taken. It is counted only if a piece was weighed.

    Raises:
        OutOfRange: a figure cannot be that of food, or the longest it takes is less than the shortest.

    Source: our judgement; hours by `expected_hours`.
    """
    for figure, (low, high, unit) in KNOWN_OF_PRODUCE.items():
        if figure in known:
            check_range(figure, known[figure], low, high, unit)
    thickness_mm, air_c = known.get("thickness_mm", like.thickness_mm), known.get("air_c", like.air_c)
    hours_low, hours_high = _hours(like, known, thickness_mm, air_c)
    return replace(
        like,
        key=key,
        name=name,
        cut=cut or like.cut,
        aliases=(),
        dried=dried,
        fresh_water_pct=known.get("fresh_water_pct", like.fresh_water_pct),
        thickness_mm=thickness_mm,
        air_c=air_c,
        low_c=min(like.low_c, air_c),
        high_c=max(like.high_c, air_c),
        hours_low=hours_low,
        hours_high=hours_high,
        load_g_m2=like.load_g_m2 * thickness_mm / like.thickness_mm,
        unit="piece" if "unit_g" in known else "",
        unit_g=known.get("unit_g", 0.0),
        source=f"the household's own figures, what is not known as {like.name}" if known else f"as {like.name}",
        taken=frozenset(KNOWN_OF_PRODUCE).difference(known),
    )


def _hours(like: Produce, known: Mapping[str, float], thickness_mm: float, air_c: float) -> tuple[float, float]:
    """The shortest and the longest it takes; of one that is known, the other is as far off as its likeness has it."""
    low, high = known.get("hours_low"), known.get("hours_high")
    spread = like.hours_high / like.hours_low
    if low is None and high is None:
        # The room that the table's hours are for: nothing but the cut and the warmth is to count here.
        likely = expected_hours(like, thickness_mm=thickness_mm, air_c=air_c, room_c=20, humidity=0.5)
        times = likely.thickness * likely.air
        return like.hours_low * times, like.hours_high * times
    low = high / spread if low is None and high is not None else low or 0.0
    high = low * spread if high is None else high
    return low, check_range("hours_high", high, low, KNOWN_OF_PRODUCE["hours_high"][1], "hours")
