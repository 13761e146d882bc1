from itertools import product

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from yellow_larder.core.errors import OutOfRange
from yellow_larder.core.planning import Offers, Table, best_purchase, least_coins, weeks_ahead, whole_meals


def table(recipes: list[list[float]], times: list[float], here: list[float]) -> Table:
    foods = len(here)
    return Table(
        np.array(recipes, dtype=float).reshape(-1, foods),
        np.array(times, dtype=float),
        np.array(here, dtype=float),
        np.full(foods, 3.5),
    )


def offers(*rows: tuple[int, float, float]) -> Offers:
    columns = zip(*rows, strict=True) if rows else ([], [], [])
    food, size, coins = (np.array(column) for column in columns)
    return Offers(food.astype(np.int64), size.astype(float), coins.astype(float))


small = st.integers(1, 2).flatmap(
    lambda foods: st.tuples(
        st.lists(st.lists(st.sampled_from([0, 50, 100, 150]), min_size=foods, max_size=foods), min_size=2, max_size=2),
        st.lists(st.integers(0, 3), min_size=2, max_size=2),
        st.lists(st.sampled_from([0, 60, 120]), min_size=foods, max_size=foods),
        st.lists(
            st.tuples(st.integers(0, foods - 1), st.sampled_from([100.0, 200.0, 250.0]), st.integers(20, 90)),
            min_size=1,
            max_size=3,
        ),
        st.integers(0, 220),
    )
)


def by_trying_all(wanted: Table, on_offer: Offers, coins: int) -> tuple[int, float, float]:
    """Most whole meals, then most useful energy, then least money, by trying every basket and every menu."""
    gap = wanted.gap_g
    best = (-1, -1.0, 0.0)
    for packs in product(*[range(int(coins // each) + 1) for each in on_offer.coins]):
        cost = float(np.dot(packs, on_offer.coins))
        if cost > coins:
            continue
        bought = np.bincount(on_offer.food, weights=np.array(packs) * on_offer.size_g, minlength=len(gap))
        stock = wanted.here_g + bought
        menus = product(*[range(int(n) + 1) for n in wanted.times])
        meals = max(sum(menu) for menu in menus if (np.array(menu) @ wanted.recipe_g <= stock + 1e-6).all())
        useful = float(np.minimum(bought, gap) @ wanted.kcal_per_g)
        best = max(best, (meals, round(useful, 3), -cost))
    return best


@settings(max_examples=60)
@given(small)
def test_against_trying_all(
    case: tuple[list[list[float]], list[int], list[int], list[tuple[int, float, int]], int],
) -> None:
    recipes, times, here, rows, coins = case
    wanted, on_offer = table(recipes, times, here), offers(*rows)
    bought = best_purchase(wanted, on_offer, coins)
    weights = np.bincount(on_offer.food, weights=bought.packs * on_offer.size_g, minlength=len(here))
    useful = float(np.minimum(weights, wanted.gap_g) @ wanted.kcal_per_g)
    meals, most_useful, least = by_trying_all(wanted, on_offer, coins)
    assert bought.meals.sum() == meals
    assert useful == pytest.approx(most_useful, abs=0.01)
    # Among equals the cheapest, but for a hair of the solver's own tolerance.
    assert bought.coins <= -least + 1
    assert bought.coins <= coins
    assert bought.proven


@settings(max_examples=30)
@given(small, st.integers(1, 100))
def test_more_money_never_gives_fewer_meals(
    case: tuple[list[list[float]], list[int], list[int], list[tuple[int, float, int]], int], more: int
) -> None:
    recipes, times, here, rows, coins = case
    wanted, on_offer = table(recipes, times, here), offers(*rows)
    poorer, richer = best_purchase(wanted, on_offer, coins), best_purchase(wanted, on_offer, coins + more)
    assert richer.meals.sum() >= poorer.meals.sum()
    assert poorer.meals.sum() >= whole_meals(wanted).sum()


def test_whole_meals_before_half_ones() -> None:
    """Cheap oats would give more days; the missing beans make three suppers whole."""
    wanted = table([[200, 0], [100, 100]], [2, 3], [700, 0])
    bought = best_purchase(wanted, offers((0, 1000, 100), (1, 300, 100)), 100)
    assert bought.packs.tolist() == [0, 1]
    assert bought.meals.tolist() == [2, 3]


def test_with_no_meal_in_reach_the_money_buys_days() -> None:
    """A supper needs two foods; the sum buys only one of them, so the fuller bag of it."""
    wanted = table([[400, 400]], [1], [0, 0])
    bought = best_purchase(wanted, offers((0, 200, 50), (1, 300, 60), (1, 400, 900)), 60)
    assert bought.packs.tolist() == [0, 1, 0]
    assert bought.meals.tolist() == [0]


def test_nothing_beyond_the_need() -> None:
    bought = best_purchase(table([[100]], [3], [0]), offers((0, 250, 10)), 10_000)
    assert bought.packs.tolist() == [2]
    assert best_purchase(table([[100]], [3], [300]), offers((0, 250, 10)), 10_000).coins == 0


def test_packs_larger_than_the_sum() -> None:
    bought = best_purchase(table([[100]], [3], [0]), offers((0, 10_000, 900)), 899)
    assert (bought.packs.tolist(), bought.coins, bought.proven) == ([0], 0, True)


def test_nothing_wanted_and_nothing_on_offer() -> None:
    assert best_purchase(table([], [], [0]), offers((0, 500, 100)), 900).coins == 0
    assert best_purchase(table([[100]], [3], [0]), offers(), 900).meals.tolist() == [0]
    assert whole_meals(table([], [], [0])).tolist() == []


def test_the_least_money_that_fills_the_gap() -> None:
    on_offer = offers((0, 1000, 100), (0, 300, 40), (1, 500, 75))
    assert least_coins(np.array([1250.0, 900.0]), on_offer) == 140 + 150
    assert least_coins(np.array([0.0, 0.0]), on_offer) == 0
    assert least_coins(np.array([1.0, 1.0]), offers((0, 500, 75))) == float("inf")


def test_a_search_cut_short_still_fills_the_gap(monkeypatch: pytest.MonkeyPatch) -> None:
    """What one size alone would cost is the most it comes to."""
    nothing_found = type("Nothing", (), {"x": None})()
    monkeypatch.setattr("yellow_larder.core.planning.buying.scipy.optimize.milp", lambda *_, **__: nothing_found)
    assert least_coins(np.array([1250.0]), offers((0, 1000, 100), (0, 300, 35))) == 5 * 35


def test_week_after_week_to_the_goal() -> None:
    """Ten suppers of 100 g; a 300 g bag costs 40, 30 come in a week: what is over is carried."""
    weeks = weeks_ahead(table([[100]], [10], [0]), offers((0, 300, 40)), first_coins=30, weekly_coins=30)
    assert [week.spent for week in weeks] == [0, 0, 40, 40, 40, 0, 40][: len(weeks)]
    assert [week.meals for week in weeks] == [0, 0, 3, 6, 9, 9, 10]
    assert [week.left for week in weeks[1:4]] == [30, 20, 10]
    coins = 30
    for week in weeks[1:]:
        assert week.spent <= coins
        assert week.left == coins - week.spent
        coins = week.left + 30


def test_weeks_end_where_nothing_helps() -> None:
    """Salt is not on offer: the suppers stay unfinished, but every week that buys something is told."""
    weeks = weeks_ahead(table([[100, 5]], [4], [0, 0]), offers((0, 400, 10)), first_coins=50, weekly_coins=50)
    assert [week.meals for week in weeks] == [0, 0]


@pytest.mark.parametrize(("coins", "seconds"), [(-1, 1), (1e10, 1), (10, 0)])
def test_sums_that_are_none(coins: float, seconds: float) -> None:
    with pytest.raises(OutOfRange):
        best_purchase(table([[100]], [3], [0]), offers((0, 250, 10)), int(coins), seconds=seconds)
