import random
from dataclasses import replace

import pytest

from yellow_larder.core.containers import Closing
from yellow_larder.core.finding import Severity
from yellow_larder.features.household.larder import Larder, current_settings, settle
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.proposals import ProposedLine, WantedLine, propose_packing
from yellow_larder.features.packing.request import Ask, Opened
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.supplies import NewSupply, add_supply, cut_down
from yellow_larder.reference import foods, ways_of
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import Units


def proposed(larder: Larder, *lines: str, a_week: str = "", years: float = 10) -> list[ProposedLine]:
    wanted = [WantedLine(line=line, a_week=a_week) for line in lines]
    return propose_packing(larder, wanted, horizon_years=years).lines


@pytest.mark.parametrize(
    "line", ["10 kg pearl barley", "44 kg hard red wheat", "300 g dried leeks", "2 kg white sugar"]
)
@pytest.mark.parametrize("units", Units)
def test_what_is_proposed_can_be_packed_as_it_is(larder: Larder, line: str, units: Units) -> None:
    """Put on the bench in the household's own measures, it holds all of the lot, and no rule stops it."""
    settle(larder, replace(current_settings(larder), units=units))
    (found,) = proposed(larder, line)
    held = 0.0
    for each in found.containers:
        shown = plan(larder, Ask(line=f"{each.amount} {found.food}", container=each.key, closing=each.closing))
        assert shown.verdict.severity is not Severity.STOP
        assert (shown.count, shown.full.mass, shown.rest) == (each.count, each.each, None)
        held += shown.amount_g
        assert each.amount.endswith(" lb" if units is Units.US else "g")
    assert held == pytest.approx(plan(larder, Ask(line=line)).amount_g, abs=2)


@pytest.mark.parametrize("units", Units)
def test_what_is_proposed_of_any_food_is_what_the_bench_makes_of_it(larder: Larder, units: Units) -> None:
    """As many, with as much in each: every third food, half of them in each measure, in an amount as chance has it."""
    settle(larder, replace(current_settings(larder), units=units))
    chance = random.Random(5)
    dry = [food for food in foods().values() if not ways_of(food.life)]
    for food in dry[3 * list(Units).index(units) :: 14]:
        line = f"{chance.choice([0.3, 1, 2.7, 5, 10, 12, 23.3, 44])} kg {food.name}"
        (found,) = proposed(larder, line, years=chance.choice([1, 5, 10]))
        for each in found.containers:
            shown = plan(larder, Ask(line=f"{each.amount} {found.food}", container=each.key, closing=each.closing))
            said = (shown.count, shown.full.mass, shown.rest)
            assert said == (each.count, each.each, None), (line, each.key)


def test_a_slow_kitchen_gets_smaller_ones(larder: Larder) -> None:
    (nobody_knows,) = proposed(larder, "44 kg hard red wheat", years=20)
    (slow,) = proposed(larder, "44 kg hard red wheat", a_week="300 g", years=20)
    assert sum(each.count for each in slow.containers) > sum(each.count for each in nobody_knows.containers)
    assert all(each.open_for for each in slow.containers)
    assert not any(each.open_for for each in nobody_knows.containers)


def test_no_absorber_for_sugar_whatever_it_is_put_in(larder: Larder) -> None:
    (sugar,) = proposed(larder, "2 kg white sugar")
    assert {each.closing for each in sugar.containers} == {Closing.LID}


def test_for_decades_it_is_foil(larder: Larder) -> None:
    """Source: common practice: bare plastic and thin film do not hold for decades."""
    (wheat,) = proposed(larder, "20 kg hard red wheat", years=25)
    assert all("foil" in each.name or "liner" in each.name for each in wheat.containers)


def test_what_is_in_stock_goes_first(larder: Larder) -> None:
    before = propose_packing(larder, [WantedLine(line="10 kg pearl barley")])
    assert before.buy
    assert before.guessed
    add_supply(larder, NewSupply(sort=Sort.BAGS, key="bag-gallon", count=8, cost="0.50"))
    after = propose_packing(larder, [WantedLine(line="10 kg pearl barley")])
    (used,) = after.lines[0].containers
    assert (used.key, used.in_stock, after.buy, after.cost, after.guessed) == ("bag-gallon", 4, [], "", False)


def test_bags_that_were_cut_down_are_offered_while_there_are_any(larder: Larder) -> None:
    bags = add_supply(larder, NewSupply(sort=Sort.BAGS, key="bag-gallon", count=1))
    cut_down(larder, bags)
    (barley,) = proposed(larder, "2.2 kg pearl barley")
    assert [each.key for each in barley.containers] == ["own:254x326x7"]
    found = proposed(larder, "2.2 kg pearl barley", "2.2 kg red lentils")
    assert sum(each.count for line in found for each in line.containers if each.key == "own:254x326x7") <= 1


def test_several_lots_share_what_is_in_stock(larder: Larder) -> None:
    add_supply(larder, NewSupply(sort=Sort.BAGS, key="bag-gallon", count=5, cost="0.50"))
    found = propose_packing(larder, [WantedLine(line="8 kg pearl barley"), WantedLine(line="8 kg red lentils")])
    bags = [each for line in found.lines for each in line.containers if each.key == "bag-gallon"]
    bought = next((int(each.split(" × ")[0]) for each in found.buy if "1 gal foil bag" in each), 0)
    assert sum(each.count for each in bags) <= 5 + bought
    assert found.optimal


@pytest.mark.parametrize(
    ("lines", "years", "field"),
    [
        ([], 10, "line"),
        (["10 kg pearl barley"] * 13, 10, "line"),
        (["10 kg pearl barley", "barley"], 10, "line.1"),
        (["10 kg unicorn"], 10, "line.0"),
        (["10 kg pearl barley"], 99, "horizon_years"),
    ],
)
def test_what_cannot_be_read(larder: Larder, lines: list[str], years: float, field: str) -> None:
    with pytest.raises(Refused) as refused:
        proposed(larder, *lines, years=years)
    assert refused.value.field == field


def test_what_the_kitchen_takes_is_read_like_any_weight(larder: Larder) -> None:
    with pytest.raises(Refused) as refused:
        proposed(larder, "10 kg pearl barley", a_week="lots")
    assert refused.value.field == "a_week.0"


def test_moisture_conditioning_and_openings_are_known(larder: Larder) -> None:
    """As on the bench: moist beans get no absorber, leeks that a jar proved do, and what is opened daily keeps less."""
    moist = propose_packing(larder, [WantedLine(line="5 kg pinto beans", moisture=14)]).lines[0]
    assert {each.closing for each in moist.containers} == {Closing.LID}
    assert "Too moist" in moist.left_out
    proved, unproved = (
        propose_packing(larder, [WantedLine(line="300 g dried leeks", conditioned=each)]).lines[0]
        for each in (True, False)
    )
    assert Closing.LID not in {each.closing for each in proved.containers}
    assert {each.closing for each in unproved.containers} == {Closing.LID}
    shut, daily = (
        propose_packing(larder, [WantedLine(line="2 kg rolled oats")], opened=opened).lines[0].containers[0].keeps
        for opened in (Opened.NEVER, Opened.DAILY)
    )
    assert int(daily.split()[-1]) < int(shut.split()[-1])
    with pytest.raises(Refused):
        propose_packing(larder, [WantedLine(line="5 kg pinto beans", moisture=140)])


@pytest.mark.parametrize("food", ["chicken thighs", "fresh onions", "frozen peas", "milk", "apples"])
def test_what_is_not_dry_is_told_where_it_goes(larder: Larder, food: str) -> None:
    """By its own line, whichever that is: it goes into the cold, or is dried first."""
    with pytest.raises(Refused) as refused:
        proposed(larder, "10 kg white rice", f"2 kg {food}")
    assert refused.value.field == "line.1"
    assert "is not dry. Put it away in the fridge or freezer" in refused.value.message
