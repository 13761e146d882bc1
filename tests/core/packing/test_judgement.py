import pytest

from tests.support.packages import case
from yellow_larder import reference
from yellow_larder.core.containers import Closing
from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.finding import Amount, Severity, Unit
from yellow_larder.core.keeping import Climate
from yellow_larder.core.packing import Case, judge, protections


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
        ("pearl-barley", 12.0, False),
        ("pearl-barley", 13.6, True),
    ],
)
def test_the_moisture_line(food: str, moisture: float, stops: bool) -> None:
    """Source: common practice, 10 %; traded grain to 13.5 %."""
    assert ("absorber-with-moist" in codes(case(food, moisture=moisture), Severity.STOP)) is stops


def test_eggs_die_without_oxygen_if_it_stays_away_for_long_enough() -> None:
    """Weeks, warm rooms faster (common practice); a leaking wall, openings or a weak vacuum let them live."""
    assert "no-air-to-breathe" in codes(case("pearl-barley"))
    assert "not-freeze-killed" in codes(case("pearl-barley", climate=Climate(4, 2, 0.5)))
    assert "not-freeze-killed" in codes(case("pearl-barley", opened=1.0))
    assert "not-freeze-killed" in codes(case("pearl-barley", packets=0.5))
    for left_kpa, lives in ((4, False), (9, False), (12, False), (18, True), (32, True)):
        jar = case("pearl-barley", "jar-quart", Closing.VACUUM, left_kpa=left_kpa)
        assert ("not-freeze-killed" in codes(jar)) is lives
        assert ("insects inside" not in closed(jar)) is lives
    (mind,) = [each for each in judge(jar) if each.code == "not-freeze-killed"]
    assert "This vacuum leaves 7 % oxygen" in mind.why
    assert "wear a mask" in mind.why
    flour = case("white-flour", "jar-quart", Closing.LID)
    (mind,) = [each for each in judge(flour) if each.code == "not-freeze-killed"]
    assert "does not belong into flour" in mind.why


@pytest.mark.parametrize("food", ["hazelnuts", "raisins", "dried-apples", "rolled-oats", "dark-chocolate"])
def test_nuts_dried_fruit_and_flakes_bring_insects_too(food: str) -> None:
    """Source: common practice."""
    assert "not-freeze-killed" in codes(case(food, "jar-quart", Closing.LID), Severity.MIND)


@pytest.mark.parametrize("food", ["salt", "white-sugar", "honey", "fd-beef"])
def test_no_insects_come_with_what_nothing_lives_in(food: str) -> None:
    assert "not-freeze-killed" not in codes(case(food, "jar-quart", Closing.LID))
    assert "insects inside" in closed(case(food, "jar-quart", Closing.LID))


def test_what_stands_in_a_freezer_is_not_told_to_be_frozen_first() -> None:
    frozen = case("pearl-barley", "jar-quart", Closing.LID, climate=Climate(-18, 2, 0.5))
    assert "not-freeze-killed" not in codes(frozen)
    assert "insects inside" in closed(frozen)


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
        ("packets-short", case("pearl-barley", packets=0.8)),
        ("wall-breathes", case("pearl-barley", "pail-5-gallon")),
        ("moist-in-closed", case("raisins", closing=Closing.LID, moisture=20)),
    ],
)
def test_things_to_mind(code: str, of: Case) -> None:
    assert code in codes(of, Severity.MIND)


def test_oily_food_for_a_few_months_is_fine() -> None:
    assert "oily-for-years" not in codes(case("hazelnuts", years=0.5))


def test_every_finding_says_why_and_names_a_source() -> None:
    for food in reference.foods():
        for finding in judge(case(food, "clear-quart", outer=False, packets=0.05)):
            assert finding.says
            assert finding.why
            assert finding.source


def test_stops_come_first() -> None:
    severities = [finding.severity for finding in judge(case("brown-sugar", "bag-gallon-thin", outer=False))]
    assert severities == sorted(severities, key=list(Severity).index)
    assert severities[0] is Severity.STOP


def closed(of: Case) -> set[str]:
    return {each.threat for each in protections(of) if each.closed}


def test_all_six_protections_in_place() -> None:
    assert len(closed(case("pearl-barley"))) == 6


@pytest.mark.parametrize(
    ("threat", "of"),
    [
        ("rodents", case("pearl-barley", outer=False)),
        ("oxygen", case("pearl-barley", "pail-5-gallon", years=10)),
        ("light", case("pearl-barley", "jar-quart", outer=False)),
        ("insects outside", case("pearl-barley", "packet-1-kg", Closing.LID)),
        ("insects inside", case("pearl-barley", "jar-quart", Closing.LID)),
        ("damp", case("pearl-barley", "packet-1-kg", Closing.LID, climate=Climate(16, 4, 0.85))),
    ],
)
def test_a_protection_that_is_missing(threat: str, of: Case) -> None:
    assert threat not in closed(of)


def test_an_outer_closes_the_guard_against_light() -> None:
    for container in ("jar-quart", "bag-gallon-thin"):
        assert "light" in closed(case("pearl-barley", container))
        assert "light" not in closed(case("pearl-barley", container, outer=False))
    assert "wall-clear" not in codes(case("pearl-barley", "jar-quart"))
    assert "light" in closed(case("pearl-barley", outer=False))


def test_the_guard_against_oxygen_is_read_off_the_course() -> None:
    for years in (0.2, 1, 10):
        pail = case("pearl-barley", "pail-5-gallon", years=years)
        back = float(pail.course.oxygen_back_days[0])
        assert ("oxygen" in closed(pail)) is (back >= years * 365.25)
        assert ("wall-breathes" in codes(pail)) is (back < years * 365.25)


@pytest.mark.parametrize(
    ("of", "by"),
    [
        (case("pearl-barley", opened=1 / 7), "opened too often"),
        (case("pearl-barley", "pail-5-gallon"), "wall lets oxygen in"),
        (case("pearl-barley", packets=0.5), "too few absorbers"),
        (case("pearl-barley", "jar-quart", Closing.LID), "air inside"),
        (case("pearl-barley", "jar-quart", Closing.VACUUM), "3.7 % left in"),
        (case("pearl-barley", "pouch-quart", Closing.VACUUM), "wall lets oxygen in"),
    ],
)
def test_a_protection_that_is_missing_names_its_true_reason(of: Case, by: str) -> None:
    assert next((each.closed, each.by) for each in protections(of) if each.threat == "oxygen") == (False, by)


def test_freezing_closes_the_first_guard_without_packets() -> None:
    assert "insects inside" in closed(case("pearl-barley", "jar-quart", Closing.LID, frozen=True))


@pytest.mark.parametrize(("field", "value"), [("moisture", -1), ("moisture", 101), ("years", 0), ("years", 41)])
def test_figures_out_of_range(field: str, value: float) -> None:
    with pytest.raises(OutOfRange, match="moisture_pct" if field == "moisture" else "horizon_years"):
        case("pearl-barley", **{field: value})  # type: ignore[arg-type]


COOL, WARM = Climate(10, 2, 0.5), Climate(22, 14, 0.5)


@pytest.mark.parametrize(
    ("food", "moisture", "climate", "stops"),
    [
        ("pinto-beans", 12.5, COOL, False),
        ("pinto-beans", 13.5, WARM, True),
        ("pinto-beans", 14.0, COOL, True),
        ("walnuts", 7.5, COOL, True),
        ("walnuts", 4.1, WARM, False),
    ],
)
def test_either_rule_says_what_is_moist(food: str, moisture: float, climate: Climate, stops: bool) -> None:
    """Source: nothing grows below 0.60, mould from 0.65 (ICMSF, from memory); grain is traded at 10–13.5 %."""
    for closing, container, code in (
        (Closing.ABSORBER, "bag-gallon", "absorber-with-moist"),
        (Closing.VACUUM, "jar-quart", "vacuum-with-moist"),
    ):
        of = case(food, container, closing, moisture=moisture, climate=climate)
        assert (code in codes(of, Severity.STOP)) is stops


def test_home_dried_food_has_the_ten_per_cent_line_whatever_its_activity() -> None:
    """Source: common practice."""
    assert "absorber-with-moist" in codes(case("dried-leeks", moisture=11), Severity.STOP)
    (finding,) = [found for found in judge(case("dried-leeks", moisture=9)) if found.code == "dry-enough"]
    assert finding.figures.startswith("9.0 % moisture, a water activity of 0.")
    assert finding.figures.endswith("at {warmest}, the store's warmest; nothing grows below 0.60")
    assert finding.amounts["warmest"] == Amount(22, Unit.CELSIUS)


LADDER = [
    ("fd-chicken", 75, "too-wet"),
    ("dried-mushrooms", 50, "too-wet"),
    ("white-rice", 18, "too-wet"),
    ("dried-beef", 15, "moist-in-closed"),
    ("hazelnuts", 7, "moist-in-closed"),
    ("dried-plums", 22, "moist-in-closed"),
    ("raisins", 15, "dry-enough-with-air"),
    ("pearl-barley", 11, "dry-enough"),
]


@pytest.mark.parametrize(("food", "moisture", "code"), LADDER)
def test_one_ladder_for_every_closing(food: str, moisture: float, code: str) -> None:
    """Source: germs that poison grow above 0.85 (FDA 21 CFR 114, from memory), mould above 0.65."""
    lid = case(food, "jar-quart", Closing.LID, moisture=moisture)
    assert code in codes(lid)
    assert (code in codes(lid, Severity.STOP)) is (code == "too-wet")
    for closing in (Closing.ABSORBER, Closing.VACUUM):
        airless = case(food, "jar-quart", closing, moisture=moisture)
        assert bool(codes(airless, Severity.STOP)) is (code != "dry-enough")
        stop = next((each for each in judge(airless) if each.severity is Severity.STOP), None)
        assert stop is None or "local food-safety authority" in stop.why


def test_cold_keeping_is_the_way_out() -> None:
    frozen = case("fd-chicken", "pouch-quart", Closing.VACUUM, moisture=75, climate=Climate(-18, 2, 0.5))
    assert not codes(frozen, Severity.STOP)
    assert "kept-frozen" in codes(frozen, Severity.MIND)


@pytest.mark.parametrize(("closing", "code"), [(Closing.ABSORBER, "absorber"), (Closing.VACUUM, "vacuum")])
def test_what_no_jar_has_proved_is_stopped_without_air(closing: Closing, code: str) -> None:
    unproven = case("dried-leeks", "jar-quart", closing, unproven=True)
    assert f"{code}-unconditioned" in codes(unproven, Severity.STOP)
    assert "unconditioned" in codes(case("dried-leeks", "jar-quart", Closing.LID, unproven=True), Severity.MIND)


@pytest.mark.parametrize(
    ("food", "first"),
    [
        ("honey", "absorber-with-moist"),
        ("white-sugar", "absorber-with-sugar"),
        ("salt", "absorber-with-salt"),
        ("dark-chocolate", "oily-for-years"),
        ("skim-milk-powder", None),
    ],
)
def test_the_first_reason_is_the_real_one(food: str, first: str | None) -> None:
    """Honey: its moisture; chocolate: its fat; sugar and salt set like brick; milk powder is fine."""
    found = judge(case(food))
    worst = found[0]
    assert (worst.code if worst.severity is not Severity.GOOD else None) == first
    assert food != "dark-chocolate" or not any("brick" in each.says for each in found)


@pytest.mark.parametrize(
    ("food", "moisture"), [("skim-milk-powder", 9.8), ("fd-beef-stew", 9.8), ("onion-powder", 9.5)]
)
def test_what_clumps_or_is_soft_already_is_said(food: str, moisture: float) -> None:
    assert "already-moist" in codes(case(food, moisture=moisture), Severity.MIND)


@pytest.mark.parametrize("food", ["white-flour", "semolina", "cornmeal", "dried-apples", "raisins", "brown-sugar"])
def test_what_has_no_crack_is_not_judged_as_crisp(food: str) -> None:
    """Flour pours at what it is sold at, leathery fruit bends, brown sugar is to be moist."""
    assert not codes(case(food, "jar-quart", Closing.LID)) & {"already-moist", "goes-soft"}


def test_brown_sugar_is_to_stay_moist() -> None:
    """Source: sugar handbooks, from memory: soft at 0.50–0.60, hard in drier air; no gel with it."""
    dry = Climate(18, 4, 0.3)
    bag = "packet-1-kg"
    assert "dries-hard" in codes(case("brown-sugar", bag, Closing.LID, climate=dry), Severity.MIND)
    assert "stays-moist" in codes(case("brown-sugar", "can-10", Closing.LID, years=1, climate=dry), Severity.GOOD)
    assert "stays-moist" in codes(case("brown-sugar", bag, Closing.LID, climate=Climate(18, 4, 0.6)))
    assert "gel-sets-hard" in codes(case("brown-sugar", "jar-quart", Closing.LID, gel_g=20), Severity.MIND)
    others = {"dries-hard", "stays-moist", "gel-sets-hard"}
    assert not codes(case("white-sugar", bag, Closing.LID, climate=dry, gel_g=20)) & others


def test_packets_that_overshoot_four_times_get_a_line() -> None:
    assert "packets-many" in codes(case("pearl-barley", packets=4.5), Severity.GOOD)
    assert "packets-cover" in codes(case("pearl-barley", packets=1.5), Severity.GOOD)


def test_light_turns_no_oil_of_salt_and_clear_film_is_no_foil() -> None:
    assert "wall-clear" not in codes(case("salt", "jar-quart", Closing.LID, outer=False))
    (film,) = [each for each in judge(case("pearl-barley", "pouch-quart", Closing.VACUUM)) if each.code == "film-thin"]
    assert film.says == "Thin film"


def test_plastic_stops_mice_and_says_that_rats_gnaw_it() -> None:
    by = {each.threat: each for each in protections(case("pearl-barley", "pail-5-gallon", outer=False))}
    assert (by["rodents"].closed, by["rodents"].by) == (True, "mice, not rats")
