from dataclasses import replace

import pytest

from tests.conftest import Clock
from tests.support.runs import filled, seen
from yellow_larder.core.containers import Closing
from yellow_larder.core.finding import Severity
from yellow_larder.core.keeping import Ends
from yellow_larder.features.household.larder import Larder, NewPlace, add_place
from yellow_larder.features.packing.pack import pack
from yellow_larder.features.packing.plan import MoistureInside
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask, Opened
from yellow_larder.features.run import steps
from yellow_larder.features.shelves.labels import labels
from yellow_larder.features.supplies.events import Sort
from yellow_larder.features.supplies.supplies import NewSupply, add_supply
from yellow_larder.features.supplies.view import see_supplies
from yellow_larder.words.errors import Refused

LEEKS = Ask(line="150 g dried leeks", container="jar-quart", closing=Closing.LID, horizon_years=1, moisture=6)


def moisture(larder: Larder, ask: Ask) -> MoistureInside:
    found = plan(larder, ask).moisture
    assert found is not None
    return found


def codes(larder: Larder, ask: Ask) -> dict[str, Severity]:
    return {each.code: each.severity for each in plan(larder, ask).verdict.findings}


def test_a_jar_that_is_opened_daily_goes_soft_and_gel_holds_it(larder: Larder) -> None:
    shut, daily = moisture(larder, LEEKS), moisture(larder, replace(LEEKS, opened=Opened.DAILY, horizon_years=10))
    assert (shut.stays, shut.ends_days, shut.gel_packets) == ("crisp", None, 0) or (shut.ends_days or 0) > 365
    assert daily.ends is Ends.SOFT
    assert daily.ends_days is not None
    assert daily.ends_days < 10 * 365
    assert "goes-soft" in codes(larder, replace(LEEKS, opened=Opened.DAILY, horizon_years=10))
    assert daily.gel_wanted is not None
    assert f"{daily.gel_wanted} × 10 g of gel would hold it for the whole time" in daily.says
    with_gel = moisture(larder, replace(LEEKS, opened=Opened.DAILY, horizon_years=10, gel=True))
    assert with_gel.gel_packets == daily.gel_wanted
    assert with_gel.ends_days is None or with_gel.ends_days >= 10 * 365
    assert "goes-soft" not in codes(larder, replace(LEEKS, opened=Opened.DAILY, horizon_years=10, gel=True))


def test_never_both_packets(larder: Larder) -> None:
    both = replace(LEEKS, closing=Closing.ABSORBER, gel=True)
    assert codes(larder, both)["gel-with-absorber"] is Severity.STOP
    with pytest.raises(Refused):
        pack(larder, both)
    assert "gel-with-absorber" not in codes(larder, replace(LEEKS, gel=True))


def test_gel_does_not_reach_through_powder(larder: Larder) -> None:
    flour = Ask(line="1 kg white flour", container="jar-half-gallon", closing=Closing.LID, gel=True, horizon_years=1)
    assert codes(larder, flour)["gel-in-powder"] is Severity.MIND


def test_the_shops_packet_in_a_damp_place_lets_it_in(larder: Larder) -> None:
    number = add_place(larder, NewPlace("Wash house", "cellar", mean_c=16, warmest_c=20, humidity=0.85))
    wheat = Ask(line="5 kg hard red wheat", container="packet-5-kg", closing=Closing.LID, place=number, moisture=11)
    seen_there = moisture(larder, replace(wheat, horizon_years=25))
    assert seen_there.ends is Ends.MOULD
    assert seen_there.ends_days is not None
    assert codes(larder, replace(wheat, horizon_years=25))["moisture-comes-in"] is Severity.MIND
    each = next(each for each in plan(larder, replace(wheat, horizon_years=25)).protections if each.threat == "damp")
    assert (each.closed, each.by) == (False, "wall lets it in")
    # Thick plastic lets oxygen through within years, but so little damp that a pail of wheat never grows mouldy.
    lined = replace(wheat, line="14 kg hard red wheat", container="pail-5-gallon", horizon_years=25)
    assert "moisture-comes-in" not in codes(larder, lined)
    assert next(each for each in plan(larder, lined).protections if each.threat == "damp").closed


def test_the_course_lies_within_its_band(larder: Larder) -> None:
    shown = moisture(larder, replace(LEEKS, opened=Opened.WEEKLY, horizon_years=5))
    assert shown.course[0].likely == pytest.approx(shown.starts, abs=1e-3)
    assert [point.days for point in shown.course] == sorted(point.days for point in shown.course)
    assert all(point.low <= point.likely <= point.high for point in shown.course)
    assert shown.units > 0 or shown.source


def test_sugar_has_no_course_and_wet_food_none_either(larder: Larder) -> None:
    assert plan(larder, Ask(line="2 kg white sugar", container="jar-quart", closing=Closing.LID)).moisture is None
    assert plan(larder, replace(LEEKS, moisture=75)).moisture is None
    assert moisture(larder, replace(LEEKS, moisture=30)).says == "Not crisp when it is closed: dry it further."


def test_gel_stands_on_the_label_and_leaves_the_supplies(larder: Larder, clock: Clock) -> None:
    add_supply(larder, NewSupply(sort=Sort.DESICCANT, key="5", count=9))
    packed = pack(larder, replace(LEEKS, gel=True)).numbers
    assert labels(larder, numbers=[packed[0]])[0].packets == "1 × 5 g gel: not food"
    run = filled(larder, replace(LEEKS, gel=True))
    steps.close_one(larder, run, 1)
    assert seen(larder).containers[0].closed
    gel = next(each for each in see_supplies(larder).supplies if each.sort is Sort.DESICCANT)
    # Two jars packed from the bench took one each, and the run one more.
    assert gel.count == 9 - 2 - 1
