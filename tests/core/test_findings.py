from dataclasses import replace

import pytest

from yellow_larder import reference
from yellow_larder.core.case import Case
from yellow_larder.core.containers import Closing, volume_below_ml
from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.finding import Severity
from yellow_larder.core.findings import judge
from yellow_larder.core.guards import guards
from yellow_larder.core.oxygen import fill


def case(
    food: str,
    container: str = "bag-gallon",
    closing: Closing = Closing.ABSORBER,
    *,
    moisture: float | None = None,
    years: float = 10,
    outer: bool = True,
    packed_ml: float = 400,
) -> Case:
    f, c = reference.foods()[food], reference.containers()[container]
    mass = 0.8 * volume_below_ml(c, 0) * f.settled_g_ml
    return Case(
        food=f,
        moisture_pct=f.composition.water_g if moisture is None else moisture,
        container=c,
        closing=closing,
        outer=outer,
        horizon_years=years,
        fill=fill(c, f, mass, pressed=True),
        need_ml=360,
        packed_ml=packed_ml,
    )


def codes(of: Case, severity: Severity | None = None) -> set[str]:
    return {finding.code for finding in judge(of) if severity in (None, finding.severity)}


@pytest.mark.parametrize(
    ("food", "code"),
    [
        ("white-sugar", "absorber-with-sugar"),
        ("icing-sugar", "absorber-with-sugar"),
        ("salt", "absorber-with-salt"),
        ("brown-sugar", "absorber-with-moist"),
        ("raisins", "absorber-with-moist"),
        ("dried-plums", "absorber-with-moist"),
    ],
)
def test_never_an_absorber(food: str, code: str) -> None:
    """Source: common practice, under "Never"."""
    assert code in codes(case(food), Severity.STOP)
    assert not codes(case(food, closing=Closing.LID), Severity.STOP)


@pytest.mark.parametrize(
    ("food", "moisture", "stops"),
    [
        ("dried-pears", 9.9, False),
        ("dried-pears", 10.1, True),
        ("pearl-barley", 12.5, False),
        ("pearl-barley", 13.6, True),
    ],
)
def test_the_moisture_line(food: str, moisture: float, stops: bool) -> None:
    """Source: common practice, 10 %; traded grain to 13.5 %."""
    assert ("absorber-with-moist" in codes(case(food, moisture=moisture), Severity.STOP)) is stops


def test_eggs_die_without_oxygen_if_it_stays_away_for_long_enough() -> None:
    """Weeks, warm rooms faster (common practice); a leaking wall or a weak vacuum lets them live."""
    bag = case("pearl-barley")
    assert "no-air-to-breathe" in codes(bag)
    assert "no-air-to-breathe" in codes(replace(bag, holds_days=100.0, store_c=20))
    assert "not-freeze-killed" in codes(replace(bag, holds_days=10.0, store_c=20))
    assert "not-freeze-killed" in codes(replace(bag, store_c=4))
    jar = replace(case("pearl-barley", "jar-quart", Closing.VACUUM), store_c=20)
    assert "no-air-to-breathe" in codes(replace(jar, oxygen_left=0.01))
    assert "not-freeze-killed" in codes(replace(jar, oxygen_left=0.04))
    assert "insects inside" not in closed(replace(jar, oxygen_left=0.04))
    (mind,) = [each for each in judge(replace(jar, oxygen_left=0.04)) if each.code == "not-freeze-killed"]
    assert "This vacuum leaves 4% oxygen" in mind.why
    assert "wear a mask" in mind.why
    flour = replace(case("white-flour", "jar-quart", Closing.LID), store_c=20)
    (mind,) = [each for each in judge(flour) if each.code == "not-freeze-killed"]
    assert "does not belong into flour" in mind.why


def test_nothing_to_mind_with_good_barley_in_a_good_bag() -> None:
    assert codes(case("pearl-barley")) == {"dry-enough", "no-air-to-breathe", "packets-cover", "pull-down"}


@pytest.mark.parametrize(
    ("code", "of"),
    [
        ("film-thin", case("pearl-barley", "bag-gallon-thin")),
        ("wall-clear", case("pearl-barley", "jar-quart", outer=False)),
        ("no-outer", case("pearl-barley", outer=False)),
        ("oily-for-years", case("hazelnuts", years=2)),
        ("still-raw", case("fd-raw-chicken")),
        ("packets-short", case("pearl-barley", packed_ml=300)),
        ("wall-breathes", case("pearl-barley", "pail-5-gallon")),
        ("moist-in-closed", case("raisins", closing=Closing.LID)),
    ],
)
def test_things_to_mind(code: str, of: Case) -> None:
    assert code in codes(of, Severity.MIND)


def test_oily_food_for_a_few_months_is_fine() -> None:
    assert "oily-for-years" not in codes(case("hazelnuts", years=0.5))


def test_every_finding_says_why_and_names_a_source() -> None:
    for food in reference.foods():
        for finding in judge(case(food, "clear-quart", outer=False, packed_ml=10)):
            assert finding.says
            assert finding.why
            assert finding.source


def test_stops_come_first() -> None:
    severities = [finding.severity for finding in judge(case("brown-sugar", "bag-gallon-thin", outer=False))]
    assert severities == sorted(severities, key=list(Severity).index)
    assert severities[0] is Severity.STOP


def closed(of: Case) -> set[str]:
    return {guard.threat for guard in guards(of) if guard.closed}


def test_all_six_guards_closed() -> None:
    assert len(closed(case("pearl-barley"))) == 6


@pytest.mark.parametrize(
    ("threat", "of"),
    [
        ("rodents", case("pearl-barley", outer=False)),
        ("oxygen", case("pearl-barley", "pail-5-gallon", years=10)),
        ("light", case("pearl-barley", "jar-quart", outer=False)),
        ("insects outside", case("pearl-barley", "packet-1-kg", Closing.LID)),
        ("insects inside", case("pearl-barley", "jar-quart", Closing.LID)),
        ("damp", case("pearl-barley", "packet-1-kg", Closing.LID)),
    ],
)
def test_an_open_guard(threat: str, of: Case) -> None:
    assert threat not in closed(of)


def test_an_outer_closes_the_guard_against_light() -> None:
    for container in ("jar-quart", "bag-gallon-thin"):
        assert "light" in closed(case("pearl-barley", container))
        assert "light" not in closed(case("pearl-barley", container, outer=False))
    assert "wall-clear" not in codes(case("pearl-barley", "jar-quart"))
    assert "light" in closed(case("pearl-barley", outer=False))


def test_the_guard_against_oxygen_goes_by_what_is_reckoned() -> None:
    pail = case("pearl-barley", "pail-5-gallon", years=1)
    assert "oxygen" in closed(pail)
    assert "oxygen" in closed(replace(pail, holds_days=400.0))
    assert "oxygen" not in closed(replace(pail, holds_days=147.0))
    # A pail of which it is reckoned that it holds for ten years is as good as foil.
    assert "oxygen" in closed(replace(case("pearl-barley", "pail-5-gallon", years=10), holds_days=4000.0))


def test_freezing_closes_the_first_guard_without_packets() -> None:
    assert "insects inside" in closed(replace(case("pearl-barley", closing=Closing.LID), frozen=True))


@pytest.mark.parametrize(("field", "value"), [("moisture_pct", -1), ("moisture_pct", 101), ("horizon_years", 0)])
def test_figures_out_of_range(field: str, value: float) -> None:
    with pytest.raises(OutOfRange, match=field):
        replace(case("pearl-barley"), **{field: value})


@pytest.mark.parametrize(
    ("moisture", "activity", "stops"),
    [(12.5, 0.58, False), (12.5, 0.64, False), (12.5, 0.67, True), (9.5, 0.7, False), (14.0, 0.55, True)],
)
def test_traded_grain_passes_by_water_activity(moisture: float, activity: float, stops: bool) -> None:
    """Source: nothing grows below 0.60, mould from 0.65 (ICMSF, from memory); grain is traded at 10–13.5 %."""
    of = replace(case("pinto-beans", moisture=moisture), water_activity=activity, warmest_c=26)
    assert ("absorber-with-moist" in codes(of, Severity.STOP)) is stops


def test_home_dried_food_has_the_ten_per_cent_line_whatever_its_activity() -> None:
    """Source: common practice."""
    wet = replace(case("dried-leeks", moisture=11), water_activity=0.4)
    assert "absorber-with-moist" in codes(wet, Severity.STOP)
    dry = replace(case("dried-leeks", moisture=9), water_activity=0.35)
    (finding,) = [found for found in judge(dry) if found.code == "dry-enough"]
    assert finding.figures == (
        "9.0 % moisture, a water activity of 0.35 at 21 °C, the store's warmest; nothing grows below 0.60"
    )


def test_what_can_mould_is_minded_however_it_is_closed() -> None:
    jar = replace(case("hazelnuts", "jar-quart", Closing.LID, moisture=8.5), water_activity=0.71)
    (finding,) = [found for found in judge(jar) if found.code == "moist-in-closed"]
    assert finding.figures.endswith("mould grows above 0.65")


def test_a_water_activity_that_cannot_be() -> None:
    with pytest.raises(OutOfRange):
        replace(case("pearl-barley"), water_activity=1.2)
