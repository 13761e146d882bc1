import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from yellow_larder import reference
from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.food import nutrients
from yellow_larder.core.planning import average_g, eaten_g, gap_g, need_g, occasions, per_table_g, totals_g

RECIPES = np.array([[60.0, 0, 12, 0], [0, 85, 5, 40], [30, 0, 0, 110]])
"""Breakfast, lunch and supper for one person: grams of four foods."""


def test_three_meals_for_ten_four_times_a_month() -> None:
    """Ten people, once a week or so for a month, need forty times what one needs once (common practice)."""
    one = need_g(per_table_g(RECIPES, np.ones(3), 1), np.ones(3))
    ten = need_g(per_table_g(RECIPES, np.ones(3), 10), occasions(np.full(3, 4.0), 1))
    np.testing.assert_allclose(ten, 40 * one)
    np.testing.assert_allclose(one, [90, 85, 17, 150])


@given(st.floats(0.5, 40), st.floats(0.5, 40), st.integers(1, 12))
def test_people_add_up(some: float, others: float, months: int) -> None:
    times = occasions(np.array([4.0, 8.0, 2.0]), months)
    parts = [need_g(per_table_g(RECIPES, np.full(3, 4.0), each), times) for each in (some, others)]
    both = need_g(per_table_g(RECIPES, np.full(3, 4.0), some + others), times)
    np.testing.assert_allclose(both, parts[0] + parts[1])


@given(st.floats(0, 31), st.floats(0, 60))
def test_no_occasion_is_cut_short(per_month: float, months: float) -> None:
    times = occasions(np.array([per_month]), months)[0]
    assert times >= per_month * months - 1e-6
    assert times == int(times)
    assert times < per_month * months + 1


def test_a_surplus_of_one_food_fills_no_other_gap() -> None:
    np.testing.assert_array_equal(gap_g(np.array([500.0, 500.0]), np.array([9000.0, 100.0])), [0, 400])


def test_beans_for_a_year() -> None:
    """24 lb of dry beans is about 37,000 kcal (common practice)."""
    beans = [food for food in reference.foods().values() if food.group == "pulses" and food.name.endswith(" beans")]
    energies = [nutrients(food.composition, 24 * 453.59237).kcal for food in beans]
    assert len(beans) > 5
    assert np.mean(energies) == pytest.approx(37_000, rel=0.03)


def test_a_diary_stretches_to_the_days_ahead() -> None:
    np.testing.assert_allclose(eaten_g(np.array([600.0, 30.0]), 20, 91), [2730, 136.5])
    np.testing.assert_array_equal(eaten_g(np.array([600.0]), 0, 91), [0])
    with pytest.raises(OutOfRange, match="days"):
        eaten_g(np.array([600.0]), 20, -1)


uses = st.lists(st.tuples(st.integers(0, 5), st.integers(0, 3), st.floats(0, 5000)), max_size=60)


@given(uses)
def test_totals_are_what_adding_by_hand_gives(used: list[tuple[int, int, float]]) -> None:
    by_hand = np.zeros((6, 4))
    for month, food, grams in used:
        by_hand[month, food] += grams
    columns = [np.array([use[n] for use in used], dtype=kind) for n, kind in enumerate((int, int, float))]
    np.testing.assert_allclose(totals_g(*columns, periods=6, foods=4), by_hand)


def test_days_not_kept_say_nothing() -> None:
    averages = average_g(np.array([[300.0, 0], [0, 0], [90, 60]]), np.array([3, 0, 30]))
    np.testing.assert_allclose(averages, [[100, 0], [0, 0], [3, 2]])
