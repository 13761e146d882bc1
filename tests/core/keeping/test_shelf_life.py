import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import quad

from yellow_larder import reference
from yellow_larder.core.containers import Closing
from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.keeping import (
    COOL_STRETCH,
    LONGEST_DAYS,
    Ageing,
    Estimate,
    Packing,
    ageing_rate,
    days_left,
    most_days,
    packing_class,
    share_left,
)

YEAR = reference.DAYS_PER_YEAR
NOT_OVER = np.zeros(1)


def test_dried_fruit_by_temperature() -> None:
    """Source: US extension advice: dried fruit keeps 1 year at 16 °C (60 °F) and 6 months at 27 °C (80 °F)."""
    fruit, q10 = (
        reference.lives()["dried fruit", Packing.AIR].days,
        reference.life_classes()["dried fruit"].q10,
    )
    cool, warm = (fruit.customary / ageing_rate(t, 0, q10) / YEAR for t in (16, 27))
    assert cool == pytest.approx(1.0, abs=0.15)
    assert warm == pytest.approx(0.5, abs=0.1)


@pytest.mark.parametrize(
    ("life", "packing", "low", "high"),
    [
        ("hard grain", Packing.FOIL, 25, 30),
        ("flakes", Packing.FOIL, 25, 30),
        ("pulses", Packing.FOIL, 25, 30),
        ("freeze-dried plant", Packing.FOIL, 20, 25),
        ("hard grain", Packing.SHOP, 2, 2),
        ("dried vegetables", Packing.AIR, 1, 1),
        ("vegetable powder", Packing.AIR, 0.5, 0.75),
        ("dried fruit", Packing.AIR, 0.5, 1),
    ],
)
def test_customary_lives(life: str, packing: Packing, low: float, high: float) -> None:
    """Source: common practice."""
    days = reference.lives()[life, packing].days.customary
    assert low <= days / YEAR <= high


@given(st.floats(-5, 30), st.floats(0, 12), st.floats(1.2, 3))
def test_swinging_year_against_integration(mean: float, swing: float, q10: float) -> None:
    """Source: numerical integration over one year with scipy.integrate.quad."""
    expected, _ = quad(lambda t: q10 ** ((mean + swing * np.sin(2 * np.pi * t) - 21) / 10), 0, 1)
    assert ageing_rate(mean, swing, q10) == pytest.approx(expected, rel=1e-6)


@given(st.floats(-10, 40), st.floats(0.1, 10), st.floats(1.1, 3))
def test_warmer_is_never_better(mean: float, warmer: float, q10: float) -> None:
    assert ageing_rate(mean + warmer, 0, q10) > ageing_rate(mean, 0, q10)


@given(st.integers(700_000, 740_000), st.floats(-5, 25), st.floats(0, 15), st.floats(1.2, 3), st.integers(1, 12))
def test_a_whole_year_costs_its_mean(since: int, mean: float, swing: float, q10: float, month: int) -> None:
    """Whichever day it begins on, a year costs the swinging year's mean (I0, Abramowitz & Stegun 9.6.16)."""
    ageing = Ageing(mean_c=mean, swing_c=swing, q10=q10, warmest_month=month)
    used = ageing.used_days(np.array([since]), np.array([since + 365]))
    assert used[0] == pytest.approx(365 * ageing_rate(mean, swing, q10), rel=0.01)


def test_stretches_add_up_whatever_the_season() -> None:
    loft = Ageing(mean_c=15, swing_c=14, q10=2)
    days = np.array([739_000, 739_050, 739_200, 739_365])
    parts = loft.used_days(days[:-1], days[1:])
    assert parts.sum() == pytest.approx(loft.used_days(days[:1], days[-1:])[0])
    assert loft.used_days(days[:1], days[:1])[0] == 0


@given(st.integers(1, 3000), st.floats(0, 1), st.floats(-20, 35), st.floats(0, 15), st.floats(1, 4), st.integers(1, 12))
def test_the_day_on_which_it_is_used_up_has_used_it_up(
    days: int, share: float, mean: float, swing: float, q10: float, month: int
) -> None:
    """Added up again to whole days on either side, by `used_days`, which is tried against direct integration."""
    ageing = Ageing(mean_c=mean, swing_c=swing, q10=q10, warmest_month=month)
    since, until = np.array([739_000.0]), np.array([739_000.0 + days])
    life = share * ageing.used_days(since, until)
    day = ageing.used_up_on(since, until, life)
    before, after = ageing.used_days(since, np.floor(day + 1e-9)), ageing.used_days(since, np.ceil(day - 1e-9))
    assert before[0] <= life[0] * (1 + 1e-9) + 1e-9
    assert life[0] <= after[0] * (1 + 1e-9) + 1e-9
    assert ageing.used_up_on(since, until, 2 * ageing.used_days(since, until))[0] == until[0]


@pytest.mark.parametrize("wrong", [{"mean_c": 90}, {"swing_c": -1}, {"q10": 0.5}, {"warmest_month": 0}])
def test_seasons_out_of_range(wrong: dict[str, float]) -> None:
    with pytest.raises(OutOfRange, match=next(iter(wrong))):
        Ageing(**({"mean_c": 15, "swing_c": 5, "q10": 2} | wrong))  # type: ignore[arg-type]


def test_nothing_is_promised_beyond_forty_years() -> None:
    """Source: common practice: "25–30 years, some say 40"."""
    most = np.array([most_days(30 * YEAR, 0)])
    left = days_left(np.array([30 * YEAR]), np.zeros(1), np.array([0.3]), most, np.array([365.0]), NOT_OVER)
    assert left[0] == pytest.approx(40 * YEAR - 365)
    longest = max(life.days.hopeful for life in reference.lives().values() if np.isfinite(life.days.hopeful))
    assert longest * COOL_STRETCH <= 40 * YEAR + 1


def test_a_warm_summer_shows_in_the_ledger() -> None:
    """100 days at 31 °C cost a food of Q10 2 as much as 200 at 21 °C."""
    used = 100 * ageing_rate(31, 0, 2)
    of, most, age = np.array([used]), np.array([480.0]), np.array([100.0])
    assert days_left(np.array([365.0]), of, np.ones(1), most, age, NOT_OVER)[0] == pytest.approx(165)
    assert share_left(np.array([365.0]), of, most, age)[0] == pytest.approx(165 / 365)


def test_no_days_left_is_no_life_left() -> None:
    """Whatever ends it, its days and its share of life end together."""
    base, most = np.array([365.0, 365.0, np.inf]), np.array([480.0, 200.0, 90.0])
    used, age = np.array([365.0, 100.0, 0.0]), np.array([365.0, 200.0, 90.0])
    assert days_left(base, used, np.ones(3), most, age, np.zeros(3)).tolist() == [0, 0, 0]
    assert share_left(base, used, most, age).tolist() == [0, 0, 0]


def test_what_is_over_stays_over_since_that_day_whatever_the_pace_is_now() -> None:
    base, used, over = np.full(4, 365.0), np.full(4, 400.0), np.array([21.0, 21.0, 0.0, 21.0])
    rate, most, age = np.array([1.0, 0.05, 3.0, 1.0]), np.full(4, 480.0), np.array([386.0, 386.0, 365.0, 600.0])
    assert days_left(base, used, rate, most, age, over).tolist() == [-21, -21, 0, -120]


def test_what_would_end_in_ten_thousand_years_has_no_end() -> None:
    endless, age = np.full(3, np.inf), np.zeros(3)
    most = np.array([LONGEST_DAYS - 1, LONGEST_DAYS + 1, 7.46e6])
    left = days_left(endless, age, np.ones(3), most, age, age)
    assert left.tolist() == [LONGEST_DAYS - 1, np.inf, np.inf]


def test_cold_stretches_short_lives_to_what_is_published_for_the_freezer() -> None:
    """Source: US extension advice, from memory: dried meat half a year, nuts and brown rice one to two years."""
    for life, packing, low, high in (
        ("dried meat", Packing.AIR, 0.4, 1.0),
        ("nuts", Packing.VACUUM, 1.4, 3),
        ("oily grain", Packing.AIR, 1.4, 3),
    ):
        row = reference.life_classes()[life]
        base = reference.lives()[life, packing].days.customary
        most = most_days(base, row.frozen.customary)
        assert low <= min(base / ageing_rate(-18, 2, row.q10), most) / YEAR <= high


def test_sugar_does_not_age() -> None:
    life = reference.lives()["sugar", Packing.AIR].days
    assert life.by(Estimate.CAUTIOUS) == np.inf
    endless = np.array([np.inf])
    assert days_left(endless, np.array([9e9]), np.ones(1), endless, np.ones(1), NOT_OVER)[0] == np.inf


@pytest.mark.parametrize(
    ("container", "closing", "packing"),
    [
        ("bag-gallon", Closing.ABSORBER, Packing.FOIL),
        ("bag-gallon-thin", Closing.ABSORBER, Packing.CLEAR),
        ("clear-quart", Closing.ABSORBER, Packing.CLEAR),
        ("lined-5-gallon", Closing.ABSORBER, Packing.FOIL),
        ("pail-5-gallon", Closing.ABSORBER, Packing.CLEAR),
        ("bottle-2-litre", Closing.ABSORBER, Packing.CLEAR),
        ("jar-quart", Closing.ABSORBER, Packing.GLASS),
        ("jar-quart", Closing.VACUUM, Packing.VACUUM),
        ("jar-quart", Closing.LID, Packing.AIR),
        ("can-10", Closing.ABSORBER, Packing.FOIL),
        ("packet-1-kg", Closing.LID, Packing.SHOP),
    ],
)
def test_packing_classes(container: str, closing: Closing, packing: Packing) -> None:
    assert packing_class(reference.containers()[container], closing) is packing
