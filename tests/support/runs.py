"""A run, as far as a test wants it."""

from __future__ import annotations

from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.run import steps
from yellow_larder.features.run.view import Clock as LoadState
from yellow_larder.features.run.view import RunView, see_run
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.supplies import NewSupply, add_supply
from yellow_larder.features.supplies.view import Supply, see_supplies

BARLEY = Ask(line="10 kg pearl barley")


LENTILS = Ask(line="5 kg red lentils")


def stock(larder: Larder, *, packs: int = 3, bags: int = 20) -> None:
    add_supply(larder, NewSupply(sort=Sort.PACKETS, key="500", count=packs, per_pack=10))
    add_supply(larder, NewSupply(sort=Sort.BAGS, key="bag-gallon", count=bags))


def supply(larder: Larder, sort: Sort = Sort.PACKETS) -> Supply:
    return next(each for each in see_supplies(larder).supplies if each.sort is sort)


def seen(larder: Larder) -> RunView:
    run = see_run(larder)
    assert run is not None
    return run


def clock_of(larder: Larder) -> LoadState:
    clock = seen(larder).clock
    assert clock is not None
    return clock


def filled(larder: Larder, *asks: Ask) -> int:
    """A run whose containers are all filled."""
    number = 0
    for ask in asks:
        number = steps.add_line(larder, ask)
    steps.begin(larder, number)
    steps.labelled(larder, number)
    steps.set_out(larder, number)
    steps.fill_rest(larder, number)
    return number
