"""What the Fennimore-Okoros opened, shared out and ate."""

from __future__ import annotations

from datetime import date, timedelta

from yellow_larder.core.containers import Closing
from yellow_larder.core.packing import Feel
from yellow_larder.demo.ago import Ago
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packages.events import Taste
from yellow_larder.features.shelves.inspection import Felt
from yellow_larder.features.shelves.shelves import find_packages
from yellow_larder.features.using.leaving import keep_on, taste
from yellow_larder.features.using.looks import look_over
from yellow_larder.features.using.opening import lose_seal, open_packages, take
from yellow_larder.features.using.pouring import Pouring, pour


def eat_from_the_shelves(larder: Larder, ago: Ago) -> None:
    """A pail shared out into bags, jars in use in the kitchen, a vacuum that went, and flour that is kept on."""

    def first(food: str) -> int:
        return find_packages(larder, food, None)[0].number

    def day(days: int) -> date:
        return larder.today() + timedelta(days=days)

    larder.clock = ago(280)
    oats = Pouring(numbers=(first("rolled oats"),), container="bag-3-litre", closing=Closing.ABSORBER, shelf=3)
    bags = pour(larder, oats).numbers
    for days in (279, 273):
        larder.clock = ago(days)
        look_over(larder, [Felt(number, Feel.FIRM) for number in bags])
    larder.clock = ago(30)
    sugar, apples = first("white sugar"), first("dried apples")
    open_packages(larder, [sugar])
    take(larder, sugar, "1.2 kg")
    larder.clock = ago(20)
    take(larder, apples, "60 g")
    flour = first("white flour")
    taste(larder, flour, Taste.GOOD, note="sweet, no off smell; bread rose as ever")
    keep_on(larder, flour, until=day(65), note="used for bread first")
    larder.clock = ago(6)
    take(larder, apples, "half")
    larder.clock = ago(3)
    lose_seal(larder, first("red lentils"), since=day(-12))
