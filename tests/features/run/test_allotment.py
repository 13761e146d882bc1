from dataclasses import replace

import pytest

from yellow_larder.core.containers import Closing
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.run import steps
from yellow_larder.features.run.allotment import from_stock
from yellow_larder.features.run.view import see_run
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.supplies import NewSupply, add_supply, put_spares
from yellow_larder.words.errors import Refused

BARLEY = Ask(line="10 kg pearl barley", container="bag-gallon", outer=True)


@pytest.fixture
def packets(larder: Larder) -> Larder:
    add_supply(larder, NewSupply(sort=Sort.PACKETS, key="300", count=1, per_pack=5))
    spares = add_supply(larder, NewSupply(sort=Sort.PACKETS, key="100", count=0, per_pack=20))
    put_spares(larder, spares, 9, 5)
    return larder


def test_nothing_is_shared_out_where_nothing_is_counted_or_needed(larder: Larder, packets: Larder) -> None:
    assert from_stock(packets, replace(BARLEY, closing=Closing.LID)) is None
    bare = Ask(line="2 kg white sugar", container="jar-quart")
    assert from_stock(packets, bare) is None


def test_nothing_is_shared_out_of_supplies_that_nobody_counts(larder: Larder) -> None:
    assert from_stock(larder, BARLEY) is None


def test_every_container_gets_what_it_needs_and_no_packet_twice(packets: Larder) -> None:
    planned, found = plan(packets, BARLEY), from_stock(packets, BARLEY)
    assert found is not None
    assert sum(way.count for way in found.ways) == planned.count
    need = planned.full.need_ml
    for way in found.ways:
        sizes = {each.size_ml: each.count for each in way.packets}
        # Spares are worth less than their rating, never more.
        assert sum(size * n for size, n in sizes.items()) >= need
        assert way.spares == sizes.get(100, 0)
    used = sum(way.count * each.count for way in found.ways for each in way.packets if each.size_ml == 100)
    assert 0 < used <= 9
    assert found.packs == ["1 pack of 5 × 300 mL, 1 back into the jar", f"{used} spare 100 mL from the jar"]
    assert found.buy == []


def test_what_must_be_bought_is_said(packets: Larder) -> None:
    found = from_stock(packets, replace(BARLEY, line="40 kg pearl barley"))
    assert found is not None
    assert found.buy
    assert any("to buy" in each for each in found.packs)


def test_the_bench_shares_out_as_the_run_does(packets: Larder) -> None:
    found = from_stock(packets, BARLEY)
    steps.add_line(packets, BARLEY)
    seen = see_run(packets)
    assert seen is not None
    assert found is not None
    assert (seen.packs, seen.buy) == (found.packs, found.buy)


def test_a_bench_that_cannot_be_packed_is_refused_at_its_field(packets: Larder) -> None:
    with pytest.raises(Refused) as refused:
        from_stock(packets, replace(BARLEY, line="10 kg nonsense"))
    assert refused.value.field == "line"
