"""A packing to be judged: everything the rules look at."""

from __future__ import annotations

from dataclasses import dataclass, replace
from functools import cached_property

from yellow_larder.core.air import Fill
from yellow_larder.core.containers import Closing, Container
from yellow_larder.core.days import DAYS_PER_YEAR
from yellow_larder.core.errors import check_range
from yellow_larder.core.finding import MEAT_HEATED, POULTRY_HEATED, Amount, Unit
from yellow_larder.core.food import Food, Trait
from yellow_larder.core.keeping import Course, Ends, spoilt
from yellow_larder.core.moisture import FROZEN_C, MOULD_GROWS


@dataclass(frozen=True)
class Case:
    """A packing to be judged. What becomes of it over the years is told by its course, and by nothing else.

    Attributes:
        food: what is packed.
        course: the package, where it stands, and what becomes of it.
        outer: whether the container stands in a rodent-proof outer.
        horizon_years: how long it is meant to keep, years, 0.1–40.
        fill: the food and air in one container.
        need_ml: packet millilitres the air asks for, margin included.
        frozen: whether the food was held cold long enough to kill insects.
        unproven: whether it was dried at home and nothing says that it was conditioned.
        gel: whether silica gel goes in with it.
        earth: whether diatomaceous earth is dusted in with it.
        food_grade: whether a bare pail is of plastic made for food.
        dark: whether no daylight comes to where it stands.

    Raises:
        OutOfRange: moisture or horizon lie outside their range.
    """

    food: Food
    course: Course
    outer: bool
    horizon_years: float
    fill: Fill
    need_ml: float
    frozen: bool = False
    unproven: bool = False
    gel: bool = False
    earth: bool = False
    food_grade: bool = True
    dark: bool = False

    def __post_init__(self) -> None:
        """Check the numbers that people type."""
        check_range("moisture_pct", self.moisture_pct, 0, 100, "%")
        check_range("horizon_years", self.horizon_years, 0.1, 40, "years")

    @property
    def moisture_pct(self) -> float:
        """Its moisture, wet basis, %."""
        return self.course.of.moisture_pct

    @property
    def earth_is_rinsed_off(self) -> bool:
        """Whether diatomaceous earth is in it, and comes off again before the food is cooked."""
        return self.earth and Trait.RINSEABLE in self.food.traits

    @property
    def container(self) -> Container:
        """What it is packed in."""
        return self.course.of.container

    @property
    def closing(self) -> Closing:
        """What is done about the air."""
        return self.course.of.closing

    @property
    def packed_ml(self) -> float:
        """Packet millilitres that go in."""
        return self.course.of.packed_ml

    @property
    def days(self) -> float:
        """How long it is meant to keep, days."""
        return self.horizon_years * DAYS_PER_YEAR

    @property
    def warmest_c(self) -> float:
        """The store's warmest, °C."""
        return self.course.of.climate.warmest_c

    @property
    def stands_frozen(self) -> bool:
        """Whether it stands where nothing grows for cold."""
        return self.warmest_c <= FROZEN_C

    @property
    def water_activity(self) -> float | None:
        """Water activity of the food at the store's warmest; none if nothing tells."""
        return self.course.warmest_activity

    @property
    def is_lively(self) -> bool:
        """Whether mould can grow in it at the store's warmest, as far as is known."""
        return self.water_activity is not None and self.water_activity > MOULD_GROWS

    @property
    def oxygen_harms(self) -> bool:
        """Whether oxygen does the food any harm: not sugar, salt and honey."""
        return not self.food.traits & {Trait.SUGAR_LIKE, Trait.SALT_LIKE}

    @property
    def oxygen_back_days(self) -> float:
        """Days until oxygen is back above one per cent; 0 if it never gets that low, infinite if it stays low."""
        return float(self.course.oxygen_back_days[0])

    @cached_property
    def moisture_ends(self) -> tuple[Ends, float]:
        """What moisture does to it first, and after how many days; infinite if it does nothing."""
        return spoilt(self.course)

    @cached_property
    def if_never_opened(self) -> Case:
        """The same if it were not opened until it is eaten."""
        return replace(self, course=Course(replace(self.course.of, opened_a_day=0.0)))

    @property
    def is_opened(self) -> bool:
        """Whether it is opened before it is used up."""
        return self.course.of.opened_a_day > 0

    @property
    def amounts(self) -> dict[str, Amount]:
        """Amounts that what is said of it may name."""
        warmest, store = Amount(self.warmest_c, Unit.CELSIUS), Amount(self.course.store_c, Unit.CELSIUS)
        return {"warmest": warmest, "store": store, "meat": MEAT_HEATED, "poultry": POULTRY_HEATED}

    @property
    def water(self) -> str:
        """Its moisture and water activity in words."""
        has = f"{self.moisture_pct:.1f} % moisture"
        if self.water_activity is None or self.course.of.isotherm is None:
            return has
        if self.water_activity >= 1:
            return f"{has}, as wet as fresh food"
        return f"{has}, a water activity of {self.water_activity:.2f} at {{warmest}}, the store's warmest"
