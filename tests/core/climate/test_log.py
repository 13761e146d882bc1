"""What was measured in a place, and what it costs, against direct integration and other people's figures."""

from dataclasses import replace
from datetime import date

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import quad
from scipy.special import logsumexp

from yellow_larder.core.climate import (
    BRIDGED_HOURS,
    ClimateLog,
    Year,
    fit_year,
    hourly,
    joined,
    log_of,
    mean_kinetic_c,
    season,
    stuck,
    warm_spells,
)
from yellow_larder.core.keeping import Ageing

DAY = 739_000
NONE = np.full(0, np.nan)


def whole(temperature: np.ndarray, first_day: int = DAY) -> ClimateLog:
    """A log without a gap, of so many hours."""
    return ClimateLog(first_day * 24, np.asarray(temperature, dtype=float), np.full(len(temperature), np.nan))


def used(log: ClimateLog | None, since: float, until: float, *, q10: float = 2.0, mean_c: float = 15.0) -> float:
    days = np.array([since]), np.array([until])
    return float(Ageing(mean_c=mean_c, swing_c=0, q10=q10, log=log).used_days(*days)[0])


def test_life_used_by_a_log_is_what_direct_integration_of_the_temperature_finds() -> None:
    """Cumulative damage against `scipy.integrate.quad` of the same rate over the same sinusoid of days and seasons."""

    def celsius(hour: np.ndarray | float) -> np.ndarray | float:
        return 20 + 9 * np.cos(2 * np.pi * hour / 8766) + 6 * np.cos(2 * np.pi * hour / 24)

    hours = np.arange(400 * 24)
    log = whole(np.asarray(celsius(hours + 0.5)))
    for q10 in (1.8, 2.0, 3.0):
        wanted, _ = quad(lambda hour, q=q10: q ** ((celsius(hour) - 21) / 10) / 24, 10 * 24, 390 * 24, limit=2000)
        assert used(log, DAY + 10, DAY + 390, q10=q10) == pytest.approx(wanted, rel=2e-4)


@pytest.mark.parametrize(("q10", "times"), [(1.9, 2.04), (2.0, 2.16)])
def test_dried_fruit_keeps_half_as_long_at_80_as_at_60(q10: float, times: float) -> None:
    """A year at 60 °F, 6 months at 80 °F (National Center for Home Food Preservation, Drying Foods, from memory)."""
    cool, warm = (used(whole(np.full(365 * 24, (f - 32) / 1.8)), DAY, DAY + 365, q10=q10) for f in (60, 80))
    assert warm / cool == pytest.approx(times, abs=0.01)
    assert 1.8 < warm / cool < 2.3


def test_a_log_of_what_the_place_is_taken_for_changes_nothing() -> None:
    year = Ageing(mean_c=14, swing_c=8, q10=2)
    middays = np.repeat(np.arange(DAY, DAY + 900) + 0.5, 24)
    log = whole(14 + 8 * np.cos(season(middays) - 2 * np.pi * 6.5 / 12))
    days = np.array([DAY + 3]), np.array([DAY + 800])
    assert replace(year, log=log).used_days(*days) == pytest.approx(year.used_days(*days))


@pytest.mark.parametrize("shift", [-500, -30, 0, 30, 95, 500])
def test_where_nothing_was_measured_the_year_counts(shift: int) -> None:
    """Whichever way a log lies to what is asked for: each day is counted once, by one of the two."""
    log = whole(np.full(60 * 24, 31.0), DAY + shift)
    inside = max(0, min(100, shift + 60) - max(0, shift))
    assert used(log, DAY, DAY + 100, mean_c=21) == pytest.approx(2 * inside + (100 - inside))


def test_half_a_day_that_was_measured_counts_for_half_of_it() -> None:
    log = ClimateLog(DAY * 24 + 12, np.full(12, 31.0), np.full(12, np.nan))
    assert used(log, DAY, DAY + 1, mean_c=21) == pytest.approx(1.5)


def test_a_day_is_worth_as_much_in_a_log_as_a_stretch_cut_at_it() -> None:
    rng = np.random.default_rng(5)
    log = whole(15 + 10 * rng.standard_normal(200 * 24))
    parts = [used(log, DAY + n, DAY + n + 20) for n in range(0, 200, 20)]
    assert sum(parts) == pytest.approx(used(log, DAY, DAY + 200))


@given(st.lists(st.floats(-30, 60), min_size=1, max_size=60))
def test_the_mean_kinetic_temperature_is_the_formula_of_the_pharmacopoeia(celsius: list[float]) -> None:
    """USP ⟨1160⟩: ΔH/R over −ln of the mean of e^(−ΔH/RT), with 83.144 kJ/mol, from memory; summed in logarithms."""
    kelvin = np.array(celsius) + 273.15
    harm = logsumexp(-83.144 / (0.0083144 * kelvin)) - np.log(len(celsius))
    assert mean_kinetic_c(np.array(celsius)) == pytest.approx(83.144 / 0.0083144 / -harm - 273.15, abs=1e-6)
    assert np.mean(celsius) - 1e-6 <= mean_kinetic_c(np.array(celsius)) <= max(celsius) + 1e-6


def test_a_steady_place_has_that_mean_kinetic_temperature() -> None:
    assert mean_kinetic_c(np.array([25.0, np.nan, 25.0])) == pytest.approx(25)


def test_a_gap_of_a_day_is_bridged_and_a_longer_one_is_not() -> None:
    at = np.array([0, BRIDGED_HOURS, 2 * BRIDGED_HOURS + 1])
    log = log_of(at + DAY * 24, np.array([10.0, 20.0, 30.0]), np.full(3, 0.5))
    assert log.temperature_c[BRIDGED_HOURS // 2] == 15
    assert np.isnan(log.temperature_c[BRIDGED_HOURS + 1 : -1]).all()
    assert log.temperature_c[-1] == 30


@given(st.lists(st.tuples(st.integers(0, 300), st.floats(-20, 40)), min_size=1, max_size=50), st.randoms())
def test_the_order_of_readings_does_not_matter(readings: list[tuple[int, float]], mixed: object) -> None:
    hours, celsius = (np.array(each) for each in zip(*readings, strict=True))
    order = list(range(len(readings)))
    mixed.shuffle(order)  # type: ignore[attr-defined]
    none = np.full(len(readings), np.nan)
    one, other = log_of(hours, celsius, none), log_of(hours[order], celsius[order], none)
    assert one.first_hour == other.first_hour
    assert one.temperature_c == pytest.approx(other.temperature_c, nan_ok=True)
    assert hourly(hours, celsius, none)[0].tolist() == sorted(set(hours.tolist()))


def test_of_two_logs_of_an_hour_the_later_counts_and_none_is_counted_twice() -> None:
    first = (np.arange(5), np.full(5, 10.0), np.full(5, np.nan))
    later = (np.arange(3, 8), np.full(5, 20.0), np.full(5, np.nan))
    hours, celsius, _ = joined([first, later])
    assert hours.tolist() == list(range(8))
    assert celsius.tolist() == [10] * 3 + [20] * 5
    assert joined([first, later, later])[1].tolist() == celsius.tolist()


@pytest.mark.parametrize("month", range(1, 13))
def test_three_years_of_a_log_outweigh_a_guess(month: int) -> None:
    rng = np.random.default_rng(month)
    days = np.repeat(np.arange(DAY, DAY + 3 * 365), 24)
    weather = np.repeat(rng.normal(0, 1.5, 3 * 365), 24)
    true = 16 + 7 * np.cos(season(days) - 2 * np.pi * (month - 0.5) / 12)
    found = fit_year(whole(true + weather), Year(24, 1, 7, 0.5))
    assert found.mean_c == pytest.approx(16, abs=0.3)
    assert found.swing_c == pytest.approx(7, abs=0.5)
    assert min(abs(found.warmest_month - month), 12 - abs(found.warmest_month - month)) <= 1


def test_a_hot_fortnight_does_not_make_a_hot_year() -> None:
    guess, july = Year(15, 5, 7, 0.5), date(2026, 7, 10).toordinal()
    found = fit_year(whole(np.full(14 * 24, 26.0), july), guess)
    assert 15 < found.mean_c < 18
    assert found.mean_c + found.swing_c < 26
    assert fit_year(whole(np.full(3 * 24, 32.0)), guess) == guess, "three days tell nothing of a year"


def test_the_fit_of_many_weeks_is_that_of_least_squares() -> None:
    """Against `numpy.linalg.lstsq` on the weeks themselves."""
    rng = np.random.default_rng(2)
    weeks = 520
    days = DAY + 7 * (np.arange(weeks) + 0.5)
    means = 14 + 6 * np.cos(season(days) - 1.0) + rng.normal(0, 2, weeks)
    found = fit_year(whole(np.repeat(means, 7 * 24)), Year(10, 3, 5, 0.5))
    columns = np.stack([np.ones(weeks), np.cos(season(days)), np.sin(season(days))], axis=1)
    mean, cosine, sine = np.linalg.lstsq(columns, means, rcond=None)[0]
    assert found.mean_c == pytest.approx(mean, abs=0.01)
    assert found.swing_c == pytest.approx(np.hypot(cosine, sine), abs=0.02)


def test_warm_days_are_counted_once_and_their_cost_is_part_of_the_whole() -> None:
    celsius = np.full(90 * 24, 22.0)
    for first, last in ((10, 14), (16, 20), (50, 51)):
        celsius[first * 24 : last * 24] = 34
    spells = warm_spells(whole(celsius), 30)
    assert [(each.since - DAY, each.until - DAY, each.days) for each in spells] == [(10, 20, 8), (50, 51, 1)]
    assert all(each.warmest_c == 34 for each in spells)
    assert warm_spells(whole(celsius), 34) == []


def test_a_cellar_that_shows_half_degrees_is_not_stuck_but_one_that_shows_tenths_is() -> None:
    hours = np.arange(0.0, 24 * 60, 1)
    half = np.where(hours < 24 * 20, 12.0, 12.5)
    tenth = np.where(hours < 24 * 20, 12.0, 12.5 + (hours % 7) / 10)
    assert stuck(hours, half) != [], "forty days of one figure"
    assert stuck(hours[: 24 * 26], half[: 24 * 26]) == []
    assert [(each.since, each.until) for each in stuck(hours, tenth)] == [(0, 24 * 20 - 1)]
    assert stuck(NONE, NONE) == []
