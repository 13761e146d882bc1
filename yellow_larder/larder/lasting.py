"""How long a food lasts in its packing where it stands."""

from __future__ import annotations

import math
from datetime import date, timedelta

import numpy as np

from yellow_larder.core.containers import Closing, Container
from yellow_larder.core.finding import Finding, Severity
from yellow_larder.core.foods import Food
from yellow_larder.core.shelf_life import School, ageing_rate, days_left, packing_class
from yellow_larder.larder.plan import BestBy
from yellow_larder.larder.wording import say_best_by
from yellow_larder.reference import DAYS_PER_YEAR, BaseLife, life_classes, lives
from yellow_larder.store.models import Place


def base_life(food: Food, container: Container, closing: Closing) -> BaseLife:
    """Days the food keeps at 21 °C in this packing, by three schools."""
    return lives()[food.life, packing_class(container, closing)]


def life_days(food: Food, container: Container, closing: Closing, place: Place) -> dict[School, float]:
    """Days the food keeps in this packing where it will stand, by three schools; infinite where it does not age."""
    days = base_life(food, container, closing).days
    rate = ageing_rate(place.mean_c, place.swing_c, life_classes()[food.life].q10)
    base = np.array([days.by(each) for each in School])
    left = days_left(base, np.zeros(3), np.full(3, rate), np.zeros(3))
    return dict(zip(School, left.tolist(), strict=True))


def best_by_of(food: Food, container: Container, closing: Closing, place: Place, school: School, today: date) -> BestBy:
    """The day by which it is best eaten, by the household's school, with the band of the others."""
    lives_days = life_days(food, container, closing, place)
    dates = [None if math.isinf(n) else today + timedelta(days=n) for n in lives_days.values()]
    cautious, _, hopeful = dates
    chosen = dates[list(School).index(school)]
    if cautious is None or hopeful is None:
        return BestBy(None, None, None, say_best_by(None), "does not age while it is dry")
    return BestBy(chosen, cautious, hopeful, say_best_by(chosen), f"{cautious.year} cautious, {hopeful.year} hopeful")


def keeps_too_short(horizon_years: float, best_by: BestBy, today: date) -> list[Finding]:
    """Whether it is wanted for longer than it keeps."""
    if best_by.chosen is None or (best_by.chosen - today).days >= horizon_years * DAYS_PER_YEAR:
        return []
    return [
        Finding(
            Severity.MIND,
            "keeps-too-short",
            f"Wanted for {horizon_years:g} years, but best by {best_by.text}",
            "Better packing, a cooler place or a food that keeps longer would stretch it. "
            f"The schools differ: {best_by.band}.",
            "table of lives, see the Guide",
        )
    ]
