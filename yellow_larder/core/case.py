"""A packing to be judged: everything the rules look at."""

from __future__ import annotations

import math
from dataclasses import dataclass

from yellow_larder.core.containers import Closing, Container
from yellow_larder.core.errors import check_range
from yellow_larder.core.foods import Food
from yellow_larder.core.low_oxygen import days_to_kill
from yellow_larder.core.moisture import MOULD_GROWS
from yellow_larder.core.oxygen import Fill


@dataclass(frozen=True, slots=True)
class Case:
    """A packing to be judged.

    Attributes:
        food: what is packed.
        moisture_pct: its moisture, wet basis, %, 0–100.
        container: what it is packed in.
        closing: what is done about the air.
        outer: whether the container stands in a rodent-proof outer.
        horizon_years: how long it is meant to keep, years, 0.1–40.
        fill: the food and air in one container.
        need_ml: packet millilitres the air asks for.
        packed_ml: packet millilitres that go in.
        frozen: whether the food was held cold long enough to kill insects.
        unproven: whether it was dried here and has not been conditioned.
        water_activity: of the food at the store's warmest, 0–1; none if it is not known or does not apply.
        warmest_c: the store's warmest, °C.
        holds_days: days until oxygen is back above one per cent; infinite if it never is, none if it is not known.
        gel: whether silica gel goes in with it.
        softens_days: days until it goes soft, infinite if it never does, none if that is no harm or not known.
        moulds_days: days until mould could grow, infinite if it never could, none if it is not known.
        store_c: the store's mean, °C.
        food_grade: whether a bare pail is of plastic made for food.
        oxygen_left: share of oxygen that a vacuum left, 0–0.21.

    Raises:
        OutOfRange: moisture or horizon lie outside the range above.
    """

    food: Food
    moisture_pct: float
    container: Container
    closing: Closing
    outer: bool
    horizon_years: float
    fill: Fill
    need_ml: float
    packed_ml: float
    frozen: bool = False
    unproven: bool = False
    water_activity: float | None = None
    warmest_c: float = 21
    holds_days: float | None = None
    gel: bool = False
    softens_days: float | None = None
    moulds_days: float | None = None
    store_c: float = 21
    oxygen_left: float = 0.0
    food_grade: bool = True

    def __post_init__(self) -> None:
        """Check the numbers that people type."""
        check_range("moisture_pct", self.moisture_pct, 0, 100, "%")
        check_range("horizon_years", self.horizon_years, 0.1, 40, "years")
        if self.water_activity is not None:
            check_range("water_activity", self.water_activity, 0, 1, "")

    @property
    def kills_in_days(self) -> float:
        """Days until insects that came with the food have died for want of oxygen; infinite if they do not."""
        if self.closing is Closing.LID or (self.closing is Closing.ABSORBER and self.packed_ml < self.need_ml):
            return math.inf
        days = days_to_kill(self.store_c, self.oxygen_left if self.closing is Closing.VACUUM else 0.0)
        return days if self.holds_days is None or self.holds_days > days else math.inf

    @property
    def is_lively(self) -> bool:
        """Whether mould can grow in it at the store's warmest, as far as is known."""
        return self.water_activity is not None and self.water_activity > MOULD_GROWS

    @property
    def water(self) -> str:
        """Its moisture and water activity in words."""
        has = f"{self.moisture_pct:.1f} % moisture"
        if self.water_activity is None:
            return has
        return f"{has}, a water activity of {self.water_activity:.2f} at {self.warmest_c:.0f} °C, the store's warmest"
