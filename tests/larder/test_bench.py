from dataclasses import replace
from typing import Any

import pytest
from hypothesis import HealthCheck, assume, event, given, settings
from hypothesis import strategies as st

from yellow_larder import reference
from yellow_larder.core.containers import Closing
from yellow_larder.core.findings import Severity
from yellow_larder.core.shelf_life import School
from yellow_larder.larder.asking import Ask, Sizing
from yellow_larder.larder.bench import plan
from yellow_larder.larder.larder import Larder, Settings, settle
from yellow_larder.larder.quantities import Units
from yellow_larder.larder.refusals import Refused

BARLEY = Ask(line="10 kg pearl barley", container="bag-gallon")
SHARED = settings(deadline=None, suppress_health_check=list(HealthCheck), max_examples=60)


def test_barley_in_gallon_bags(larder: Larder) -> None:
    """10 kg make four bags alike; energy by hand from 352 kcal per 100 g (USDA 20005)."""
    shown = plan(larder, BARLEY)
    assert (shown.full.count, shown.rest, shown.full.mass) == (4, None, "2.5 kg")
    assert shown.kcal == pytest.approx(10_000 * 3.52)
    assert shown.person_days == pytest.approx(35_200 / 2200)
    assert shown.full.solid_ml == pytest.approx(2500 / 1.40)
    assert shown.full.packed_ml >= shown.full.need_ml > shown.full.oxygen_ml > 0
    assert (shown.verdict.word, shown.verdict.severity) == ("Go", Severity.MIND)
    assert plan(larder, replace(BARLEY, outer=True)).verdict.severity is Severity.GOOD


@SHARED
@given(
    food=st.sampled_from(sorted(reference.foods())),
    container=st.sampled_from(sorted(reference.containers())),
    grams=st.floats(50, 30_000),
    headspace=st.none() | st.floats(0, 60),
    sizing=st.sampled_from(Sizing),
)
def test_nothing_is_lost_between_the_sack_and_the_bags(
    larder: Larder, food: str, container: str, grams: float, headspace: float | None, sizing: Sizing
) -> None:
    """Whatever is asked: the weights add up to the lot, and energy to that of the lot."""
    ask = Ask(food=food, amount=f"{grams:.1f} g", container=container, headspace_mm=headspace, sizing=sizing)
    try:
        shown = plan(larder, ask)
    except Refused as refusal:
        # The one fair refusal: hundreds of containers, or hundreds of packets in one.
        event(refusal.message[:30])
        assume(refusal.field not in ("container", "headspace"))
        raise
    packed = [shown.full, *([shown.rest] if shown.rest else [])]
    assert sum(each.mass_g * each.count for each in packed) == pytest.approx(shown.amount_g, abs=1.1)
    assert sum(each.kcal * each.count for each in packed) == pytest.approx(shown.kcal, rel=1e-6, abs=0.01)
    for each in packed:
        assert each.void_ml >= 0
        assert each.headspace_mm >= 0
        assert sum(p.size_ml * p.count for p in each.packets) == each.packed_ml >= each.need_ml - 1e-3
        if headspace is not None and shown.rest is not None and each is shown.full:
            assert each.headspace_mm == pytest.approx(headspace, abs=0.01)


def test_the_weight_in_each_sets_the_rest(larder: Larder) -> None:
    shown = plan(larder, replace(BARLEY, fill="3 kg"))
    assert (shown.full.count, shown.full.mass_g) == (3, 3000)
    assert shown.rest is not None
    assert shown.rest.mass_g == pytest.approx(1000)
    assert shown.count == 4


def test_pressing_takes_only_the_headspace(larder: Larder) -> None:
    pressed, loose = (plan(larder, replace(BARLEY, pressed=p, fill="2 kg")).full for p in (True, False))
    assert pressed.headspace_ml == 0 < loose.headspace_ml
    assert pressed.between_ml == loose.between_ml


def test_schools_against_the_air(larder: Larder) -> None:
    """Macaroni is airy: by container a gallon gets 400 (common practice), and its air holds more oxygen."""
    shown = plan(larder, Ask(line="5 kg macaroni", container="bag-gallon", headspace_mm=50, sizing=Sizing.CONTAINER))
    by_air, by_container = shown.schools
    assert (by_container.asks_ml, by_container.covers) == (400, False)
    assert by_air.covers
    assert "packets-short" in {finding.code for finding in shown.verdict.findings}


def test_high_up_the_need_is_less(larder: Larder) -> None:
    sea = plan(larder, BARLEY).full.oxygen_ml
    settle(larder, Settings(altitude_m=1600))
    assert plan(larder, BARLEY).full.oxygen_ml == pytest.approx(sea * 0.824, rel=0.01)


def test_sugar_is_not_given_an_absorber_unless_asked(larder: Larder) -> None:
    assert plan(larder, Ask(line="5 kg sugar")).closing is Closing.LID
    asked = plan(larder, Ask(line="5 kg sugar", closing=Closing.ABSORBER))
    assert (asked.verdict.word, asked.verdict.findings[0].code) == ("Stop", "absorber-with-sugar")
    assert plan(larder, Ask(line="5 kg sugar")).best_by.text == "keeps"


def test_shown_in_the_households_units(larder: Larder) -> None:
    settle(larder, Settings(units=Units.US))
    shown = plan(larder, Ask(line="20 lb white rice", headspace="2 in"))
    assert shown.amount == "20 lb"
    assert "lb" in shown.full.mass
    assert shown.full.headspace == "2 in"
    assert shown.container_size == "10 in × 14 in, 7 mil"


def test_schools_of_shelf_life_are_in_order(larder: Larder) -> None:
    dates = []
    for school in School:
        settle(larder, Settings(school=school))
        best_by = plan(larder, BARLEY).best_by
        dates.append(best_by.chosen)
        assert best_by.cautious
        assert best_by.hopeful
        assert best_by.chosen
        assert best_by.cautious <= best_by.chosen <= best_by.hopeful
    assert dates == sorted(dates)  # type: ignore[type-var]


def test_a_bag_of_ones_own(larder: Larder) -> None:
    """The worked bag of 10 × 14 in, whose seal takes an inch: 9,000 g of anything never fits."""
    shown = plan(larder, replace(BARLEY, own_bag="10 x 14 in"))
    assert shown.container == "own:254x356x7"
    assert shown.full.count == 4
    thin = plan(larder, replace(BARLEY, own_bag="10 x 14 in", own_film_mil=3))
    assert "film-thin" in {finding.code for finding in thin.verdict.findings}


@pytest.mark.parametrize(
    ("field", "says", "change"),
    [
        ("line", "not in the table", {"line": "10 kg unobtainium"}),
        ("line", "below zero", {"line": "-10 kg barley"}),
        ("line", "more than 5,000 kg", {"line": "10,000 t barley"}),
        ("line", "characters", {"line": "x" * 5_000_000}),
        ("fill", "More than fits: a 1 gal foil bag takes 3.81 kg", {"fill": "9 kg"}),
        ("fill", "zero", {"fill": "0 kg"}),
        ("fill", "Write an amount", {"fill": "lots"}),
        ("headspace", "Write a length", {"headspace": "a hand"}),
        ("headspace", "between 0 and", {"headspace": "90 cm"}),
        ("headspace", "between 0 and", {"headspace_mm": -5.0}),
        ("own_bag", "Too short to close: the seal alone takes 2.5 cm", {"own_bag": "10 x 2 cm"}),
        ("own_bag", "width", {"own_bag": "1 x 30 cm"}),
        ("own_bag", "length", {"own_bag": "30 x 900 cm"}),
        ("own_bag", "film", {"own_bag": "25 x 35 cm", "own_film_mil": 0.0}),
        ("moisture", "between 0 and 100", {"moisture": 140.0}),
        ("horizon_years", "between 0.1 and 40", {"horizon_years": 400.0}),
        ("closing", "not closed that way", {"closing": Closing.VACUUM}),
        ("container", "not in the table", {"container": "cauldron"}),
        ("container", "pick a larger", {"line": "4 t barley", "container": "jar-half-pint"}),
        ("place", "not there", {"place": 99}),
    ],
)
def test_what_cannot_be_done_is_said_at_its_field(
    larder: Larder, field: str, says: str, change: dict[str, Any]
) -> None:
    with pytest.raises(Refused) as refusal:
        plan(larder, replace(BARLEY, **change))
    assert refusal.value.field == field
    assert says.lower() in refusal.value.message.lower()
    assert len(refusal.value.message) < 200


def test_packets_too_small_for_the_need(larder: Larder) -> None:
    settle(larder, Settings(packet_sizes=(20,)))
    with pytest.raises(Refused, match="too small"):
        plan(larder, Ask(line="12 kg rolled oats", container="bag-5-gallon"))
