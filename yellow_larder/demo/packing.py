"""What the Fennimore-Okoros have to pack with, their last two runs, and the sheet of the next."""

from __future__ import annotations

from datetime import datetime, timedelta

from yellow_larder.core.packing import Feel, Indicator
from yellow_larder.demo.ago import Ago
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.run import steps
from yellow_larder.features.run.view import see_that_run
from yellow_larder.features.shelves.inspection import Felt
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.supplies import NewSupply, add_supply, count_supply, cut_down, put_spares
from yellow_larder.features.using.looks import look_over

_SUPPLIES = (
    NewSupply(sort=Sort.PACKETS, key="100", count=3, per_pack=20, cost="2.20", low=1),
    NewSupply(sort=Sort.PACKETS, key="500", count=6, per_pack=10, cost="3.40", low=2),
    NewSupply(sort=Sort.PACKETS, key="2000", count=1, per_pack=5, cost="4.10", low=1),
    NewSupply(sort=Sort.BAGS, key="bag-gallon", count=44, cost="0.55", low=10),
    NewSupply(sort=Sort.BAGS, key="bag-half-gallon", count=31, cost="0.42", low=10),
    NewSupply(sort=Sort.BAGS, key="bag-quart", count=18, cost="0.34", low=20),
    NewSupply(sort=Sort.BAGS, key="zip-quart", count=12, cost="0.48"),
    NewSupply(sort=Sort.JARS, key="jar-quart", count=9, cost="1.60"),
    NewSupply(sort=Sort.JARS, key="jar-half-gallon", count=3, cost="2.90"),
    NewSupply(sort=Sort.LIDS, key="regular", count=26, low=6, cost="0.22"),
    NewSupply(sort=Sort.LIDS, key="wide", count=5, low=6, cost="0.31"),
    NewSupply(sort=Sort.PAILS, key="lined-20-litre", count=2, cost="9.80", note="in the boat shed, behind the creels"),
    NewSupply(sort=Sort.DESICCANT, key="10", count=14, note="green is dry, orange is full"),
    NewSupply(sort=Sort.TOOLS, name="Straight iron", count=1, note="175 °C, three seconds for 7 mil"),
    NewSupply(sort=Sort.TOOLS, name="Vacuum sealer and jar cap", count=1, note="gasket changed in March"),
)

OATS = Ask(line="9 kg rolled oats", container="bag-gallon", place=2, outer=True, horizon_years=10)
LENTILS = Ask(line="6 kg brown lentils", container="bag-half-gallon", place=2, outer=True, horizon_years=10)
SUGAR = Ask(line="1.6 kg white sugar", container="jar-quart", place=1)


def pack_in_runs(larder: Larder, ago: Ago) -> None:
    """Supplies written down in spring, a run eight days ago with a bag that leaks, one yesterday, one on the sheet."""
    larder.clock = ago(200)
    numbers = {new.key: add_supply(larder, new) for new in _SUPPLIES}
    larder.clock = ago(30)
    cut_down(larder, numbers["bag-half-gallon"], by="4 cm")
    count_supply(larder, numbers["regular"], 19, again=7)
    put_spares(larder, numbers["500"], 3, 11)
    oats = _run(larder, ago(8, minutes=40)(), (OATS,))
    larder.clock = ago(7)
    look_over(larder, [Felt(number, Feel.LOOSE) for number in oats])
    larder.clock = ago(1)
    bad, *good = oats
    look_over(larder, [Felt(bad, Feel.LEAKS, Indicator.GREY), *(Felt(number, Feel.FIRM) for number in good)])
    _run(larder, ago(1, minutes=40)(), (LENTILS, SUGAR))
    larder.clock = ago(0)
    steps.add_line(larder, Ask(line="10 kg pearl barley", place=2, outer=True))
    steps.add_line(larder, Ask(line="4 kg green split peas", container="bag-half-gallon", place=2, outer=True))


def _run(larder: Larder, now: datetime, asks: tuple[Ask, ...]) -> list[int]:
    """A run from that time on, at their pace; returns the numbers packed."""

    def later(seconds: float = 60) -> None:
        nonlocal now
        now += timedelta(seconds=seconds)

    larder.clock = lambda: now
    number = 0
    for ask in asks:
        number = steps.add_line(larder, ask)
    for step in (steps.begin, steps.labelled, steps.set_out, steps.fill_rest):
        step(larder, number)
        later(240)
    plain = [each.n for each in see_that_run(larder, number).containers if not each.packets]
    for n in plain:
        steps.close_one(larder, number, n)
        later()
    steps.open_packets(larder, number)
    left = [each.n for each in see_that_run(larder, number).containers if not each.closed]
    for place, n in enumerate(left):
        later(44 + 5 * (place % 3))
        steps.close_one(larder, number, n, note="a crease in the seal" if not place else "")
    steps.finish(larder, number)
    return [each.number for each in see_that_run(larder, number).containers]
