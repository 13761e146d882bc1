"""The moisture in one container over the time it stands: when it shows, and what gel would do."""

from __future__ import annotations

import math
from collections.abc import Callable

import numpy as np

from yellow_larder.core.air import saturation_kpa, wall_m2
from yellow_larder.core.days import DAYS_PER_YEAR, say_span
from yellow_larder.core.keeping import Course, spoilt
from yellow_larder.core.moisture import FROZEN_C, MOULD_GROWS, TESTED_KPA, Spoils, Texture, gel_for_g, standard_units
from yellow_larder.features.packing.plan import MoistureInside, MoisturePoint
from yellow_larder.reference.walls import source_of

_MOST_PACKETS = 12
"""More packets of gel than this in one container is a wrong container. Source: our judgement."""

_POINTS = 49

_STAYS = {Spoils.SOFT: "crisp", Spoils.CLUMPS: "loose", Spoils.MOULD: "dry enough"}
ABOVE = {Spoils.SOFT: "soft above this", Spoils.CLUMPS: "clumps above this", Spoils.MOULD: "mould above this"}
"""What is said of the line that water activity must not pass."""


def moisture_inside(
    bare: Course, with_gel: Callable[[float], Course], horizon_years: float, *, gel: bool, gel_each_g: float, place: str
) -> tuple[Course, MoistureInside | None]:
    """The moisture in a package over the years, and the package with the gel that goes in.

    Args:
        bare: the package without gel.
        with_gel: the package with so many grams of gel.
        horizon_years: how long it is meant to keep.
        gel: whether gel goes in with it.
        gel_each_g: gel in one packet, g.
        place: the name of where it stands.

    Returns:
        The package as it is closed, and its moisture; none for what has no isotherm, or is too wet for any.
    """
    if bare.moisture is None:
        return bare, None
    days, texture = horizon_years * DAYS_PER_YEAR, bare.of.texture
    wanted = gel_for_g(bare.moisture, texture.limit, days)
    packets = None if wanted is None else math.ceil(wanted / gel_each_g - 1e-9)
    sensible = packets is not None and packets <= _MOST_PACKETS
    put_in = (max(1, packets) if packets is not None and sensible else _MOST_PACKETS) if gel else 0
    within = with_gel(put_in * gel_each_g) if put_in else bare
    balance = within.moisture
    assert balance is not None
    at = np.linspace(0, max(days, DAYS_PER_YEAR / 2), _POINTS)
    course = np.stack([at, *balance.after(at)], axis=1).round(4)
    ends, lasts = spoilt(within)
    return within, MoistureInside(
        course=[MoisturePoint(*row) for row in course.tolist()],
        starts=round(float(balance.start()[0]), 3),
        limit=texture.limit,
        above=ABOVE[texture.spoils],
        stays=_STAYS[texture.spoils],
        ends=ends,
        ends_days=None if math.isinf(lasts) else lasts,
        gel_packets=put_in,
        gel_each_g=gel_each_g,
        gel_wanted=packets if sensible else None,
        units=_units(within, days),
        says=_says(within, lasts, days, packets if sensible else None, gel_each_g, place),
        source=f"{source_of(bare.of.container)}; {texture.source}",
    )


def _units(course: Course, days: float) -> float:
    """What the packaging standard would put in."""
    _, tight, leaky = course.of.walls.vapor
    here = saturation_kpa(course.store_c) * course.of.climate.humidity / TESTED_KPA
    face = (tight.face_g + leaky.face_g) / 2 * here
    return round(standard_units(wall_m2(course.of.container), face, min(days, 36_525), 0.4), 2)


def _says(course: Course, lasts: float, days: float, wanted: int | None, each_g: float, place: str) -> str:
    texture, gel_g = course.of.texture, course.of.gel_g
    word = _STAYS[texture.spoils]
    with_gel = f" with {gel_g:g} g of gel" if gel_g else ""
    if course.of.climate.warmest_c <= FROZEN_C:
        return f"Stays as it is while it is frozen{with_gel}."
    if lasts <= 0 or _starts_above(course, texture):
        return f"Not {word} when it is closed{with_gel}: dry it further."
    if math.isinf(lasts):
        dry = course.of.climate.humidity <= texture.limit
        long = f"good{with_gel}: the air of {place} is dry enough" if dry else f"decades{with_gel}"
        return f"Stays {word} for {long}."
    if lasts >= days:
        more = "more than 40 years" if lasts > 40 * DAYS_PER_YEAR else f"about {say_span(lasts)}"
        return f"Stays {word} for {more}{with_gel}."
    says = f"Stays {word} for about {say_span(lasts)}{with_gel}"
    if gel_g or wanted is None:
        return f"{says}. A tighter wall, a drier place or opening it less often would stretch that."
    return f"{says}; {wanted} × {each_g:g} g of gel would hold it for the whole time."


def _starts_above(course: Course, texture: Texture) -> bool:
    start, warmest = course.start_activity, course.warmest_activity
    lively = warmest is not None and warmest > MOULD_GROWS
    return lively or (start is not None and start > texture.limit)
