import pytest
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder import reference
from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.food import Composition, dried_to, nutrients, person_days

APPLE = Composition(52, 0.26, 0.17, 13.81, 2.4, 85.56)


@given(st.floats(0, 1e5), st.floats(0, 1e5))
def test_energy_adds_up(a: float, b: float) -> None:
    barley = reference.foods()["pearl-barley"].composition
    whole = nutrients(barley, a + b).kcal
    assert whole == pytest.approx(nutrients(barley, a).kcal + nutrients(barley, b).kcal)


def test_24_lb_of_beans() -> None:
    """Source: common practice: 24 lb of dry beans is about 37,000 kcal."""
    beans = nutrients(reference.foods()["pinto-beans"].composition, 24 * 453.592)
    assert beans.kcal == pytest.approx(37_000, rel=0.03)


def test_dried_apple_against_the_dehydrated_one_in_the_table() -> None:
    """Source: USDA SR Legacy 09009, apples, dehydrated (low moisture): 346 kcal at 3 % water; from memory."""
    assert dried_to(APPLE, 3).kcal == pytest.approx(346, rel=0.02)


@given(st.floats(0, 85))
def test_drying_keeps_the_solids(water: float) -> None:
    dried = dried_to(APPLE, water)
    assert dried.kcal / (100 - water) == pytest.approx(APPLE.kcal / (100 - APPLE.water_g))


def test_drying_does_not_add_water() -> None:
    with pytest.raises(OutOfRange):
        dried_to(APPLE, 90)


@pytest.mark.parametrize(
    ("field", "figures"),
    [
        ("kcal", (1200, 0, 0, 0, 0, 0)),
        ("fibre_g", (300, 5, 5, 40, 50, 10)),
        ("carbohydrate_g", (300, 30, 30, 60, 5, 10)),
        ("protein_g", (300, -1, 30, 60, 5, 10)),
    ],
)
def test_figures_no_food_has(field: str, figures: tuple[float, ...]) -> None:
    with pytest.raises(OutOfRange) as refusal:
        Composition(*figures)
    assert refusal.value.field == field


def test_person_days() -> None:
    assert person_days(2000 * 30, 2000) == 30
