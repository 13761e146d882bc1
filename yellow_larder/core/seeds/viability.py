"""How long seeds live, by how dry and how cool they are, and how their germination goes down."""

from __future__ import annotations

from statistics import NormalDist

from yellow_larder.core.errors import check_range

USUAL_C, USUAL_HUMIDITY = 18.0, 0.5
"""The cool dry room that tables of seed life are told for: its temperature, °C, and its air, with which the seeds are
at rest. Source: our judgement on extension tables, which say "cool and dry": in a drawer of such a room they hold.
"""

_DOUBLES_C, _DOUBLES_PCT = 5.0, 1.0
_DRIEST_PCT, _WETTEST_PCT = 5.0, 14.0
_COLDEST_C, _WARMEST_C = 0.0, 50.0
"""Where Harrington's rules hold. Below 5 % drying gains nothing more, and above 14 % mould decides."""

HALF, LETS_GO = 0.5, 0.2
"""Germination below which seeds are sown twice as thick, and below which they are grown out or let go.

Source: common practice.
"""

_NORMAL = NormalDist()
_LEAST, _MOST = 0.005, 0.995
"""Germination is never quite none or all: a test of ten that all came says no more than that."""


def life_in_store_years(years: float, temperature_c: float, moisture_pct: float, usual_pct: float) -> float:
    """How long seeds live in a store, from how long they live in a cool dry room.

    Each 5 °C less doubles it, and each 1 % of moisture less.

    Args:
        years: life in a cool dry room, years, 0.1–50.
        temperature_c: mean temperature of the store, °C, −40–60; below freezing as at freezing.
        moisture_pct: moisture of the seeds, wet basis, %, 0–40; below 5 as at 5.
        usual_pct: moisture of such seeds at rest with the air of a cool dry room, %, 0–40.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        Onions live for a year and a half at 18 °C; at 28 °C a quarter of that, and dried by 2 % as long as before:

        >>> life_in_store_years(1.5, 28, 10, 10), life_in_store_years(1.5, 28, 8, 10)
        (0.375, 1.5)

    Source: Harrington, J. F. (1972) "Seed storage and longevity", in Seed Biology III: his rules of thumb, between 0
    and 50 °C and between 5 and 14 % moisture.
    """
    check_range("years", years, 0.1, 50, "years")
    check_range("temperature_c", temperature_c, -40, 60, "°C")
    check_range("moisture_pct", moisture_pct, 0, 40, "%")
    check_range("usual_pct", usual_pct, 0, 40, "%")
    cool = min(max(temperature_c, _COLDEST_C), _WARMEST_C)
    dry, usual = (min(max(each, _DRIEST_PCT), _WETTEST_PCT) for each in (moisture_pct, usual_pct))
    return float(years * 2 ** ((USUAL_C - cool) / _DOUBLES_C) * 2 ** ((usual - dry) / _DOUBLES_PCT))


def spread_years(life_years: float, new: float) -> float:
    """How far apart the deaths of seeds lie in time, years: the σ of the viability equation.

    Args:
        life_years: years in which half of those die that would have come up, above 0.
        new: germination when they were new, 0–1.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        >>> round(spread_years(4, 0.8), 2)
        3.65

    Source: Ellis, R. H. and Roberts, E. H. (1980) Annals of Botany 45, 13–30: probit of germination falls in a straight
    line with time, by 1/σ a year.
    """
    check_range("life_years", life_years, 1e-3, 5000, "years")
    check_range("new", new, 0, 1, "")
    return life_years / (_probit(new) - _probit(new / 2))


def germination_after(then: float, years: float, sigma_years: float) -> float:
    """Germination some years after it was known, 0–1.

    Args:
        then: germination when it was known, 0–1: of a test, or of new seed.
        years: years since then, 0 or more.
        sigma_years: see `spread_years`, above 0.

    Raises:
        OutOfRange: an argument is outside the range above.

    Example:
        Half of what came up when it was new, after its life:

        >>> round(germination_after(0.8, 4, spread_years(4, 0.8)), 2)
        0.4

    Source: see `spread_years`.
    """
    check_range("then", then, 0, 1, "")
    check_range("years", years, 0, 500, "years")
    check_range("sigma_years", sigma_years, 1e-4, 1e5, "years")
    return _NORMAL.cdf(_probit(then) - years / sigma_years)


def years_until(least: float, then: float, sigma_years: float) -> float:
    """Years until germination is down to some share; 0 if it is so low already.

    Example:
        >>> round(years_until(0.4, 0.8, spread_years(4, 0.8)), 2), years_until(0.5, 0.3, 2)
        (4.0, 0.0)

    Source: see `germination_after`, solved for the time.
    """
    check_range("least", least, 0, 1, "")
    check_range("then", then, 0, 1, "")
    return max(0.0, (_probit(then) - _probit(least)) * check_range("sigma_years", sigma_years, 1e-4, 1e5, "years"))


def _probit(share: float) -> float:
    return _NORMAL.inv_cdf(min(max(share, _LEAST), _MOST))
