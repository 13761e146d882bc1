import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from yellow_larder import reference
from yellow_larder.core.air import (
    fill,
    is_airy_kind,
    mass_that_fits_g,
    need_by_air_ml,
    need_by_container_ml,
    need_by_kind_ml,
    oxygen_ml,
    pressure_kpa,
)
from yellow_larder.core.containers import Container, volume_below_ml
from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.food import Food

FOODS, CONTAINERS = reference.foods(), reference.containers()
G_PER_LB = 453.592


def full(container: Container, food: Food, *, pressed: bool = True) -> float:
    """Oxygen of a container filled to its customary headspace, mL."""
    mass = mass_that_fits_g(volume_below_ml(container, container.headspace_mm), food.settled_g_ml)
    return oxygen_ml(fill(container, food, mass, pressed=pressed).void_ml)


@pytest.mark.parametrize(("quarts", "packet"), [(1, 100), (2, 200), (4, 400), (20, 2000)])
def test_by_container(quarts: float, packet: float) -> None:
    """Source: common practice: quart 100, half gallon 200, gallon 400, 5 gallon 2,000."""
    assert need_by_container_ml(quarts) == packet


def test_rule_of_thumb_makes_sense_of_a_liner_of_rice() -> None:
    """Source: common practice gives a 5-gallon liner 2,000; pressed flat, its air needs that with a margin."""
    liner, rice = CONTAINERS["lined-5-gallon"], FOODS["white-rice"]
    mass = mass_that_fits_g(volume_below_ml(liner, liner.headspace_mm), rice.settled_g_ml)
    assert 30 < mass / G_PER_LB < 36, "common practice: a 5-gallon pail takes about 33 lb of rice"
    assert 1200 < full(liner, rice) < need_by_air_ml(full(liner, rice)) < 2000
    assert full(liner, rice, pressed=False) == pytest.approx(2000, rel=0.1), "unpressed, 2,000 is just spent"


def test_rule_of_thumb_runs_short_on_airy_oats() -> None:
    """Source: common practice puts 15 lb of oats in 5 gallons with 2,000; flakes are mostly air, so it is tight."""
    liner, oats = CONTAINERS["lined-5-gallon"], FOODS["rolled-oats"]
    there = oxygen_ml(fill(liner, oats, 15 * G_PER_LB, pressed=True).void_ml)
    assert 2000 < there < 2500
    assert there > 1.4 * full(liner, FOODS["white-rice"]), "which is why airy food gets more by the other rule"


def test_quart_jar_of_rice() -> None:
    """Source: common practice gives a quart 100; its air holds just under that."""
    assert 80 < full(CONTAINERS["jar-quart"], FOODS["white-rice"]) < 100


def test_thin_air_needs_less() -> None:
    """Source: the ideal gas law: at 1,600 m there is 17.6 % less of everything."""
    assert oxygen_ml(1000, pressure_kpa=pressure_kpa(1600)) == pytest.approx(209.46 * 0.824, rel=2e-3)


def test_freeze_dried_food_is_nearly_all_air() -> None:
    jar = CONTAINERS["jar-half-gallon"]
    strawberries = fill(jar, FOODS["fd-strawberries"], 120, pressed=False)
    assert strawberries.void_ml > 0.95 * (strawberries.food_ml + strawberries.headspace_ml)


@given(st.sampled_from(sorted(CONTAINERS)), st.sampled_from(sorted(FOODS)), st.floats(0.01, 1), st.booleans())
def test_volumes_add_up(container_key: str, food_key: str, share: float, pressed: bool) -> None:
    container, food = CONTAINERS[container_key], FOODS[food_key]
    closed = volume_below_ml(container, 0)
    packed = fill(container, food, share * closed * food.settled_g_ml, pressed=pressed)
    assume(not (pressed and container.has_film))
    assert packed.solid_ml + packed.void_ml == pytest.approx(closed)


@given(
    st.sampled_from(sorted(CONTAINERS)),
    st.sampled_from(sorted(FOODS)),
    st.floats(0.01, 0.9),
    st.floats(0.01, 0.1),
)
def test_more_food_never_means_more_oxygen_unpressed(
    container_key: str, food_key: str, share: float, more: float
) -> None:
    container, food = CONTAINERS[container_key], FOODS[food_key]
    most = mass_that_fits_g(volume_below_ml(container, 0), food.settled_g_ml)
    less_food = fill(container, food, share * most, pressed=False)
    more_food = fill(container, food, (share + more) * most, pressed=False)
    assert more_food.void_ml < less_food.void_ml
    assert fill(container, food, share * most, pressed=True).void_ml <= less_food.void_ml


def test_more_than_fits() -> None:
    with pytest.raises(OutOfRange) as refusal:
        fill(CONTAINERS["jar-pint"], FOODS["white-rice"], 5000, pressed=False)
    assert refusal.value.high == pytest.approx(490 * 0.87)


def test_the_method_of_container_and_kind() -> None:
    """Source: common practice: airy food half gallon 1,000, gallon 1,000; dense food as by container."""
    assert [need_by_kind_ml(quarts, airy=True) for quarts in (2, 4)] == [1000, 1000]
    assert [need_by_kind_ml(quarts, airy=False) for quarts in (1, 2, 4, 20)] == [100, 200, 400, 2000]
    kinds = {key: is_airy_kind(FOODS[key]) for key in ("white-rice", "white-flour", "macaroni", "pinto-beans")}
    assert kinds == {"white-rice": False, "white-flour": False, "macaroni": True, "pinto-beans": True}
    with pytest.raises(OutOfRange):
        need_by_kind_ml(0, airy=True)


@given(st.floats(0.1, 250), st.floats(1, 2), st.booleans())
def test_a_larger_container_never_gets_less(quarts: float, more: float, airy: bool) -> None:
    assert need_by_kind_ml(min(quarts * more, 250), airy=airy) >= need_by_kind_ml(quarts, airy=airy)
