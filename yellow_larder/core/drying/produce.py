"""Fresh food that is dried, how it is cut, and what goes on the trays together."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from statistics import median

from yellow_larder.core.errors import check_range


class Air(StrEnum):
    """What dries the food."""

    MACHINE = "machine"
    OVEN = "oven"
    SUN = "sun"
    HANGING = "hanging"


class Treatment(StrEnum):
    """What is done to the food before it is laid out."""

    BLANCHED = "blanched"
    LEMON = "lemon"
    PIERCED = "pierced"
    HEATED = "heated"


class DryTest(StrEnum):
    """How a food feels when it is dry, cooled."""

    SNAPS = "snaps"
    LEATHER = "leather"
    CRUMBLES = "crumbles"
    HARD = "hard"
    JERKY = "jerky"


@dataclass(frozen=True, slots=True)
class DryWords:
    """How a dry test is told: what it is when dry, what when not, and how it is done."""

    dry: str
    not_dry: str
    says: str


TEST_WORDS = {
    DryTest.SNAPS: DryWords("it snaps", "it bends", "It snaps when it is bent, and pings when it is dropped."),
    DryTest.LEATHER: DryWords(
        "leathery, not sticky",
        "sticky or moist",
        "It bends like leather and does not stick. Torn apart, it shows no drop.",
    ),
    DryTest.CRUMBLES: DryWords("it crumbles", "it wilts", "It crumbles between two fingers; stalks break."),
    DryTest.HARD: DryWords(
        "hard, and rings", "it gives", "It is hard all through, and rings when it falls on a plate."
    ),
    DryTest.JERKY: DryWords("cracks, holds on", "soft or raw", "It cracks when it is bent, and does not break in two."),
}
"""How each test is told. Source: common practice."""


@dataclass(frozen=True, slots=True)
class Produce:
    """A fresh food, cut in one way, and how it is dried.

    Attributes:
        key: short name.
        name: what it is called, "apples".
        cut: how it is cut, "rings".
        aliases: other names for it.
        dried: key of the food it becomes.
        fresh_water_pct: water in it before drying, %.
        thickness_mm: how thick it is usually cut.
        air_c: air that suits it, °C.
        low_c: coolest air that still dries it well, °C.
        high_c: warmest air that does not spoil it, °C.
        hours_low: the shortest it usually takes at that thickness and air.
        hours_high: the longest.
        load_g_m2: what lies on a square metre in one layer with gaps, g.
        unit: what it is counted in, "apple", "can"; may be empty.
        unit_g: what one of those weighs, peeled and drained, g.
        wants: treatment it wants.
        skin: whether it has a skin that water does not pass.
        strong: whether its smell goes into all else.
        outdoors: whether its smell is one for outdoors.
        animal: whether it is "meat" or "poultry"; empty if neither.
        test: how it feels when it is dry.
        source: where the row comes from.
        taken: of one of the household's own, the figures that are those of what it is like.
    """

    key: str
    name: str
    cut: str
    aliases: tuple[str, ...]
    dried: str
    fresh_water_pct: float
    thickness_mm: float
    air_c: float
    low_c: float
    high_c: float
    hours_low: float
    hours_high: float
    load_g_m2: float
    unit: str
    unit_g: float
    wants: frozenset[Treatment]
    skin: bool
    strong: bool
    outdoors: bool
    animal: str
    test: DryTest
    source: str
    taken: frozenset[str] = frozenset()


@dataclass(frozen=True, slots=True)
class Setting:
    """One temperature for a load, and what it does not suit.

    Attributes:
        air_c: the temperature, °C.
        apart: keys of produce that this air does not suit.
    """

    air_c: float
    apart: tuple[str, ...]


def one_temperature(load: Sequence[Produce], *, low_c: float, high_c: float, step_c: float) -> Setting:
    """The one temperature that suits a mixed load: the middle of what each would have, where all can bear it.

    Args:
        load: the foods, at least one.
        low_c: the coolest the dryer holds, °C.
        high_c: the warmest, °C.
        step_c: steps of its dial, °C, 0 for none.

    Returns:
        The temperature, and the foods that cannot bear it: then they should not dry together.

    Raises:
        OutOfRange: there is nothing in the load.

    Source: common practice: a mixed load at 54 °C, between vegetables at 52 and fruit at 57.
    """
    check_range("load", len(load), 1, 1000, "foods")
    wanted = sum(each.air_c for each in load) / len(load)
    low, high = max(each.low_c for each in load), min(each.high_c for each in load)
    # Where no air suits all, most of the load decides; the rest dries another day.
    wanted = min(max(wanted, low), high) if low <= high else median(each.air_c for each in load)
    air_c = min(max(wanted, low_c), high_c)
    if step_c:
        air_c = min(max(round(air_c / step_c) * step_c, low_c), high_c)
    half = step_c / 2
    apart = tuple(each.key for each in load if not each.low_c - half <= air_c <= each.high_c + half)
    return Setting(air_c, apart)


def shared_over_trays(areas_m2: Sequence[float], tray_m2: float, trays: int) -> list[int]:
    """How many trays each food gets: enough for one layer, whole trays, the leanest share of the last ones.

    Args:
        areas_m2: area each food wants in one layer, m², above 0.
        tray_m2: area of a tray, m², above 0.
        trays: how many there are.

    Returns:
        Trays by food; where they are too few, some foods get fewer than they want, and none gets none while others
        have more than one.

    Raises:
        OutOfRange: an area is not above zero, or there are fewer trays than foods.

    Example:
        >>> shared_over_trays([0.3, 0.1], 0.1, 5), shared_over_trays([0.3, 0.3], 0.1, 4)
        ([3, 1], [2, 2])

    Source: arithmetic; what is left over goes to where a tray carries most.
    """
    check_range("tray_m2", tray_m2, 1e-4, 100, "m²")
    check_range("trays", trays, len(areas_m2), 1000, "trays")
    wants = [math.ceil(check_range("area_m2", area, 1e-9, 1e4, "m²") / tray_m2 - 1e-9) for area in areas_m2]
    got = [1] * len(wants)
    while sum(got) < min(trays, sum(wants)):
        fullest = max((n for n in range(len(wants)) if got[n] < wants[n]), key=lambda n: areas_m2[n] / got[n])
        got[fullest] += 1
    return got
