"""How often the file is asked for one request: no more for a full larder than for one with little in it."""

from collections.abc import Callable, Iterator
from contextlib import contextmanager

import pytest
from sqlalchemy import event

from tests.conftest import Clock
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.planning.budget import set_budget
from yellow_larder.features.planning.shopping import week_list
from yellow_larder.features.rounds.overview import overview
from yellow_larder.features.shelves.labels import labels
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.supplies import NewSupply, add_supply

FOODS = ["pearl barley", "white rice", "red lentils", "rolled oats", "hazelnuts", "brown rice", "macaroni"]


@contextmanager
def asked(larder: Larder) -> Iterator[list[str]]:
    found: list[str] = []

    def note(_connection: object, _cursor: object, statement: str, *_: object) -> None:
        if not statement.startswith("BEGIN"):
            found.append(statement)

    event.listen(larder.engine, "before_cursor_execute", note)
    yield found
    event.remove(larder.engine, "before_cursor_execute", note)


REQUESTS: dict[str, tuple[Callable[[Larder], object], int]] = {
    "a packing": (lambda larder: pack(larder, Ask(line="2 kg pearl barley", container="bag-gallon")), 12),
    "fifty labels": (lambda larder: labels(larder, numbers=range(1, 8)), 10),
    "this week's list": (week_list, 12),
    "the overview": (overview, 8),
}


@pytest.mark.parametrize("what", REQUESTS)
def test_a_request_asks_the_file_a_few_times_however_much_is_in_it(larder: Larder, clock: Clock, what: str) -> None:
    do, most = REQUESTS[what]
    add_supply(larder, NewSupply(sort=Sort.BAGS, key="bag-gallon", count=50))
    add_supply(larder, NewSupply(sort=Sort.PACKETS, key="300", count=5, per_pack=10))
    set_budget(larder, "60")
    for food in FOODS:
        pack(larder, Ask(line=f"1 kg {food}", container="bag-gallon"))
    with asked(larder) as little:
        do(larder)
    for food in FOODS * 3:
        pack(larder, Ask(line=f"1 kg {food}", container="bag-gallon"))
    # Long after, all of it is due.
    clock.now = clock.now.replace(year=2090)
    with asked(larder) as much:
        do(larder)
    assert len(little) <= most
    assert len(much) <= most
