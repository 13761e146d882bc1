from collections import Counter
from dataclasses import replace
from datetime import timedelta

import pytest

from tests.conftest import Clock
from yellow_larder.core.containers import Closing
from yellow_larder.core.packing import Feel
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.run import steps
from yellow_larder.features.run.view import see_run
from yellow_larder.features.shelves.carrying import throw_out
from yellow_larder.features.shelves.inspection import Felt, empty_out, look_over
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.stock import Stock
from yellow_larder.features.supplies.supplies import NewSupply, add_supply, count_supply
from yellow_larder.features.supplies.view import Supply, see_supplies
from yellow_larder.journal.database import reading
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import Units

LENTILS = Ask(line="2.1 kg red lentils", fill="700 g", container="jar-quart", place=1)
"""Three quart jars, each with two packets of 100 mL."""

BARLEY = Ask(line="10 kg pearl barley", container="bag-gallon", outer=True, place=1)


def of(larder: Larder, sort: Sort, key: str) -> Supply:
    return next(each for each in see_supplies(larder).supplies if (each.sort, each.key) == (sort, key))


@pytest.fixture
def jars(larder: Larder) -> Larder:
    """Eight quart jars with a dozen lids, two of which were used before."""
    add_supply(larder, NewSupply(sort=Sort.JARS, key="jar-quart", count=8, cost="1.50"))
    lids = add_supply(larder, NewSupply(sort=Sort.LIDS, key="regular", count=10, cost="0.20", low=3))
    add_supply(larder, NewSupply(sort=Sort.LIDS, key="wide", count=5))
    add_supply(larder, NewSupply(sort=Sort.PACKETS, key="100", count=4, per_pack=5, cost="1.00"))
    count_supply(larder, lids, 10, again=2)
    return larder


def test_a_jar_takes_a_lid_of_its_mouth_the_used_ones_first(jars: Larder) -> None:
    count = plan(jars, LENTILS).count
    assert count == 3
    pack(jars, LENTILS)
    lids = of(jars, Sort.LIDS, "regular")
    assert (lids.counted, lids.uses) == ("9", "closed 3 times so far")
    assert of(jars, Sort.LIDS, "wide").counted == "5"
    assert of(jars, Sort.JARS, "jar-quart").count == 8 - 3
    pack(jars, replace(LENTILS, container="jar-quart-wide"))
    assert of(jars, Sort.LIDS, "wide").counted == "2"


def test_an_emptied_jar_and_its_lid_come_back(jars: Larder) -> None:
    first, second, third = pack(jars, LENTILS).numbers
    empty_out(jars, first)
    assert of(jars, Sort.JARS, "jar-quart").count == 6
    assert of(jars, Sort.LIDS, "regular").counted == "9 new, 1 used before"
    throw_out(jars, [second], why="spilt")
    assert of(jars, Sort.LIDS, "regular").again == 2
    take_back(jars)
    assert (of(jars, Sort.JARS, "jar-quart").count, of(jars, Sort.LIDS, "regular").again) == (6, 1)
    # A lid that let go is done with, though its jar is not.
    look_over(jars, [Felt(third, Feel.LEAKS)])
    empty_out(jars, third)
    assert (of(jars, Sort.JARS, "jar-quart").count, of(jars, Sort.LIDS, "regular").again) == (7, 1)


def test_the_strip_says_how_many_packets_there_are(jars: Larder) -> None:
    packets = of(jars, Sort.PACKETS, "100")
    assert plan(jars, LENTILS).packets_at_hand == "you have 20"
    count_supply(jars, packets.number, 4, spares=3)
    assert plan(jars, LENTILS).packets_at_hand == "you have 23"
    assert plan(jars, replace(LENTILS, closing=Closing.LID)).packets_at_hand == ""


def test_film_does_not_come_back_but_a_pail_does(larder: Larder) -> None:
    add_supply(larder, NewSupply(sort=Sort.BAGS, key="bag-gallon", count=10))
    add_supply(larder, NewSupply(sort=Sort.PAILS, key="pail-5-gallon", count=2))
    bag = pack(larder, BARLEY).numbers[0]
    pail = pack(larder, replace(BARLEY, container="pail-5-gallon", closing=Closing.LID)).numbers[0]
    bags = of(larder, Sort.BAGS, "bag-gallon").count
    throw_out(larder, [bag, pail], why="flooded")
    assert of(larder, Sort.BAGS, "bag-gallon").count == bags == 10 - plan(larder, BARLEY).count
    assert of(larder, Sort.PAILS, "pail-5-gallon").count == 2


def test_packing_opens_whole_packs_and_keeps_the_rest(jars: Larder) -> None:
    assert [(each.size_ml, each.count) for each in plan(jars, LENTILS).full.packets] == [(100, 2)]
    pack(jars, LENTILS)
    seen = of(jars, Sort.PACKETS, "100")
    # By hand: six packets are two packs of five opened, and four into the jar.
    assert (seen.count, seen.spares, seen.trusted) == (2, 4, True)
    take_back(jars)
    seen = of(jars, Sort.PACKETS, "100")
    assert (seen.count, seen.spares) == (4, 0)


def test_what_packing_took_is_said(jars: Larder) -> None:
    assert pack(jars, LENTILS).took == "3 × quart jar, 3 × regular-mouth lids, 2 packs of 5 × 100 mL"
    take_back(jars)
    packets = of(jars, Sort.PACKETS, "100")
    count_supply(jars, packets.number, 1, spares=4)
    assert pack(jars, LENTILS).took.endswith("1 pack of 5 × 100 mL, 1 spare 100 mL")


def test_packing_of_a_day_that_is_past_moves_no_count(jars: Larder) -> None:
    assert pack(jars, LENTILS, packed_on=jars.today() - timedelta(days=1)).took == ""
    assert of(jars, Sort.JARS, "jar-quart").count == 8
    assert of(jars, Sort.PACKETS, "100").count == 4


def test_what_was_used_up_takes_spares_and_never_less_than_nothing(jars: Larder) -> None:
    packets = of(jars, Sort.PACKETS, "100")
    count_supply(jars, packets.number, 0, spares=2)
    pack(jars, LENTILS)
    seen = of(jars, Sort.PACKETS, "100")
    assert (seen.count, seen.spares) == (0, 0)


def test_cost_takes_jars_lids_and_packets_together(jars: Larder) -> None:
    # By hand: three jars at 1.50, one new lid at 0.20 beside two used before, six packets at 0.20.
    assert plan(jars, LENTILS).packing_cost == "5.90"
    count_supply(jars, of(jars, Sort.LIDS, "regular").number, 10, again=0)
    assert plan(jars, LENTILS).packing_cost == "6.30"
    # Nothing is said where the price of one of them is not written down.
    assert plan(jars, replace(LENTILS, container="jar-quart-wide")).packing_cost == ""


def test_gel_and_packets_of_one_number_are_told_apart(larder: Larder) -> None:
    add_supply(larder, NewSupply(sort=Sort.DESICCANT, key="100", count=3))
    add_supply(larder, NewSupply(sort=Sort.PACKETS, key="100", count=2, per_pack=10))
    pack(larder, LENTILS)
    assert of(larder, Sort.DESICCANT, "100").count == 3
    assert of(larder, Sort.PACKETS, "100").count == 1


def test_what_is_short_is_said_on_the_bench(jars: Larder) -> None:
    short = [each.says for each in plan(jars, LENTILS).verdict.findings if each.code == "supplies-short"]
    assert short == []
    many = plan(jars, replace(LENTILS, line="8 kg red lentils"))
    assert [each.says for each in many.verdict.findings if each.code == "supplies-short"] == [
        f"More than your supplies hold: {many.count} × quart jar (8 there)"
    ]
    lids = of(jars, Sort.LIDS, "regular")
    count_supply(jars, lids.number, 1, again=1)
    few = plan(jars, LENTILS).verdict.findings
    assert "More than your supplies hold: 3 × regular-mouth lid (2 there)" in [each.says for each in few]
    many = plan(jars, replace(LENTILS, line="8 kg red lentils"))
    assert [each.code for each in many.verdict.findings].count("supplies-short") == 1


def test_lids_run_low_new_and_used_together(jars: Larder) -> None:
    lids = of(jars, Sort.LIDS, "regular")
    count_supply(jars, lids.number, 2, again=2)
    assert not of(jars, Sort.LIDS, "regular").is_low
    count_supply(jars, lids.number, 2, again=1)
    assert of(jars, Sort.LIDS, "regular").is_low


def test_only_lids_are_told_apart_by_use(jars: Larder) -> None:
    with pytest.raises(Refused, match="Only lids"):
        count_supply(jars, of(jars, Sort.JARS, "jar-quart").number, 4, again=1)
    with pytest.raises(Refused, match="between 0 and") as refused:
        count_supply(jars, of(jars, Sort.LIDS, "wide").number, 4, again=-1)
    assert refused.value.field == "again"
    with pytest.raises(Refused, match="regular or a wide mouth") as refused:
        add_supply(jars, NewSupply(sort=Sort.LIDS, key="narrow"))
    assert refused.value.field == "key"
    add_supply(jars, NewSupply(sort=Sort.LIDS, name="Caps for the big bottles", count=4))


def test_the_set_out_list_counts_the_lids(jars: Larder, clock: Clock) -> None:
    run = steps.add_line(jars, LENTILS)
    steps.begin(jars, run)
    steps.labelled(jars, run)
    seen = see_run(jars)
    assert seen is not None
    assert "3 regular-mouth lids (2 of them used before) wiped, rims clean" in [each.says for each in seen.ready]


def test_stock_knows_what_it_is_short_of(jars: Larder) -> None:
    with reading(jars.engine) as session:
        stock = Stock(session)
        assert stock.short_of(Counter({"jar-quart": 8, "bag-gallon": 99}), Units.METRIC) == []
        assert stock.short_of(Counter({"jar-quart": 9, "jar-pint": 4}), Units.METRIC) == [
            "9 × quart jar (8 there)",
            "13 × regular-mouth lid (12 there)",
        ]
