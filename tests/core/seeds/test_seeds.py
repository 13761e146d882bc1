import math

import pytest
import scipy.stats
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.seeds import (
    germination_after,
    germination_band,
    life_in_store_years,
    seeds_to_sow,
    sown_thicker,
    spread_years,
    years_until,
)
from yellow_larder.reference.seeds import seeds

shares = st.floats(0.05, 0.95)
lives = st.floats(0.5, 20)

EXTENSION = {
    "onion": (1, 2),
    "parsnip": (1, 2),
    "leek": (1, 3),
    "carrot": (2, 3),
    "maize": (2, 3),
    "pepper": (2, 3),
    "bean": (3, 4),
    "pea": (3, 4),
    "cabbage": (4, 5),
    "beetroot": (4, 5),
    "squash": (4, 5),
    "tomato": (4, 5),
    "cucumber": (5, 6),
    "lettuce": (5, 6),
}
"""Years that seed lives, cool and dry. Source: US extension tables of vegetable seed, from memory."""


@pytest.mark.parametrize("kind", EXTENSION)
def test_lives_against_extension_tables(kind: str) -> None:
    of = seeds()[kind]
    assert (of.low_years, of.high_years) == EXTENSION[kind]


@given(lives, st.floats(0, 45), st.floats(5, 13))
def test_harringtons_rules(years: float, cold: float, dry: float) -> None:
    """Source: Harrington (1972): life doubles with each 5 °C less, and with each 1 % of moisture less."""
    here = life_in_store_years(years, cold, dry, 9)
    assert life_in_store_years(years, cold + 5, dry, 9) == pytest.approx(here / 2)
    assert life_in_store_years(years, cold, dry + 1, 9) == pytest.approx(here / 2)


@given(lives, st.floats(-40, 60), st.floats(0, 40), st.floats(0, 40))
def test_beyond_them_nothing_is_gained_or_lost(years: float, cold: float, dry: float, usual: float) -> None:
    within = life_in_store_years(years, min(max(cold, 0), 50), min(max(dry, 5), 14), min(max(usual, 5), 14))
    assert life_in_store_years(years, cold, dry, usual) == within


@pytest.mark.parametrize("kind", seeds().values(), ids=lambda each: each.key)
def test_in_a_cool_dry_room_they_live_as_the_table_says(kind: object) -> None:
    of = seeds()[kind.key]  # type: ignore[attr-defined]
    usual = of.moisture_pct(0.5)
    assert life_in_store_years(of.years, 18, usual, usual) == of.years
    assert 0 < of.new < 1
    assert of.moisture_pct(0.2) <= of.moisture_pct(0.45) <= of.moisture_pct(0.75)
    assert of.source


@given(shares, lives, st.floats(0, 60))
def test_germination_falls_in_probits_in_a_straight_line(new: float, life: float, years: float) -> None:
    """Source: Ellis and Roberts (1980), with the normal distribution of scipy."""
    sigma = spread_years(life, new)
    expected = scipy.stats.norm.cdf(scipy.stats.norm.ppf(new) - years / sigma)
    assert germination_after(new, years, sigma) == pytest.approx(expected, abs=1e-9)
    assert germination_after(new, life, sigma) == pytest.approx(new / 2, abs=1e-6)


@given(shares, shares, lives)
def test_when_it_is_down_to_a_share(least: float, then: float, life: float) -> None:
    sigma = spread_years(life, 0.8)
    years = years_until(least, then, sigma)
    assert years == 0 if least >= then else germination_after(then, years, sigma) == pytest.approx(least, abs=1e-6)


@pytest.mark.parametrize("sown", [1, 2, 10, 100, 10_000])
@pytest.mark.parametrize("share", [0, 0.1, 0.5, 0.7, 1])
def test_what_a_test_tells(sown: int, share: float) -> None:
    """Source: Wilson's score interval as scipy.stats has it."""
    came = round(sown * share)
    band = scipy.stats.binomtest(came, sown).proportion_ci(confidence_level=0.9, method="wilson")
    assert germination_band(sown, came) == pytest.approx((band.low, band.high), abs=1e-12)


@pytest.mark.parametrize(("plants", "germination"), [(1, 0.5), (12, 0.7), (12, 1), (100, 0.05), (3, 0.01)])
def test_enough_are_sown_and_no_more(plants: int, germination: float) -> None:
    """Source: the binomial distribution of scipy: one less would not do."""
    n = seeds_to_sow(plants, germination)
    assert scipy.stats.binom.sf(plants - 1, n, germination) >= 0.9
    assert n == plants or scipy.stats.binom.sf(plants - 1, n - 1, germination) < 0.9


def test_twice_as_thick_at_half() -> None:
    """Source: common practice."""
    assert sown_thicker(0.8, 0.4) == 2
    assert sown_thicker(0.8, 0.9) == 1
    assert sown_thicker(0.8, 0) == math.inf


@pytest.mark.parametrize(
    "call",
    [
        lambda: life_in_store_years(0, 10, 8, 8),
        lambda: life_in_store_years(2, math.nan, 8, 8),
        lambda: life_in_store_years(2, 10, 41, 8),
        lambda: spread_years(0, 0.8),
        lambda: germination_after(1.2, 1, 2),
        lambda: germination_after(0.5, -1, 2),
        lambda: germination_band(0, 0),
        lambda: germination_band(10, 11),
        lambda: seeds_to_sow(0, 0.5),
        lambda: seeds_to_sow(10, 0),
    ],
)
def test_what_cannot_be(call: object) -> None:
    with pytest.raises(OutOfRange):
        call()  # type: ignore[operator]
