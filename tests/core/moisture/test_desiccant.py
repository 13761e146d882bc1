import math
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.integrate import solve_ivp
from scipy.optimize import brentq

from yellow_larder.core.air import saturation_kpa
from yellow_larder.core.containers import Material
from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.moisture import (
    GEL_START_PCT,
    TESTED_KPA,
    Gab,
    Henderson,
    MoistureBalance,
    VaporWall,
    gel_for_g,
    gel_holds_pct,
    standard_units,
)
from yellow_larder.reference import containers, foods
from yellow_larder.reference.drying import isotherm_of
from yellow_larder.reference.walls import materials, walls_of

LEEKS = Gab(7, 8, 0.95, 4)
WHEAT = Henderson(2.3007e-5, 2.2857, 55.815)


def package(
    *,
    mass: float = 160,
    moisture: float = 6,
    gel: float = 0,
    wall: float = 0.02,
    aired: float = 0,
    humidity: float = 0.65,
    isotherm: Gab | Henderson = LEEKS,
) -> MoistureBalance:
    figures = (np.array([each]) for each in (mass, moisture, gel, wall, aired))
    return MoistureBalance(isotherm, *figures, temperature_c=17, humidity=humidity)


def water_g(of: MoistureBalance, activity: float) -> float:
    """Water in food and gel at an activity."""
    solids = float(of.mass_g[0]) * (1 - float(of.moisture_pct[0]) / 100)
    wet = float(of.isotherm.moisture_pct(np.array(activity), of.temperature_c))
    return solids * wet / (100 - wet) + float(of.gel_g[0]) * float(gel_holds_pct(np.array(activity))) / 100


def stepped(of: MoistureBalance, days: np.ndarray) -> np.ndarray:
    """The same by stepping the water itself through time, and asking at each step what activity it brings."""
    saturation = saturation_kpa(of.temperature_c)
    vapor = saturation * 1000 * 18.015 / (8.314462618 * (of.temperature_c + 273.15)) / 1e6
    lets_in = float(of.wall_g_day_kpa[0]) * saturation + float(of.aired_ml_day[0]) * vapor

    def activity(water: float) -> float:
        return float(brentq(lambda a: water_g(of, a) - water, 0.001, 0.9899, xtol=1e-10))

    def flow(_t: float, y: np.ndarray) -> list[float]:
        return [lets_in * (of.humidity - activity(y[0]))]

    has = float(of.mass_g[0] * of.moisture_pct[0] + of.gel_g[0] * GEL_START_PCT) / 100
    found = solve_ivp(flow, (0, days[-1]), [has], t_eval=days, rtol=1e-7, atol=1e-7, method="LSODA")
    return np.array([activity(each) for each in found.y[0]])


@pytest.mark.parametrize(
    "of",
    [
        package(),
        package(gel=30),
        package(wall=0.0005, aired=900),
        package(moisture=12, humidity=0.2),
        package(mass=2500, moisture=10.5, wall=0.003, isotherm=WHEAT, humidity=0.8),
        package(mass=2500, moisture=10.5, gel=100, wall=0.05, isotherm=WHEAT, humidity=0.8),
    ],
)
def test_against_an_independent_solution(of: MoistureBalance) -> None:
    """Against scipy's integrator stepping the water; the core adds up the time that each step of activity takes."""
    days = np.geomspace(1, 4000, 25)
    assert of.after(days)[0] == pytest.approx(stepped(of, days), abs=2e-3)


@pytest.mark.parametrize(("of", "limit"), [(package(), 0.45), (package(gel=40, wall=0.05), 0.45), (package(), 0.6)])
def test_the_day_it_passes_a_limit(of: MoistureBalance, limit: float) -> None:
    day = float(of.days_until(limit)[0])
    assert 1 < day < 5000
    assert stepped(of, np.array([1.0, day]))[-1] == pytest.approx(limit, abs=2e-3)


def test_the_gel_s_own_curve() -> None:
    """About 10 % at 20 % humidity, 20 % at 40 %, 30 % at 60 %. Source: makers' curves, common practice."""
    assert gel_holds_pct(np.array([0.0, 0.2, 0.4, 0.6])).tolist() == [0, 10, 20, 30]


def test_a_unit_is_about_thirty_grams_of_gel() -> None:
    """A unit takes up 3 g at 20 % and 6 g at 40 %: by the gel's curve 30 g of it, either way.

    Source: DIN 55474, MIL-D-3464, from memory.
    """
    assert [3 / gel_holds_pct(np.array(0.2)) * 100, 6 / gel_holds_pct(np.array(0.4)) * 100] == [30, 30]


def test_units_of_the_standard_by_hand() -> None:
    """DIN 55474, from memory: 2 m² of 1.2 g/m²·day for 90 days to 40 %, with 3 g in the air:
    (3 + 2 × 0.7 × 1.2 × 90) / 6 = 25.7; to 20 %: (3 + 2 × 0.9 × 1.2 × 90) / 3 = 65.8.
    """
    assert standard_units(2, 1.2, 90, 0.4, air_g=3) == pytest.approx(25.7)
    assert standard_units(2, 1.2, 90, 0.2, air_g=3) == pytest.approx(65.8)
    with pytest.raises(OutOfRange):
        standard_units(2, 1.2, 90, 0.5)
    with pytest.raises(OutOfRange):
        standard_units(-1, 1.2, 90, 0.4)


def test_dried_food_with_gel_comes_to_terms_with_it() -> None:
    """No water is lost: what the food gave the gel has, by hand from the two curves."""
    of = package(moisture=9, gel=50)
    settled = float(of.start()[0])
    assert settled < float(package(moisture=9).start()[0])
    assert water_g(of, settled) == pytest.approx(160 * 0.09 + 50 * GEL_START_PCT / 100, abs=0.01)


def test_a_closed_package_without_any_way_in_stays_as_it_is() -> None:
    of = package(wall=0)
    assert of.after(np.array([20_000.0]))[0, 0] == pytest.approx(float(of.start()[0]), abs=1e-3)


def test_a_dry_room_never_makes_it_soft() -> None:
    assert math.isinf(float(package(humidity=0.4).days_until(0.45)[0]))
    assert float(package(moisture=20).days_until(0.45)[0]) == 0


@settings(max_examples=60)
@given(
    st.floats(3, 9), st.floats(0, 60), st.floats(0.001, 0.2), st.floats(0, 800), st.floats(0.5, 0.9), st.floats(1.05, 4)
)
def test_more_of_what_is_bad_is_never_better(
    moisture: float, gel: float, wall: float, aired: float, humidity: float, more: float
) -> None:
    of = package(moisture=moisture, gel=gel, wall=wall, aired=aired, humidity=humidity)
    day = float(of.days_until(0.45)[0])
    slack = 1e-9 + day * 1e-6
    assert float(replace(of, wall_g_day_kpa=of.wall_g_day_kpa * more).days_until(0.45)[0]) <= day + slack
    assert float(replace(of, aired_ml_day=of.aired_ml_day * more).days_until(0.45)[0]) <= day + slack
    assert float(replace(of, moisture_pct=of.moisture_pct * min(more, 1.5)).days_until(0.45)[0]) <= day + slack
    assert float(replace(of, humidity=min(humidity * more, 0.97)).days_until(0.45)[0]) <= day + slack
    assert float(replace(of, gel_g=of.gel_g * more + 1).days_until(0.45)[0]) >= day - slack


@pytest.mark.parametrize("years", [0.5, 1, 3, 8])
def test_the_gel_asked_for_holds_and_less_does_not(years: float) -> None:
    of = package(wall=0.02, aired=300)
    gel = gel_for_g(of, 0.45, years * 365)
    assert gel is not None
    if gel == 0:
        assert float(of.days_until(0.45)[0]) >= years * 365
        return
    with_it, with_less = (replace(of, gel_g=np.array([each])) for each in (gel, gel * 0.96))
    assert float(with_it.days_until(0.45)[0]) >= years * 365 > float(with_less.days_until(0.45)[0])


def test_some_packages_no_gel_keeps_dry() -> None:
    assert gel_for_g(package(wall=50, humidity=0.9), 0.45, 36_000) is None
    with pytest.raises(OutOfRange):
        gel_for_g(package(), 0.45, -1)


@pytest.mark.parametrize(
    ("figure", "value"), [("mass_g", 0.0), ("gel_g", -1.0), ("wall_g_day_kpa", -1.0), ("aired_ml_day", math.nan)]
)
def test_figures_out_of_range(figure: str, value: float) -> None:
    with pytest.raises(OutOfRange):
        replace(package(), **{figure: np.array([value])})


def test_walls_against_handbook_rates() -> None:
    """By hand from handbooks, from memory: HDPE of 25 µm 5–6 g/m²·day at 38 °C and 90 %, so of 2 mm 0.06–0.08; PET
    of 25 µm 15–20, so of 0.3 mm 1.3–1.7; nylon and polyethylene pouches 4–9; foil under 0.05 even where folded.
    """
    rates = {material: row.vapor for material, row in materials().items()}
    low, high = rates[Material.HDPE]
    assert 5 * 25 / 2000 * 0.8 <= low < high <= 6 * 25 / 2000 * 1.4
    low, high = rates[Material.PET]
    assert 15 * 25 / 300 * 0.8 <= low < high <= 20 * 25 / 300 * 1.3
    assert rates[Material.FOIL][1] <= 0.1
    assert rates[Material.GLASS] == (0, 0)
    assert pytest.approx(5.97, abs=0.02) == TESTED_KPA
    assert VaporWall(1.2, 0.3).lets_in_g_day_kpa(0.5) == pytest.approx(0.9 / 5.966, rel=1e-3)


def test_home_dried_food_goes_soft_first_where_common_practice_says() -> None:
    """In the shop's packet within weeks, in a bare pail within years, in foil or a jar not in a lifetime of a pantry.

    Source: common practice.
    """
    isotherm = isotherm_of(foods()["dried-leeks"])
    assert isotherm is not None

    def softens_days(kind: str, area_m2: float) -> float:
        _, tight, leaky = walls_of(next(each for each in containers().values() if each.kind.value == kind)).vapor
        wall = (tight.lets_in_g_day_kpa(area_m2) + leaky.lets_in_g_day_kpa(area_m2)) / 2
        return float(package(mass=160, moisture=5, wall=wall, isotherm=isotherm).days_until(0.45)[0])

    assert softens_days("shop packet", 0.08) < 60
    assert 60 < softens_days("vacuum pouch", 0.08) < 2 * 365
    assert softens_days("bag", 0.08) > 10 * 365
    assert softens_days("jar", 0.0) > 3 * 365
