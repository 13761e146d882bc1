from pathlib import Path

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from isotherm_fit.data import IsothermData
from isotherm_fit.models import fit_model
from isotherm_fit.models import gab as their_gab

from yellow_larder import reference
from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.moisture import Gab, Henderson, dry_basis_pct, wet_basis_pct
from yellow_larder.reference.drying import isotherm_of, isotherms, texture_of

ALL = {row.name: row.isotherm for row in isotherms()}
GABS = {name: each for name, each in ALL.items() if isinstance(each, Gab)}
ISOTHERMS = st.sampled_from(sorted(ALL)).map(ALL.__getitem__)


@pytest.mark.parametrize(
    ("name", "celsius", "humidity", "moisture"),
    [
        ("shelled corn", 25, 0.6, 12.4),
        ("shelled corn", 25, 0.7, 14.0),
        ("shelled corn", 10, 0.7, 15.6),
        ("hard wheat", 25, 0.6, 13.0),
        ("hard wheat", 25, 0.7, 14.4),
        ("soybeans", 25, 0.6, 10.0),
        ("soybeans", 25, 0.7, 12.2),
        ("rice", 25, 0.6, 12.3),
        ("barley", 25, 0.7, 13.4),
        ("beans", 25, 0.7, 14.5),
    ],
)
def test_grain_and_pulses_against_the_standard(name: str, celsius: float, humidity: float, moisture: float) -> None:
    """Source: ASABE D245 equilibrium moisture as printed in US extension tables, wet basis; from memory, to ½ point."""
    assert float(ALL[name].moisture_pct(np.array(humidity), celsius)) == pytest.approx(moisture, abs=0.5)


@pytest.mark.parametrize("name", sorted(GABS))
def test_gab_is_the_model_others_mean(name: str) -> None:
    """Source: isotherm-fit, an independent implementation of GAB, and its own fit to points of ours."""
    ours = GABS[name]
    activity = np.linspace(0.08, 0.85, 15)
    dry = dry_basis_pct(ours.moisture_pct(activity, 25.0))
    assert dry == pytest.approx(their_gab(activity, ours.m0, ours.c, ours.k), rel=1e-9)
    fitted = fit_model(IsothermData(activity, dry, None, Path("ours")), "GAB")
    assert fitted.params["m0"] == pytest.approx(ours.m0, rel=1e-3)
    assert fitted.params["K"] == pytest.approx(ours.k, rel=1e-3)


@given(isotherm=ISOTHERMS, moisture=st.floats(2, 22), celsius=st.floats(-15, 60))
def test_there_and_back(isotherm: Gab | Henderson, moisture: float, celsius: float) -> None:
    activity = float(isotherm.water_activity(np.array(moisture), celsius))
    if activity < 0.85:
        assert float(isotherm.moisture_pct(np.array(activity), celsius)) == pytest.approx(moisture, abs=1e-6)


@given(isotherm=ISOTHERMS, celsius=st.floats(-15, 55))
def test_wetter_and_warmer_is_livelier(isotherm: Gab | Henderson, celsius: float) -> None:
    moisture = np.linspace(1, 25, 40)
    cool, warm = (isotherm.water_activity(moisture, at) for at in (celsius, celsius + 10))
    assert np.all(np.diff(cool) >= 0)
    assert np.all(warm >= cool)


@pytest.mark.parametrize(
    ("food", "moisture", "low", "high"),
    [
        ("hard-red-wheat", 13.5, 0.6, 0.66),
        ("white-flour", 13.5, 0.55, 0.66),
        ("dried-apples", 24.0, 0.72, 0.85),
        ("skim-milk-powder", 3.5, 0.05, 0.25),
        ("hazelnuts", 6.0, 0.63, 0.67),
        ("flaxseed", 8.5, 0.62, 0.68),
    ],
)
def test_what_is_known_of_foods(food: str, moisture: float, low: float, high: float) -> None:
    """Source: water activities of food (ICMSF; Iglesias and Chirife), from memory: flour at the line of 13.5 % is safe
    in store, dried fruit as it is sold lies at 0.7–0.8, milk powder near 0.2, nuts of 6–7 % below 0.7."""
    isotherm = isotherm_of(reference.foods()[food])
    assert isotherm is not None
    assert low < float(isotherm.water_activity(np.array(moisture), 21.0)) < high


def test_every_food_that_takes_up_water_has_an_isotherm() -> None:
    """What has none says by its texture how moist it is as it is sold: sugar, salt, syrup, fat."""
    for food in reference.foods().values():
        assert (isotherm_of(food) is None) is (texture_of(food).dry_activity is not None), food.key


def test_names_in_the_table_are_foods_and_groups() -> None:
    foods = reference.foods()
    groups = {food.group for food in foods.values()}
    for row in isotherms():
        assert set(row.foods) <= set(foods)
        assert set(row.groups) <= groups
        assert row.source


@pytest.mark.parametrize(("moisture", "celsius"), [(-1, 20), (61, 20), (float("nan"), 20), (10, 71), (10, -21)])
def test_out_of_range(moisture: float, celsius: float) -> None:
    for isotherm in (ALL["barley"], ALL["fruit"]):
        with pytest.raises(OutOfRange):
            isotherm.water_activity(np.array(moisture), celsius)
        with pytest.raises(OutOfRange):
            isotherm.moisture_pct(np.array(1.0), celsius)


@given(moisture=st.floats(0, 60))
def test_bases(moisture: float) -> None:
    assert float(wet_basis_pct(dry_basis_pct(np.array(moisture)))) == pytest.approx(moisture, abs=1e-9)
