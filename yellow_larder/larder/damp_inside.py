"""The damp in one container over the time it stands: when it goes soft, when mould could grow, what gel would do."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from yellow_larder.core.air import saturation_kpa
from yellow_larder.core.breathing import wall_m2
from yellow_larder.core.containers import Container, closed_volume_ml
from yellow_larder.core.desiccant import GOES_SOFT, TESTED_KPA, Damp, gel_for_g, standard_units
from yellow_larder.core.foods import Food, Trait
from yellow_larder.core.moisture import MOULD_GROWS, Isotherm
from yellow_larder.larder.air_inside import say_span
from yellow_larder.larder.asking import Opened
from yellow_larder.larder.plan import DampInside, DampPoint
from yellow_larder.reference import DAYS_PER_YEAR, vapor_walls, walls
from yellow_larder.reference.drying import isotherm_of
from yellow_larder.store.models import Place

_OPENINGS_A_DAY = {Opened.NEVER: 0.0, Opened.WEEKLY: 1 / 7, Opened.DAILY: 1.0}
_MOST_PACKETS = 12
"""More packets of gel than this in one container is a wrong container. Source: our judgement."""

_POINTS = 49


def store_c(place: Place) -> float:
    """The mean of a place, °C, within what the sums hold for."""
    return min(max(place.mean_c, -20.0), 50.0)


def is_crisp(food: Food) -> bool:
    """Whether it is spoilt by going soft or clumping, long before anything grows.

    Source: common practice: home-dried and freeze-dried food that is not sticky, powders and flours.
    """
    crisp = food.traits & {Trait.HOME_DRIED, Trait.FREEZE_DRIED, Trait.POWDERY}
    return bool(crisp) and not food.traits & {Trait.STICKY, Trait.SUGAR_LIKE, Trait.SALT_LIKE}


@dataclass(frozen=True, slots=True)
class Standing:
    """What stands where: a container with its food, and how often it is opened."""

    food: Food
    isotherm: Isotherm
    container: Container
    mass_g: float
    moisture_pct: float
    place: Place
    opened: Opened
    waxed: bool = False

    @property
    def limit(self) -> float:
        """The water activity that must not be passed."""
        return GOES_SOFT if is_crisp(self.food) else MOULD_GROWS

    def damp(self, gel_g: float) -> Damp:
        """One like it for the middle of what its wall lets through, one for the tightest, one for the leakiest."""
        area, (tight, leaky) = wall_m2(self.container), vapor_walls()[self.container.kind]
        if self.waxed:
            tight, leaky = tight.waxed(), leaky.waxed()
        low, high = (each.lets_in_g_day_kpa(area) for each in (tight, leaky))
        # Food is poured or stirred each time: all the air among it is new. Source: our judgement.
        aired = _OPENINGS_A_DAY[self.opened] * closed_volume_ml(self.container)
        return Damp(
            self.isotherm,
            np.full(3, self.mass_g),
            np.full(3, self.moisture_pct),
            np.full(3, gel_g),
            np.array([math.sqrt(low * high) if low else high / 2, low, high]),
            np.full(3, aired),
            store_c(self.place),
            min(max(self.place.humidity, 0.02), 0.98),
        )


def damp_inside(standing: Standing, horizon_years: float, *, gel: bool, gel_each_g: float) -> DampInside:
    """The damp in a container over the years.

    Args:
        standing: what stands where.
        horizon_years: how long it is meant to keep.
        gel: whether gel goes in with it.
        gel_each_g: gel in one packet, g.
    """
    days, bare = horizon_years * DAYS_PER_YEAR, standing.damp(0)
    wanted = gel_for_g(bare, standing.limit, days)
    packets = None if wanted is None else math.ceil(wanted / gel_each_g - 1e-9)
    sensible = packets is not None and packets <= _MOST_PACKETS
    put_in = (max(1, packets) if packets is not None and sensible else _MOST_PACKETS) if gel else 0
    within = standing.damp(put_in * gel_each_g) if put_in else bare
    softens = float(within.days_until(GOES_SOFT)[0]) if is_crisp(standing.food) else math.inf
    moulds = float(within.days_until(MOULD_GROWS)[0])
    at = np.linspace(0, max(days, DAYS_PER_YEAR / 2), _POINTS)
    course = np.stack([at, *within.after(at)], axis=1).round(4)
    tight, leaky = vapor_walls()[standing.container.kind]
    face = (tight.face_g + leaky.face_g) / 2 * _in_this_climate(bare)
    return DampInside(
        course=[DampPoint(*row) for row in course.tolist()],
        starts=round(float(within.start()[0]), 3),
        limit=standing.limit,
        crisp=is_crisp(standing.food),
        softens_days=None if math.isinf(softens) else softens,
        moulds_days=None if math.isinf(moulds) else moulds,
        gel_packets=put_in,
        gel_each_g=gel_each_g,
        gel_wanted=packets if sensible else None,
        units=round(standard_units(wall_m2(standing.container), face, min(days, 36_525), 0.4), 2),
        says=_says(standing, softens, moulds, days, put_in * gel_each_g, packets if sensible else None, gel_each_g),
        source=walls()[standing.container.kind].source,
    )


def _in_this_climate(damp: Damp) -> float:
    """What a wall lets in here for each gram it lets in when it is tested."""
    return saturation_kpa(damp.temperature_c) * damp.humidity / TESTED_KPA


def _says(
    standing: Standing, softens: float, moulds: float, days: float, gel_g: float, wanted: int | None, each_g: float
) -> str:
    ends, word = (softens, "crisp") if is_crisp(standing.food) else (moulds, "dry enough")
    with_gel = f" with {gel_g:g} g of gel" if gel_g else ""
    if ends <= 0:
        return f"Not {word} when it is closed{with_gel}: dry it further."
    if math.isinf(ends):
        return f"Stays {word} for good{with_gel}: the air of {standing.place.name} is dry enough."
    if ends >= days:
        more = "more than 40 years" if ends > 40 * DAYS_PER_YEAR else f"about {say_span(ends)}"
        return f"Stays {word} for {more}{with_gel}."
    says = f"Stays {word} for about {say_span(ends)}{with_gel}"
    if gel_g or wanted is None:
        return f"{says}. A tighter wall, a drier place or opening it less often would stretch that."
    return f"{says}; {wanted} × {each_g:g} g of gel would hold it for the whole time."


def water_activity(food: Food, moisture_pct: float, place: Place) -> float | None:
    """Water activity where it will stand, at its warmest; none for sugar and salt, and beyond what isotherms tell."""
    isotherm = isotherm_of(food)
    warmest = place.mean_c + place.swing_c
    if isotherm is None or not 0 <= moisture_pct <= 60 or not -20 <= warmest <= 70:
        return None
    return float(isotherm.water_activity(np.array(moisture_pct), warmest))
