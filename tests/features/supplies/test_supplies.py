from datetime import date, timedelta

import pytest

from tests.conftest import Clock
from yellow_larder.core.packing import KEEPS_DAYS
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, settle
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.rounds.overview import overview
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.stock import Stock
from yellow_larder.features.supplies.supplies import (
    NewSupply,
    add_supply,
    count_supply,
    cut_down,
    forget_supply,
    more_of,
    put_spares,
    set_supply,
    spend_desiccant,
)
from yellow_larder.features.supplies.view import Supply, see_supplies
from yellow_larder.journal.database import reading
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import Units

PACKETS = NewSupply(sort=Sort.PACKETS, key="300", count=3, per_pack=10, cost="2.40", low=1)


def one(larder: Larder, number: int) -> Supply:
    return next(each for each in see_supplies(larder).supplies if each.number == number)


def test_packets_are_counted_in_packs(larder: Larder) -> None:
    number = add_supply(larder, PACKETS)
    seen = one(larder, number)
    assert (seen.name, seen.counted, seen.per_pack) == ("300 mL absorbers", "3 closed packs of 10", 10)
    assert seen.cost == "2.40"
    more_of(larder, number, 2, cost="2.60")
    assert (one(larder, number).count, one(larder, number).cost) == (5, "2.60")
    take_back(larder)
    assert (one(larder, number).count, one(larder, number).cost) == (3, "2.40")


def test_a_bag_is_known_by_its_flat_size(larder: Larder) -> None:
    number = add_supply(larder, NewSupply(sort=Sort.BAGS, size="25 × 35 cm", count=12))
    seen = one(larder, number)
    assert (seen.size, seen.count) == ("25 cm × 35 cm, 7 mil", 12)
    assert seen.draw is not None
    settle(larder, Settings(units=Units.US))
    assert one(larder, number).size == "9.8 in × 13.8 in, 7 mil"


def test_what_runs_low_is_said(larder: Larder) -> None:
    number = add_supply(larder, PACKETS)
    assert see_supplies(larder).low == overview(larder).low == 0
    count_supply(larder, number, 1)
    assert one(larder, number).is_low
    assert see_supplies(larder).low == overview(larder).low == 1
    set_supply(larder, number, low=0, note=" by the  door ", cost="")
    seen = one(larder, number)
    assert (seen.is_low, seen.note, seen.cost) == (False, "by the door", "")
    forget_supply(larder, number)
    assert see_supplies(larder).supplies == []
    with pytest.raises(NotThere):
        count_supply(larder, number, 2)


def test_spares_lose_by_lying_out_and_in_the_jar(larder: Larder, clock: Clock) -> None:
    number = add_supply(larder, PACKETS)
    put_spares(larder, number, 4, 12)
    seen = one(larder, number)
    # By hand: 1 − 12/240 = 95 %; the jar's 240 mL × 20.946 % = 50.3 mL off 1,200 mL are 4.2 % more.
    assert (seen.spares, seen.trusted) == (4, True)
    assert "worth 91 %" in seen.spares_say
    with reading(larder.engine) as session:
        spare, fresh = (kept for _, kept in Stock(session).packets(clock.now))
    assert spare.worth_ml == pytest.approx(300 * (0.95 - 240 * 0.20946 / 1200), rel=1e-3)
    assert (fresh.packs, fresh.per_pack, fresh.buyable) == (3, 10, True)
    # Four more that were out for long: all eight are worth what they are on the mean, and then too little.
    put_spares(larder, number, 4, 100)
    seen = one(larder, number)
    assert (seen.spares, seen.trusted) == (8, False)
    assert "throw them away" in seen.spares_say
    with reading(larder.engine) as session:
        assert [kept.buyable for _, kept in Stock(session).packets(clock.now)] == [True]


def test_spares_are_not_trusted_for_ever(larder: Larder, clock: Clock) -> None:
    number = add_supply(larder, PACKETS)
    put_spares(larder, number, 4, 2)
    clock.now += timedelta(days=KEEPS_DAYS)
    assert one(larder, number).trusted
    clock.now += timedelta(days=1)
    assert not one(larder, number).trusted


def test_a_spare_is_not_older_than_its_pack(larder: Larder) -> None:
    came = larder.today() - timedelta(days=3)
    number = add_supply(larder, NewSupply(sort=Sort.PACKETS, key="300", count=3, per_pack=10, came_on=came))
    put_spares(larder, number, 1, 5, on=came)
    with pytest.raises(Refused, match="Older than its pack") as refused:
        put_spares(larder, number, 1, 5, on=came - timedelta(days=1))
    assert refused.value.field == "on"
    with pytest.raises(Refused, match="in the future"):
        put_spares(larder, number, 1, 5, on=larder.today() + timedelta(days=1))


def test_a_bag_that_is_cut_open_is_a_shorter_bag(larder: Larder) -> None:
    number = add_supply(larder, NewSupply(sort=Sort.BAGS, key="bag-gallon", count=2))
    shorter = cut_down(larder, number)
    seen = one(larder, shorter)
    # The gallon bag is 254 × 356 mm; by hand 356 − 30 = 326 mm.
    assert (seen.key, seen.count, seen.note) == ("own:254x326x7", 1, "cut down")
    assert cut_down(larder, number, by="30 mm") == shorter
    assert one(larder, shorter).count == 2
    with pytest.raises(Refused, match="Too short"):
        cut_down(larder, shorter, by="30 cm")
    with pytest.raises(Refused, match="Only bags"):
        cut_down(larder, add_supply(larder, PACKETS))


def test_gel_is_full_and_dry_again(larder: Larder) -> None:
    number = add_supply(larder, NewSupply(sort=Sort.DESICCANT, key="10", count=20))
    spend_desiccant(larder, number, 8, restored=False)
    assert (one(larder, number).count, one(larder, number).spent) == (12, 8)
    # By hand: 8 × 10 g dry, and 30 % more with what it drinks at 60 %.
    assert "the 8 weigh up to 104 g; they are dry when they weigh 80 g" in one(larder, number).dry_again
    settle(larder, Settings(units=Units.US))
    assert "2–3 hours at 250 °F" in one(larder, number).dry_again
    spend_desiccant(larder, number, 5, restored=True)
    assert (one(larder, number).count, one(larder, number).spent) == (17, 3)
    with pytest.raises(Refused, match="There are 3 of them"):
        spend_desiccant(larder, number, 4, restored=True)
    with pytest.raises(Refused, match="Only desiccant"):
        spend_desiccant(larder, add_supply(larder, PACKETS), 1, restored=False)


def test_everything_has_its_sort(larder: Larder) -> None:
    news = [
        NewSupply(sort=Sort.TOOLS, name="Straight iron", count=1, note="175 °C"),
        NewSupply(sort=Sort.LIDS, name="Wide-mouth lids", count=24),
        NewSupply(sort=Sort.PAILS, key="pail-5-gallon", count=3),
        NewSupply(sort=Sort.JARS, key="jar-quart", count=12),
        NewSupply(sort=Sort.BAGS, key="bag-quart", count=5),
        NewSupply(sort=Sort.BAGS, key="bag-gallon", count=5),
        NewSupply(sort=Sort.PACKETS, key="2000", count=1, per_pack=10),
        PACKETS,
    ]
    for new in news:
        add_supply(larder, new)
    seen = [(each.sort, each.name) for each in see_supplies(larder).supplies]
    assert [sort for sort, _ in seen] == sorted((sort for sort, _ in seen), key=list(Sort).index)
    assert [name for sort, name in seen if sort is Sort.PACKETS] == ["300 mL absorbers", "2000 mL absorbers"]
    assert [name for sort, name in seen if sort is Sort.BAGS] == ["quart foil bag", "1 gal foil bag"]


@pytest.mark.parametrize(
    ("new", "field", "says"),
    [
        (NewSupply(sort=Sort.PACKETS, key="250"), "key", "Absorbers come in 20, 50"),
        (NewSupply(sort=Sort.DESICCANT, key="x"), "key", "Grams of gel"),
        (NewSupply(sort=Sort.BAGS, key="jar-quart"), "key", "not among the bags"),
        (NewSupply(sort=Sort.BAGS, size="25"), "size", "width by length"),
        (NewSupply(sort=Sort.LIDS), "name", "Give it a name"),
        (NewSupply(sort=Sort.TOOLS, name="Iron", count=-1), "count", "between 0 and 10,000"),
        (NewSupply(sort=Sort.TOOLS, name="Iron", low=20_000), "low", "between 0 and 10,000"),
        (NewSupply(sort=Sort.PACKETS, key="300", per_pack=0), "per_pack", "1 to 1,000"),
        (NewSupply(sort=Sort.TOOLS, name="Iron", cost="dear"), "cost", "Write a sum"),
        (NewSupply(sort=Sort.TOOLS, name="Iron", note="x" * 121), "note", "120 is the most"),
        (NewSupply(sort=Sort.TOOLS, name="Iron", came_on=date(2027, 1, 1)), "came_on", "in the future"),
    ],
)
def test_what_cannot_be_is_refused_at_its_field(larder: Larder, new: NewSupply, field: str, says: str) -> None:
    with pytest.raises(Refused, match=says) as refused:
        add_supply(larder, new)
    assert refused.value.field == field
    assert see_supplies(larder).supplies == []


def test_nothing_is_written_down_twice(larder: Larder) -> None:
    number = add_supply(larder, PACKETS)
    with pytest.raises(Refused, match="written down already"):
        add_supply(larder, PACKETS)
    for wrong in (0, 10_001):
        with pytest.raises(Refused):
            more_of(larder, number, wrong)
        with pytest.raises(Refused):
            put_spares(larder, number, wrong, 5)
    with pytest.raises(Refused) as refused:
        put_spares(larder, number, 1, 1500)
    assert refused.value.field == "minutes"
    with pytest.raises(Refused, match="written already"):
        count_supply(larder, number, 3)
    lids = add_supply(larder, NewSupply(sort=Sort.LIDS, name="Lids"))
    with pytest.raises(Refused, match="Only absorbers"):
        count_supply(larder, lids, 3, spares=1)
    with pytest.raises(Refused, match="Only absorbers"):
        put_spares(larder, lids, 1, 1)


def test_the_bench_plans_with_spares_as_a_run_does(larder: Larder, clock: Clock) -> None:
    """96 spare hundreds beside packs of five hundreds: a small jar takes hundreds, as long as they go round."""
    fives = add_supply(larder, NewSupply(sort=Sort.PACKETS, key="500", count=30, per_pack=10))
    hundreds = add_supply(larder, NewSupply(sort=Sort.PACKETS, key="100", count=0, per_pack=100))
    put_spares(larder, hundreds, 96, minutes=1)
    jar = Ask(line="300 g pearl barley", container="jar-half-pint")
    assert plan(larder, jar).packets_in_all == "absorbers: 2 × 100 mL"
    many = Ask(line="30 kg pearl barley", container="jar-half-pint")
    assert plan(larder, many).count > 96
    assert "500 mL" in plan(larder, many).packets_in_all
    assert fives != hundreds
